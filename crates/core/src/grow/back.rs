use std::cmp::Ordering;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::drifts::drifted;
use crate::balance::{BalancePoint, Judged};
use crate::coat::{CoatNow, KnotsBefore, Site, Texture, Zone};
use crate::plan::{Plan, PlanCoat, dress_plan};
use crate::shape::{Dressing, FRINGE};

/// What sets the day to come back.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ReturnBecause {
    /// The outline has gone.
    Outline,
    /// It has knotted.
    Knots,
    /// Hair lies over the eyes.
    Eyes,
}

/// What comes after the day, if one waits.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct IfYouWait {
    /// What.
    pub because: ReturnBecause,
    /// Days after the visit.
    pub days: u32,
    /// In a sentence.
    pub sentence: String,
}

/// The day to come back, the same wherever it is said (handbook 9, 10 H).
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Return {
    /// Days after the visit.
    pub days: u32,
    /// What sets it; none where nothing does within half a year.
    pub because: Option<ReturnBecause>,
    /// When and why, in one sentence.
    pub sentence: String,
    /// What comes later, and what waiting costs.
    pub if_you_wait: Vec<IfYouWait>,
    /// The day that is advised, where another was agreed.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(required = false)]
    pub advised_days: Option<u32>,
    /// What it is then, a phrase: “it reads longer”; early methods did not say.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub then: String,
}

/// A day agreed so near to the one advised is the same, days: a visit falls on some day of its week
/// (modelling choice).
const SAME_DAYS: u32 = 3;

/// How a day agreed lies to the one advised.
fn beside(agreed: u32, advised: u32) -> Ordering {
    if agreed.abs_diff(advised) <= SAME_DAYS {
        Ordering::Equal
    } else {
        agreed.cmp(&advised)
    }
}

impl Return {
    /// The same, where owner and stylist agreed on another day.
    #[must_use]
    pub fn agreed(self, days: Option<u32>) -> Self {
        let Some(agreed) = days.filter(|days| *days != self.days) else {
            return self;
        };
        let advised = self.days;
        let on = span(agreed);
        let sentence = match (self.because, beside(agreed, advised)) {
            (None, _) => format!("Agreed: back after {on}; feet, ears and skin want a look then."),
            (_, Ordering::Less) => format!("Agreed: back after {on}, before {}.", self.then),
            (_, Ordering::Equal) => format!("Agreed: back after {on}: then {}.", self.then),
            (_, Ordering::Greater) => format!(
                "Agreed: back after {on}; {} after {}. Each week later adds about a twentieth to combing out and feet.",
                self.then,
                span(advised)
            ),
        };
        Self {
            days: agreed,
            advised_days: Some(advised),
            sentence,
            ..self
        }
    }

    /// What it is then, in an owner's words; none where nothing sets the day.
    pub(super) fn owners_then(&self) -> Option<&str> {
        self.because.map(|because| match because {
            // What reads long is a stylist's word.
            ReturnBecause::Outline => "the cut loses its shape",
            ReturnBecause::Knots | ReturnBecause::Eyes => &self.then,
        })
    }

    /// Why on that day, as the owner reads it at home; nothing where nothing sets it.
    pub fn for_the_owner(&self) -> String {
        let advised = self.advised_days.unwrap_or(self.days);
        let Some(then) = self.owners_then() else {
            return String::new();
        };
        match beside(self.days, advised) {
            Ordering::Less => format!("Before {then}."),
            Ordering::Equal => format!("By then {then}."),
            Ordering::Greater => format!("After {} {then}.", span(advised)),
        }
    }
}

/// Come back when so many points have left their tolerance: it reproduces the habit of four to six
/// weeks (balance-model.md 13, common practice).
const POINTS_LOST: usize = 3;
/// How far ahead the outline is followed, days: half a year.
pub(super) const FURTHEST_DAYS: u32 = 182;
/// Nobody comes back sooner (handbook 9).
const SOONEST_DAYS: u32 = 14;
/// Share of the topknot that hangs over the eyes as a visor (dog-shape.md 13, as drawn).
const VISOR: f64 = 0.5;
/// Fewer minutes of brushing a week comb nothing through (modelling choice).
const LEAST_BRUSHING: u32 = 5;
/// Sites that rub knot in half the time (handbook 3, modelling choice).
const RUBS: f64 = 0.5;

