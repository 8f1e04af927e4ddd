//! Dogs for tests: a frame in shares of its height, a coat ample for a look.
#![allow(dead_code, reason = "each test file uses its own part")]

pub mod random;
pub mod table;

use veliform_core::balance::{Judged, Place, Subject, Width};
use veliform_core::coat::{CoatNow, Knots, Limit, Skin, Texture, Zone};
use veliform_core::dog::House;
use veliform_core::frame::{Build, FrameInput, Measure, Method, Sides, TakenMeasure, resolve};
use veliform_core::job::Job;
use veliform_core::kit::{Tool, ToolKind};
use veliform_core::look::{By, LineStop, Lines, Look};
use veliform_core::shape::Station;
use veliform_core::solve::{HeldOff, Solution, solve_lengths};
use veliform_core::units::{Length, UnitSystem};

/// The handbook's usual dog of this height, changed as wanted.
pub fn build(height: f64, change: impl FnOnce(&mut Build, f64)) -> Build {
    let mut input = FrameInput::default();
    input.measures.insert(
        Measure::HeightAtWithers,
        TakenMeasure::by(Method::HeightStick, Length::constant_mm(height)),
    );
    let mut build = resolve(&input, UnitSystem::Millimetres).build;
    change(&mut build, height);
    build.last_rib = 0.60 * build.length;
    build
}

/// A dog whose right side is as its left.
pub fn both(build: &Build) -> Sides {
    Sides {
        left: build.clone(),
        right: build.clone(),
    }
}

/// More coat than the look asks everywhere, as in the acceptance cases of balance-model.md.
pub fn ample_coat(look: &Look, height: f64) -> CoatNow {
    let k = height / 450.0;
    let wanted = |zone| look.nominal_mm(zone, height) * 1.7 + 8.0 * k;
    let most = Zone::ALL.map(wanted).into_iter().fold(0.0, f64::max);
    let mut coat = CoatNow::even(Texture::Fleece, 0.85, 0.0);
    for zone in Zone::ALL {
        let mm = match zone {
            Zone::Foot => wanted(zone),
            _ => wanted(zone).max(0.45 * most),
        };
        coat = coat.with_zone(zone, mm);
    }
    coat
}

/// A plan's job for this dog and look: by shears alone, in a house that answers as we do, today.
pub fn plain_job(sides: Sides, coat: CoatNow, look: Look) -> Job {
    Job {
        lines: Lines::of(&look).with_tail(sides.left.tail.kind),
        sides,
        coat,
        look,
        kit: Vec::new(),
        house: House::default(),
        skin: Skin::ORDINARY,
        cut_for_days: 0.0,
        held_off: HeldOff::SURE,
        is_left_handed: false,
    }
}

/// Blades and combs as they are sold, mm (industry numbering, from memory; handbook 3).
pub const BLADES_MM: [f64; 11] = [0.25, 0.5, 1.2, 1.5, 2.0, 2.8, 3.2, 4.8, 6.3, 9.5, 13.0];
pub const COMBS_MM: [f64; 8] = [13.0, 16.0, 19.0, 22.0, 25.0, 32.0, 38.0, 51.0];

/// A well filled kit: every blade and comb once, each printed with what it leaves.
pub fn full_kit() -> Vec<Tool> {
    let blades = BLADES_MM.map(|mm| (ToolKind::Blade, mm));
    let combs = COMBS_MM.map(|mm| (ToolKind::Comb, mm));
    blades
        .into_iter()
        .chain(combs)
        .zip(1..)
        .map(|((kind, mm), n)| tool(n, kind, mm))
        .collect()
}

pub fn tool(n: u128, kind: ToolKind, mm: f64) -> Tool {
    serde_json::from_value(serde_json::json!({
        "id": uuid::Uuid::from_u128(n), "printed": format!("{mm}"), "kind": kind, "leaves_mm": mm
    }))
    .expect("a tool")
}

pub fn limit(shorter: Option<f64>, longer: Option<f64>) -> Limit {
    Limit {
        not_shorter_mm: shorter.map(Length::constant_mm),
        not_longer_mm: longer.map(Length::constant_mm),
        ..Limit::default()
    }
}

pub fn tight_knots(mut coat: CoatNow, zones: &[Zone]) -> CoatNow {
    for zone in zones {
        coat.knots.insert(*zone, Knots::Tight);
    }
    coat
}

/// A solved dog, read by names.
pub struct Solved {
    pub subject: Subject,
    pub solution: Solution,
    pub uniform: Vec<f64>,
}

/// Safe length 1.5 mm everywhere, as in balance-model.md 15.
pub fn solve(build: &Build, coat: &CoatNow, look: &Look) -> Solved {
    solved(Subject::new(&both(build), coat, look, &|_| 1.5))
}

/// The same with a line put to a place by hand, in ample coat.
pub fn solve_lined(build: &Build, look: &Look, stop: LineStop) -> Solved {
    let lines = Lines::of(look).put(stop, By::Hand);
    let look = look.clone().lined(stop);
    let coat = ample_coat(&look, build.height);
    solved(Subject::lined(&both(build), &coat, &look, lines, &|_| 1.5))
}

fn solved(subject: Subject) -> Solved {
    let solution = solve_lengths(&subject).expect("every programme has an answer");
    let uniform = subject.uniform();
    Solved {
        subject,
        solution,
        uniform,
    }
}

impl Solved {
    pub fn height(&self) -> f64 {
        self.subject.height()
    }
    fn spot(&self, place: Place) -> usize {
        self.subject.find(place).expect("a chosen place")
    }
    pub fn at(&self, station: Station) -> f64 {
        self.solution.lengths_mm[self.spot(Place::Side(station))]
    }
    pub fn width(&self, width: Width) -> f64 {
        self.solution.lengths_mm[self.spot(Place::Width(width))]
    }
    pub fn nominal(&self, station: Station) -> f64 {
        self.subject.spots[self.spot(Place::Side(station))].nominal
    }
    pub fn nominal_width(&self, width: Width) -> f64 {
        self.subject.spots[self.spot(Place::Width(width))].nominal
    }
    pub fn high(&self, station: Station) -> f64 {
        self.subject.spots[self.spot(Place::Side(station))].high
    }
    pub fn low(&self, station: Station) -> f64 {
        let spot = &self.subject.spots[self.spot(Place::Side(station))];
        spot.low.max(spot.floor.min(spot.high))
    }
    /// Value and tolerances off, worst of the rows of that name, under the plan.
    pub fn plan(&self, judged: Judged) -> (f64, f64) {
        self.worst(judged, &self.solution.lengths_mm)
    }
    /// The same under a uniform clip at the look's nominal lengths.
    pub fn clip(&self, judged: Judged) -> (f64, f64) {
        self.worst(judged, &self.uniform)
    }
    fn worst(&self, judged: Judged, lengths: &[f64]) -> (f64, f64) {
        self.solution
            .points
            .iter()
            .filter(|p| p.judged == judged)
            .map(|p| (p.value_at(lengths), p.off(lengths)))
            .max_by(|a, b| a.1.total_cmp(&b.1))
            .expect("the point is judged")
    }
    /// At least this share of the nominal, or all the coat there is.
    pub fn is_full(&self, station: Station, share: f64) -> bool {
        self.at(station)
            >= (share * self.nominal(station)).min(self.high(station) - 0.001 * self.height())
    }
    /// At most this share of the nominal, or the floor.
    pub fn is_short(&self, station: Station, share: f64) -> bool {
        self.at(station)
            <= (share * self.nominal(station)).max(self.low(station) + 0.002 * self.height())
    }
}
