use super::cautions::Hazard;
use crate::coat::Zone;

/// What the other hand does at a step (handbook 6, *Hands at the step*; common practice).
pub(super) fn hand_hint(hazards: &[Hazard]) -> &'static str {
    // A fold or a face asks more of the hand than the leg or tool it comes with.
    const FIRST: [Hazard; 10] = [
        Hazard::Flank,
        Hazard::Face,
        Hazard::Ears,
        Hazard::Feet,
        Hazard::NailsAndPads,
        Hazard::Legs,
        Hazard::Hygiene,
        Hazard::Folds,
        Hazard::EarCanal,
        Hazard::Tail,
    ];
    let first = FIRST.into_iter().find(|h| hazards.contains(h));
    match first {
        Some(Hazard::Flank) => "Push the flank out from inside, skim, let go.",
        Some(Hazard::Face) => "Nose up along the bone; beard held forward, skin taut.",
        Some(Hazard::Ears) => "Skin taut, the ear drawn back.",
        Some(Hazard::Feet) => "Point the foot ahead, weight on it.",
        Some(Hazard::NailsAndPads) => {
            "From high on the limb downwards, the foot turned back; if it dances, lift the opposite one."
        }
        Some(Hazard::Legs) => "Press the tendon forward from behind and go flat.",
        Some(Hazard::Hygiene | Hazard::Folds) => "Skin flat; a finger over what must not be cut.",
        Some(Hazard::EarCanal) => "Ear drawn back, head held by the chin.",
        Some(Hazard::Tail) => {
            "Tail held at its end, the bone felt; its base down and off from behind."
        }
        _ => "",
    }
}

/// How a pair is brought together once its last half is done (handbook 6, 9. *Check*; common
/// practice).
pub(super) fn pair_hint(zones: &[Zone]) -> &'static str {
    let has = |zone: Zone| zones.contains(&zone);
    if has(Zone::Ear) {
        "Draw both ears forward beside the nose, look from the front"
    } else if has(Zone::Foot) {
        "Set the feet level, weight on them, look from above"
    } else if zones.iter().any(|z| z.is_leg()) {
        "Both legs square, look from behind and in front"
    } else if has(Zone::Underline) {
        "Look from both sides, eyes level with it"
    } else {
        ""
    }
}
