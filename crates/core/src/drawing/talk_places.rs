use kurbo::Point;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::on_end::dressing_of;
use super::scene::Scene;
use super::simplify::tenth;
use super::zone_areas::ZoneAreas;
use crate::coat::Zone;
use crate::page::View;
use crate::shape::{BothSides, CoatEdge, Station as S, head_edges};

/// Where on the drawn dog the talk's questions ask, each where its own paper is nearest: page millimetres
/// of the side view.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct TalkPlaces {
    /// On the line of the back.
    pub body_mm: [f64; 2],
    /// On the front leg, from before it.
    pub legs_mm: [f64; 2],
    /// At the foremost of the muzzle.
    pub face_mm: [f64; 2],
    /// At the ear's end; under the beard where it is carried up.
    pub ears_mm: [f64; 2],
    /// At the rearmost of the tail.
    pub tail_mm: [f64; 2],
}

/// Where the questions of the talk ask on this dog.
pub fn talk_places(scene: &Scene<'_>) -> TalkPlaces {
    let dog = BothSides::of(scene.frame);
    let dressing = dressing_of(scene);
    let edge = CoatEdge::new(&dog.shape, &dressing);
    let head = head_edges(&dog.shape, dog.left, &dressing);
    let tail = ZoneAreas::new(scene, &dog).of(&[Zone::Tail]);
    let rearmost = tail
        .into_iter()
        .flatten()
        .min_by(|a, b| a.x.total_cmp(&b.x));
    let (sx, sy) = View::Side.page_signs();
    let on_page = |p: Point| [tenth(sx * p.x), tenth(sy * p.y)];
    TalkPlaces {
        body_mm: on_page(edge.at(S::BackFront)),
        legs_mm: on_page(edge.at(S::ForearmFront)),
        face_mm: on_page(head.foremost),
        ears_mm: on_page(head.ear_end.unwrap_or(head.under_beard)),
        tail_mm: on_page(rearmost.unwrap_or_else(|| edge.at(S::TailSet))),
    }
}
