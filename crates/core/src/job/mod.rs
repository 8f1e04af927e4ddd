//! The job: everything a plan depends on, and the dog it is made for.

use crate::balance::Subject;
use crate::coat::{CoatNow, Skin, Zone, shortest_safe_mm};
use crate::dog::House;
use crate::frame::Sides;
use crate::kit::Tool;
use crate::look::Look;
use crate::placing::tone_shifts;
use crate::schools::Answer;

/// Everything a plan depends on.
#[derive(Clone, Debug, PartialEq)]
pub struct Job {
    /// The frame, left and right.
    pub sides: Sides,
    /// The coat today.
    pub coat: CoatNow,
    /// The look chosen.
    pub look: Look,
    /// The salon's blades and combs.
    pub kit: Vec<Tool>,
    /// The salon's settings.
    pub house: House,
    /// How delicate the skin is.
    pub skin: Skin,
    /// Days after the groom that the lengths are chosen for.
    pub cut_for_days: f64,
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
        let lay_out = |look: &Look| Subject::new(&self.sides, coat, look, &|z| self.safe_mm(z));
        let subject = lay_out(&self.look);
        let shifts = tone_shifts(&subject, coat, self.draws_colour_edges());
        if shifts.is_empty() {
            return self.aimed(subject);
        }
        let mut look = self.look.clone();
        for (line, mm) in shifts {
            look.solved_shift(line, mm);
        }
        self.aimed(lay_out(&look))
    }

    /// Whether the salon draws its line along a colour's edge (handbook 6, *colour edge*).
    pub(crate) fn draws_colour_edges(&self) -> bool {
        self.house.schools.has(Answer::EdgeDrawn)
    }
}
