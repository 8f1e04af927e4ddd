use kurbo::Point;
use schemars::JsonSchema;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::expr::Expr;
use crate::shape::View;

/// A number the eye judges (handbook 4; balance-model.md 5).
#[derive(
    Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, JsonSchema, ToSchema,
)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "each is described by Judged::label")]
pub enum Judged {
    BodyRatio,
    GapRatio,
    GapUnderFlank,
    LegShare,
    Topline,
    Slope,
    CroupDrop,
    CroupFill,
    UnderlineRise,
    UnderlineSteady,
    FlankFill,
    NeckDepth,
    CrestJoin,
    RearAngulation,
    RearSetIn,
    RearDrop,
    Rearmost,
    Foremost,
    FrontColumn,
    ColumnShare,
    Toe,
    HindColumn,
    ColumnPair,
    LowerThigh,
    KneeFullness,
    ShoulderIntoRibs,
    RibsNotFlat,
    LoinNotHollow,
    FrontEdges,
    FrontFlush,
    FrontOver,
    ColumnSquare,
    RearEdges,
    Widest,
    Daylight,
    Mirror,
    Hole,
    WaistPlace,
    KneeOpposite,
    HeadSize,
    HeadRound,
    NoseLongest,
    EarEnd,
    EarOverShoulder,
    EyeOpen,
    LiftOff,
    FlankNeed,
    Bump,
    Bevel,
}

impl Judged {
    /// All of them, in the order they are shown.
    pub const ALL: [Self; 49] = [
        Self::BodyRatio,
        Self::GapRatio,
        Self::GapUnderFlank,
        Self::LegShare,
        Self::Topline,
        Self::Slope,
        Self::CroupDrop,
        Self::CroupFill,
        Self::UnderlineRise,
        Self::UnderlineSteady,
        Self::FlankFill,
        Self::NeckDepth,
        Self::CrestJoin,
        Self::RearAngulation,
        Self::RearSetIn,
        Self::RearDrop,
        Self::Rearmost,
        Self::Foremost,
        Self::FrontColumn,
        Self::ColumnShare,
        Self::Toe,
        Self::HindColumn,
        Self::ColumnPair,
        Self::LowerThigh,
        Self::KneeFullness,
        Self::ShoulderIntoRibs,
        Self::RibsNotFlat,
        Self::LoinNotHollow,
        Self::FrontEdges,
        Self::FrontFlush,
        Self::FrontOver,
        Self::ColumnSquare,
        Self::RearEdges,
        Self::Widest,
        Self::Daylight,
        Self::Mirror,
        Self::Hole,
        Self::WaistPlace,
        Self::KneeOpposite,
        Self::HeadSize,
        Self::HeadRound,
        Self::NoseLongest,
        Self::EarEnd,
        Self::EarOverShoulder,
        Self::EyeOpen,
        Self::LiftOff,
        Self::FlankNeed,
        Self::Bump,
        Self::Bevel,
    ];

