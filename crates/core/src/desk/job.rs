use super::Desk;
use super::ahead::MOST_WEEKS;
use super::in_schools::in_schools;
use super::problems::LOOK_BODY_MM;
use crate::body::Handling;
use crate::coat::Skin;
use crate::consult::{LookHere, Talk, looks_here, owners_limits};
use crate::dog::House;
use crate::job::Job;
use crate::kit::{Shears, Tool, is_driven};
use crate::look::{By, LineStop, Lines, Look, LookId};
use crate::run::{shears_after, with_cut};
use crate::schools::{Answer, Question, Schools};
use crate::solve::HeldOff;
use crate::units::Length;
use crate::visit::{LookChoice, WayOf};

impl Desk<'_> {
    pub(super) fn job(&self, choice: LookChoice) -> Job {
        let mut look = Look::shipped(choice.look);
        if let Some(body) = choice.body_mm.map(Length::as_mm)
            && LOOK_BODY_MM.contains(&body)
        {
            look = look.with_body(body);
        }
        self.job_in(look)
    }

    pub(super) fn job_in(&self, look: Look) -> Job {
        let height = self.frame.build.height;
        let house = self.house_here();
        let look = in_schools(look, &house.schools);
        let (look, lines) = self.lined(
            look.fitted(height, &|zone| self.coat.length_mm(zone)),
            &house.schools,
        );
        let mut coat = self.coat.clone();
        if let Some(talk) = &self.visit.talk {
            let nominal = |zone| look.nominal_mm(zone, height);
            coat.limits
                .extend(owners_limits(talk, &self.coat, &nominal));
        }
        for (part, wish) in &self.visit.parts {
            let (length, there) = (|zone| look.nominal_mm(zone, height), &self.coat);
            if let Some((zone, limit)) = part.limit(*wish, there, &length, self.skin()) {
                coat.limits.entry(zone).or_insert(limit);
            }
        }
        let weeks_to = look.upkeep(height).weeks_to;
        if let Some(recipe) = &self.visit.recipe {
            let own = coat.limits.clone();
            coat.limits.extend(recipe.as_limits(&own));
        }
        if let Some(run) = &self.visit.run {
            with_cut(&mut coat, &run.limits);
        }
        let held_off = self.held_off(&house);
        Job {
            sides: self.frame.sides(),
            coat,
            look,
            lines,
            kit: self.fit_today(),
            cut_for_days: self.cut_for_days(weeks_to, &house.schools),
            house,
            skin: self.skin(),
            held_off,
            is_left_handed: self.is_left_handed(),
        }
    }

    /// The salon's settings with what is done otherwise on this dog, and by a hand that is still learning.
    fn house_here(&self) -> House {
        let said = self.visit.ways_over(&self.house.schools);
        House {
            shears: self.shears_here(),
            schools: if self.is_learning() {
                said.over(&for_learning())
            } else {
                said
            },
            ..self.house.clone()
        }
    }

    /// The shears made for the hand at the table, as this run found them.
    fn shears_here(&self) -> Vec<Shears> {
        let is_left = self.is_left_handed();
        let shears = self.house.shears.iter().cloned();
        shears
            .filter(|pair| pair.is_left_handed == is_left)
            .map(|pair| self.as_noted(pair))
            .collect()
    }

    /// A pair with what was noticed of it in this very run.
    fn as_noted(&self, pair: Shears) -> Shears {
        let id = pair.id;
        let notes = self.visit.run.iter().flat_map(|run| &run.tools);
        let of_it = notes.filter(|note| note.tool == id);
        of_it.fold(pair, |pair, note| {
            shears_after(&pair, note.word).unwrap_or(pair)
        })
    }

    /// How who stands at the table holds a tool off this dog's hair.
    fn held_off(&self, house: &House) -> HeldOff {
        let hand = if self.is_learning() {
            HeldOff::LEARNING
        } else {
            HeldOff::SURE
        };
        let facts = self.facts(&[]);
        if facts.is_restless() && !facts.has_helper(&house.schools) {
            hand.on_a_restless_dog()
        } else {
            hand
        }
    }

    /// Whether who stands at the table is still learning.
    fn is_learning(&self) -> bool {
        self.house.learning.contains(&self.visit.stylist)
    }

    /// Whether who stands at the table is left-handed.
    fn is_left_handed(&self) -> bool {
        self.house.left_handed.contains(&self.visit.stylist)
    }

    /// What is done otherwise on this dog than on others, a sentence each.
    pub(super) fn own_ways(&self) -> Vec<String> {
        let (visit, salon) = (self.visit, &self.house.schools);
        let here = visit.ways_over(salon);
        let of_dog = Question::ALL
            .iter()
            .filter(|q| here.of(**q) != salon.of(**q));
        let mut ways: Vec<String> = of_dog
            .map(|question| {
                let whose = match visit.way_of(*question, salon) {
                    WayOf::Today => "today only",
                    WayOf::Look => "of this look",
                    WayOf::Dog | WayOf::Salon | WayOf::Ours => "this dog's own",
                };
                format!(
                    "{}: {} ({whose}; else {}).",
                    question.label(),
                    here.of(*question).label(),
                    salon.of(*question).label()
                )
            })
            .collect();
        if self.is_learning() {
            let in_force = self.house_here().schools;
            let safer = for_learning();
            let safer = safer.answers().filter(|answer| in_force.has(*answer));
            let safer: Vec<String> = safer
                .map(|a| format!("{}: {}; ", a.question().label().to_lowercase(), a.label()))
                .collect();
            ways.push(format!(
                "{} is still learning: {}no tool held far off the hair.",
                visit.stylist,
                safer.concat()
            ));
        }
        if self.is_left_handed() {
            ways.push(format!(
                "{} is left-handed: of a pair the right one comes first, with left-handed shears.",
                visit.stylist
            ));
        }
        ways
    }

    /// The kit less what no clipper here drives, and what lost a tooth or pulls in this very run: not taken
    /// up again (handbook 3, *Kit*).
    fn fit_today(&self) -> Vec<Tool> {
        let broken = |tool: &Tool| {
            let notes = self.visit.run.iter().flat_map(|r| &r.tools);
            notes
                .filter(|n| n.tool == tool.id)
                .any(|n| n.word.takes_out())
        };
        let driven = |tool: &Tool| is_driven(tool, &self.house.clippers);
        let fit = self.kit.iter().filter(|t| !broken(t) && driven(t));
        fit.cloned().collect()
    }

    /// Days after the groom that this salon cuts for (handbook 6, *interval*); `weeks` are the look's
    /// own where the owner said none.
    fn cut_for_days(&self, weeks: u32, schools: &Schools) -> f64 {
        let said = self.visit.talk.as_ref().and_then(|t| t.weeks_to_next);
        let days = 7.0 * f64::from(said.unwrap_or(weeks).min(MOST_WEEKS));
        match schools.of(Question::Interval) {
            Answer::CutForMiddle => 0.5 * days,
            Answer::CutToLast => days,
            _ => 0.0,
        }
    }

    /// The look with its lines as this dog's visit has them, else as the salon does, and where they lie.
    fn lined(&self, look: Look, schools: &Schools) -> (Look, Lines) {
        let own = Lines::of(&look);
        // A V that is asked for stands, however the tail is carried.
        let lines = if schools.has(Answer::TailV) {
            own
        } else {
            own.with_tail(self.frame.build.tail.kind)
        };
        let by_hand = &self.visit.lines;
        let is_left = |stop: &LineStop| by_hand.of(stop.line()).is_none();
        let of_house = self.house.lines.stops().filter(is_left);
        let wished = self.visit.parts.iter();
        let wished = wished.filter_map(|(part, wish)| part.stop(*wish));
        let on_this_dog = wished.filter(is_left).chain(by_hand.stops());
        let put: Vec<(LineStop, By)> = of_house
            .map(|stop| (stop, By::House))
            .chain(on_this_dog.map(|stop| (stop, By::Hand)))
            .filter(|(stop, _)| lines.offers(stop.line()))
            .collect();
        let look = put.iter().fold(look, |look, (stop, _)| look.lined(*stop));
        let lines = put
            .into_iter()
            .fold(lines, |lines, (stop, by)| lines.put(stop, by));
        let moved = self.visit.shifts.all();
        let moved: Vec<_> = moved.filter(|(line, _)| lines.offers(*line)).collect();
        let shift = |lines: Lines, (line, by)| lines.shifted(line, by);
        (look, moved.into_iter().fold(lines, shift))
    }

    /// An old dog's skin, or one found pale, scaly or sore, asks for one blade longer.
    fn skin(&self) -> Skin {
        let is_delicate = self
            .visit
            .handling
            .as_ref()
            .is_some_and(Handling::asks_for_longer);
        let skin = self.dog.skin();
        Skin {
            is_delicate: skin.is_delicate || is_delicate,
            ..skin
        }
    }

    /// The look chosen, or the first, as a job to weigh by other means than a plan.
    pub fn chosen_job(&self) -> Job {
        match &self.visit.own_look {
            Some(own) if own.check().is_empty() => self.job_in(own.look()),
            _ => self.job(self.choice()),
        }
    }

    /// The look chosen; until then the one that coat, build and the owner's answers speak for.
    fn choice(&self) -> LookChoice {
        self.visit.look.unwrap_or_else(|| {
            let first = self.looks().into_iter().next();
            LookChoice {
                look: first.map_or(LookId::OneLength, |l| l.look),
                body_mm: None,
            }
        })
    }

    /// All looks at first sight, the best first.
    pub(super) fn looks(&self) -> Vec<LookHere> {
        let nothing_said = Talk::default();
        let talk = self.visit.talk.as_ref().unwrap_or(&nothing_said);
        looks_here(talk, &self.coat, &self.frame.build)
    }
}

/// What a hand that is still learning does where nobody said otherwise (handbook 6, *eye corners* and
/// *edge*: safer corner tools, a margin; pads by a 10 are ours for every hand).
fn for_learning() -> Schools {
    Schools::default()
        .with(Answer::CornersBlade)
        .with(Answer::EdgeMargin)
}
