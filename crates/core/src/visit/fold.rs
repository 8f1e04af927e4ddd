use std::collections::{BTreeMap, BTreeSet, HashSet};

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::card::CardLine;
use super::entry::{Entry, EntryBody, LookChoice};
use super::recipe::{Correction, Recipe, Record};
use super::refusal::RETURN_DAYS;
use crate::body::{Found, Handling, Outcome};
use crate::coat::{CoatInput, Knots, Limit, Zone};
use crate::consult::{Part, Talk, Wish};
use crate::dog::{Dog, Programme};
use crate::finish::{Looked, ZoneResult};
use crate::frame::{Felt, FrameInput, Grade, Known};
use crate::look::{OwnLook, Placement, Shifts};
use crate::photo::{PhotoMarks, PhotoMoment};
use crate::picture::OwnersPicture;
use crate::run::{Run, RunEvent, put_knot};
use crate::schools::{Answer, Question, Schools};
use crate::sheet::FromLastTime;
use crate::units::Length;

/// The visit as it stands: what all entries together say.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Visit {
    /// What the owner answered; none while nobody asked.
    #[serde(default)]
    pub talk: Option<Talk>,
    /// Parts the owner wants off, or left.
    #[serde(default)]
    pub parts: BTreeMap<Part, Wish>,
    /// Who agreed to a big change, by name; empty while nobody did.
    #[serde(default)]
    pub change_agreed: String,
    /// The day agreed to come back, days after the visit; none for the day that is advised.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub return_agreed_days: Option<u32>,
    /// Lines of the owner card that were worded otherwise; nothing leaves one out.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub card: BTreeMap<CardLine, String>,
    /// Photos the owner lets be shown to others.
    #[serde(default)]
    pub may_be_shown: BTreeSet<Uuid>,
    /// What the hands found.
    pub frame: FrameInput,
    /// What the dog weighs, kg; none while nobody put it on a scale.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub weight_kg: Option<f64>,
    /// What was said of the coat.
    pub coat: CoatInput,
    /// What was found on the body, in the order it was found.
    #[serde(default)]
    pub found: Vec<Found>,
    /// What became of what was found before.
    #[serde(default)]
    pub outcomes: BTreeMap<Uuid, Outcome>,
    /// How the dog is to be handled; none while nobody said.
    #[serde(default)]
    pub handling: Option<Handling>,
    /// What was touched on photos.
    #[serde(default)]
    pub photos: BTreeMap<Uuid, PhotoMarks>,
    /// Photos whose moment was said.
    #[serde(default)]
    pub photo_moments: BTreeMap<Uuid, PhotoMoment>,
    /// The owner's picture.
    #[serde(default)]
    pub picture: Option<OwnersPicture>,
    /// The look chosen.
    pub look: Option<LookChoice>,
    /// The salon's own look chosen, as it stood then.
    #[serde(default)]
    pub own_look: Option<OwnLook>,
    /// Lines moved by hand.
    #[serde(default)]
    pub lines: Placement,
    /// How far lines were moved between their places by hand.
    #[serde(default)]
    pub shifts: Shifts,
    /// The run at the table; none before it begins.
    #[serde(default)]
    pub run: Option<Run>,
    /// What zones were really left at.
    #[serde(default)]
    pub results: BTreeMap<Zone, ZoneResult>,
    /// Places of the finished dog that were looked at and are good.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub looked: Vec<Looked>,
    /// What was touched up after the check, in the order it was done.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub touched_up: Vec<String>,
    /// The groom in words.
    #[serde(default)]
    pub record: Record,
    /// Last time's recipe, where it is followed.
    #[serde(default)]
    pub recipe: Option<Recipe>,
    /// What the owner corrected, the last word on each zone.
    #[serde(default)]
    pub corrections: Vec<Correction>,
    /// The limits that are the owner's own and stay with the dog, whatever knots or a slip asked for since.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub owners_limits: BTreeMap<Zone, Limit>,
    /// Days since the visit before, where what it knew came along.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub known_days: Option<u32>,
    /// What is done otherwise on this dog.
    #[serde(default, skip_serializing_if = "Schools::is_empty")]
    pub ways: Schools,
    /// The same at this visit alone.
    #[serde(default, skip_serializing_if = "Schools::is_empty")]
    pub ways_today: Schools,
    /// The stage of its programme; none for the whole groom.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub programme: Option<Programme>,
    /// What last time's run says of steps.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub from_last: Vec<FromLastTime>,
    /// Who works; empty where nobody said.
    #[serde(default)]
    pub stylist: String,
    /// Notes, in the order they were written.
    pub notes: Vec<String>,
    /// Plans kept, oldest first.
    pub plans: Vec<Uuid>,
    /// What undo would take back.
    pub undo: Option<UndoStep>,
    /// What redo would bring back.
    pub redo: Option<UndoStep>,
    /// How many different entries there are.
    pub entries: u32,
}

