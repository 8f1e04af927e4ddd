use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{CoatFinish, KnotsBefore, Site, SiteMarks, Stands, Texture, Zone, ZoneMarks};
use crate::frame::{Problem, Severity};
use crate::units::{Length, UnitSystem, length_text};

vocabulary! {
    /// Knots in a zone.
    #[derive(
        Clone, Copy, Debug, Default, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema,
    )]
    #[serde(rename_all = "snake_case")]
    pub enum Knots {
        /// None.
        #[default]
        None => "none",
        /// A few that brush out.
        Few => "few",
        /// Tight ones: a blade goes under them.
        Tight => "tight",
    }
}

/// The owner's limits on a zone.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Limit {
    /// The owner wants it not shorter than this.
    pub not_shorter_mm: Option<Length>,
    /// The owner wants it not longer than this.
    pub not_longer_mm: Option<Length>,
    /// Why.
    #[serde(default, skip_serializing_if = "LimitCause::is_the_owners")]
    pub because: LimitCause,
}

/// Why a zone has a limit: the owner's stay with the dog, the others end with the visit.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LimitCause {
    /// The owner wants it so.
    #[default]
    Owner,
    /// Knots were cut away.
    Knots,
    /// Half-way to a big change.
    HalfWay,
    /// Too much came off.
    Slip,
    /// It is cut already.
    Cut,
}

impl LimitCause {
    /// Whether it stays with the dog.
    pub const fn is_the_owners(&self) -> bool {
        matches!(self, Self::Owner)
    }
}

/// What was said of the coat, as the visit holds it.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct CoatInput {
    /// Texture; it gives the stand.
    pub texture: Texture,
    /// A stand measured on this dog, 0 to 1, instead of the texture's.
    pub stand: Option<f64>,
    /// Length all over, combed out straight from the skin.
    pub all_over_mm: Option<Length>,
    /// Zones that differ.
    pub zones_mm: BTreeMap<Zone, Length>,
    /// Knots by zone; a missing zone has none.
    pub knots: BTreeMap<Zone, Knots>,
    /// The owner's limits by zone.
    pub limits: BTreeMap<Zone, Limit>,
    /// How it is finished.
    #[serde(default)]
    pub finish: CoatFinish,
    /// What zones carry beside.
    #[serde(default)]
    pub marks: BTreeMap<Zone, ZoneMarks>,
    /// Last time's cut, grown since: what a zone carries where nobody said it today.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub grown_mm: BTreeMap<Zone, Length>,
    /// Knots found at earlier visits.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub knotted_before: BTreeMap<Zone, KnotsBefore>,
    /// What was said of sites; a missing one is as its zone.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub sites: BTreeMap<Site, SiteMarks>,
    /// Sites found knotted at earlier visits.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    pub sites_knotted_before: BTreeMap<Site, KnotsBefore>,
}

/// The coat as it stands today, every zone with a length.
#[derive(Clone, Debug, PartialEq)]
pub struct CoatNow {
    /// Texture.
    pub texture: Texture,
    /// Stand σ, 0 to 1.
    pub stand: Stands,
    /// Length of every zone, mm, in the order of [`Zone::ALL`].
    lengths_mm: Vec<f64>,
    /// Knots by zone.
    pub knots: BTreeMap<Zone, Knots>,
    /// Knots found at earlier visits.
    pub knotted_before: BTreeMap<Zone, KnotsBefore>,
    /// What was said of sites.
    pub sites: BTreeMap<Site, SiteMarks>,
    /// Sites found knotted at earlier visits.
    pub sites_knotted_before: BTreeMap<Site, KnotsBefore>,
    /// The owner's limits by zone.
    pub limits: BTreeMap<Zone, Limit>,
    /// What zones carry beside.
    pub marks: BTreeMap<Zone, ZoneMarks>,
    /// How it is finished; its stand has that in it already.
    pub finish: CoatFinish,
    /// Zones whose length nobody said.
    pub estimated: Vec<Zone>,
    /// Whether somebody said what stands all over.
    pub is_all_over_said: bool,
}

impl CoatNow {
    /// Length of a zone, mm.
    pub fn length_mm(&self, zone: Zone) -> f64 {
        self.lengths_mm[zone as usize]
    }

    /// Knots of a zone.
    pub fn knots(&self, zone: Zone) -> Knots {
        self.knots.get(&zone).copied().unwrap_or_default()
    }

