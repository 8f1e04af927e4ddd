use std::collections::BTreeMap;

use super::doubt::{Doubt, Offsets};
use super::joints::{HindAngles, bend_hind_leg};
use super::plausible::{MUZZLE_OF_HEAD, Usable};
use super::resolve::{FrameInput, Origin};
use super::{Angle, AngleMethod, Build, Felt, Finding, Grade, LegStand, Measure, Method, TailKind};

/// Which side of the dog.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Side {
    Left,
    Right,
}

/// Doubt of an estimate from usual proportions, share of the value (handbook 2).
const ESTIMATE_DOUBT: f64 = 0.10;
/// The same for the hock (handbook 2).
const HOCK_DOUBT: f64 = 0.06;
/// The same for a height guessed from one tap on size (modelling choice).
const SIZE_DOUBT: f64 = 0.15;

/// A docked or short tail that nobody measured, share of the height (dog-shape.md 2, the spaniel's).
const STUB: f64 = 62.0 / 370.0;
/// A full one where the type's usual one is docked, share of the height (handbook 2, an ordinary dog's).
const FULL_TAIL: f64 = 0.40;
/// A muzzle is no wider than so much of its skull (modelling choice).
const MUZZLE_IN_SKULL: f64 = 0.95;
/// Leather drawn forward is never shorter, mm (handbook 10 D).
pub(super) const SHORTEST_LEATHER_MM: f64 = 20.0;

/// What was given, sorted: what the frame is filled from.
pub(super) struct Given<'a> {
    pub usable: BTreeMap<Measure, Usable>,
    pub angles: BTreeMap<Angle, Usable>,
    pub input: &'a FrameInput,
    pub height: f64,
    pub usual: Build,
}

