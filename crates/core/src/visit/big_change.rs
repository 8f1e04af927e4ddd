use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::recipe::Recipe;
use crate::coat::{CoatNow, Limit, LimitCause, Zone};
use crate::plan::Plan;
use crate::say::Words;
use crate::shape::{Dressing, dress_by_zone};
use crate::units::Length;

/// A change an owner should see and agree to by name before anything is clipped (handbook 9, *Big
/// change*).
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct BigChange {
    /// What changes, in one sentence.
    pub sentence: String,
    /// Half-way: what to set so that half of it is done this time.
    pub half_way: Vec<HalfWay>,
}

/// Half of a change on a zone.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct HalfWay {
    /// Where.
    pub zone: Zone,
    /// The limit that leaves half.
    pub limit: Limit,
}

/// Under this share of last time a change is big (handbook 9).
const BIG: f64 = 0.5;
/// A head cut this short or shorter is a short head, mm (handbook 5, *Nominal lengths*: look 3's, the
/// shortest that still is one).
const SHORT_HEAD_MM: f64 = 13.0;

const BODY: [Zone; 7] = [
    Zone::Back,
    Zone::Croup,
    Zone::Rump,
    Zone::Shoulder,
    Zone::Ribs,
    Zone::Hip,
    Zone::NeckSide,
];
const HEAD: [Zone; 3] = [Zone::Topknot, Zone::Cheek, Zone::Beard];

impl Recipe {
    /// What was left on a zone, mm.
    fn left_mm(&self, zone: Zone) -> Option<f64> {
        let there = self.zones.iter().find(|z| z.zone == zone)?;
        Some(f64::midpoint(there.from_mm.as_mm(), there.to_mm.as_mm()))
    }

    /// The dog as it went home last time, on its present frame.
    pub fn dressed(&self, plan: &Plan, coat: &CoatNow) -> Dressing {
        let finish = crate::look::Look::shipped(self.look.look).finish;
        let build = &plan.subject.build;
        dress_by_zone(build, coat.texture, plan.subject.stand, finish, &|zone| {
            let otherwise = || plan.zone_mm(zone).unwrap_or_else(|| coat.length_mm(zone));
            self.left_mm(zone).unwrap_or_else(otherwise)
        })
    }
}

/// Whether a plan is a big change against last time: the body under half of it, or the first short
/// head.
pub fn big_change(last: &Recipe, plan: &Plan, words: &Words<'_>) -> Option<BigChange> {
    let both = |zone: Zone| Some((last.left_mm(zone)?, plan.zone_mm(zone)?));
    let body = both(Zone::Back).filter(|(was, now)| *now < BIG * was);
    let head = both(Zone::Topknot)
        .filter(|(was, now)| *now < BIG * was && *now <= SHORT_HEAD_MM && *was > SHORT_HEAD_MM);
    let mut said = Vec::new();
    let mut zones: Vec<Zone> = Vec::new();
    let from_to =
        |(was, now): (f64, f64)| format!("{} from {}", words.length(now), words.bare(was));
    if let Some(change) = body {
        said.push(format!(
            "the body comes down to {} last time",
            from_to(change)
        ));
        zones.extend(BODY);
    }
    if let Some(change) = head {
        said.push(format!(
            "the head is short for the first time, {}",
            from_to(change)
        ));
        zones.extend(HEAD);
    }
    if said.is_empty() {
        return None;
    }
    let half_way = zones.into_iter().filter_map(|zone| {
        let (was, now) = both(zone).filter(|(was, now)| now < was)?;
        let limit = Limit {
            not_shorter_mm: Length::from_mm(f64::midpoint(was, now).round()).ok(),
            not_longer_mm: None,
            because: LimitCause::HalfWay,
        };
        Some(HalfWay { zone, limit })
    });
    Some(BigChange {
        half_way: half_way.collect(),
        sentence: format!(
            "A big change: {}. Show old beside new, and have it agreed by name.",
            said.join("; ")
        ),
    })
}
