use super::cautions::Hazard;
use super::faces::face_amounts;
use super::hands::pair_hint;
use super::minutes as m;
use super::names::{named, names_in_step};
use super::pass::is_shaped_by_hand;
use super::shears::Place;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::coat::{Texture, Zone};
use crate::say::capital;
use crate::schools::{Answer, Question};
use crate::shape::{Hand, SKIRT_PIECE};
use crate::solve::{Stroke, Unit, UnitCut};

/// Units scissored one after another as one step.
struct Group {
    what: &'static str,
    /// How legs are gone round where all of their faces are scissored; otherwise those that are, are named.
    planes: &'static str,
    units: &'static [Unit],
    /// Of a body part; legs are counted by their faces.
    minutes: f64,
    hazards: &'static [Hazard],
    /// How much of a pair is worked here.
    half: Half,
}

impl Group {
    /// Whether it is a part of the body with a left and a right side; legs stand in pairs already.
    fn has_sides(&self) -> bool {
        let unit = self.units[0];
        !unit.is_of_a_leg() && !matches!(unit, Unit::Crest | Unit::Tail)
    }
}

/// How much of what stands in pairs one step works: legs, or the sides of the body.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Half {
    Both,
    First,
    Second,
}

impl Half {
    /// Share of the leg work.
    const fn share(self) -> f64 {
        match self {
            Self::Both => 1.0,
            Self::First | Self::Second => 0.5,
        }
    }
}

const BODY_AND_REAR: &str = "Body and rear";
const UNDERLINE_AND_TUCK_UP: &str = "Underline and tuck-up";

const HIND: &[Unit] = &[
    Unit::HindBack,
    Unit::Hock,
    Unit::HindOut,
    Unit::HindIn,
    Unit::HindFront,
    Unit::FlankAndKnee,
    Unit::Flank,
    Unit::Knee,
];
const FORE: &[Unit] = &[Unit::ForeBack, Unit::ForeOut, Unit::ForeIn, Unit::ForeFront];

const fn legs(
    what: &'static str,
    planes: &'static str,
    units: &'static [Unit],
    half: Half,
) -> Group {
    Group {
        what,
        planes,
        units,
        minutes: 0.0,
        hazards: &[Hazard::Legs, Hazard::Shears],
        half,
    }
}

const fn part(
    what: &'static str,
    units: &'static [Unit],
    minutes: f64,
    hazards: &'static [Hazard],
) -> Group {
    Group {
        what,
        planes: "",
        units,
        minutes,
        hazards,
        half: Half::Both,
    }
}

/// The sides of a pair in the order a hand takes them: a left-handed one begins with the right
/// (handbook 10 C 9).
const fn sides(is_left_handed: bool) -> [Hand; 2] {
    if is_left_handed {
        [Hand::Right, Hand::Left]
    } else {
        Hand::ALL
    }
}

const fn leg_of(is_hind: bool, side: Hand) -> &'static str {
    match (is_hind, side) {
        (true, Hand::Left) => "Left hind leg",
        (true, Hand::Right) => "Right hind leg",
        (false, Hand::Left) => "Left front leg",
        (false, Hand::Right) => "Right front leg",
    }
}

/// The legs in the salon's order (handbook 5, *Legs*: hind back first and front last).
fn leg_groups(order: Answer, [first, second]: [Hand; 2]) -> Vec<Group> {
    const HIND_LEG: &str = ": back, outside, inside, front last";
    const FRONT_LEG: &str = ": back, outside, inside, front";
    let one = |is_hind, half| {
        let side = if half == Half::First { first } else { second };
        let (planes, units) = if is_hind {
            (HIND_LEG, HIND)
        } else {
            (FRONT_LEG, FORE)
        };
        legs(leg_of(is_hind, side), planes, units, half)
    };
    match order {
        Answer::LegsOneByOne => vec![
            one(true, Half::First),
            one(true, Half::Second),
            one(false, Half::First),
            one(false, Half::Second),
        ],
        Answer::LegsBySide => vec![
            one(true, Half::First),
            one(false, Half::First),
            one(true, Half::Second),
            one(false, Half::Second),
        ],
        _ => vec![
            legs(
                "Hind legs",
                ", in planes across both: back, outside, inside, front last",
                HIND,
                Half::Both,
            ),
            legs(
                "Front legs",
                ", in planes across both: back, outside, inside, front",
                FORE,
                Half::Both,
            ),
        ],
    }
}

