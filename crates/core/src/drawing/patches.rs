//! A coat of two colours as it is seen: the darker zones lie in a tone (handbook 3, *Zones*).

use std::collections::BTreeSet;

use super::canvas::Painter;
use super::shapes::{Geometry, Role};
use super::simplify::tenth;
use super::zone_areas::ZoneAreas;
use crate::coat::{CoatNow, Patch, Zone};

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

/// Lays the tone over those of these zones that are dark.
pub(super) fn tone(
    painter: &mut Painter,
    areas: &ZoneAreas<'_>,
    dark: &BTreeSet<Zone>,
    is_wanted: impl Fn(Zone) -> bool,
) {
    let zones: Vec<Zone> = dark
        .iter()
        .copied()
        .filter(|zone| is_wanted(*zone))
        // The inside of a leg lies behind its outside, brows within topknot and face.
        .filter(|zone| !matches!(zone, Zone::ForeIn | Zone::HindIn | Zone::Brow))
        .collect();
    for area in areas.of(&zones) {
        let page = painter.on_page(&area);
        let points_mm = page.iter().flat_map(|p| [tenth(p.x), tenth(p.y)]).collect();
        painter.push(Role::Patch, Geometry::Fill { points_mm });
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::coat::{Texture, ZoneMarks};

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
