use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::back::{FURTHEST_DAYS, Return, span};

/// How a dog stands to the day it was to come back.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Due {
    /// Days since that day; less than nothing while it is to come.
    pub days_over: i64,
    /// When, and what it is then, in a phrase: “due today: hair lies over the eyes”.
    pub words: String,
}

/// So many days before its day a dog is told of: a place can still be found (common practice).
const AHEAD_DAYS: i64 = 7;

impl Return {
    /// Whether a dog is due so many days after the visit; none while its day is far, and none once it has stayed
    /// away for half a year more: it goes elsewhere.
    pub fn due(&self, days_since: u32) -> Option<Due> {
        let days_over = i64::from(days_since) - i64::from(self.days);
        if !(-AHEAD_DAYS..=i64::from(FURTHEST_DAYS)).contains(&days_over) {
            return None;
        }
        let days = u32::try_from(days_over.abs()).unwrap_or_default();
        let when = match days_over {
            0 => "due today".to_owned(),
            -1 => "due tomorrow".to_owned(),
            over if over < 0 => format!("due in {}", span(days)),
            _ => format!("was due {} ago", span(days)),
        };
        let words = match self.owners_then() {
            Some(then) => format!("{when}: {then}"),
            None => when,
        };
        Some(Due { days_over, words })
    }
}
