use std::fmt;

use serde::{Deserialize, Serialize};

/// The month a dog was born in: its age follows the calendar.
#[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(try_from = "String", into = "String")]
pub struct BirthMonth {
    year: i64,
    /// 1 to 12.
    month: i64,
}

/// What is no month.
#[derive(Clone, Debug, PartialEq, Eq, thiserror::Error)]
#[error("“{0}” is no month of birth; write the year and the month, such as 2021-05")]
pub struct NoMonth(String);

/// First year a living dog's papers could name (modelling choice).
const EARLIEST_YEAR: i64 = 1950;
const LATEST_YEAR: i64 = 2199;

impl TryFrom<String> for BirthMonth {
    type Error = NoMonth;

    fn try_from(text: String) -> Result<Self, NoMonth> {
        let parts = text.trim().split_once('-');
        let read = parts.and_then(|(year, month)| {
            let digits = |text: &str, most| {
                let is_number = text.len() <= most && text.bytes().all(|b| b.is_ascii_digit());
                is_number.then(|| text.parse::<i64>().ok()).flatten()
            };
            let (year, month) = (digits(year, 4)?, digits(month, 2)?);
            let can_be = (EARLIEST_YEAR..=LATEST_YEAR).contains(&year) && (1..=12).contains(&month);
            can_be.then_some(Self { year, month })
        });
        read.ok_or(NoMonth(text))
    }
}

impl From<BirthMonth> for String {
    fn from(born: BirthMonth) -> Self {
        born.to_string()
    }
}

impl fmt::Display for BirthMonth {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "{:04}-{:02}", self.year, self.month)
    }
}

impl BirthMonth {
    /// Whole months from the month of birth to a moment, milliseconds since 1970 in UTC; negative before.
    pub fn months_at(self, now_ms: i64) -> i64 {
        let (year, month) = civil_month(now_ms.div_euclid(DAY_MS));
        (year - self.year) * 12 + month - self.month
    }
}

/// Month of the year of a moment, milliseconds since 1970 in UTC: 1 to 12.
pub(crate) fn month_of(ms: i64) -> i64 {
    civil_month(ms.div_euclid(DAY_MS)).1
}

const DAY_MS: i64 = 86_400_000;

/// Year and month of a day since 1970, by the proleptic Gregorian calendar.
///
/// # References
/// Hinnant, *chrono-Compatible Low-Level Date Algorithms*, `civil_from_days` (from memory): eras of 400
/// years of 146,097 days, years that begin in March.
fn civil_month(days: i64) -> (i64, i64) {
    let days = days + 719_468;
    let (era, day) = (days.div_euclid(146_097), days.rem_euclid(146_097));
    let year = (day - day / 1460 + day / 36_524 - day / 146_096) / 365;
    let day_of_year = day - (365 * year + year / 4 - year / 100);
    let march_month = (5 * day_of_year + 2) / 153;
    let month = if march_month < 10 {
        march_month + 3
    } else {
        march_month - 9
    };
    let year = era * 400 + year + i64::from(month <= 2);
    (year, month)
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Days since 1970 of dates any calendar has: leap years, turns of century, the epoch itself.
    #[test]
    fn months_are_those_of_the_calendar() {
        for (days, month) in [
            (0, (1970, 1)),
            (-1, (1969, 12)),
            (58, (1970, 2)),
            (59, (1970, 3)),
            (11_016, (2000, 2)), // 29 February 2000
            (11_017, (2000, 3)),
            (20_786, (2026, 11)), // 29 November 2026
            (47_540, (2100, 2)),  // 28 February 2100, no leap year
            (47_541, (2100, 3)),
        ] {
            assert_eq!(civil_month(days), month, "{days}");
        }
    }

    #[test]
    fn only_a_month_reads_and_it_is_written_as_read() {
        let read = |text: &str| BirthMonth::try_from(text.to_owned());
        assert_eq!(read("2021-05").map(String::from), Ok("2021-05".into()));
        for text in [
            "", "2021", "2021-13", "2021-00", "21-05", "2021-5-1", "+021-05", "3021-05",
        ] {
            assert!(read(text).is_err(), "{text}");
        }
        let born = read("2024-11").expect("a month");
        assert_eq!(born.months_at(20_786 * DAY_MS), 24);
        assert_eq!(born.months_at(0), -658);
    }
}
