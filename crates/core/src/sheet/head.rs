//! The head as work: the small cuts that open it first, its shape, its ears last (handbook 10 D).

use uuid::Uuid;

use super::cautions::Hazard;
use super::hands::pair_hint;
use super::minutes as m;
use super::scissor::{shaped, shears_share};
use super::shears::Place;
use super::small_jobs::CLOSE_MM;
use super::step::Stage;
use super::writer::{Draft, Writer};
use crate::balance::over_flat_skull_mm;
use crate::coat::Zone;
use crate::frame::{Build, EarKind};
use crate::look::{EarRule, LineName};
use crate::schools::{Answer, Question};
use crate::shape::{HeadShape, eye_corner_mm};
use crate::solve::Unit;

/// Width of the ring round the ear base, mm (handbook 10 D, modelling choice).
const RING_MM: f64 = 10.0;
/// It is so much shorter than the cheek, mm (handbook 10 D).
const RING_UNDER_CHEEK_MM: f64 = 6.0;
/// Under the beard nothing is left longer, mm (handbook 10 D).
const UNDER_BEARD_MM: f64 = 10.0;
/// Shears leave at least so much on a head, mm (handbook 10 C: never under 6).
const SHEARS_MM: f64 = 6.0;
/// A face no longer is clipped, and has nothing between the eyes or under the chin to shape, mm (handbook 5,
/// *Nominal lengths*: clipped ones are 0.5 to 1.5; modelling choice).
const CLIPPED_UP_TO_MM: f64 = 3.0;
/// Leathers further apart, or further short of the nose, are said, mm (modelling choice: what a hand tells
/// apart beside the nose).
const LEATHERS_APART_MM: f64 = 3.0;
/// Less off a place of the arcs is not said, mm (modelling choice: what a hand tells apart).
const NOTHING_OFF_MM: f64 = 2.0;

/// A cut of the head.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Cut {
    BetweenEyes,
    OpenEyes,
    EarRing,
    UnderBeard,
    Sides,
    Topknot,
}

/// The cuts in the salon's order (handbook 6, *Head begins*).
const fn order(begins: Answer) -> [Cut; 6] {
    use Cut::{BetweenEyes, EarRing, OpenEyes, Sides, Topknot, UnderBeard};
    match begins {
        Answer::HeadTop => [BetweenEyes, OpenEyes, Topknot, EarRing, UnderBeard, Sides],
        Answer::HeadVisor => [OpenEyes, Topknot, BetweenEyes, EarRing, UnderBeard, Sides],
        Answer::HeadOutline => [UnderBeard, Sides, EarRing, BetweenEyes, OpenEyes, Topknot],
        _ => [BetweenEyes, OpenEyes, EarRing, UnderBeard, Sides, Topknot],
    }
}

