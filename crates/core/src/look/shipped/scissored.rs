//! Looks with legs, skirt or furnishings by shears.

use super::USUAL;
use super::lengths::{BODY, Lengths, by_zone, cuts};
use crate::coat::Zone as Z;
use crate::look::{
    BuildWanted, CoatWanted, Cut, EarRule, FootFinish, ForeLegShape, HEM_FLARE, HindLegShape, Look,
    MadeFor, SMALL_HEAD, Targets, WITH_CLIPPER,
};
use crate::shape::{EarForm, Finish, Hangs, HeadShape, HemShape, TailForm};

/// The body without what hangs or is shaped by shears under it.
const JACKET: [Z; 9] = [
    Z::Back,
    Z::Croup,
    Z::Rump,
    Z::Throat,
    Z::Shoulder,
    Z::Ribs,
    Z::Hip,
    Z::NeckSide,
    Z::Crest,
];

fn body_and_crest() -> Vec<Z> {
    let mut zones = BODY.to_vec();
    zones.push(Z::Crest);
    zones
}

/// *Lamb*: body short, legs fuller and scissored into it, crest kept, throat short, clean feet.
pub(super) fn lamb() -> Look {
    let lengths = Lengths {
        body: 13.0,
        leg: 34.0,
        // Clean feet: as the face (handbook 5).
        foot: 1.0,
        leans: true,
    };
    Look {
        name: "Lamb",
        aliases: &["lamb cut", "fluffy legs"],
        summary: "Short body, full straight legs, clean face and feet.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Topknot | Z::Tail => Some(45.0),
            Z::Cheek | Z::Muzzle | Z::Beard => Some(1.0),
            Z::Ear => Some(42.0),
            Z::Throat => Some(6.0),
            Z::Crest => Some(25.0),
            Z::Rump | Z::Chest => Some(11.0),
            Z::Underline | Z::TuckUp => Some(16.0),
            Z::Flank | Z::Hock => Some(26.0),
            Z::HindBack => Some(28.0),
            Z::ForeIn | Z::HindIn => Some(20.0),
            _ => None,
        }),
        cuts: cuts(&BODY),
        targets: Targets {
            body_ratio: (0.96, 1.02),
            gap_ratio: Some((0.30, 0.42)),
            column_share: Some((0.26, 0.38)),
            ..USUAL
        },
        finish: Finish {
            hem: HemShape::Clean,
            tail: TailForm::Ball,
            ..Finish::trimmed(HeadShape::Topknot)
        },
        foot: FootFinish::Clean,
        body_mm: 13.0,
        body_choices_mm: &[10.0, 13.0, 16.0, 19.0],
        // A lamb's topknot of 22 mm (balance-model.md 6).
        occiput_at_most_mm: 22.0,
        brushing: 40.0,
        weeks: (4, 6),
        knots_at: &[Z::Ear, Z::TuckUp, Z::ForeIn, Z::HindIn],
        made_for: MadeFor::coat(CoatWanted::Standing),
        ..WITH_CLIPPER
    }
}

/// *Skirted spaniel*: short back, skirt kept, legs full, wide bevels.
pub(super) fn skirted_spaniel() -> Look {
    let lengths = Lengths {
        body: 8.0,
        leg: 40.0,
        foot: 20.0,
        leans: true,
    };
    Look {
        name: "Skirted spaniel",
        aliases: &["spaniel trim", "leave the skirt"],
        summary: "Short back, skirt and full legs, long ears.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Throat => Some(3.0),
            Z::Chest | Z::Muzzle | Z::Beard | Z::Tail => Some(25.0),
            Z::Underline => Some(45.0),
            Z::TuckUp => Some(30.0),
            Z::Flank => Some(35.0),
            Z::Ribs => Some(10.0),
            Z::Topknot => Some(13.0),
            Z::Cheek => Some(1.5),
            Z::Ear => Some(60.0),
            _ => None,
        }),
        cuts: cuts(&JACKET),
        targets: Targets {
            body_ratio: (0.98, 1.08),
            gap_ratio: Some((0.27, 0.42)),
            leg_share: Some((0.40, 0.48)),
            rise: (0.02, 0.07),
            column_share: Some((0.26, 0.42)),
            ..USUAL
        },
        finish: Finish {
            hem: HemShape::Bevel,
            tail: TailForm::Stubby,
            ear: EarForm::Feathered,
            hangs: Hangs::Skirt,
            ..Finish::trimmed(HeadShape::Spaniel)
        },
        ear_rule: EarRule::OverShoulder,
        foot: FootFinish::Round,
        body_mm: 8.0,
        body_choices_mm: &[3.0, 5.0, 8.0],
        brushing: 40.0,
        weeks: (5, 7),
        knots_at: &[Z::Ear, Z::Underline, Z::TuckUp, Z::ForeIn],
        made_for: MadeFor::coat(CoatWanted::Skirted).on(BuildWanted::SuitsShortLegs),
        ..WITH_CLIPPER
    }
}

