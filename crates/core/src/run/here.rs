use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::state::Run;
use crate::dog::Topic;
use crate::sheet::StepKind;

/// Where a dog of today is, as its own run says.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum DogPlace {
    /// Here, its groom not begun.
    Waiting,
    /// In the tub.
    Tub,
    /// Being dried.
    Drying,
    /// On the table.
    Table,
    /// It rests, clocks stand.
    Resting,
    /// Its groom is over.
    Ready,
}

/// A dog that is here today.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Here {
    /// Where.
    pub place: DogPlace,
    /// In a word or two, with what is left of it.
    pub words: String,
}

/// Where a dog is by the run of today's visit, if one was begun.
///
/// # Units and shapes
/// `now_ms` on the table's own clock, milliseconds since 1970.
pub fn here(run: Option<&Run>, now_ms: i64) -> Here {
    let at = |place, words: String| Here { place, words };
    let Some(run) = run else {
        return at(DogPlace::Waiting, "waiting".into());
    };
    let queue = run.queue();
    let Some(step) = queue.first().and_then(|n| run.step(*n)) else {
        return at(DogPlace::Ready, "ready".into());
    };
    // A resting dog's clock stands where it was put down.
    let is_resting = run.timed_from_ms.is_none();
    let to_go = |number: u32| {
        let planned = run.step(number).map_or(0.0, |s| s.minutes);
        (planned - run.minutes_on(number, now_ms)).max(0.0)
    };
    let here_left = to_go(step.number);
    let whole: f64 = queue.iter().map(|n| to_go(*n)).sum();
    if is_resting {
        at(DogPlace::Resting, format!("rests, {} to go", clock(whole)))
    } else if step.kind == StepKind::Bath {
        at(
            DogPlace::Tub,
            format!("in the tub, {} left", clock(here_left)),
        )
    } else if step.topic == Topic::Dry {
        at(
            DogPlace::Drying,
            format!("drying, {} left", clock(here_left)),
        )
    } else {
        at(
            DogPlace::Table,
            format!("on the table, {} to go", clock(whole)),
        )
    }
}

/// Minutes up to an hour, hours and minutes from there.
fn clock(minutes: f64) -> String {
    let whole = minutes.round();
    if whole < 60.0 {
        format!("{whole:.0} min")
    } else {
        format!("{:.0} h {:02.0}", (whole / 60.0).floor(), whole % 60.0)
    }
}