    /// Name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::BodyRatio => "Body ratio",
            Self::GapRatio => "Daylight under the dog",
            Self::GapUnderFlank => "Daylight under the flank",
            Self::LegShare => "Leg share",
            Self::Topline => "Topline",
            Self::Slope => "Slope of the back",
            Self::CroupDrop => "Drop to the tail set",
            Self::CroupFill => "Croup line",
            Self::UnderlineRise => "Rise of the underline",
            Self::UnderlineSteady => "Steady underline",
            Self::FlankFill => "Fall into the flank",
            Self::NeckDepth => "Depth of neck",
            Self::CrestJoin => "Crest into the back",
            Self::RearAngulation => "Bend behind",
            Self::RearSetIn => "Set-in under the pin bone",
            Self::RearDrop => "Rear drop",
            Self::Rearmost => "Rearmost point",
            Self::Foremost => "Foremost point",
            Self::FrontColumn => "Front column",
            Self::ColumnShare => "Fullness of the legs",
            Self::Toe => "Column over the toe",
            Self::HindColumn => "Hock to pastern",
            Self::ColumnPair => "Hind legs match front",
            Self::LowerThigh => "Lower thigh",
            Self::KneeFullness => "Fullness at the knee",
            Self::ShoulderIntoRibs => "Shoulder into ribs",
            Self::RibsNotFlat => "Roundness of the ribs",
            Self::LoinNotHollow => "Loin",
            Self::FrontEdges => "Front legs from the front",
            Self::FrontFlush => "Front legs flush with the body",
            Self::FrontOver => "Front legs not over the body",
            Self::ColumnSquare => "Column as wide as deep",
            Self::RearEdges => "Hind legs from behind",
            Self::Widest => "Widest at the thigh",
            Self::Daylight => "Daylight between the legs",
            Self::Mirror => "Left against right",
            Self::Hole => "Hole in the leg",
            Self::WaistPlace => "Place of the waist",
            Self::KneeOpposite => "Knee opposite the bend",
            Self::HeadSize => "Size of the head",
            Self::HeadRound => "Head against a circle",
            Self::NoseLongest => "Nose the longest point",
            Self::EarEnd => "Ear end below the beard",
            Self::EarOverShoulder => "Ear end over the point of shoulder",
            Self::EyeOpen => "Eye open",
            Self::LiftOff => "Lift-off, shoulder against thigh",
            Self::FlankNeed => "Flank hair over waist hair",
            Self::Bump => "Bump in the line",
            Self::Bevel => "Column over the foot",
        }
    }

    /// Tolerance, share of the height (balance-model.md 5).
    pub const fn tolerance_share(self) -> f64 {
        match self {
            Self::BodyRatio => 0.025,
            Self::GapRatio | Self::GapUnderFlank | Self::ColumnShare | Self::ColumnSquare => 0.02,
            Self::LegShare => 0.015,
            Self::Topline
            | Self::FrontColumn
            | Self::ShoulderIntoRibs
            | Self::RibsNotFlat
            | Self::FrontEdges
            | Self::RearEdges
            | Self::Hole => 0.0065,
            Self::FrontFlush => 0.011,
            Self::Mirror => 0.009,
            // Where balance-model.md gives none: half of what handbook 4 allows, or as a comb's size
            // reads on a medium dog (modelling choice).
            Self::HeadSize => 0.02,
            Self::HeadRound => 0.006,
            Self::Slope
            | Self::CroupFill
            | Self::UnderlineSteady
            | Self::Rearmost
            | Self::Foremost => 0.005,
            Self::NeckDepth | Self::ColumnPair => 0.03,
            Self::CrestJoin | Self::FrontOver | Self::Widest => 0.008,
            Self::CroupDrop
            | Self::UnderlineRise
            | Self::FlankFill
            | Self::RearAngulation
            | Self::RearSetIn
            | Self::RearDrop
            | Self::Toe
            | Self::HindColumn
            | Self::LowerThigh
            | Self::KneeFullness
            | Self::LoinNotHollow
            | Self::Daylight
            | Self::WaistPlace
            | Self::KneeOpposite
            | Self::NoseLongest
            | Self::EarEnd
            | Self::EarOverShoulder
            | Self::LiftOff
            | Self::FlankNeed
            | Self::Bevel => 0.01,
            // A bump as long as the topline is wide of its own (balance-model.md 5); an eye is open
            // or it is not (handbook 4).
            Self::Bump => 0.0065,
            Self::EyeOpen => 0.002,
        }
    }

    /// Weight (balance-model.md 5): length first, then topline, then columns.
    pub const fn weight(self) -> f64 {
        match self {
            Self::BodyRatio => 1.2,
            Self::GapRatio => 1.5,
            Self::Topline => 2.5,
            Self::RibsNotFlat => 2.0,
            Self::GapUnderFlank
            | Self::CroupFill
            | Self::RearDrop
            | Self::HindColumn
            | Self::LowerThigh
            | Self::KneeFullness
            | Self::LoinNotHollow
            | Self::ColumnSquare => 0.5,
            Self::FlankFill | Self::CrestJoin | Self::ColumnShare => 0.7,
            Self::FrontColumn | Self::FrontEdges | Self::RearEdges => 0.4,
            Self::Hole => 0.2,
            Self::Toe | Self::ColumnPair => 0.3,
            Self::LegShare
            | Self::Slope
            | Self::CroupDrop
            | Self::UnderlineRise
            | Self::UnderlineSteady
            | Self::NeckDepth
            | Self::RearAngulation
            | Self::RearSetIn
            | Self::Rearmost
            | Self::Foremost
            | Self::ShoulderIntoRibs
            | Self::FrontFlush
            | Self::FrontOver
            | Self::Widest
            | Self::Daylight
            | Self::Mirror
            | Self::WaistPlace
            | Self::KneeOpposite
            | Self::HeadSize
            | Self::HeadRound
            | Self::NoseLongest
            | Self::EarEnd
            | Self::EarOverShoulder
            | Self::EyeOpen
            | Self::LiftOff
            | Self::FlankNeed
            | Self::Bump
            | Self::Bevel => 1.0,
        }
    }

    /// Whether the price stops rising beyond two tolerances, so that a point that cannot be
    /// reached does not drag the others along (balance-model.md 4, marked H).
    pub const fn gives_up(self) -> bool {
        matches!(
            self,
            Self::BodyRatio
                | Self::GapRatio
                | Self::GapUnderFlank
                | Self::LegShare
                | Self::Slope
                | Self::CroupDrop
                | Self::UnderlineRise
                | Self::FlankFill
                | Self::NeckDepth
                | Self::RearAngulation
                | Self::RearSetIn
                | Self::ColumnShare
                | Self::FrontOver
                | Self::Widest
        )
    }
}

