//! What one tool does in one step of the clipper: how it is run, where, and what goes along with it.

use uuid::Uuid;

use super::rows::{ROUGHING_STROKE, USUAL_STROKE};
use crate::solve::{Roughing, Stroke, Unit, UnitCut};

/// How a tool is run in a pass: in the order it is done with one tool in hand.
#[derive(Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub(super) enum Run {
    Full,
    Against,
    RoughPressed,
    RoughHeldOff,
}

impl Run {
    pub(super) const fn of(cut: &UnitCut) -> Self {
        match (cut.stroke, cut.roughing) {
            (Stroke::Against, _) => Self::Against,
            (Stroke::Scissor, Some(Roughing::HeldOff)) => Self::RoughHeldOff,
            (Stroke::Scissor, _) => Self::RoughPressed,
            // A thinned coat has no tool that runs through it.
            (Stroke::Full | Stroke::Leave | Stroke::Thin, _) => Self::Full,
        }
    }

    pub(super) const fn is_roughing(self) -> bool {
        matches!(self, Self::RoughPressed | Self::RoughHeldOff)
    }

    pub(super) const fn stroke(self) -> &'static str {
        match self {
            Self::Full => USUAL_STROKE,
            Self::Against => "against the lay",
            Self::RoughPressed => ROUGHING_STROKE,
            Self::RoughHeldOff => "skim, held off; shears finish",
        }
    }
}

/// The dog's front: what is clipped there goes along only with what reaches it.
const IN_FRONT: [Unit; 5] = [
    Unit::Crest,
    Unit::Throat,
    Unit::Chest,
    Unit::Shoulder,
    Unit::BackFront,
];

/// What one tool does in one step, the main part first.
pub(super) struct Pass<'a> {
    pub(super) tool: Uuid,
    pub(super) parts: Vec<Part<'a>>,
}

/// What it does one way.
pub(super) struct Part<'a> {
    pub(super) run: Run,
    pub(super) cuts: Vec<&'a UnitCut>,
}

impl<'a> Pass<'a> {
    pub(super) fn cuts(&self) -> impl Iterator<Item = &'a UnitCut> + '_ {
        self.parts.iter().flat_map(|part| part.cuts.iter().copied())
    }

    /// In which order of the body's parts it comes: the body, what joins it, legs, head and tail.
    pub(super) fn region(&self) -> usize {
        match self.area() {
            Area::Body => 0,
            Area::Neck | Area::Under => 1,
            Area::ForeLegs | Area::HindLegs => 2,
            Area::Head | Area::Tail => 3,
        }
    }

    /// The part of the dog it is for.
    pub(super) fn area(&self) -> Area {
        Area::of(self.parts[0].cuts[0].unit)
    }

    /// Whether another can be done with it: by the same tool, beside it, and to the same end.
    pub(super) fn takes_along(&self, other: &Self) -> bool {
        let is_rough = |pass: &Self| pass.parts[0].run.is_roughing();
        self.tool == other.tool
            && is_rough(self) == is_rough(other)
            && (self.area().is_beside(other.area())
                || is_rough(self) && self.area().is_rough_beside(other.area()))
            && self.reaches(other)
            && !self.is_by_itself()
            && !other.is_by_itself()
    }

    /// Whether another roughs out the same pair of legs: one tool goes round them, pressed here and held off there.
    pub(super) fn goes_round_with(&self, other: &Self) -> bool {
        self.area().is_of_legs() && self.area() == other.area() && self.takes_along(other)
    }

    /// Whether a neck or a chest that goes along lies beside anything of it: no throat is clipped with a croup.
    fn reaches(&self, other: &Self) -> bool {
        let is_front = |cut: &UnitCut| IN_FRONT.contains(&cut.unit);
        !other.cuts().all(is_front) || self.cuts().any(is_front)
    }

    /// What is done the same way is one part; another way stands by itself.
    pub(super) fn take_along(&mut self, other: Self) {
        for part in other.parts {
            match self.parts.iter_mut().find(|p| p.run == part.run) {
                Some(same) => same.cuts.extend(part.cuts),
                None => self.parts.push(part),
            }
        }
    }

    /// What is clipped by itself, for it is shaped by hand after it.
    pub(super) fn is_by_itself(&self) -> bool {
        self.cuts().any(|cut| is_shaped_by_hand(cut.unit))
    }
}

/// Parts of the dog that one step of the clipper works: neighbouring places, with one start and one stop.
#[derive(Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub(super) enum Area {
    Neck,
    Body,
    Under,
    ForeLegs,
    HindLegs,
    Head,
    Tail,
}

impl Area {
    pub(super) const fn of(unit: Unit) -> Self {
        match unit {
            Unit::Crest | Unit::Throat => Self::Neck,
            Unit::BackFront
            | Unit::BackRear
            | Unit::Croup
            | Unit::Rump
            | Unit::Shoulder
            | Unit::Ribs
            | Unit::Hip => Self::Body,
            Unit::Chest | Unit::Underline | Unit::TuckUp => Self::Under,
            Unit::ForeBack | Unit::ForeFront | Unit::ForeOut | Unit::ForeIn => Self::ForeLegs,
            Unit::FlankAndKnee
            | Unit::Flank
            | Unit::Knee
            | Unit::HindBack
            | Unit::HindFront
            | Unit::HindOut
            | Unit::HindIn
            | Unit::Hock
            | Unit::Feet => Self::HindLegs,
            Unit::Face | Unit::Muzzle | Unit::Beard | Unit::Brows | Unit::Topknot | Unit::Ears => {
                Self::Head
            }
            Unit::Tail => Self::Tail,
        }
    }

    pub(super) const fn is_of_legs(self) -> bool {
        matches!(self, Self::ForeLegs | Self::HindLegs)
    }

    const fn is_of_body(self) -> bool {
        matches!(self, Self::Neck | Self::Body | Self::Under)
    }

    /// Whether one hand goes from one to the other without turning the dog.
    const fn is_beside(self, other: Self) -> bool {
        self.is_of_legs() && other.is_of_legs()
            || self.is_of_body() && other.is_of_body()
            || matches!((self, other), (Self::Head, Self::Head))
    }

    /// The same for what is only roughed out: brisket and tuck-up lie between the legs.
    const fn is_rough_beside(self, other: Self) -> bool {
        matches!(self, Self::Under) && other.is_of_legs()
            || self.is_of_legs() && matches!(other, Self::Under)
    }
}

/// What is clipped by itself and shaped by hand after it.
pub(super) const fn is_shaped_by_hand(unit: Unit) -> bool {
    matches!(unit, Unit::Ears | Unit::Topknot | Unit::Tail)
}
