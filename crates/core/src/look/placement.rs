use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::units::Length;

/// Which line (handbook 5, *Clip lines*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LineName {
    /// Behind the occiput, or along a kept crest.
    Nape,
    /// Jaw to breastbone.
    Throat,
    /// Crescent across the chest.
    Bib,
    /// Down the shoulder, lifting away at the elbow.
    Shoulder,
    /// Where the shorter length along the back begins.
    BackPass,
    /// Highest point of the underline.
    Waist,
    /// Elbow to flank.
    Underline,
    /// Along the ribs, the skirt's root.
    Skirt,
    /// Flank over the thigh.
    Thigh,
    /// Under the tail, above the rump drop.
    Shelf,
    /// Pin bone to bend.
    RumpDrop,
    /// Where the leg's own length begins.
    Hock,
    /// Above the root of the tail.
    TailBase,
    /// Half round on a spaniel's skull.
    Crown,
    /// From the inside corner of the eye towards the ear.
    Visor,
    /// Between a terrier's brows.
    Parting,
    /// Corner of the eye to the ear set.
    Cheek,
    /// Where the beard ends.
    BeardEnd,
    /// Where the ear ends, or its clipping begins.
    EarEnd,
}

impl LineName {
    /// Name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Nape => "Nape",
            Self::Throat => "Throat",
            Self::Bib => "Bib",
            Self::Shoulder => "Shoulder",
            Self::BackPass => "Shorter back pass",
            Self::Waist => "Waist",
            Self::Underline => "Underline",
            Self::Skirt => "Skirt",
            Self::Thigh => "Thigh",
            Self::Shelf => "Shelf",
            Self::RumpDrop => "Rump drop",
            Self::Hock => "Hock",
            Self::TailBase => "Tail base",
            Self::Crown => "Crown",
            Self::Visor => "Visor",
            Self::Parting => "Parting of the brows",
            Self::Cheek => "Cheek",
            Self::BeardEnd => "End of the beard",
            Self::EarEnd => "End of the ear",
        }
    }

    /// Whether it lies on the head.
    pub const fn is_of_the_head(self) -> bool {
        matches!(
            self,
            Self::Crown | Self::Visor | Self::Parting | Self::Cheek | Self::BeardEnd | Self::EarEnd
        )
    }

    /// Which way a shift of more than nothing moves it, and of less, where it can be moved between
    /// its places.
    pub const fn ways(self) -> Option<(&'static str, &'static str)> {
        match self {
            Self::Shoulder | Self::Thigh | Self::Skirt => Some(("higher", "lower")),
            Self::Waist | Self::BackPass => Some(("further back", "further forward")),
            _ => None,
        }
    }

    /// The places it can have, from front to rear or from high to low; empty where bones alone say
    /// where it lies.
    pub fn stops(self) -> impl Iterator<Item = LineStop> {
        LineStop::ALL.into_iter().filter(move |s| s.line() == self)
    }
}

vocabulary! {
    /// A place a line can have (handbook 5, *variants*; balance-model.md 10).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum LineStop {
        /// The crest is kept from behind the ear.
        CrestKept => "crest kept",
        /// Clipped from just behind the occiput.
        FromOcciput => "from the occiput",
        /// The chest as short as the throat.
        BibClean => "clean",
        /// A crescent at the look's own length.
        BibCrescent => "crescent",
        /// All the hair of the chest kept and shaped.
        BibFull => "full bib",
        /// The body's length goes down to the elbow.
        LiftAtElbow => "lift off at the elbow",
        /// The leg's length begins at the point of shoulder.
        LiftAtShoulder => "lift off at the point of shoulder",
        /// One length along the back.
        OnePass => "one pass",
        /// The shorter length begins half way along the back.
        MidBack => "from mid back",
        /// It begins just behind the dip.
        BehindDip => "from behind the dip",
        /// It begins at the hip crest.
        AtHip => "from the hip",
        /// The waist peaks at the last rib.
        AtRib => "at the last rib",
        /// Half way between.
        JustBehindRib => "just behind the last rib",
        /// 25 mm behind it, on a dog of 450 mm.
        BehindRib => "well behind the last rib",
        /// Out of a fringe: just above the elbow.
        FringeSkirt => "out of a fringe",
        /// Low on the ribs.
        LowSkirt => "low on the ribs",
        /// Half way up the body.
        HalfSkirt => "half way up the body",
        /// No skirt: the underline as the body.
        NoSkirt => "skirt taken off",
        /// The body's length goes down to just over the flank fold.
        LiftOverFold => "over the flank fold",
        /// The leg's length begins at the hip.
        LiftAtHip => "at the hip",
        /// Hair is kept under the tail as a small shelf.
        ShelfKept => "shelf kept",
        /// Clean under the tail.
        ShelfClean => "clean",
        /// The drop ends at the bend.
        DropToBend => "down to the bend",
        /// The drop goes down to the hock.
        DropToHock => "down to the hock",
        /// The coat behind the hock is kept.
        HockKept => "hock kept",
        /// It is taken as the back of the leg.
        HockTaken => "hock taken too",
        /// A V above the root of a tail carried up.
        TailV => "V above the root",
        /// A straight band at the root.
        TailBand => "straight band",
        /// Clipped to about the hip crest's reach, laid over the back.
        TailToHip => "clipped to the hip crest's reach",
        /// No bare root.
        TailKept => "kept to the root",
    }
}

