//! Names of places on a leg seen on end.

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::Zone;

vocabulary! {
    /// A side of the dog: its sign on the z axis.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Hand {
        /// The dog's left.
        Left => "left",
        /// The dog's right.
        Right => "right",
    }
}

impl Hand {
    /// 1 to the dog's left, −1 to its right.
    pub const fn sign(self) -> f64 {
        match self {
            Self::Left => 1.0,
            Self::Right => -1.0,
        }
    }
}

/// Which leg.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub enum Leg {
    /// A front leg.
    Fore,
    /// A hind leg.
    Hind,
}

impl Leg {
    /// Both.
    pub const BOTH: [Self; 2] = [Self::Fore, Self::Hind];
}

/// Faces of a leg on end: where a column is judged, from the joint down to the wrist or pastern.
pub const FACE_STATIONS: usize = 5;

/// A face of a leg seen on end.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub enum Face {
    /// Away from the dog.
    Outer,
    /// Towards the other leg.
    Inner,
}

impl Face {
    /// Both.
    pub const BOTH: [Self; 2] = [Self::Outer, Self::Inner];
}

/// A place on a leg seen on end.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub struct LegPlace {
    /// Front or hind leg.
    pub leg: Leg,
    /// Which side of the dog.
    pub hand: Hand,
    /// Which face.
    pub face: Face,
    /// From the top down, under [`FACE_STATIONS`].
    pub step: usize,
}

/// What grows on a face of a leg.
pub const fn face_zone(leg: Leg, face: Face) -> Zone {
    match (leg, face) {
        (Leg::Fore, Face::Outer) => Zone::ForeOut,
        (Leg::Fore, Face::Inner) => Zone::ForeIn,
        (Leg::Hind, Face::Outer) => Zone::HindOut,
        (Leg::Hind, Face::Inner) => Zone::HindIn,
    }
}

impl LegPlace {
    /// What grows there.
    pub const fn zone(self) -> Zone {
        face_zone(self.leg, self.face)
    }

    /// All of them: front legs first, left before right, outer before inner, from the top down.
    pub fn all() -> impl Iterator<Item = Self> {
        Leg::BOTH.into_iter().flat_map(|leg| {
            Hand::ALL.into_iter().flat_map(move |hand| {
                Face::BOTH.into_iter().flat_map(move |face| {
                    (0..FACE_STATIONS).map(move |step| Self {
                        leg,
                        hand,
                        face,
                        step,
                    })
                })
            })
        })
    }

    /// Where it stands in [`LegPlace::all`].
    pub const fn index(self) -> usize {
        let face = (self.leg as usize * 2 + self.hand as usize) * 2 + self.face as usize;
        face * FACE_STATIONS + self.step
    }
}

/// How many places there are on four legs.
pub const LEG_PLACES: usize = 2 * 2 * 2 * FACE_STATIONS;