/// Days after a full combing out until hair of a texture knots (handbook 3, *Knot day*, modelling
/// choice).
const fn texture_days(texture: Texture) -> f64 {
    match texture {
        Texture::Curl => 14.0,
        Texture::Fleece => 16.0,
        Texture::Silky => 10.0,
        Texture::Feathered => 21.0,
        Texture::Harsh => 35.0,
    }
}

/// How length changes that; hair under 6 mm never knots (handbook 3, modelling choice).
fn length_factor(mm: f64) -> Option<f64> {
    match mm {
        _ if mm < 6.0 => None,
        _ if mm < 13.0 => Some(2.0),
        _ if mm <= 40.0 => Some(1.0),
        _ => Some(0.7),
    }
}

/// The day to come back, with its reason, for an owner who brushes so many minutes a week; one who said
/// nothing is taken to brush. Hair over the eyes counts unless it does not matter to them.
///
/// # References
/// Handbook 9 and 10 H: the earliest of drift, knot day and eye day, never under 14 days. A point that is
/// off at finishing counts once it has drifted by one tolerance from there; balance-model.md 13: the
/// outline has gone with the third point. The brushing of knots restarts their count.
pub fn back(
    plan: &Plan,
    coat: &CoatNow,
    brushing_minutes_a_week: Option<u32>,
    minds_eyes: bool,
) -> Return {
    let dressing = dress_plan(plan, coat, PlanCoat::Tools);
    let is_brushed = brushing_minutes_a_week.is_none_or(|m| m >= LEAST_BRUSHING);
    let knots = knot_day(plan, coat, &dressing);
    let mut days: Vec<(ReturnBecause, u32, String)> = Vec::new();
    if let Some((day, gone)) = drift_day(plan, coat) {
        let what = match gone.len() {
            0 => "the outline goes".to_owned(),
            _ => gone.join(" and "),
        };
        days.push((ReturnBecause::Outline, day, what));
    }
    if let Some(day) = eye_day(plan, coat, &dressing).filter(|_| minds_eyes) {
        days.push((ReturnBecause::Eyes, day, "hair lies over the eyes".into()));
    }
    if let Some((day, place)) = knots.filter(|_| !is_brushed) {
        let what = format!("it is knotted {place}, since nobody brushes");
        days.push((ReturnBecause::Knots, day, what));
    }
    days.sort_by_key(|(_, day, _)| *day);
    let mut days = days.into_iter();
    let Some((because, day, what)) = days.next() else {
        return Return {
            days: FURTHEST_DAYS,
            because: None,
            sentence: "The outline holds for half a year; feet, ears and skin want a look sooner."
                .into(),
            if_you_wait: Vec::new(),
            advised_days: None,
            then: String::new(),
        };
    };
    let due = day.max(SOONEST_DAYS);
    let mut if_you_wait: Vec<IfYouWait> = days
        .map(|(because, day, what)| IfYouWait {
            because,
            days: day.max(due),
            sentence: format!("After {}: {what}.", span(day.max(due))),
        })
        .collect();
    if let Some((day, place)) = knots.filter(|_| is_brushed) {
        if_you_wait.push(IfYouWait {
            because: ReturnBecause::Knots,
            days: day,
            sentence: format!("Left unbrushed, it knots {place} after {}.", span(day)),
        });
    }
    Return {
        days: due,
        because: Some(because),
        sentence: format!(
            "Back after {}: then {what}. Each week later adds about a twentieth to combing out and feet.",
            span(due)
        ),
        if_you_wait,
        advised_days: None,
        then: what,
    }
}

/// Days as a person says them.
pub(super) fn span(days: u32) -> String {
    match days {
        1 => "a day".into(),
        0..14 => format!("{days} days"),
        _ => format!("{} weeks", (days + 3) / 7),
    }
}

