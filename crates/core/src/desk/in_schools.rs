use crate::kit::ONE_SIZE_MM;
use crate::look::{EarRule, ForeLegShape, HindLegShape, Look, UnderlineShape};
use crate::schools::Answer as A;
use crate::schools::{Question, Schools};
use crate::shape::TailForm;

/// Belly before the waist against the look's own length, short and filled (modelling choice).
const SHORT_BELLY: f64 = 0.6;
const FILLED_BELLY: f64 = 1.4;

/// Soft brows against the look's own (handbook 10 A 8, modelling choice).
const SOFT_BROW: f64 = 0.7;

/// A clipped ear, mm (handbook 5, *Nominal lengths*).
const CLIPPED_EAR_MM: f64 = 1.2;

/// A look as this salon's schools have it (handbook 6): only what they leave to the look stays.
pub(super) fn in_schools(look: Look, schools: &Schools) -> Look {
    let look = match schools.of(Question::HindInside) {
        A::InsideAsOutside => look.with_hind_inside(0.0),
        A::InsideShorter => look.with_hind_inside(ONE_SIZE_MM),
        _ => look,
    };
    let look = match schools.of(Question::TuckUp) {
        A::TuckUpCleared => look.with_tuck_up_cleared(),
        _ => look,
    };
    let look = match schools.of(Question::BellyFront) {
        A::BellyShort => look.with_underline(SHORT_BELLY),
        A::BellyFilled => look.with_underline(FILLED_BELLY),
        _ => look,
    };
    let look = match schools.of(Question::Underline) {
        A::UnderlineStraight => look.with_underline_shape(UnderlineShape::Straight),
        A::UnderlineRound => look.with_underline_shape(UnderlineShape::Round),
        _ => look,
    };
    let look = of_the_tail(of_the_head(look, schools), schools);
    let look = match schools.of(Question::FrontLeg) {
        A::FrontTube => look.with_fore(ForeLegShape::Tube),
        A::FrontD => look.with_fore(ForeLegShape::D),
        A::FrontFlare => look.with_fore(ForeLegShape::Flare),
        _ => look,
    };
    match schools.of(Question::RearLeg) {
        A::RearParallel => look.with_hind(HindLegShape::Parallel),
        A::RearA => look.with_hind(HindLegShape::A),
        _ => look,
    }
}

/// A tail that is cut is shaped as asked; one that the look keeps is kept.
fn of_the_tail(look: Look, schools: &Schools) -> Look {
    match schools.of(Question::TailEnd) {
        A::TailPlume => look.with_tail(TailForm::Plume),
        A::TailRounded => look.with_tail(TailForm::Rounded),
        A::TailU => look.with_tail(TailForm::U),
        A::TailV => look.with_tail(TailForm::BareV),
        _ => look,
    }
}

/// Ears, fringe and crown.
fn of_the_head(look: Look, schools: &Schools) -> Look {
    let mut look = match schools.of(Question::EarShort) {
        A::EarToJaw | A::EarToFold => look.with_ear(Some(CLIPPED_EAR_MM)),
        A::EarWhole | A::EarTip => look.with_ear(None),
        _ => look,
    };
    look.ear_rule = match schools.of(Question::EarLength) {
        A::EarAtShoulder => EarRule::OverShoulder,
        A::EarUnderBeard => EarRule::BesideBeard,
        A::EarAsWished => EarRule::AsItIs,
        _ => look.ear_rule,
    };
    look.finish.is_fringe_short = schools.has(A::FringeShort);
    look.finish.ponytails = match schools.of(Question::Ponytails) {
        A::PonytailOne => 1,
        A::PonytailTwo => 2,
        _ => 0,
    };
    let look = match schools.of(Question::Brows) {
        A::BrowsSoft => look.with_brow(SOFT_BROW),
        _ => look,
    };
    match schools.of(Question::Crown) {
        A::CrownOff => look.with_crown_off(),
        _ => look,
    }
}
