//! Where each zone of the coat lies from the side: neighbours meet along one line, so that what a step works
//! on reads as one area, and a touch anywhere on the dog finds the zone under it.

use std::cell::OnceCell;

use kurbo::{Point, Vec2};

use super::on_end::dressing_of;
use super::scene::Scene;
use crate::coat::Zone;
use crate::shape::curve::oval;
use crate::shape::{
    BothSides, CoatEdge, Dressing, Piece, PieceKind, Station as S, eye_at, hanging_pieces,
};

/// How far a zone at the edge reaches into the dog, share of the height (modelling choice: two
/// fingers on a middling dog).
const INWARD: f64 = 0.055;
/// On a leg the zones of its front and back leave its outside between them: so much of the same.
const INWARD_ON_A_LEG: f64 = 0.35;
/// So much hair about the muzzle belongs to its zones as they are shown, share of the height (house value).
const ABOUT_THE_MUZZLE: f64 = 0.008;
/// Corners of a brow.
const ROUND: usize = 16;

/// What lies between the zones along the edge, by the stations whose inner ends it runs through, in order.
const BETWEEN: [(Zone, &[S]); 6] = [
    (
        Zone::NeckSide,
        &[
            S::CrestHigh,
            S::CrestMid,
            S::CrestLow,
            S::NeckBase,
            S::Withers,
            S::Breastbone,
            S::ThroatLow,
            S::ThroatMid,
            S::ThroatHigh,
        ],
    ),
    (
        Zone::Shoulder,
        &[
            S::Withers,
            S::BehindWithers,
            S::Brisket,
            S::Elbow,
            S::ArmFront,
            S::ForechestLow,
            S::Forechest,
            S::Breastbone,
        ],
    ),
    (
        Zone::Ribs,
        &[
            S::BehindWithers,
            S::BackFront,
            S::BackMid,
            S::LoinFront,
            S::LastRib,
            S::BellyRear,
            S::Belly,
            S::Brisket,
        ],
    ),
    (
        Zone::Hip,
        &[
            S::LoinFront,
            S::Loin,
            S::HipCrest,
            S::Croup,
            S::TailSet,
            S::UnderTail,
            S::PinBone,
            S::Buttock,
            S::FlankFold,
            S::TuckUp,
            S::LastRib,
        ],
    ),
    (
        Zone::HindOut,
        &[
            S::Buttock,
            S::ThighBack,
            S::ThighLow,
            S::Bend,
            S::AboveHock,
            S::HockPoint,
            S::RearPasternHigh,
            S::RearPastern,
            S::RearPasternFront,
            S::HockFront,
            S::GaskinLow,
            S::GaskinFront,
            S::Stifle,
            S::ThighFront,
            S::FlankFold,
        ],
    ),
    (
        Zone::ForeOut,
        &[
            S::Elbow,
            S::ElbowLow,
            S::ForearmBackHigh,
            S::ForearmBack,
            S::ForearmBackLow,
            S::WristBack,
            S::PasternBack,
            S::PasternFront,
            S::WristFront,
            S::ForearmFrontLow,
            S::ForearmFront,
            S::ForearmFrontHigh,
            S::ArmFront,
        ],
    ),
];

/// The foot, from heel to instep.
const FOOT: [&[S]; 2] = [
    &[
        S::ForeHeel,
        S::ForePad,
        S::ForeSole,
        S::ForeToeLow,
        S::ForeToe,
        S::ForeToeTop,
        S::ForeToeJoint,
    ],
    &[
        S::HindHeel,
        S::HindPad,
        S::HindSole,
        S::HindToeLow,
        S::HindToe,
        S::HindToeTop,
        S::HindToeJoint,
    ],
];

/// The zones of a dog from the side, in the coat that is drawn.
pub(super) struct ZoneAreas<'a> {
    dog: &'a BothSides<'a>,
    dressing: Dressing,
    edge: CoatEdge,
    /// What hangs, where an ear or a tail is asked for.
    pieces: OnceCell<Vec<Piece>>,
}

