use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::ring_marks::Ring;
use super::stroke_mark::Runs;
use crate::balance::Judged;
use crate::body::{EarlierFound, Found};
use crate::coat::{CoatNow, Site, Zone};
use crate::dog::House;
use crate::frame::{Finding, Frame, FrameValue, Measure, Severity};
use crate::page::{View, WalkFrom};
use crate::plan::Plan;
use crate::report::PlanReport;
use crate::shape::{BellyReach, Dressing, Spread};

/// What is shown.
#[expect(
    clippy::struct_excessive_bools,
    reason = "layers are shown or not, each by itself"
)]
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Layers {
    /// Rule, height stick and crosses.
    pub table: bool,
    /// The coat as it is, as a wash; as the dog itself where there is no plan.
    pub now: bool,
    /// The plan in ink.
    pub plan: bool,
    /// The plan an hour later, dashed.
    pub settled: bool,
    /// What was really left, where it was measured, in the plan's place.
    pub as_left: bool,
    /// The exact lengths, as a hairline.
    pub ideal: bool,
    /// Small strokes of the hair itself, where the dog is large enough for them.
    pub hair: bool,
    /// The skin, dotted.
    pub skin: bool,
    /// Dimension lines.
    pub measures: bool,
    /// Landmarks by name.
    pub landmarks: bool,
    /// Clip lines.
    pub lines: bool,
    /// Lengths in their zones.
    pub lengths: bool,
    /// Pins on what stays off.
    pub pins: bool,
    /// Zones as areas that answer a touch.
    pub touch: bool,
    /// How sure each landmark is.
    pub doubt: bool,
    /// What was found on the body, and at sites.
    pub found: bool,
}

impl Default for Layers {
    fn default() -> Self {
        Self {
            table: true,
            now: true,
            plan: true,
            settled: false,
            as_left: false,
            ideal: false,
            hair: true,
            skin: true,
            measures: false,
            landmarks: false,
            lines: false,
            lengths: false,
            pins: false,
            touch: false,
            doubt: false,
            found: true,
        }
    }
}

/// Which views stand on the sheet.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
#[expect(missing_docs, reason = "the names say it")]
pub enum Sheet {
    #[default]
    Side,
    Front,
    Rear,
    Top,
    /// All four at one scale.
    Four,
}

impl Sheet {
    pub(super) const fn view(self) -> Option<View> {
        match self {
            Self::Side => Some(View::Side),
            Self::Front => Some(View::Front),
            Self::Rear => Some(View::Rear),
            Self::Top => Some(View::Top),
            Self::Four => None,
        }
    }
}

/// How to draw.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct DrawOptions {
    /// From where.
    pub sheet: Sheet,
    /// What is shown.
    pub layers: Layers,
    /// The step of the run to show at work.
    pub step: Option<u32>,
    /// The side view turned to face right: the finished side as the other's pattern.
    pub mirrored: bool,
    /// The balance point to show with the zones that move it.
    pub point: Option<Judged>,
    /// From where the walk round the finished dog looks; in the place of another view.
    pub walk: Option<WalkFrom>,
    /// What the hand is asked to find: ringed, in the view that shows it best where no other was asked
    /// for.
    pub asked: Option<Finding>,
    /// Height of ordinary text against the page's width.
    pub text_share: f64,
    /// For a card some centimetres wide: as many points as show there.
    pub is_small: bool,
}

impl Default for DrawOptions {
    fn default() -> Self {
        Self {
            sheet: Sheet::Side,
            layers: Layers::default(),
            step: None,
            mirrored: false,
            point: None,
            walk: None,
            asked: None,
            text_share: 0.0165,
            is_small: false,
        }
    }
}

/// Smallest and largest text that is still text, share of the page's width.
const TEXT: (f64, f64) = (0.004, 0.05);

impl DrawOptions {
    pub(super) fn text(&self) -> f64 {
        if self.text_share.is_finite() {
            self.text_share.clamp(TEXT.0, TEXT.1)
        } else {
            Self::default().text_share
        }
    }
}

/// Everything a drawing shows.
#[derive(Clone, Copy, Debug)]
pub struct Scene<'a> {
    /// The plan's coat at another day than today, drawn in its place.
    pub grown: Option<&'a Dressing>,
    /// The frame.
    pub frame: &'a Frame,
    /// The coat today.
    pub coat: &'a CoatNow,
    /// The plan, solved.
    pub plan: Option<&'a Plan>,
    /// The plan, written out.
    pub report: Option<&'a PlanReport>,
    /// The salon's settings.
    pub house: &'a House,
    /// The dog's name.
    pub name: &'a str,
    /// How sure each landmark is, where that is shown.
    pub spreads: &'a [Spread],
    /// The frame of an earlier visit to lay over this one.
    pub earlier: Option<&'a Frame>,
    /// Zones to show: where the step in hand works, or what moves a point.
    pub work: &'a [Zone],
    /// How the step in hand runs its tool; none where it runs none.
    pub runs: Option<Runs>,
    /// Sites that the step in hand works on.
    pub sites: &'a [Site],
    /// How far forward the hygiene area takes this dog's belly.
    pub belly: BellyReach,
    /// The balance point to show as the eye sees it.
    pub point: Option<Judged>,
    /// Places of the walk that this view shows.
    pub rings: &'a [Ring],
    /// What was found on the body.
    pub found: &'a [Found],
    /// What was found at earlier visits.
    pub earlier_found: &'a [EarlierFound],
}

impl Scene<'_> {
    pub(super) fn value(&self, measure: Measure) -> Option<FrameValue> {
        let values = &self.frame.values;
        values.iter().find(|v| v.measure == measure).copied()
    }

    /// Whether a measure contradicts another or cannot be.
    pub(super) fn is_fault(&self, measure: Measure) -> bool {
        self.frame
            .problems
            .iter()
            .any(|p| p.severity == Severity::Refused && p.culprits.contains(&measure))
    }
}
