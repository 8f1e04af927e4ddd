use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::fit::Fit;
use crate::coat::{Zone, whole_weeks};
use crate::grow::Return;
use crate::job::Job;
use crate::look::{LookId, Upkeep};
use crate::report::PlanReport;
use crate::say::Words;

/// A look offered on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Offer {
    /// Which look.
    pub look: LookId,
    /// Its name.
    pub name: String,
    /// Why it stands where it stands, in one sentence; empty where there is nothing to say.
    pub sentence: String,
    /// What it cannot do on this dog today, a sentence each, the most telling first.
    pub cannot: Vec<String>,
    /// Body, legs and head, as the plan leaves them.
    pub lengths: Vec<OfferLength>,
    /// What the owner takes on.
    pub upkeep: Upkeep,
    /// When to come back, and why.
    pub back: Option<Return>,
    /// Where it knots first.
    pub knots_at: Vec<String>,
    /// Minutes at the table.
    pub minutes: f64,
    /// Price from, in the salon's own money.
    pub price_from: u32,
    /// Price to.
    pub price_to: u32,
    /// What it is ranked by: the less, the better.
    pub cost: f64,
}

/// A length of an offer.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OfferLength {
    /// Where.
    pub label: String,
    /// How long, as it is written, with its unit: one length, or from and to.
    pub text: String,
}

/// Most sentences of what a look cannot do: what fits under a small dog.
const MOST_CANNOT: usize = 3;
/// A length that is missing by less is not worth a word, mm.
const WORTH_A_WORD_MM: f64 = 3.0;
/// A price band is rounded to this, and so wide (modelling choice).
const ROUND_TO: f64 = 5.0;
const BAND: f64 = 0.1;

/// Writes the offer of a solved look.
pub fn offer(fit: &Fit, report: &PlanReport, job: &Job) -> Offer {
    let words = Words {
        house: &job.house,
        kit: &job.kit,
    };
    let height = job.sides.left.height;
    let mut cannot = missing(job, &words);
    let mut off: Vec<&str> = report
        .balance
        .iter()
        .filter_map(|row| row.fault.as_deref())
        .collect();
    off.truncate(MOST_CANNOT);
    cannot.extend(off.into_iter().map(str::to_owned));
    cannot.truncate(MOST_CANNOT);
    let price = report.sheet.minutes / 60.0 * job.house.table_rate;
    let band = |factor: f64| {
        let rounded = ((price * factor) / ROUND_TO).round() * ROUND_TO;
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a price, checked in the settings"
        )]
        let whole = rounded.clamp(0.0, 1e6) as u32;
        whole
    };
    Offer {
        look: job.look.id,
        name: job.look.called().to_owned(),
        sentence: sentence(fit),
        cannot,
        lengths: lengths(report, words.unit()),
        upkeep: job.look.upkeep(height),
        back: report.back.clone(),
        knots_at: job.look.knots_at.iter().map(|z| z.place().into()).collect(),
        minutes: report.sheet.minutes,
        price_from: band(1.0 - BAND),
        price_to: band(1.0 + BAND),
        cost: fit.cost + report.scores.plan,
    }
}

/// The longest lengths that are not there yet, with when they will be.
fn missing(job: &Job, words: &Words<'_>) -> Vec<String> {
    let height = job.sides.left.height;
    let mut short: Vec<(Zone, f64, f64)> = Zone::ALL
        .into_iter()
        .filter(|zone| zone.is_judged())
        .map(|zone| {
            let (asked, there) = (job.look.nominal_mm(zone, height), job.coat.length_mm(zone));
            (zone, asked, there)
        })
        .filter(|(_, asked, there)| asked - there > WORTH_A_WORD_MM)
        .collect();
    short.sort_by(|a, b| (b.1 - b.2).total_cmp(&(a.1 - a.2)));
    short
        .into_iter()
        .take(1)
        .map(|(zone, asked, there)| {
            let growth = job.coat.texture.growth_in(zone);
            let weeks = whole_weeks(growth.days_to(there, asked - there));
            let when = match weeks {
                Some(weeks) => format!("about {} weeks away", weeks.max(1)),
                None => "more than this coat grows".into(),
            };
            format!(
                "It asks {} {}; {} is there: {when}.",
                words.length(asked),
                zone.place(),
                words.bare(there)
            )
        })
        .collect()
}

/// What speaks for and against a look, in one sentence; empty where there is nothing to say.
pub(super) fn sentence(fit: &Fit) -> String {
    let list = |words: &[String]| words.iter().take(3).cloned().collect::<Vec<_>>().join(", ");
    let text = match (fit.for_it.is_empty(), fit.against.is_empty()) {
        (true, true) => return String::new(),
        (false, true) => list(&fit.for_it),
        (true, false) => list(&fit.against),
        (false, false) => format!("{}; but {}", list(&fit.for_it), list(&fit.against)),
    };
    let mut letters = text.chars();
    let first = letters.next().map(|c| c.to_uppercase().to_string());
    format!("{}{}.", first.unwrap_or_default(), letters.as_str())
}

fn lengths(report: &PlanReport, millimetres_or_inches: &str) -> Vec<OfferLength> {
    use crate::solve::Unit as U;
    [
        (U::BackFront, "body"),
        (U::ForeOut, "legs"),
        (U::Topknot, "head"),
    ]
    .into_iter()
    .filter_map(|(unit, label)| {
        let row = report.units.iter().find(|u| u.unit == unit)?;
        Some(OfferLength {
            label: label.into(),
            text: format!("{} {millimetres_or_inches}", row.text),
        })
    })
    .collect()
}
