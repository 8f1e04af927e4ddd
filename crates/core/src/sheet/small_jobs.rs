//! The small jobs, from clean to dirty by one cool blade (handbook 10 B).

use uuid::Uuid;

use super::cautions::Hazard;
use super::minutes as m;
use super::step::{Stage, StepKind};
use super::writer::{Draft, Writer};
use crate::body::Handling;
use crate::coat::{CoatColour, Knots, Site, SiteSkin, Skin, Zone};
use crate::dog::{Dog, Sex};
use crate::kit::{Tool, ToolKind, UnderComb};
use crate::schools::{Answer, Question};
use crate::shape::{BellyReach, BothSides, hygiene_area};
use crate::units::Length;

/// What a 10, a 15 and a 9 leave bare, mm (industry numbering, from memory; handbook 3).
pub(super) const CLOSE_MM: f64 = 1.5;
const FIFTEEN_MM: f64 = 1.2;
const NINE_MM: f64 = 2.0;
/// Left at least on delicate skin at the hygiene area, mm (handbook 3, *shortest safe*).
const DELICATE_MM: f64 = 2.0;
/// A blade for a small job leaves at most this, mm: the 7 (handbook 3); longer ones do not clean.
const SMALL_JOB_MOST_MM: f64 = 3.2;
/// Makers differ by a few tenths (handbook 3).
const HAIRSBREADTH_MM: f64 = 0.05;

/// A male lifts its leg from about this age, months (handbook 10 B).
const LIFTS_FROM_MONTHS: u16 = 12;
/// Hair so little over what a blade leaves is short already, mm (modelling choice: what a hand tells apart).
const SHORT_ALREADY_MM: f64 = 2.0;

