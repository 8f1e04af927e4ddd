use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::frame::Build;

vocabulary! {
    /// The shape of a finished head.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum HeadShape {
        /// A circle of three arcs: cheeks, under-beard, top.
        Round => "round",
        /// Clean face under a topknot that runs into the crest.
        Topknot => "topknot",
        /// Flat skull and cheeks, brows and a long beard.
        Terrier => "brows and beard",
        /// Crown short, ears long.
        Spaniel => "spaniel",
        /// One length under the body's.
        Short => "short",
        /// Tidied.
        Natural => "natural",
    }
}

/// How a leg ends over its foot (handbook 5, *Feet*; dog-shape-2.md 2).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum HemShape {
    /// A round foot that hides the toes.
    Dome,
    /// 45° up from a ring round the foot.
    Bevel,
    /// The same, close round the nails.
    Nail,
    /// Standing out over the foot.
    Bell,
    /// Bevelled over a foot clipped clean.
    Clean,
    /// The leg's own edge runs on round the foot.
    Bare,
}

/// How a finished tail is shaped (handbook 5 and 10 E).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum TailForm {
    /// Short all along.
    Thin,
    /// Fuller beneath, running out to the tip.
    Carrot,
    /// One length all along.
    Even,
    /// A short tail with a little more beneath.
    Stubby,
    /// A ball on a docked tail; a full tail is a plume over a bare root.
    Ball,
    /// Rounded to its end, alike on both sides.
    Rounded,
    /// One length about the bone as it is carried.
    U,
    /// Long hair shaken out.
    Plume,
    /// The same over a bare root.
    BareV,
    /// Kept: a plume as it came.
    Untouched,
    /// A fringe hanging beneath.
    Flag,
}

impl TailForm {
    /// Whether its hair falls long off the bone.
    pub const fn is_plume(self) -> bool {
        matches!(self, Self::Plume | Self::BareV | Self::Untouched)
    }
}

/// How a finished ear is shaped.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum EarForm {
    /// Evened all round.
    Round,
    /// Its upper third clipped, long below.
    Feathered,
    /// Clipped to the leather.
    Clean,
    /// Ends that hang in locks.
    Locks,
}

/// What hangs from a finished body.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Hangs {
    /// Nothing: the underline is an edge.
    Nothing,
    /// A skirt from a root line on the ribs.
    Skirt,
    /// The same, and sides combed down over body and legs.
    Curtain,
    /// Feather behind the legs and under the body.
    Feather,
}

/// The signs a look is known by where they are not lengths of the outline.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Finish {
    /// The head; none on a coat as it came in.
    pub head: Option<HeadShape>,
    /// The feet.
    pub hem: HemShape,
    /// The tail.
    pub tail: TailForm,
    /// The ears.
    pub ear: EarForm,
    /// What hangs from the body.
    pub hangs: Hangs,
    /// Whether legs begin as sleeves over shoulder and thigh.
    pub has_sleeves: bool,
    /// Whether the body's length ends in a V on the crest.
    pub has_nape_v: bool,
    /// How far the legs stand out at the hem over plumb, share of the height.
    pub flare: f64,
    /// Whether the fringe over the eyes is cut short, rather than its corners only.
    pub is_fringe_short: bool,
    /// How many ponytails the crown's hair is tied into, where it is long enough.
    pub ponytails: u8,
}

impl Finish {
    /// Untrimmed.
    pub const AS_IT_CAME: Self = Self {
        head: None,
        hem: HemShape::Dome,
        tail: TailForm::Untouched,
        ear: EarForm::Round,
        hangs: Hangs::Nothing,
        has_sleeves: false,
        has_nape_v: false,
        flare: 0.0,
        is_fringe_short: false,
        ponytails: 0,
    };

    /// Trimmed, with a head of this shape; feet round, tail one length.
    pub const fn trimmed(head: HeadShape) -> Self {
        Self {
            head: Some(head),
            tail: TailForm::Even,
            ..Self::AS_IT_CAME
        }
    }

    /// Whether hair hangs from the sides as a skirt.
    pub const fn has_skirt(&self) -> bool {
        matches!(self.hangs, Hangs::Skirt | Hangs::Curtain)
    }

    /// Whether the tail is bare above its root.
    pub const fn has_bare_tail_root(&self) -> bool {
        matches!(self.tail, TailForm::Ball | TailForm::BareV)
    }

    /// The form that this dog's tail takes: a ball stands on a docked tail only, and a docked tail is
    /// rounded to one (handbook 10 E).
    pub fn tail_on(&self, build: &Build) -> TailForm {
        match self.tail {
            TailForm::Ball if !build.is_docked() => TailForm::BareV,
            TailForm::Rounded if build.is_docked() => TailForm::Ball,
            TailForm::BareV if build.is_docked() => TailForm::Plume,
            form => form,
        }
    }

    /// Whether a short tail ends in a ball.
    pub const fn has_tail_ball(&self) -> bool {
        matches!(self.tail, TailForm::Ball)
    }

    pub(super) const fn is_trimmed(&self) -> bool {
        self.head.is_some()
    }
}