/// Where an answer comes from: the nearest to the dog is in force (handbook 10 A 8).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum WayOf {
    /// Said for this visit alone.
    Today,
    /// This dog's own.
    Dog,
    /// Of the salon's own look it gets.
    Look,
    /// The salon's.
    Salon,
    /// Ours, where nobody said anything.
    Ours,
}

impl Visit {
    /// The answers in force: this visit's before this dog's before the look's before the salon's.
    pub fn ways_over(&self, salon: &Schools) -> Schools {
        let of_look = self.own_look.as_ref().map(|own| own.ways.over(salon));
        let below = of_look.as_ref().unwrap_or(salon);
        self.ways_today.over(&self.ways.over(below))
    }

    /// Where the answer in force comes from.
    pub fn way_of(&self, question: Question, salon: &Schools) -> WayOf {
        let said = |schools: &Schools| schools.said(question).is_some();
        if said(&self.ways_today) {
            WayOf::Today
        } else if said(&self.ways) {
            WayOf::Dog
        } else if self.own_look.as_ref().is_some_and(|own| said(&own.ways)) {
            WayOf::Look
        } else if said(salon) {
            WayOf::Salon
        } else {
            WayOf::Ours
        }
    }
}

/// The entry an undo or redo would act on.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct UndoStep {
    /// The entry.
    pub entry: Uuid,
    /// What it was about.
    pub label: String,
}

/// Letters of a touch-up that are kept: the check's own sentences are shorter.
const TOUCH_UP_LETTERS: usize = 120;
/// Letters of a stylist's or an owner's name that count: as many as the salon's settings take.
const NAME_LETTERS: usize = 60;

/// Folds a log of entries, in any order and with repeats, into the visit's present state.
///
/// Entries are taken in the order in which they were said ([`Entry::said_order`]), so that late arrivals, retries
/// and another screen's entries give the same visit. An undo names the entry it takes back; what
/// it took back can be redone until something new is said.
///
/// # Examples
/// ```
/// use veliform_core::visit::fold;
/// use veliform_core::dog::Dog;
/// # let dog: Dog = serde_json::from_str(
/// #   r#"{"id":"00000000-0000-0000-0000-000000000001","name":"Tappet"}"#)?;
/// assert_eq!(fold(&dog, &[]).look, None);
/// # Ok::<(), serde_json::Error>(())
/// ```
pub fn fold<'a>(dog: &Dog, entries: impl IntoIterator<Item = &'a Entry>) -> Visit {
    let mut seen = HashSet::new();
    let entries = entries.into_iter();
    let mut ordered: Vec<&Entry> = entries.filter(|e| seen.insert(e.id)).collect();
    ordered.sort_by_key(|e| e.said_order());

    let mut done: Vec<Said<'_>> = Vec::new();
    let mut undone: Vec<&Entry> = Vec::new();
    for entry in &ordered {
        match &entry.body {
            EntryBody::Undone { entry: target } => {
                if let Some(i) = done.iter().position(|s| s.counts(*target)) {
                    undone.push(done[i].entry);
                    if is_renewal(done[i].entry) {
                        done[i].is_taken_back = true;
                    } else {
                        done.remove(i);
                    }
                }
            }
            EntryBody::Redone { entry: target } => {
                if let Some(i) = undone.iter().position(|e| e.id == *target) {
                    let entry = undone.remove(i);
                    done.retain(|s| s.entry.id != entry.id);
                    done.push(Said::new(entry));
                }
            }
            _ => {
                undone.clear();
                done.push(Said::new(entry));
            }
        }
    }
    let step = |entry: &Entry| UndoStep {
        entry: entry.id,
        label: entry.body.label(),
    };
    let last = done.iter().rfind(|s| !s.is_taken_back);
    let mut visit = Visit {
        undo: last.map(|s| step(s.entry)),
        redo: undone.last().map(|e| step(e)),
        entries: u32::try_from(ordered.len()).unwrap_or(u32::MAX),
        ..start(dog)
    };
    for said in done {
        let body = &said.entry.body;
        if said.is_taken_back {
            visit.run.iter_mut().for_each(Run::keep_as_it_was);
            continue;
        }
        apply(&mut visit, body, said.entry.at_ms);
        owners_leave(&mut visit, dog, body);
        if may_change_the_plan(body) {
            visit.run.iter_mut().for_each(Run::mark_changed);
        }
    }
    visit
}

