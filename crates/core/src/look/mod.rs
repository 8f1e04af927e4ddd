//! Looks: target sets a stylist works towards (handbook 5, balance-model.md 6).

mod changed;
mod legs;
mod lines;
mod made_for;
mod own;
mod placement;
mod shipped;
mod targets;
mod underline;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::coat::Zone;
use crate::shape::Finish;
pub use legs::{ForeLegShape, HindLegShape};
pub use lines::{By, Lines};
pub use made_for::{BuildWanted, CoatWanted, MadeFor};
pub use own::{Aim, OwnLook, OwnUpkeep, RatioRange};
pub(crate) use own::{MOST_MINUTES, MOST_WEEKS};
pub use placement::{LineName, LineStop, Placement, Shifts};
pub use shipped::LookId;
pub use targets::Targets;
pub use underline::UnderlineShape;

/// How a zone is finished.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Cut {
    /// By clipper: few lengths.
    Clipped,
    /// By shears: any length, smoothly.
    Scissored,
    /// Thinned or stripped until it lies: its stand goes, its length stays (handbook 3, *Strip or card*).
    Thinned,
    /// Not part of the balance: face, ears, tail, feet.
    Set,
}

impl Cut {
    /// Whether a hand follows the line, not a clipper.
    pub const fn is_by_hand(self) -> bool {
        matches!(self, Self::Scissored | Self::Thinned)
    }
}

vocabulary! {
    /// How the foot is finished.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum FootFinish {
        /// Clipped clean to the first toe joint, with a bevelled hem over it.
        Clean => "clean",
        /// A round dome at leg length.
        Round => "round",
        /// Hidden under the leg's flare, rounded beneath it.
        Hidden => "hidden",
        /// Close round the nails.
        Tight => "to the nail",
    }
}

/// What the ear's end is held against (handbook 4 and 5).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum EarRule {
    /// Level with the beard's end or just below it.
    BesideBeard,
    /// Not below the point of shoulder.
    OverShoulder,
    /// Kept, or clipped to the leather: as it is.
    AsItIs,
}

/// When the head's size against the body is judged.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum HeadRule {
    /// Where shears shape it.
    WhereShaped,
    /// However it is cut: somebody aims at it.
    Always,
}

/// What an owner takes on with a look.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Upkeep {
    /// Minutes of brushing a week.
    pub brushing_minutes_a_week: u32,
    /// Fewest weeks between visits.
    pub weeks_from: u32,
    /// Most weeks between visits.
    pub weeks_to: u32,
}

/// A target set: nominal lengths, how zones are cut, what the eye should see.
#[derive(Clone, Debug, PartialEq)]
pub struct Look {
    /// Which.
    pub id: LookId,
    /// The trade's name.
    pub name: &'static str,
    /// What the salon calls it, where it is its own.
    own_name: Option<String>,
    /// Owners' own words for it.
    pub aliases: &'static [&'static str],
    /// One sentence for the owner.
    pub summary: &'static str,
    /// Nominal length by zone in the order of [`Zone::ALL`], mm on a dog of 450 mm.
    nominal_mm: Vec<f64>,
    /// What comes off what is there, by zone, mm on the look's own scale: a look that has no
    /// lengths of its own.
    comes_off_mm: Option<Vec<f64>>,
    /// How each zone is cut.
    cuts: Vec<Cut>,
    /// Whether a clipper touches the body.
    pub has_clipper: bool,
    /// What the front legs should look like.
    pub fore: ForeLegShape,
    /// What the hind legs should look like from behind.
    pub hind: HindLegShape,
    /// The course of the underline.
    pub underline: UnderlineShape,
    /// Factor on every tolerance: how sharply this look is judged.
    pub tolerance: f64,
    /// What the salon says of the order of work in it.
    pub order_note: String,
    /// What the eye should see.
    pub targets: Targets,
    /// Whether lengths follow the dog's size; looks named after one comb do not.
    pub scales: bool,
    /// Share of an over-long nominal that the target accepts (balance-model.md 6).
    pub accept: f64,
    /// Factor on column tolerances where legs are cut by comb only.
    pub comb_factor: f64,
    /// A clipper leaves a zone within these shares of the look's own length, where any tool can: on a look of
    /// one length nothing is seen to be another, but a shorter pass over a high rear.
    pub clips_within: (f64, f64),
    /// How head and tail are drawn.
    pub finish: Finish,
    /// How the foot is finished.
    pub foot: FootFinish,
    /// What the ear's end is held against.
    pub ear_rule: EarRule,
    /// When the head's size is judged.
    pub head_rule: HeadRule,
    /// Length of the body as named, mm on this look's own scale.
    pub body_mm: f64,
    /// The same where somebody named it: then no other is planned for the body where one is owned.
    pub named_body_mm: Option<f64>,
    /// Body lengths offered.
    pub body_choices_mm: &'static [f64],
    /// Brushing minutes a week on a medium dog (handbook 5, modelling choice).
    brushing: f64,
    /// Most hair at the occiput, mm on the look's own scale.
    occiput_at_most_mm: f64,
    /// Fewest and most weeks between visits (handbook 5 and 9, modelling choice).
    weeks: (u32, u32),
    /// What coat and build it is made for.
    pub made_for: MadeFor,
    /// Where it knots first.
    pub knots_at: &'static [Zone],
    /// Whether the legs begin at the point of shoulder and the hip (handbook 5, looks 6 and 11).
    lifts_high: bool,
}

