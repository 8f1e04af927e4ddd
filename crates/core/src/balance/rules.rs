//! The numbers the eye judges, one row each (handbook 4; balance-model.md 5).
//!
//! A row says all there is to say of a number but how it is worked out of a dog (`points.rs`,
//! `on_end.rs`, `evaluated.rs`, `head.rs`) and how it is drawn (`drawing/point_marks.rs`).

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::Zone;

/// What there is to say of a judged number.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Rule {
    /// Name on the screen.
    pub label: &'static str,
    /// Tolerance, share of the height (balance-model.md 5).
    pub tolerance: f64,
    /// Weight (balance-model.md 5): length first, then topline, then columns.
    pub weight: f64,
    /// Whether the price stops rising beyond two tolerances, so that a point that cannot be reached
    /// does not drag the others along (balance-model.md 4, marked H).
    pub gives_up: bool,
    /// What an eye sees where it has grown out of its range, as an owner is told; numbers that show alike say
    /// the same.
    pub goes: &'static str,
    /// What is wrong where the value is over its range; `{by}` stands for how much, as an eye says
    /// it.
    high: &'static str,
    /// The same where it is under.
    low: &'static str,
    /// Zones that move a number that is evaluated, the strongest first; a number of the solve is moved
    /// by what its own coefficients say.
    pub moved_by: &'static [Zone],
}

impl Rule {
    /// What is wrong, as a stylist would say it: one sentence with how much, by eye.
    pub fn fault(&self, is_high: bool, by: &str) -> String {
        let sentence = if is_high { self.high } else { self.low };
        sentence.replace("{by}", by)
    }
}

/// Writes the enum, its list and its table from one row a number. A row without `low` says the same on
/// both sides.
macro_rules! rules {
    (@low $high:literal) => { $high };
    (@low $high:literal $low:literal) => { $low };
    ($($name:ident {
        label: $label:literal, tolerance: $tolerance:literal, weight: $weight:literal, gives_up: $gives_up:literal,
        goes: $goes:literal,
        high: $high:literal,
        $(low: $low:literal,)?
        $(moved_by: [$($zone:ident),+],)?
    })+) => {
        /// A number the eye judges (handbook 4; balance-model.md 5).
        #[derive(
            Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema,
        )]
        #[serde(rename_all = "snake_case")]
        #[expect(missing_docs, reason = "each is described by its rule's label")]
        pub enum Judged { $($name,)+ }

        impl Judged {
            /// All of them, in the order they are shown.
            pub const ALL: [Self; [$(stringify!($name)),+].len()] = [$(Self::$name,)+];

            /// Its row.
            pub const fn rule(self) -> &'static Rule {
                match self {
                    $(Self::$name => &Rule {
                        label: $label,
                        tolerance: $tolerance,
                        weight: $weight,
                        gives_up: $gives_up,
                        goes: $goes,
                        high: $high,
                        low: rules!(@low $high $($low)?),
                        moved_by: &[$($(Zone::$zone),+)?],
                    },)+
                }
            }
        }
    };
}