impl Writer<'_> {
    /// The head's cuts, the ears last.
    pub(super) fn head(&mut self) {
        for cut in order(self.answer(Question::HeadBegins)) {
            match cut {
                Cut::BetweenEyes => self.between_eyes(),
                Cut::OpenEyes => self.open_eyes(),
                Cut::EarRing => self.ear_ring(),
                Cut::UnderBeard => self.under_beard(),
                Cut::Sides => self.sides_of_the_head(),
                Cut::Topknot => self.topknot(),
            }
        }
        self.ears();
    }

    fn shape_of_head(&self) -> Option<HeadShape> {
        self.plan.subject.look.finish.head
    }

    /// Whether its top and sides are one round shape.
    pub(super) fn has_round_head(&self) -> bool {
        matches!(
            self.shape_of_head(),
            Some(HeadShape::Round | HeadShape::Topknot)
        )
    }

    /// Whether the face keeps hair that is shaped.
    fn has_long_face(&self) -> bool {
        let is_shaped = matches!(
            self.shape_of_head(),
            Some(HeadShape::Round | HeadShape::Terrier | HeadShape::Short)
        );
        let face = self.plan.zone_mm(Zone::Cheek);
        is_shaped && face.is_some_and(|mm| mm > CLIPPED_UP_TO_MM)
    }

    /// The blade that cuts the V between the eyes, where the salon does it so and the face has hair there.
    fn blade_of_the_v(&self) -> Option<Uuid> {
        let is_wanted = self.has_long_face() && self.has(Answer::EyesV);
        self.close_blade(CLOSE_MM).filter(|_| is_wanted)
    }

    /// A spaniel's ear: clipped from its root down, the feather beneath it kept (handbook 5, *ear*).
    pub(super) fn upper_ears_by_blade(&mut self) {
        let is_asked = self.shape_of_head() == Some(HeadShape::Spaniel)
            && self.plan.subject.build.ear.kind == EarKind::Drop
            && !self.has(Answer::EarWhole);
        let closest = self.job.safe_mm(Zone::Ear).max(CLOSE_MM);
        let Some(blade) = self.close_blade(closest).filter(|_| is_asked) else {
            return;
        };
        let to = if self.has(Answer::EarToFold) {
            "the natural fold"
        } else {
            "the height of the jaw"
        };
        let draft = Draft {
            what: "Upper ears, both sides of the leather; the feather stays".into(),
            tool: self.words.tool(blade),
            stroke: "with the lay, off the edge",
            tool_id: Some(blade),
            from: "the ear's root".into(),
            to: to.into(),
            minutes: m::UPPER_EARS + self.change(blade),
            zones: vec![Zone::Ear],
            hazards: &[Hazard::Ears, Hazard::BareBlade],
            pair: pair_hint(&[Zone::Ear]),
            ..Draft::default()
        };
        self.push(Stage::Clip, draft);
    }

    /// With the clipper's work: the last of it.
    pub(super) fn between_eyes_by_blade(&mut self) {
        let Some(blade) = self.blade_of_the_v() else {
            return;
        };
        let draft = Draft {
            what: "Between the eyes: a V, its point on the stop".into(),
            tool: self.words.tool(blade),
            stroke: "its corner, away from the eyes",
            tool_id: Some(blade),
            minutes: m::BETWEEN_EYES + self.change(blade),
            hazards: &[Hazard::Face, Hazard::BareBlade],
            ..of_the_face(vec![Zone::Muzzle])
        };
        self.push(Stage::Clip, draft);
    }

    fn between_eyes(&mut self) {
        if !self.has_long_face() || self.blade_of_the_v().is_some() {
            return;
        }
        let (what, tool) = match self.answer(Question::BetweenEyes) {
            Answer::EyesTrimmer => ("short, a trimmer laid flat", "trimmer".to_owned()),
            _ => ("short, points away from both", self.curves_at_the_eyes()),
        };
        let draft = Draft {
            what: format!("Between the eyes: {what}"),
            tool,
            minutes: m::BETWEEN_EYES,
            ..of_the_face(vec![Zone::Muzzle])
        };
        self.push(Stage::Scissor, draft);
    }

    /// The corners, from the inner one towards the ear; what is kept of the fringe.
    fn open_eyes(&mut self) {
        let has_fringe = matches!(
            self.shape_of_head(),
            Some(HeadShape::Round | HeadShape::Topknot)
        );
        if !has_fringe && !self.has_long_face() {
            return;
        }
        let fringe = match self.answer(Question::Fringe) {
            _ if !has_fringe => "",
            Answer::FringeShort => " and the fringe over them",
            _ => ", the corners only",
        };
        let subject = &self.plan.subject;
        let far = eye_corner_mm(&subject.shape, &subject.build);
        let draft = Draft {
            what: format!("Open the eyes{fringe}; lashes stay"),
            tool: self.curves_at_the_eyes(),
            from: "inner corner".into(),
            to: format!("{} towards the ear", self.words.whole(far)),
            minutes: m::EYES_OPENED,
            ..of_the_face(vec![Zone::Brow])
        };
        self.push(Stage::Scissor, draft);
    }

    /// A ring round the ear base, and the patch a hanging ear hides: the ear lies close and airs.
    fn ear_ring(&mut self) {
        let hangs = self.plan.subject.build.ear.kind != EarKind::Prick;
        let cheek = self.plan.zone_mm(Zone::Cheek).unwrap_or_default();
        let left = (cheek - RING_UNDER_CHEEK_MM).max(SHEARS_MM);
        if !self.has_long_face() || cheek - left < NOTHING_OFF_MM {
            return;
        }
        let behind = if hangs { ", and behind the ear" } else { "" };
        let draft = Draft {
            what: format!("Ear base: a {} ring{behind}", self.words.whole(RING_MM)),
            tool: self.shears(Place::Small),
            leaves: self.short_length(left),
            minutes: m::EAR_RING,
            hazards: &[Hazard::Ears],
            ..of_the_face(vec![Zone::Ear, Zone::Cheek])
        };
        self.push(Stage::Scissor, draft);
    }

    /// Under the beard it is as short as the body, at most a finger's breadth.
    fn under_beard(&mut self) {
        let has_beard = matches!(
            self.shape_of_head(),
            Some(HeadShape::Round | HeadShape::Terrier)
        );
        let body = self.plan.zone_mm(Zone::Back).unwrap_or(UNDER_BEARD_MM);
        let left = UNDER_BEARD_MM.min(body).max(SHEARS_MM);
        let beard = self.plan.zone_mm(Zone::Beard).unwrap_or_default();
        if !has_beard || !self.has_long_face() || beard - left < NOTHING_OFF_MM {
            return;
        }
        let draft = Draft {
            what: "Under the beard, jaw corner to jaw corner".into(),
            tool: self.shears(Place::Small),
            leaves: self.short_length(left),
            minutes: m::UNDER_BEARD,
            ..of_the_face(vec![Zone::Beard])
        };
        self.push(Stage::Scissor, draft);
    }

    /// What shears leave, whole, with its unit.
    fn short_length(&self, mm: f64) -> String {
        format!("{} {}", self.words.told(mm, true), self.words.unit())
    }

    /// Muzzle and sides, or what the head has in their place.
    fn sides_of_the_head(&mut self) {
        let cuts = self.by_shears(&[Unit::Beard, Unit::Brows, Unit::Muzzle, Unit::Face]);
        let has_brows = cuts.iter().any(|c| c.unit == Unit::Brows);
        if cuts.is_empty() {
            return;
        }
        let what = match self.shape_of_head() {
            _ if has_brows => {
                "Head: beard combed forward and set; each brow's outer edge plumb over the cheek, \
                 then its front; a parting between them, a little finger wide"
            }
            Some(HeadShape::Round) => {
                "Head: three arcs of one circle, cheek, under the chin, cheek; the nose stays the longest"
            }
            _ if cuts.iter().all(|c| c.unit == Unit::Beard) => {
                "Head: beard combed forward and set; the nose stays the longest"
            }
            _ => "Head: muzzle and sides; the nose stays the longest",
        };
        let ends = has_brows.then(|| self.ends_said("Beard"));
        let draft = Draft {
            what: what.into(),
            tool: self.shears(Place::Small),
            leaves: self.leaves(&shaped(&cuts)),
            minutes: m::HEAD_SIDES * shears_share(&cuts),
            amounts: self.off_the_arcs().into_iter().chain(ends).collect(),
            ..of_the_face(cuts.iter().map(|c| c.unit.zone()).collect())
        };
        self.push(Stage::Scissor, draft);
    }

    /// How the ends of beard or ears are cut.
    fn ends_said(&self, what: &str) -> String {
        match self.answer(Question::Ends) {
            Answer::EndsStraight => format!("{what}: ends straight across"),
            _ => format!("{what}: ends rounded"),
        }
    }

    /// On a round head, how much comes off at the places of its arcs.
    fn off_the_arcs(&self) -> Vec<String> {
        if self.shape_of_head() != Some(HeadShape::Round) {
            return Vec::new();
        }
        let places = [
            ("chin", Zone::Beard),
            ("cheeks", Zone::Cheek),
            ("over the ears", Zone::Topknot),
        ];
        let off = |(place, zone): (&str, Zone)| {
            let off = self.job.coat.length_mm(zone) - self.plan.zone_mm(zone)?;
            let says = off >= NOTHING_OFF_MM;
            says.then(|| format!("{place} {}", self.words.told(off, true)))
        };
        let said: Vec<String> = places.into_iter().filter_map(off).collect();
        if said.is_empty() {
            return Vec::new();
        }
        vec![format!("Off: {} {}", said.join(", "), self.words.unit())]
    }

    /// The top: over one ear, over the other, matched; one that keeps its length is shaped all the same
    /// (handbook 5, *Round head*).
    fn topknot(&mut self) {
        let cuts = self.by_shears(&[Unit::Topknot]);
        let shape = self.shape_of_head();
        let stands = matches!(shape, Some(HeadShape::Round | HeadShape::Topknot));
        let is_tied = self.ties();
        if cuts.is_empty() && (is_tied || !stands) {
            return;
        }
        let crown = match self.answer(Question::Crown) {
            _ if shape != Some(HeadShape::Spaniel) => "",
            Answer::CrownCarded => ": card the crown until it lies flat",
            Answer::CrownOff => ": crown off, as the cheek",
            _ => ": smooth the crown from its edge to the middle",
        };
        let what = if is_tied {
            "Topknot: its ends evened, to be tied".to_owned()
        } else if stands {
            "Topknot: combed over one ear and cut, then the other; match".to_owned()
        } else {
            format!("Top of the head{crown}")
        };
        let draft = Draft {
            what,
            tool: self.shears(Place::Dome),
            leaves: self.leaves(&shaped(&cuts)),
            amounts: [self.over_a_flat_skull(), self.too_short_to_tie()]
                .into_iter()
                .flatten()
                .collect(),
            minutes: if cuts.is_empty() {
                m::HEAD_LEFT_LONG
            } else {
                m::TOPKNOT * shears_share(&cuts)
            },
            pair: pair_hint(&[Zone::Topknot]),
            ..of_the_face(vec![Zone::Topknot])
        };
        self.push(Stage::Scissor, draft);
    }

    /// Why the crown is left longer.
    fn over_a_flat_skull(&self) -> Option<String> {
        let more = over_flat_skull_mm(&self.plan.subject)?;
        Some(format!("Flat skull: {} longer", self.words.whole(more)))
    }

    fn ears(&mut self) {
        let cuts = self.by_shears(&[Unit::Ears]);
        if cuts.is_empty() {
            return;
        }
        let long = shaped(&cuts);
        let draft = Draft {
            what: if long.is_empty() {
                "Ears last: the edge only".into()
            } else {
                "Ears last".into()
            },
            tool: self.shears(Place::Small),
            from: "front edge".into(),
            to: match self.line(LineName::EarEnd) {
                line if line.is_empty() => "tip".into(),
                line => line,
            },
            leaves: self.leaves(&long),
            minutes: m::EARS * shears_share(&cuts),
            zones: vec![Zone::Ear],
            hazards: &[Hazard::Ears],
            pair: pair_hint(&[Zone::Ear]),
            amounts: if long.is_empty() {
                Vec::new()
            } else {
                let ends = self.ends_said("Ears");
                [Some(ends), self.leathers_apart(), self.hair_past_leather()]
                    .into_iter()
                    .flatten()
                    .collect()
            },
            ..Draft::default()
        };
        self.push(Stage::Scissor, draft);
    }

    /// Which leather is the longer: the hair's ends are matched, not the leathers.
    fn leathers_apart(&self) -> Option<String> {
        let of = |build: &Build| build.ear.length;
        let apart = of(&self.job.sides.left) - of(&self.job.sides.right);
        let longer = if apart > 0.0 { "left" } else { "right" };
        (apart.abs() >= LEATHERS_APART_MM).then(|| {
            format!(
                "The {longer} leather is {} longer: match the ends, drawn forward beside the nose",
                self.words.whole(apart.abs())
            )
        })
    }

    /// What is left past a leather that does not reach the nose (handbook 5, *Ears*).
    fn hair_past_leather(&self) -> Option<String> {
        let short = self.job.sides.left.ear.short_of_nose;
        let is_asked = self.job.look.ear_rule == EarRule::OverShoulder;
        (is_asked && short >= LEATHERS_APART_MM).then(|| {
            format!(
                "The leather stays {} short of the nose: so much more hair stays",
                self.words.whole(short)
            )
        })
    }
}

fn of_the_face<'a>(zones: Vec<Zone>) -> Draft<'a> {
    Draft {
        zones,
        hazards: &[Hazard::Face],
        ..Draft::default()
    }
}
