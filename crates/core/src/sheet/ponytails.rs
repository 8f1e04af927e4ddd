//! A topknot that is tied: bands off before a brush meets them, parted and tied again at the end
//! (handbook 10 D).

use super::cautions::Hazard;
use super::minutes as m;
use super::small_jobs::tick;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::Zone;
use crate::dog::Topic;
use crate::schools::{Answer, Question};
use crate::shape::TIED_FROM_MM;

impl Writer<'_> {
    /// How many ponytails the salon ties on this dog.
    fn ponytails(&self) -> u8 {
        match self.answer(Question::Ponytails) {
            Answer::PonytailOne => 1,
            Answer::PonytailTwo => 2,
            _ => 0,
        }
    }

    fn topknot_mm(&self) -> f64 {
        let stands = self.job.coat.length_mm(Zone::Topknot);
        self.plan.zone_mm(Zone::Topknot).unwrap_or(stands)
    }

    /// Bows and bands come off before the brush.
    pub(super) fn bands_off(&mut self) {
        if self.ponytails() == 0 {
            return;
        }
        let off = Draft {
            zones: vec![Zone::Topknot],
            ..tick(
                "Bows and bands off: cut the band, never the hair",
                m::BANDS_OFF,
                &[],
            )
        };
        self.push(Stage::Prepare, off);
    }

    /// Whether its crown is tied: a band holds it.
    pub(super) fn ties(&self) -> bool {
        self.ponytails() > 0 && self.topknot_mm() >= TIED_FROM_MM
    }

    /// Why it is not tied.
    pub(super) fn too_short_to_tie(&self) -> Option<String> {
        (self.ponytails() > 0 && !self.ties()).then(|| {
            format!(
                "Too short to tie: left at {} a band holds",
                self.words.whole(TIED_FROM_MM)
            )
        })
    }

    /// Parted and tied, once every cut of the head is done.
    pub(super) fn tie(&mut self) {
        if !self.ties() {
            return;
        }
        let what = match self.ponytails() {
            1 => {
                "Tie the topknot: part it from eye corner to eye corner; two bands, the bow over them"
            }
            _ => {
                "Tie the ponytails: a parting down the middle, one behind each eye; two bands a side, the bows over them"
            }
        };
        let draft = Draft {
            what: what.into(),
            tool: "comb".into(),
            minutes: m::PONYTAIL * f64::from(self.ponytails()),
            zones: vec![Zone::Topknot],
            hazards: &[Hazard::Bands],
            topic: Some(Topic::SmallJobs),
            ..Draft::default()
        };
        self.push(Stage::Check, draft);
    }
}