/// Height of the head against the height at the withers, and in fashion looks (handbook 4).
pub(crate) const HEAD: (f64, f64) = (0.30, 0.36);
pub(crate) const SMALL_HEAD: (f64, f64) = (0.26, 0.31);
/// How far the ear ends below the beard, share of the height (handbook 4).
pub(crate) const EAR_END: (f64, f64) = (0.0, 0.03);

/// How far the hem of a flared leg stands out, share of the height (modelling choice).
const HEM_FLARE: f64 = 0.03;

/// What most looks have in common; a base to write the others over.
const WITH_CLIPPER: Look = Look {
    lifts_high: false,
    own_name: None,
    id: LookId::OneLength,
    name: "",
    aliases: &[],
    summary: "",
    nominal_mm: Vec::new(),
    comes_off_mm: None,
    cuts: Vec::new(),
    has_clipper: true,
    fore: ForeLegShape::Tube,
    hind: HindLegShape::Parallel,
    underline: UnderlineShape::Rising,
    tolerance: 1.0,
    order_note: String::new(),
    targets: Targets {
        body_ratio: (0.97, 1.05),
        gap_ratio: None,
        leg_share: None,
        slope_deg: (0.0, 1.5),
        croup: (0.005, 0.055),
        rise: (0.02, 0.08),
        fill: 0.0,
        neck_depth: 0.95,
        angulation: None,
        set_in: None,
        column_share: None,
        head_size: HEAD,
        ear_end: EAR_END,
    },
    scales: true,
    accept: 0.0,
    comb_factor: 1.0,
    clips_within: (0.0, f64::INFINITY),
    finish: Finish::trimmed(crate::shape::HeadShape::Natural),
    foot: FootFinish::Round,
    ear_rule: EarRule::AsItIs,
    head_rule: HeadRule::WhereShaped,
    body_mm: 0.0,
    named_body_mm: None,
    body_choices_mm: &[],
    brushing: 0.0,
    occiput_at_most_mm: f64::INFINITY,
    weeks: (4, 6),
    made_for: MadeFor::ANY,
    knots_at: &[],
};

/// Legs that are longer than the body stay so by at least this, mm (balance-model-2.md 1).
const FULLER_MM: f64 = crate::kit::ONE_SIZE_MM;

/// One size of comb from a length on, mm (balance-model-2.md 1, modelling choice).
fn size_mm(mm: f64) -> f64 {
    match mm {
        mm if mm < 30.0 => crate::kit::ONE_SIZE_MM,
        mm if mm < 45.0 => 6.0,
        _ => 13.0,
    }
}

/// Height the nominal lengths are given for, mm (balance-model.md 1).
pub const LOOK_HEIGHT_MM: f64 = 450.0;

impl Look {
    /// What it is called: the salon's own name, or the trade's.
    pub fn called(&self) -> &str {
        self.own_name.as_deref().unwrap_or(self.name)
    }

