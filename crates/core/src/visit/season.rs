use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::past::{DAY_MS, EarlierVisit, recipe_of};
use super::recipe::{Recipe, RecipeZone};
use crate::coat::Zone;
use crate::dog::month_of;
use crate::kit::ONE_SIZE_MM;
use crate::units::Length;

/// What was done at this time of the year, where that is otherwise than last time (handbook 10 A 5: a dog
/// has a full recipe and one for the summer, each with its months).
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SeasonRecipe {
    /// When that visit began, milliseconds since 1970 in UTC.
    pub began_ms: i64,
    /// What was done.
    pub recipe: Recipe,
    /// Zones that were left otherwise than last time.
    pub differs: Vec<SeasonZone>,
}

/// A zone that is left otherwise at this time of the year.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SeasonZone {
    /// Which.
    pub zone: Zone,
    /// Its name.
    pub label: String,
    /// Left then, on the mean.
    pub then_mm: Length,
    /// Left last time.
    pub last_mm: Length,
}

/// A visit is of another turn of the season after so many days (modelling choice: four months).
const LEAST_DAYS: i64 = 120;
/// Nor is what was done longer ago than this (modelling choice: two years and two months).
const MOST_DAYS: i64 = 800;
/// Months apart in the year within which it is the same time of it (modelling choice).
const MONTHS_APART: i64 = 1;

/// The visit whose recipe is this season's: the newest at this time of an earlier year; none where there is
/// none.
///
/// # Units and shapes
/// Moments in milliseconds since 1970 in UTC, in any order; an index into them.
pub fn of_this_season(began_ms: &[i64], now_ms: i64) -> Option<usize> {
    let is_then = |began: i64| {
        let days = (now_ms - began).div_euclid(DAY_MS);
        let apart = (month_of(began) - month_of(now_ms)).abs();
        (LEAST_DAYS..=MOST_DAYS).contains(&days) && apart.min(12 - apart) <= MONTHS_APART
    };
    let then = began_ms.iter().enumerate().filter(|(_, ms)| is_then(**ms));
    then.max_by_key(|(_, ms)| **ms).map(|(at, _)| at)
}

/// This season's recipe against the last one; visits oldest first. None where both would leave the same.
pub(super) fn season(earlier: &[&EarlierVisit], now_ms: i64) -> Option<SeasonRecipe> {
    let began: Vec<i64> = earlier.iter().map(|v| v.began_ms).collect();
    let then = earlier[of_this_season(&began, now_ms)?];
    let (recipe, last) = (recipe_of(then)?, recipe_of(earlier.last()?)?);
    let differs = differs(&recipe, &last);
    let is_other = recipe.look != last.look || !differs.is_empty();
    is_other.then_some(SeasonRecipe {
        began_ms: then.began_ms,
        recipe,
        differs,
    })
}

/// Zones that one recipe leaves by a comb's size or more otherwise than another.
fn differs(then: &Recipe, last: &Recipe) -> Vec<SeasonZone> {
    let mean = |zone: &RecipeZone| f64::midpoint(zone.from_mm.as_mm(), zone.to_mm.as_mm());
    let of_last: BTreeMap<Zone, f64> = last.zones.iter().map(|z| (z.zone, mean(z))).collect();
    then.zones
        .iter()
        .filter_map(|zone| {
            let last_mm = *of_last.get(&zone.zone)?;
            ((mean(zone) - last_mm).abs() >= ONE_SIZE_MM).then(|| SeasonZone {
                zone: zone.zone,
                label: zone.label.clone(),
                then_mm: Length::worked_out_mm(mean(zone)),
                last_mm: Length::worked_out_mm(last_mm),
            })
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Dates of any calendar, in days since 1970: 1 June 2025 and 2026, 1 January and 10 May 2026.
    const JUNE_25: i64 = 20_240;
    const JANUARY: i64 = 20_454;
    const MAY: i64 = 20_583;
    const JUNE_26: i64 = 20_605;

    fn found(days: &[i64], now: i64) -> Option<usize> {
        let ms: Vec<i64> = days.iter().map(|d| d * DAY_MS).collect();
        of_this_season(&ms, now * DAY_MS)
    }

    #[test]
    fn the_same_month_of_the_year_before_is_this_season() {
        assert_eq!(found(&[JANUARY, JUNE_25, MAY], JUNE_26), Some(1));
        // Three weeks ago is last time, not last year.
        assert_eq!(found(&[JANUARY, MAY], JUNE_26), None);
        // December and January lie beside one another.
        let december = JANUARY - 25;
        assert_eq!(found(&[december - 365], JANUARY), Some(0));
        // What was done three years ago is forgotten.
        assert_eq!(found(&[JUNE_26 - 3 * 365], JUNE_26), None);
    }
}
