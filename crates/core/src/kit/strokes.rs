use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Tool, ToolKind, UnderComb};

/// Which way the clipper runs.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Direction {
    /// With the lay of the coat.
    #[default]
    WithTheLay,
    /// Against it: shorter and cleaner.
    AgainstTheLay,
}

/// Stand from which a coat counts as standing, for strokes against the lay (handbook 3).
const STANDING: f64 = 0.8;

/// Length a full pass of a tool leaves.
///
/// A comb over another blade than a 30 leaves its length + (that blade's length − 0.5 mm); against
/// the lay a bare blade leaves × 0.5 on lying and × 0.65 on standing coat, a comb × 0.75 and × 0.9
/// (handbook 3, modelling choice until the kit has learnt its own).
///
/// # Units and shapes
/// Result in mm; `stand` 0 to 1.
pub fn full_leaves_mm(tool: &Tool, under: UnderComb, direction: Direction, stand: f64) -> f64 {
    let marked = tool.leaves_mm.as_mm();
    let is_standing = stand >= STANDING;
    match (tool.kind, direction) {
        (ToolKind::Blade, Direction::WithTheLay) => marked,
        (ToolKind::Blade, Direction::AgainstTheLay) => {
            marked * if is_standing { 0.65 } else { 0.5 }
        }
        (ToolKind::Comb, Direction::WithTheLay) => marked + under.leaves_mm() - 0.5,
        (ToolKind::Comb, Direction::AgainstTheLay) => {
            (marked + under.leaves_mm() - 0.5) * if is_standing { 0.9 } else { 0.75 }
        }
    }
}

/// Stand that goes at a pass of thinning or stripping, and the least that is left; its length stays (handbook
/// 3, *Strip or card*, a modelling choice).
const THINNED_A_PASS: f64 = 0.1;
const THINNED_TO: f64 = 0.2;
/// A zone thinned or stripped until it lies, minutes on a medium dog (handbook 10 C 6).
pub const THINNED_MINUTES: f64 = 6.0;
/// Passes a coat bears before it shows (modelling choice).
const THINNING_PASSES: f64 = 3.0;

/// The flattest a coat of a stand is thinned at a visit, 0 to 1.
pub fn thinned_stand(stand: f64) -> f64 {
    let least = stand - THINNING_PASSES * THINNED_A_PASS;
    least.max(THINNED_TO).min(stand)
}

/// Passes of thinning from one stand down to another, whole.
pub fn thinning_passes(from: f64, to: f64) -> u32 {
    let passes = ((from - to) / THINNED_A_PASS).round().max(0.0);
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a handful; a float's cast saturates"
    )]
    let passes = passes as u32;
    passes
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::kit::ToolState;
    use crate::units::Length;
    use approx::assert_abs_diff_eq;
    use rstest::rstest;
    use uuid::Uuid;

    fn tool(kind: ToolKind, mm: f64) -> Tool {
        Tool {
            id: Uuid::nil(),
            kind,
            printed: "x".into(),
            leaves_mm: Length::constant_mm(mm),
            state: ToolState::Fine,
            retired: false,
            sharpened_ms: None,
            to_mm: None,
            fits: crate::kit::ClipperFit::Any,
        }
    }

    /// Handbook 3, *Comb over a blade*: a 10 leaves a millimetre more, a 40 a quarter less;
    /// number 1 leaves ½ in over a 30 (common practice).
    #[rstest]
    #[case(UnderComb::Thirty, 12.7)]
    #[case(UnderComb::Ten, 13.7)]
    #[case(UnderComb::Forty, 12.45)]
    fn a_half_inch_comb_over_a_blade_leaves_what_the_trade_says(
        #[case] under: UnderComb,
        #[case] leaves: f64,
    ) {
        let comb = tool(ToolKind::Comb, 12.7);
        let left = full_leaves_mm(&comb, under, Direction::WithTheLay, 0.85);
        assert_abs_diff_eq!(left, leaves, epsilon = 1e-9);
    }

    /// Handbook 3: × 0.5 lying, × 0.65 standing; comb × 0.75 and × 0.9.
    #[rstest]
    #[case(ToolKind::Blade, 3.2, 0.35, 1.6)]
    #[case(ToolKind::Blade, 3.2, 0.95, 2.08)]
    #[case(ToolKind::Comb, 16.0, 0.35, 12.0)]
    #[case(ToolKind::Comb, 16.0, 0.85, 14.4)]
    fn against_the_lay_leaves_less(
        #[case] kind: ToolKind,
        #[case] marked: f64,
        #[case] stand: f64,
        #[case] leaves: f64,
    ) {
        let left = full_leaves_mm(
            &tool(kind, marked),
            UnderComb::Thirty,
            Direction::AgainstTheLay,
            stand,
        );
        assert_abs_diff_eq!(left, leaves, epsilon = 1e-9);
    }
}