// Where balance-model.md gives no tolerance: half of what handbook 4 allows, or as a comb's size reads on
// a medium dog (modelling choice). A bump as long as the topline is wide of its own; an eye is open or it
// is not (handbook 4).
rules! {
    // Length and height.
    BodyRatio {
        label: "Body ratio", tolerance: 0.025, weight: 1.2, gives_up: true,
        goes: "it reads longer",
        high: "The body is still {by} too long.",
        low: "The body is {by} too short.",
    }
    GapRatio {
        label: "Daylight under the dog", tolerance: 0.02, weight: 1.5, gives_up: true,
        goes: "daylight under it closes",
        high: "Daylight under the dog is still {by} too wide.",
        low: "Daylight under the dog is {by} too narrow.",
    }
    GapUnderFlank {
        label: "Daylight under the flank", tolerance: 0.02, weight: 0.5, gives_up: true,
        goes: "daylight under it closes",
        high: "Daylight under the flank is {by} too wide.",
    }
    LegShare {
        label: "Leg share", tolerance: 0.015, weight: 1.0, gives_up: true,
        goes: "the legs look short",
        high: "The legs look {by} too long.",
        low: "The legs look {by} too short.",
    }
    // The topline.
    Topline {
        label: "Topline", tolerance: 0.0065, weight: 2.5, gives_up: false,
        goes: "the back loses its line",
        high: "The back stands {by} proud.",
        low: "The back still dips by {by}.",
    }
    Slope {
        label: "Slope of the back", tolerance: 0.005, weight: 1.0, gives_up: true,
        goes: "the back loses its line",
        high: "The back falls {by} too much to the rear.",
        low: "The rear is still {by} high.",
    }
    CroupDrop {
        label: "Drop to the tail set", tolerance: 0.01, weight: 1.0, gives_up: true,
        goes: "the back loses its line",
        high: "The croup drops {by} too much to the tail.",
        low: "The tail set stands {by} too high.",
    }
    CroupFill {
        label: "Croup line", tolerance: 0.005, weight: 0.5, gives_up: false,
        goes: "the back loses its line",
        high: "The croup bulges by {by}.",
        low: "The croup is hollow by {by}.",
    }
    // The underline.
    UnderlineRise {
        label: "Rise of the underline", tolerance: 0.01, weight: 1.0, gives_up: true,
        goes: "the underline loses its rise",
        high: "The underline rises {by} too much.",
        low: "The underline rises {by} too little.",
    }
    UnderlineSteady {
        label: "Steady underline", tolerance: 0.005, weight: 1.0, gives_up: false,
        goes: "the underline loses its rise",
        high: "The underline sags by {by}.",
    }
    FlankFill {
        label: "Fall into the flank", tolerance: 0.01, weight: 0.7, gives_up: true,
        goes: "the underline loses its rise",
        high: "The fall into the flank is {by} too thin.",
    }
    // The neck.
    NeckDepth {
        label: "Depth of neck", tolerance: 0.03, weight: 1.0, gives_up: true,
        goes: "the neck thickens",
        high: "The neck is {by} too deep for its length.",
    }
    CrestJoin {
        label: "Crest into the back", tolerance: 0.008, weight: 0.7, gives_up: false,
        goes: "the neck thickens",
        high: "The crest stands {by} proud.",
        low: "The crest is hollow by {by}.",
    }
    // The rear and the ends.
    RearAngulation {
        label: "Bend behind", tolerance: 0.01, weight: 1.0, gives_up: true,
        goes: "the rear loses its bend",
        high: "The bend behind is {by} too deep.",
        low: "The hind leg is {by} too straight.",
    }
    RearSetIn {
        label: "Set-in under the pin bone", tolerance: 0.01, weight: 1.0, gives_up: true,
        goes: "the rear loses its bend",
        high: "The leg sits {by} too far under.",
        low: "Under the pin bone the leg stands {by} too far out.",
    }
    RearDrop {
        label: "Rear drop", tolerance: 0.01, weight: 0.5, gives_up: false,
        goes: "the rear loses its bend",
        high: "The rear drop is off its line by {by}.",
    }
    Rearmost {
        label: "Rearmost point", tolerance: 0.005, weight: 1.0, gives_up: false,
        goes: "the rear loses its bend",
        high: "Hair stands {by} behind the pin bone.",
    }
    Foremost {
        label: "Foremost point", tolerance: 0.005, weight: 1.0, gives_up: false,
        goes: "the chest stands out",
        high: "Hair stands {by} before the breastbone.",
    }
    // Columns from the side.
    FrontColumn {
        label: "Front column", tolerance: 0.0065, weight: 0.4, gives_up: false,
        goes: "the legs lose their shape",
        high: "The front column is {by} off plumb.",
    }
    ColumnShare {
        label: "Fullness of the legs", tolerance: 0.02, weight: 0.7, gives_up: true,
        goes: "the legs lose their shape",
        high: "The front legs are {by} too full.",
        low: "The front legs are {by} too thin.",
    }
    Toe {
        label: "Column over the toe", tolerance: 0.01, weight: 0.3, gives_up: false,
        goes: "the legs lose their shape",
        high: "The column stands {by} past the toe.",
    }
    HindColumn {
        label: "Hock to pastern", tolerance: 0.01, weight: 0.5, gives_up: false,
        goes: "the legs lose their shape",
        high: "Hock and pastern differ by {by}.",
    }
    ColumnPair {
        label: "Hind legs match front", tolerance: 0.03, weight: 0.3, gives_up: false,
        goes: "the legs lose their shape",
        high: "The hind legs are {by} fuller than the front.",
        low: "The hind legs are {by} thinner than the front.",
    }
    LowerThigh {
        label: "Lower thigh", tolerance: 0.01, weight: 0.5, gives_up: false,
        goes: "the rear loses its bend",
        high: "The lower thigh is {by} off its line.",
    }
    KneeFullness {
        label: "Fullness at the knee", tolerance: 0.01, weight: 0.5, gives_up: false,
        goes: "the rear loses its bend",
        high: "The knee bulges by {by}.",
        low: "The knee is {by} too thin.",
    }
    // Widths from above.
    ShoulderIntoRibs {
        label: "Shoulder into ribs", tolerance: 0.0065, weight: 1.0, gives_up: false,
        goes: "the sides lose their line",
        high: "The shoulder stands {by} proud.",
        low: "The shoulder is {by} hollow.",
    }
    RibsNotFlat {
        label: "Roundness of the ribs", tolerance: 0.0065, weight: 2.0, gives_up: false,
        goes: "the sides lose their line",
        high: "The ribs stand {by} proud.",
        low: "The ribs are {by} too flat.",
    }
    LoinNotHollow {
        label: "Loin", tolerance: 0.01, weight: 0.5, gives_up: false,
        goes: "the sides lose their line",
        high: "The loin stands {by} proud.",
        low: "The loin is {by} hollow.",
    }
    // Legs on end.
    FrontEdges {
        label: "Front legs from the front", tolerance: 0.0065, weight: 0.4, gives_up: false,
        goes: "the legs lose their shape",
        high: "A front leg is {by} off plumb from the front.",
    }
    FrontFlush {
        label: "Front legs flush with the body", tolerance: 0.011, weight: 1.0, gives_up: false,
        goes: "the legs lose their shape",
        high: "The front leg stands {by} in from the shoulder.",
    }
    FrontOver {
        label: "Front legs not over the body", tolerance: 0.008, weight: 1.0, gives_up: true,
        goes: "the legs lose their shape",
        high: "The front leg stands {by} out over the shoulder.",
    }
    ColumnSquare {
        label: "Column as wide as deep", tolerance: 0.02, weight: 0.5, gives_up: false,
        goes: "the legs lose their shape",
        high: "The column is {by} wider than it is deep.",
        low: "The column is {by} deeper than it is wide.",
    }
    RearEdges {
        label: "Hind legs from behind", tolerance: 0.0065, weight: 0.4, gives_up: false,
        goes: "the legs lose their shape",
        high: "A hind leg is {by} off its line from behind.",
    }
    Widest {
        label: "Widest at the thigh", tolerance: 0.008, weight: 1.0, gives_up: true,
        goes: "the legs lose their shape",
        high: "The leg is {by} wider than the thigh.",
    }
    Daylight {
        label: "Daylight between the legs", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the gap between the legs closes",
        high: "Daylight between the legs is {by} too narrow.",
    }
    Mirror {
        label: "Left against right", tolerance: 0.009, weight: 1.0, gives_up: false,
        goes: "left and right differ",
        high: "Left and right differ by {by}.",
    }
    Hole {
        label: "Hole in the leg", tolerance: 0.0065, weight: 0.2, gives_up: false,
        goes: "spots show",
        high: "The hole shows {by} too deep.",
    }
    // Evaluated on the dressed dog, not solved: places.
    WaistPlace {
        label: "Place of the waist", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the underline loses its rise",
        high: "The waist peaks {by} too far back.",
        low: "The waist peaks {by} before the last rib.",
        moved_by: [TuckUp, Flank],
    }
    KneeOpposite {
        label: "Knee opposite the bend", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the rear loses its bend",
        high: "Knee and bend are {by} from opposite each other.",
        moved_by: [Knee, HindBack],
    }
    // Evaluated: the head.
    HeadSize {
        label: "Size of the head", tolerance: 0.02, weight: 1.0, gives_up: false,
        goes: "the head loses its shape",
        high: "The head is {by} too big for the body.",
        low: "The head is {by} too small for the body.",
        moved_by: [Topknot, Beard],
    }
    HeadRound {
        label: "Head against a circle", tolerance: 0.006, weight: 1.0, gives_up: false,
        goes: "the head loses its shape",
        high: "The head leaves its circle by {by}.",
        moved_by: [Cheek, Topknot, Beard],
    }
    NoseLongest {
        label: "Nose the longest point", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "hair stands before the nose",
        high: "Hair stands {by} before the nose.",
        moved_by: [Beard, Muzzle],
    }
    EarEnd {
        label: "Ear end below the beard", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the ears hang too long",
        high: "The ear hangs {by} too far below the beard.",
        low: "The ear ends {by} over the beard.",
        moved_by: [Ear],
    }
    EarOverShoulder {
        label: "Ear end over the point of shoulder", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the ears hang too long",
        high: "The ear hangs {by} below the point of shoulder.",
        moved_by: [Ear],
    }
    EyeOpen {
        label: "Eye open", tolerance: 0.002, weight: 1.0, gives_up: false,
        goes: "hair lies over the eyes",
        high: "Hair lies {by} over the eye's corner.",
        moved_by: [Topknot, Brow],
    }
    // Evaluated: where hair lies beside other hair.
    LiftOff {
        label: "Lift-off, shoulder against thigh", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the sides lose their line",
        high: "The thigh's line lies {by} over the shoulder's.",
        low: "The thigh's line lies {by} under the shoulder's.",
        moved_by: [Shoulder, Hip],
    }
    FlankNeed {
        label: "Flank hair over waist hair", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the underline loses its rise",
        high: "The flank is {by} too thin over the waist.",
        moved_by: [Flank, TuckUp, Underline],
    }
    Bump {
        label: "Bump in the line", tolerance: 0.0065, weight: 1.0, gives_up: false,
        goes: "spots show",
        high: "The line bumps by {by}; feel whether it is hair or a lump.",
    }
    // Evaluated: the tail as it is carried (handbook 10 E; tolerances half of what it allows).
    TailEven {
        label: "Tail about its bone", tolerance: 0.0045, weight: 0.5, gives_up: false,
        goes: "the tail loses its shape",
        high: "The tail lies {by} uneven about its bone.",
        moved_by: [Tail],
    }
    TailBehind {
        label: "Tail over the back", tolerance: 0.01, weight: 0.5, gives_up: false,
        goes: "the tail loses its shape",
        high: "Hair of the tail falls {by} behind the dog.",
        moved_by: [Tail],
    }
    Bevel {
        label: "Column over the foot", tolerance: 0.01, weight: 1.0, gives_up: false,
        goes: "the legs lose their shape",
        high: "The column is {by} too wide for a hem over its foot.",
        low: "The foot stands {by} out of its column.",
        moved_by: [ForeOut, ForeIn],
    }
}
