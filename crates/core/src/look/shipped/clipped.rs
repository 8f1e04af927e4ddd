//! Looks done by comb or blade, legs too.

use super::USUAL;
use super::lengths::{BODY, Lengths, cuts};
use crate::coat::Zone as Z;
use crate::look::{
    CoatWanted, EarRule, FootFinish, Look, MadeFor, SMALL_HEAD, Targets, WITH_CLIPPER,
};
use crate::shape::{EarForm, Finish, HeadShape, HemShape, TailForm};

const LEGS: [Z; 9] = [
    Z::ForeBack,
    Z::ForeFront,
    Z::ForeOut,
    Z::ForeIn,
    Z::HindBack,
    Z::HindFront,
    Z::HindOut,
    Z::HindIn,
    Z::Hock,
];

/// *One length, rounded*: everything with the lay at one length, round head and feet.
pub(super) fn one_length() -> Look {
    let mut clipped: Vec<Z> = BODY.into_iter().filter(|z| *z != Z::TuckUp).collect();
    clipped.extend(LEGS);
    clipped.push(Z::Crest);
    let lengths = Lengths {
        body: 16.0,
        leg: 16.0,
        foot: 10.0,
        leans: false,
    };
    Look {
        name: "One length, rounded",
        aliases: &["teddy", "puppy cut", "same all over"],
        summary: "One comb all over, round head and feet.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            // Head one size (3 mm) over the body, topknot two (handbook 5, balance-model.md 6).
            Z::Topknot => Some(22.0),
            Z::Cheek | Z::Beard => Some(19.0),
            Z::Crest => Some(18.0),
            Z::Ear => Some(24.0),
            Z::ForeIn | Z::HindIn => Some(16.0),
            _ => None,
        }),
        cuts: cuts(&clipped),
        targets: Targets {
            body_ratio: (0.97, 1.08),
            gap_ratio: Some((0.30, 0.46)),
            rise: (0.01, 0.10),
            fill: 0.04,
            column_share: Some((0.22, 0.36)),
            ..USUAL
        },
        scales: false,
        accept: 0.5,
        comb_factor: 2.5,
        // A size or two to either side of 16 mm: what is shorter reads as a jacket (common practice).
        clips_within: (0.6, 1.45),
        finish: Finish::trimmed(HeadShape::Round),
        ear_rule: EarRule::BesideBeard,
        foot: FootFinish::Round,
        body_mm: 16.0,
        body_choices_mm: &[13.0, 16.0, 19.0],
        brushing: 20.0,
        weeks: (4, 6),
        knots_at: &[Z::Ear, Z::TuckUp],
        made_for: MadeFor::coat(CoatWanted::BestStanding),
        ..WITH_CLIPPER
    }
}

/// *Lamb, easy care*: as the lamb, legs by comb only.
pub(super) fn lamb_easy() -> Look {
    let mut clipped = BODY.to_vec();
    clipped.extend([
        Z::ForeBack,
        Z::ForeFront,
        Z::HindBack,
        Z::HindFront,
        Z::Hock,
        Z::ForeOut,
        Z::ForeIn,
        Z::HindOut,
        Z::HindIn,
    ]);
    let lengths = Lengths {
        body: 10.0,
        leg: 25.0,
        foot: 8.0,
        leans: false,
    };
    Look {
        name: "Lamb, easy care",
        aliases: &["short lamb", "kennel lamb"],
        summary: "Short body, fuller legs by comb, round feet.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Throat => Some(5.0),
            Z::Crest | Z::Topknot | Z::Flank | Z::Ear => Some(20.0),
            Z::TuckUp | Z::Cheek | Z::Beard => Some(13.0),
            Z::Underline => Some(12.0),
            Z::Muzzle => Some(10.0),
            Z::Tail => Some(25.0),
            _ => None,
        }),
        cuts: cuts(&clipped),
        targets: Targets {
            body_ratio: (0.96, 1.05),
            fill: 0.02,
            head_size: SMALL_HEAD,
            ..USUAL
        },
        scales: true,
        comb_factor: 2.5,
        finish: Finish::trimmed(HeadShape::Round),
        ear_rule: EarRule::BesideBeard,
        foot: FootFinish::Round,
        body_mm: 10.0,
        body_choices_mm: &[5.0, 10.0, 13.0],
        brushing: 15.0,
        weeks: (5, 7),
        knots_at: &[Z::Ear, Z::Knee],
        made_for: MadeFor::coat(CoatWanted::Standing),
        ..WITH_CLIPPER
    }
}

/// *Short all over, summer*: against the lay, 10 mm or less, legs too.
pub(super) fn summer() -> Look {
    let mut clipped = BODY.to_vec();
    clipped.extend(LEGS);
    clipped.extend([Z::Crest, Z::Flank, Z::Knee]);
    let lengths = Lengths {
        body: 6.0,
        leg: 8.0,
        foot: 6.0,
        leans: false,
    };
    Look {
        name: "Short all over, summer",
        aliases: &["summer cut", "short back and sides", "easy all over"],
        summary: "Short everywhere, legs too; least brushing.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Topknot => Some(10.0),
            Z::Cheek | Z::Tail => Some(8.0),
            Z::Muzzle => Some(5.0),
            Z::Beard | Z::Ear | Z::ForeIn | Z::HindIn => Some(6.0),
            _ => None,
        }),
        cuts: cuts(&clipped),
        targets: Targets {
            body_ratio: (0.97, 1.10),
            gap_ratio: Some((0.30, 0.50)),
            leg_share: Some((0.47, 0.55)),
            rise: (0.02, 0.12),
            fill: 0.08,
            column_share: Some((0.18, 0.34)),
            ..USUAL
        },
        scales: false,
        accept: 1.0,
        comb_factor: 2.5,
        finish: Finish {
            hem: HemShape::Bare,
            tail: TailForm::Thin,
            ear: EarForm::Clean,
            ..Finish::trimmed(HeadShape::Short)
        },
        foot: FootFinish::Tight,
        body_mm: 6.0,
        body_choices_mm: &[5.0, 6.0, 10.0],
        brushing: 5.0,
        weeks: (8, 12),
        ..WITH_CLIPPER
    }
}
