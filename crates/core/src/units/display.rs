use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Length, MM_PER_INCH};

vocabulary! {
    /// How lengths are written: everywhere at once, by one setting of the salon.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum UnitSystem {
        /// Millimetres, whole from 10 up, one decimal below, two below 1.
        #[default]
        Millimetres => "Millimetres",
        /// Inches with fractions to an eighth, under a quarter of an inch to a thirty-second.
        Inches => "Inches",
    }
}

/// Writes a length without its unit, as numbers stand on the sheet.
///
/// # Examples
/// ```
/// use veliform_core::units::{Length, UnitSystem, length_text};
/// let comb = Length::from_mm(22.225)?; // 7/8 in, exactly
/// assert_eq!(length_text(comb, UnitSystem::Millimetres), "22");
/// assert_eq!(length_text(comb, UnitSystem::Inches), "7/8");
/// # Ok::<(), veliform_core::units::NotFinite>(())
/// ```
pub fn length_text(length: Length, system: UnitSystem) -> String {
    let mm = length.as_mm();
    match system {
        UnitSystem::Millimetres => millimetres_text(mm),
        UnitSystem::Inches => inches_text(mm / MM_PER_INCH),
    }
}

fn millimetres_text(mm: f64) -> String {
    if mm.abs() < 0.995 && (mm - mm.round()).abs() > 0.005 {
        // The shortest blades differ by a quarter of a millimetre.
        let text = format!("{mm:.2}");
        text.trim_end_matches('0').to_owned()
    } else if mm.abs() < 9.95 && (mm - mm.round()).abs() > 0.05 {
        format!("{mm:.1}")
    } else {
        format!("{:.0}", mm.round() + 0.0)
    }
}

/// Below a quarter of an inch an eighth is three blades wide: thirty-seconds are written there
/// (handbook 3: the blades from the 40 to the 6 all lie under it).
const FINE_UNDER_IN: f64 = 0.25 - 1.0 / 64.0;

/// To the eighth, to the thirty-second where that says more; never nought for what is something.
fn inches_text(inches: f64) -> String {
    let parts_an_inch: u32 = if inches.abs() < FINE_UNDER_IN { 32 } else { 8 };
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "positive; what no dog has is written as the largest there is"
    )]
    let parts = (inches.abs() * f64::from(parts_an_inch)).round() as u64;
    let sign = if inches < 0.0 && inches.abs() > NOTHING_IN {
        "-"
    } else {
        ""
    };
    if parts == 0 {
        return if inches.abs() > NOTHING_IN {
            format!("{sign}1/64")
        } else {
            "0".into()
        };
    }
    let an_inch = u64::from(parts_an_inch);
    let (whole, mut top, mut bottom) = (parts / an_inch, parts % an_inch, an_inch);
    while top > 0 && top % 2 == 0 {
        (top, bottom) = (top / 2, bottom / 2);
    }
    match (whole, top) {
        (whole, 0) => format!("{sign}{whole}"),
        (0, _) => format!("{sign}{top}/{bottom}"),
        _ => format!("{sign}{whole} {top}/{bottom}"),
    }
}

/// Less than a hair is thick is nothing, inches (human hair: about 0.05 to 0.1 mm, from memory).
const NOTHING_IN: f64 = 0.002;

/// Fingers are laid side by side up to a hand's four, in halves (common practice): further off nobody
/// counts them.
const MOST_HALVES: f64 = 8.0;

/// Writes a distance in finger-breadths of the stylist's own index finger, to the half.
///
/// Under 15 mm a hand cannot tell: then `None`, and millimetres are used alone (handbook 5).
pub fn fingers_text(distance: Length, finger: Length) -> Option<String> {
    let halves = half_fingers(distance, finger)?;
    let (whole, is_half) = ((halves / 2.0).floor(), halves % 2.0 > 0.5);
    Some(match (whole > 0.5, is_half) {
        (true, true) => format!("{whole:.0}½ fingers"),
        (true, false) if whole < 1.5 => "1 finger".to_owned(),
        (true, false) => format!("{whole:.0} fingers"),
        (false, _) => "½ finger".to_owned(),
    })
}

/// How many half finger-breadths a distance is, whole; none where a hand cannot tell.
pub(crate) fn half_fingers(distance: Length, finger: Length) -> Option<f64> {
    if distance.as_mm().abs() < 15.0 || finger.as_mm() <= 0.0 {
        return None;
    }
    let halves = (distance / finger * 2.0).round().abs();
    (halves <= MOST_HALVES).then_some(halves)
}

