use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::fit::fit;
use super::offer::sentence;
use super::talk::Talk;
use crate::coat::CoatNow;
use crate::frame::Build;
use crate::look::{Look, LookId};

/// A look as it sits on this dog at first sight, nothing solved.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct LookHere {
    /// Which.
    pub look: LookId,
    /// What speaks for and against it; empty where there is nothing to say.
    pub sentence: String,
}

/// All looks by coat, build and what the owner said, the best first.
pub fn looks_here(talk: &Talk, coat: &CoatNow, build: &Build) -> Vec<LookHere> {
    let mut weighed: Vec<(f64, LookHere)> = LookId::ALL
        .into_iter()
        .map(|look| {
            let fit = fit(&Look::shipped(look), talk, coat, build);
            let sentence = sentence(&fit);
            (fit.cost, LookHere { look, sentence })
        })
        .collect();
    weighed.sort_by(|a, b| a.0.total_cmp(&b.0));
    weighed.into_iter().map(|(_, here)| here).collect()
}