/// *Angled terrier*: short jacket, short bib, sharp rear angles, pillar front legs, long beard.
pub(super) fn angled_terrier() -> Look {
    let lengths = Lengths {
        body: 8.0,
        leg: 28.0,
        foot: 10.0,
        leans: true,
    };
    let mut clipped = JACKET.to_vec();
    clipped.push(Z::Chest);
    Look {
        name: "Angled terrier",
        aliases: &["terrier trim", "beard and brows"],
        summary: "Short jacket, sharp angles behind, beard and brows.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Throat => Some(3.0),
            Z::Chest | Z::Rump | Z::Topknot => Some(5.0),
            Z::Underline | Z::Flank => Some(22.0),
            Z::TuckUp => Some(14.0),
            Z::HindBack => Some(12.0),
            Z::Hock => Some(18.0),
            Z::Knee => Some(32.0),
            // Beard and brows as dog-shape.md 13 draws them at 620 mm: 88 and 78.
            Z::Beard => Some(64.0),
            Z::Brow => Some(57.0),
            Z::Muzzle => Some(20.0),
            Z::Cheek => Some(0.8),
            Z::Ear => Some(1.2),
            _ => None,
        }),
        cuts: cuts(&clipped),
        targets: Targets {
            body_ratio: (0.96, 1.03),
            slope_deg: (0.0, 2.0),
            angulation: Some((0.06, 0.11)),
            set_in: Some((0.035, 0.09)),
            rise: (0.04, 0.10),
            column_share: Some((0.22, 0.34)),
            ..USUAL
        },
        finish: Finish {
            hem: HemShape::Nail,
            tail: TailForm::Carrot,
            ear: EarForm::Clean,
            ..Finish::trimmed(HeadShape::Terrier)
        },
        foot: FootFinish::Tight,
        body_mm: 8.0,
        body_choices_mm: &[3.0, 5.0, 8.0],
        brushing: 30.0,
        weeks: (6, 8),
        knots_at: &[Z::Beard, Z::ForeIn, Z::HindIn],
        made_for: MadeFor::coat(CoatWanted::Harsh),
        ..WITH_CLIPPER
    }
}

/// *Short jacket, long legs*: body as short as wished, flared legs from hip and shoulder down.
pub(super) fn long_legs() -> Look {
    let lengths = Lengths {
        body: 6.0,
        leg: 55.0,
        foot: 28.0,
        leans: true,
    };
    Look {
        lifts_high: true,
        name: "Short jacket, long legs",
        aliases: &["fashion legs", "big legs", "bell bottoms"],
        summary: "Very short body, big flared legs, small round head.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Crest => Some(8.0),
            Z::Throat => Some(5.0),
            Z::Topknot => Some(35.0),
            Z::Flank | Z::Beard => Some(20.0),
            Z::Cheek => Some(18.0),
            Z::Muzzle => Some(16.0),
            Z::ForeIn => Some(28.0),
            Z::ForeOut => Some(50.0),
            Z::Ear | Z::Tail => Some(60.0),
            _ => None,
        }),
        cuts: cuts(&body_and_crest()),
        targets: Targets {
            body_ratio: (0.94, 1.06),
            gap_ratio: Some((0.26, 0.42)),
            fill: 0.06,
            angulation: Some((0.02, 0.09)),
            set_in: Some((-0.01, 0.06)),
            column_share: Some((0.32, 0.52)),
            head_size: SMALL_HEAD,
            ..USUAL
        },
        fore: ForeLegShape::Flare,
        hind: HindLegShape::A,
        finish: Finish {
            hem: HemShape::Bell,
            tail: TailForm::Plume,
            ear: EarForm::Feathered,
            has_sleeves: true,
            flare: HEM_FLARE,
            ..Finish::trimmed(HeadShape::Round)
        },
        foot: FootFinish::Hidden,
        body_mm: 6.0,
        body_choices_mm: &[3.0, 6.0, 10.0, 16.0],
        brushing: 45.0,
        weeks: (4, 6),
        knots_at: &[Z::Ear, Z::ForeIn, Z::HindIn, Z::Knee],
        made_for: MadeFor::coat(CoatWanted::Standing).on(BuildWanted::LongLegs),
        ..WITH_CLIPPER
    }
}

