use kurbo::Point;

use super::curve::{SAMPLES, closed, open, signed_area};
use super::edge::{CoatEdge, Dressing, SkirtCoat, hanging_share};
use super::head_pieces::{FAR_EAR, beard_piece, brow_piece, ear_piece, face_pieces, topknot_piece};
use super::legs::{Leg, leg_pieces};
use super::piece::{Piece, PieceKind, Stroke};
use super::side::SideShape;
use super::station::{Station, stretch};
use super::tail::tail_pieces;
use crate::coat::Zone;
use crate::frame::{Build, EarKind};

/// The dog from the side as closed pieces in drawing order (dog-shape.md 4 and 10).
///
/// # Units and shapes
/// mm on the side page; every outline anticlockwise. The bare frame is a [`Dressing`] of zero
/// lengths without a hem.
pub fn side_pieces(shape: &SideShape, build: &Build, dressing: &Dressing) -> Vec<Piece> {
    side_pieces_beside(shape, build, (shape, build), dressing)
}

/// Only the near legs, feet first.
pub(super) fn near_leg_pieces(shape: &SideShape, build: &Build, dressing: &Dressing) -> Vec<Piece> {
    let edge = CoatEdge::new(shape, dressing);
    [Leg::Hind, Leg::Fore]
        .into_iter()
        .flat_map(|leg| leg_pieces(leg, false, shape, build, dressing, &edge))
        .collect()
}

/// The same where the far legs are not as the near ones.
pub fn side_pieces_beside(
    shape: &SideShape,
    build: &Build,
    far: (&SideShape, &Build),
    dressing: &Dressing,
) -> Vec<Piece> {
    let edge = CoatEdge::new(shape, dressing);
    let far_edge = CoatEdge::new(far.0, dressing);
    let stand = |zone| dressing.stand.of(zone);
    let legs = |leg, is_far| {
        let (shape, build, edge) = if is_far {
            (far.0, far.1, &far_edge)
        } else {
            (shape, build, &edge)
        };
        leg_pieces(leg, is_far, shape, build, dressing, edge)
    };
    let mut pieces = legs(Leg::Hind, true);
    pieces.extend(legs(Leg::Fore, true));
    for piece in &mut pieces {
        piece.is_far = true;
    }
    pieces.extend(tail_pieces(
        &build.tail,
        &dressing.tail,
        stand(Zone::Tail),
        shape.skin(Station::TailSet),
        build.height,
    ));
    let (body, topline) = body_piece(&edge);
    pieces.push(body);
    let skirt = dressing.skirt.map(|s| {
        (
            s.covers_legs,
            if s.is_cut {
                cut_skirt_piece(&s, &edge)
            } else {
                skirt_piece(&s, stand(Zone::Underline), shape, build)
            },
        )
    });
    if let Some((false, piece)) = &skirt {
        pieces.push(piece.clone());
    }
    pieces.extend(legs(Leg::Hind, false));
    pieces.extend(legs(Leg::Fore, false));
    if let Some((true, piece)) = &skirt {
        pieces.push(piece.clone());
    }
    let ear = ear_piece(&build.ear, &dressing.ear, stand(Zone::Ear), &shape.head);
    let is_prick = build.ear.kind == EarKind::Prick;
    if is_prick {
        let shift = FAR_EAR * build.head.length;
        let mut far = ear.clone();
        far.is_far = true;
        let strokes = far.strokes.iter_mut().flat_map(|s| &mut s.points);
        far.outline
            .iter_mut()
            .chain(strokes)
            .for_each(|p| *p += shift);
        pieces.push(far);
        pieces.push(ear.clone());
    }
    pieces.push(head_piece(&edge));
    pieces.push(Piece::near(
        PieceKind::Lines,
        Vec::new(),
        vec![Stroke::plain(topline, 1.0)],
    ));
    if let Some(topknot) = &dressing.topknot {
        pieces.push(topknot_piece(
            topknot,
            stand(Zone::Topknot),
            shape,
            build,
            &edge,
        ));
    }
    if let Some(beard) = &dressing.beard {
        pieces.push(beard_piece(
            beard,
            stand(Zone::Beard),
            &shape.head,
            &build.head,
        ));
    }
    pieces.extend(face_pieces(&shape.head, &build.head, dressing));
    if let Some(length) = dressing.brow {
        pieces.push(brow_piece(
            length,
            stand(Zone::Brow),
            &shape.head,
            &build.head,
        ));
    }
    if !is_prick {
        pieces.push(ear);
    }
    pieces
}

