use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::{CoatNow, Limit, Skin, Zone, shortest_safe_mm};
use crate::look::LineStop;
use crate::units::Length;

/// One touch on a zone or a part.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Wish {
    /// Off.
    TakeOff,
    /// All the hair there is.
    Leave,
}

impl Wish {
    /// The limit it sets on a zone: no longer than `off_mm`, or all there is.
    pub fn limit(self, off_mm: f64, there_mm: f64) -> Limit {
        match self {
            Self::TakeOff => Limit {
                not_shorter_mm: None,
                not_longer_mm: Length::from_mm(off_mm).ok(),
                ..Limit::default()
            },
            Self::Leave => Limit {
                not_shorter_mm: Length::from_mm(there_mm).ok(),
                not_longer_mm: None,
                ..Limit::default()
            },
        }
    }
}

vocabulary! {
    /// A part that owners want off, or left, whatever the look.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "each is named by Part::label")]
    pub enum Part {
        TuckUp => "tuck-up",
        Flank => "flank",
        Chest => "chest",
        Shelf => "shelf",
        Crest => "crest",
        Muzzle => "muzzle",
        Ears => "ears",
        Tail => "tail",
    }
}

/// What a clean face is left with, mm (handbook 5, *Nominal lengths*: 0.5 to 1.5).
const CLEAN_MM: f64 = 1.0;

impl Part {
    /// The zone it is of.
    pub const fn zone(self) -> Zone {
        match self {
            Self::TuckUp => Zone::TuckUp,
            Self::Flank => Zone::Flank,
            Self::Chest => Zone::Chest,
            Self::Shelf => Zone::Rump,
            Self::Crest => Zone::Crest,
            Self::Muzzle => Zone::Muzzle,
            Self::Ears => Zone::Ear,
            Self::Tail => Zone::Tail,
        }
    }

    /// The limit a wish sets: off is as short as the ribs are cut; of the ears, to the leather; of the
    /// muzzle, clean.
    ///
    /// # Units and shapes
    /// `nominal_mm` gives the look's length of a zone, mm.
    pub fn limit(
        self,
        wish: Wish,
        coat: &CoatNow,
        nominal_mm: &dyn Fn(Zone) -> f64,
        skin: Skin,
    ) -> Option<(Zone, Limit)> {
        if matches!(self, Self::Shelf | Self::Crest) {
            return None;
        }
        let zone = self.zone();
        let safe = shortest_safe_mm(zone, skin);
        let off = match self {
            Self::Ears => safe,
            Self::Muzzle => CLEAN_MM.max(safe),
            _ => nominal_mm(Zone::Ribs).max(safe),
        };
        Some((zone, wish.limit(off, coat.length_mm(zone))))
    }

    /// Where a wish puts a line, where the part is one.
    pub const fn stop(self, wish: Wish) -> Option<LineStop> {
        match (self, wish) {
            (Self::Shelf, Wish::TakeOff) => Some(LineStop::ShelfClean),
            (Self::Shelf, Wish::Leave) => Some(LineStop::ShelfKept),
            (Self::Crest, Wish::TakeOff) => Some(LineStop::FromOcciput),
            (Self::Crest, Wish::Leave) => Some(LineStop::CrestKept),
            _ => None,
        }
    }
}