/// *Cylinder-leg fleece*: body and legs full, legs straight cylinders, no step at hip or shoulder.
pub(super) fn cylinder_fleece() -> Look {
    let lengths = Lengths {
        body: 38.0,
        leg: 51.0,
        foot: 25.0,
        leans: true,
    };
    Look {
        name: "Cylinder-leg fleece",
        aliases: &["leave it woolly", "full coat tidied"],
        summary: "Full fleece, straight cylinder legs, tail untouched.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Rump | Z::Chest => Some(32.0),
            Z::Throat => Some(25.0),
            Z::Flank | Z::Beard => Some(42.0),
            Z::Topknot => Some(51.0),
            Z::ForeIn | Z::HindIn => Some(24.0),
            Z::Cheek => Some(40.0),
            Z::Muzzle => Some(30.0),
            Z::Ear => Some(45.0),
            Z::Tail => Some(KEPT),
            _ => None,
        }),
        cuts: cuts(&body_and_crest()),
        targets: Targets {
            body_ratio: (0.98, 1.06),
            gap_ratio: Some((0.27, 0.42)),
            leg_share: Some((0.42, 0.50)),
            angulation: Some((0.03, 0.09)),
            set_in: Some((0.015, 0.07)),
            column_share: Some((0.30, 0.44)),
            ..USUAL
        },
        finish: Finish {
            tail: TailForm::Untouched,
            ..Finish::trimmed(HeadShape::Round)
        },
        ear_rule: EarRule::BesideBeard,
        foot: FootFinish::Round,
        body_mm: 38.0,
        body_choices_mm: &[25.0, 32.0, 38.0],
        brushing: 60.0,
        weeks: (5, 7),
        knots_at: &[Z::Ear, Z::TuckUp, Z::Chest, Z::ForeIn, Z::HindIn],
        made_for: MadeFor::coat(CoatWanted::Standing),
        ..WITH_CLIPPER
    }
}

/// *Drop-coat comfort*: back by comb, sides left longer as a skirt, bib and leg backs fuller.
pub(super) fn drop_comfort() -> Look {
    let lengths = Lengths {
        body: 16.0,
        leg: 30.0,
        foot: 15.0,
        leans: false,
    };
    Look {
        name: "Drop-coat comfort",
        aliases: &["long but easy", "keep some length"],
        summary: "Comfortable length, sides a little longer, bib kept.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Crest => Some(18.0),
            Z::Throat => Some(13.0),
            Z::Chest | Z::TuckUp | Z::Hock | Z::Beard => Some(30.0),
            Z::Underline | Z::ForeBack => Some(35.0),
            Z::Flank => Some(32.0),
            Z::Ribs | Z::Topknot | Z::Cheek | Z::Muzzle => Some(25.0),
            Z::ForeFront => Some(20.0),
            Z::Ear | Z::Tail => Some(KEPT),
            _ => None,
        }),
        cuts: cuts(
            &JACKET
                .into_iter()
                .filter(|z| *z != Z::Ribs)
                .collect::<Vec<_>>(),
        ),
        targets: Targets {
            body_ratio: (1.0, 1.12),
            gap_ratio: Some((0.28, 0.46)),
            leg_share: Some((0.40, 0.50)),
            fill: 0.02,
            ..USUAL
        },
        finish: Finish {
            tail: TailForm::Untouched,
            ear: EarForm::Locks,
            hangs: Hangs::Curtain,
            ..Finish::trimmed(HeadShape::Round)
        },
        foot: FootFinish::Round,
        body_mm: 16.0,
        body_choices_mm: &[10.0, 16.0, 22.0],
        brushing: 35.0,
        weeks: (6, 8),
        knots_at: &[Z::Ear, Z::Beard, Z::TuckUp, Z::ForeIn, Z::Underline],
        made_for: MadeFor::coat(CoatWanted::Falling).on(BuildWanted::SuitsShortLegs),
        ..WITH_CLIPPER
    }
}

