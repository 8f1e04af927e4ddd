use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Knots, Zone};
use crate::units::Length;

vocabulary! {
    /// A place the hand knows and the outline does not show (handbook 10 B): hidden, folded, or smaller than
    /// its zone.
    #[derive(
        Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "Site::label says it")]
    pub enum Site {
        EyeCorners => "eye corners",
        BetweenEyes => "between the eyes",
        InsideEar => "inside of the ear",
        UnderEar => "under the ear",
        BehindEar => "behind the ear",
        EarBase => "ear base",
        UnderCollar => "under the collar",
        Armpit => "armpit",
        Elbow => "elbow",
        Belly => "belly",
        InsideThigh => "inside of the thigh",
        Sheath => "sheath",
        UnderTail => "under the tail",
        BesideAnus => "beside the anus",
        Pads => "pads",
        BetweenToes => "between the toes",
    }
}

impl Site {
    /// Where it is, in a sentence.
    pub const fn at(self) -> &'static str {
        match self {
            Self::EyeCorners => "at the eye corners",
            Self::BetweenEyes => "between the eyes",
            Self::InsideEar => "inside the ear",
            Self::UnderEar => "under the ear",
            Self::BehindEar => "behind the ear",
            Self::EarBase => "at the ear base",
            Self::UnderCollar => "under the collar",
            Self::Armpit => "in the armpit",
            Self::Elbow => "at the elbow",
            Self::Belly => "on the belly",
            Self::InsideThigh => "inside the thigh",
            Self::Sheath => "at the sheath",
            Self::UnderTail => "under the tail",
            Self::BesideAnus => "beside the anus",
            Self::Pads => "between the pads",
            Self::BetweenToes => "between the toes",
        }
    }

    /// Whether a dog has it left and right.
    pub const fn is_pair(self) -> bool {
        matches!(
            self,
            Self::EyeCorners
                | Self::InsideEar
                | Self::UnderEar
                | Self::BehindEar
                | Self::EarBase
                | Self::Armpit
                | Self::Elbow
                | Self::InsideThigh
        )
    }

    /// The zones it lies in or against: steps that work there meet it.
    pub const fn zones(self) -> &'static [Zone] {
        match self {
            Self::EyeCorners => &[Zone::Muzzle, Zone::Cheek],
            Self::BetweenEyes => &[Zone::Muzzle, Zone::Topknot],
            Self::InsideEar => &[Zone::Ear],
            Self::UnderEar | Self::BehindEar | Self::EarBase => &[Zone::Ear, Zone::Cheek],
            Self::UnderCollar => &[Zone::Throat, Zone::NeckSide, Zone::Crest],
            Self::Armpit => &[Zone::ForeIn],
            Self::Elbow => &[Zone::ForeBack],
            Self::Belly | Self::Sheath => &[Zone::Underline],
            Self::InsideThigh => &[Zone::HindIn],
            Self::UnderTail | Self::BesideAnus => &[Zone::Rump],
            Self::Pads | Self::BetweenToes => &[Zone::Foot],
        }
    }

    /// Whether hair cleared there is not missed by an eye (common practice): a cleared ear base or elbow is.
    pub const fn is_hidden(self) -> bool {
        !matches!(self, Self::EarBase | Self::Elbow | Self::BetweenEyes)
    }

    /// Whether hair rubs against hair or leather there, so that it knots in half the time (handbook 3,
    /// *Knot day*: modelling choice).
    pub const fn rubs(self) -> bool {
        matches!(
            self,
            Self::Armpit
                | Self::BehindEar
                | Self::InsideThigh
                | Self::BetweenToes
                | Self::UnderCollar
        )
    }

    /// Whether the hygiene area takes it in (handbook 10 B).
    pub const fn is_of_hygiene(self) -> bool {
        matches!(
            self,
            Self::Belly | Self::InsideThigh | Self::Sheath | Self::UnderTail | Self::BesideAnus
        )
    }
}

vocabulary! {
    /// How the skin of a site looks; what was seen, never what it is.
    #[derive(
        Clone, Copy, Debug, Default, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    pub enum SiteSkin {
        /// Nothing to say.
        #[default]
        Sound => "sound",
        /// Red or warm.
        Red => "red",
        /// Broken, wet or sore.
        Broken => "broken",
    }
}

/// What a site carries, on one side.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct SiteState {
    /// Knots.
    pub knots: Knots,
    /// The hair's length there; none for as its zone.
    pub length_mm: Option<Length>,
    /// The skin.
    pub skin: SiteSkin,
}

/// What a site carries.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SiteMarks {
    /// On the left, or on both sides alike; of what a dog has once, there.
    pub left: SiteState,
    /// On the right, where it differs.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right: Option<SiteState>,
}

impl SiteMarks {
    /// Whether there is nothing to say.
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    /// Left, then right.
    pub fn sides(&self) -> [SiteState; 2] {
        [self.left, self.right.unwrap_or(self.left)]
    }

    /// The worse knots of both sides.
    pub fn knots(&self) -> Knots {
        let [left, right] = self.sides();
        left.knots.max(right.knots)
    }

    /// The worse skin of both sides.
    pub fn skin(&self) -> SiteSkin {
        let [left, right] = self.sides();
        left.skin.max(right.skin)
    }

    /// The longer hair of both sides, mm; none where a side was not said.
    pub fn length_mm(&self) -> Option<f64> {
        let [left, right] = self.sides().map(|s| s.length_mm.map(Length::as_mm));
        Some(left?.max(right?))
    }
}

impl Site {
    /// Where something holds of it, with the side: "behind the ear, left".
    pub fn where_it_holds(self, marks: &SiteMarks, holds: impl Fn(&SiteState) -> bool) -> String {
        let [left, right] = marks.sides().map(|s| holds(&s));
        match (self.is_pair(), left, right) {
            (true, true, false) => format!("{}, left", self.at()),
            (true, false, true) => format!("{}, right", self.at()),
            (true, true, true) => format!("{}, both sides", self.at()),
            _ => self.at().to_owned(),
        }
    }
}
