use kurbo::{Point, Vec2};

use super::expr::Expr;
use super::point::{BalancePoint, Divisor, Shown};
use super::reach::{Reach, ReachOf, reach};
use super::rules::Judged;
use super::spot::{Place, Width};
use super::subject::Subject;
use crate::coat::Zone;
use crate::page::View;
use crate::shape::{Leg, Station};

/// Free band of points that have one target value, in tolerances (balance-model.md 5: b).
pub(super) const BAND: f64 = 0.33;
/// The same for the topline.
const TOPLINE_BAND: f64 = 0.15;
/// From here on legs are judged sharply even where they are cut by comb (balance-model.md 5): bow
/// and turnout in front, spacing of hocks against feet and bow behind; shares of the height.
const BOWED: f64 = 0.006;
const TURNED_DEG: f64 = 6.0;
const HOCKS_IN: f64 = 0.02;
const HIND_BOWED: f64 = 0.015;
/// A hole may show this share of the planned column's width (balance-model.md 3).
const HOLE_SHARE: f64 = 0.25;
/// How much smaller the daylight under the flank must be than the look's upper end.
const UNDER_FLANK: f64 = 0.03;

/// The balance points of all four views (balance-model.md 5).
///
/// Where the drawn dog has more stations than the table of balance-model.md, all of them are judged
/// and share that table's weight, so that the line between is held too.
pub fn balance_points(subject: &Subject) -> (Vec<BalancePoint>, Reach) {
    let reach = reach(subject);
    let mut list = Builder {
        subject,
        points: Vec::with_capacity(128),
    };
    list.length_and_height(&reach);
    list.topline();
    list.underline();
    list.neck();
    list.rear();
    list.columns();
    list.widths();
    list.legs_on_end();
    list.holes();
    (list.points, reach)
}

pub(super) struct Builder<'a> {
    pub(super) subject: &'a Subject,
    points: Vec<BalancePoint>,
}

use Station as S;

/// Stations of the front column, behind and in front, from the elbow down.
const COLUMN_BACK: [S; 5] = [
    S::ElbowLow,
    S::ForearmBackHigh,
    S::ForearmBack,
    S::ForearmBackLow,
    S::WristBack,
];
const COLUMN_FRONT: [S; 4] = [
    S::ForearmFrontHigh,
    S::ForearmFront,
    S::ForearmFrontLow,
    S::WristFront,
];
/// How many stations balance-model.md judges on each side of the column.
pub(super) const COLUMN_STATIONS: f64 = 4.0;

