use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::facts::DogFacts;
use crate::body::{BodyPart, Found, Handling, Minds};
use crate::coat::{CoatNow, Knots, Site, SiteMarks};
use crate::dog::Sex;

/// Stands on every printed sheet and on the About page (handbook 7).
pub const STANDING_CAUTION: &str = "This is a planning aid. It does not replace training, licensed practice, local law or a veterinary surgeon. When unsure, stop.";

/// A caution at the step it belongs to.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
pub struct Caution {
    /// The sentence.
    pub text: String,
    /// Whether it comes from this dog's record; those are shown first.
    pub is_this_dogs: bool,
}

/// What a step touches, as cautions see it.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Hazard {
    Start,
    Hygiene,
    /// Folds and hidden places, under a small blade.
    Folds,
    NailsAndPads,
    EarCanal,
    CombOut,
    Bath,
    Dryer,
    BareBlade,
    Comb,
    /// A tool held off the hair, nobody holding the dog.
    HeldOff,
    Flank,
    Legs,
    Feet,
    Face,
    Ears,
    Tail,
    Shears,
    /// A topknot tied.
    Bands,
    Floor,
}

/// The usual cautions of handbook 7 (common practice), in its words.
fn usual(hazard: Hazard) -> &'static [&'static str] {
    match hazard {
        Hazard::Start => &[
            "Look under the collar, in ears and mouth. Wound, lump, smell: have a vet look at this.",
            "A hand on the dog always; never leave it on a table or in a loop.",
        ],
        Hazard::Hygiene | Hazard::Folds => &["Cool blade only, flat and light; stretch folds."],
        Hazard::NailsAndPads => &["Never dig between toes; dewclaws held down, hind ones too."],
        Hazard::EarCanal => &["An ear sore or smelling: no solution, the vet."],
        Hazard::CombOut => {
            &["Stop before the dog has had enough; never scissor a knot against the skin."]
        }
        Hazard::Bath => &["Water warm on your wrist; none into ears or nose."],
        Hazard::Dryer => &["Warm, not hot; nozzle off the face; a pause if it pants."],
        Hazard::BareBlade => {
            &["Feel the blade on your wrist: cool, swap, oil; no edge into a fold."]
        }
        Hazard::Comb => &["Comb on with the clipper off, seated; it falls off in a knot."],
        Hazard::HeldOff => &[],
        Hazard::Flank => &["Draw the flank fold flat; lift the blade away going down."],
        Hazard::Legs => &["Legs only as high as they go; mind tendon, dewclaw and armpit."],
        Hazard::Feet => &["The nails are the guide; never across the pad."],
        Hazard::Face => &["Closed tips, points away from the eye; spray on the comb."],
        Hazard::Ears => &["A finger behind edge and tip: cut beyond it."],
        Hazard::Tail => &["Feel the bone's end, cut beyond it; a little stays beside the anus."],
        Hazard::Shears => &["Eye at the cut's height; hold the hair's ends, move with the dog."],
        Hazard::Bands => {
            &["Loosely, hair alone: never round an ear's leather; the skin must move."]
        }
        Hazard::Floor => &["Lead off the table; floor not wet."],
    }
}

/// Cautions that are true of the whole dog, wherever a step works.
const OLD_SKIN: &str = "Old skin: one blade longer; patch first.";
const STIFF_JOINTS: &str = "Stiff joints: low lifts, short holds.";
const DOUBLE_COAT: &str = "Double coat: clipped short it may not grow back as it was; the owner consents in writing first.";
const PALE_HAIR: &str = "Pale hair: skin shows and burns under it; a longer blade where in doubt.";

/// One of the whole dog by its name, for the steps after the one that said it; none of what is said of a place,
/// which stands whole wherever a tool comes by.
pub(super) fn by_name(text: &str) -> Option<String> {
    let of_the_dog = [OLD_SKIN, STIFF_JOINTS, DOUBLE_COAT, PALE_HAIR];
    let (name, _) = text
        .split_once(": ")
        .filter(|_| of_the_dog.contains(&text))?;
    Some(format!("{name}."))
}

