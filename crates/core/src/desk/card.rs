use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Desk, Solved};
use crate::consult::Offer;
use crate::grow::Return;
use crate::solve::SolveError;
use crate::visit::{CARD_LETTERS, CardText, owner_card};

/// The owner card, line by line.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct CardHere {
    /// Its lines, in the order they are read.
    pub lines: Vec<CardText>,
    /// The day to come back, as it stands on it.
    pub back: Option<Return>,
    /// Most letters of a line.
    pub most_letters: usize,
}

impl Desk<'_> {
    /// The owner card of the look chosen, or the first.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn card(&self) -> Result<CardHere, SolveError> {
        let (offer, solved) = self.agreed()?;
        Ok(self.card_of(&offer, &solved))
    }

    /// The same of what is agreed.
    pub fn card_of(&self, offer: &Offer, solved: &Solved) -> CardHere {
        CardHere {
            lines: owner_card(self.visit, offer, &solved.report, &self.words()),
            back: offer.back.clone(),
            most_letters: CARD_LETTERS,
        }
    }
}
