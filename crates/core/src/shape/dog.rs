use kurbo::Point;

use super::curve::{SAMPLES, closed};
use super::edge::{CoatEdge, Dressing, TopknotForm};
use super::finish::Hangs;
use super::forms::form_lines;
use super::hang::{
    behind_fore, behind_hind, curtain, cut_skirt, fore_sleeve, hanging_skirt, hanging_underline,
    hind_sleeve, nape_v,
};
use super::head::{Head, MARKED, ear_piece, far_ear};
use super::leg_place::Leg;
use super::legs::leg_pieces;
use super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::polyline::{Inside, faded};
use super::side::SideShape;
use super::station::{Station, stretch};
use super::tail::Tail;
use crate::frame::{Build, EarKind, TailKind};

/// The dog from the side as closed pieces in drawing order (dog-shape-2.md 9).
///
/// # Units and shapes
/// mm on the side page; every outline anticlockwise. The bare frame is a [`Dressing`] of zero
/// lengths without a hem.
pub fn side_pieces(shape: &SideShape, build: &Build, dressing: &Dressing) -> Vec<Piece> {
    side_pieces_beside(shape, build, (shape, build), dressing)
}

/// Only what hangs by itself: the tail, and the near ear.
pub(crate) fn hanging_pieces(shape: &SideShape, build: &Build, dressing: &Dressing) -> Vec<Piece> {
    let mut pieces = Tail::of(build, dressing, shape.skin(Station::TailSet)).pieces();
    pieces.push(ear_piece(build, dressing, &shape.head));
    pieces
}

/// Only the near legs, feet first.
pub(super) fn near_leg_pieces(shape: &SideShape, build: &Build, dressing: &Dressing) -> Vec<Piece> {
    let edge = CoatEdge::new(shape, dressing);
    [Leg::Hind, Leg::Fore]
        .into_iter()
        .flat_map(|leg| leg_pieces(leg, false, shape, build, dressing, &edge, None))
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
    let is_curtained = dressing.hangs == Hangs::Curtain;
    let far_legs = [Leg::Hind, Leg::Fore];
    let mut pieces: Vec<Piece> = far_legs
        .into_iter()
        .flat_map(|leg| leg_pieces(leg, true, far.0, far.1, dressing, &far_edge, None))
        .collect();
    let tail = Tail::of(build, dressing, shape.skin(Station::TailSet)).pieces();
    let is_over_back = build.tail.kind == TailKind::Curl;
    if !is_over_back {
        pieces.extend(tail.iter().cloned());
    }
    let body = body_piece(shape, &edge, dressing, build.height);
    pieces.push(body.piece.clone());
    let within = Inside::of(&body.piece.outline);
    let skirt = dressing.skirt.map(|s| {
        let piece = if s.is_cut {
            cut_skirt(&s, &edge, dressing, build)
        } else {
            hanging_skirt(&s, shape, build, dressing)
        };
        (s.covers_legs, piece)
    });
    if let Some((false, piece)) = &skirt {
        pieces.push(piece.clone());
    }
    let near = |leg| leg_pieces(leg, false, shape, build, dressing, &edge, Some(&within));
    let is_feathered = dressing.hangs == Hangs::Feather;
    if is_feathered {
        pieces.extend(behind_hind(&edge, build, dressing));
    }
    pieces.extend(near(Leg::Hind));
    if dressing.has_sleeves {
        pieces.push(hind_sleeve(&edge, shape, build));
    }
    if is_feathered {
        pieces.extend(behind_fore(&edge, build, dressing));
    }
    pieces.extend(near(Leg::Fore));
    if dressing.has_sleeves {
        pieces.push(fore_sleeve(&edge, shape, build));
    }
    if is_curtained {
        pieces.push(curtain(&edge, shape, build, dressing));
    }
    if let Some((true, piece)) = &skirt {
        pieces.push(piece.clone());
    }
    pieces.push(form_lines(shape, build, dressing, &edge));
    if is_over_back {
        pieces.extend(tail.into_iter().map(|p| over_the_back(p, &within, build)));
    }
    let ear = ear_piece(build, dressing, &shape.head);
    if build.ear.kind == EarKind::Prick {
        pieces.push(far_ear(&ear, build.head.length));
    }
    let head = Head {
        shape,
        build,
        dressing,
        edge: &edge,
    };
    pieces.extend(head.pieces(&within));
    pieces.push(Piece::lines(body.topline));
    pieces.extend(nape_v(&edge, shape, build, dressing));
    pieces.push(ear);
    pieces
}