/// An entry in the order it was said.
struct Said<'a> {
    entry: &'a Entry,
    /// The rest of a groom was planned anew, and that was taken back: the sheet stays as it was, and is not
    /// made anew again for the same reason.
    is_taken_back: bool,
}

impl<'a> Said<'a> {
    const fn new(entry: &'a Entry) -> Self {
        Self {
            entry,
            is_taken_back: false,
        }
    }

    fn counts(&self, entry: Uuid) -> bool {
        self.entry.id == entry && !self.is_taken_back
    }
}

/// What the owner said once of photos: with leave for all, a finished dog's may be shown until it is said
/// otherwise of that one; without, none is, whatever is said of it.
fn owners_leave(visit: &mut Visit, dog: &Dog, body: &EntryBody) {
    match (dog.at_home.photos_may_be_shown, body) {
        (
            Some(true),
            EntryBody::PhotoTaken {
                photo,
                moment: PhotoMoment::After,
            },
        ) => {
            visit.may_be_shown.insert(*photo);
        }
        (Some(false), EntryBody::PhotoLeave { photo, .. }) => {
            visit.may_be_shown.remove(photo);
        }
        _ => {}
    }
}

fn is_renewal(entry: &Entry) -> bool {
    let EntryBody::Run { event } = &entry.body else {
        return false;
    };
    matches!(event, RunEvent::Renewed { .. })
}

/// What a plan is made of: said in mid-groom, the steps to come may change.
const fn may_change_the_plan(body: &EntryBody) -> bool {
    matches!(
        body,
        EntryBody::LimitSet { .. }
            | EntryBody::PartWished { .. }
            | EntryBody::KnotsSet { .. }
            | EntryBody::MarksSet { .. }
            | EntryBody::SiteSet { .. }
            | EntryBody::ZoneSet { .. }
            | EntryBody::StandSet { .. }
            | EntryBody::FoundPut { .. }
            | EntryBody::FoundRemoved { .. }
            | EntryBody::HandlingSet { .. }
            | EntryBody::LookChosen { .. }
            | EntryBody::OwnLookSet { .. }
            | EntryBody::LineMoved { .. }
            | EntryBody::LineShifted { .. }
            | EntryBody::Corrected { .. }
            | EntryBody::WaySaid { .. }
    )
}

fn start(dog: &Dog) -> Visit {
    Visit {
        frame: FrameInput {
            size: dog.size,
            build: dog.build,
            ear: dog.ear,
            tail: dog.tail,
            ..FrameInput::default()
        },
        coat: CoatInput {
            texture: dog.texture,
            ..CoatInput::default()
        },
        ..Visit::default()
    }
}

/// What a zone was left at; nothing takes it back.
fn put_result(visit: &mut Visit, zone: Zone, result: ZoneResult) {
    if result.is_empty() {
        visit.results.remove(&zone);
    } else {
        visit.results.insert(zone, result);
    }
}

