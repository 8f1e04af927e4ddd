use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::{EarRule, FootFinish, ForeLegShape, HeadRule, HindLegShape, Look, LookId, Placement};
use crate::coat::Zone;
use crate::frame::{Problem, Severity};
use crate::schools::Schools;
use crate::shape::{HeadShape, HemShape};
use crate::units::Length;

vocabulary! {
    /// A number a look of the salon's own, or an owner's picture, can aim at (handbook 4).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Aim {
        /// Length of the coat edge, breastbone to pin bone, against the height.
        BodyRatio => "Body length against height",
        /// The daylight under the dog against the height.
        GapRatio => "Daylight under the dog",
        /// The coat edge at the brisket against the height.
        LegShare => "Leg against height",
        /// Rise of the underline from brisket to waist, against the height.
        Rise => "Rise of the underline",
        /// The bend before the line pin bone to hock, against the height.
        Angulation => "Bend behind",
        /// The bend before the pin bone, against the height.
        SetIn => "Set-in under the pin bone",
        /// Width of the front column against the depth of body over it.
        ColumnShare => "Fullness of the legs",
        /// Height of the head, top to under-beard, against the height at the withers.
        HeadSize => "Size of the head",
        /// How far the ear ends below the beard, against the height.
        EarEnd => "Ear end below the beard",
    }
}

impl Aim {
    /// What dogs are trimmed to, from and to: the ranges of balance-model.md 6 over all looks,
    /// wider for long and short types.
    pub const fn span(self) -> (f64, f64) {
        match self {
            Self::BodyRatio => (0.85, 1.60),
            Self::GapRatio => (0.10, 0.80),
            Self::LegShare => (0.25, 0.65),
            Self::Rise => (0.0, 0.20),
            Self::Angulation | Self::SetIn => (-0.05, 0.20),
            Self::ColumnShare => (0.10, 0.80),
            Self::HeadSize => (0.15, 0.60),
            Self::EarEnd => (-0.25, 0.40),
        }
    }

    /// How near counts as the same (handbook 5, *Targets per look*; where it gives none, the balance
    /// point's own tolerance).
    pub const fn tolerance(self) -> f64 {
        match self {
            Self::BodyRatio | Self::ColumnShare | Self::HeadSize => 0.02,
            Self::GapRatio => 0.03,
            Self::LegShare | Self::Rise => 0.015,
            Self::Angulation | Self::SetIn | Self::EarEnd => 0.01,
        }
    }
}

/// A salon's own look: one that ships, copied and edited.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct OwnLook {
    /// Made by the screen that copied it.
    pub id: Uuid,
    /// What the salon calls it.
    pub name: String,
    /// The look it was copied from.
    pub base: LookId,
    /// Body length on the look's own scale, where it differs.
    #[serde(default)]
    pub body_mm: Option<Length>,
    /// Nominal lengths that differ, on a dog of 450 mm.
    #[serde(default)]
    pub lengths_mm: BTreeMap<Zone, Length>,
    /// Lines that lie elsewhere.
    #[serde(default)]
    pub lines: Placement,
    /// What is aimed at, from and to, where it differs.
    #[serde(default)]
    pub aims: BTreeMap<Aim, RatioRange>,
    /// Factor on every tolerance, where it is judged more or less sharply.
    #[serde(default)]
    pub tolerance: Option<f64>,
    /// Front legs, where they differ.
    #[serde(default)]
    pub fore: Option<ForeLegShape>,
    /// Hind legs from behind, where they differ.
    #[serde(default)]
    pub hind: Option<HindLegShape>,
    /// Feet, where they differ.
    #[serde(default)]
    pub foot: Option<FootFinish>,
    /// Head, where it differs.
    #[serde(default)]
    pub head: Option<HeadShape>,
    /// What to mind in the order of work; stands on the sheet.
    #[serde(default)]
    pub order_note: String,
    /// What the owner takes on, where it differs.
    #[serde(default)]
    pub upkeep: Option<OwnUpkeep>,
    /// What is done otherwise in this look than in others.
    #[serde(default, skip_serializing_if = "Schools::is_empty")]
    #[schema(required = false)]
    pub ways: Schools,
    /// Offered no more; what was planned with it stays as it is.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    #[schema(required = false)]
    pub is_put_away: bool,
}

