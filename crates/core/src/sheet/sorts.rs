use super::minutes as m;
use super::writer::Writer;
use crate::coat::{Knots, Zone};
use crate::dog::{Sort, SortBy};

/// What sort of groom this is, for the salon's clock.
pub(super) fn sorts(writer: &Writer<'_>) -> Vec<Sort> {
    let job = writer.job;
    let size = m::for_size(job.sides.left.height);
    let size = if size < 1.0 {
        "toy"
    } else if size > 1.0 {
        "large"
    } else {
        "medium"
    };
    let worst = Zone::ALL
        .iter()
        .map(|z| job.coat.knots(*z))
        .max_by_key(|k| match k {
            Knots::None => 0,
            Knots::Few => 1,
            Knots::Tight => 2,
        });
    let knots = match worst {
        None | Some(Knots::None) => "no knots",
        Some(Knots::Few) => "knots that brush out",
        Some(Knots::Tight) => "tight knots",
    };
    [
        (SortBy::Stylist, writer.facts.stylist),
        (SortBy::Size, size),
        (SortBy::Coat, job.coat.texture.label()),
        (SortBy::Knots, knots),
        (SortBy::Look, job.look.called()),
    ]
    .into_iter()
    .filter(|(_, name)| !name.is_empty())
    .map(|(by, name)| Sort {
        by,
        name: name.to_owned(),
    })
    .collect()
}
