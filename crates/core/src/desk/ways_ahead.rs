//! Ways out of what may go wrong at a zone, worked out before it does: they travel with the run, so that the
//! table has them with nobody there to ask.

use serde::Serialize;
use utoipa::ToSchema;

use super::Desk;
use crate::coat::Zone;
use crate::kit::ToolKind;
use crate::plan::PlanMemo;
use crate::report::{KnotHere, KnotOffer};
use crate::run::{RescueOption, Slip};
use crate::solve::SolveError;
use crate::units::Length;

/// Where a knot begins, mm off the skin, as a hand tells it apart: on the skin, a blade's teeth, a nail, half
/// a finger, nearly a finger off it (modelling choice).
pub const KNOTS_BEGIN_MM: [f64; 5] = [0.0, 3.0, 6.0, 10.0, 15.0];
/// Plans kept while a zone's ways are worked out: those they have in common are the newest.
const MADE_HERE: usize = 16;
/// What takes less than this off is no slip, mm (modelling choice: a comb's own scatter).
const NO_SLIP_MM: f64 = 1.0;

/// A zone's ways out.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct WaysAhead {
    /// Which zone.
    pub zone: Zone,
    /// Of a knot, by where it begins, the nearest to the skin first.
    pub knots: Vec<KnotAhead>,
    /// Of a slip, by what is left, the shortest first.
    pub slips: Vec<SlipAhead>,
}

/// Ways out of a knot that begins so far off the skin, or a little further.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct KnotAhead {
    /// How far off the skin, mm.
    pub off_skin_mm: Length,
    /// Ways, the cheapest first.
    pub ways: Vec<KnotOffer>,
}

/// Ways out of a slip that leaves so much, or a little more.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct SlipAhead {
    /// What is left, mm.
    pub left_mm: Length,
    /// Ways, the least harm first.
    pub ways: Vec<RescueOption>,
}

impl Desk<'_> {
    /// Ways out of the knots and slips that may be met at a zone: a knot anywhere in its coat, a slip of any
    /// blade in the kit, the one under the combs among them.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn ways_ahead(&self, zone: Zone) -> Result<WaysAhead, SolveError> {
        // A zone's ways have most of their plans in common, and nobody else asks for them.
        let made = PlanMemo::of(MADE_HERE);
        let desk = self.clone().with_memo(&made);
        let stands = self.coat.length_mm(zone);
        let knots = KNOTS_BEGIN_MM
            .into_iter()
            .filter(|mm| *mm < stands)
            .map(|mm| {
                let off_skin_mm = Length::worked_out_mm(mm);
                let knot = KnotHere {
                    zone,
                    hand: None,
                    off_skin_mm,
                };
                let ways = desk.knot_here(&knot)?;
                Ok(KnotAhead { off_skin_mm, ways })
            });
        let slips = desk.blades_leave(zone)?.into_iter().map(|mm| {
            let left_mm = Length::worked_out_mm(mm);
            let slip = Slip {
                zone,
                hand: None,
                left_mm,
                cause: None,
            };
            let ways = desk.rescue(&slip)?;
            Ok(SlipAhead { left_mm, ways })
        });
        Ok(WaysAhead {
            zone,
            knots: knots.collect::<Result<_, SolveError>>()?,
            slips: slips.collect::<Result<_, SolveError>>()?,
        })
    }

    /// What the kit's blades leave where more is planned, mm, the shortest first.
    fn blades_leave(&self, zone: Zone) -> Result<Vec<f64>, SolveError> {
        let plan = self.planned(&self.chosen_job())?;
        let planned = plan.zone_mm(zone).unwrap_or(self.coat.length_mm(zone));
        let blades = self.kit.iter().filter(|tool| tool.kind == ToolKind::Blade);
        let mut leaves: Vec<f64> = blades
            .map(|tool| tool.leaves_mm.as_mm())
            .chain([self.house.under_comb.leaves_mm()])
            .filter(|mm| mm + NO_SLIP_MM <= planned)
            .collect();
        leaves.sort_by(f64::total_cmp);
        // What leaves a hair more is helped by the ways of the shorter.
        leaves.dedup_by(|more, less| *more - *less < NO_SLIP_MM);
        Ok(leaves)
    }
}
