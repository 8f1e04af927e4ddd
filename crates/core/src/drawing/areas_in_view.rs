use kurbo::Point;

use super::on_end::areas;
use super::scene::Scene;
use super::zone_areas::ZoneAreas;
use crate::coat::Zone;
use crate::page::View;
use crate::shape::BothSides;

/// Where the zones of a dog lie in one view, on its own plane, mm: laid out once, asked often.
pub(super) enum AreasInView<'a> {
    /// From the side.
    Side(Box<ZoneAreas<'a>>),
    /// From in front, behind or above.
    OnEnd(View, &'a Scene<'a>, &'a BothSides<'a>),
}

impl<'a> AreasInView<'a> {
    pub(super) fn new(scene: &'a Scene<'a>, dog: &'a BothSides<'a>, view: View) -> Self {
        match view {
            View::Side => Self::Side(Box::new(ZoneAreas::new(scene, dog))),
            View::Front | View::Rear | View::Top => Self::OnEnd(view, scene, dog),
        }
    }

    /// Where these zones show; nothing of those that do not.
    pub(super) fn of(&self, zones: &[Zone]) -> Vec<Vec<Point>> {
        match self {
            Self::Side(side) => side.of(zones),
            Self::OnEnd(view, scene, dog) => {
                let seen = |zone: &Zone| areas(scene, dog, *view, *zone);
                zones.iter().flat_map(seen).collect()
            }
        }
    }
}
