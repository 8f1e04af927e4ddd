use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::balance::{Place, Subject, Width};
use crate::coat::Zone;
use crate::look::{Cut, LineName, LineStop};
use crate::shape::{Face, HeadShape, Leg, LegPlace, Station, TOPLINE};

vocabulary! {
    /// A part of the dog that is cut alike (balance-model.md 11).
    #[derive(
        Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "each is named by Unit::label")]
    pub enum Unit {
        Throat => "throat",
        Crest => "crest",
        BackFront => "front pass of the back",
        BackRear => "rear pass of the back",
        Croup => "croup",
        Rump => "rump",
        Shoulder => "neck side and shoulder",
        Ribs => "ribs",
        Hip => "hip and upper thigh",
        Chest => "chest",
        Underline => "underline",
        TuckUp => "tuck-up",
        FlankAndKnee => "flank and knee",
        Flank => "flank",
        Knee => "front of the knee",
        HindBack => "back of the hind leg",
        Hock => "hock",
        HindFront => "front of the hind leg",
        HindOut => "outside of the hind leg",
        HindIn => "inside of the hind leg",
        ForeBack => "back of the front leg",
        ForeFront => "front of the front leg",
        ForeOut => "outside of the front leg",
        ForeIn => "inside of the front leg",
        Face => "face",
        Muzzle => "muzzle",
        Beard => "beard",
        Brows => "eyebrows",
        Topknot => "topknot",
        Ears => "ears",
        Feet => "feet",
        Tail => "tail",
    }
}

use Station as S;

/// Last station of the front pass along the back and first of the rear one; none where one length
/// runs through. Half way where nothing was chosen.
pub(crate) fn back_split(subject: &Subject) -> (S, Option<S>) {
    let shift = subject.lines.shift_mm(LineName::BackPass, subject.height());
    match back_place(subject) {
        (front, Some(rear)) if shift != 0.0 => {
            let x = |s: S| subject.shape.skin(s).x;
            let line = f64::midpoint(x(front), x(rear)) - shift;
            // The shorter pass begins before the hip crest at the latest: the croup is its own.
            let back = &TOPLINE[..=HIP];
            let mut pairs = back.windows(2);
            let there = pairs
                .find(|two| x(two[1]) <= line)
                .unwrap_or(&back[HIP - 1..]);
            (there[0], Some(there[1]))
        }
        at_place => at_place,
    }
}

/// Place of the hip crest in the topline.
const HIP: usize = 6;

/// The same for the line in its place.
pub(crate) fn back_place(subject: &Subject) -> (S, Option<S>) {
    match subject.lines.stop(LineName::BackPass) {
        Some(LineStop::OnePass) => (S::HipCrest, None),
        Some(LineStop::MidBack) => (S::BackFront, Some(S::BackMid)),
        Some(LineStop::BehindDip) => (S::LoinFront, Some(S::Loin)),
        Some(LineStop::AtHip) => (S::Loin, Some(S::HipCrest)),
        _ => (S::BackMid, Some(S::LoinFront)),
    }
}

/// Held shorter than this, the flank is cut apart from the knee, or the knee from it, mm
/// (balance-model-2.md 1): a knot in the fold does not shave the knee.
const PARTED_UNDER_MM: f64 = 6.0;

fn is_flank_parted(subject: &Subject) -> bool {
    let high = |s: S| {
        let spot = subject.find(Place::Side(s));
        spot.map_or(f64::INFINITY, |i| subject.spots[i].high)
    };
    let knee = high(S::Stifle).min(high(S::ThighFront));
    (high(S::FlankFold) < PARTED_UNDER_MM) != (knee < PARTED_UNDER_MM)
}

impl Unit {
    /// The units a dog is cut in: where one pass runs through the back there is no rear one, and
    /// brows are cut apart where the look keeps them, flank and knee where a knot or a limit holds one
    /// of them short, the muzzle apart from the cheeks where one of the two is held (handbook 10 D).
    pub fn on(subject: &Subject) -> impl Iterator<Item = Self> {
        let has_rear = back_split(subject).1.is_some();
        let is_parted = is_flank_parted(subject);
        let has_brows = subject.look.finish.head == Some(HeadShape::Terrier);
        Self::ALL.into_iter().filter(move |unit| match unit {
            Self::BackRear => has_rear,
            Self::Brows => has_brows,
            Self::Muzzle => subject.has_muzzle_apart,
            Self::FlankAndKnee => !is_parted,
            Self::Flank | Self::Knee => is_parted,
            _ => true,
        })
    }

