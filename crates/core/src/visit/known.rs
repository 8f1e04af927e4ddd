use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::fold::Visit;
use super::past::{EarlierVisit, days_since, grown, growth_of};
use crate::body::Handling;
use crate::coat::{CoatFinish, Knots, KnotsBefore, Limit, Site, SiteMarks, Texture, Zone};
use crate::consult::{Part, Wish};
use crate::dog::{Dog, Programme};
use crate::frame::{Ago, DogSize, Felt, FrameInput};
use crate::look::{OwnLook, Placement, Shifts};
use crate::run::{Borne, Run, RunEnd, from_last, left_undone};
use crate::schools::Schools;
use crate::sheet::FromLastTime;
use crate::units::Length;

/// What is known of a dog when its next visit begins (handbook 10 A 2): it comes along in one entry, and
/// whatever is said afterwards wins over it.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct KnownDog {
    /// What hands and tape found, each with its age.
    pub frame: FrameInput,
    /// Its coat's texture.
    pub texture: Texture,
    /// A stand measured on it.
    pub stand: Option<f64>,
    /// How the coat is finished.
    pub finish: CoatFinish,
    /// The coat as it was left, grown since.
    pub grown_mm: BTreeMap<Zone, Length>,
    /// Days since.
    pub days: u32,
    /// The owner's own limits.
    pub limits: BTreeMap<Zone, Limit>,
    /// What the owner wants off or left.
    pub parts: BTreeMap<Part, Wish>,
    /// How it is to be handled.
    pub handling: Option<Handling>,
    /// The salon's own look it has.
    pub own_look: Option<OwnLook>,
    /// Lines moved by hand.
    pub lines: Placement,
    /// How far they were moved between their places.
    pub shifts: Shifts,
    /// What is done otherwise on it.
    #[serde(skip_serializing_if = "Schools::is_empty")]
    #[schema(required = false)]
    pub ways: Schools,
    /// Knots found at earlier visits.
    #[serde(skip_serializing_if = "BTreeMap::is_empty")]
    #[schema(required = false)]
    pub knotted_before: BTreeMap<Zone, KnotsBefore>,
    /// Sites found knotted at earlier visits.
    #[serde(skip_serializing_if = "BTreeMap::is_empty")]
    #[schema(required = false)]
    pub sites_knotted_before: BTreeMap<Site, KnotsBefore>,
    /// The stage of its programme that follows from the last; none for the whole groom.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(required = false)]
    pub programme: Option<Programme>,
    /// What last time's run says of steps.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schema(required = false)]
    pub from_last: Vec<FromLastTime>,
}

/// Age from which a frame no longer grows, months (handbook 10 A 2, modelling choice): toys and small
/// dogs, then the others.
const GROWN_MONTHS: (u16, u16) = (12, 18);

/// Whether a dog's frame had stopped growing at that visit; one of unknown age counts as grown.
fn had_grown(dog: &Dog, size: DogSize) -> bool {
    let months = match size {
        DogSize::Toy | DogSize::Small => GROWN_MONTHS.0,
        DogSize::Medium | DogSize::Large => GROWN_MONTHS.1,
    };
    dog.age_months.is_none_or(|age| age >= months)
}

/// What is known of a dog from visits that began before `now_ms`; none at its first.
///
/// # Units and shapes
/// `visits` in any order; `dog` as it stands today.
///
/// # References
/// Handbook 10 A 2: measures with the doubt their age adds, felt grades, never thinness; a puppy's frame
/// is shown and not carried.
pub fn known(dog: &Dog, visits: &[EarlierVisit], now_ms: i64) -> Option<KnownDog> {
    let mut earlier: Vec<&EarlierVisit> = visits.iter().filter(|v| v.began_ms < now_ms).collect();
    earlier.sort_by_key(|v| (v.began_ms, v.id));
    let last = *earlier.last()?;
    let said = &last.visit;
    let then = dog.clone().at(last.began_ms);
    let coat = grown(last, now_ms, growth_of(&earlier));
    Some(KnownDog {
        frame: frame(&then, &earlier, now_ms),
        texture: said.coat.texture,
        stand: said.coat.stand,
        finish: said.coat.finish,
        grown_mm: coat.zones_mm,
        days: coat.days,
        limits: said.owners_limits.clone(),
        parts: said.parts.clone(),
        handling: said.handling.clone(),
        own_look: said.own_look.clone(),
        lines: said.lines.clone(),
        shifts: said.shifts.clone(),
        ways: said.ways.clone(),
        knotted_before: before(&earlier, &Zone::ALL, |visit, zone| {
            visit.coat.knots.get(&zone).copied().unwrap_or_default()
        }),
        sites_knotted_before: before(&earlier, &Site::ALL, |visit, site| {
            visit
                .coat
                .sites
                .get(&site)
                .map(SiteMarks::knots)
                .unwrap_or_default()
        }),
        programme: said
            .programme
            .and_then(|stage| follows(stage, said.run.as_ref())),
        from_last: said.run.as_ref().map_or_else(Vec::new, from_last),
    })
}