/// What a value is divided by before it is shown.
#[derive(Clone, Debug, PartialEq)]
pub enum Divisor {
    /// Shown in millimetres.
    Millimetres,
    /// A ratio to another number.
    By(Expr),
}

/// One row of the judgement: a value, its range, and by how much it may miss.
#[derive(Clone, Debug, PartialEq)]
pub struct BalancePoint {
    /// Which number.
    pub judged: Judged,
    /// Expressions in mm that are over zero by as much as the value leaves its range.
    pub over: Vec<Expr>,
    /// Tolerance, mm.
    pub tolerance_mm: f64,
    /// Weight in the balance.
    pub weight: f64,
    /// The value.
    pub value: Expr,
    /// What the value is divided by.
    pub divisor: Divisor,
    /// Its range, in the unit it is shown in.
    pub range: (Option<f64>, Option<f64>),
    /// Where on the dog it shows.
    pub at: Shown,
}

/// A place in a view.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Shown {
    /// The view.
    pub view: View,
    /// Skin point on that view's own plane, mm.
    pub at: Point,
}

impl BalancePoint {
    /// The value at these lengths, in the unit it is shown in.
    pub fn value_at(&self, lengths: &[f64]) -> f64 {
        let value = self.value.at(lengths);
        match &self.divisor {
            Divisor::Millimetres => value,
            Divisor::By(expr) => value / expr.at(lengths),
        }
    }

    /// Millimetres outside the range; zero inside.
    pub fn off_mm(&self, lengths: &[f64]) -> f64 {
        self.over.iter().map(|e| e.at(lengths)).fold(0.0, f64::max)
    }

    /// Tolerances outside the range; zero inside.
    pub fn off(&self, lengths: &[f64]) -> f64 {
        self.off_mm(lengths) / self.tolerance_mm
    }
}

/// Beyond this many tolerances a point that gives up costs in a straight line (Huber's knee).
pub const GIVES_UP_AT: f64 = 2.0;

impl BalancePoint {
    /// What the point costs at these lengths: weight × squared tolerances, straight beyond the knee.
    pub fn cost(&self, lengths: &[f64]) -> f64 {
        let off = self.off(lengths);
        let cost = if self.judged.gives_up() && off > GIVES_UP_AT {
            2.0 * GIVES_UP_AT * off - GIVES_UP_AT * GIVES_UP_AT
        } else {
            off * off
        };
        self.weight * cost
    }

    /// How strongly a spot moves it: the sum of its coefficients' sizes.
    pub fn pull_of(&self, spot: usize) -> f64 {
        self.over.iter().map(|e| e.coefficients()[spot].abs()).sum()
    }

    /// Whether a spot moves it at all.
    pub fn depends_on(&self, spot: usize) -> bool {
        self.over.iter().any(|e| e.coefficients()[spot] != 0.0)
    }
}

/// Balance cost of lengths: Σ weight × squared tolerances, straight beyond the knee.
pub fn score(points: &[BalancePoint], lengths: &[f64]) -> f64 {
    points.iter().map(|p| p.cost(lengths)).sum()
}
