//! The job: everything a plan depends on, and the dog it is made for.

use crate::balance::Subject;
use crate::coat::{CoatNow, Skin, Zone, shortest_safe_mm};
use crate::dog::House;
use crate::frame::Sides;
use crate::kit::Tool;
use crate::look::{By, LineName, LineStop, Lines, Look};
use crate::placing::tone_shifts;
use crate::schools::Answer;
use crate::solve::HeldOff;
use crate::units::Length;

/// Everything a plan depends on.
#[derive(Clone, Debug, PartialEq)]
pub struct Job {
    /// The frame, left and right.
    pub sides: Sides,
    /// The coat today.
    pub coat: CoatNow,
    /// The look chosen.
    pub look: Look,
    /// Where people put its lines.
    pub lines: Lines,
    /// The salon's blades and combs.
    pub kit: Vec<Tool>,
    /// The salon's settings.
    pub house: House,
    /// How delicate the skin is.
    pub skin: Skin,
    /// Days after the groom that the lengths are chosen for.
    pub cut_for_days: f64,
    /// How the hand at the table holds a tool off this dog's hair.
    pub held_off: HeldOff,
    /// Whether it is a left one.
    pub is_left_handed: bool,
}

impl Job {
    /// Shortest safe length of a zone on this dog, mm.
    pub fn safe_mm(&self, zone: Zone) -> f64 {
        shortest_safe_mm(zone, self.skin)
    }

    /// The dog under the look, with this job's coat.
    pub fn subject(&self) -> Subject {
        self.subject_with(&self.coat)
    }

    /// A dog judged as it leaves the table, judged when this job cuts for again.
    pub fn aimed(&self, subject: Subject) -> Subject {
        Subject {
            grows_mm: self.coat.texture.growth_mm_per_day() * self.cut_for_days,
            ..subject
        }
    }

    /// The same under another coat.
    pub fn subject_with(&self, coat: &CoatNow) -> Subject {
        let safe = |zone| self.safe_mm(zone);
        let lay_out = |lines: Lines| Subject::lined(&self.sides, coat, &self.look, lines, &safe);
        let subject = lay_out(self.lines.clone());
        let shifts = tone_shifts(&subject, coat, self.draws_colour_edges());
        if shifts.is_empty() {
            return self.aimed(subject);
        }
        let off_the_edge = |lines: Lines, (line, mm)| lines.shifted_by_solve(line, mm);
        let lines = shifts.into_iter().fold(self.lines.clone(), off_the_edge);
        self.aimed(lay_out(lines))
    }

    /// The same with a line put to a place, and what of the look follows from it.
    #[must_use]
    pub fn put(self, stop: LineStop, by: By) -> Self {
        Self {
            look: self.look.lined(stop),
            lines: self.lines.put(stop, by),
            ..self
        }
    }

    /// The same with a line put to a place by hand.
    #[must_use]
    pub fn placed(self, stop: LineStop) -> Self {
        self.put(stop, By::Hand)
    }

    /// The same with a line moved between its places by hand, mm upwards or to the rear.
    #[must_use]
    pub fn shifted(self, line: LineName, by: Length) -> Self {
        Self {
            lines: self.lines.shifted(line, by),
            ..self
        }
    }

    /// Whether the salon draws its line along a colour's edge (handbook 6, *colour edge*).
    pub(crate) fn draws_colour_edges(&self) -> bool {
        self.house.schools.has(Answer::EdgeDrawn)
    }
}
