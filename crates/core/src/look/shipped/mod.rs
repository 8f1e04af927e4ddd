//! The looks that ship. Lengths and targets: balance-model.md 6 (found by experiment, modelling
//! choice built on common practice); head, ears, tail, feet and look 9: handbook 5, table *Nominal
//! lengths*; brushing: handbook 5, *Upkeep*.

mod clipped;
mod lengths;
mod scissored;

pub(super) use self::scissored::KEPT;
use super::{EAR_END, HEAD, Look, LookId, Targets};

impl Look {
    /// A look as it ships.
    pub fn shipped(id: LookId) -> Self {
        match id {
            LookId::OneLength => clipped::one_length(),
            LookId::Lamb => scissored::lamb(),
            LookId::LambEasy => clipped::lamb_easy(),
            LookId::SkirtedSpaniel => scissored::skirted_spaniel(),
            LookId::AngledTerrier => scissored::angled_terrier(),
            LookId::LongLegs => scissored::long_legs(),
            LookId::CylinderFleece => scissored::cylinder_fleece(),
            LookId::DropComfort => scissored::drop_comfort(),
            LookId::NaturalTidy => scissored::natural_tidy(),
            LookId::Summer => clipped::summer(),
            LookId::ToyJacket => scissored::toy_jacket(),
        }
    }
}

/// Ranges most looks share (balance-model.md 6, defaults).
const USUAL: Targets = Targets {
    body_ratio: (0.97, 1.05),
    gap_ratio: Some((0.30, 0.44)),
    leg_share: Some((0.45, 0.52)),
    slope_deg: (0.0, 1.5),
    croup: (0.005, 0.055),
    rise: (0.02, 0.08),
    fill: 0.0,
    neck_depth: 0.95,
    angulation: Some((0.05, 0.09)),
    set_in: Some((0.025, 0.08)),
    column_share: Some((0.24, 0.38)),
    head_size: HEAD,
    ear_end: EAR_END,
};