    /// The coat zone whose record speaks for the unit.
    pub const fn zone(self) -> Zone {
        match self {
            Self::Throat => Zone::Throat,
            Self::Crest => Zone::Crest,
            Self::BackFront | Self::BackRear => Zone::Back,
            Self::Croup => Zone::Croup,
            Self::Rump => Zone::Rump,
            Self::Shoulder => Zone::Shoulder,
            Self::Ribs => Zone::Ribs,
            Self::Hip => Zone::Hip,
            Self::Chest => Zone::Chest,
            Self::Underline => Zone::Underline,
            Self::TuckUp => Zone::TuckUp,
            Self::Flank => Zone::Flank,
            Self::FlankAndKnee | Self::Knee => Zone::Knee,
            Self::HindBack => Zone::HindBack,
            Self::Hock => Zone::Hock,
            Self::HindFront => Zone::HindFront,
            Self::HindOut => Zone::HindOut,
            Self::HindIn => Zone::HindIn,
            Self::ForeBack => Zone::ForeBack,
            Self::ForeFront => Zone::ForeFront,
            Self::ForeOut => Zone::ForeOut,
            Self::ForeIn => Zone::ForeIn,
            Self::Face => Zone::Cheek,
            Self::Muzzle => Zone::Muzzle,
            Self::Beard => Zone::Beard,
            Self::Brows => Zone::Brow,
            Self::Topknot => Zone::Topknot,
            Self::Ears => Zone::Ear,
            Self::Feet => Zone::Foot,
            Self::Tail => Zone::Tail,
        }
    }

    /// Minutes of shears after roughing out, medium dog (balance-model.md 11; head and tail after
    /// handbook 6).
    pub const fn scissor_minutes(self) -> f64 {
        match self {
            Self::Throat | Self::Crest | Self::TuckUp | Self::FlankAndKnee | Self::HindBack => 1.5,
            Self::Flank | Self::Knee => 0.75,
            Self::Croup | Self::Hock => 1.0,
            Self::Ribs => 3.0,
            Self::HindOut | Self::HindIn => 2.5,
            Self::ForeBack | Self::ForeFront | Self::ForeOut | Self::ForeIn => 2.5,
            Self::Tail | Self::Ears => 4.0,
            Self::Topknot => 6.0,
            Self::Beard | Self::Brows => 3.0,
            Self::BackFront
            | Self::BackRear
            | Self::Rump
            | Self::Shoulder
            | Self::Hip
            | Self::Chest
            | Self::Underline
            | Self::HindFront
            | Self::Face
            | Self::Muzzle
            | Self::Feet => 2.0,
        }
    }

    /// Whether the unit stands twice on the dog (legs, ears, sides of the body).
    pub const fn is_of_a_leg(self) -> bool {
        matches!(
            self,
            Self::FlankAndKnee
                | Self::Flank
                | Self::Knee
                | Self::HindBack
                | Self::Hock
                | Self::HindFront
                | Self::HindOut
                | Self::HindIn
                | Self::ForeBack
                | Self::ForeFront
                | Self::ForeOut
                | Self::ForeIn
        )
    }

    /// Whether it is of the front legs.
    pub const fn is_of_a_front_leg(self) -> bool {
        matches!(
            self,
            Self::ForeBack | Self::ForeFront | Self::ForeOut | Self::ForeIn
        )
    }

    /// Whether it is of the hind legs, the fold and the knee with them.
    pub const fn is_of_a_hind_leg(self) -> bool {
        self.is_of_a_leg() && !self.is_of_a_front_leg()
    }

    /// Whether it is a joint of a leg, which a tool that roughs the leg out lifts off before (handbook 10 C 1,
    /// *bend and hock are left*).
    pub const fn is_of_a_joint(self) -> bool {
        matches!(
            self,
            Self::FlankAndKnee | Self::Flank | Self::Knee | Self::Hock
        )
    }