impl Writer<'_> {
    /// Eye corners, ears, what is knotted in hidden places, nails, hygiene, pads.
    pub(super) fn small_jobs(&mut self, with_nails: bool) {
        self.eye_corners();
        let (what, minutes) = match self.answer(Question::EarsCleaned) {
            Answer::EarsFilled => ("Ears: look in, fill, massage, wipe", m::EARS_FILLED),
            _ => ("Ears: look in, clean", m::EARS_CLEANED),
        };
        let ears = Draft {
            sites: &[Site::InsideEar],
            ..tick(what, minutes, &[Hazard::EarCanal])
        };
        self.push(Stage::Prepare, ears);
        self.knotted_sites();
        if with_nails {
            self.nails();
        }
        self.hygiene();
        self.pads();
    }

    /// First of all: the cleanest place, and the dog sees what comes.
    fn eye_corners(&mut self) {
        let what = if self.has(Answer::HeadCornersFirst) {
            "Eye corners first, so that the dog can see"
        } else {
            "Eye corners"
        };
        let job = Draft {
            sites: &[Site::EyeCorners],
            ..tick(what, m::EYE_CORNERS, &[Hazard::Start, Hazard::Face])
        };
        match self.answer(Question::EyeCorners) {
            Answer::CornersBlade => self.small_blade(job, Zone::Cheek, CLOSE_MM),
            with => {
                let tool = match with {
                    Answer::CornersCurves => self.curves_at_the_eyes(),
                    _ => self.thinners_at_the_eyes(with.label()),
                };
                self.push(Stage::Prepare, Draft { tool, ..job });
            }
        }
    }

    pub(super) fn nails(&mut self) {
        let out = self
            .facts
            .handling
            .map_or(0.0, Handling::nails_stand_out_mm);
        let what = if out > 0.0 {
            "Nails, dewclaws too: long, a little at a time"
        } else {
            "Nails, dewclaws too"
        };
        let minutes = m::NAILS + m::LONG_NAILS * out;
        self.push(Stage::Prepare, tick(what, minutes, &[Hazard::NailsAndPads]));
    }

    fn pads(&mut self) {
        let (mm, stroke) = match self.answer(Question::Pads) {
            Answer::PadsThirty => (UnderComb::Thirty.leaves_mm(), ""),
            Answer::PadsForty => (UnderComb::Forty.leaves_mm(), "flat and light"),
            _ => (CLOSE_MM, ""),
        };
        let is_knotted = self.job.coat.site(Site::BetweenToes).knots() == Knots::Tight;
        let by_scissors = self.has(Answer::PadsScissors);
        let what = if is_knotted && self.clears_knots() && !by_scissors {
            "Pads: level with them; the knots between the toes out"
        } else {
            "Pads: level with them"
        };
        let job = Draft {
            stroke,
            sites: &[Site::Pads, Site::BetweenToes],
            ..tick(what, m::PADS, &[Hazard::NailsAndPads])
        };
        if by_scissors {
            self.push(Stage::Prepare, by_small_shears(job));
        } else {
            self.small_blade(job, Zone::Foot, mm);
        }
    }

    /// Whether tight knots that nobody sees are cleared rather than brushed or cut out.
    pub(super) fn clears_knots(&self) -> bool {
        self.answer(Question::KnotsWay) == Answer::KnotsInPlan
    }

    /// Tight knots in hidden places: a blade beneath them hurts least and costs the outline nothing (common
    /// practice). Those of the hygiene area and the feet go with their own jobs.
    fn knotted_sites(&mut self) {
        let coat = &self.job.coat;
        let is_tight = |site: Site| coat.site(site).knots() == Knots::Tight;
        let goes_with_another =
            |site: Site| site.is_of_hygiene() || matches!(site, Site::Pads | Site::BetweenToes);
        let clears_armpits = self.clears_armpits();
        let clears = self.clears_knots();
        let cleared: Vec<Site> = Site::ALL
            .into_iter()
            .filter(|site| site.is_hidden() && !goes_with_another(*site))
            .filter(|site| clears && is_tight(*site) || *site == Site::Armpit && clears_armpits)
            // Skin that is broken is not run over; the step that meets it says so.
            .filter(|site| coat.site(*site).skin() != SiteSkin::Broken)
            .collect();
        if cleared.is_empty() {
            return;
        }
        let places: Vec<String> = cleared
            .iter()
            .map(|site| {
                let marks = coat.site(*site);
                if *site == Site::Armpit && !(is_tight(*site) && clears) {
                    return "both armpits".to_owned();
                }
                site.where_it_holds(&marks, |side| side.knots == Knots::Tight)
            })
            .collect();
        let what = if cleared == [Site::Armpit] && places == ["both armpits"] {
            "Armpits: clear them, skin flat".to_owned()
        } else {
            format!("Clear what is knotted: {}; skin flat", places.join("; "))
        };
        let job = Draft {
            stroke: "beneath the knot, flat, away from folds",
            sites: &cleared,
            ..tick(
                &what,
                m::SITE_CLEARED * cleared.len() as f64,
                &[Hazard::Folds],
            )
        };
        if self.close_blade(CLOSE_MM).is_some() {
            self.small_blade(job, Zone::ForeIn, CLOSE_MM);
        } else {
            // Never a knot against the skin (handbook 7).
            let over_a_comb = Draft {
                tool: "small shears over a comb".into(),
                stroke: "the comb slid beneath the knot, cut over it; no blade of the kit is short and fit enough",
                ..job
            };
            self.push(Stage::Prepare, over_a_comb);
        }
    }

    fn hygiene(&mut self) {
        let is_male = self.facts.dog.sex == Sex::Male;
        let sheath = match self.answer(Question::Sheath) {
            _ if !is_male => "",
            Answer::SheathShort => "; short at the sheath",
            _ => "; leave a little at the sheath",
        };
        let reached = match self.answer(Question::BellyReached) {
            Answer::FromTheSide => "",
            // Never stood up for it (handbook 7); its own caution says so.
            Answer::FrontLifted if self.facts.never_stands_up() => "",
            Answer::FrontLifted => "; lift the front for the belly",
            _ => "; a hand under the loin for the belly",
        };
        let what = format!("Hygiene area{sheath}{reached}");
        let clears_thigh = self.has(Answer::ThighCleared);
        let sites: Vec<Site> = Site::ALL
            .into_iter()
            .filter(|s| s.is_of_hygiene() && (is_male || *s != Site::Sheath))
            .filter(|s| clears_thigh || *s != Site::InsideThigh)
            .collect();
        let job = Draft {
            stroke: "flat; under the tail downwards",
            sites: &sites,
            amounts: self.hygiene_amounts(),
            ..tick(&what, m::HYGIENE, &[Hazard::Hygiene])
        };
        match self.answer(Question::Hygiene) {
            Answer::HygieneShears => self.push(Stage::Prepare, by_small_shears(job)),
            Answer::HygieneFifteen => {
                let light = Draft {
                    stroke: "light; under the tail downwards",
                    ..job
                };
                self.small_blade(light, Zone::Underline, FIFTEEN_MM);
            }
            Answer::HygieneHeldOff => {
                let off = Draft {
                    stroke: "held off the skin; under the tail downwards",
                    ..job
                };
                self.small_blade(off, Zone::Underline, NINE_MM);
            }
            _ => self.small_blade(job, Zone::Underline, CLOSE_MM),
        }
    }

    /// How far the hygiene area goes on this frame, place by place (handbook 10 B).
    fn hygiene_amounts(&self) -> Vec<String> {
        let reach = belly_reach(self.facts.dog);
        let area = hygiene_area(&BothSides::between(&self.job.sides), reach);
        let to = match reach {
            BellyReach::HalfWay => "half way to the brisket",
            BellyReach::ToTheRise => "to where it comes level with the brisket",
            BellyReach::Whole => "all of it, to the brisket",
        };
        let whole = |mm: f64| self.words.whole(mm);
        let mut amounts = vec![format!(
            "Belly: {} from the flank, {to}",
            whole(area.belly_mm)
        )];
        if self.has(Answer::ThighCleared) {
            let down = whole(area.thigh_down_mm);
            amounts.push(format!("Inside the thighs: {down} down"));
        }
        amounts.push(format!(
            "Under the tail: {} wide, {} up, {} left as a tuft",
            whole(area.strip_wide_mm),
            whole(area.up_the_tail_mm),
            whole(area.cover_mm)
        ));
        let limit = self.job.coat.limits.get(&Zone::Underline);
        let wanted = limit
            .and_then(|l| l.not_shorter_mm)
            .map_or(0.0, Length::as_mm);
        if wanted > SMALL_JOB_MOST_MM {
            amounts.push(format!(
                "The owner wants {} underneath: ask before more than wet and stuck hair goes",
                whole(wanted)
            ));
        }
        amounts
    }

    /// A small job by the bare blade of the kit that leaves what the salon asks, or little more:
    /// its clock runs as at every bare blade. Where the kit has none, by shears, and it says so.
    fn small_blade(&mut self, job: Draft<'_>, zone: Zone, asked_mm: f64) {
        let coat = &self.job.coat;
        let skin = job.sites.iter().map(|s| coat.site(*s).skin()).max();
        if skin == Some(SiteSkin::Broken) {
            self.push(
                Stage::Prepare,
                Draft {
                    stroke: "only what is clear of the skin",
                    ..by_small_shears(job)
                },
            );
            return;
        }
        // Delicate skin, and pale, is left a little more; pads are bare already (handbook 3, *shortest safe*).
        let is_delicate =
            asks_for_more(self.job.skin) && zone != Zone::Foot || skin == Some(SiteSkin::Red);
        let least = if is_delicate {
            asked_mm.max(DELICATE_MM)
        } else {
            asked_mm
        };
        let is_short = |site: &Site| {
            let length = coat.site(*site).length_mm();
            length.is_some_and(|mm| mm <= least + SHORT_ALREADY_MM)
        };
        if !job.sites.is_empty() && job.sites.iter().all(is_short) {
            let what = format!("{}: short already, look only", job.what);
            self.push(
                Stage::Prepare,
                Draft {
                    what,
                    stroke: "",
                    amounts: Vec::new(),
                    minutes: m::LOOKED_AT,
                    ..job
                },
            );
            return;
        }
        let Some(blade) = self.close_blade(least) else {
            self.push(
                Stage::Prepare,
                Draft {
                    stroke: "no blade of the kit is short and fit enough",
                    ..by_small_shears(job)
                },
            );
            return;
        };
        let hazards = [job.hazards, &[Hazard::BareBlade]].concat();
        let left = self.leaves_mm(blade).map(|mm| self.words.length(mm));
        self.push(
            Stage::Prepare,
            Draft {
                tool: self.words.tool(blade),
                tool_id: Some(blade),
                leaves: left.unwrap_or_default(),
                hazards: &hazards,
                ..job
            },
        );
    }

    /// The fit blade of the kit that leaves so little, or least over it; none where all leave more than a
    /// small job's.
    pub(super) fn close_blade(&self, least: f64) -> Option<Uuid> {
        let leaves = |tool: &Tool| {
            let settings = tool.settings().into_iter();
            settings
                .map(|t| t.leaves_mm.as_mm())
                .filter(|mm| (least - HAIRSBREADTH_MM..=SMALL_JOB_MOST_MM).contains(mm))
                .min_by(f64::total_cmp)
        };
        let kit = self.job.kit.iter();
        let blades = kit.filter(|t| t.is_fit() && t.kind == ToolKind::Blade);
        blades
            .filter_map(|t| Some((leaves(t)?, t.id)))
            .min_by(|a, b| a.0.total_cmp(&b.0))
            .map(|(_, id)| id)
    }

    /// By the salon's habit, or where it is tight: the site's own word, or that of the leg's inside.
    fn clears_armpits(&self) -> bool {
        self.has(Answer::ArmpitsCleared) || self.job.coat.knots(Zone::ForeIn) == Knots::Tight
    }
}

/// How far forward this dog's belly is cleared.
pub(crate) fn belly_reach(dog: &Dog) -> BellyReach {
    match dog.sex {
        Sex::Male if dog.age_months.is_some_and(|age| age < LIFTS_FROM_MONTHS) => BellyReach::Whole,
        Sex::Male => BellyReach::ToTheRise,
        Sex::Female | Sex::Unknown => BellyReach::HalfWay,
    }
}

pub(super) fn tick<'a>(what: &str, minutes: f64, hazards: &'a [Hazard]) -> Draft<'a> {
    Draft {
        what: what.into(),
        minutes,
        hazards,
        kind: StepKind::Tick,
        ..Draft::default()
    }
}

/// The same by short shears with rounded ends (common practice).
fn by_small_shears(job: Draft<'_>) -> Draft<'_> {
    Draft {
        tool: "small shears, points away".into(),
        ..job
    }
}

/// Skin that keeps a little more at the hygiene area.
fn asks_for_more(skin: Skin) -> bool {
    skin.is_delicate || skin.colour == CoatColour::Pale
}