/// Lengths of a plan after so many days, each grown from what the tools leave.
pub(super) fn grown(plan: &Plan, coat: &CoatNow, days: f64) -> Vec<f64> {
    let spots = plan.subject.spots.iter().zip(&plan.lengths_mm);
    spots
        .map(|(spot, mm)| coat.texture.growth_in(spot.zone).after(*mm, days))
        .collect()
}

/// The day the outline has gone, with the two kinds of points that go first.
fn drift_day(plan: &Plan, coat: &CoatNow) -> Option<(u32, Vec<&'static str>)> {
    let points = &plan.solution.points;
    let finished: Vec<f64> = points.iter().map(|p| p.off(&plan.lengths_mm)).collect();
    let gone = |day: u32| -> Vec<&BalancePoint> {
        let lengths = grown(plan, coat, f64::from(day));
        let of_both = points.iter().zip(&finished);
        let has_gone =
            |(point, then): &(&BalancePoint, &f64)| point.off(&lengths) > 1.0_f64.max(*then + 1.0);
        of_both.filter(has_gone).map(|(point, _)| point).collect()
    };
    let has_gone = |day: &u32| gone(*day).len() >= POINTS_LOST;
    // By weeks, then within the week: an outline that has gone does not come back.
    let week = (1..=FURTHEST_DAYS / 7).map(|w| w * 7).find(has_gone)?;
    let day = (week - 6..=week).find(has_gone)?;
    let of_day = gone(day);
    let judged = Judged::ALL.into_iter();
    let gone = judged.filter(|judged| of_day.iter().any(|p| p.judged == *judged));
    let mut seen = drifted(gone);
    seen.truncate(2);
    Some((day, seen))
}

/// The day hair hangs into the eyes; none if it does already or never will.
fn eye_day(plan: &Plan, coat: &CoatNow, dressing: &Dressing) -> Option<u32> {
    // A topknot too short to stand as a piece hangs over the eyes by its share all the same.
    let fringe = dressing
        .topknot
        .map_or(VISOR * dressing.zone_mm(Zone::Topknot), |t| t.visor);
    let room = FRINGE * plan.subject.build.head.length;
    let growth = coat.texture.growth_in(Zone::Topknot);
    let days = growth
        .days_to(fringe, room - fringe)
        .filter(|_| fringe < room)?;
    Some(whole(days)).filter(|day| *day <= FURTHEST_DAYS)
}

/// The first day it knots somewhere without brushing, and where: of places alike the one that rubs.
fn knot_day(plan: &Plan, coat: &CoatNow, dressing: &Dressing) -> Option<(u32, &'static str)> {
    let day = |mm: f64, does_rub: bool, before: Option<&KnotsBefore>| {
        let factor = length_factor(mm)?;
        let site = if does_rub { RUBS } else { 1.0 };
        let sooner = before.map_or(1.0, |b| b.sooner());
        Some(whole(texture_days(coat.texture) * factor * site * sooner))
    };
    let rubs = |zone: Zone| matches!(zone, Zone::TuckUp | Zone::HindIn | Zone::ForeIn);
    let of_zone = |zone: Zone| {
        let before = coat.knotted_before.get(&zone);
        Some((
            day(dressing.zone_mm(zone), rubs(zone), before)?,
            zone.place(),
        ))
    };
    // A site's hair is as long as its zone's; where a small job clears it, nothing is left to knot.
    let of_site = |site: Site| {
        let zone = site.zones().first()?;
        let before = coat.sites_knotted_before.get(&site);
        Some((
            day(dressing.zone_mm(*zone), site.rubs(), before)?,
            site.at(),
        ))
    };
    let usual = plan.subject.look.knots_at.iter().copied();
    let zones = usual.chain([Zone::TuckUp]);
    let zones = zones.chain(coat.knotted_before.keys().copied());
    let sites = coat.sites_knotted_before.keys().copied();
    let sites = sites.filter(|site| !site.is_of_hygiene() && *site != Site::Pads);
    zones
        .filter_map(of_zone)
        .chain(sites.filter_map(of_site))
        .min_by_key(|(day, _)| *day)
}

fn whole(days: f64) -> u32 {
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a few hundred days"
    )]
    let days = days.ceil().clamp(0.0, 9999.0) as u32;
    days
}
