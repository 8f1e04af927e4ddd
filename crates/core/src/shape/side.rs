use kurbo::{CubicBez, ParamCurve as _, Point, Vec2};

use super::hair::{RunStation, hair_directions};
use super::head::HeadAxes;
use super::station::{Cover, STATIONS, Station, stretch};
use crate::coat::Zone;
use crate::frame::Build;

/// The side view of a frame: every station with its skin point and hair direction.
#[derive(Clone, Debug)]
pub struct SideShape {
    skin: [Point; STATIONS],
    hair: [Vec2; STATIONS],
    /// The head's axes.
    pub head: HeadAxes,
    /// Point of shoulder, inside the edge.
    pub point_of_shoulder: Point,
    /// Whether the last rib lies where it was measured (dog-shape.md 5 holds it to a range).
    pub last_rib_is_held: bool,
}

impl SideShape {
    /// Skin point of a station, mm.
    pub fn skin(&self, station: Station) -> Point {
        self.skin[station.index()]
    }

    /// Outward hair direction at a station, unit length.
    pub fn hair(&self, station: Station) -> Vec2 {
        self.hair[station.index()]
    }

    /// The shape with the waist's station slid along the skin behind the last rib, mm; never as far
    /// as the tuck-up's (balance-model.md 10).
    #[must_use]
    pub fn with_waist_behind(mut self, mm: f64) -> Self {
        let (rib, tuck) = (Station::LastRib.index(), Station::TuckUp.index());
        let room = self.skin[rib].x - self.skin[tuck].x;
        let t = (mm / room.max(1e-6)).clamp(0.0, MOST_OF_THE_WAY);
        self.skin[rib] = self.skin[rib].lerp(self.skin[tuck], t);
        let hair = self.hair[rib].lerp(self.hair[tuck], t);
        self.hair[rib] = hair / hair.hypot().max(1e-6);
        self
    }
}

/// How far towards the tuck-up's station the waist can slide: two stations never meet (modelling
/// choice).
const MOST_OF_THE_WAY: f64 = 0.8;

/// Places the stations of the side view.
///
/// Measured points are exact; everything else is a house value of dog-shape.md 5, so is the rule
/// that turns hair apart in hollows (section 7).
///
/// # Units and shapes
/// mm; x forward from the pin bone's plumb line, y up from the table. Every closed piece runs
/// anticlockwise.
pub fn side_shape(b: &Build) -> SideShape {
    let Placed {
        skin,
        head,
        point_of_shoulder,
        last_rib_is_held,
    } = place(b);
    let mut hair = [Vec2::ZERO; STATIONS];
    for run in RUNS {
        let stations = stretch(run.0, run.1);
        let described: Vec<RunStation> = stations
            .iter()
            .map(|s| RunStation {
                position: skin[s.index()],
                reach_mm: s.reach() * b.height,
                firmness: s.firmness(),
                looks_ahead: *s == Station::Withers,
            })
            .collect();
        for (station, direction) in stations.iter().zip(hair_directions(&described)) {
            hair[station.index()] = on_the_table(*station, direction);
        }
    }
    SideShape {
        skin,
        hair,
        head,
        point_of_shoulder,
        last_rib_is_held,
    }
}

/// The three runs along which hair directions are found: top, under, front leg.
const RUNS: [(Station, Station); 3] = [
    (Station::JawIn, Station::FlankIn2),
    (Station::ThighIn, Station::ThroatIn),
    (Station::ForeInTop, Station::ForeInFront),
];

/// Foot hair never points below level: at the table it can only go sideways.
fn on_the_table(station: Station, direction: Vec2) -> Vec2 {
    match station.cover() {
        Cover::Coat(Zone::Foot) if direction.y < 0.0 => {
            Vec2::new(if direction.x < 0.0 { -1.0 } else { 1.0 }, 0.0)
        }
        _ => direction,
    }
}

struct Placed {
    skin: [Point; STATIONS],
    head: HeadAxes,
    point_of_shoulder: Point,
    last_rib_is_held: bool,
}