fn body_groups(has_skirt: bool) -> Vec<Group> {
    vec![
        part(
            if has_skirt {
                "Skirt and tuck-up: comb down, hem level, rising to the waist"
            } else {
                UNDERLINE_AND_TUCK_UP
            },
            &[Unit::Underline, Unit::TuckUp],
            m::UNDERLINE_AND_TUCK_UP,
            &[Hazard::Flank],
        ),
        part(
            BODY_AND_REAR,
            &[
                Unit::Chest,
                Unit::Rump,
                Unit::Croup,
                Unit::BackFront,
                Unit::BackRear,
                Unit::Shoulder,
                Unit::Ribs,
                Unit::Hip,
                Unit::Throat,
            ],
            m::REAR,
            &[Hazard::Shears],
        ),
        part("Crest into the back", &[Unit::Crest], m::REAR, &[]),
        part("Tail", &[Unit::Tail], m::TAIL, &[Hazard::Tail]),
    ]
}

/// One side over the whole dog, then the other; what lies on the midline after both (handbook 10 I).
fn groups_by_side(has_skirt: bool, sides: [Hand; 2]) -> Vec<Group> {
    let side = |half| {
        let legs = leg_groups(Answer::LegsBySide, sides).into_iter();
        let body = body_groups(has_skirt).into_iter();
        let body = body.filter(Group::has_sides);
        legs.filter(move |legs| legs.half == half)
            .chain(body.map(move |group| Group { half, ..group }))
    };
    let midline = body_groups(has_skirt).into_iter();
    side(Half::First)
        .chain(side(Half::Second))
        .chain(midline.filter(|group| !group.has_sides()))
        .collect()
}

