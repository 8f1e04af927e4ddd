use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::Desk;
use super::answer::{Reasons, Solved};
use super::what_if::PartHere;
use crate::consult::{Offer, Talk, fit, offer};
use crate::drawing::{DrawOptions, Drawing, Layers, TalkPlaces};
use crate::job::Job;
use crate::look::LookId;
use crate::solve::{SolveError, in_halves};
use crate::visit::LookChoice;

/// Looks drawn in full at most.
pub const MOST_SHOWN: usize = 3;

/// Every look on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Offers {
    /// All looks, best first.
    pub offers: Vec<Offer>,
    /// Some of them drawn on this dog, at one scale.
    pub shown: Vec<ShownLook>,
    /// All of them, best first, small: to be told apart at a glance.
    pub rail: Vec<ShownLook>,
    /// What the owner may want off or left, whatever the look.
    pub parts: Vec<PartHere>,
}

/// A look drawn on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ShownLook {
    /// Which.
    pub look: LookId,
    /// The dog in it.
    pub drawing: Drawing,
    /// What the dog itself takes of the drawing's page: left, bottom, right, top, mm.
    pub drawn_mm: [f64; 4],
    /// Where the questions ask on it; none on the rail.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub asks: Option<TalkPlaces>,
}

impl Desk<'_> {
    /// The look chosen, or the first, as an offer with its plan.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn agreed(&self) -> Result<(Offer, Solved), SolveError> {
        self.offer_in(self.chosen_job())
    }

    fn offer_of(&self, choice: LookChoice) -> Result<(Offer, Solved), SolveError> {
        self.offer_in(self.job(choice))
    }

    fn offer_in(&self, job: Job) -> Result<(Offer, Solved), SolveError> {
        let solved = self.solve(&job, Reasons::Skip)?;
        let nothing_said = Talk::default();
        let talk = self.visit.talk.as_ref().unwrap_or(&nothing_said);
        let fit = fit(&job.look, talk, &job.coat, &self.frame.build);
        Ok((offer(&fit, &solved.report, &job), solved))
    }

    /// Every look on this dog, best first, the first `shown` with their drawing.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn offers(&self, shown: &[LookId], options: &DrawOptions) -> Result<Offers, SolveError> {
        let weigh = |looks: &[LookId]| -> Result<Vec<(Offer, Solved)>, SolveError> {
            looks
                .iter()
                .map(|look| {
                    self.offer_of(LookChoice {
                        look: *look,
                        body_mm: None,
                    })
                })
                .collect()
        };
        let mut ranked = in_halves(self.workers, &LookId::ALL, weigh)?;
        ranked.sort_by(|a, b| a.0.cost.total_cmp(&b.0.cost));
        let wanted: Vec<LookId> = if shown.is_empty() {
            ranked
                .iter()
                .take(MOST_SHOWN)
                .map(|(o, _)| o.look)
                .collect()
        } else {
            shown.iter().copied().take(MOST_SHOWN).collect()
        };
        let drawings = wanted
            .iter()
            .filter_map(|look| {
                let (_, solved) = ranked.iter().find(|(o, _)| o.look == *look)?;
                let drawing = self.draw(Some(solved), options);
                Some(ShownLook {
                    look: *look,
                    drawn_mm: drawing.drawn_mm(),
                    drawing,
                    asks: Some(self.talk_places(solved)),
                })
            })
            .collect();
        let rail = ranked.iter().map(|(offer, solved)| {
            let drawing = self.draw(Some(solved), &small());
            ShownLook {
                look: offer.look,
                drawn_mm: drawing.drawn_mm(),
                drawing,
                asks: None,
            }
        });
        Ok(Offers {
            rail: rail.collect(),
            shown: drawings,
            offers: ranked.into_iter().map(|(offer, _)| offer).collect(),
            parts: self.parts()?,
        })
    }
}

/// How a look hangs on the rail: the dog in it and nothing beside.
fn small() -> DrawOptions {
    DrawOptions {
        layers: Layers {
            table: false,
            now: false,
            plan: true,
            skin: false,
            ..Layers::default()
        },
        is_small: true,
        ..DrawOptions::default()
    }
}
