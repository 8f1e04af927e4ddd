use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::head::ear_tip;
use super::leg_place::Hand;
use super::station::Station as S;
use super::tail::tail_end;
use super::views::BothSides;
use crate::frame::Measure;
use crate::page::View;

vocabulary! {
    /// A landmark a hand finds (handbook 2).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "Landmark::label says it")]
    pub enum Landmark {
        Stop => "stop",
        NoseTip => "nose tip",
        JawCorner => "jaw corner",
        EarTip => "tip of the leather",
        Occiput => "occiput",
        Withers => "withers",
        PointOfShoulder => "point of shoulder",
        Breastbone => "breastbone",
        Elbow => "elbow",
        Wrist => "wrist",
        Brisket => "brisket",
        LastRib => "last rib",
        FlankFold => "flank fold",
        HipCrest => "hip crest",
        TailSet => "tail set",
        TailEnd => "tail end",
        PinBone => "pin bone",
        ThighMuscle => "thigh muscle",
        Stifle => "stifle",
        Bend => "bend",
        HockPoint => "hock point",
        Forefoot => "forefoot",
        HindFoot => "hind foot",
    }
}

/// How dragging a landmark over a view reads as its measure: `factor` × the distance from the
/// view's origin, up or across.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Drag {
    /// Along which of the view's own axes.
    pub axis: DragAxis,
    /// 1 for a height or a length, 2 for a spacing or a width.
    pub factor: u8,
}

/// An axis of a view's own plane.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum DragAxis {
    /// The first: along the dog, or to either hand.
    Across,
    /// The second: up, or from above to either hand.
    Up,
}

/// A landmark's place in space, handbook 2's axes, mm.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Placed {
    /// Which.
    pub landmark: Landmark,
    /// On the dog's right side; the left and the midline are not.
    pub is_right: bool,
    /// x forward, y up, z to the dog's left.
    pub at: [f64; 3],
}

impl Landmark {
    /// The measure that touching it opens, in a view.
    pub const fn opens(self, view: View) -> Option<Measure> {
        use Measure as M;
        let is_side = matches!(view, View::Side);
        Some(match self {
            Self::Stop if is_side => M::MuzzleLength,
            Self::Stop => M::SkullWidth,
            Self::NoseTip => M::HeadLength,
            Self::JawCorner => M::JawToEar,
            Self::EarTip => M::EarLeather,
            Self::Occiput if is_side => M::NeckLength,
            Self::Occiput => M::HeadLength,
            Self::Withers => M::HeightAtWithers,
            Self::PointOfShoulder => M::ChestWidth,
            Self::Breastbone => M::BodyLength,
            Self::Elbow if is_side => M::ElbowHeight,
            Self::Elbow => M::ElbowSpacing,
            Self::Wrist if is_side => M::WristHeight,
            Self::Wrist => M::WristSpacing,
            Self::Brisket => return None,
            Self::LastRib if is_side => M::LastRib,
            Self::LastRib => M::RibWidth,
            Self::FlankFold if is_side => M::FlankFoldHeight,
            Self::FlankFold => M::LoinWidth,
            Self::HipCrest => M::HipCrestHeight,
            Self::TailSet => M::TailSetHeight,
            Self::TailEnd => M::TailLength,
            Self::PinBone => M::PinBoneHeight,
            Self::ThighMuscle => M::ThighWidth,
            Self::Stifle if is_side => M::StifleHeight,
            Self::Stifle => M::StifleSpacing,
            Self::Bend => return None,
            Self::HockPoint if is_side => M::HockHeight,
            Self::HockPoint => M::HockSpacing,
            Self::Forefoot if is_side => M::FootWidth,
            Self::Forefoot => M::ForefootSpacing,
            Self::HindFoot => M::HindFootSpacing,
        })
    }

    /// How dragging it reads as the measure it opens, where it does.
    pub fn drag(self, view: View) -> Option<Drag> {
        self.opens(view)?;
        let of = |axis, factor| Some(Drag { axis, factor });
        match (view, self) {
            (View::Side, Self::Breastbone) => of(DragAxis::Across, 1),
            (
                View::Side,
                Self::Withers
                | Self::Elbow
                | Self::Wrist
                | Self::FlankFold
                | Self::HipCrest
                | Self::TailSet
                | Self::PinBone
                | Self::Stifle
                | Self::HockPoint,
            ) => of(DragAxis::Up, 1),
            (View::Front, Self::PointOfShoulder | Self::Elbow | Self::Wrist | Self::Forefoot)
            | (View::Rear, Self::ThighMuscle | Self::Stifle | Self::HockPoint | Self::HindFoot) => {
                of(DragAxis::Across, 2)
            }
            (
                View::Top,
                Self::PointOfShoulder | Self::LastRib | Self::FlankFold | Self::ThighMuscle,
            ) => of(DragAxis::Up, 2),
            _ => None,
        }
    }