impl Writer<'_> {
    /// Legs, body, head, in the salon's order.
    pub(super) fn scissor(&mut self) {
        let sides = sides(self.job.is_left_handed);
        let groups = if self.has(Answer::FinishBySide) {
            groups_by_side(self.has_skirt(), sides)
        } else {
            let mut groups = leg_groups(self.answer(Question::Legs), sides);
            groups.extend(body_groups(self.has_skirt()));
            groups
        };
        let begins_with_head = self.has(Answer::HeadFirst);
        if begins_with_head {
            self.head();
        }
        self.thinned();
        let mut before = None;
        for group in groups {
            if self.scissor_group(&group, before) {
                before = Some(group.half);
            }
        }
        if !begins_with_head {
            self.head();
        }
    }

    /// Writes one group after a half of the dog; says whether anything of it is scissored.
    fn scissor_group(&mut self, group: &Group, before: Option<Half>) -> bool {
        let plan = self.plan;
        let cuts = self.by_shears(group.units);
        if cuts.is_empty() {
            return false;
        }
        let minutes = if group.units[0].is_of_a_leg() {
            leg_minutes(&cuts)
        } else {
            group.minutes * shears_share(&cuts)
        };
        let minutes = minutes * group.half.share();
        let shaped = shaped(&cuts);
        let how = match (before, group.half) {
            (None, _) => self.brushed(),
            (Some(Half::First), Half::Second) => self.other_side().to_owned(),
            _ => String::new(),
        };
        let zones: Vec<Zone> = cuts.iter().map(|c| c.unit.zone()).collect();
        // One leg alone has nothing to be compared with yet.
        let pair = if group.half == Half::First {
            ""
        } else {
            pair_hint(&zones)
        };
        let amounts = if group.units == [Unit::Tail] && !shaped.is_empty() {
            self.tail_shape().into_iter().collect()
        } else {
            face_amounts(&cuts, plan, &|zone| self.stands_mm(zone), self.words)
        };
        self.push(
            Stage::Scissor,
            Draft {
                what: what_of(
                    group,
                    &cuts,
                    shaped.is_empty(),
                    sides(self.job.is_left_handed),
                ),
                pair,
                tool: self.shears(place_of(group.units[0])),
                stroke: &how,
                from: scissor_from(cuts[0].unit).into(),
                to: match cuts[0].unit {
                    Unit::Tail => self.past_the_bone(),
                    unit => scissor_to(unit).into(),
                },
                leaves: self.leaves(&shaped),
                minutes,
                zones,
                hazards: group.hazards,
                amounts,
                ..Draft::default()
            },
        );
        true
    }

    /// Whether what the plan leaves under the chest hangs as a skirt.
    fn has_skirt(&self) -> bool {
        let subject = &self.plan.subject;
        let least = SKIRT_PIECE * subject.height();
        subject.look.finish.has_skirt()
            && self
                .plan
                .zone_mm(Zone::Underline)
                .is_some_and(|mm| mm >= least)
    }

    /// What of these units is for the shears: scissored, or shaped by hand after the clipper.
    pub(super) fn by_shears(&self, units: &[Unit]) -> Vec<&UnitCut> {
        let cut = |unit: &Unit| self.plan.cuts.iter().find(|c| c.unit == *unit);
        let of_shears = |c: &&UnitCut| {
            c.stroke == Stroke::Scissor || (is_shaped_by_hand(c.unit) && c.stroke != Stroke::Leave)
        };
        units.iter().filter_map(cut).filter(of_shears).collect()
    }

    /// How the coat is lifted before the shears (handbook 6, *back brushing before scissoring*).
    fn brushed(&self) -> String {
        match self.answer(Question::BackBrushing) {
            Answer::BrushBack => "brush back first, then lift",
            Answer::LiftOnly => "lift only, in its lay",
            _ if matches!(self.job.coat.texture, Texture::Curl | Texture::Fleece) => {
                "brush back first, then lift"
            }
            _ => "lift only, in its lay",
        }
        .into()
    }

    /// How the hand comes to the other side (handbook 10 I).
    fn other_side(&self) -> &'static str {
        if self.has(Answer::StylistWalks) {
            "go round to the dog's other side"
        } else {
            "turn the dog"
        }
    }

    /// Joins, and a walk round.
    pub(super) fn finish(&mut self) {
        // A last softening pass over all the coat (handbook 10 G).
        let once_more = "Comb up and down again";
        let joining = self.answer(Question::Joining);
        let margin = if self.has(Answer::EdgeMargin) {
            "; take the margin left at the edges"
        } else {
            ""
        };
        self.push(
            Stage::Blend,
            Draft {
                what: match joining {
                    Answer::JoinStraights => {
                        format!("{once_more}; straights over every join{margin}")
                    }
                    Answer::JoinCurves => format!("{once_more}; curves over every join{margin}"),
                    _ => {
                        format!("{once_more}; thinners over joins, coarse first{margin}")
                    }
                },
                tool: match joining {
                    Answer::JoinStraights => "straight shears".into(),
                    Answer::JoinCurves => "curved shears".into(),
                    _ => self.thinners(),
                },
                minutes: m::BLEND,
                hazards: &[Hazard::Shears],
                ..Draft::default()
            },
        );
        self.tie();
        self.push(
            Stage::Check,
            Draft {
                what: if self.has(Answer::StylistWalks) {
                    "Walk round: both sides, behind, front, above; then the dog on the floor, walking"
                } else {
                    "Both sides, behind, front, above; then on the floor, walking"
                }
                .into(),
                minutes: m::CHECK,
                hazards: &[Hazard::Floor],
                ..Draft::default()
            },
        );
    }
}

/// What is scissored, in words: of legs all of their faces in planes, or those that there are.
fn what_of(group: &Group, cuts: &[&UnitCut], is_edge: bool, [first, second]: [Hand; 2]) -> String {
    let what = what_of_both(group, cuts, is_edge);
    let side = match group.half {
        Half::First if group.has_sides() => first,
        Half::Second if group.has_sides() => second,
        _ => return what,
    };
    format!("{what}: {} side", side.label())
}