/// Cautions of a step: this dog's own first.
pub(super) fn cautions(hazards: &[Hazard], facts: &DogFacts<'_>, coat: &CoatNow) -> Vec<Caution> {
    let mut list: Vec<Caution> = Vec::new();
    for hazard in hazards {
        let of_dog = own(*hazard, facts, coat).into_iter();
        for text in of_dog.chain(minded(*hazard, facts)) {
            list.push(Caution {
                text,
                is_this_dogs: true,
            });
        }
    }
    for hazard in hazards {
        for text in usual(*hazard) {
            list.push(Caution {
                text: (*text).into(),
                is_this_dogs: false,
            });
        }
    }
    list
}

/// What was found stands first at the start; nothing here diagnoses (handbook 7).
fn found_cautions(found: &[Found]) -> Vec<String> {
    found
        .iter()
        .map(|f| {
            let what = match f.word.trim() {
                "" => f.kind.label().to_owned(),
                word => format!("{}, {word}", f.kind.label()),
            };
            let vet = if f.vet_look {
                " Have a vet look at this."
            } else {
                ""
            };
            format!("Found: {what}. Keep tools off it.{vet}")
        })
        .collect()
}

/// Said at the first step that runs a clipper.
pub(super) const CLIPPER_NOISE: &str = "Minds the clipper: let it run a while away from the head, then rest it on the shoulder before it cuts.";

/// What this dog minds, at the step that brings it (handbook 10 A 4; what to do is common practice).
fn minded(hazard: Hazard, facts: &DogFacts<'_>) -> Vec<String> {
    let minds = |what: &[Minds]| -> Vec<&str> {
        let all = facts.handling.into_iter().flat_map(|h| &h.minds);
        all.filter(|m| what.contains(m))
            .map(|m| m.label())
            .collect()
    };
    let told = |what: &[Minds], then: &str| {
        let found = minds(what);
        (!found.is_empty()).then(|| format!("Minds its {}: {then}", found.join(" and ")))
    };
    let said = |what: Minds, text: &str| (!minds(&[what]).is_empty()).then(|| text.to_owned());
    let lines = match hazard {
        Hazard::BareBlade | Hazard::Comb => [said(Minds::ClipperNoise, CLIPPER_NOISE), None],
        Hazard::CombOut => [
            said(
                Minds::Brushing,
                "Minds brushing: short strokes from the ends, the root held; a pause before it has had enough.",
            ),
            said(
                Minds::Spray,
                "Minds the spray: on the comb, never on the dog.",
            ),
        ],
        Hazard::Dryer => [
            said(
                Minds::Dryer,
                "Minds the dryer: towel longer, low air from afar, nearer only while it stands easy.",
            ),
            said(
                Minds::Nozzle,
                "Minds the nozzle: without it, a hand between the air and the head.",
            ),
        ],
        Hazard::NailsAndPads => [
            said(
                Minds::Nails,
                "Minds its nails: one foot at a time, small cuts, the foot put down between.",
            ),
            None,
        ],
        Hazard::Ears | Hazard::EarCanal => [
            told(
                &[Minds::LeftEar, Minds::RightEar],
                "in short turns, the leather lying on your hand, never pulled.",
            ),
            None,
        ],
        Hazard::Legs => [
            told(
                &[
                    Minds::LeftFrontLeg,
                    Minds::RightFrontLeg,
                    Minds::LeftHindLeg,
                    Minds::RightHindLeg,
                ],
                "held low, in short turns, put down before it is pulled away.",
            ),
            None,
        ],
        _ => [None, None],
    };
    lines.into_iter().flatten().collect()
}

fn dislikes(facts: &DogFacts<'_>, parts: &[BodyPart]) -> bool {
    facts
        .handling
        .is_some_and(|h| parts.iter().any(|p| h.dislikes.contains(p)))
}