/// A tail laid over the back: its lines run out where it lies on the body.
fn over_the_back(mut tail: Piece, body: &Inside, build: &Build) -> Piece {
    if tail.kind == PieceKind::Tail {
        for stroke in &mut tail.strokes {
            let run = 0.012 * build.height;
            *stroke = faded(&stroke.points, body, run, (true, true))
                .weighing(stroke.weight)
                .with_hair(stroke.hair);
        }
    }
    tail
}

/// The body and, apart from it, the topline, which is drawn after legs and head.
struct Body {
    piece: Piece,
    topline: Vec<Stroke>,
}

/// Shortest hair under a body that hangs in locks, share of the height.
const HANGS_FROM: f64 = 0.03;

/// Stations of the neck's upper end whose hair belongs to the head drawn over them.
const fn hidden_by_the_head(dressing: &Dressing) -> &'static [Station] {
    const SKULL: [Station; 3] = [Station::SkullBack, Station::Occiput, Station::CrestHigh];
    match dressing.topknot {
        Some(topknot) => match topknot.form {
            TopknotForm::Round { .. } => &SKULL,
            TopknotForm::IntoCrest { .. } | TopknotForm::Crown | TopknotForm::Fall => {
                SKULL.split_at(2).0
            }
        },
        None => &[],
    }
}

fn body_piece(shape: &SideShape, edge: &CoatEdge, dressing: &Dressing, h: f64) -> Body {
    let names: Vec<Station> = stretch(Station::SkullBack, Station::ThighBack)
        .iter()
        .chain(stretch(Station::ThighIn, Station::ThroatIn))
        .copied()
        .collect();
    let place = |station: Station| names.iter().position(|s| *s == station).unwrap_or(0) * SAMPLES;
    let hidden = hidden_by_the_head(dressing);
    let points: Vec<Point> = names
        .iter()
        .map(|s| {
            if hidden.contains(s) {
                shape.skin(*s)
            } else {
                edge.at(*s)
            }
        })
        .collect();
    let smooth = closed(&points, SAMPLES);
    let part = |from: Station, to: Station| smooth[place(from)..=place(to)].to_vec();
    let hangs = matches!(dressing.hangs, Hangs::Feather | Hangs::Curtain)
        && dressing.lengths[Station::Belly.index()] >= HANGS_FROM * h;
    let long_at = |s: Station| dressing.lengths[s.index()] >= MARKED * h;
    let hair = |s: Station, at: HairAt| long_at(s).then_some(at);
    let is_curtained = dressing.hangs == Hangs::Curtain;
    let is_skirted = dressing.skirt.is_some_and(|s| s.is_cut);
    let (mut outline, mut under) = (smooth.clone(), Vec::new());
    if hangs && !is_skirted {
        // From the tuck-up to the chest its ends hang.
        let (from, to) = (Station::TuckUp, Station::ForechestLow);
        let ends = hanging_underline(&part(from, to), dressing, h);
        under.extend(part(Station::FlankFold, from));
        under.extend(ends.iter().copied());
        under.extend(part(to, Station::ThroatHigh));
        outline.splice(place(from)..=place(to), ends);
    } else if is_skirted {
        under.extend(part(Station::ChestUnder, Station::ThroatHigh));
    } else {
        under.extend(part(Station::FlankFold, Station::ThroatHigh));
    }
    let start = if is_skirted { 0.04 * h } else { 0.0 };
    let marks = hair(
        Station::Belly,
        if hangs { HairAt::Hanging } else { HairAt::Body },
    );
    let under = Stroke::running_out(under, 1.0, start, 0.0)
        .with_hair(marks.filter(|_| !is_curtained && !is_skirted));
    let (from, start) = match dressing.topknot.map(|t| t.form) {
        Some(TopknotForm::IntoCrest { .. }) => (Station::NeckBase, 0.0),
        Some(TopknotForm::Round { .. }) => (Station::CrestMid, 0.012 * h),
        Some(TopknotForm::Fall) => (Station::CrestHigh, 0.012 * h),
        Some(TopknotForm::Crown) => (Station::Occiput, 0.012 * h),
        None => (Station::Occiput, 0.0),
    };
    let marks = hair(Station::BackMid, HairAt::Body).filter(|_| !is_curtained);
    let top = Stroke::running_out(part(from, Station::PinBone), 1.0, start, 0.0).with_hair(marks);
    Body {
        piece: Piece::near(PieceKind::Body, outline, vec![under]),
        topline: vec![top],
    }
}
