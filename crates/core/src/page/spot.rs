use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::view::View;

/// A place touched on the dog.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Spot {
    /// The view it was touched on.
    pub view: View,
    /// Where on that view's own plane, shares of the height at withers: it stays on its place when
    /// the frame is measured better.
    pub at: [f64; 2],
}

/// No part of a dog lies further from a view's origin, shares of the height (dog-shape.md 2: 1.55
/// long, and a head).
const FURTHEST: f64 = 3.0;

impl Spot {
    /// Whether it can be drawn where it is.
    pub fn is_on_the_dog(&self) -> bool {
        self.at.iter().all(|v| v.abs() <= FURTHEST)
    }
}