    /// Where the look itself has a line; none where nothing says.
    pub(super) fn own_stop(&self, line: LineName) -> Option<LineStop> {
        match line {
            LineName::Nape if self.cut(Zone::Crest) == Cut::Scissored => Some(LineStop::CrestKept),
            LineName::Nape => Some(LineStop::FromOcciput),
            LineName::Shoulder if self.lifts_high => Some(LineStop::LiftAtShoulder),
            LineName::Shoulder => Some(LineStop::LiftAtElbow),
            LineName::Thigh if self.lifts_high => Some(LineStop::LiftAtHip),
            LineName::Thigh => Some(LineStop::LiftOverFold),
            LineName::Waist => Some(LineStop::AtRib),
            LineName::RumpDrop => Some(LineStop::DropToHock),
            LineName::Hock => Some(LineStop::HockKept),
            LineName::Bib if self.cut(Zone::Chest) == Cut::Scissored => Some(LineStop::BibFull),
            LineName::Bib => Some(LineStop::BibCrescent),
            LineName::TailBase if self.finish.has_bare_tail_root() => Some(LineStop::TailV),
            LineName::TailBase => Some(LineStop::TailBand),
            _ => None,
        }
    }

    /// Whether the look has a line that can be moved.
    pub(super) fn offers(&self, line: LineName) -> bool {
        match line {
            LineName::Skirt => self.finish.has_skirt(),
            LineName::BackPass => self.cut(Zone::Back) == Cut::Clipped,
            LineName::Shelf => self.cut(Zone::Rump) == Cut::Clipped,
            LineName::Throat
            | LineName::Underline
            | LineName::Crown
            | LineName::Visor
            | LineName::Parting
            | LineName::Cheek
            | LineName::BeardEnd
            | LineName::EarEnd => false,
            LineName::Waist => true,
            LineName::Nape
            | LineName::Bib
            | LineName::TailBase
            | LineName::Shoulder
            | LineName::Thigh
            | LineName::RumpDrop
            | LineName::Hock => self.has_clipper,
        }
    }

    /// Nominal length of a zone on a dog of this height, mm.
    ///
    /// # References
    /// balance-model-2.md 1: combs that are named do not grow with the dog, scissored legs stay longer
    /// than the body where the look has them so.
    pub fn nominal_mm(&self, zone: Zone, height_mm: f64) -> f64 {
        let own = self.nominal_mm[zone as usize];
        let scaled = own * self.scale(height_mm);
        match self.cut(zone) {
            Cut::Clipped => scaled.clamp((own - size_mm(own)).max(0.0), own + size_mm(own)),
            Cut::Scissored if self.is_fuller_than_back(zone) => {
                scaled.max(self.nominal_mm(Zone::Back, height_mm) + FULLER_MM)
            }
            Cut::Scissored | Cut::Thinned | Cut::Set => scaled,
        }
    }

    /// Whether the look has a leg, or the ribs, at least a size longer than the back.
    fn is_fuller_than_back(&self, zone: Zone) -> bool {
        let of = |zone: Zone| self.nominal_mm[zone as usize];
        (zone.is_leg() || zone == Zone::Ribs)
            && self.cut(Zone::Back) == Cut::Clipped
            && of(zone) >= of(Zone::Back) + FULLER_MM
    }

    /// The look with another length of a zone on a dog of this height, mm.
    #[must_use]
    pub(crate) fn with_nominal_mm(mut self, zone: Zone, mm: f64, height_mm: f64) -> Self {
        self.nominal_mm[zone as usize] = mm / self.scale(height_mm);
        self
    }

    /// Hair at the occiput where the crest joins, mm: the topknot's, or less where it is a piece of
    /// its own that stands before it (balance-model.md 5 and 6).
    pub fn occiput_mm(&self, height_mm: f64) -> f64 {
        let topknot = self.nominal_mm[Zone::Topknot as usize];
        topknot.min(self.occiput_at_most_mm) * self.scale(height_mm)
    }

    /// Scissored lengths follow the dog between half and 1.7 of the look's own size
    /// (balance-model.md 1).
    fn scale(&self, height_mm: f64) -> f64 {
        if self.scales {
            (height_mm / LOOK_HEIGHT_MM).clamp(0.5, 1.7)
        } else {
            1.0
        }
    }

    /// How a zone is cut.
    pub fn cut(&self, zone: Zone) -> Cut {
        self.cuts[zone as usize]
    }

    /// What the owner takes on, for a dog of this height (handbook 5: × .6 toy, × 1.6 large).
    pub fn upkeep(&self, height_mm: f64) -> Upkeep {
        let factor = if height_mm < 280.0 {
            0.6
        } else if height_mm > 550.0 {
            1.6
        } else {
            1.0
        };
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a few dozen minutes"
        )]
        let minutes = (self.brushing * factor).round() as u32;
        Upkeep {
            brushing_minutes_a_week: minutes,
            weeks_from: self.weeks.0,
            weeks_to: self.weeks.1,
        }
    }
}
