use crate::solve::{Unit, UnitCut};

/// Units that stand together under one name, the larger groups first.
const TOGETHER: [(&[Unit], &str); 12] = {
    use Unit::{
        BackFront, BackRear, Chest, Crest, Croup, ForeBack, ForeFront, ForeIn, ForeOut, HindBack,
        HindFront, HindIn, HindOut, Hip, Hock, Ribs, Rump, Shoulder, Throat, TuckUp, Underline,
    };
    [
        (
            &[
                BackFront, BackRear, Croup, Shoulder, Ribs, Hip, Rump, Chest, Underline, TuckUp,
            ],
            "whole body",
        ),
        (
            &[BackFront, BackRear, Croup, Shoulder, Ribs, Hip, Rump],
            "body and rump",
        ),
        (&[BackFront, BackRear, Croup, Shoulder, Ribs, Hip], "body"),
        (&[BackFront, BackRear, Croup], "back and croup"),
        (&[BackFront, BackRear], "back"),
        (&[Shoulder, Ribs, Hip], "sides"),
        (&[Throat, Crest], "neck"),
        (
            &[
                HindBack, HindOut, HindIn, HindFront, Hock, ForeBack, ForeOut, ForeIn, ForeFront,
            ],
            "all legs",
        ),
        (
            &[
                HindBack, HindOut, HindIn, HindFront, ForeBack, ForeOut, ForeIn, ForeFront,
            ],
            "all legs",
        ),
        (&[HindBack, HindOut, HindIn, HindFront, Hock], "hind legs"),
        (&[HindBack, HindOut, HindIn, HindFront], "hind legs"),
        (&[ForeBack, ForeOut, ForeIn, ForeFront], "front legs"),
    ]
};

/// Names of units in a sentence, those that stand together under one.
pub(super) fn named(units: &[Unit]) -> Vec<String> {
    let mut left = units.to_vec();
    let mut names: Vec<String> = Vec::new();
    for (group, name) in TOGETHER {
        if group.iter().all(|u| left.contains(u)) {
            left.retain(|u| !group.contains(u));
            names.push(name.into());
        }
    }
    // A face that both pairs have is one place to go round.
    let mut on_all = Vec::new();
    for pair in HIND.iter().zip(FORE).map(|(hind, fore)| [*hind, *fore]) {
        if pair.iter().all(|u| left.contains(u)) {
            left.retain(|u| !pair.contains(u));
            on_all.extend(face(pair[0]));
        }
    }
    if !on_all.is_empty() {
        names.push(format!("{} of all legs", on_all.join(" and ")));
    }
    for (legs, of) in [(FORE, "of the front legs"), (HIND, "of the hind legs")] {
        let here: Vec<Unit> = left.iter().filter(|u| legs.contains(u)).copied().collect();
        if here.len() > 1 {
            left.retain(|u| !here.contains(u));
            let faces: Vec<&str> = here.iter().filter_map(|u| face(*u)).collect();
            names.push(format!("{} {of}", faces.join(" and ")));
        }
    }
    names.extend(left.into_iter().map(|u| u.label().into()));
    names
}

/// Names of places that are roughed out: a pair of legs is gone round whole, joints and faces with little to lose
/// as well; a face that would lose too much is named as left out.
pub(super) fn gone_round(units: &[Unit], cuts: &[UnitCut]) -> Vec<String> {
    let is_gone_over = |unit: &&Unit| {
        let cut = cuts.iter().find(|cut| cut.unit == **unit);
        units.contains(*unit) || cut.is_some_and(|cut| cut.is_gone_over)
    };
    let mut left = units.to_vec();
    let mut whole = Vec::new();
    let mut names: Vec<(&str, &str)> = Vec::new();
    for Pair { has, faces, name } in PAIRS {
        let over: Vec<Unit> = faces.iter().filter(is_gone_over).copied().collect();
        if over.is_empty() || !units.iter().any(|u| has(*u)) {
            continue;
        }
        left.retain(|u| !has(*u));
        let mut spared = faces.iter().filter(|f| !over.contains(f));
        match (spared.next(), spared.next()) {
            (None, _) => whole.extend(over),
            (Some(one), None) => names.extend(face(*one).map(|face| (name, face))),
            _ => left.extend(over),
        }
    }
    let spared = match names.as_slice() {
        [(_, front), (_, hind)] if front == hind => vec![format!("all legs (not the {hind})")],
        apart => apart
            .iter()
            .map(|(legs, face)| format!("{legs} (not the {face})"))
            .collect(),
    };
    whole.extend(left);
    spared.into_iter().chain(named(&whole)).collect()
}

/// A pair of legs.
struct Pair {
    has: fn(Unit) -> bool,
    faces: &'static [Unit],
    name: &'static str,
}

const PAIRS: [Pair; 2] = [
    Pair {
        has: Unit::is_of_a_front_leg,
        faces: FORE,
        name: "front legs",
    },
    Pair {
        has: Unit::is_of_a_hind_leg,
        faces: HIND,
        name: "hind legs",
    },
];

const FORE: &[Unit] = &[Unit::ForeBack, Unit::ForeOut, Unit::ForeIn, Unit::ForeFront];
const HIND: &[Unit] = &[Unit::HindBack, Unit::HindOut, Unit::HindIn, Unit::HindFront];

/// Names of places in one step: those of one pair of legs by their faces alone, since the step says which
/// legs.
pub(super) fn names_in_step(units: &[Unit]) -> impl Fn(Unit) -> &'static str + use<> {
    let is_one_pair = PAIRS
        .iter()
        .any(|pair| units.iter().all(|u| (pair.has)(*u)));
    move |unit| match face(unit) {
        Some(face) if is_one_pair => face,
        _ => unit.label(),
    }
}

/// A place on a leg, where it is known which; none of the rest of the dog.
const fn face(unit: Unit) -> Option<&'static str> {
    Some(match unit {
        Unit::HindBack | Unit::ForeBack => "back",
        Unit::HindOut | Unit::ForeOut => "outside",
        Unit::HindIn | Unit::ForeIn => "inside",
        Unit::HindFront | Unit::ForeFront => "front",
        Unit::Hock => "hock",
        Unit::FlankAndKnee => "flank and knee",
        Unit::Flank => "flank",
        Unit::Knee => "knee",
        _ => return None,
    })
}