impl Given<'_> {
    /// One side of the frame, with some numbers moved off what was found.
    pub(super) fn side(&self, side: Side, offsets: &Offsets) -> Build {
        let mut usual = self.usual.clone();
        let height = self.height + offsets.measure(Measure::HeightAtWithers);
        if (height - usual.height).abs() > 1e-9 {
            // What was estimated from the height moves with it.
            usual = self.input.usual(height);
        }
        let at = At {
            given: self,
            side,
            offsets,
            height,
        };
        let mut build = usual.clone();
        at.fill(&usual, &mut build);
        at.stand(&usual, &mut build);
        self.keep_in_order(&mut build);
        at.bend(&mut build);
        if let Some(kind) = self.input.ear {
            build.ear.kind = kind;
        }
        if let Some(kind) = self.input.tail {
            build.tail.kind = kind;
        }
        build
    }

    fn grade(&self, felt: Felt, side: Side) -> Grade {
        let of = |list: &BTreeMap<Felt, Grade>| list.get(&felt).copied();
        let right = (side == Side::Right)
            .then(|| of(&self.input.felt_right))
            .flatten();
        right.or_else(|| of(&self.input.felt)).unwrap_or_default()
    }

    /// Where a measure comes from, and one standard deviation, mm.
    pub(super) fn origin(&self, measure: Measure, value: f64) -> (Origin, f64) {
        let stance = if measure.hangs_on_stance() {
            self.input.stance.doubt_factor()
        } else {
            1.0
        };
        if self.usable.contains_key(&measure) {
            let reading = &self.input.measures[&measure];
            let origin = match reading.method {
                Method::Tape => Origin::Tape,
                Method::HeightStick => Origin::HeightStick,
                Method::Caliper => Origin::Caliper,
                Method::Photo => Origin::Photo,
                Method::Drawn => Origin::Drawn,
            };
            let doubt = self
                .input
                .ago
                .doubt_mm(measure, reading.doubt(), self.height);
            return (origin, doubt * stance);
        }
        let felt = felt_for(measure);
        if let Some(asked) = felt.iter().find(|f| self.input.felt.contains_key(f)) {
            let doubt = asked.doubt() * self.input.ago.of_felt(*asked);
            return (Origin::Felt, doubt * self.height * stance);
        }
        match felt.first() {
            // Not answered counts as none, with double doubt (handbook 2).
            Some(felt) => (Origin::Estimated, 2.0 * felt.doubt() * self.height * stance),
            None if self.own_spread(measure).is_some() => {
                let spread = self.own_spread(measure).unwrap_or_default();
                (Origin::Estimated, spread * stance)
            }
            None => {
                let share = match measure {
                    Measure::HeightAtWithers => SIZE_DOUBT,
                    Measure::HockHeight => HOCK_DOUBT,
                    _ => ESTIMATE_DOUBT,
                };
                (Origin::Estimated, share * value.abs() * stance)
            }
        }
    }

    /// One standard deviation between the salon's own dogs of this type, mm.
    fn own_spread(&self, measure: Measure) -> Option<f64> {
        let spread = self.input.own_type.as_ref()?.spread(measure)?;
        let unit = match measure {
            Measure::LastRib => self.usual.length,
            _ => self.height,
        };
        Some(spread * unit)
    }

    /// Where an angle comes from.
    pub(super) fn angle_origin(&self, angle: Angle) -> Origin {
        if self.angles.contains_key(&angle) {
            return match self.input.angles[&angle].method {
                AngleMethod::AngleRule => Origin::AngleRule,
                AngleMethod::Photo => Origin::Photo,
            };
        }
        let is_felt = |f: Felt| self.input.felt.contains_key(&f);
        match angle {
            Angle::ForeTurnout if is_felt(Felt::ForeFeetOut) || is_felt(Felt::ForeFeetIn) => {
                Origin::Felt
            }
            _ => Origin::Estimated,
        }
    }

    /// Everything that is not sure, with one standard deviation each.
    pub(super) fn doubts(&self, build: &Build) -> Vec<Doubt> {
        let h = self.height;
        let is_free = |m: &Measure| self.is_free(*m);
        let body = Measure::ALL
            .iter()
            .filter(|m| !(m.is_of_the_ends() && is_free(m)));
        let measures = body.map(|&m| {
            let (origin, sigma) = self.origin(m, m.of(build));
            Doubt {
                finding: Finding::Measure(m),
                sigma,
                is_taken: !matches!(origin, Origin::Estimated | Origin::Felt),
            }
        });
        let stance = self.input.stance.doubt_factor();
        let angle = |angle: Angle, not_taken: f64| {
            let taken = self.angles.contains_key(&angle);
            let by = |a: Angle| if a.hangs_on_stance() { stance } else { 1.0 };
            let sigma = if taken {
                self.input.angles[&angle].method.doubt_deg() * self.input.ago.of_angle(angle)
            } else {
                not_taken
            };
            Doubt {
                finding: Finding::Angle(angle),
                sigma: sigma * by(angle),
                is_taken: taken,
            }
        };
        let felt = |felt: Felt, unit: f64| {
            let is_taken = self.input.felt.contains_key(&felt)
                || felt
                    .opposite()
                    .is_some_and(|f| self.input.felt.contains_key(&f));
            let unasked = if is_taken { 1.0 } else { 2.0 };
            Doubt {
                finding: Finding::Felt(felt),
                sigma: felt.doubt() * unit * unasked * self.input.ago.of_felt(felt),
                is_taken,
            }
        };
        let turnout = felt(Felt::ForeFeetOut, 1.0);
        let mut list: Vec<Doubt> = measures.collect();
        list.extend([
            angle(Angle::ShoulderLayback, ESTIMATE_DOUBT * build.layback_deg),
            angle(Angle::Stifle, ESTIMATE_DOUBT * build.stifle_forward),
            angle(Angle::ForeTurnout, turnout.sigma),
            // Nothing is felt for the hind foot; as sure as the forefoot not asked.
            angle(Angle::HindTurnout, 2.0 * Felt::ForeFeetOut.doubt()),
            felt(Felt::StraightBehind, h),
            felt(Felt::ForeLegsBowed, h),
        ]);
        list
    }

    fn is_free(&self, measure: Measure) -> bool {
        !self.usable.contains_key(&measure)
    }

    /// Moves estimates, never measures, until the joints are in the order dog-shape.md 2 was
    /// tested for.
    fn keep_in_order(&self, b: &mut Build) {
        let h = b.height;
        let free = |measure| self.is_free(measure);
        if free(Measure::WristHeight) {
            b.wrist = b.wrist.min(0.48 * b.elbow);
        } else if free(Measure::ElbowHeight) {
            b.elbow = b.elbow.max(b.wrist / 0.48);
        }
        if free(Measure::StifleHeight) {
            let under_flank = b.flank - 0.06 * h;
            if !free(Measure::FlankFoldHeight) {
                b.stifle = b.stifle.min(under_flank);
            }
            if !free(Measure::HockHeight) {
                let over_hock = b.hock + 0.10 * h;
                // Where both neighbours were measured too close, it stands half way between them.
                b.stifle = if free(Measure::FlankFoldHeight) || over_hock <= under_flank {
                    b.stifle.max(over_hock)
                } else {
                    f64::midpoint(b.hock, b.flank)
                };
            }
        }
        if free(Measure::HockHeight) {
            b.hock = b.hock.min(b.stifle - 0.10 * h).max(0.2 * b.stifle);
        }
        if free(Measure::FlankFoldHeight) {
            b.flank = b
                .flank
                .min(b.elbow + 0.20 * h)
                .max(b.elbow)
                .max(b.stifle + 0.06 * h);
        }
        if free(Measure::PinBoneHeight) {
            b.pin = b.pin.min(0.90 * h).min(b.tail_set - 0.06 * h);
        } else if free(Measure::TailSetHeight) {
            b.tail_set = b.tail_set.max(b.pin + 0.06 * h);
        }
        b.back_drop = b.back_drop.max(0.0);
        self.keep_apart(b);
        b.elbow_back = b.elbow_back.min(0.72 * b.length - b.stifle_forward);
    }

    /// Widths and spacings that were only estimated give way to those that were measured
    /// (dog-shape.md 12, combinations refused).
    fn keep_apart(&self, b: &mut Build) {
        let h = b.height;
        let free = |measure| self.is_free(measure);
        if free(Measure::ThighWidth) {
            b.thigh_width = b.thigh_width.max(2.0 * b.hind.from_midline[0] + 0.03 * h);
        }
        if free(Measure::LoinWidth) {
            b.loin_width = b.loin_width.min(b.rib_width + 0.02 * h);
        }
        if free(Measure::ForeLegFront) {
            b.fore_leg_front = b.fore_leg_front.min(1.6 * b.fore.from_midline[1]);
        }
        if free(Measure::HindLegFront) {
            b.hind_leg_front = b.hind_leg_front.min(1.6 * b.hind.from_midline[1]);
        }
        if free(Measure::FootWidth) {
            b.foot_width = b.foot_width.min(2.0 * b.fore.from_midline[2]);
        }
        if free(Measure::ElbowSpacing) {
            let most = b.chest_width + 0.10 * h - 1.3 * b.fore_leg_front;
            b.fore.from_midline[0] = b.fore.from_midline[0].min(most / 2.0);
        }
    }
}

