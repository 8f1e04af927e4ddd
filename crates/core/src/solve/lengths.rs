use std::collections::BTreeMap;

use super::programme::{Accuracy, Optimum, Programme, SolveError};
use crate::balance::{BalancePoint, GIVES_UP_AT, Place, Reach, Subject, Width, balance_points};
use crate::coat::Zone;
use crate::look::Cut;
use crate::shape::{FACE_STATIONS, Hand, LegPlace, Station};

// Weights of balance-model.md 4, found by experiment; one set serves all looks and sizes.

/// Pull to the nominal length, clipped zones.
const PULL_CLIPPED: f64 = 0.60;
/// Pull to the nominal length, scissored zones.
const PULL_SCISSORED: f64 = 0.06;
/// Pull on every single station, so that the answer is one point and not a valley.
const PULL_EACH: f64 = 1e-4;
/// Unit of the pulls: share of the height, and at least half the nominal.
const PULL_UNIT: f64 = 0.02;
const PULL_UNIT_OF_NOMINAL: f64 = 0.5;
/// Cost of a change of length between clipped neighbours.
const FEW_LENGTHS: f64 = 0.6;
/// Cost of a ripple where a scissored station is concerned.
const NO_RIPPLES: f64 = 0.30;
/// The same along leg edges in front and rear view.
const EVEN_EDGE: f64 = 0.05;
/// Cost of going under the look's floor, per squared 0.02 H.
const FLOOR: f64 = 25.0;
const FLOOR_UNIT: f64 = 0.02;
/// Lengths are handed to the solver in this share of the height (balance-model.md 1).
const SOLVER_UNIT: f64 = 0.01;

/// The lengths that balance the dog best, exactly.
#[derive(Clone, Debug)]
pub struct Solution {
    /// Length of every unknown of the subject, mm.
    pub lengths_mm: Vec<f64>,
    /// What a millimetre more coat would be worth in balance, per unknown; zero where the coat
    /// is not what holds.
    pub worth: Vec<f64>,
    /// The judged points.
    pub points: Vec<BalancePoint>,
    /// What look and frame allow.
    pub reach: Reach,
    /// Value of the programme.
    pub objective: f64,
    /// Whether the solver reached its accuracy.
    pub is_exact: bool,
    /// Iterations it took.
    pub iterations: u32,
}

/// Chooses the length at every spot.
///
/// Minimises the balance cost plus pulls to the look's nominal, with few and smooth changes of
/// length, between the shortest safe length and the coat there now: a convex quadratic programme,
/// never infeasible, the same answer every time.
///
/// # Units and shapes
/// mm, one length per spot of the subject.
///
/// # References
/// balance-model.md 3 and 4.
///
/// # Errors
/// If the solver gives no answer.
pub fn solve_lengths(subject: &Subject) -> Result<Solution, SolveError> {
    solve_lengths_to(subject, Accuracy::Full)
}

/// The same as exactly as asked.
///
/// # Errors
/// If the solver gives no answer.
pub fn solve_lengths_to(subject: &Subject, accuracy: Accuracy) -> Result<Solution, SolveError> {
    Sought::of(subject).solve(subject, accuracy)
}

/// What the lengths of a dog are sought by: the points it is aimed at, and the programme of them.
#[derive(Clone, Debug)]
pub struct Sought {
    /// The judged points at the moment it is cut for.
    pub aimed: Vec<BalancePoint>,
    reach: Reach,
    built: Built,
}

impl Sought {
    /// Lays the programme of a subject out.
    pub fn of(subject: &Subject) -> Self {
        let (aimed, reach) = balance_points(subject);
        let built = programme(subject, &aimed);
        Self {
            aimed,
            reach,
            built,
        }
    }

    /// The lengths that balance best, as exactly as asked.
    ///
    /// # Errors
    /// If the solver gives no answer.
    pub fn solve(&self, subject: &Subject, accuracy: Accuracy) -> Result<Solution, SolveError> {
        // Judged when it is cut for, said as it leaves the table; only constants differ.
        let (points, reach) = if subject.grows_mm > 0.0 {
            balance_points(&subject.today())
        } else {
            (self.aimed.clone(), self.reach)
        };
        let optimum = self.built.programme.solve_to(accuracy)?;
        Ok(solution(subject, points, reach, &self.built, optimum))
    }

    /// The lengths that balance best where all but some are held, none of those under its lowest.
    ///
    /// # Units and shapes
    /// `lengths_mm` and `lowest_mm` hold one length per spot.
    ///
    /// # Errors
    /// If the solver gives no answer.
    pub(super) fn rest(
        &self,
        free: &[usize],
        lengths_mm: &[f64],
        lowest_mm: &[f64],
        accuracy: Accuracy,
    ) -> Result<Vec<f64>, SolveError> {
        let mut all = lengths_mm.to_vec();
        if free.is_empty() {
            return Ok(all);
        }
        let mut bound = self.built.programme.clone();
        for i in free {
            bound.bind(self.built.lowest_row(*i), -lowest_mm[*i]);
        }
        let optimum = bound.holding(free, lengths_mm).solve_to(accuracy)?;
        for (i, mm) in free.iter().zip(optimum.lengths_mm) {
            all[*i] = mm.max(lowest_mm[*i]);
        }
        Ok(all)
    }

