use kurbo::Point;

use super::canvas::Painter;
use super::ring_marks::RADIUS;
use super::shapes::{Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::frame::{Angle, Felt, Finding, Measure};
use crate::page::View;
use crate::shape::{BothSides, Landmark, landmarks};

/// Rings what the hand is asked to find.
pub(super) struct AskedMarks<'a> {
    pub(super) painter: &'a mut Painter,
    pub(super) dog: &'a BothSides<'a>,
}

impl AskedMarks<'_> {
    /// A ring round each landmark of what is asked, as far as this view shows it.
    pub(super) fn mark(self, asked: Finding) {
        let view = self.painter.view;
        let wanted = felt_at(asked).1;
        let shown: Vec<(Landmark, Point)> = landmarks(self.dog)
            .into_iter()
            .filter(|p| wanted.contains(&p.landmark) && p.landmark.shows_in(view))
            .filter(|p| !(view == View::Side && p.is_right))
            .map(|p| (p.landmark, Point::from(p.on(view))))
            .collect();
        for (landmark, at) in shown {
            let at = self.painter.on_page(&[at])[0];
            self.painter.shapes.push(Shape {
                role: Role::Ring,
                geometry: Geometry::Disc {
                    at_mm: [tenth(at.x), tenth(at.y)],
                    radius_mm: tenth(RADIUS * self.painter.height),
                },
                tag: Some(Tag::Landmark(landmark)),
            });
        }
    }
}

/// Where the hand lies for a finding, and the view that shows it best (handbook 2, *Landmarks* and
/// *Ways of the hand*; lengths between two landmarks have both).
pub(super) const fn felt_at(asked: Finding) -> (View, &'static [Landmark]) {
    match asked {
        Finding::Felt(felt) => of_felt(felt),
        Finding::Measure(measure) => of_measure(measure),
        Finding::Angle(angle) => of_angle(angle),
    }
}

const fn of_felt(felt: Felt) -> (View, &'static [Landmark]) {
    use Landmark as L;
    match felt {
        Felt::ShortNeck => (View::Side, &[L::Occiput, L::Withers]),
        Felt::DipInBack => (View::Side, &[L::Withers, L::HipCrest]),
        Felt::HighInRear => (View::Side, &[L::HipCrest]),
        Felt::LowTailSet => (View::Side, &[L::TailSet]),
        Felt::LongInBody => (View::Side, &[L::Breastbone, L::PinBone]),
        Felt::ThinOverRibs => (View::Side, &[L::LastRib]),
        Felt::HeavyShoulder => (View::Front, &[L::PointOfShoulder]),
        Felt::HeavyFrontLightRear => (View::Top, &[L::PointOfShoulder, L::ThighMuscle]),
        Felt::ShortOnLeg => (View::Side, &[L::Elbow]),
        Felt::ForeFeetOut | Felt::ForeFeetIn => (View::Front, &[L::Forefoot]),
        Felt::ForeLegsBowed => (View::Front, &[L::Elbow, L::Wrist]),
        Felt::StraightBehind | Felt::WellBent => (View::Side, &[L::Bend]),
        Felt::HocksIn | Felt::HindBowedOut => (View::Rear, &[L::HockPoint]),
        Felt::WideBehind => (View::Rear, &[L::HindFoot]),
    }
}

const fn of_measure(measure: Measure) -> (View, &'static [Landmark]) {
    use Landmark as L;
    use Measure as M;
    match measure {
        M::HeightAtWithers => (View::Side, &[L::Withers]),
        M::BodyLength => (View::Side, &[L::Breastbone, L::PinBone]),
        M::ElbowHeight => (View::Side, &[L::Elbow]),
        M::HipCrestHeight => (View::Side, &[L::HipCrest]),
        M::LastRib => (View::Side, &[L::Breastbone, L::LastRib]),
        M::HockHeight => (View::Side, &[L::HockPoint]),
        M::ChestWidth => (View::Front, &[L::PointOfShoulder]),
        M::FootWidth | M::ForefootSpacing => (View::Front, &[L::Forefoot]),
        M::BackDrop => (View::Side, &[L::Withers, L::HipCrest]),
        M::TailSetHeight => (View::Side, &[L::TailSet]),
        M::PinBoneHeight => (View::Side, &[L::PinBone]),
        M::FlankFoldHeight => (View::Side, &[L::FlankFold]),
        M::StifleHeight => (View::Side, &[L::Stifle]),
        M::WristHeight | M::ForeLegSide => (View::Side, &[L::Wrist]),
        M::HockReach => (View::Side, &[L::PinBone, L::HockPoint]),
        M::NeckLength => (View::Side, &[L::Occiput, L::Withers]),
        M::HeadLength => (View::Side, &[L::Occiput, L::NoseTip]),
        M::MuzzleLength => (View::Side, &[L::Stop, L::NoseTip]),
        M::SkullWidth => (View::Top, &[L::Stop]),
        M::JawToEar => (View::Side, &[L::JawCorner]),
        M::EarLeather => (View::Side, &[L::EarTip]),
        M::EarShortOfNose => (View::Side, &[L::EarTip, L::NoseTip]),
        M::TailLength => (View::Side, &[L::TailSet, L::TailEnd]),
        M::ElbowSpacing => (View::Front, &[L::Elbow]),
        M::WristSpacing | M::ForeLegFront => (View::Front, &[L::Wrist]),
        M::StifleSpacing => (View::Rear, &[L::Stifle]),
        M::HockSpacing | M::HindLegFront => (View::Rear, &[L::HockPoint]),
        M::HindFootSpacing => (View::Rear, &[L::HindFoot]),
        M::LoinWidth => (View::Top, &[L::FlankFold]),
        M::RibWidth => (View::Top, &[L::LastRib]),
        M::ThighWidth => (View::Rear, &[L::ThighMuscle]),
        M::HindLegSide => (View::Side, &[L::Bend]),
    }
}

const fn of_angle(angle: Angle) -> (View, &'static [Landmark]) {
    use Landmark as L;
    match angle {
        Angle::ShoulderLayback => (View::Side, &[L::Withers, L::PointOfShoulder]),
        Angle::Shoulder => (View::Side, &[L::PointOfShoulder]),
        Angle::Elbow => (View::Side, &[L::Elbow]),
        Angle::Hip => (View::Side, &[L::HipCrest]),
        Angle::Stifle => (View::Side, &[L::Stifle]),
        Angle::Hock => (View::Side, &[L::HockPoint]),
        Angle::ForeTurnout => (View::Front, &[L::Forefoot]),
        Angle::HindTurnout => (View::Rear, &[L::HindFoot]),
    }
}
