use std::collections::{BTreeMap, BTreeSet};

use super::placement::{LineName, LineStop, Shifts};
use super::{LOOK_HEIGHT_MM, Look};
use crate::frame::TailKind;
use crate::units::Length;

/// Who put a line where it lies; who is named later goes before.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord)]
pub enum By {
    /// The look itself has it there.
    Look,
    /// The salon has it there on every dog.
    House,
    /// The solve chose it for this dog.
    Solve,
    /// A hand put it there on this dog.
    Hand,
}

/// Where the lines of a look lie on one dog, and who put each there: what a plan reads beside the
/// look, which stays as it was defined.
#[derive(Clone, Debug, PartialEq)]
pub struct Lines {
    stops: BTreeMap<LineName, (LineStop, By)>,
    offered: BTreeSet<LineName>,
    shifts: Shifts,
    shifts_solved: Shifts,
}

impl Lines {
    /// Every line where the look has it.
    pub fn of(look: &Look) -> Self {
        let lines: BTreeSet<LineName> = LineStop::ALL.into_iter().map(LineStop::line).collect();
        let own = |line: &LineName| Some((*line, (look.own_stop(*line)?, By::Look)));
        Self {
            stops: lines.iter().filter_map(own).collect(),
            offered: lines.into_iter().filter(|l| look.offers(*l)).collect(),
            shifts: Shifts::NONE,
            shifts_solved: Shifts::NONE,
        }
    }

    /// The same on a dog whose tail is carried so: a V sets off a tail that is carried up, another gets a
    /// band (handbook 5, *tail base*). Where a line was put, it stays.
    #[must_use]
    pub fn with_tail(self, carried: TailKind) -> Self {
        match self.stops.get(&LineName::TailBase) {
            Some((LineStop::TailV, By::Look)) if !carried.is_carried_up() => {
                self.put(LineStop::TailBand, By::Look)
            }
            _ => self,
        }
    }

    /// Where a line lies; none where nothing says.
    pub fn stop(&self, line: LineName) -> Option<LineStop> {
        self.stops.get(&line).map(|(stop, _)| *stop)
    }

    /// Who put a line there; none where nothing says where it lies.
    pub fn by(&self, line: LineName) -> Option<By> {
        self.stops.get(&line).map(|(_, by)| *by)
    }

    /// Whether a line lies there.
    pub fn has(&self, stop: LineStop) -> bool {
        self.stop(stop.line()) == Some(stop)
    }

    /// Whether a line can be moved on this look.
    pub fn offers(&self, line: LineName) -> bool {
        self.offered.contains(&line)
    }

    /// Whether a hand or the salon put a line to its place, rather than look or solve.
    pub fn is_put(&self, line: LineName) -> bool {
        matches!(self.by(line), Some(By::Hand | By::House))
    }

    /// Whether a line was moved by hand on this dog, to a place or between two.
    pub fn is_moved(&self, line: LineName) -> bool {
        self.by(line) == Some(By::Hand) || self.shifts.of(line, LOOK_HEIGHT_MM).is_some()
    }

    /// How far a line lies from its place on a dog of this height, mm upwards or to the rear.
    pub fn shift_mm(&self, line: LineName, height_mm: f64) -> f64 {
        let by_hand = self.shifts.of(line, height_mm);
        by_hand
            .or(self.shifts_solved.of(line, height_mm))
            .unwrap_or(0.0)
    }

    /// How far the solve moved a line off a colour's edge, mm; none where it did not, or a hand did.
    pub fn shift_solved_mm(&self, line: LineName, height_mm: f64) -> Option<f64> {
        let by_hand = self.shifts.of(line, height_mm);
        self.shifts_solved
            .of(line, height_mm)
            .filter(|_| by_hand.is_none())
    }

    /// Height of a kept skirt's root line over the table, mm, on a dog of this height and elbow.
    pub fn skirt_root_mm(&self, height_mm: f64, elbow_mm: f64) -> Option<f64> {
        let root = self
            .stop(LineName::Skirt)?
            .skirt_root_mm(height_mm, elbow_mm)?;
        Some(root + self.shift_mm(LineName::Skirt, height_mm))
    }

    /// The same with one line put to a place; it stays where it was put by who goes before.
    #[must_use]
    pub fn put(mut self, stop: LineStop, by: By) -> Self {
        if self.by(stop.line()).is_none_or(|other| other <= by) {
            self.stops.insert(stop.line(), (stop, by));
        }
        self
    }

    /// The same with a line moved between its places by hand, mm upwards or to the rear.
    #[must_use]
    pub fn shifted(mut self, line: LineName, by: Length) -> Self {
        self.shifts.put(line, by);
        self
    }

    /// The same with a line moved by the solve, off a colour's edge, mm; by hand goes before.
    #[must_use]
    pub fn shifted_by_solve(mut self, line: LineName, mm: f64) -> Self {
        self.shifts_solved.put(line, Length::worked_out_mm(mm));
        self
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::look::LookId;

    /// Handbook 5, *variants*: a hand on this dog goes before what was chosen for it, that before what
    /// the salon has on every dog, that before the look.
    #[test]
    fn a_line_stays_where_it_was_put_by_who_goes_before() {
        let lines = Lines::of(&Look::shipped(LookId::Lamb));
        assert_eq!(lines.by(LineName::Waist), Some(By::Look));
        let by_hand = lines
            .put(LineStop::JustBehindRib, By::House)
            .put(LineStop::BehindRib, By::Hand)
            .put(LineStop::AtRib, By::Solve);
        assert!(by_hand.has(LineStop::BehindRib));
        assert!(by_hand.is_put(LineName::Waist) && by_hand.is_moved(LineName::Waist));
    }

    #[test]
    fn a_shift_by_hand_goes_before_the_one_that_was_solved() {
        let solved = Lines::of(&Look::shipped(LookId::Lamb)).shifted_by_solve(LineName::Thigh, 8.0);
        let mm = |lines: &Lines| lines.shift_mm(LineName::Thigh, 450.0);
        assert!((mm(&solved) - 8.0).abs() < 1e-9 && !solved.is_moved(LineName::Thigh));
        let by_hand = solved.shifted(LineName::Thigh, Length::constant_mm(-5.0));
        assert!((mm(&by_hand) + 5.0).abs() < 1e-9 && by_hand.is_moved(LineName::Thigh));
        assert_eq!(by_hand.shift_solved_mm(LineName::Thigh, 450.0), None);
    }
}
