use crate::solve::Unit;

/// Units that stand together under one name.
const TOGETHER: [(&[Unit], &str); 6] = [
    (
        &[Unit::BackFront, Unit::BackRear, Unit::Croup],
        "back and croup",
    ),
    (&[Unit::BackFront, Unit::BackRear], "back"),
    (&[Unit::Shoulder, Unit::Ribs, Unit::Hip], "sides"),
    (&[Unit::HindOut, Unit::ForeOut], "outside of all legs"),
    (&[Unit::HindIn, Unit::ForeIn], "inside of all legs"),
    (&[Unit::HindFront, Unit::ForeFront], "front of all legs"),
];

/// Names of units in a sentence, those that stand together under one.
pub(super) fn named(units: &[Unit]) -> Vec<&'static str> {
    let mut left = units.to_vec();
    let mut names = Vec::new();
    for (group, name) in TOGETHER {
        if group.iter().all(|u| left.contains(u)) {
            left.retain(|u| !group.contains(u));
            names.push(name);
        }
    }
    names.extend(left.into_iter().map(Unit::label));
    names
}
