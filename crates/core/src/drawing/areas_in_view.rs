use kurbo::{Point, Vec2};

use super::on_end::OnEnd;
use super::scene::Scene;
use super::zone_areas::ZoneAreas;
use crate::coat::Zone;
use crate::page::View;
use crate::shape::BothSides;
use crate::shape::curve::signed_area;

/// Where the zones of a dog lie in one view, on its own plane, mm: laid out once, asked often.
pub(super) enum AreasInView<'a> {
    /// From the side.
    Side(Box<ZoneAreas<'a>>),
    /// From in front, behind or above.
    OnEnd(Box<OnEnd<'a>>),
}

impl<'a> AreasInView<'a> {
    pub(super) fn new(scene: &'a Scene<'a>, dog: &'a BothSides<'a>, view: View) -> Self {
        match view {
            View::Side => Self::Side(Box::new(ZoneAreas::new(scene, dog))),
            View::Front | View::Rear | View::Top => {
                Self::OnEnd(Box::new(OnEnd::new(scene, dog, view)))
            }
        }
    }

    /// Where these zones show; nothing of those that do not.
    pub(super) fn of(&self, zones: &[Zone]) -> Vec<Vec<Point>> {
        match self {
            Self::Side(side) => side.of(zones),
            Self::OnEnd(on_end) => zones.iter().flat_map(|zone| on_end.of(*zone)).collect(),
        }
    }
}

/// The largest of a zone's areas; none where none shows.
pub(super) fn largest(areas: &[Vec<Point>]) -> Option<&Vec<Point>> {
    let size = |area: &[Point]| signed_area(area).abs();
    areas.iter().max_by(|a, b| size(a).total_cmp(&size(b)))
}

/// The middle of an area's corners.
pub(super) fn middle_of(area: &[Point]) -> Point {
    let sum = area.iter().fold(Vec2::ZERO, |sum, p| sum + p.to_vec2());
    (sum / area.len().max(1) as f64).to_point()
}