/// The felt grades that stand in for a measure, those asked first first.
const fn felt_for(measure: Measure) -> &'static [Felt] {
    match measure {
        Measure::ElbowHeight => &[Felt::ShortOnLeg],
        Measure::HipCrestHeight => &[Felt::HighInRear],
        Measure::TailSetHeight => &[Felt::LowTailSet],
        Measure::BackDrop => &[Felt::DipInBack],
        Measure::NeckLength => &[Felt::ShortNeck],
        Measure::BodyLength => &[Felt::LongInBody],
        Measure::HockSpacing => &[Felt::HocksIn, Felt::HindBowedOut],
        Measure::StifleSpacing | Measure::HindFootSpacing => &[Felt::WideBehind],
        Measure::RibWidth => &[Felt::ThinOverRibs],
        _ => &[],
    }
}

/// One side being filled.
struct At<'a, 'g> {
    given: &'a Given<'g>,
    side: Side,
    offsets: &'a Offsets,
    height: f64,
}

impl At<'_, '_> {
    fn felt(&self, felt: Felt) -> f64 {
        let unit = if felt.is_in_degrees() {
            1.0
        } else {
            self.height
        };
        felt.amount(self.given.grade(felt, self.side)) * unit
    }

    fn or(&self, measure: Measure, otherwise: f64) -> f64 {
        let found = self
            .given
            .usable
            .get(&measure)
            .map_or(otherwise, |u| match self.side {
                Side::Left => u.left,
                Side::Right => u.right,
            });
        found + self.offsets.measure(measure)
    }

    fn angle(&self, angle: Angle) -> Option<f64> {
        let taken = self.given.angles.get(&angle)?;
        let degrees = match self.side {
            Side::Left => taken.left,
            Side::Right => taken.right,
        };
        Some(degrees + self.offsets.angle(angle))
    }