    /// Whether it is marked on a photo of a view: not what a coat hides, a jaw corner, a leather's tip or
    /// the end of a tail's bone, and from above no stop.
    pub const fn is_marked_on_photo(self, view: View) -> bool {
        let is_hidden = matches!(
            (self, view),
            (Self::JawCorner | Self::EarTip | Self::TailEnd, _) | (Self::Stop, View::Top)
        );
        self.shows_in(view) && !is_hidden
    }

    /// Whether it shows in a view.
    pub const fn shows_in(self, view: View) -> bool {
        match view {
            View::Side => !matches!(self, Self::ThighMuscle | Self::Forefoot | Self::HindFoot),
            View::Front => matches!(
                self,
                Self::Withers
                    | Self::PointOfShoulder
                    | Self::Breastbone
                    | Self::Elbow
                    | Self::Wrist
                    | Self::Forefoot
            ),
            View::Rear => matches!(
                self,
                Self::HipCrest
                    | Self::TailSet
                    | Self::PinBone
                    | Self::ThighMuscle
                    | Self::Stifle
                    | Self::HockPoint
                    | Self::HindFoot
            ),
            View::Top => matches!(
                self,
                Self::Stop
                    | Self::Occiput
                    | Self::Withers
                    | Self::PointOfShoulder
                    | Self::LastRib
                    | Self::FlankFold
                    | Self::HipCrest
                    | Self::PinBone
                    | Self::ThighMuscle
            ),
        }
    }
}

/// Every landmark of a dog in space: those on the midline once, those in pairs left and right.
///
/// # Units and shapes
/// mm, handbook 2's axes. Heights and lengths are the side view's; distances from the midline are
/// those of front, rear and top (dog-shape.md 6).
pub fn landmarks(dog: &BothSides<'_>) -> Vec<Placed> {
    use Landmark as L;
    let skin = |s: S| dog.shape.skin(s);
    let b = dog.left;
    let h = b.height;
    let mut list = Vec::new();
    let mut middle = |landmark, s: S| {
        let p = skin(s);
        list.push(Placed {
            landmark,
            is_right: false,
            at: [p.x, p.y, 0.0],
        });
    };
    middle(L::Stop, S::Stop);
    middle(L::NoseTip, S::NoseTip);
    middle(L::Occiput, S::Occiput);
    middle(L::Withers, S::Withers);
    middle(L::Breastbone, S::Breastbone);
    middle(L::Brisket, S::Brisket);
    middle(L::TailSet, S::TailSet);
    middle(L::Bend, S::Bend);
    let end = tail_end(b, skin(S::TailSet));
    list.push(Placed {
        landmark: L::TailEnd,
        is_right: false,
        at: [end.x, end.y, 0.0],
    });
    for hand in Hand::ALL {
        let b = dog.build(hand);
        let s = hand.sign();
        let shoulder = b.point_of_shoulder();
        let [elbow, wrist, forefoot] = b.fore.from_midline;
        let [stifle, hock, hind_foot] = b.hind.from_midline;
        let thigh_y = b.pin + 0.42 * (b.stifle - b.pin);
        let ear = ear_tip(b, &dog.shape.head);
        let jaw = skin(S::JawAngle);
        let beside = 0.5 * b.head.skull_width * b.head.length;
        let pairs = [
            (L::JawCorner, jaw.x, jaw.y, beside),
            (L::EarTip, ear.x, ear.y, beside),
            (
                L::PointOfShoulder,
                shoulder.x,
                shoulder.y,
                0.5 * b.shoulder_width,
            ),
            (L::Elbow, skin(S::Elbow).x, b.elbow, elbow),
            (L::Wrist, skin(S::WristFront).x, b.wrist, wrist),
            (
                L::Forefoot,
                skin(S::ForeToe).x,
                skin(S::ForeToe).y,
                forefoot,
            ),
            (
                L::LastRib,
                skin(S::LastRib).x,
                skin(S::LastRib).y,
                0.5 * b.rib_width,
            ),
            (
                L::FlankFold,
                skin(S::FlankFold).x,
                skin(S::FlankFold).y,
                0.5 * b.loin_width,
            ),
            (L::HipCrest, skin(S::HipCrest).x, b.hip, 0.28 * b.hip_width),
            (L::PinBone, 0.0, b.pin, 0.17 * b.hip_width),
            (L::ThighMuscle, 0.105 * h, thigh_y, 0.5 * b.thigh_width),
            (L::Stifle, skin(S::Stifle).x, b.stifle, stifle),
            (L::HockPoint, -b.hock_reach, b.hock, hock),
            (
                L::HindFoot,
                skin(S::HindToe).x,
                skin(S::HindToe).y,
                hind_foot,
            ),
        ];
        list.extend(pairs.map(|(landmark, x, y, z)| Placed {
            landmark,
            is_right: hand == Hand::Right,
            at: [x, y, s * z],
        }));
    }
    list
}

impl Placed {
    /// Its place on a view's plane: side (x, y), front and rear (z, y), top (x, z).
    pub fn on(&self, view: View) -> (f64, f64) {
        let [x, y, z] = self.at;
        match view {
            View::Side => (x, y),
            View::Front | View::Rear => (z, y),
            View::Top => (x, z),
        }
    }
}