fn what_of_both(group: &Group, cuts: &[&UnitCut], is_edge: bool) -> String {
    let what = group.what;
    let has = |units: &[Unit]| cuts.iter().any(|cut| units.contains(&cut.unit));
    let is_whole = has(&[Unit::HindBack, Unit::ForeBack])
        && has(&[Unit::HindOut, Unit::ForeOut])
        && has(&[
            Unit::HindFront,
            Unit::ForeFront,
            Unit::FlankAndKnee,
            Unit::Knee,
        ]);
    if is_edge {
        format!("{what}: the edge only")
    } else if what == UNDERLINE_AND_TUCK_UP && cuts.len() == 1 {
        capital(cuts[0].unit.label())
    } else if what == BODY_AND_REAR && cuts.len() <= 2 {
        let units: Vec<Unit> = cuts.iter().map(|cut| cut.unit).collect();
        capital(&named(&units).join(" and "))
    } else if group.planes.is_empty() || is_whole {
        format!("{what}{}", group.planes)
    } else {
        let units: Vec<Unit> = cuts.iter().map(|cut| cut.unit).collect();
        let name = names_in_step(&units);
        let faces: Vec<&str> = units.into_iter().map(name).collect();
        format!("{what}: {}", faces.join(", "))
    }
}

/// The shears' share of the minutes: what the clipper did before is done.
pub(super) fn shears_share(cuts: &[&UnitCut]) -> f64 {
    let was_clipped = |c: &&UnitCut| is_shaped_by_hand(c.unit) && c.tool.is_some();
    if cuts.iter().any(was_clipped) {
        1.0 - m::CLIPPED_SHARE
    } else {
        1.0
    }
}

/// Those of the cuts that shears shape: an ear or tail that a blade has clipped to the skin is only edged.
pub(super) fn shaped<'a>(cuts: &[&'a UnitCut]) -> Vec<&'a UnitCut> {
    let is_long = |c: &&&UnitCut| {
        c.leaves_mm
            .iter()
            .all(|mm| *mm >= c.unit.shortest_by_shears_mm())
    };
    cuts.iter().filter(is_long).copied().collect()
}

/// Two legs' faces, by what stands over the plan when the shears begin: a face that was roughed out
/// close takes a quarter of one that was not (handbook 6).
fn leg_minutes(cuts: &[&UnitCut]) -> f64 {
    let is_hind = HIND.contains(&cuts[0].unit);
    let faces = if is_hind { HIND.len() } else { FORE.len() } as f64;
    let longest = m::LEG_SCISSORED / m::LEG_AFTER_SKIMMING;
    let over =
        |cut: &&UnitCut| (cut.scissor_minutes / cut.unit.scissor_minutes()).clamp(1.0, longest);
    2.0 * m::LEG_AFTER_SKIMMING * cuts.iter().map(over).sum::<f64>() / faces
}

fn place_of(first: Unit) -> Place {
    if first.is_of_a_leg() {
        Place::Columns
    } else {
        Place::Body
    }
}

fn scissor_from(first: Unit) -> &'static str {
    match first {
        Unit::HindBack | Unit::HindOut | Unit::HindIn | Unit::HindFront => "thigh line",
        Unit::ForeBack | Unit::ForeOut | Unit::ForeIn | Unit::ForeFront => "elbow",
        Unit::Underline => "just below the elbow",
        Unit::Flank | Unit::FlankAndKnee | Unit::Knee => "the flank fold",
        Unit::TuckUp => "the last rib",
        Unit::Hock => "point of hock",
        Unit::Crest => "behind the ear",
        Unit::Tail => "end of the bone, felt",
        _ => "",
    }
}

fn scissor_to(first: Unit) -> &'static str {
    match first {
        Unit::HindBack
        | Unit::HindOut
        | Unit::HindIn
        | Unit::HindFront
        | Unit::ForeBack
        | Unit::ForeOut
        | Unit::ForeIn
        | Unit::ForeFront
        | Unit::Hock => "the bevel",
        Unit::Flank | Unit::FlankAndKnee | Unit::Knee => "just below the knee",
        Unit::Underline | Unit::TuckUp => "front of the thigh",
        Unit::Crest => "withers",
        _ => "",
    }
}