impl LineStop {
    /// The line it is a place of.
    pub const fn line(self) -> LineName {
        match self {
            Self::CrestKept | Self::FromOcciput => LineName::Nape,
            Self::BibClean | Self::BibCrescent | Self::BibFull => LineName::Bib,
            Self::LiftAtElbow | Self::LiftAtShoulder => LineName::Shoulder,
            Self::OnePass | Self::MidBack | Self::BehindDip | Self::AtHip => LineName::BackPass,
            Self::AtRib | Self::JustBehindRib | Self::BehindRib => LineName::Waist,
            Self::FringeSkirt | Self::LowSkirt | Self::HalfSkirt | Self::NoSkirt => LineName::Skirt,
            Self::LiftOverFold | Self::LiftAtHip => LineName::Thigh,
            Self::ShelfKept | Self::ShelfClean => LineName::Shelf,
            Self::DropToBend | Self::DropToHock => LineName::RumpDrop,
            Self::HockKept | Self::HockTaken => LineName::Hock,
            Self::TailV | Self::TailBand | Self::TailToHip | Self::TailKept => LineName::TailBase,
        }
    }

    /// How far behind the last rib the waist peaks, share of the height (handbook 6: up to 25 mm;
    /// balance-model.md 10: .055 of 450 mm, and half of it).
    pub const fn waist_back(self) -> f64 {
        match self {
            Self::BehindRib => 0.055,
            Self::JustBehindRib => 0.0275,
            _ => 0.0,
        }
    }
}

/// Root of a skirt over the elbow, share of the height (balance-model.md 10).
const FRINGE_ROOT: f64 = 0.04;
const LOW_ROOT: f64 = 0.10;

impl LineStop {
    /// Height of a skirt's root line over the table, mm, on a dog of this height and elbow height
    /// (handbook 5, *side*; balance-model.md 10); none for other lines and without a skirt.
    pub fn skirt_root_mm(self, height_mm: f64, elbow_mm: f64) -> Option<f64> {
        match self {
            Self::FringeSkirt => Some(elbow_mm + FRINGE_ROOT * height_mm),
            Self::LowSkirt => Some(elbow_mm + LOW_ROOT * height_mm),
            Self::HalfSkirt => Some(f64::midpoint(elbow_mm, height_mm)),
            _ => None,
        }
    }
}

/// Where the lines of a look lie; a line that is not in it lies where the solve puts it.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(transparent)]
pub struct Placement(BTreeMap<LineName, LineStop>);

impl Placement {
    /// Every line where look and solve have it.
    pub const NONE: Self = Self(BTreeMap::new());

    /// One line put to a place.
    pub fn of_one(stop: LineStop) -> Self {
        Self(BTreeMap::from([(stop.line(), stop)]))
    }

    /// Puts a line to a place.
    pub fn put(&mut self, stop: LineStop) {
        self.0.insert(stop.line(), stop);
    }

    /// Leaves a line to the solve again.
    pub fn free(&mut self, line: LineName) {
        self.0.remove(&line);
    }

    /// Where a line lies.
    pub fn of(&self, line: LineName) -> Option<LineStop> {
        self.0.get(&line).copied()
    }

    /// Every place put; one kept under another line's name counts for nothing.
    pub fn stops(&self) -> impl Iterator<Item = LineStop> {
        let own = |(line, stop): (&LineName, &LineStop)| (stop.line() == *line).then_some(*stop);
        self.0.iter().filter_map(own)
    }
}

/// A line moves no further between its places than this, share of the height: further on it is
/// another place (modelling choice: somewhat over half the way between two).
const MOST_SHIFT: f64 = 0.08;

/// How far lines lie from their places, mm: upwards or to the rear counts positive.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(transparent)]
pub struct Shifts(BTreeMap<LineName, Length>);

impl Shifts {
    /// Every line in its place.
    pub const NONE: Self = Self(BTreeMap::new());

    /// Shifts a line; nothing puts it back.
    pub fn put(&mut self, line: LineName, by: Length) {
        if by == Length::ZERO || line.ways().is_none() {
            self.0.remove(&line);
        } else {
            self.0.insert(line, by);
        }
    }

    /// How far a line is shifted, mm; never further than a line can be on a dog of this height.
    pub fn of(&self, line: LineName, height_mm: f64) -> Option<f64> {
        let most = MOST_SHIFT * height_mm;
        let by = self.0.get(&line).filter(|_| line.ways().is_some())?;
        Some(by.as_mm().clamp(-most, most))
    }

    /// Lines shifted further than they can go on a dog of this height, with how far they go, mm.
    pub fn too_far(&self, height_mm: f64) -> impl Iterator<Item = (LineName, f64)> {
        let most = MOST_SHIFT * height_mm;
        let far = self.0.iter().filter(move |(_, by)| by.as_mm().abs() > most);
        far.map(move |(line, _)| (*line, most))
    }

    /// Every shift.
    pub fn all(&self) -> impl Iterator<Item = (LineName, Length)> {
        self.0.iter().map(|(line, by)| (*line, *by))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_line_lies_in_one_place_and_can_be_left_to_the_solve_again() {
        let mut placement = Placement::default();
        placement.put(LineStop::MidBack);
        placement.put(LineStop::AtHip);
        assert_eq!(placement.of(LineName::BackPass), Some(LineStop::AtHip));
        placement.free(LineName::BackPass);
        assert_eq!(placement.stops().count(), 0);
    }
}