    /// The programme.
    pub(super) const fn programme(&self) -> &Programme {
        &self.built.programme
    }
}

/// The programme of a subject, with the rows that belong to the judged points.
#[derive(Clone, Debug)]
pub struct Built {
    /// The programme.
    pub programme: Programme,
    /// Row number, point number, expression number.
    point_rows: Vec<(usize, usize, usize)>,
    /// Number of the first of the rows that hold the lengths: two a spot, highest then lowest.
    bounds_from: usize,
}

impl Built {
    /// Number of the row that holds a spot's lowest length.
    const fn lowest_row(&self, spot: usize) -> usize {
        self.bounds_from + 2 * spot + 1
    }
}

/// Writes the programme of a subject down, for solving here or by a second solver.
pub fn programme(subject: &Subject, points: &[BalancePoint]) -> Built {
    let h = subject.height();
    let n = subject.len();
    let mut qp = Programme::new(n, SOLVER_UNIT * h);
    let mut point_rows = Vec::new();
    for (p, point) in points.iter().enumerate() {
        let under = qp.helper();
        qp.square_helper(under, point.weight);
        let mut helpers = vec![(under, -1.0)];
        if point.judged.rule().gives_up {
            let beyond = qp.helper();
            qp.cost_helper(beyond, 2.0 * GIVES_UP_AT * point.weight);
            qp.row([], &[(beyond, -1.0)], 0.0);
            helpers.push((beyond, -1.0));
        }
        for (e, over) in point.over.iter().enumerate() {
            let scaled = over
                .coefficients()
                .iter()
                .map(|c| c / point.tolerance_mm)
                .enumerate();
            let row = qp.row(scaled, &helpers, -over.rest() / point.tolerance_mm);
            point_rows.push((row, p, e));
        }
    }
    pulls(subject, &mut qp);
    floors(subject, &mut qp);
    neighbours(subject, &mut qp);
    let bounds_from = qp.size().1;
    for (i, spot) in subject.spots.iter().enumerate() {
        qp.row([(i, 1.0)], &[], spot.high);
        qp.row([(i, -1.0)], &[], -spot.low);
    }
    Built {
        programme: qp,
        point_rows,
        bounds_from,
    }
}

fn unit_of_pull(subject: &Subject, i: usize) -> f64 {
    (PULL_UNIT * subject.height()).max(PULL_UNIT_OF_NOMINAL * subject.spots[i].nominal)
}

fn pulls(subject: &Subject, qp: &mut Programme) {
    // Left and right legs apart.
    let mut zones: BTreeMap<(Zone, Option<Hand>), Vec<usize>> = BTreeMap::new();
    for (i, spot) in subject.spots.iter().enumerate() {
        let hand = match spot.place {
            Place::Leg(place) => Some(place.hand),
            Place::Side(_) | Place::Width(_) => None,
        };
        zones.entry((spot.zone, hand)).or_default().push(i);
    }
    for members in zones.values() {
        for &i in members {
            let spot = &subject.spots[i];
            let weight = match spot.cut {
                Cut::Clipped => PULL_CLIPPED,
                Cut::Scissored | Cut::Thinned | Cut::Set => PULL_SCISSORED,
            };
            let unit = unit_of_pull(subject, i);
            qp.square(
                &[(i, 1.0 / unit)],
                -spot.nominal / unit,
                alike(subject, i) * (weight / members.len() as f64 + PULL_EACH),
            );
        }
    }
}

fn floors(subject: &Subject, qp: &mut Programme) {
    let unit = FLOOR_UNIT * subject.height();
    for (i, floor, weight) in floored(subject) {
        let short = qp.helper();
        qp.square_helper(short, weight);
        qp.row([(i, -1.0 / unit)], &[(short, -1.0)], -floor / unit);
    }
}

/// Spots with a floor of the look's, with the floor in mm and the price of going under it, per squared
/// 0.02 of the height.
fn floored(subject: &Subject) -> impl Iterator<Item = (usize, f64, f64)> + '_ {
    let spots = subject.spots.iter().enumerate();
    let held = spots.filter(|(_, spot)| spot.floor > spot.low + 1e-9 && !spot.is_free_of_floor);
    held.map(|(i, spot)| (i, spot.floor, FLOOR * alike(subject, i)))
}

/// The same with the price per squared millimetre.
pub(super) fn floors_mm(subject: &Subject) -> Vec<(usize, f64, f64)> {
    let unit = FLOOR_UNIT * subject.height();
    floored(subject)
        .map(|(i, floor, weight)| (i, floor, weight / (unit * unit)))
        .collect()
}