/// What an owner takes on with a look of the salon's own, for a medium dog.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct OwnUpkeep {
    /// Minutes of brushing a week.
    pub brushing_minutes_a_week: u32,
    /// Fewest weeks between visits.
    pub weeks_from: u32,
    /// Most weeks between visits.
    pub weeks_to: u32,
}

/// From and to.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct RatioRange {
    /// The least.
    pub from: f64,
    /// The most.
    pub to: f64,
}

/// Longest name, letters: what fits over a plan.
const NAME_LETTERS: usize = 40;
/// Longest note on the order of work, letters: what fits under a sheet's head.
const NOTE_LETTERS: usize = 200;
/// Lengths a zone of a look can have, mm on a dog of 450 (handbook 5: 0.5 to the longest kept coat).
const LENGTHS_MM: std::ops::RangeInclusive<f64> = 0.5..=150.0;
/// A target narrower than this is no range (balance-model.md 6: tolerance ± 0.02).
const NARROWEST: f64 = 0.01;
/// How much more or less sharply a look can be judged (modelling choice; a comb's own factor is 2.5,
/// balance-model.md 5).
const TOLERANCES: std::ops::RangeInclusive<f64> = 0.5..=3.0;
/// Most minutes of brushing a week: two hours a day (common sense), and most weeks between visits.
pub(crate) const MOST_MINUTES: u32 = 840;
pub(crate) const MOST_WEEKS: u32 = 52;
/// A foot that is not clean any more, and one that becomes so, mm at 450 (balance-model.md 6: lamb's
/// round foot; handbook 5: clean feet as the face).
const ROUND_FOOT_MM: f64 = 12.0;
const CLEAN_FOOT_MM: f64 = 1.0;

impl OwnLook {
    /// A look as it ships, under a name.
    pub fn of(id: Uuid, name: impl Into<String>, base: LookId) -> Self {
        Self {
            id,
            name: name.into(),
            base,
            body_mm: None,
            lengths_mm: BTreeMap::new(),
            lines: Placement::NONE,
            aims: BTreeMap::new(),
            tolerance: None,
            fore: None,
            hind: None,
            foot: None,
            head: None,
            order_note: String::new(),
            upkeep: None,
            ways: Schools::default(),
            is_put_away: false,
        }
    }

    /// What is wrong with it; nothing where it can be kept.
    pub fn check(&self) -> Vec<Problem> {
        let mut wrong = Vec::new();
        let letters = self.name.trim().chars().count();
        if letters == 0 {
            wrong.push("A look of your own needs a name; type one.".into());
        } else if letters > NAME_LETTERS {
            wrong.push(format!(
                "The name of the look has {letters} letters; shorten it to {NAME_LETTERS}."
            ));
        }
        let letters = self.order_note.trim().chars().count();
        if letters > NOTE_LETTERS {
            wrong.push(format!(
                "The note on the order of work has {letters} letters; shorten it to {NOTE_LETTERS}."
            ));
        }
        let cannot = |mm: &Length| !LENGTHS_MM.contains(&mm.as_mm());
        wrong.extend(
            self.lengths_mm
                .iter()
                .filter(|(_, mm)| cannot(mm))
                .map(|(zone, mm)| {
                    format!(
                        "{} on the {} cannot be: a look's length lies between {} and {} mm.",
                        mm.as_mm(),
                        zone.label(),
                        LENGTHS_MM.start(),
                        LENGTHS_MM.end()
                    )
                }),
        );
        wrong.extend(
            self.aims
                .iter()
                .filter_map(|(aim, range)| range.wrong(*aim)),
        );
        if let Some(tolerance) = self.tolerance.filter(|t| !TOLERANCES.contains(t)) {
            wrong.push(format!(
                "A look cannot be judged {tolerance} times as loosely; from {} (sharply) to {}.",
                TOLERANCES.start(),
                TOLERANCES.end()
            ));
        }
        if let Some(OwnUpkeep {
            brushing_minutes_a_week: minutes,
            weeks_from,
            weeks_to,
        }) = self.upkeep
            && !(minutes <= MOST_MINUTES
                && weeks_from >= 1
                && weeks_from <= weeks_to
                && weeks_to <= MOST_WEEKS)
        {
            wrong.push(format!(
                "{minutes} minutes of brushing and a visit every {weeks_from} to {weeks_to} weeks cannot be: at most {MOST_MINUTES} minutes, and from 1 to {MOST_WEEKS} weeks, the fewer first."
            ));
        }
        let refused = |message| Problem::of("house.own_looks", Severity::Refused, message);
        wrong.into_iter().map(refused).collect()
    }