impl<'a> ZoneAreas<'a> {
    pub(super) fn new(scene: &Scene<'_>, dog: &'a BothSides<'a>) -> Self {
        let dressing = dressing_of(scene);
        Self {
            dog,
            edge: CoatEdge::new(&dog.shape, &dressing),
            dressing,
            pieces: OnceCell::new(),
        }
    }

    /// Where these zones lie, on the view's own plane, mm: those along the edge in runs of neighbours.
    pub(super) fn of(&self, zones: &[Zone]) -> Vec<Vec<Point>> {
        let mut areas = self.along_the_edge(zones);
        areas.extend(zones.iter().flat_map(|zone| self.within(*zone)));
        areas
    }

    /// Whether a zone hangs over others: it is touched before them.
    pub(super) const fn hangs(zone: Zone) -> bool {
        matches!(zone, Zone::Ear | Zone::Tail)
    }

    /// Where a zone along the edge ends outside: with its hair, about the muzzle no further than the bone leads
    /// a hand, as its long hair hangs by itself.
    fn outer(&self, station: S) -> Point {
        let (skin, edge) = (self.dog.shape.skin(station), self.edge.at(station));
        let most = ABOUT_THE_MUZZLE * self.dog.left.height;
        match station.zone() {
            Some(Zone::Muzzle | Zone::Beard | Zone::Cheek) if skin.distance(edge) > most => {
                skin + (edge - skin) * (most / skin.distance(edge))
            }
            _ => edge,
        }
    }

    /// Where a zone along the edge ends inside the dog.
    fn inner(&self, station: S) -> Point {
        let share = match station.zone() {
            Some(zone) if zone.is_leg() => INWARD_ON_A_LEG,
            _ => 1.0,
        };
        let depth = share * INWARD * self.dog.left.height;
        self.dog.shape.skin(station) - self.dog.shape.hair(station) * depth
    }

    /// The inner ends of stations in turn, with the place half way between two where one zone ends and the next
    /// begins: there neighbours meet.
    fn inner_course(&self, stations: &[S]) -> Vec<Point> {
        let mut course = Vec::new();
        for (i, station) in stations.iter().enumerate() {
            course.push(self.inner(*station));
            if let Some(next) = stations.get(i + 1)
                && meet(*station, *next)
            {
                course.push(self.inner(*station).midpoint(self.inner(*next)));
            }
        }
        course
    }

    /// Runs of neighbouring stations of these zones: from the coat's edge a little inward.
    fn along_the_edge(&self, zones: &[Zone]) -> Vec<Vec<Point>> {
        let is_asked = |s: &S| {
            s.zone()
                .is_some_and(|z| z != Zone::Foot && zones.contains(&z))
        };
        let mut areas = Vec::new();
        let mut begins = 0;
        for run in S::ALL.chunk_by(|a, b| is_asked(a) == is_asked(b)) {
            let ends = begins + run.len();
            if run.iter().all(is_asked) {
                let before = begins.checked_sub(1).map(|i| S::ALL[i]);
                areas.push(self.band(before, run, S::ALL.get(ends).copied()));
            }
            begins = ends;
        }
        areas
    }

    /// From the coat's edge a little inward, as far as half way to the stations before and after it, where
    /// those are another zone's.
    fn band(&self, before: Option<S>, run: &[S], after: Option<S>) -> Vec<Point> {
        let half = |from: S, to: S, at: &dyn Fn(S) -> Point| at(from).midpoint(at(to));
        let (edge, inner) = (|s: S| self.outer(s), |s: S| self.inner(s));
        let (first, last) = (run[0], run[run.len() - 1]);
        let before = before.filter(|s| meet(*s, first));
        let after = after.filter(|s| meet(last, *s));
        let mut area = Vec::new();
        area.extend(before.map(|s| half(s, first, &edge)));
        area.extend(run.iter().map(|s| edge(*s)));
        area.extend(after.map(|s| half(last, s, &edge)));
        area.extend(after.map(|s| half(last, s, &inner)));
        area.extend(self.inner_course(run).into_iter().rev());
        area.extend(before.map(|s| half(s, first, &inner)));
        area
    }