/// *Natural tidy*: thinned back lying flat, feather shortened evenly, underline a rising arc.
///
/// Its lengths are what is there less a little (handbook 5, look 9): see [`Look::fitted`].
pub(super) fn natural_tidy() -> Look {
    Look {
        name: "Natural tidy",
        aliases: &["just a tidy", "as nature made him"],
        summary: "No clipper on the back; feather evened, feet tight.",
        nominal_mm: by_zone(|_| KEPT),
        comes_off_mm: Some(by_zone(|zone| match zone {
            Z::Chest | Z::Throat => 6.0,
            Z::Underline | Z::TuckUp | Z::HindBack | Z::ForeBack => 20.0,
            Z::Flank | Z::Knee | Z::Rump | Z::Tail | Z::Ear => 10.0,
            Z::Hock => 15.0,
            Z::Foot => 12.0,
            Z::Topknot | Z::Cheek | Z::Brow | Z::Muzzle | Z::Beard => 2.0,
            _ => 0.0,
        })),
        cuts: by_zone(|zone| {
            if zone.is_head() || matches!(zone, Z::Foot | Z::Tail) {
                Cut::Set
            } else if matches!(zone, Z::Back | Z::Croup | Z::Shoulder | Z::Hip) {
                Cut::Thinned
            } else {
                Cut::Scissored
            }
        }),
        // The standard's or the skin's own ratio; leg share, bend and column as they hang.
        targets: Targets {
            body_ratio: (0.95, 1.14),
            gap_ratio: None,
            leg_share: None,
            rise: (0.02, 0.10),
            fill: 0.04,
            angulation: None,
            set_in: None,
            column_share: None,
            ..USUAL
        },
        has_clipper: false,
        fore: ForeLegShape::AsItHangs,
        hind: HindLegShape::AsItHangs,
        accept: 1.0,
        comb_factor: 2.5,
        finish: Finish {
            hem: HemShape::Bare,
            tail: TailForm::Flag,
            ear: EarForm::Feathered,
            hangs: Hangs::Feather,
            ..Finish::trimmed(HeadShape::Natural)
        },
        ear_rule: EarRule::OverShoulder,
        foot: FootFinish::Tight,
        body_mm: 20.0,
        body_choices_mm: &[],
        brushing: 20.0,
        weeks: (8, 10),
        knots_at: &[Z::Ear, Z::HindBack, Z::ForeBack],
        made_for: MadeFor::coat(CoatWanted::LyingFlat),
        ..WITH_CLIPPER
    }
}

/// *Toy jacket*: body very short from a V at the nape, legs kept, ear tips clean.
pub(super) fn toy_jacket() -> Look {
    let lengths = Lengths {
        body: 4.0,
        leg: 30.0,
        foot: 10.0,
        leans: true,
    };
    Look {
        lifts_high: true,
        name: "Toy jacket",
        aliases: &["jacket cut", "short body, fluffy legs"],
        summary: "Very short body, fluffy legs, topknot kept.",
        nominal_mm: lengths.by_zone(|zone| match zone {
            Z::Throat => Some(3.0),
            Z::Topknot => Some(22.0),
            Z::Flank => Some(14.0),
            Z::Cheek => Some(6.0),
            Z::Muzzle => Some(3.0),
            Z::Beard => Some(8.0),
            Z::Ear | Z::Tail => Some(30.0),
            _ => None,
        }),
        cuts: cuts(&body_and_crest()),
        targets: Targets {
            body_ratio: (0.96, 1.08),
            gap_ratio: Some((0.28, 0.44)),
            rise: (0.02, 0.12),
            fill: 0.05,
            column_share: Some((0.26, 0.44)),
            head_size: SMALL_HEAD,
            ..USUAL
        },
        finish: Finish {
            tail: TailForm::Plume,
            has_sleeves: true,
            has_nape_v: true,
            ..Finish::trimmed(HeadShape::Topknot)
        },
        foot: FootFinish::Round,
        body_mm: 4.0,
        body_choices_mm: &[2.0, 3.0, 4.0],
        brushing: 25.0,
        weeks: (5, 7),
        knots_at: &[Z::Ear, Z::ForeIn, Z::HindIn],
        made_for: MadeFor::coat(CoatWanted::GrowsBackEvenly).on(BuildWanted::Toy),
        ..WITH_CLIPPER
    }
}

/// Left as it is: longer than any coat.
pub(in crate::look) const KEPT: f64 = 600.0;