/// Share of the steps that may be fidgeted through for a stage to be borne (modelling choice).
const FIDGETS: f64 = 0.25;

/// The stage that follows: the next where this one was gone through to its end, nothing of it refused or
/// left undone, little fidgeted; else the same again.
fn follows(stage: Programme, run: Option<&Run>) -> Option<Programme> {
    let is_borne = run.is_some_and(|run| {
        let of = |how: Borne| run.steps.iter().filter(|s| s.borne == Some(how)).count();
        let is_whole = run
            .ended
            .as_ref()
            .is_some_and(|e| e.how == RunEnd::Finished);
        let fidgets = of(Borne::Fidgets) as f64 / run.steps.len().max(1) as f64;
        is_whole && of(Borne::Refused) == 0 && left_undone(run).is_empty() && fidgets <= FIDGETS
    });
    if is_borne { stage.next() } else { Some(stage) }
}

/// Where it was ever knotted, over the visits from the first to the last.
fn before<P: Copy + Ord>(
    earlier: &[&EarlierVisit],
    places: &[P],
    knots: impl Fn(&Visit, P) -> Knots,
) -> BTreeMap<P, KnotsBefore> {
    let of_place = |place: P| {
        let visits = earlier.iter();
        visits
            .map(|v| knots(&v.visit, place) != Knots::None)
            .fold(KnotsBefore::default(), KnotsBefore::then)
    };
    let all = places.iter().map(|place| (*place, of_place(*place)));
    all.filter(|(_, before)| before.visits > 0).collect()
}

/// The newest word on everything, each from the visit at which it was really found.
fn frame(dog: &Dog, earlier: &[&EarlierVisit], now_ms: i64) -> FrameInput {
    let mut frame = FrameInput::default();
    let Some(last) = earlier.last() else {
        return frame;
    };
    let then = &last.visit.frame;
    (frame.size, frame.build) = (then.size, then.build);
    (frame.ear, frame.tail, frame.dome) = (then.ear, then.tail, then.dome);
    frame.own_type.clone_from(&then.own_type);
    if !had_grown(dog, then.size) {
        return frame;
    }
    for visit in earlier {
        let days = u32::try_from(days_since(visit, now_ms)).unwrap_or(u32::MAX);
        let (found, ago) = (&visit.visit.frame, &visit.visit.frame.ago);
        for (measure, taken) in &found.measures {
            if !ago.measures.contains_key(measure) {
                frame.measures.insert(*measure, *taken);
                frame.ago.measures.insert(*measure, days);
            }
        }
        for (angle, taken) in &found.angles {
            if !ago.angles.contains_key(angle) {
                frame.angles.insert(*angle, *taken);
                frame.ago.angles.insert(*angle, days);
            }
        }
        for (felt, grade) in &found.felt {
            if *felt != Felt::ThinOverRibs && !ago.felt.contains_key(felt) {
                frame.felt.insert(*felt, *grade);
                frame.ago.felt.insert(*felt, days);
                match found.felt_right.get(felt) {
                    Some(right) => frame.felt_right.insert(*felt, *right),
                    None => frame.felt_right.remove(felt),
                };
            }
        }
    }
    // What was taken back at the last visit stays taken back.
    frame.measures.retain(|m, _| then.measures.contains_key(m));
    frame.angles.retain(|a, _| then.angles.contains_key(a));
    frame.felt.retain(|f, _| then.felt.contains_key(f));
    frame.felt_right.retain(|f, _| then.felt.contains_key(f));
    let Ago {
        measures,
        angles,
        felt,
    } = &mut frame.ago;
    measures.retain(|m, _| frame.measures.contains_key(m));
    angles.retain(|a, _| frame.angles.contains_key(a));
    felt.retain(|f, _| frame.felt.contains_key(f));
    frame
}

impl KnownDog {
    /// Lays it under what is said from here on.
    pub(super) fn lay_under(&self, visit: &mut Visit) {
        visit.frame = FrameInput {
            stance: visit.frame.stance,
            ..self.frame.clone()
        };
        visit.coat.texture = self.texture;
        visit.coat.stand = self.stand;
        visit.coat.finish = self.finish;
        visit.coat.grown_mm.clone_from(&self.grown_mm);
        visit.coat.limits.clone_from(&self.limits);
        visit.owners_limits.clone_from(&self.limits);
        visit.parts.clone_from(&self.parts);
        visit.handling.clone_from(&self.handling);
        visit.own_look.clone_from(&self.own_look);
        visit.lines.clone_from(&self.lines);
        visit.shifts.clone_from(&self.shifts);
        visit.ways.clone_from(&self.ways);
        visit.coat.knotted_before.clone_from(&self.knotted_before);
        let sites_before = &self.sites_knotted_before;
        visit.coat.sites_knotted_before.clone_from(sites_before);
        visit.programme = self.programme;
        visit.from_last.clone_from(&self.from_last);
        visit.known_days = Some(self.days);
    }
}