    /// What was said of a site; nothing where nobody said.
    pub fn site(&self, site: Site) -> SiteMarks {
        self.sites.get(&site).copied().unwrap_or_default()
    }

    /// The same coat with some zones longer, as when growth is asked about.
    #[must_use]
    pub fn with_more(&self, zones: &[Zone], more_mm: f64) -> Self {
        let mut coat = self.clone();
        for zone in zones {
            coat.lengths_mm[*zone as usize] += more_mm;
        }
        coat
    }

    /// A coat of one length everywhere: for tests and comparisons.
    pub fn even(texture: Texture, stand: f64, mm: f64) -> Self {
        Self {
            texture,
            stand: Stands::even(stand),
            lengths_mm: vec![mm; Zone::ALL.len()],
            knots: BTreeMap::new(),
            knotted_before: BTreeMap::new(),
            sites: BTreeMap::new(),
            sites_knotted_before: BTreeMap::new(),
            limits: BTreeMap::new(),
            marks: BTreeMap::new(),
            finish: CoatFinish::default(),
            estimated: Vec::new(),
            is_all_over_said: true,
        }
    }

    /// The same coat with one zone set.
    #[must_use]
    pub fn with_zone(mut self, zone: Zone, mm: f64) -> Self {
        self.lengths_mm[zone as usize] = mm;
        self
    }
}

/// Longest coat that can be typed, mm: nothing longer hangs on a dog (common practice).
pub(crate) const LONGEST_MM: f64 = 400.0;
/// No dog's back stands higher over the table, mm (common practice: the tallest hounds stand under
/// a metre).
const HIGHEST_EDGE_MM: f64 = 1000.0;
/// Stand a measured lock can have: below, hair lies flat; above, it cannot stand longer than it is.
const STAND_RANGE: (f64, f64) = (0.05, 1.0);

/// How a zone's hair compares with the rest of the coat where only "all over" was said.
///
/// House values: face and feet carry shorter hair (dog-shape.md 12 draws heads at .7, muzzles at
/// .4, feet at .25 of the coat), leg faces as dog-shape.md 8 has them for a coat as it came in.
const fn usual_share(zone: Zone) -> f64 {
    match zone {
        Zone::Cheek | Zone::Brow | Zone::Beard => 0.7,
        Zone::Muzzle => 0.4,
        Zone::Foot => 0.3,
        Zone::Throat => 0.85,
        Zone::ForeOut | Zone::HindOut => 0.75,
        Zone::ForeIn | Zone::HindIn => 0.5,
        _ => 1.0,
    }
}

/// Turns what was said of the coat into a length for every zone, and names what cannot be.
///
/// # Units and shapes
/// `height_mm` scales the usual coat where nothing was said; `units` words the sentences.
pub fn resolve_coat(
    input: &CoatInput,
    height_mm: f64,
    units: UnitSystem,
) -> (CoatNow, Vec<Problem>) {
    let mut problems = Vec::new();
    let mut checked = |field: String, name: &str, length: Option<Length>| {
        let mm = length?.as_mm();
        if (0.0..=LONGEST_MM).contains(&mm) {
            return Some(mm);
        }
        let text = |mm| length_text(Length::worked_out_mm(mm), units);
        problems.push(Problem::of(field, Severity::Refused, format!(
                "{name} {} cannot be: a coat's length lies between 0 and {}; comb it out and measure again.",
                text(mm),
                text(LONGEST_MM)
            )));
        None
    };
    let all_over = checked("coat.all_over".into(), "Coat all over", input.all_over_mm);
    let base =
        all_over.unwrap_or(input.texture.usual_length_mm() * (height_mm / 460.0).clamp(0.5, 1.4));
    let mut estimated = Vec::new();
    let lengths_mm = Zone::ALL
        .iter()
        .map(|zone| {
            let typed = input.zones_mm.get(zone).copied();
            let field = format!("zone.{}", zone.label());
            checked(field, &format!("Coat on the {}", zone.label()), typed).unwrap_or_else(|| {
                estimated.push(*zone);
                let grown = input.grown_mm.get(zone).filter(|_| all_over.is_none());
                grown.map_or(base * usual_share(*zone), |mm| mm.as_mm().min(LONGEST_MM))
            })
        })
        .collect();
    let (low, high) = STAND_RANGE;
    let stand = match input.stand {
        Some(stand) if (low..=high).contains(&stand) => stand,
        Some(stand) => {
            problems.push(Problem::of("coat.stand", Severity::Refused, format!(
                    "Stand {stand:.2} cannot be: it lies between {low} and {high}; draw out a lock, let it settle and compare."
                )));
            input.texture.stand()
        }
        None => input.texture.stand(),
    };
    problems.extend(mark_problems(&input.marks, units));
    problems.extend(site_problems(&input.sites, units));
    for (zone, limit) in &input.limits {
        if let (Some(low), Some(high)) = (limit.not_shorter_mm, limit.not_longer_mm)
            && low > high
        {
            problems.push(Problem::of(format!("limit.{}", zone.label()), Severity::Unusual, format!(
                    "The {} cannot be both not shorter than {} and not longer than {}; the longer limit is kept.",
                    zone.label(),
                    length_text(low, units),
                    length_text(high, units)
                )));
        }
    }
    let coat = CoatNow {
        texture: input.texture,
        stand: stands(stand, &input.marks).times(input.finish.stand_factor()),
        finish: input.finish,
        lengths_mm,
        knotted_before: input.knotted_before.clone(),
        sites: input.sites.clone(),
        sites_knotted_before: input.sites_knotted_before.clone(),
        knots: input.knots.clone(),
        limits: input.limits.clone(),
        marks: input.marks.clone(),
        estimated,
        is_all_over_said: all_over.is_some(),
    };
    (coat, problems)
}

