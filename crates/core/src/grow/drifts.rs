//! What an eye sees where a judged number has grown out of its range, in the words of an eye (modelling choice).

use crate::balance::Judged;

/// What has become of the outline, as it is said to an owner; numbers that show alike are said alike.
const fn drifts(judged: Judged) -> &'static str {
    use Judged as J;
    match judged {
        J::BodyRatio => "it reads longer",
        J::GapRatio | J::GapUnderFlank => "daylight under it closes",
        J::LegShare => "the legs look short",
        J::Topline | J::Slope | J::CroupDrop | J::CroupFill => "the back loses its line",
        J::UnderlineRise | J::UnderlineSteady | J::FlankFill | J::WaistPlace | J::FlankNeed => {
            "the underline loses its rise"
        }
        J::NeckDepth | J::CrestJoin => "the neck thickens",
        J::RearAngulation
        | J::RearSetIn
        | J::RearDrop
        | J::Rearmost
        | J::LowerThigh
        | J::KneeFullness
        | J::KneeOpposite => "the rear loses its bend",
        J::Foremost => "the chest stands out",
        J::FrontColumn
        | J::ColumnShare
        | J::Toe
        | J::HindColumn
        | J::ColumnPair
        | J::FrontEdges
        | J::FrontFlush
        | J::FrontOver
        | J::ColumnSquare
        | J::RearEdges
        | J::Widest
        | J::Bevel => "the legs lose their shape",
        J::ShoulderIntoRibs | J::RibsNotFlat | J::LoinNotHollow | J::LiftOff => {
            "the sides lose their line"
        }
        J::Daylight => "the gap between the legs closes",
        J::Mirror => "left and right differ",
        J::Hole | J::Bump => "spots show",
        J::HeadSize | J::HeadRound => "the head loses its shape",
        J::NoseLongest => "hair stands before the nose",
        J::EarEnd | J::EarOverShoulder => "the ears hang too long",
        J::EyeOpen => "hair lies over the eyes",
    }
}

/// The same of several, each thing once, in the order they are judged.
pub(super) fn drifted(judged: impl IntoIterator<Item = Judged>) -> Vec<&'static str> {
    let mut said: Vec<&'static str> = Vec::new();
    for word in judged.into_iter().map(drifts) {
        if !said.contains(&word) {
            said.push(word);
        }
    }
    said
}