    /// What hangs together moves together: an estimate keeps its usual distance from its
    /// neighbour that was measured or felt (flank over elbow, tail set under hip crest, …).
    fn fill(&self, usual: &Build, b: &mut Build) {
        use Measure as M;
        let h = self.height;
        b.height = h;
        b.length = self.or(M::BodyLength, usual.length + self.felt(Felt::LongInBody));
        b.elbow = self.or(M::ElbowHeight, usual.elbow - self.felt(Felt::ShortOnLeg));
        b.hip = self.or(M::HipCrestHeight, usual.hip + self.felt(Felt::HighInRear));
        let tail_set = b.hip - (usual.hip - usual.tail_set) - self.felt(Felt::LowTailSet);
        b.tail_set = self.or(M::TailSetHeight, tail_set);
        b.pin = self.or(M::PinBoneHeight, usual.pin.min(b.tail_set - 0.06 * h));
        b.flank = self.or(M::FlankFoldHeight, b.elbow + (usual.flank - usual.elbow));
        // A dog lower at the elbow is lower at the knee, a little less so (modelling choice).
        let stifle = usual.stifle + 0.8 * (b.elbow - usual.elbow);
        b.stifle = self.or(M::StifleHeight, stifle);
        b.hock = self.or(M::HockHeight, usual.hock);
        b.wrist = self.or(M::WristHeight, usual.wrist);
        b.hock_reach = self.or(M::HockReach, usual.hock_reach);
        b.back_drop = self.or(M::BackDrop, self.felt(Felt::DipInBack));
        b.last_rib = self.or(M::LastRib, usual.last_rib / usual.length * b.length);
        b.neck = self.or(M::NeckLength, usual.neck - self.felt(Felt::ShortNeck));
        self.head_and_tail(usual, b);
        self.widths(usual, b);
        b.fore_leg = self.or(M::ForeLegSide, usual.fore_leg);
        b.hind_leg = self.or(M::HindLegSide, usual.hind_leg);
        b.fore_leg_front = self.or(M::ForeLegFront, usual.fore_leg_front);
        b.hind_leg_front = self.or(M::HindLegFront, usual.hind_leg_front);
        b.foot_width = self.or(M::FootWidth, usual.foot_width);
        b.foot_length = usual.foot_length * b.foot_width / usual.foot_width;
        b.layback_deg = self
            .angle(Angle::ShoulderLayback)
            .unwrap_or(usual.layback_deg + self.offsets.angle(Angle::ShoulderLayback));
    }

    fn head_and_tail(&self, usual: &Build, b: &mut Build) {
        use Measure as M;
        // Behind a long muzzle lies a skull.
        let behind = self.or(M::MuzzleLength, 0.0) / MUZZLE_OF_HEAD;
        b.head.length = self.or(M::HeadLength, usual.head.length.max(behind));
        // A longer head is longer all over.
        b.head
            .set_muzzle_mm(self.or(M::MuzzleLength, b.head.muzzle_mm()));
        let skull = self.or(M::SkullWidth, b.head.skull_width * b.head.length);
        b.head.skull_width = skull / b.head.length;
        b.head.muzzle_width = b
            .head
            .muzzle_width
            .min(MUZZLE_IN_SKULL * b.head.skull_width);
        if let Some(found) = self.given.input.dome {
            b.head.set_top(found);
        }
        self.leather(usual, b);
        let is_stub = |kind: TailKind| kind == TailKind::Stub;
        let carried = self.given.input.tail.unwrap_or(usual.tail.kind);
        // A type's usual tail is docked or not; this dog's may be the other.
        let tail = match (is_stub(carried), is_stub(usual.tail.kind)) {
            (true, false) => usual.tail.length.min(STUB * b.height),
            (false, true) => FULL_TAIL * b.height,
            _ => usual.tail.length,
        };
        b.tail.length = self.or(M::TailLength, tail);
    }

    /// The ear's leather, by tape or drawn forward; where both were read, its base stands where both are true.
    fn leather(&self, usual: &Build, b: &mut Build) {
        use Measure as M;
        let is_drawn_forward = !self.given.is_free(M::EarShortOfNose);
        let is_taped = !self.given.is_free(M::EarLeather);
        let short = self.or(M::EarShortOfNose, 0.0);
        let to_jaw = self.or(M::JawToEar, b.ear_base_to_jaw());
        let is_over_jaw = !self.given.is_free(M::JawToEar);
        if is_over_jaw {
            b.set_ear_base_to_jaw(to_jaw);
        }
        let forward = b.ear_base_to_nose();
        let by_nose = if is_drawn_forward {
            (forward - short).max(SHORTEST_LEATHER_MM)
        } else {
            usual.ear.length
        };
        // So far from the nose no ear of this kind ends: it stands further back.
        let is_set_back = is_drawn_forward && forward - short < SHORTEST_LEATHER_MM;
        b.ear.length = self.or(M::EarLeather, by_nose);
        b.ear.short_of_nose = match (is_drawn_forward, is_taped) {
            (true, _) => short.max(0.0),
            (false, true) => (forward - b.ear.length).max(0.0),
            (false, false) => 0.0,
        };
        match (is_drawn_forward && is_taped || is_set_back, is_over_jaw) {
            (true, true) => b.set_ear_base_between(to_jaw, b.ear.length + short),
            (true, false) => b.set_ear_base_to_nose(b.ear.length + short),
            (false, _) => {}
        }
    }