/// The stand of every zone: by its own lock, by its own texture, or the coat's.
fn stands(all: f64, marks: &BTreeMap<Zone, ZoneMarks>) -> Stands {
    let (low, high) = STAND_RANGE;
    marks
        .iter()
        .fold(Stands::even(all), |stands, (zone, mark)| {
            let measured = mark.measured_stand().map(|s| s.clamp(low, high));
            match measured.or(mark.texture.map(Texture::stand)) {
                Some(stand) => stands.with(*zone, stand),
                None => stands,
            }
        })
}

/// Lengths typed of sites that cannot be.
fn site_problems(sites: &BTreeMap<Site, SiteMarks>, units: UnitSystem) -> Vec<Problem> {
    let lengths = sites.iter().flat_map(|(site, marks)| {
        let sides = [Some(marks.left), marks.right].into_iter().flatten();
        let said = sides.filter_map(|side| side.length_mm);
        said.map(move |length| (site, length))
    });
    lengths
        .filter(|(_, length)| !(0.0..=LONGEST_MM).contains(&length.as_mm()))
        .map(|(site, length)| {
            let message = format!(
                "Hair of {} {} cannot be: it lies between 0 and {LONGEST_MM:.0} mm; measure again.",
                length_text(length, units),
                site.at()
            );
            Problem::of(format!("site.{}", site.label()), Severity::Refused, message)
        })
        .collect()
}

/// What cannot be of the marks typed.
fn mark_problems(marks: &BTreeMap<Zone, ZoneMarks>, units: UnitSystem) -> Vec<Problem> {
    let mut problems = Vec::new();
    for (zone, mark) in marks {
        let field = format!("marks.{}", zone.label());
        if let (Some(long), Some(high)) = (mark.drawn_out_mm, mark.standing_mm)
            && mark.measured_stand().is_none()
        {
            let message = format!(
                "On the {} a lock of {} cannot stand {} high; draw it out and measure both again.",
                zone.label(),
                length_text(long, units),
                length_text(high, units)
            );
            problems.push(Problem::of(field.clone(), Severity::Refused, message));
        }
        if mark.hole_at.is_some_and(|s| !s.is_on_the_dog()) {
            let message = format!(
                "The hole on the {} lies beside the dog; touch the place on the dog.",
                zone.label()
            );
            problems.push(Problem::of(field.clone(), Severity::Refused, message));
        }
        if let Some(edge) = mark.tone_edge_mm
            && !(0.0..=HIGHEST_EDGE_MM).contains(&edge.as_mm())
        {
            let message = format!(
                "The patch on the {} cannot end at {}; measure its edge from the table up.",
                zone.label(),
                length_text(edge, units)
            );
            problems.push(Problem::of(field.clone(), Severity::Refused, message));
        }
        for length in [mark.hole_mm, mark.knot_from_skin_mm].into_iter().flatten() {
            if !(0.0..=LONGEST_MM).contains(&length.as_mm()) {
                let message = format!(
                    "{} on the {} cannot be: it lies between 0 and {LONGEST_MM:.0} mm; measure again.",
                    length_text(length, units),
                    zone.label()
                );
                problems.push(Problem::of(field.clone(), Severity::Refused, message));
            }
        }
    }
    problems
}