/// Reads what a stylist typed as a length: `476`, `47.6 cm`, `18 3/4 in`, `18.75"`, `7/8 in`.
///
/// A bare number is in the salon's own system.
///
/// # Errors
/// One sentence that says what was typed and what would be understood.
pub fn parse_length(text: &str, system: UnitSystem) -> Result<Length, String> {
    let typed = text.trim().to_lowercase().replace(',', ".");
    let sorry = || {
        let example = match system {
            UnitSystem::Millimetres => "476 or 47.6 cm",
            UnitSystem::Inches => "18 3/4 or 476 mm",
        };
        format!(
            "“{}” is not a length; type one such as {example}.",
            text.trim()
        )
    };
    let (number, factor) = if let Some(rest) = typed.strip_suffix("mm") {
        (rest, 1.0)
    } else if let Some(rest) = typed.strip_suffix("cm") {
        (rest, 10.0)
    } else if let Some(rest) = typed
        .strip_suffix("inches")
        .or_else(|| typed.strip_suffix("in"))
        .or_else(|| typed.strip_suffix('"'))
    {
        (rest, MM_PER_INCH)
    } else {
        let factor = match system {
            UnitSystem::Millimetres => 1.0,
            UnitSystem::Inches => MM_PER_INCH,
        };
        (typed.as_str(), factor)
    };
    let parts: Vec<&str> = number.split_whitespace().collect();
    let value = match parts.as_slice() {
        [one] => part_value(one),
        [whole, fraction] if fraction.contains('/') => part_value(whole)
            .zip(part_value(fraction))
            .map(|(w, f)| w + f),
        _ => None,
    };
    value
        .and_then(|value| Length::from_mm(value * factor).ok())
        .ok_or_else(sorry)
}

fn part_value(part: &str) -> Option<f64> {
    match part.split_once('/') {
        Some((top, bottom)) => {
            let (top, bottom): (f64, f64) = (top.parse().ok()?, bottom.parse().ok()?);
            (bottom > 0.0).then(|| top / bottom)
        }
        None => part.parse().ok().filter(|value: &f64| value.is_finite()),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use rstest::rstest;

    fn mm(value: f64) -> Length {
        Length::from_mm(value).expect("finite")
    }

    // Handbook 8, units: exact inches (international yard and pound agreement, 1959).
    #[rstest]
    #[case(12.7, "1/2")]
    #[case(15.875, "5/8")]
    #[case(19.05, "3/4")]
    #[case(22.225, "7/8")]
    #[case(38.1, "1 1/2")]
    #[case(50.8, "2")]
    fn the_combs_of_the_trade_read_as_exact_inches(#[case] value: f64, #[case] text: &str) {
        assert_eq!(length_text(mm(value), UnitSystem::Inches), text);
        let back = parse_length(&format!("{text} in"), UnitSystem::Millimetres).expect("reads");
        assert!(back.approx_eq(mm(value), mm(1e-9)));
    }

    // By hand: a 40, a 10 and a 7 blade (handbook 3) in thirty-seconds; a hock reach of −9 mm.
    #[rstest]
    #[case(0.25, "1/64")]
    #[case(1.5, "1/16")]
    #[case(3.2, "1/8")]
    #[case(-3.2, "-1/8")]
    #[case(-9.0, "-3/8")]
    #[case(0.0, "0")]
    fn under_a_quarter_inch_no_blade_reads_as_nought(#[case] value: f64, #[case] text: &str) {
        assert_eq!(length_text(mm(value), UnitSystem::Inches), text);
    }

    #[rstest]
    #[case(1e300)]
    #[case(-1e300)]
    #[case(-12.7)]
    fn any_finite_length_can_be_written(#[case] value: f64) {
        for system in [UnitSystem::Millimetres, UnitSystem::Inches] {
            assert!(!length_text(mm(value), system).is_empty());
        }
    }

    #[rstest]
    #[case("476", 476.0)]
    #[case("47,6 cm", 476.0)]
    #[case("18.75\"", 476.25)]
    #[case(" 18 3/4 in ", 476.25)]
    fn what_a_stylist_types_is_understood(#[case] typed: &str, #[case] value: f64) {
        let read = parse_length(typed, UnitSystem::Millimetres).expect("reads");
        assert!(read.approx_eq(mm(value), mm(1e-9)));
    }

    #[rstest]
    #[case("")]
    #[case("tall")]
    #[case("1/0")]
    #[case("inf")]
    #[case("NaN")]
    #[case("3 4")]
    fn nonsense_is_answered_with_one_sentence(#[case] typed: &str) {
        let said = parse_length(typed, UnitSystem::Millimetres).expect_err("refused");
        assert!(said.contains("is not a length; type one such as 476"));
    }

    #[rstest]
    #[case(14.0, None)]
    #[case(18.0, Some("1 finger"))]
    #[case(27.0, Some("1½ fingers"))]
    #[case(37.0, Some("2 fingers"))]
    #[case(72.0, Some("4 fingers"))]
    #[case(81.0, None)]
    fn distances_are_told_in_finger_breadths_from_15_mm_up(
        #[case] distance: f64,
        #[case] text: Option<&str>,
    ) {
        assert_eq!(fingers_text(mm(distance), mm(18.0)).as_deref(), text);
    }
}