    fn widths(&self, usual: &Build, b: &mut Build) {
        use Measure as M;
        b.chest_width = self.or(M::ChestWidth, usual.chest_width);
        let wider = b.chest_width / usual.chest_width;
        let thin = self.felt(Felt::ThinOverRibs);
        b.rib_width = self.or(M::RibWidth, usual.rib_width * wider - thin);
        b.loin_width = self.or(M::LoinWidth, usual.loin_width * wider);
        b.thigh_width = self.or(M::ThighWidth, usual.thigh_width);
        b.hip_width = usual.hip_width * b.thigh_width / usual.thigh_width;
        let heavy = self.felt(Felt::HeavyShoulder);
        b.shoulder_width = if heavy > 0.0 {
            b.chest_width.max(b.rib_width + heavy)
        } else {
            b.chest_width
        };
    }

    /// How the legs stand: spacings, turnout and bow.
    fn stand(&self, usual: &Build, b: &mut Build) {
        use Measure as M;
        let half = |spacing: f64| 0.5 * spacing.max(0.0);
        let at = |m: M, usual: f64| self.or(m, usual);
        let fore = usual.fore.from_midline.map(|z| 2.0 * z);
        // A wider chest carries its elbows, and all below them, as much wider (modelling choice).
        let wider = b.chest_width / usual.chest_width;
        let elbow = at(M::ElbowSpacing, fore[0] * wider);
        let wrist = at(M::WristSpacing, fore[1] / fore[0] * elbow);
        let foot = at(M::ForefootSpacing, fore[2] / fore[1] * wrist);
        let felt_turn = self.felt(Felt::ForeFeetOut) - self.felt(Felt::ForeFeetIn);
        b.fore = LegStand {
            from_midline: [half(elbow), half(wrist), half(foot)],
            turnout_deg: self
                .angle(Angle::ForeTurnout)
                .unwrap_or(felt_turn + self.offsets.angle(Angle::ForeTurnout)),
            bow: self.felt(Felt::ForeLegsBowed) + self.offsets.felt(Felt::ForeLegsBowed),
        };
        let hind = usual.hind.from_midline.map(|z| 2.0 * z);
        let wide = self.felt(Felt::WideBehind);
        let hind_foot = at(M::HindFootSpacing, hind[2] + wide);
        let stifle = at(M::StifleSpacing, hind[0] + wide);
        let in_or_out = self.felt(Felt::HindBowedOut) - self.felt(Felt::HocksIn);
        let hock = at(M::HockSpacing, hind[1] + (hind_foot - hind[2]) + in_or_out);
        b.hind = LegStand {
            from_midline: [half(stifle), half(hock), half(hind_foot)],
            turnout_deg: self
                .angle(Angle::HindTurnout)
                .unwrap_or(self.offsets.angle(Angle::HindTurnout)),
            bow: 0.0,
        };
    }

    /// The hind leg's bend: felt depth behind, angles of stifle and hock where they were read.
    fn bend(&self, b: &mut Build) {
        b.bend_x += self.felt(Felt::WellBent) - self.felt(Felt::StraightBehind)
            + self.offsets.felt(Felt::StraightBehind);
        if !self.given.angles.contains_key(&Angle::Stifle) {
            b.stifle_forward += self.offsets.angle(Angle::Stifle);
        }
        bend_hind_leg(
            &HindAngles {
                stifle_deg: self.angle(Angle::Stifle),
                hock_deg: self.angle(Angle::Hock),
                is_reach_free: self.given.is_free(Measure::HockReach),
            },
            b,
        );
        b.elbow_back = b.elbow_back.min(0.72 * b.length - b.stifle_forward);
    }
}