    /// What lies within the outline, or hangs over it.
    fn within(&self, zone: Zone) -> Vec<Vec<Point>> {
        let between = match zone {
            Zone::ForeIn => Zone::ForeOut,
            Zone::HindIn => Zone::HindOut,
            other => other,
        };
        if let Some((_, stations)) = BETWEEN.iter().find(|(of, _)| *of == between) {
            return vec![self.inner_course(stations)];
        }
        match zone {
            Zone::Ear => self.piece(&[PieceKind::Ear]).into_iter().collect(),
            Zone::Tail => {
                let kinds = [PieceKind::TailBall, PieceKind::Tail];
                self.piece(&kinds).into_iter().collect()
            }
            Zone::Foot => FOOT.map(|stations| self.edge.all(stations)).into(),
            Zone::Cheek => vec![self.cheek()],
            Zone::Topknot => vec![self.skull_side()],
            Zone::Muzzle => vec![self.muzzle()],
            Zone::Brow => vec![self.brow()],
            _ => Vec::new(),
        }
    }

    /// The outline of the first of these pieces that is there.
    fn piece(&self, kinds: &[PieceKind]) -> Option<Vec<Point>> {
        let drawn = || hanging_pieces(&self.dog.shape, self.dog.left, &self.dressing);
        let pieces = self.pieces.get_or_init(drawn);
        let of = |kind: &PieceKind| pieces.iter().find(|p| p.kind == *kind && !p.is_far);
        kinds.iter().find_map(of).map(|piece| piece.outline.clone())
    }

    /// Between the top of the skull and the line from the eye to the ear set.
    fn skull_side(&self) -> Vec<Point> {
        let top = S::ALL.into_iter();
        let top: Vec<S> = top.filter(|s| s.zone() == Some(Zone::Topknot)).collect();
        let mut outline = self.inner_course(&top);
        // The stations run from the stop back to the occiput: home by the ear and the eye.
        outline.extend([self.ear_set(), self.eye_corner()]);
        outline
    }

    /// From the corner of the eye to the ear set, down to the jaw.
    fn cheek(&self) -> Vec<Point> {
        let eye = self.eye();
        vec![
            self.inner(S::JawAngle),
            self.inner(S::JawMid),
            self.by(self.dog.shape.skin(S::Lip), 0.0, 0.02),
            self.by(eye, 0.015, -0.035),
            self.eye_corner(),
            self.ear_set(),
        ]
    }

    /// Where the line from the eye to the ear set begins.
    fn eye_corner(&self) -> Point {
        self.by(self.eye(), -0.035, -0.005)
    }

    /// From the stop to the nose, above the lip.
    fn muzzle(&self) -> Vec<Point> {
        let lip = self.dog.shape.skin(S::Lip);
        let mut outline = vec![self.outer(S::Stop), self.outer(S::Bridge)];
        outline.push(self.dog.shape.skin(S::NoseTop));
        outline.push(self.outer(S::LipFront));
        outline.push(self.by(lip, 0.0, 0.02));
        outline.push(self.by(self.eye(), 0.015, -0.035));
        outline
    }

    /// A finger over the eye.
    fn brow(&self) -> Vec<Point> {
        let h = self.dog.left.height;
        let over = self.by(self.eye(), -0.012, 0.03);
        oval(over, Vec2::new(0.035, 0.015) * h, ROUND)
    }

    fn eye(&self) -> Point {
        eye_at(&self.dog.shape.head, &self.dog.left.head)
    }

    fn ear_set(&self) -> Point {
        let (along, up) = self.dog.left.ear.base;
        self.dog.shape.head.at(along, up)
    }

    /// A place so far from another, shares of the height, forward and up.
    fn by(&self, from: Point, forward: f64, up: f64) -> Point {
        from + Vec2::new(forward, up) * self.dog.left.height
    }
}

/// Whether two stations lie beside one another on the edge, in coats of two zones.
fn meet(a: S, b: S) -> bool {
    let is_beside = S::ALL
        .windows(2)
        .any(|pair| pair == [a, b] || pair == [b, a]);
    let zones = a.zone().zip(b.zone());
    is_beside && zones.is_some_and(|(a, b)| a != b && a != Zone::Foot && b != Zone::Foot)
}
