use super::suits::{self, Suits};
use super::talk::{Talk, WishedBody, WishedEnds, WishedFace, WishedLegs};
use crate::coat::{CoatNow, Knots, Zone};
use crate::frame::Build;
use crate::look::Look;
use crate::shape::HeadShape;

/// How a look fits an owner's answers and today's coat.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Fit {
    /// What speaks for it, in few words each.
    pub for_it: Vec<String>,
    /// What speaks against it.
    pub against: Vec<String>,
    /// The more, the worse; no unit of its own (modelling choice: an answer missed outright costs
    /// as much as ten points of balance).
    pub cost: f64,
}

/// An answer missed outright.
const MISSED: f64 = 10.0;
/// An answer missed by one step of three.
const STEP: f64 = 5.0;
/// Every ten minutes of brushing more than the owner has.
const TEN_MINUTES: f64 = 4.0;
/// Every week past the look's own.
const WEEK: f64 = 2.0;
/// A zone of tight knots that the look keeps long.
const KNOTTED: f64 = 5.0;
/// All the coat a look asks missing.
const NO_COAT: f64 = 30.0;

/// Bodies under this are short, over the other long, mm (handbook 5: jackets to 8 mm, fleeces from
/// 25; modelling choice).
const BODY_MM: (f64, f64) = (9.0, 22.0);
/// Legs over the body by this factor are fuller; by the other, or by this much, big (modelling
/// choice after handbook 5's table).
const LEGS: (f64, f64) = (1.4, 5.0);
/// Ears and tails shorter than this are off, mm (modelling choice).
const ENDS_MM: f64 = 28.0;
/// A zone kept longer than this feels its knots, mm.
const LONG_MM: f64 = 15.0;

/// A coat or a build that the look is not made for, and one it is (modelling choice: coat and build come
/// first, so a look that wants another stands behind all that can be had, however this dog balances in it).
const WANTS_ANOTHER: f64 = 1000.0;
const MADE_FOR: f64 = -6.0;

/// Weighs a look against the coat there is, the build and the talk; nothing is solved.
pub fn fit(look: &Look, talk: &Talk, coat: &CoatNow, build: &Build) -> Fit {
    let mut fit = Fit::default();
    let height_mm = build.height;
    fit.suits(suits::coat(look.made_for.coat, coat.texture));
    fit.suits(suits::build(look.made_for.build, build));
    let nominal = |zone| look.nominal_mm(zone, height_mm);
    let left = |zone| nominal(zone).min(coat.length_mm(zone));

    if let Some(wish) = talk.body {
        let have = step(left(Zone::Back), BODY_MM);
        let asked = match wish {
            WishedBody::Short => 0,
            WishedBody::Medium => 1,
            WishedBody::Long => 2,
        };
        let words = ["short body", "soft body", "long body"];
        fit.weigh(asked, have, words);
    }
    if let Some(wish) = talk.legs {
        let over = left(Zone::ForeOut) / left(Zone::Back).max(1.0);
        let asked = match wish {
            WishedLegs::AsBody => 0,
            WishedLegs::Fuller => 1,
            WishedLegs::Big => 2,
        };
        let words = ["legs as the body", "fuller legs", "big legs"];
        fit.weigh(asked, step(over, LEGS), words);
    }
    if let Some(wish) = talk.face {
        let shape = look.finish.head;
        let is_met = match wish {
            WishedFace::Clean => matches!(
                shape,
                Some(HeadShape::Topknot | HeadShape::Short | HeadShape::Spaniel)
            ),
            WishedFace::Round => shape == Some(HeadShape::Round),
            WishedFace::Bearded => shape == Some(HeadShape::Terrier),
            WishedFace::Natural => shape == Some(HeadShape::Natural),
        };
        let words = match wish {
            WishedFace::Clean => "clean face",
            WishedFace::Round => "round face",
            WishedFace::Bearded => "beard and brows",
            WishedFace::Natural => "natural face",
        };
        fit.meet(is_met, words);
    }
    // Ears and tail that are left become limits, so that every look can leave them.
    for (wish, zone, words) in [
        (talk.ears, Zone::Ear, "short ears"),
        (talk.tail, Zone::Tail, "short tail"),
    ] {
        if wish == Some(WishedEnds::Short) {
            fit.meet(left(zone) < ENDS_MM, words);
        }
    }
    fit.upkeep(look, talk, height_mm);
    fit.coat(look, coat, height_mm);
    fit
}

/// 0, 1 or 2: under, between or over two bounds.
fn step(value: f64, (low, high): (f64, f64)) -> i32 {
    i32::from(value >= low) + i32::from(value > high)
}

impl Fit {
    fn suits(&mut self, suits: Suits) {
        match suits {
            Suits::MadeFor(what) => {
                self.for_it.push(what.to_owned());
                self.cost += MADE_FOR;
            }
            Suits::CanBeHad => {}
            Suits::Wants(what) => {
                self.against.push(what.to_owned());
                self.cost += WANTS_ANOTHER;
            }
        }
    }

    fn weigh(&mut self, asked: i32, have: i32, words: [&str; 3]) {
        let word = |i: i32| words[usize::try_from(i).unwrap_or(0).min(2)].to_owned();
        if asked == have {
            self.for_it.push(word(have));
        } else {
            self.against.push(word(have));
            self.cost += STEP * f64::from((asked - have).abs());
        }
    }

    fn meet(&mut self, is_met: bool, words: &str) {
        if is_met {
            self.for_it.push(words.to_owned());
        } else {
            self.against.push(format!("no {words}"));
            self.cost += MISSED;
        }
    }

    fn upkeep(&mut self, look: &Look, talk: &Talk, height_mm: f64) {
        let upkeep = look.upkeep(height_mm);
        if let Some(minutes) = talk.brushing_minutes_a_week {
            let asks = upkeep.brushing_minutes_a_week;
            if asks <= minutes {
                self.for_it.push(format!("{asks} min of brushing a week"));
            } else {
                self.against
                    .push(format!("needs {asks} min of brushing a week"));
                self.cost += TEN_MINUTES * f64::from(asks - minutes) / 10.0;
            }
        }
        if let Some(weeks) = talk.weeks_to_next
            && weeks > upkeep.weeks_to
        {
            self.against
                .push(format!("grown out after {} weeks", upkeep.weeks_to));
            self.cost += WEEK * f64::from(weeks - upkeep.weeks_to);
        }
    }

    fn coat(&mut self, look: &Look, coat: &CoatNow, height_mm: f64) {
        let zones: Vec<Zone> = Zone::ALL.into_iter().filter(|z| z.is_judged()).collect();
        let (mut asked, mut missing) = (0.0, 0.0);
        for zone in zones {
            let nominal = look.nominal_mm(zone, height_mm);
            asked += nominal;
            missing += (nominal - coat.length_mm(zone)).max(0.0);
            if coat.knots(zone) == Knots::Tight && nominal > LONG_MM {
                self.against.push(format!("tight knots {}", zone.place()));
                self.cost += KNOTTED;
            }
        }
        let share = missing / f64::max(asked, 1.0);
        self.cost += NO_COAT * share;
        // A tenth of the coat is nothing a look is refused for.
        if share > 0.1 {
            self.against.push("the coat is not there yet".to_owned());
        }
    }
}