    /// The look as this salon has it.
    pub fn look(&self) -> Look {
        let mut look = Look::shipped(self.base);
        if let Some(body) = self.body_mm {
            look = look.with_body(body.as_mm());
        }
        if let Some(foot) = self.foot {
            look.set_foot(foot);
        }
        for (zone, mm) in &self.lengths_mm {
            look.nominal_mm[*zone as usize] = mm.as_mm();
        }
        for (aim, range) in &self.aims {
            look.aim(*aim, (range.from, range.to));
        }
        look.tolerance = self.tolerance.unwrap_or(look.tolerance);
        if let Some(fore) = self.fore {
            look = look.with_fore(fore);
        }
        if let Some(hind) = self.hind {
            look = look.with_hind(hind);
        }
        look.finish.head = self.head.or(look.finish.head);
        if let Some(upkeep) = self.upkeep {
            look.brushing = f64::from(upkeep.brushing_minutes_a_week);
            look.weeks = (upkeep.weeks_from, upkeep.weeks_to);
        }
        self.order_note.trim().clone_into(&mut look.order_note);
        look.own_name = Some(self.name.trim().to_owned());
        look
    }
}

impl Look {
    /// The look with another range to aim at.
    fn aim(&mut self, aim: Aim, range: (f64, f64)) {
        self.targets.aim(aim, range);
        match aim {
            Aim::EarEnd => self.ear_rule = EarRule::BesideBeard,
            Aim::HeadSize => self.head_rule = HeadRule::Always,
            _ => {}
        }
    }

    /// The look with another foot, and hair there to match.
    fn set_foot(&mut self, foot: FootFinish) {
        let was_clean = self.foot == FootFinish::Clean;
        let is_clean = foot == FootFinish::Clean;
        if was_clean != is_clean {
            self.nominal_mm[Zone::Foot as usize] = if is_clean {
                CLEAN_FOOT_MM
            } else {
                ROUND_FOOT_MM
            };
        }
        self.finish.hem = match foot {
            FootFinish::Clean => HemShape::Clean,
            FootFinish::Round => HemShape::Dome,
            FootFinish::Hidden => HemShape::Bell,
            FootFinish::Tight if self.foot == FootFinish::Tight => self.finish.hem,
            FootFinish::Tight => HemShape::Nail,
        };
        self.foot = foot;
    }
}

impl RatioRange {
    /// What is wrong with it as a range of an aim.
    fn wrong(self, aim: Aim) -> Option<String> {
        let Self { from, to } = self;
        let (least, most) = aim.span();
        let is_in = |v: f64| (least..=most).contains(&v);
        (!(is_in(from) && is_in(to) && to - from >= NARROWEST)).then(|| {
            format!(
                "{}: {from} to {to} cannot be aimed at; from {least} to {most}, the first the smaller.",
                aim.label()
            )
        })
    }
}
