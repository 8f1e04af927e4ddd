use super::words::Words;
use crate::balance::{BalancePoint, Divisor, Judged};

/// What is wrong, as a stylist would say it: one sentence with the millimetres.
///
/// # Units and shapes
/// `lengths` in mm per spot, as everywhere in the balance.
pub(super) fn fault_sentence(point: &BalancePoint, lengths: &[f64], words: &Words<'_>) -> String {
    let by = words.length(point.off_mm(lengths));
    let value = point.value_at(lengths);
    let is_high = point.range.1.is_some_and(|high| value > high)
        || (point.range.0.is_none_or(|low| value >= low));
    match (point.judged, is_high) {
        (Judged::BodyRatio, true) => format!("The body is still {by} too long."),
        (Judged::BodyRatio, false) => format!("The body is {by} too short."),
        (Judged::GapRatio, true) => format!("Daylight under the dog is still {by} too wide."),
        (Judged::GapRatio, false) => format!("Daylight under the dog is {by} too narrow."),
        (Judged::GapUnderFlank, _) => format!("Daylight under the flank is {by} too wide."),
        (Judged::LegShare, true) => format!("The legs look {by} too long."),
        (Judged::LegShare, false) => format!("The legs look {by} too short."),
        (Judged::Topline, true) => format!("The back stands {by} proud."),
        (Judged::Topline, false) => format!("The back still dips by {by}."),
        (Judged::Slope, true) => format!("The back falls {by} too much to the rear."),
        (Judged::Slope, false) => format!("The rear is still {by} high."),
        (Judged::CroupDrop, true) => format!("The croup drops {by} too much to the tail."),
        (Judged::CroupDrop, false) => format!("The tail set stands {by} too high."),
        (Judged::CroupFill, true) => format!("The croup bulges by {by}."),
        (Judged::CroupFill, false) => format!("The croup is hollow by {by}."),
        (Judged::UnderlineRise, true) => format!("The underline rises {by} too much."),
        (Judged::UnderlineRise, false) => format!("The underline rises {by} too little."),
        (Judged::UnderlineSteady, _) => format!("The underline sags by {by}."),
        (Judged::FlankFill, _) => format!("{by} of hair is missing into the flank."),
        (Judged::NeckDepth, _) => format!("The neck is {by} too deep for its length."),
        (Judged::CrestJoin, true) => format!("The crest stands {by} proud."),
        (Judged::CrestJoin, false) => format!("The crest is hollow by {by}."),
        (Judged::RearAngulation, true) => format!("The bend behind is {by} too deep."),
        (Judged::RearAngulation, false) => format!("The hind leg is {by} too straight."),
        (Judged::RearSetIn, true) => format!("The leg sits {by} too far under."),
        (Judged::RearSetIn, false) => format!("Set-in under the pin bone lacks {by}."),
        (Judged::RearDrop, _) => format!("The rear drop is off its line by {by}."),
        (Judged::Rearmost, _) => format!("Hair stands {by} behind the pin bone."),
        (Judged::Foremost, _) => format!("Hair stands {by} before the breastbone."),
        (Judged::FrontColumn, _) => format!("The front column is {by} off plumb."),
        (Judged::ColumnShare, true) => format!("The front legs are {by} too full."),
        (Judged::ColumnShare, false) => format!("The front legs are {by} too thin."),
        (Judged::Toe, _) => format!("The column stands {by} past the toe."),
        (Judged::HindColumn, _) => format!("Hock and pastern differ by {by}."),
        (Judged::ColumnPair, true) => format!("The hind legs are {by} fuller than the front."),
        (Judged::ColumnPair, false) => format!("The hind legs are {by} thinner than the front."),
        (Judged::LowerThigh, _) => format!("The lower thigh is {by} off its line."),
        (Judged::KneeFullness, true) => format!("The knee bulges by {by}."),
        (Judged::KneeFullness, false) => format!("The knee lacks {by} of fullness."),
        (Judged::ShoulderIntoRibs, true) => format!("The shoulder stands {by} proud."),
        (Judged::ShoulderIntoRibs, false) => format!("The shoulder is {by} hollow."),
        (Judged::RibsNotFlat, true) => format!("The ribs stand {by} proud."),
        (Judged::RibsNotFlat, false) => format!("The ribs are {by} too flat."),
        (Judged::LoinNotHollow, true) => format!("The loin stands {by} proud."),
        (Judged::LoinNotHollow, false) => format!("The loin is {by} hollow."),
        (Judged::FrontEdges, _) => format!("A front leg is {by} off plumb from the front."),
        (Judged::FrontFlush, _) => format!("The front leg stands {by} in from the shoulder."),
        (Judged::FrontOver, _) => format!("The front leg stands {by} out over the shoulder."),
        (Judged::ColumnSquare, true) => format!("The column is {by} wider than it is deep."),
        (Judged::ColumnSquare, false) => format!("The column is {by} deeper than it is wide."),
        (Judged::RearEdges, _) => format!("A hind leg is {by} off its line from behind."),
        (Judged::Widest, _) => format!("The leg is {by} wider than the thigh."),
        (Judged::Daylight, _) => format!("Daylight between the legs lacks {by}."),
        (Judged::Mirror, _) => format!("Left and right differ by {by}."),
        (Judged::Hole, _) => format!("The hole shows {by} too deep."),
        (Judged::WaistPlace, true) => format!("The waist peaks {by} too far back."),
        (Judged::WaistPlace, false) => format!("The waist peaks {by} before the last rib."),
        (Judged::KneeOpposite, _) => format!("Knee and bend are {by} from opposite each other."),
        (Judged::HeadSize, true) => format!("The head is {by} too big for the body."),
        (Judged::HeadSize, false) => format!("The head is {by} too small for the body."),
        (Judged::HeadRound, _) => format!("The head leaves its circle by {by}."),
        (Judged::NoseLongest, _) => format!("Hair stands {by} before the nose."),
        (Judged::EarEnd, true) => format!("The ear hangs {by} too far below the beard."),
        (Judged::EarEnd, false) => format!("The ear ends {by} over the beard."),
        (Judged::EyeOpen, _) => format!("Hair lies {by} over the eye's corner."),
        (Judged::LiftOff, true) => format!("The thigh's line lies {by} over the shoulder's."),
        (Judged::LiftOff, false) => format!("The thigh's line lies {by} under the shoulder's."),
        (Judged::FlankNeed, _) => format!("The flank lacks {by} of hair over the waist's."),
        (Judged::Bump, _) => {
            format!("The line bumps by {by}; feel whether it is hair or a lump.")
        }
        (Judged::Bevel, true) => format!("The column is {by} too wide for a hem over its foot."),
        (Judged::Bevel, false) => format!("The foot stands {by} out of its column."),
        (Judged::EarOverShoulder, _) => format!("The ear hangs {by} below the point of shoulder."),
    }
}

/// A value as it stands on the screen.
/// One standard deviation beside a value, one figure finer than the value.
pub(super) fn doubt_text(point: &BalancePoint, doubt: f64, words: &Words<'_>) -> String {
    match point.divisor {
        Divisor::By(_) => format!("±{doubt:.3}"),
        Divisor::Millimetres => format!("±{}", words.bare(doubt)),
    }
}

pub(super) fn value_text(point: &BalancePoint, value: f64, words: &Words<'_>) -> String {
    match &point.divisor {
        Divisor::By(_) => format!("{value:.2}"),
        Divisor::Millimetres => words.bare(value),
    }
}

/// A range as it stands on the screen.
pub(super) fn range_text(point: &BalancePoint, words: &Words<'_>) -> String {
    let text = |value: f64| value_text(point, value, words);
    match point.range {
        (Some(low), Some(high)) if matches!(point.divisor, Divisor::By(_)) && low <= 0.0 => {
            format!("up to {}", text(high))
        }
        (Some(low), Some(high)) => format!("{} to {}", text(low), text(high)),
        (None, Some(high)) => format!("up to {}", text(high)),
        (Some(low), None) => format!("from {}", text(low)),
        (None, None) => "any".into(),
    }
}