/// Zones and sites with tight knots, by name; what is hidden is cleared without anybody missing it.
fn tight_knots(coat: &CoatNow) -> Vec<&'static str> {
    let zones = coat.knots.iter().filter(|(_, k)| **k == Knots::Tight);
    let is_seen =
        |site: &Site, marks: &SiteMarks| marks.knots() == Knots::Tight && !site.is_hidden();
    let sites = coat
        .sites
        .iter()
        .filter(|(site, marks)| is_seen(site, marks));
    let zones = zones.map(|(zone, _)| zone.label());
    zones.chain(sites.map(|(site, _)| site.label())).collect()
}

fn own(hazard: Hazard, facts: &DogFacts<'_>, coat: &CoatNow) -> Vec<String> {
    let dog = facts.dog;
    let mut own = Vec::new();
    match hazard {
        Hazard::Start => {
            if !dog.handling.trim().is_empty() {
                own.push(dog.handling.trim().to_owned());
            }
            own.extend(facts.handling.into_iter().flat_map(Handling::cautions));
            own.extend(found_cautions(facts.found));
            if dog.is_old() {
                own.push(
                    "Old dog: breaks, low table, support under the chest; stop on distress.".into(),
                );
            }
            if dog.is_puppy() {
                own.push("Puppy: short and calm; hygiene, feet and eyes first.".into());
            }
        }
        Hazard::CombOut => {
            let places = tight_knots(coat);
            if !places.is_empty() {
                own.push(format!(
                    "Tight knots: {}. The owner consents to the short clip in writing first; skin below may be sore.",
                    places.join(", ")
                ));
            }
        }
        Hazard::Hygiene => {
            if facts.never_stands_up() {
                own.push("Never stood up on the hind legs: the belly from the side.".into());
            }
            // Where nobody said, both are minded.
            if dog.sex != Sex::Female {
                own.push("Male: cover sheath and testicles.".into());
            }
            if dog.sex != Sex::Male {
                own.push(
                    "Female: cover vulva and nipples; strokes towards it from both sides, no pressure.".into(),
                );
            }
        }
        // Not on an unknown or restless dog alone (handbook 10 C 1).
        Hazard::HeldOff if facts.is_restless() => {
            own.push("It does not stand: skim only while somebody holds it; else shears.".into());
        }
        Hazard::HeldOff if facts.is_unknown() => {
            own.push("First time here: skim only once it stands; else shears.".into());
        }
        Hazard::Legs if dog.is_old() => {
            own.push(STIFF_JOINTS.into());
        }
        Hazard::NailsAndPads | Hazard::Feet
            if dislikes(facts, &[BodyPart::FrontFeet, BodyPart::HindFeet]) =>
        {
            own.push("Minds its feet: start high on the limb and work down.".into());
        }
        Hazard::Face if dislikes(facts, &[BodyPart::Face, BodyPart::Mouth]) => {
            own.push("Minds its face: short, points away; pulling away at the mouth may be a sore tooth.".into());
        }
        Hazard::Ears | Hazard::EarCanal if dislikes(facts, &[BodyPart::Ears]) => {
            own.push("Minds its ears: hold the leather, never pull.".into());
        }
        Hazard::Tail if dislikes(facts, &[BodyPart::Tail, BodyPart::Rear]) => {
            own.push("Minds its rear: a hand on the hip first, quiet.".into());
        }
        Hazard::Flank if dislikes(facts, &[BodyPart::Belly]) => {
            own.push("Minds its belly: from the side, a hand flat first.".into());
        }
        Hazard::BareBlade if dog.is_old() || dog.has_double_coat || dog.is_pale() => {
            if dog.is_old() {
                own.push(OLD_SKIN.into());
            }
            if dog.has_double_coat {
                own.push(DOUBLE_COAT.into());
            }
            if dog.is_pale() {
                own.push(PALE_HAIR.into());
            }
        }
        _ => {}
    }
    own
}
