use super::state::{Run, StepRun, StepState};
use crate::coat::Zone;

impl Run {
    /// Puts a step before another that is to come, or at the end; a step done, or put off to
    /// another visit, stays where it is.
    pub(super) fn move_step(&mut self, number: u32, before: Option<u32>) {
        let queue = self.queue();
        let is_to_come = |n: u32| queue.contains(&n);
        if !is_to_come(number) || before.is_some_and(|b| b == number || !is_to_come(b)) {
            return;
        }
        let Some(from) = self.steps.iter().position(|s| s.step == number) else {
            return;
        };
        let mut moved = self.steps.remove(from);
        moved.state = StepState::Open;
        let to = before
            .and_then(|b| self.steps.iter().position(|s| s.step == b))
            .unwrap_or(self.steps.len());
        // A step put off is done where it is moved to, so its neighbour is taken up with it.
        if let Some(next) = self.steps.get_mut(to).filter(|_| before.is_some()) {
            next.state = StepState::Open;
        }
        self.steps.insert(to, moved);
    }

    /// Makes some zones of a step a step of their own, done right after it; minutes go by zones.
    pub(super) fn split(&mut self, number: u32, zones: &[Zone]) {
        let Some(at) = self.sheet.steps.iter().position(|s| s.number == number) else {
            return;
        };
        let whole = &self.sheet.steps[at];
        let (leave, stay): (Vec<Zone>, Vec<Zone>) =
            whole.zones.iter().partition(|z| zones.contains(z));
        let is_open = self
            .steps
            .iter()
            .any(|s| s.step == number && s.state == StepState::Open);
        if leave.is_empty() || stay.is_empty() || !is_open {
            return;
        }
        let share = leave.len() as f64 / whole.zones.len() as f64;
        let new_number = self.sheet.steps.iter().map(|s| s.number).max().unwrap_or(0) + 1;
        let names = |zones: &[Zone]| -> String {
            let names: Vec<&str> = zones.iter().map(|z| z.label()).collect();
            names.join(", ")
        };
        let mut second = whole.clone();
        second.number = new_number;
        second.minutes = whole.minutes * share;
        second.what = format!("{}: {}", whole.what, names(&leave));
        let first = &mut self.sheet.steps[at];
        first.minutes *= 1.0 - share;
        first.what = format!("{}: {}", first.what, names(&stay));
        first.zones = stay;
        second.zones = leave;
        self.sheet.steps.insert(at + 1, second);
        if let Some(place) = self.steps.iter().position(|s| s.step == number) {
            let new = StepRun {
                step: new_number,
                ..StepRun::default()
            };
            self.steps.insert(place + 1, new);
        }
    }
}