    /// The unknowns of the balance it covers; none for what is not judged.
    pub fn spots(self, subject: &Subject) -> Vec<usize> {
        let stretch = |from: S, to: S| -> Vec<Place> {
            S::ALL[from.index()..=to.index()]
                .iter()
                .map(|s| Place::Side(*s))
                .collect()
        };
        let widths =
            |list: &[Width]| -> Vec<Place> { list.iter().map(|w| Place::Width(*w)).collect() };
        let face = |leg: Leg, face: Face| -> Vec<Place> {
            LegPlace::all()
                .filter(|p| p.leg == leg && p.face == face && subject.hands().contains(&p.hand))
                .map(Place::Leg)
                .collect()
        };
        let has = |stop| subject.lines.has(stop);
        let lifts_at_shoulder = has(LineStop::LiftAtShoulder);
        let lifts_at_hip = has(LineStop::LiftAtHip);
        let ends_at_bend = has(LineStop::DropToBend);
        let places = match self {
            Self::Throat => stretch(S::ThroatLow, S::ThroatHigh),
            Self::Crest => stretch(S::CrestHigh, S::NeckBase),
            Self::BackFront => stretch(S::Withers, back_split(subject).0),
            Self::BackRear => back_split(subject)
                .1
                .map_or_else(Vec::new, |from| stretch(from, S::HipCrest)),
            Self::Croup => stretch(S::Croup, S::TailSet),
            Self::Rump => stretch(S::UnderTail, S::Buttock),
            Self::Shoulder => widths(&[Width::Neck, Width::Shoulder]),
            Self::Ribs => widths(&[Width::RibFront, Width::LastRib, Width::Loin]),
            Self::Hip if lifts_at_hip => widths(&[Width::Hip]),
            Self::Hip => widths(&[Width::Hip, Width::Thigh]),
            Self::Chest => {
                let mut chest = stretch(S::ChestUnder, S::Breastbone);
                if !lifts_at_shoulder {
                    chest.push(Place::Side(S::ArmFront));
                }
                chest
            }
            Self::Underline => stretch(S::BellyRear, S::Brisket),
            Self::TuckUp => stretch(S::TuckUp, S::LastRib),
            Self::FlankAndKnee => {
                let mut knee = stretch(S::Stifle, S::ThighFront);
                knee.push(Place::Side(S::FlankFold));
                knee
            }
            Self::Flank => vec![Place::Side(S::FlankFold)],
            Self::Knee => stretch(S::Stifle, S::ThighFront),
            Self::HindBack if ends_at_bend => stretch(S::ThighBack, S::Bend),
            Self::HindBack => stretch(S::ThighBack, S::AboveHock),
            Self::Hock if ends_at_bend => stretch(S::AboveHock, S::RearPastern),
            Self::Hock => stretch(S::HockPoint, S::RearPastern),
            Self::HindFront => stretch(S::RearPasternFront, S::GaskinFront),
            Self::ForeBack => stretch(S::Elbow, S::WristBack),
            Self::ForeFront => {
                let mut front = stretch(S::WristFront, S::ForearmFrontHigh);
                if lifts_at_shoulder {
                    front.push(Place::Side(S::ArmFront));
                }
                front
            }
            Self::HindOut => {
                let mut outside = face(Leg::Hind, Face::Outer);
                if lifts_at_hip {
                    outside.push(Place::Width(Width::Thigh));
                }
                outside
            }
            Self::HindIn => face(Leg::Hind, Face::Inner),
            Self::ForeOut => face(Leg::Fore, Face::Outer),
            Self::ForeIn => face(Leg::Fore, Face::Inner),
            Self::Face
            | Self::Muzzle
            | Self::Beard
            | Self::Brows
            | Self::Topknot
            | Self::Ears
            | Self::Feet
            | Self::Tail => Vec::new(),
        };
        places.into_iter().filter_map(|p| subject.find(p)).collect()
    }

    /// How the look cuts the unit.
    pub fn cut(self, subject: &Subject) -> Cut {
        subject.look.cut(self.zone())
    }
}