/// The crest: one long hollow from the occiput into the withers (dog-shape-2.md 1).
fn crest(occiput: Point, withers: Point, neck: f64, along: Vec2, arch: f64) -> CubicBez {
    let up = Vec2::new(-along.y, along.x);
    CubicBez::new(
        occiput,
        occiput - 0.42 * neck * along + 1.3 * arch * neck * up,
        withers + 0.40 * neck * Vec2::from_angle(CREST_LEAVES_RAD),
        withers,
    )
}

/// How steeply the crest leaves the withers, radians (dog-shape-2.md 1).
const CREST_LEAVES_RAD: f64 = 0.24;

/// The station table of dog-shape.md 5 as dog-shape-2.md 1 changed it, in its letters: H height, L length, el elbow, hk hock, …
fn place(b: &Build) -> Placed {
    let (h, l, el) = (b.height, b.length, b.elbow);
    let mut skin = [Point::ZERO; STATIONS];
    let mut set = |station: Station, point: Point| skin[station.index()] = point;
    let p = Point::new;
    let lerp = |a: f64, b: f64, t: f64| a + (b - a) * t;

    let (shoulder, withers) = (b.point_of_shoulder(), b.withers());
    let u = Vec2::from_angle(b.neck_angle_deg.to_radians());
    let n = b.neck;
    let occiput = withers + n * u;
    let head = HeadAxes::new(occiput, &b.head);

    // Head, from the jaw round the nose to the occiput.
    let (mu, ds, dm) = (b.head.muzzle, b.head.skull_depth, b.head.muzzle_depth);
    let (s, dome, flews) = (head.step, b.head.dome, b.head.flews);
    let (pn, qn) = head.nose;
    let hd = |a: f64, c: f64| head.at(a, c);
    let jaw = b.head.jaw_corner();
    let jaw_angle = hd(jaw.0, jaw.1);
    set(Station::JawAngle, jaw_angle);
    set(Station::JawMid, hd(0.88 - mu, -s - 1.16 * dm));
    set(
        Station::Lip,
        hd(1.0 - 0.66 * mu, -s - dm * (1.02 + 0.26 * flews)),
    );
    set(
        Station::ChinBack,
        hd(1.0 - 0.36 * mu, -s - dm * (0.93 + 0.14 * flews)),
    );
    set(Station::Chin, hd(pn - 0.085, -s - 0.84 * dm));
    set(Station::LipFront, hd(pn - 0.03, -s - 0.47 * dm));
    set(Station::NoseTip, hd(pn, qn));
    set(Station::NoseTop, hd(pn - 0.03, -s - 0.004));
    set(Station::Bridge, hd(1.0 - 0.52 * mu, -s + 0.010));
    let stop = b.head.stop_at();
    set(Station::Stop, hd(stop.0, stop.1));
    set(Station::Brow, hd(0.945 - mu, 0.62 * dome - 0.16 * s));
    set(Station::Crown, hd(0.31, dome));
    set(Station::SkullBack, hd(0.12, 0.8 * dome));
    set(Station::Occiput, occiput);

    // Neck and back.
    let crest = crest(occiput, withers, n, u, b.crest_arch);
    let crest_mid = crest.eval(0.44);
    for (station, t) in [
        (Station::CrestHigh, 0.20),
        (Station::CrestMid, 0.44),
        (Station::CrestLow, 0.68),
        (Station::NeckBase, 0.86),
    ] {
        set(station, crest.eval(t));
    }
    set(
        Station::NapeIn,
        crest_mid.lerp(jaw_angle, 0.33) + 0.02 * n * u,
    );
    set(
        Station::JawIn,
        crest_mid.lerp(jaw_angle, 0.70) + 0.03 * n * u,
    );
    set(Station::Withers, withers);
    let hip = p(0.21 * h, b.hip);
    let tail_set = p(0.06 * h, b.tail_set);
    let pin = p(0.0, b.pin);
    let along = hip - withers;
    let up = Vec2::new(along.y, -along.x) / along.hypot().max(1e-9);
    for (station, t) in [
        (Station::BehindWithers, 0.16),
        (Station::BackFront, 0.33),
        (Station::BackMid, 0.50),
        (Station::LoinFront, 0.68),
        (Station::Loin, 0.85),
    ] {
        let sag = b.back_drop * (std::f64::consts::PI * t).sin().powf(1.35);
        set(station, withers.lerp(hip, t) - sag * up);
    }
    set(Station::HipCrest, hip);
    set(
        Station::Croup,
        hip.lerp(tail_set, 0.52) + Vec2::new(0.003 * h, 0.012 * h),
    );
    set(Station::TailSet, tail_set);
    set(
        Station::UnderTail,
        tail_set.lerp(pin, 0.55) + Vec2::new(0.003 * h, 0.0),
    );
    set(Station::PinBone, pin);

    // Hind leg, back edge.
    let (hk, st, th, fl) = (b.hock, b.stifle, b.hind_leg, b.foot_length);
    let xh = -b.hock_reach;
    let hock = p(xh, hk);
    let yb = b.bend_height();
    let bend = p(b.bend_x, yb);
    // The thigh's bulge, then in to the bend that was felt.
    let down = |share: f64| b.pin - share * (b.pin - yb);
    // Plumb under the pin bone, which is the rearmost point (handbook 4).
    set(Station::Buttock, p(0.0, down(0.22)));
    set(Station::ThighBack, p(0.25 * b.bend_x, down(0.52)));
    set(Station::ThighLow, p(0.60 * b.bend_x, down(0.82)));
    set(Station::Bend, bend);
    set(
        Station::AboveHock,
        hock.lerp(bend, 0.40) + Vec2::new(0.019, 0.004) * h,
    );
    set(Station::HockPoint, hock);
    set(Station::RearPasternHigh, p(xh + 0.011 * h, 0.76 * hk));
    set(Station::RearPastern, p(xh + 0.019 * h, 0.48 * hk));
    let fh = (0.088 * h).min(0.36 * hk);
    let xt = xh + 0.014 * h + fl;
    set(Station::HindHeel, p(xh + 0.018 * h, 0.60 * fh));
    set(Station::HindPad, p(xh + 0.026 * h, 0.12 * fh));
    set(Station::HindSole, p(xh + 0.055 * h, 0.0));
    set(Station::HindToeLow, p(xt - 0.02 * h, 0.0));
    set(Station::HindToe, p(xt, 0.27 * fh));
    set(Station::HindToeTop, p(xt - 0.13 * fl, 0.66 * fh));
    set(Station::HindToeJoint, p(xt - 0.36 * fl, 0.94 * fh));
    set(
        Station::HindInstep,
        p(xh + 0.016 * h + 0.74 * th, 1.25 * fh),
    );
    set(
        Station::RearPasternFront,
        p(xh + 0.016 * h + 0.70 * th, 0.54 * hk),
    );
    let hock_front = p(xh + th, 0.93 * hk);
    set(Station::HockFront, hock_front);
    let knee = p(b.stifle_forward, st);
    let fold = p(b.stifle_forward + 0.03 * h, b.flank);
    set(
        Station::GaskinLow,
        hock_front.lerp(knee, 0.34) + Vec2::new(-0.004, 0.006) * h,
    );
    set(
        Station::GaskinFront,
        hock_front.lerp(knee, 0.70) + Vec2::new(0.010, -0.002) * h,
    );
    set(Station::Stifle, knee);
    set(
        Station::ThighFront,
        knee.lerp(fold, 0.55) + Vec2::new(0.007 * h, 0.0),
    );
    set(Station::FlankIn, fold + Vec2::new(0.004, 0.06) * h);
    set(Station::FlankIn2, fold + Vec2::new(-0.03, 0.15) * h);
    set(Station::HaunchIn, p(0.13 * h, fold.lerp(hip, 0.72).y));
    set(Station::TailIn, p(0.055 * h, tail_set.lerp(pin, 0.30).y));

    // Underline, chest, throat.
    let xe = l - b.elbow_back;
    let brisket = p(xe - 0.035 * h, el);
    let arc = |t: f64| {
        p(
            lerp(brisket.x, fold.x, t),
            el + (b.flank - el) * t.clamp(0.0, 1.0).powf(2.2),
        )
    };
    let wanted = (brisket.x - (l - b.last_rib)) / (brisket.x - fold.x);
    let rib = wanted.clamp(0.15, 0.96);
    set(Station::ThighIn, p(0.075 * h, b.pin - 0.62 * (b.pin - yb)));
    set(
        Station::FoldIn,
        p(b.stifle_forward - 0.03 * h, b.flank + 0.004 * h),
    );
    set(Station::FlankFold, fold);
    set(Station::TuckUp, arc(lerp(rib, 1.0, 0.5)));
    set(Station::LastRib, arc(rib));
    set(Station::BellyRear, arc(0.68 * rib));
    set(Station::Belly, arc(0.34 * rib));
    set(Station::Brisket, brisket);
    set(Station::ChestUnder, p(xe + 0.07 * h, el + 0.006 * h));
    set(Station::ForechestLow, p(l - 0.078 * h, el + 0.030 * h));
    set(Station::Forechest, p(l - 0.016 * h, el + 0.075 * h));
    let breastbone = p(l, el + 0.13 * h);
    set(Station::Breastbone, breastbone);
    set(
        Station::ThroatLow,
        breastbone.lerp(jaw_angle, 0.25) - Vec2::new(0.034 * h, 0.0),
    );
    set(
        Station::ThroatMid,
        breastbone.lerp(jaw_angle, 0.60) - Vec2::new(0.04 * h, 0.0),
    );
    set(Station::ThroatHigh, hd(0.19, -0.90 * ds));
    set(Station::ThroatIn, hd(0.22, -0.60 * ds));

    // Front leg.
    let (tf, w) = (b.fore_leg, b.wrist);
    let xc = xe - 0.002 * h;
    let fg = (0.085 * h).min(0.48 * w);
    set(
        Station::ForeInTop,
        p(withers.x + 0.06 * h, el + 0.55 * (h - el)),
    );
    set(Station::ForeInBack, p(xe - 0.055 * h, el + 0.16 * h));
    set(Station::Elbow, p(xc - 0.06 * h, el));
    set(Station::ElbowLow, p(xc - 0.058 * h, el - 0.12 * (el - w)));
    set(
        Station::ForearmBackHigh,
        p(xc - 0.60 * tf, el - 0.32 * (el - w)),
    );
    set(Station::ForearmBack, p(xc - 0.50 * tf, 0.5 * (el + w)));
    set(
        Station::ForearmBackLow,
        p(xc - 0.41 * tf, w + 0.20 * (el - w)),
    );
    set(Station::WristBack, p(xc - 0.47 * tf, w - 0.015 * h));
    set(Station::PasternBack, p(xc - 0.22 * tf, lerp(fg, w, 0.36)));
    let xq = xc - 0.03 * tf;
    let xs = xq - 0.012 * h + fl;
    set(Station::ForeHeel, p(xq - 0.012 * h, 0.52 * fg));
    set(Station::ForePad, p(xq - 0.002 * h, 0.10 * fg));
    set(Station::ForeSole, p(xq + 0.03 * h, 0.0));
    set(Station::ForeToeLow, p(xs - 0.02 * h, 0.0));
    set(Station::ForeToe, p(xs, 0.28 * fg));
    set(Station::ForeToeTop, p(xs - 0.13 * fl, 0.68 * fg));
    set(Station::ForeToeJoint, p(xs - 0.37 * fl, 0.96 * fg));
    set(Station::ForeInstep, p(xc + 0.52 * tf, 1.30 * fg));
    set(Station::PasternFront, p(xc + 0.46 * tf, lerp(fg, w, 0.62)));
    set(Station::WristFront, p(xc + 0.45 * tf, w));
    set(
        Station::ForearmFrontLow,
        p(xc + 0.42 * tf, w + 0.22 * (el - w)),
    );
    set(Station::ForearmFront, p(xc + 0.50 * tf, 0.5 * (el + w)));
    set(
        Station::ForearmFrontHigh,
        p(xc + 0.62 * tf, el - 0.26 * (el - w)),
    );
    set(Station::ArmFront, p(xc + 0.80 * tf, el - 0.010 * h));
    set(
        Station::ArmIn,
        p(lerp(xc, shoulder.x, 0.52), el + 0.075 * h),
    );
    set(
        Station::ForeInFront,
        p(shoulder.x - 0.075 * h, shoulder.y + 0.08 * h),
    );

    Placed {
        skin,
        head,
        point_of_shoulder: shoulder,
        last_rib_is_held: (wanted - rib).abs() > 1e-9,
    }
}
