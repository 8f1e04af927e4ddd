//! Which pair of shears goes where (handbook 10 C 7).

use super::writer::Writer;
use crate::kit::{Shears, ShearsForm, ShearsState};
use crate::schools::{Answer, Question};

/// Where a pair of shears works.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Place {
    /// Face, feet, under the tail: where a long pair hurts.
    Small,
    /// The legs.
    Columns,
    /// A dome: topknot, crown.
    Dome,
    /// The rest.
    Body,
}

/// Lengths of a pair that go somewhere.
struct Lengths {
    /// As a step says them where none of them hangs in the kit.
    said: &'static str,
    /// Shortest and longest, mm.
    mm: (f64, f64),
}

/// Dogs up to this height, mm, get the first lengths; up to the other the second (handbook 10 C 7).
const LOW_DOG: f64 = 300.0;
const TALL_DOG: f64 = 550.0;
const OF_LOW: Lengths = Lengths {
    said: "14–16 cm",
    mm: (140.0, 165.0),
};
const USUAL: Lengths = Lengths {
    said: "18–20 cm",
    mm: (180.0, 205.0),
};
/// On columns of a taller dog.
const OF_TALL: Lengths = Lengths {
    said: "from 23 cm",
    mm: (230.0, f64::INFINITY),
};
/// Never longer than this at face, feet and under the tail.
const SMALL: Lengths = Lengths {
    said: "up to 16 cm",
    mm: (0.0, 165.0),
};

impl Writer<'_> {
    /// The pair that shapes here: the owned one of the salon's kind and of the length that dog and place ask
    /// for; what to look for where none hangs in the kit.
    pub(super) fn shears(&self, place: Place) -> String {
        let lengths = self.lengths_for(place);
        if let Some(pair) = self.pair_for(place, lengths) {
            return pair.name(self.job.house.units);
        }
        let kind = match self.answer(Question::Shaping) {
            Answer::ShapeStraight => "straight shears",
            Answer::ShapeCurved => "curved shears",
            Answer::ShapeTexturiser => "texturiser, then fine shears",
            Answer::ShapeChunkers => "chunkers",
            _ => "shears",
        };
        let lacks = if self.job.house.shears.is_empty() {
            ""
        } else {
            " (none in the kit)"
        };
        let hand = if self.job.is_left_handed {
            "left-handed "
        } else {
            ""
        };
        format!("{hand}{kind}, {}{lacks}", lengths.said)
    }

    /// The joins' pairs, coarse before fine; what to look for where none hangs in the kit.
    pub(super) fn thinners(&self) -> String {
        let mut toothed: Vec<&Shears> = self.pairs().filter(|p| p.is_toothed()).collect();
        // The one that takes most is closed first.
        toothed.sort_by_key(|pair| std::cmp::Reverse(pair.takes_percent()));
        let name = |pair: &Shears| pair.name(self.job.house.units);
        match (toothed.first(), toothed.last()) {
            (Some(coarse), Some(fine)) if toothed.len() > 1 => {
                format!("{}, then {}", name(coarse), name(fine))
            }
            (Some(only), _) => name(only),
            _ => "thinning shears".into(),
        }
    }

    /// What works between the eyes and at their corners: the longest owned curved pair with whole edges and
    /// sharp points that goes near a face (handbook 10 C 7, 10 D).
    pub(super) fn curves_at_the_eyes(&self) -> String {
        let goes = |pair: &&Shears| {
            let is_curved = pair.form == ShearsForm::Curved && !pair.is_toothed();
            is_curved && is_for_a_face(pair)
        };
        self.owned_or(goes, "small curved shears")
    }

    /// The thinners that open the corners of the eyes: the owned ones that go near a face.
    pub(super) fn thinners_at_the_eyes(&self, said: &str) -> String {
        self.owned_or(|pair| pair.is_toothed() && is_for_a_face(pair), said)
    }

    /// The longest owned pair that goes; else what to look for.
    fn owned_or(&self, goes: impl Fn(&&Shears) -> bool, said: &str) -> String {
        self.pairs()
            .filter(goes)
            .max_by(|a, b| a.long_mm.as_mm().total_cmp(&b.long_mm.as_mm()))
            .map_or_else(|| said.to_owned(), |pair| pair.name(self.job.house.units))
    }

    /// The longest owned pair of the salon's kind that goes here, of the form that suits the place where one
    /// is; none where none goes.
    fn pair_for(&self, place: Place, lengths: &Lengths) -> Option<&Shears> {
        let (least, most) = lengths.mm;
        let long = |pair: &Shears| pair.long_mm.as_mm();
        let goes = |pair: &&Shears| {
            let has_points = place != Place::Small || pair.state != ShearsState::DullAtTip;
            has_points && (least..=most).contains(&long(pair))
        };
        let is_asked = |pair: &Shears| match self.answer(Question::Shaping) {
            Answer::ShapeStraight => !pair.is_toothed() && pair.form == ShearsForm::Straight,
            Answer::ShapeCurved => !pair.is_toothed() && pair.form == ShearsForm::Curved,
            Answer::ShapeTexturiser | Answer::ShapeChunkers => pair.is_toothed(),
            _ => !pair.is_toothed(),
        };
        // Round edges of feet and face by curves, plumb lines by straights (common practice).
        let rounds = match place {
            Place::Small | Place::Dome => ShearsForm::Curved,
            Place::Columns | Place::Body => ShearsForm::Straight,
        };
        let suits = |pair: &Shears| pair.form == rounds;
        // The longest that goes covers most at a close.
        self.pairs()
            .filter(goes)
            .filter(|pair| is_asked(pair))
            .max_by(|a, b| {
                let by_form = suits(a).cmp(&suits(b));
                by_form.then(long(a).total_cmp(&long(b)))
            })
    }

    /// Pairs that cut.
    fn pairs(&self) -> impl Iterator<Item = &Shears> {
        self.job.house.shears.iter().filter(|pair| pair.is_fit())
    }

    fn lengths_for(&self, place: Place) -> &'static Lengths {
        let height = self.job.sides.left.height;
        match place {
            _ if height < LOW_DOG => &OF_LOW,
            Place::Small => &SMALL,
            Place::Columns if height > TALL_DOG => &OF_TALL,
            Place::Columns | Place::Dome | Place::Body => &USUAL,
        }
    }
}

/// Short enough for a face, and its points cut.
fn is_for_a_face(pair: &Shears) -> bool {
    pair.state != ShearsState::DullAtTip && pair.long_mm.as_mm() <= SMALL.mm.1
}