impl Builder<'_> {
    fn x(&self, station: S) -> Expr {
        self.subject.x(station)
    }

    fn y(&self, station: S) -> Expr {
        self.subject.y(station)
    }

    fn skin_y(&self, station: S) -> f64 {
        self.subject.shape.skin(station).y
    }

    pub(super) fn tolerance(&self, judged: Judged) -> f64 {
        judged.rule().tolerance * self.subject.look.tolerance * self.subject.height()
    }

    /// A value in mm held between two bounds, both optional.
    fn between(&mut self, judged: Judged, at: S, value: Expr, low: Option<f64>, high: Option<f64>) {
        self.weighted(judged, at, value, (low, high), 1.0, 1.0);
    }

    fn weighted(
        &mut self,
        judged: Judged,
        at: S,
        value: Expr,
        range: (Option<f64>, Option<f64>),
        share: f64,
        slack: f64,
    ) {
        self.held(judged, self.shown(at), value, range, share, slack);
    }

    fn shown(&self, station: S) -> Shown {
        Shown {
            view: View::Side,
            at: self.subject.shape.skin(station),
        }
    }

    /// A value in mm held in a range, shown anywhere on the dog.
    pub(super) fn held(
        &mut self,
        judged: Judged,
        at: Shown,
        value: Expr,
        (low, high): (Option<f64>, Option<f64>),
        share: f64,
        slack: f64,
    ) {
        let mut over = Vec::with_capacity(2);
        if let Some(high) = high {
            over.push(value.clone() + -high);
        }
        if let Some(low) = low {
            over.push(value.clone() * -1.0 + low);
        }
        self.points.push(BalancePoint {
            judged,
            over,
            tolerance_mm: slack * self.tolerance(judged),
            weight: share * judged.rule().weight,
            value,
            divisor: Divisor::Millimetres,
            range: (low, high),
            at,
        });
    }

    /// A ratio to the coat height at the withers, its upper end also held against the height with
    /// nominal hair: extra hair on the withers earns nothing (balance-model.md 7).
    fn ratio(&mut self, judged: Judged, at: S, value: Expr, low: f64, high: f64) {
        let top = self.y(S::Withers);
        let nominal_top = top.at(&self.subject.nominal());
        let over = vec![
            value.clone() - &(top.clone() * high),
            value.clone() + -(high * nominal_top),
            (top.clone() * low) - &value,
        ];
        self.points.push(BalancePoint {
            judged,
            over,
            tolerance_mm: self.tolerance(judged),
            weight: judged.rule().weight,
            value,
            divisor: Divisor::By(top),
            range: (Some(low), Some(high)),
            at: self.shown(at),
        });
    }

    /// The straight line between two coat edges, read at a share of the way.
    fn chord(from: Expr, to: Expr, t: f64) -> Expr {
        from * (1.0 - t) + &(to * t)
    }

    fn length_and_height(&mut self, reach: &Reach) {
        let length = self.x(S::Breastbone) - &self.x(S::PinBone);
        let (low, high) = reach.body_ratio.target;
        self.ratio(Judged::BodyRatio, S::PinBone, length, low, high);
        let gap = self.x(S::ForearmBack) - &self.x(S::Stifle);
        if let Some(ReachOf {
            target: (low, high),
            ..
        }) = reach.gap_ratio
        {
            self.ratio(Judged::GapRatio, S::Stifle, gap, low, high);
            // The thigh just under the fold: hair on the fold itself hangs down and shortens
            // nothing.
            let under = self.x(S::ElbowLow) - &self.x(S::ThighFront);
            let at = S::ThighFront;
            self.ratio(Judged::GapUnderFlank, at, under, 0.0, high - UNDER_FLANK);
        }
        if let Some(ReachOf {
            target: (low, high),
            ..
        }) = reach.leg_share
        {
            let brisket = self.y(S::Brisket);
            self.ratio(Judged::LegShare, S::Brisket, brisket, low, high);
        }
    }

    fn topline(&mut self) {
        let h = self.subject.height();
        let targets = self.subject.look.targets;
        let skin_x = |s: S| self.subject.shape.skin(s).x;
        let (xw, xh, xt) = (skin_x(S::Withers), skin_x(S::HipCrest), skin_x(S::TailSet));
        let stations = [
            S::BehindWithers,
            S::BackFront,
            S::BackMid,
            S::LoinFront,
            S::Loin,
        ];
        let band = TOPLINE_BAND * self.tolerance(Judged::Topline);
        for station in stations {
            let t = (xw - self.subject.shape.skin(station).x) / (xw - xh);
            let line = Self::chord(self.y(S::Withers), self.y(S::HipCrest), t);
            let value = self.y(station) - &line;
            // `balance-model.md` judges three stations along the back.
            self.weighted(
                Judged::Topline,
                station,
                value,
                (Some(-band), Some(band)),
                3.0 / 5.0,
                1.0,
            );
        }
        let (flat, steep) = targets.slope_deg;
        let rise = |deg: f64| deg.to_radians().tan() * (xw - xh);
        let slope = self.y(S::Withers) - &self.y(S::HipCrest);
        self.between(
            Judged::Slope,
            S::HipCrest,
            slope,
            Some(rise(flat)),
            Some(rise(steep)),
        );
        let drop = self.y(S::HipCrest) - &self.y(S::TailSet);
        self.between(
            Judged::CroupDrop,
            S::TailSet,
            drop,
            Some(targets.croup.0 * h),
            Some(targets.croup.1 * h),
        );
        let t = (xh - self.subject.shape.skin(S::Croup).x) / (xh - xt);
        let line = Self::chord(self.y(S::HipCrest), self.y(S::TailSet), t);
        let fill = self.y(S::Croup) - &line;
        self.between(
            Judged::CroupFill,
            S::Croup,
            fill,
            Some(0.0),
            Some(0.025 * h),
        );
    }

    fn underline(&mut self) {
        let h = self.subject.height();
        let targets = self.subject.look.targets;
        let rise = self.y(S::LastRib) - &self.y(S::Brisket);
        self.between(
            Judged::UnderlineRise,
            S::LastRib,
            rise,
            Some(targets.rise.0 * h),
            Some(targets.rise.1 * h),
        );
        if let Some((least, most)) = self.subject.look.underline.hangs() {
            self.round_belly((least * h, most * h));
            self.fill_into_flank();
            return;
        }
        let line = [S::Brisket, S::Belly, S::BellyRear, S::LastRib];
        for two in line.windows(2) {
            let step = self.y(two[1]) - &self.y(two[0]);
            // `balance-model.md` judges two steps.
            self.weighted(
                Judged::UnderlineSteady,
                two[1],
                step,
                (Some(0.0), None),
                2.0 / 3.0,
                1.0,
            );
        }
        self.fill_into_flank();
    }

    /// A round underline hangs fullest half way (handbook 5, *underline: round*).
    fn round_belly(&mut self, (least, most): (f64, f64)) {
        let x = |s: S| self.subject.shape.skin(s).x;
        let (front, rear) = (x(S::Brisket), x(S::LastRib));
        for station in [S::Belly, S::BellyRear] {
            let t = (front - x(station)) / (front - rear);
            let line = Self::chord(self.y(S::Brisket), self.y(S::LastRib), t);
            let below = line - &self.y(station);
            self.weighted(
                Judged::UnderlineSteady,
                station,
                below,
                (Some(least), Some(most)),
                1.0,
                1.0,
            );
        }
    }

    fn fill_into_flank(&mut self) {
        let h = self.subject.height();
        let targets = self.subject.look.targets;
        let fill = targets.fill * h;
        let behind = self.y(S::LastRib) - &self.y(S::TuckUp);
        self.between(
            Judged::FlankFill,
            S::TuckUp,
            behind,
            Some(-0.4 * fill),
            None,
        );
        let into = self.y(S::TuckUp) - &self.y(S::FlankFold);
        self.between(
            Judged::FlankFill,
            S::FlankFold,
            into,
            Some(-0.6 * fill),
            None,
        );
    }

    fn neck(&mut self) {
        let subject = self.subject;
        let h = subject.height();
        let axis = Vec2::from_angle(subject.build.neck_angle_deg.to_radians());
        let across = Vec2::new(-axis.y, axis.x);
        let throat = Expr::mean(&[
            subject.along(S::ThroatLow, across),
            subject.along(S::ThroatHigh, across),
        ]);
        let depth = subject.along(S::CrestMid, across) - &throat;
        let occiput = subject.shape.skin(S::Occiput).to_vec2();
        let hair = subject.shape.hair(S::Occiput);
        let stands = occiput_hair_mm(subject)
            * crate::shape::visible_share(hair, subject.stand.of(Zone::Topknot));
        let top = occiput + hair * stands;
        let length = (subject.along(S::Withers, axis) * -1.0) + top.dot(axis);
        let limit = subject.look.targets.neck_depth;
        self.points.push(BalancePoint {
            judged: Judged::NeckDepth,
            over: vec![depth.clone() - &(length.clone() * limit)],
            tolerance_mm: self.tolerance(Judged::NeckDepth),
            weight: Judged::NeckDepth.rule().weight,
            value: depth,
            divisor: Divisor::By(length),
            range: (None, Some(limit)),
            at: self.shown(S::ThroatMid),
        });

        let along = |s: S| subject.shape.skin(s).to_vec2().dot(axis);
        let t = (along(S::CrestMid) - along(S::Withers)) / (occiput.dot(axis) - along(S::Withers));
        let end = Expr::constant(subject.len(), top.dot(across));
        let line = Self::chord(subject.along(S::Withers, across), end, t);
        let join = subject.along(S::CrestMid, across) - &line;
        // The neck of balance-model.md is a straight line. A drawn one runs into the withers in one long
        // hollow, or arches: that course is the neck's own, bare or in one length with the back. The hair
        // joins over it, and does not have to fill it.
        let even = subject.look.nominal_mm(Zone::Back, h);
        let over = |s: S, mm: f64| {
            let hair = subject.shape.hair(s);
            let shows = s.zone().map_or(0.0, |zone| {
                crate::shape::visible_share(hair, subject.stand.of(zone))
            });
            (subject.shape.skin(s).to_vec2() + hair * (mm * shows)).dot(across)
        };
        let course_at =
            |mm: f64, end: f64| over(S::CrestMid, mm) - (1.0 - t) * over(S::Withers, mm) - t * end;
        let bare = course_at(0.0, occiput.dot(across));
        let course = bare.min(course_at(even, top.dot(across)));
        let range = (Some(course), Some(course + 0.05 * h));
        self.between(Judged::CrestJoin, S::CrestMid, join, range.0, range.1);
    }

    fn rear(&mut self) {
        let h = self.subject.height();
        let targets = self.subject.look.targets;
        let (yb, yp, yk) = (
            self.skin_y(S::Bend),
            self.skin_y(S::PinBone),
            self.skin_y(S::HockPoint),
        );
        let line = Self::chord(
            self.x(S::HockPoint),
            self.x(S::PinBone),
            (yb - yk) / (yp - yk),
        );
        let bend = self.x(S::Bend) - &line;
        if let Some((low, high)) = targets.angulation {
            let (low, high) = (Some(low * h), Some(high * h));
            self.between(Judged::RearAngulation, S::Bend, bend, low, high);
        }
        let set_in = self.x(S::Bend) - &self.x(S::PinBone);
        if let Some((low, high)) = targets.set_in {
            let (low, high) = (Some(low * h), Some(high * h));
            self.between(Judged::RearSetIn, S::PinBone, set_in, low, high);
        }
        for station in [S::Buttock, S::ThighBack] {
            let t = (self.skin_y(station) - yb) / (yp - yb);
            let line = Self::chord(self.x(S::Bend), self.x(S::PinBone), t);
            let value = self.x(station) - &line;
            self.weighted(
                Judged::RearDrop,
                station,
                value,
                (Some(-0.03 * h), Some(0.005 * h)),
                0.5,
                1.0,
            );
        }
        for (station, low) in [
            (S::Buttock, -0.003 * h),
            (S::ThighBack, -0.003 * h),
            (S::UnderTail, 0.0),
        ] {
            let behind = self.x(station) - &self.x(S::PinBone);
            // `balance-model.md` judges two of them.
            self.weighted(
                Judged::Rearmost,
                station,
                behind,
                (Some(low), None),
                2.0 / 3.0,
                1.0,
            );
        }
        for station in [S::Forechest, S::ThroatLow] {
            let before = self.x(S::Breastbone) - &self.x(station);
            self.between(Judged::Foremost, station, before, Some(0.0), None);
        }
    }

    /// How far the look wants each edge of the column forward of the column's mean, mm.
    fn profile(&self, stations: &[S], is_back: bool) -> Vec<f64> {
        let heights: Vec<f64> = stations.iter().map(|s| self.skin_y(*s)).collect();
        let top = heights.iter().copied().fold(f64::NEG_INFINITY, f64::max);
        let low = heights.iter().copied().fold(f64::INFINITY, f64::min);
        let shape = self.subject.look.fore;
        let forward = heights.iter().map(|y| {
            let t = 1.0 - 2.0 * (y - low) / (top - low).max(1e-6);
            let (back, front) = shape.forward(t);
            self.subject.height() * if is_back { back } else { front }
        });
        let forward: Vec<f64> = forward.collect();
        let mean = forward.iter().sum::<f64>() / forward.len().max(1) as f64;
        forward.into_iter().map(|f| f - mean).collect()
    }

    fn columns(&mut self) {
        let h = self.subject.height();
        let targets = self.subject.look.targets;
        let slack = self.slack_in_front();
        let (back, front) = (
            mean_of(self.subject, &COLUMN_BACK),
            mean_of(self.subject, &COLUMN_FRONT),
        );
        let band = slack * BAND * self.tolerance(Judged::FrontColumn);
        for (stations, middle, is_back) in [
            (&COLUMN_BACK[..], &back, true),
            (&COLUMN_FRONT[..], &front, false),
        ] {
            let share = COLUMN_STATIONS / stations.len() as f64;
            let forward = self.profile(stations, is_back);
            for (station, forward) in stations.iter().zip(forward) {
                let value = self.x(*station) - middle + -forward;
                self.weighted(
                    Judged::FrontColumn,
                    *station,
                    value,
                    (Some(-band), Some(band)),
                    share,
                    slack,
                );
            }
        }
        let width = front - &back;
        let depth = self.y(S::Withers) - &self.y(S::Brisket);
        if let Some((low, high)) = targets.column_share {
            self.points.push(BalancePoint {
                judged: Judged::ColumnShare,
                over: vec![
                    width.clone() - &(depth.clone() * high),
                    (depth.clone() * low) - &width,
                ],
                tolerance_mm: self.tolerance(Judged::ColumnShare),
                weight: Judged::ColumnShare.rule().weight,
                value: width.clone(),
                divisor: Divisor::By(depth),
                range: (Some(low), Some(high)),
                at: self.shown(S::ForearmBack),
            });
        }
        let toe = self.x(S::ForearmFront) - &self.x(S::ForeToe);
        self.between(Judged::Toe, S::ForearmFront, toe, None, Some(0.01 * h));
        for station in [S::RearPastern, S::RearPasternHigh] {
            let value = self.x(S::HockPoint) - &self.x(station);
            self.weighted(
                Judged::HindColumn,
                station,
                value,
                (Some(-0.01 * h), Some(0.005 * h)),
                0.5,
                1.0,
            );
        }
        let hind = Expr::mean(&[self.x(S::RearPasternFront), self.x(S::HockFront)])
            - &Expr::mean(&[self.x(S::HockPoint), self.x(S::RearPastern)]);
        let pair = hind - &width;
        self.between(
            Judged::ColumnPair,
            S::HockFront,
            pair,
            Some(-0.03 * h),
            Some(0.03 * h),
        );
        let (yh, yk, yf) = (
            self.skin_y(S::HockFront),
            self.skin_y(S::Stifle),
            self.skin_y(S::FlankFold),
        );
        for station in [S::GaskinFront, S::GaskinLow] {
            let t = (self.skin_y(station) - yh) / (yk - yh);
            let line = Self::chord(self.x(S::HockFront), self.x(S::Stifle), t);
            let value = self.x(station) - &line;
            self.weighted(
                Judged::LowerThigh,
                station,
                value,
                (Some(-0.02 * h), Some(0.03 * h)),
                0.5,
                1.0,
            );
        }
        let yg = self.skin_y(S::GaskinFront);
        let t = (yk - yg) / (yf - yg);
        let line = Self::chord(self.x(S::GaskinFront), self.x(S::FlankFold), t);
        let value = self.x(S::Stifle) - &line;
        self.between(
            Judged::KneeFullness,
            S::Stifle,
            value,
            Some(0.0),
            Some(0.055 * h),
        );
    }

    /// Legs cut by comb only are judged less sharply, unless the frame asks for a sharp eye.
    pub(super) fn slack_in_front(&self) -> f64 {
        let h = self.subject.height();
        let is_crooked = [&self.subject.build, &self.subject.right]
            .iter()
            .any(|b| b.fore.bow > BOWED * h || b.fore.turnout_deg > TURNED_DEG);
        if is_crooked {
            1.0
        } else {
            self.subject.look.comb_factor
        }
    }

    /// The same behind.
    pub(super) fn slack_behind(&self) -> f64 {
        let h = self.subject.height();
        let is_crooked = [&self.subject.build, &self.subject.right].iter().any(|b| {
            let [_, hock, foot] = b.hind.from_midline;
            // Of one leg: half of what the spacings differ by.
            (hock - foot).abs() > 0.5 * HOCKS_IN * h || b.hind.bow > HIND_BOWED * h
        });
        if is_crooked {
            1.0
        } else {
            self.subject.look.comb_factor
        }
    }

    /// Holes in the legs: the line comes in only as far as needed to keep them shallow
    /// (balance-model.md 3).
    fn holes(&mut self) {
        let width = mean_x(self.subject).at(&self.subject.nominal());
        for &(i, hole_mm) in &self.subject.holes {
            let spot = &self.subject.spots[i];
            if !spot.zone.is_leg() {
                continue;
            }
            let n = self.subject.len();
            let depth = Expr::of(n, i, spot.shows, -spot.shows * hole_mm);
            let at = match spot.place {
                Place::Leg(place) => Shown {
                    view: if place.leg == Leg::Fore {
                        View::Front
                    } else {
                        View::Rear
                    },
                    at: self.subject.skin_of(place),
                },
                _ => Shown {
                    view: View::Side,
                    at: spot.skin,
                },
            };
            let most = HOLE_SHARE * width;
            self.held(Judged::Hole, at, depth, (None, Some(most)), 1.0, 1.0);
        }
    }

    fn widths(&mut self) {
        let h = self.subject.height();
        let z = |w: Width| self.subject.half_width(w);
        let shoulder = z(Width::Shoulder) - &z(Width::RibFront);
        let ribs = z(Width::LastRib) - &Expr::mean(&[z(Width::Shoulder), z(Width::Hip)]);
        let loin = z(Width::Loin) - &Expr::mean(&[z(Width::LastRib), z(Width::Hip)]);
        let b = &self.subject.build;
        // Seen from above, on the dog's left.
        let at = |station: S, width: f64| Shown {
            view: View::Top,
            at: Point::new(self.subject.shape.skin(station).x, 0.5 * width),
        };
        let places = [
            at(S::BackFront, b.shoulder_width),
            at(S::BackMid, b.rib_width),
            at(S::Loin, b.loin_width),
        ];
        for (judged, at, value, (low, high)) in [
            (
                Judged::ShoulderIntoRibs,
                places[0],
                shoulder,
                (-0.02, 0.004),
            ),
            (Judged::RibsNotFlat, places[1], ribs, (0.015, 0.05)),
            (Judged::LoinNotHollow, places[2], loin, (-0.03, 0.01)),
        ] {
            self.held(judged, at, value, (Some(low * h), Some(high * h)), 1.0, 1.0);
        }
    }
}

fn mean_of(subject: &Subject, stations: &[S]) -> Expr {
    let all: Vec<Expr> = stations.iter().map(|s| subject.x(*s)).collect();
    Expr::mean(&all)
}

/// Depth of the front column, front edge against back edge.
pub(super) fn mean_x(subject: &Subject) -> Expr {
    mean_of(subject, &COLUMN_FRONT) - &mean_of(subject, &COLUMN_BACK)
}

/// Hair at the occiput, a constant of the look: else the topknot would be cut to make the crest
/// join (balance-model.md 5 and 7). mm.
fn occiput_hair_mm(subject: &Subject) -> f64 {
    let nominal = |place| {
        subject
            .find(place)
            .map_or(0.0, |i| subject.spots[i].nominal)
    };
    subject
        .look
        .occiput_mm(subject.height())
        .min(1.15 * nominal(Place::Side(S::CrestMid)))
}
