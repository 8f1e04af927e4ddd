use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::tool::Tool;

vocabulary! {
    /// What blades a clipper takes, or what clipper a blade or comb fits (handbook 3, *Kit*).
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum ClipperFit {
        /// Nobody said: it goes on any.
        #[default]
        Any => "Any clipper",
        /// Blades that come off in one piece.
        Detachable => "Detachable",
        /// One blade that is set to several lengths.
        Adjustable => "Adjustable",
        /// A wide blade: a third more per stroke.
        Wide => "Wide",
    }
}

/// A clipper of the salon's.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Clipper {
    /// What its owner calls it.
    pub name: String,
    /// What it takes.
    pub takes: ClipperFit,
    /// Minutes it runs on one charge; none on a cord, or where nobody said.
    #[serde(default)]
    pub runs_minutes: Option<u32>,
}

/// Longest run on a charge that can be typed, minutes (handbook 3: about three hours told for a new
/// battery; modelling choice: four times that).
const LONGEST_RUN_MINUTES: u32 = 720;

/// Longest name of a clipper, letters.
const NAME_LETTERS: usize = 40;

impl Clipper {
    /// What is wrong with it as typed, in one sentence.
    pub(crate) fn problem(&self) -> Option<String> {
        let letters = self.name.chars().count();
        if self.name.trim().is_empty() {
            return Some("A clipper has no name; type what you call it.".into());
        }
        if letters > NAME_LETTERS {
            return Some(format!(
                "A clipper's name has {letters} letters; shorten it to {NAME_LETTERS}."
            ));
        }
        let minutes = self.runs_minutes?;
        (!(1..=LONGEST_RUN_MINUTES).contains(&minutes)).then(|| {
            format!(
                "A clipper cannot run {minutes} minutes on a charge; type 1 to \
                 {LONGEST_RUN_MINUTES}, or leave it empty."
            )
        })
    }
}

/// Whether one of these clippers drives a tool; where none is known, every tool is driven.
pub fn is_driven(tool: &Tool, clippers: &[Clipper]) -> bool {
    let takes = |clipper: &Clipper| {
        tool.fits == ClipperFit::Any
            || clipper.takes == ClipperFit::Any
            || clipper.takes == tool.fits
    };
    clippers.is_empty() || clippers.iter().any(takes)
}

/// Minutes the longest-running of these clippers lasts; none where one hangs on a cord, or nobody
/// said.
pub fn longest_run_minutes(clippers: &[Clipper]) -> Option<u32> {
    let runs: Option<Vec<u32>> = clippers.iter().map(|c| c.runs_minutes).collect();
    runs?.into_iter().max()
}

#[cfg(test)]
mod tests {
    use super::*;
    use rstest::rstest;

    fn clipper(takes: ClipperFit, runs_minutes: Option<u32>) -> Clipper {
        Clipper {
            name: "the grey one".into(),
            takes,
            runs_minutes,
        }
    }

    /// Handbook 3: plans never pair what does not fit.
    #[rstest]
    #[case::nobody_said(ClipperFit::Any, &[ClipperFit::Wide], true)]
    #[case::its_own(ClipperFit::Wide, &[ClipperFit::Detachable, ClipperFit::Wide], true)]
    #[case::another(ClipperFit::Wide, &[ClipperFit::Detachable], false)]
    #[case::no_clipper_known(ClipperFit::Wide, &[], true)]
    fn a_tool_runs_on_what_it_fits(
        #[case] fits: ClipperFit,
        #[case] owned: &[ClipperFit],
        #[case] is: bool,
    ) {
        let tool: Tool = serde_json::from_value(serde_json::json!({
            "id": uuid::Uuid::from_u128(1), "kind": "blade", "printed": "5", "leaves_mm": 6.3,
            "fits": fits,
        }))
        .expect("a tool");
        let clippers: Vec<Clipper> = owned.iter().map(|f| clipper(*f, None)).collect();
        assert_eq!(is_driven(&tool, &clippers), is);
    }

    #[test]
    fn one_on_a_cord_never_runs_out() {
        let cordless = clipper(ClipperFit::Any, Some(60));
        assert_eq!(
            longest_run_minutes(std::slice::from_ref(&cordless)),
            Some(60)
        );
        let corded = clipper(ClipperFit::Any, None);
        assert_eq!(longest_run_minutes(&[cordless, corded]), None);
        assert_eq!(longest_run_minutes(&[]), None);
    }
}
