use super::expr::Expr;
use super::rules::Judged;
use super::spot::Place;
use super::subject::Subject;
use crate::coat::Zone;
use crate::shape::Station;

/// A ratio with what the look asks, what this frame can give at best, and the target between.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct ReachOf {
    /// What the look asks.
    pub asked: (f64, f64),
    /// What this frame could give at best, whatever the coat of the day.
    pub best: f64,
    /// The range the solve works to.
    pub target: (f64, f64),
}

/// Targets that follow the frame, without a jump (balance-model.md 6); none where the look does
/// not judge.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Reach {
    /// Body length against height.
    pub body_ratio: ReachOf,
    /// Daylight against height.
    pub gap_ratio: Option<ReachOf>,
    /// Brisket against height.
    pub leg_share: Option<ReachOf>,
}

/// Inner faces at their fullest, against the nominal, when asking what a frame can give at best.
const FULLEST: f64 = 1.5;
/// Excess over the best, in tolerances, up to which a dog is corrected all the way.
const ALL_THE_WAY: f64 = 4.0;
/// Share of the remaining way that is then given up.
const GIVEN_UP: f64 = 0.5;

/// Works out the targets of the length points from frame and look alone: none of it depends on
/// the coat of the day.
pub(super) fn reach(subject: &Subject) -> Reach {
    let nominal = subject.nominal();
    let top = subject.y(Station::Withers).at(&nominal);
    let best: Vec<f64> = subject
        .spots
        .iter()
        .map(|spot| match spot.zone {
            Zone::Chest | Zone::Rump | Zone::Underline => spot.floor,
            Zone::Knee | Zone::Flank | Zone::ForeBack => FULLEST * spot.nominal,
            _ => spot.nominal,
        })
        .collect();
    let at = |expr: &Expr, lengths: &[f64]| expr.at(lengths) / top;
    let targets = subject.look.targets;

    let upper = |judged: Judged, asked: (f64, f64), expr: &Expr| {
        let tolerance = judged.rule().tolerance;
        let usual = at(expr, &nominal);
        let best = at(expr, &best);
        let high = asked.1 + subject.look.accept * (usual - asked.1).max(0.0);
        let excess = best - high;
        let share = given_up(excess, tolerance);
        let target = if excess > 0.0 {
            high.max(best - tolerance + share * (usual - best))
        } else {
            high
        };
        ReachOf {
            asked,
            best,
            target: (asked.0, target),
        }
    };
    let length = subject.x(Station::Breastbone) - &subject.x(Station::PinBone);
    let gap = subject.x(Station::ForearmBack) - &subject.x(Station::Stifle);
    let brisket = subject.y(Station::Brisket);
    let leg_share = targets.leg_share.map(|asked| {
        let tolerance = Judged::LegShare.rule().tolerance;
        let usual = at(&brisket, &nominal);
        let best = at(&brisket, &best);
        let excess = asked.0 - best;
        let share = given_up(excess, tolerance);
        let low = if excess > 0.0 {
            asked.0.min(best + tolerance - share * (best - usual))
        } else {
            asked.0
        };
        ReachOf {
            asked,
            best,
            target: (low, asked.1),
        }
    });
    debug_assert!(subject.find(Place::Side(Station::Withers)).is_some());
    Reach {
        body_ratio: upper(Judged::BodyRatio, targets.body_ratio, &length),
        gap_ratio: targets
            .gap_ratio
            .map(|asked| upper(Judged::GapRatio, asked, &gap)),
        leg_share,
    }
}

fn given_up(excess: f64, tolerance: f64) -> f64 {
    let knee = ALL_THE_WAY * tolerance;
    GIVEN_UP * (excess / knee - 1.0).clamp(0.0, 1.0)
}