impl Measure {
    /// Its value on one side of a frame, mm; a spacing is twice that side's distance from the
    /// midline.
    pub fn of(self, b: &Build) -> f64 {
        match self {
            Self::HeightAtWithers => b.height,
            Self::BodyLength => b.length,
            Self::ElbowHeight => b.elbow,
            Self::HipCrestHeight => b.hip,
            Self::LastRib => b.last_rib,
            Self::HockHeight => b.hock,
            Self::ChestWidth => b.chest_width,
            Self::FootWidth => b.foot_width,
            Self::BackDrop => b.back_drop,
            Self::TailSetHeight => b.tail_set,
            Self::PinBoneHeight => b.pin,
            Self::FlankFoldHeight => b.flank,
            Self::StifleHeight => b.stifle,
            Self::WristHeight => b.wrist,
            Self::HockReach => b.hock_reach,
            Self::NeckLength => b.neck,
            Self::HeadLength => b.head.length,
            Self::MuzzleLength => b.head.muzzle_mm(),
            Self::SkullWidth => b.head.skull_width * b.head.length,
            Self::JawToEar => b.ear_base_to_jaw(),
            Self::EarLeather => b.ear.length,
            Self::EarShortOfNose => b.ear_base_to_nose() - b.ear.length,
            Self::TailLength => b.tail.length,
            Self::ElbowSpacing => 2.0 * b.fore.from_midline[0],
            Self::WristSpacing => 2.0 * b.fore.from_midline[1],
            Self::ForefootSpacing => 2.0 * b.fore.from_midline[2],
            Self::StifleSpacing => 2.0 * b.hind.from_midline[0],
            Self::HockSpacing => 2.0 * b.hind.from_midline[1],
            Self::HindFootSpacing => 2.0 * b.hind.from_midline[2],
            Self::LoinWidth => b.loin_width,
            Self::RibWidth => b.rib_width,
            Self::ThighWidth => b.thigh_width,
            Self::ForeLegSide => b.fore_leg,
            Self::HindLegSide => b.hind_leg,
            Self::ForeLegFront => b.fore_leg_front,
            Self::HindLegFront => b.hind_leg_front,
        }
    }

    /// Sets it on one side of a frame, mm.
    pub(super) fn set(self, b: &mut Build, mm: f64) {
        match self {
            Self::HeightAtWithers => b.height = mm,
            Self::BodyLength => b.length = mm,
            Self::ElbowHeight => b.elbow = mm,
            Self::HipCrestHeight => b.hip = mm,
            Self::LastRib => b.last_rib = mm,
            Self::HockHeight => b.hock = mm,
            Self::ChestWidth => b.chest_width = mm,
            Self::FootWidth => b.foot_width = mm,
            Self::BackDrop => b.back_drop = mm,
            Self::TailSetHeight => b.tail_set = mm,
            Self::PinBoneHeight => b.pin = mm,
            Self::FlankFoldHeight => b.flank = mm,
            Self::StifleHeight => b.stifle = mm,
            Self::WristHeight => b.wrist = mm,
            Self::HockReach => b.hock_reach = mm,
            Self::NeckLength => b.neck = mm,
            Self::HeadLength => b.head.length = mm,
            Self::MuzzleLength => b.head.set_muzzle_mm(mm),
            Self::SkullWidth => b.head.skull_width = mm / b.head.length,
            Self::JawToEar => b.set_ear_base_to_jaw(mm),
            Self::EarLeather => b.ear.length = mm,
            Self::EarShortOfNose => b.ear.length = b.ear_base_to_nose() - mm,
            Self::TailLength => b.tail.length = mm,
            Self::ElbowSpacing => b.fore.from_midline[0] = mm / 2.0,
            Self::WristSpacing => b.fore.from_midline[1] = mm / 2.0,
            Self::ForefootSpacing => b.fore.from_midline[2] = mm / 2.0,
            Self::StifleSpacing => b.hind.from_midline[0] = mm / 2.0,
            Self::HockSpacing => b.hind.from_midline[1] = mm / 2.0,
            Self::HindFootSpacing => b.hind.from_midline[2] = mm / 2.0,
            Self::LoinWidth => b.loin_width = mm,
            Self::RibWidth => b.rib_width = mm,
            Self::ThighWidth => b.thigh_width = mm,
            Self::ForeLegSide => b.fore_leg = mm,
            Self::HindLegSide => b.hind_leg = mm,
            Self::ForeLegFront => b.fore_leg_front = mm,
            Self::HindLegFront => b.hind_leg_front = mm,
        }
    }
}
