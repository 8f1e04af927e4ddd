//! The looks that ship. Lengths and targets: balance-model.md 6 (found by experiment, modelling
//! choice built on common practice); head, ears, tail, feet and look 9: handbook 5, table *Nominal
//! lengths*; brushing: handbook 5, *Upkeep*.

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

mod clipped;
mod lengths;
mod scissored;

pub(super) use self::scissored::KEPT;
use super::{EAR_END, HEAD, Look, Targets};

/// Writes the enum, its list and how each ships from one row a look, in the order of the handbook.
macro_rules! looks {
    ($($(#[$doc:meta])+ $name:ident => $of:ident::$ships:ident,)+) => {
        /// A look that ships with the program (handbook 5, *Looks*).
        #[derive(
            Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema,
        )]
        #[serde(rename_all = "snake_case")]
        pub enum LookId { $($(#[$doc])+ $name,)+ }

        impl LookId {
            /// All looks shipped, in the order of the handbook.
            pub const ALL: [Self; [$(stringify!($name)),+].len()] = [$(Self::$name,)+];
        }

        impl Look {
            /// A look as it ships.
            pub fn shipped(id: LookId) -> Self {
                let ships = match id {
                    $(LookId::$name => $of::$ships(),)+
                };
                Self { id, ..ships }
            }
        }
    };
}

looks! {
    /// One length all over, round head.
    OneLength => clipped::one_length,
    /// Body short, legs fuller and scissored into it.
    Lamb => scissored::lamb,
    /// The same, legs by comb only.
    LambEasy => clipped::lamb_easy,
    /// Short back, skirt kept.
    SkirtedSpaniel => scissored::skirted_spaniel,
    /// Short jacket, sharp rear angles, beard.
    AngledTerrier => scissored::angled_terrier,
    /// Body as short as wished, flared legs.
    LongLegs => scissored::long_legs,
    /// Full body, legs straight cylinders.
    CylinderFleece => scissored::cylinder_fleece,
    /// Comfortable length, sides longer.
    DropComfort => scissored::drop_comfort,
    /// No clipper on the back; feather evened.
    NaturalTidy => scissored::natural_tidy,
    /// Short everywhere.
    Summer => clipped::summer,
    /// Very short body, legs kept.
    ToyJacket => scissored::toy_jacket,
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
