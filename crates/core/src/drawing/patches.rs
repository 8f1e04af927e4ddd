//! A coat of two colours as it is seen: the darker zones lie in a tone (handbook 3, *Zones*).

use std::collections::BTreeSet;

use kurbo::Point;

use super::canvas::Painter;
use super::on_end::OnEnd;
use super::shapes::{Geometry, Role};
use super::simplify::tenths;
use super::zone_areas::ZoneAreas;
use crate::coat::{CoatNow, Patch, Texture, Zone};
use crate::page::View;
use crate::shape::curve::signed_area;
use crate::shape::{Piece, PieceKind};

/// The zones that are darker than others of this dog; none where nobody said that it has two colours.
///
/// Where there is a light patch the rest is dark; otherwise the dark patches are.
pub(super) fn dark_zones(coat: &CoatNow) -> BTreeSet<Zone> {
    let with = |patch: Patch| -> BTreeSet<Zone> {
        let marked = coat.marks.iter().filter(|(_, marks)| marks.patch == patch);
        marked.map(|(zone, _)| *zone).collect()
    };
    let light = with(Patch::LightOnDark);
    if light.is_empty() {
        return with(Patch::DarkOnLight);
    }
    let all = Zone::ALL.into_iter();
    all.filter(|zone| !light.contains(zone)).collect()
}

/// Lays the tone over those of these zones that are dark, from the side: what is a piece of its own, a topknot, a
/// beard, whole.
pub(super) fn tone(
    painter: &mut Painter,
    areas: &ZoneAreas<'_>,
    pieces: &[Piece],
    dark: &BTreeSet<Zone>,
    is_wanted: impl Fn(Zone) -> bool,
) {
    let wanted = dark.iter().copied().filter(|zone| is_wanted(*zone));
    // The inside of a leg lies behind its outside.
    let zones = wanted.filter(|zone| !matches!(zone, Zone::ForeIn | Zone::HindIn));
    let (apart, along): (Vec<Zone>, Vec<Zone>) =
        zones.partition(|zone| own_pieces(View::Side, pieces, *zone).next().is_some());
    let mut all = areas.of(&along);
    let own = apart
        .iter()
        .flat_map(|zone| own_pieces(View::Side, pieces, *zone));
    all.extend(own.map(|piece| piece.outline.clone()));
    lay_tone(painter, all);
}

/// Pieces of the head that are a zone of their own.
fn own_pieces(view: View, pieces: &[Piece], zone: Zone) -> impl Iterator<Item = &Piece> {
    use PieceKind::{Beard, Brow, Muzzle, Topknot};
    let is_own = move |piece: &&Piece| {
        matches!(piece.kind, Topknot | Brow | Muzzle | Beard) && zones_on(view, piece) == [zone]
    };
    pieces.iter().filter(is_own)
}

/// The dog from in front, behind or above, each dark zone in its tone right over its own piece: what is painted
/// after it hides it.
pub(super) fn dog_on_end(
    painter: &mut Painter,
    areas: &OnEnd<'_>,
    pieces: &[Piece],
    dark: &BTreeSet<Zone>,
    hair: Option<Texture>,
) {
    let view = painter.view;
    let is_whole = |piece: &Piece| {
        let zones = zones_on(view, piece);
        !zones.is_empty() && zones.iter().all(|zone| dark.contains(zone))
    };
    // The thigh is the body's from behind: its zones go on down the leg.
    let is_body_whole = pieces
        .iter()
        .filter(|piece| piece.kind == PieceKind::Body && !piece.is_far)
        .all(is_whole);
    for (n, piece) in pieces.iter().enumerate() {
        painter.dog_part(pieces, n..n + 1, hair);
        let goes_on = view == View::Rear && piece.kind == PieceKind::HindLeg && !piece.is_far;
        if is_whole(piece) && (!goes_on || is_body_whole) {
            lay_tone(painter, vec![piece.outline.clone()]);
            continue;
        }
        let is_alike = |other: &Piece| (other.kind, other.is_far) == (piece.kind, piece.is_far);
        if piece.is_far || pieces[n + 1..].iter().any(is_alike) {
            continue;
        }
        // Of the body the thigh waits for its leg, of the head what has a piece of its own for that.
        let waits = |zone: Zone| match piece.kind {
            PieceKind::Body => matches!(zone, Zone::HindOut | Zone::HindBack),
            PieceKind::Head => own_pieces(view, pieces, zone).next().is_some(),
            _ => false,
        };
        let zones = zones_on(view, piece).iter().copied();
        let here = zones.filter(|zone| dark.contains(zone) && !waits(*zone));
        let all = here.flat_map(|zone| areas.of(zone)).collect();
        lay_tone(painter, all);
    }
}