fn apply(visit: &mut Visit, body: &EntryBody, at_ms: i64) {
    match body {
        EntryBody::MeasureSet { measure, taken } => {
            visit.frame.measures.insert(*measure, *taken);
            visit.frame.ago.is_found_now(Known::Measure(*measure));
        }
        EntryBody::MeasureCleared { measure } => {
            visit.frame.measures.remove(measure);
            visit.frame.ago.is_found_now(Known::Measure(*measure));
        }
        EntryBody::AngleSet { angle, taken } => {
            visit.frame.angles.insert(*angle, *taken);
            visit.frame.ago.is_found_now(Known::Angle(*angle));
        }
        EntryBody::AngleCleared { angle } => {
            visit.frame.angles.remove(angle);
            visit.frame.ago.is_found_now(Known::Angle(*angle));
        }
        EntryBody::FeltSet { felt, grade, right } => feel(&mut visit.frame, *felt, *grade, *right),
        EntryBody::ProgrammeSet { programme } => visit.programme = *programme,
        EntryBody::WeightSet { kg } => visit.weight_kg = *kg,
        EntryBody::StanceSet { stance } => visit.frame.stance = *stance,
        EntryBody::SizeSet { size } => visit.frame.size = *size,
        EntryBody::BuildSet { build } => visit.frame.build = *build,
        EntryBody::OwnTypeSet { own_type } => visit.frame.own_type.clone_from(own_type),
        EntryBody::PhotoMarked { photo, marks } => {
            visit.photos.insert(*photo, marks.clone());
        }
        EntryBody::PhotoTaken { photo, moment } => {
            visit.photo_moments.insert(*photo, *moment);
        }
        EntryBody::PictureTouched { picture } => visit.picture.clone_from(picture),
        EntryBody::PartWished { part, wish } => match wish {
            Some(wish) => {
                visit.parts.insert(*part, *wish);
            }
            None => {
                visit.parts.remove(part);
            }
        },
        EntryBody::ChangeAgreed { name } => {
            visit.change_agreed = name.trim().chars().take(NAME_LETTERS).collect();
        }
        EntryBody::ReturnAgreed { days } => {
            // What is only tried is refused by nobody.
            visit.return_agreed_days = days.filter(|days| RETURN_DAYS.contains(days));
        }
        EntryBody::CardLineSaid { line, text } => match text {
            Some(text) => {
                // One line, whatever was pasted.
                let words: Vec<&str> = text.split_whitespace().collect();
                visit.card.insert(*line, words.join(" "));
            }
            None => {
                visit.card.remove(line);
            }
        },
        EntryBody::PhotoLeave {
            photo,
            may_be_shown,
        } => {
            if *may_be_shown {
                visit.may_be_shown.insert(*photo);
            } else {
                visit.may_be_shown.remove(photo);
            }
        }
        EntryBody::TalkSet { talk } => visit.talk = Some(talk.clone()),
        EntryBody::EarSet { ear } => visit.frame.ear = *ear,
        EntryBody::TailSet { tail } => visit.frame.tail = *tail,
        EntryBody::DomeSet { dome } => visit.frame.dome = *dome,
        EntryBody::TextureSet { texture } => visit.coat.texture = *texture,
        EntryBody::StandSet { stand } => visit.coat.stand = *stand,
        EntryBody::CoatAllOver { length_mm } => visit.coat.all_over_mm = *length_mm,
        EntryBody::ZoneSet { zone, length_mm } => match length_mm {
            Some(length) => {
                visit.coat.zones_mm.insert(*zone, *length);
            }
            None => {
                visit.coat.zones_mm.remove(zone);
            }
        },
        EntryBody::KnotsSet { zone, knots } => {
            if *knots == Knots::None {
                visit.coat.knots.remove(zone);
            } else {
                visit.coat.knots.insert(*zone, *knots);
            }
        }
        EntryBody::LimitSet { zone, limit } => {
            if limit.not_shorter_mm.is_none() && limit.not_longer_mm.is_none() {
                visit.coat.limits.remove(zone);
                visit.owners_limits.remove(zone);
            } else {
                visit.coat.limits.insert(*zone, *limit);
                if limit.because.is_the_owners() {
                    visit.owners_limits.insert(*zone, *limit);
                }
            }
        }
        EntryBody::CoatGrown { zones_mm, .. } => visit.coat.zones_mm.clone_from(zones_mm),
        EntryBody::FinishSet { finish } => visit.coat.finish = *finish,
        EntryBody::MarksSet { zone, marks } => {
            if marks.is_empty() {
                visit.coat.marks.remove(zone);
            } else {
                visit.coat.marks.insert(*zone, *marks);
            }
        }
        EntryBody::SiteSet { site, marks } => {
            if marks.is_empty() {
                visit.coat.sites.remove(site);
            } else {
                visit.coat.sites.insert(*site, *marks);
            }
        }
        EntryBody::FoundPut { found } => match visit.found.iter_mut().find(|f| f.id == found.id) {
            Some(there) => there.clone_from(found),
            None => visit.found.push(found.clone()),
        },
        EntryBody::FoundRemoved { found } => visit.found.retain(|f| f.id != *found),
        EntryBody::OutcomeSet { found, outcome } => {
            visit.outcomes.insert(*found, *outcome);
        }
        EntryBody::HandlingSet { handling } => visit.handling = Some(handling.clone()),
        EntryBody::LookChosen { choice } => {
            visit.look = Some(*choice);
            visit.own_look = None;
        }
        EntryBody::OwnLookSet { own } => {
            if let Some(own) = own {
                visit.look = Some(LookChoice {
                    look: own.base,
                    body_mm: own.body_mm,
                });
                for stop in own.lines.stops() {
                    visit.lines.put(stop);
                }
            }
            visit.own_look.clone_from(own);
        }
        EntryBody::LineMoved { line, stop } => match stop {
            Some(stop) if stop.line() == *line => {
                visit.lines.put(*stop);
                visit.shifts.put(*line, Length::ZERO);
            }
            Some(_) => {}
            None => {
                visit.lines.free(*line);
                visit.shifts.put(*line, Length::ZERO);
            }
        },
        EntryBody::LineShifted { line, by_mm } => visit.shifts.put(*line, *by_mm),
        EntryBody::NoteWritten { text } => {
            if !text.trim().is_empty() {
                visit.notes.push(text.trim().to_owned());
            }
        }
        EntryBody::StylistSet { stylist } => {
            visit.stylist = stylist.trim().chars().take(NAME_LETTERS).collect();
        }
        EntryBody::Run { event } => run(visit, event, at_ms),
        EntryBody::ResultSet { zone, result } => put_result(visit, *zone, *result),
        EntryBody::LookedAt { places } => {
            for place in places {
                if !visit.looked.contains(place) {
                    visit.looked.push(*place);
                }
            }
        }
        EntryBody::TouchedUp { zone, what, result } => {
            put_result(visit, *zone, *result);
            visit
                .touched_up
                .push(what.trim().chars().take(TOUCH_UP_LETTERS).collect());
        }
        EntryBody::RecordSet { record } => visit.record.clone_from(record),
        EntryBody::RecipeTaken { recipe } => {
            if let Some(recipe) = recipe {
                visit.look = Some(recipe.look);
                visit.lines.clone_from(&recipe.lines);
                visit.shifts.clone_from(&recipe.shifts);
                for (zone, limit) in &recipe.limits {
                    visit.coat.limits.entry(*zone).or_insert(*limit);
                }
            }
            visit.recipe.clone_from(recipe);
        }
        EntryBody::Corrected { correction } => {
            let zone = correction.zone;
            if correction.can_be() {
                let limit = visit.coat.limits.entry(zone).or_default();
                *limit = correction.into_limit(*limit);
                visit.owners_limits.insert(zone, *limit);
            }
            visit.corrections.retain(|c| c.zone != zone);
            visit.corrections.push(*correction);
        }
        EntryBody::BroughtAlong { known } => known.lay_under(visit),
        EntryBody::StillSo { what } => {
            for found in what {
                visit.frame.ago.is_found_now(*found);
            }
        }
        EntryBody::WaySaid {
            question,
            answer,
            today_only,
        } => way(visit, *question, *answer, *today_only),
        EntryBody::PlanKept { plan } => visit.plans.push(*plan),
        EntryBody::Undone { .. } | EntryBody::Redone { .. } => {}
    }
}