/// The body and, apart from it, the topline stroke, which is drawn after legs and head.
fn body_piece(edge: &CoatEdge) -> (Piece, Vec<Point>) {
    let names: Vec<Station> = stretch(Station::SkullBack, Station::Buttock)
        .iter()
        .chain(stretch(Station::ThighIn, Station::ThroatIn))
        .copied()
        .collect();
    let outline = closed(&edge.all(&names), SAMPLES);
    let place = |station: Station| names.iter().position(|s| *s == station).unwrap_or(0) * SAMPLES;
    let under = outline[place(Station::FlankFold)..=place(Station::ThroatHigh)].to_vec();
    let top = outline[place(Station::Occiput)..=place(Station::PinBone)].to_vec();
    let body = Piece::near(PieceKind::Body, outline, vec![Stroke::plain(under, 1.0)]);
    (body, top)
}

fn head_piece(edge: &CoatEdge) -> Piece {
    let mut names = stretch(Station::JawIn, Station::CrestMid).to_vec();
    names.push(Station::NapeIn);
    let outline = closed(&edge.all(&names), SAMPLES);
    let ink = outline[SAMPLES..=14 * SAMPLES].to_vec();
    Piece::near(
        PieceKind::Head,
        outline,
        vec![Stroke::tapered(ink, 1.0, (true, false))],
    )
}

/// Lengths of the skirt from front to rear against its longest (dog-shape.md 13, spaniel).
const SKIRT_SHAPE: [f64; 6] = [0.82, 0.96, 1.0, 0.97, 0.91, 0.73];

/// Stations the hem of a cut skirt runs through, from the elbow to the thigh.
const SKIRT_HEM: [Station; 5] = [
    Station::Brisket,
    Station::Belly,
    Station::BellyRear,
    Station::LastRib,
    Station::TuckUp,
];

/// A cut skirt: from its root line down to the planned underline, which is its hem.
fn cut_skirt_piece(skirt: &SkirtCoat, edge: &CoatEdge) -> Piece {
    let hem = open(&edge.all(&SKIRT_HEM), 10);
    let (front, rear) = (hem[0].x, hem[hem.len() - 1].x);
    let root = [
        Point::new(front, skirt.root_height),
        Point::new(f64::midpoint(front, rear), skirt.root_height),
        Point::new(rear, skirt.root_height),
    ];
    let mut outline = root.to_vec();
    outline.extend(hem.iter().rev());
    if signed_area(&outline) < 0.0 {
        outline.reverse();
    }
    Piece::near(
        PieceKind::Skirt,
        outline,
        vec![Stroke::tapered(root.to_vec(), 0.45, (true, true))],
    )
}

/// A skirt hangs plumb from a root line behind the elbow to the thigh (dog-shape.md 9).
fn skirt_piece(skirt: &SkirtCoat, stand: f64, shape: &SideShape, build: &Build) -> Piece {
    let front = shape.skin(Station::Elbow).x + 0.05 * build.height;
    let rear = 0.20 * build.height;
    let last = SKIRT_SHAPE.len() - 1;
    let hangs = hanging_share(stand);
    let at = |i: usize| front + (rear - front) * i as f64 / last as f64;
    let hem: Vec<Point> = SKIRT_SHAPE
        .iter()
        .enumerate()
        .map(|(i, share)| {
            let y = skirt.root_height - hangs * share * skirt.length;
            // The skirt's clearance over the table, mm, does not scale (dog-shape.md 9).
            Point::new(at(i), y.max(3.0))
        })
        .collect();
    let curve = open(&hem, 10);
    let mut outline = vec![Point::new(front, skirt.root_height)];
    outline.extend(&curve);
    outline.push(Point::new(rear, skirt.root_height));
    outline.reverse();
    Piece::near(
        PieceKind::Skirt,
        outline,
        vec![Stroke::tapered(curve, 0.9, (true, true))],
    )
}