/// The zones that a piece shows in a view, one where it is a part of its own; none of what is not coat.
fn zones_on(view: View, piece: &Piece) -> &'static [Zone] {
    use PieceKind as P;
    match (view, piece.kind, piece.is_far) {
        (View::Front, P::Body, false) => &[Zone::Chest, Zone::Throat, Zone::Shoulder],
        (View::Rear, P::Body, false) => &[
            Zone::Rump,
            Zone::Hip,
            Zone::Croup,
            Zone::HindOut,
            Zone::HindBack,
        ],
        (View::Top, P::Body, false) => &[
            Zone::Crest,
            Zone::Back,
            Zone::Croup,
            Zone::Shoulder,
            Zone::Ribs,
            Zone::Hip,
        ],
        (View::Front, P::ForeLeg, false) => &[Zone::ForeOut, Zone::ForeIn, Zone::ForeFront],
        (View::Rear, P::HindLeg, false) => {
            &[Zone::HindOut, Zone::HindBack, Zone::HindIn, Zone::Hock]
        }
        (View::Front, P::Head, false) => &[
            Zone::Topknot,
            Zone::Brow,
            Zone::Cheek,
            Zone::Muzzle,
            Zone::Beard,
        ],
        (View::Top, P::Head, false) => &[Zone::Topknot, Zone::Brow, Zone::Muzzle],
        (_, P::Head | P::Topknot, _) => &[Zone::Topknot],
        (_, P::ForeLeg, _) => &[Zone::ForeOut],
        (_, P::HindLeg, _) => &[Zone::HindOut],
        (View::Rear, P::Sleeve, _) => &[Zone::Hip],
        (_, P::Sleeve, _) => &[Zone::Shoulder],
        (_, P::Body | P::Skirt | P::Curtain | P::Feather, _) => &[Zone::Ribs],
        (_, P::Foot, _) => &[Zone::Foot],
        (_, P::Muzzle, _) => &[Zone::Muzzle],
        (_, P::Beard, _) => &[Zone::Beard],
        (_, P::Brow, _) => &[Zone::Brow],
        (_, P::Ear, _) => &[Zone::Ear],
        (_, P::Tail | P::TailBall, _) => &[Zone::Tail],
        (_, P::Nose | P::Eye | P::EyeLight | P::Lines, _) => &[],
    }
}

/// One tone over areas that may lie over one another: a single line round all of them, the same way about, there
/// and back between one and the next, fills what lies in any of them once.
fn lay_tone(painter: &mut Painter, areas: Vec<Vec<Point>>) {
    let mut whole: Vec<Point> = Vec::new();
    for mut area in areas {
        if signed_area(&area) < 0.0 {
            area.reverse();
        }
        let (round_to, back_to) = (area.first().copied(), whole.first().copied());
        whole.append(&mut area);
        whole.extend(round_to);
        whole.extend(back_to);
    }
    if whole.is_empty() {
        return;
    }
    let page = painter.on_page(&whole);
    let points_mm = tenths(&page);
    painter.push(Role::Patch, Geometry::Fill { points_mm });
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::coat::ZoneMarks;

    fn coat(patches: &[(Zone, Patch)]) -> CoatNow {
        let mut coat = CoatNow::even(Texture::Curl, 0.8, 40.0);
        for (zone, patch) in patches {
            let marks = ZoneMarks {
                patch: *patch,
                ..ZoneMarks::default()
            };
            coat.marks.insert(*zone, marks);
        }
        coat
    }

    #[test]
    fn a_dark_patch_is_toned_and_about_a_light_one_everything_else() {
        assert!(dark_zones(&coat(&[])).is_empty());
        let saddle = dark_zones(&coat(&[(Zone::Back, Patch::DarkOnLight)]));
        assert_eq!(saddle, BTreeSet::from([Zone::Back]));
        let bib = dark_zones(&coat(&[(Zone::Chest, Patch::LightOnDark)]));
        assert!(!bib.contains(&Zone::Chest) && bib.len() == Zone::ALL.len() - 1);
    }
}