/// What is said last of a question holds: for today alone it lies over the dog's own, for good it takes
/// the place of both.
fn way(visit: &mut Visit, question: Question, answer: Option<Answer>, today_only: bool) {
    let answer = answer.filter(|a| a.question() == question);
    let put = |ways: &mut Schools| {
        let open = std::mem::take(ways).without(question);
        *ways = answer.map_or(open.clone(), |answer| open.with(answer));
    };
    if today_only {
        put(&mut visit.ways_today);
    } else {
        visit.ways_today = std::mem::take(&mut visit.ways_today).without(question);
        put(&mut visit.ways);
    }
}

/// What the table says of the coat.
fn of_the_coat(visit: &mut Visit, event: &RunEvent) {
    if let RunEvent::KnotMet {
        knot,
        way,
        leaves_mm,
        ..
    } = event
    {
        put_knot(&mut visit.coat, knot, *way, *leaves_mm);
        visit.run.iter_mut().for_each(Run::mark_changed);
    }
}

/// A run begins once; a second beginning is another screen's, unless the first is over.
fn run(visit: &mut Visit, event: &RunEvent, at_ms: i64) {
    match (&mut visit.run, event) {
        (Some(run), RunEvent::Began { sheet }) if run.ended.is_some() => {
            *run = Run::begin(sheet, at_ms);
        }
        (None, RunEvent::Began { sheet }) => visit.run = Some(Run::begin(sheet, at_ms)),
        (Some(run), event) => {
            run.take(event, at_ms);
            if run.ended.is_none() {
                of_the_coat(visit, event);
            }
        }
        (None, _) => {}
    }
}

fn feel(frame: &mut FrameInput, felt: Felt, grade: Grade, right: Option<Grade>) {
    frame.ago.is_found_now(Known::Felt(felt));
    let right = right.filter(|r| *r != grade && felt.is_paired());
    frame.felt.insert(felt, grade);
    match right {
        Some(right) => frame.felt_right.insert(felt, right),
        None => frame.felt_right.remove(&felt),
    };
    // Both sides cannot be straight and well bent at once; a left foot out and a right foot in can.
    let Some(other) = felt.opposite() else { return };
    frame.ago.is_found_now(Known::Felt(other));
    if frame.felt.contains_key(&other) || !felt.is_paired() {
        if grade != Grade::None {
            frame.felt.insert(other, Grade::None);
        }
        if right.unwrap_or(grade) != Grade::None {
            frame.felt_right.remove(&other);
        }
    }
}