/// Runs of neighbouring stations; between runs the coat has a hard border or none in common.
const RUNS: [(Station, Station); 6] = [
    (Station::CrestHigh, Station::TailSet),
    (Station::UnderTail, Station::RearPastern),
    (Station::RearPasternFront, Station::ThighFront),
    (Station::FlankFold, Station::ThroatHigh),
    (Station::Elbow, Station::WristBack),
    (Station::WristFront, Station::ForearmFrontHigh),
];

fn neighbours(subject: &Subject, qp: &mut Programme) {
    let mut runs: Vec<Vec<usize>> = RUNS
        .iter()
        .map(|(from, to)| {
            Station::ALL[from.index()..=to.index()]
                .iter()
                .filter_map(|s| subject.find(Place::Side(*s)))
                .collect()
        })
        .collect();
    // The front of the thigh goes on into the flank and the underline.
    let under = runs.remove(3);
    runs[2].extend(under);
    for run in &runs {
        for pair in run.windows(2) {
            few_lengths(subject, qp, pair[0], pair[1]);
        }
        for three in run.windows(3) {
            no_ripples(subject, qp, [three[0], three[1], three[2]]);
        }
    }
    let widths: Vec<usize> = Width::ALL
        .iter()
        .filter_map(|w| subject.find(Place::Width(*w)))
        .collect();
    for pair in widths.windows(2) {
        step(subject, qp, pair[0], pair[1]);
    }
    let hands = subject.hands();
    let legs: Vec<usize> = LegPlace::all()
        .filter(|place| hands.contains(&place.hand))
        .filter_map(|place| subject.find(Place::Leg(place)))
        .collect();
    for face in legs.chunks(FACE_STATIONS) {
        for three in face.windows(3) {
            even_edge(subject, qp, [three[0], three[1], three[2]]);
        }
    }
}

fn few_lengths(subject: &Subject, qp: &mut Programme, i: usize, j: usize) {
    let is_clipped = |i: usize| subject.spots[i].cut == Cut::Clipped;
    if is_clipped(i) && is_clipped(j) {
        step(subject, qp, i, j);
    }
}

/// Total variation of (length − nominal): a new length has a price, however small the change.
fn step(subject: &Subject, qp: &mut Programme, i: usize, j: usize) {
    let unit = 0.5 * (unit_of_pull(subject, i) + unit_of_pull(subject, j));
    let gap = (subject.spots[i].nominal - subject.spots[j].nominal) / unit;
    let change = qp.helper();
    qp.cost_helper(change, FEW_LENGTHS);
    for sign in [1.0, -1.0] {
        qp.row(
            [(i, sign / unit), (j, -sign / unit)],
            &[(change, -1.0)],
            sign * gap,
        );
    }
}

/// Along a leg on end the edge must be even, not the hair: a light hand on its second difference.
fn even_edge(subject: &Subject, qp: &mut Programme, [i, j, k]: [usize; 3]) {
    let unit = unit_of_pull(subject, j);
    qp.square(
        &[(i, -0.5 / unit), (j, 1.0 / unit), (k, -0.5 / unit)],
        0.0,
        EVEN_EDGE * alike(subject, i),
    );
}

/// How many places of the dog a spot stands for.
fn alike(subject: &Subject, i: usize) -> f64 {
    if subject.is_mirrored && matches!(subject.spots[i].place, Place::Leg(_)) {
        2.0
    } else {
        1.0
    }
}

/// Second difference of (length − nominal), weighted by spacing.
fn no_ripples(subject: &Subject, qp: &mut Programme, [i, j, k]: [usize; 3]) {
    let spots = &subject.spots;
    if ![i, j, k].iter().any(|s| spots[*s].cut.is_by_hand()) {
        return;
    }
    let before = spots[i].skin.distance(spots[j].skin);
    let after = spots[j].skin.distance(spots[k].skin);
    let unit = unit_of_pull(subject, j);
    let (a, c) = (
        -after / (before + after) / unit,
        -before / (before + after) / unit,
    );
    let b = 1.0 / unit;
    let nominal = a * spots[i].nominal + b * spots[j].nominal + c * spots[k].nominal;
    qp.square(&[(i, a), (j, b), (k, c)], -nominal, NO_RIPPLES);
}

fn solution(
    subject: &Subject,
    points: Vec<BalancePoint>,
    reach: Reach,
    built: &Built,
    optimum: Optimum,
) -> Solution {
    let lengths_mm: Vec<f64> = optimum
        .lengths_mm
        .iter()
        .zip(&subject.spots)
        .map(|(l, s)| l.clamp(s.low, s.high))
        .collect();
    let mut worth = vec![0.0; subject.len()];
    for &(row, p, e) in &built.point_rows {
        let point = &points[p];
        let price = optimum.prices[row] / point.tolerance_mm;
        for (w, c) in worth.iter_mut().zip(point.over[e].coefficients()) {
            *w -= price * c;
        }
    }
    Solution {
        lengths_mm,
        worth,
        points,
        reach,
        objective: optimum.objective,
        is_exact: optimum.is_exact,
        iterations: optimum.iterations,
    }
}
