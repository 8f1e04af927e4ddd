//! Two looks that ship. Lengths and targets: balance-model.md 6 (found by experiment, modelling
//! choice built on common practice); head, ears, tail: handbook 5, table *Nominal lengths*.

use super::{Cut, FootFinish, Look, LookId, Targets};
use crate::coat::Zone;
use crate::shape::Finish;

/// *Lamb*: body short, legs fuller and scissored into it, crest kept, throat short, clean feet.
pub fn lamb() -> Look {
    use Zone as Z;
    Look {
        id: LookId::Lamb,
        name: "Lamb",
        summary: "Short body, full straight legs, clean face and feet.",
        nominal_mm: by_zone(|zone| match zone {
            Z::Topknot | Z::Tail => 45.0,
            Z::Cheek | Z::Muzzle | Z::Beard => 1.0,
            Z::Ear => 42.0,
            Z::Throat => 6.0,
            Z::Crest => 25.0,
            Z::Rump | Z::Chest => 11.0,
            Z::Underline | Z::TuckUp => 16.0,
            Z::Flank => 26.0,
            Z::Knee | Z::HindFront | Z::HindOut => 34.0,
            Z::HindBack => 28.0,
            Z::Hock => 26.0,
            Z::ForeBack => 35.0,
            Z::ForeFront => 30.0,
            Z::ForeOut => 34.0,
            Z::ForeIn | Z::HindIn => 20.0,
            // Clean feet: as the face (handbook 5).
            Z::Foot => 1.0,
            Z::NeckSide | Z::Shoulder | Z::Back | Z::Ribs | Z::Hip | Z::Croup => 13.0,
        }),
        cuts: by_zone(|zone| match zone {
            Z::Crest
            | Z::Flank
            | Z::Knee
            | Z::HindFront
            | Z::HindBack
            | Z::HindOut
            | Z::HindIn
            | Z::Hock
            | Z::ForeBack
            | Z::ForeFront
            | Z::ForeOut
            | Z::ForeIn => Cut::Scissored,
            _ if zone.is_head() || matches!(zone, Z::Foot | Z::Tail) => Cut::Set,
            _ => Cut::Clipped,
        }),
        targets: Targets {
            body_ratio: (0.96, 1.02),
            gap_ratio: (0.30, 0.42),
            fill: 0.0,
            column_share: (0.26, 0.38),
            ..USUAL
        },
        scales: true,
        accept: 0.0,
        comb_factor: 1.0,
        finish: Finish::TrimmedBall,
        foot: FootFinish::Clean,
        body_mm: 13.0,
        body_choices_mm: &[10.0, 13.0, 16.0, 19.0],
        brushing: 40.0,
    }
}

/// *One length, rounded*: everything with the lay at one length, round head and feet.
pub fn one_length() -> Look {
    use Zone as Z;
    Look {
        id: LookId::OneLength,
        name: "One length, rounded",
        summary: "One comb all over, round head and feet.",
        nominal_mm: by_zone(|zone| match zone {
            // Head one size (3 mm) over the body, topknot two (handbook 5, balance-model.md 6).
            Z::Topknot => 22.0,
            Z::Cheek | Z::Beard => 19.0,
            Z::Crest => 18.0,
            Z::Ear => 24.0,
            Z::Foot => 10.0,
            _ => 16.0,
        }),
        cuts: by_zone(|zone| match zone {
            Z::TuckUp | Z::Flank | Z::Knee => Cut::Scissored,
            _ if zone.is_head() || matches!(zone, Z::Foot | Z::Tail) => Cut::Set,
            _ => Cut::Clipped,
        }),
        targets: Targets {
            body_ratio: (0.97, 1.08),
            gap_ratio: (0.30, 0.46),
            rise: (0.01, 0.10),
            fill: 0.04,
            column_share: (0.22, 0.36),
            ..USUAL
        },
        scales: false,
        accept: 0.5,
        comb_factor: 2.5,
        finish: Finish::TrimmedRound,
        foot: FootFinish::Round,
        body_mm: 16.0,
        body_choices_mm: &[13.0, 16.0, 19.0],
        brushing: 20.0,
    }
}

/// Ranges most looks share (balance-model.md 6, defaults of the study).
const USUAL: Targets = Targets {
    body_ratio: (0.97, 1.05),
    gap_ratio: (0.30, 0.44),
    leg_share: (0.45, 0.52),
    slope_deg: (0.0, 1.5),
    croup: (0.005, 0.055),
    rise: (0.02, 0.08),
    fill: 0.0,
    neck_depth: 0.95,
    angulation: (0.05, 0.09),
    set_in: (0.025, 0.08),
    column_share: (0.24, 0.38),
};

fn by_zone<T>(of: impl Fn(Zone) -> T) -> Vec<T> {
    Zone::ALL.into_iter().map(of).collect()
}
