use super::edge::{
    Beard, BeardForm, Dressing, EarCoat, Hem, Ponytails, SkirtCoat, TailCoat, Topknot, TopknotForm,
    ZONES, hanging_share,
};
use super::finish::{EarForm, Finish, Hangs, HeadShape, HemShape, TailForm};
use super::station::{Cover, STATIONS, Station, stretch};
use crate::coat::{CoatNow, Stands, Texture, Zone};
use crate::frame::Build;

/// Runs along which zone lengths are eased over a joint (dog-shape.md 8).
const EASED: [(Station, Station); 3] = [
    (Station::JawAngle, Station::ThighFront),
    (Station::FlankFold, Station::ThroatHigh),
    (Station::Elbow, Station::ArmFront),
];

/// Topknot hair at the stations of the skull against the topknot's own length, where it is drawn
/// as a piece (dog-shape.md 13, dog 1: 40 of 66 mm).
pub const TOPKNOT_AT_SKULL: f64 = 0.6;

/// Hair at the chin's own stations against the beard's, where it is set as a piece that covers them
/// (modelling choice).
const BEARD_AT_CHIN: f64 = 0.3;

/// Dresses the frame in a coat given by zones: lengths at every station, and the hanging pieces.
///
/// # Units and shapes
/// mm; `at_zone` gives a zone's length.
pub fn dress_by_zone(
    build: &Build,
    texture: Texture,
    stand: Stands,
    finish: Finish,
    at_zone: &dyn Fn(Zone) -> f64,
) -> Dressing {
    let ponytails = ponytails(finish, at_zone(Zone::Topknot));
    let topknot = match ponytails {
        Some(_) => None,
        None => topknot(build, texture, finish, at_zone),
    };
    // On the skull lies what is combed to the band.
    let at_zone = &|zone| match ponytails {
        Some(tied) if zone == Zone::Topknot => tied.under_band,
        _ => at_zone(zone),
    };
    let beard = beard(build, texture, finish, at_zone(Zone::Beard));
    let has_set_beard = beard.is_some_and(|b| finish.is_trimmed() && b.form != BeardForm::Puff);
    let flat = std::array::from_fn(|i| match Station::ALL[i].cover() {
        // Close in front of the muzzle: the nose is its longest point (handbook 5).
        Cover::Coat(zone) if finish.is_trimmed() && Station::ALL[i] == Station::LipFront => {
            at_zone(zone).min(CLOSE_IN_FRONT * build.head.length)
        }
        Cover::Coat(Zone::Beard) if has_set_beard => at_zone(Zone::Beard) * BEARD_AT_CHIN,
        Cover::Coat(Zone::Topknot) if topknot.is_some() => {
            at_zone(Zone::Topknot) * TOPKNOT_AT_SKULL
        }
        Cover::Coat(zone) => at_zone(zone),
        Cover::Bare | Cover::Hidden => 0.0,
    });
    let hanging = hanging(stand.of(Zone::Underline), finish);
    Dressing {
        stand,
        lengths: eased(&flat),
        zones_mm: Zone::ALL.map(at_zone),
        columns: None,
        hem: Some(hem(build, stand.all(), finish)),
        topknot,
        ponytails,
        beard,
        brow: brow(build, finish, at_zone(Zone::Brow)),
        ear: ear(build, finish, at_zone(Zone::Ear)),
        tail: tail(build, finish, at_zone(Zone::Tail)),
        skirt: skirt(build, stand.of(Zone::Underline), finish, at_zone),
        hangs: hanging,
        has_sleeves: finish.has_sleeves,
        has_nape_v: finish.has_nape_v,
        texture,
    }
}

/// What hangs: as the look has it, and a coat that falls as it came in.
fn hanging(stand: f64, finish: Finish) -> Hangs {
    match finish.hangs {
        Hangs::Nothing if !finish.is_trimmed() && stand < FALLS => Hangs::Feather,
        Hangs::Curtain if stand >= STANDS => Hangs::Skirt,
        other => other,
    }
}

/// Hair that stands less hangs in locks; hair that stands more cannot be combed down (modelling
/// choice between the textures of handbook 3).
const FALLS: f64 = 0.5;
const STANDS: f64 = 0.7;

/// Dresses the frame in the coat as it stands today.
pub fn dress_now(build: &Build, coat: &CoatNow) -> Dressing {
    dress_by_zone(
        build,
        coat.texture,
        coat.stand,
        Finish::AS_IT_CAME,
        &|zone| coat.length_mm(zone),
    )
}

/// The bare frame.
pub fn bare(stand: f64) -> Dressing {
    Dressing {
        stand: Stands::even(stand),
        lengths: [0.0; STATIONS],
        zones_mm: [0.0; ZONES],
        columns: None,
        hem: None,
        topknot: None,
        ponytails: None,
        beard: None,
        brow: None,
        ear: EarCoat::default(),
        tail: TailCoat::default(),
        skirt: None,
        hangs: Hangs::Nothing,
        has_sleeves: false,
        has_nape_v: false,
        texture: Texture::Curl,
    }
}

/// One pass ¼, ½, ¼ along each run, not into pads, nose or hidden stations.
pub fn eased(lengths: &[f64; STATIONS]) -> [f64; STATIONS] {
    let mut out = *lengths;
    for (from, to) in EASED {
        for three in stretch(from, to).windows(3) {
            let grows = |s: Station| matches!(s.cover(), Cover::Coat(_));
            if !grows(three[1]) {
                continue;
            }
            let here = lengths[three[1].index()];
            let or_here = |s: Station| if grows(s) { lengths[s.index()] } else { here };
            out[three[1].index()] =
                0.25 * or_here(three[0]) + 0.5 * here + 0.25 * or_here(three[2]);
        }
    }
    out
}

fn hem(build: &Build, stand: f64, finish: Finish) -> Hem {
    let h = build.height;
    // An untrimmed drop coat spreads over the foot (dog-shape.md 13, dogs 2 and 5).
    let flare = if finish.is_trimmed() {
        finish.flare * h
    } else if stand >= FALLS {
        0.0
    } else {
        0.04 * h
    };
    let bevel = match finish.hem {
        HemShape::Bevel => 0.075,
        HemShape::Nail => 0.035,
        _ => 0.05,
    };
    Hem {
        shape: finish.hem,
        bevel: bevel * h,
        flare_back: flare,
        flare_front: 0.5 * flare,
    }
}

/// Hair that a band holds, at the shortest, mm (modelling choice).
pub(crate) const TIED_FROM_MM: f64 = 40.0;
/// Hair combed flat to the band against its length (modelling choice).
const UNDER_A_BAND: f64 = 0.12;

/// The crown's hair where the finish ties it and a band holds it.
fn ponytails(finish: Finish, length: f64) -> Option<Ponytails> {
    let is_tied = finish.ponytails > 0 && length >= TIED_FROM_MM;
    is_tied.then_some(Ponytails {
        count: finish.ponytails,
        length,
        under_band: UNDER_A_BAND * length,
    })
}

/// A fringe that is cut short against one whose corners alone are cut back (modelling choice).
const SHORT_FRINGE: f64 = 0.4;

/// Shortest topknot drawn as a piece of its own on a coat as it came, share of the height (modelling
/// choice).
const TOPKNOT_PIECE: f64 = 0.045;
/// The same where the look shapes it: less lies on the skull (modelling choice).
const SHAPED_TOPKNOT: f64 = 0.018;

fn topknot(
    build: &Build,
    texture: Texture,
    finish: Finish,
    at_zone: &dyn Fn(Zone) -> f64,
) -> Option<Topknot> {
    let t = at_zone(Zone::Topknot);
    let falls = matches!(texture, Texture::Silky | Texture::Feathered);
    let least = if finish.is_trimmed() {
        SHAPED_TOPKNOT
    } else {
        TOPKNOT_PIECE
    };
    let is_long = t >= least * build.height;
    let round = TopknotForm::Round {
        cheek: at_zone(Zone::Cheek),
        under: at_zone(Zone::Beard),
    };
    // Shares of the crown over the eyes read off dog-shape.md 13: as it came, teddy, lamb.
    let (form, visor) = match finish.head {
        None if !is_long => return None,
        None if falls => (TopknotForm::Fall, 0.66),
        None => (round, 0.66),
        Some(HeadShape::Round) if finish.hangs == Hangs::Curtain && falls => {
            (TopknotForm::Fall, 0.40)
        }
        Some(HeadShape::Round) => (round, 0.40),
        Some(HeadShape::Topknot) if is_long => (
            TopknotForm::IntoCrest {
                runs_on: if finish.has_nape_v { 0.5 } else { 1.0 },
            },
            0.50,
        ),
        Some(HeadShape::Spaniel) => (TopknotForm::Crown, 0.0),
        Some(_) => return None,
    };
    let fringe = if finish.is_fringe_short {
        SHORT_FRINGE
    } else {
        1.0
    };
    Some(Topknot {
        form,
        visor: fringe * visor * t,
        crown: t,
    })
}

/// Hair before the lips of a finished head, share of the head's length: the nose stands out by
/// about as much (read off dog-shape.md 5).
const CLOSE_IN_FRONT: f64 = 0.02;

/// Shortest beard drawn as a piece of its own, share of the height (modelling choice).
const BEARD_PIECE: f64 = 0.05;

fn beard(build: &Build, texture: Texture, finish: Finish, length: f64) -> Option<Beard> {
    let hangs = matches!(texture, Texture::Harsh | Texture::Silky);
    let is_long = length >= BEARD_PIECE * build.height;
    let form = match finish.head {
        Some(HeadShape::Terrier) => is_long.then_some(BeardForm::Brick),
        Some(HeadShape::Round) if finish.hangs == Hangs::Curtain && hangs => {
            Some(BeardForm::Hanging)
        }
        Some(HeadShape::Round) => Some(BeardForm::Puff),
        Some(HeadShape::Spaniel) => Some(BeardForm::Flews),
        Some(HeadShape::Natural) | None if is_long => match texture {
            Texture::Harsh => Some(BeardForm::Brick),
            Texture::Silky => Some(BeardForm::Hanging),
            // Untrimmed it is a puff too; tidied it keeps to its own edge.
            _ if finish.is_trimmed() => None,
            Texture::Feathered => Some(BeardForm::Hanging),
            Texture::Curl | Texture::Fleece => Some(BeardForm::Puff),
        },
        _ => None,
    }?;
    Some(Beard { form, length })
}

/// Shortest brow drawn as a lash of its own, share of the head's length (modelling choice).
const BROW_PIECE: f64 = 0.08;

fn brow(build: &Build, finish: Finish, length: f64) -> Option<f64> {
    let is_kept = finish.head == Some(HeadShape::Terrier);
    (is_kept && length >= BROW_PIECE * build.head.length).then_some(length)
}

fn ear(build: &Build, finish: Finish, length: f64) -> EarCoat {
    // Short leather carries less (dog-shape-2.md 4).
    let carries = (build.ear.length / (0.24 * build.height) + 0.35).min(1.0);
    let (edge, fringe) = match build.ear.kind {
        crate::frame::EarKind::Drop => (0.45, carries),
        crate::frame::EarKind::Folded => (0.30, 0.8 * carries),
        crate::frame::EarKind::Prick => (0.30, 0.40),
    };
    let form = if length < CLIPPED_EAR * build.height {
        EarForm::Clean
    } else {
        finish.ear
    };
    EarCoat {
        form,
        edge: edge * length,
        fringe: fringe * length,
    }
}

/// An ear shorter than this is clipped to the leather, share of the height (modelling choice).
const CLIPPED_EAR: f64 = 0.008;

/// Hair of a bare root, share of the height (dog-shape-2.md 6).
const BARE_TAIL: f64 = 0.006;

/// A full tail bares so much of its root, share of the height (handbook 10 E: at most).
pub(crate) const BARE_V: f64 = 0.05;

fn tail(build: &Build, finish: Finish, length: f64) -> TailCoat {
    let form = finish.tail_on(build);
    let root = if matches!(form, TailForm::Ball | TailForm::BareV) {
        (BARE_TAIL * build.height).min(length)
    } else {
        0.35 * length
    };
    let bare = if form == TailForm::BareV {
        BARE_V * build.height
    } else {
        0.0
    };
    TailCoat {
        form,
        root,
        bare,
        length,
    }
}

/// Shortest fringe under the chest drawn as a skirt, share of the height (modelling choice).
pub(crate) const SKIRT_PIECE: f64 = 0.06;
/// Where a kept skirt's roots begin over the elbow, share of the height (modelling choice after
/// handbook 5, *Default positions*: the side line in front).
const SKIRT_ROOT: f64 = 0.06;

fn skirt(
    build: &Build,
    stand: f64,
    finish: Finish,
    at_zone: &dyn Fn(Zone) -> f64,
) -> Option<SkirtCoat> {
    let ribs = at_zone(Zone::Ribs);
    let fringe = at_zone(Zone::Underline);
    if finish.has_skirt() && fringe >= SKIRT_PIECE * build.height {
        // It ends where the planned underline ends.
        let root_height = build.elbow + SKIRT_ROOT * build.height;
        return Some(SkirtCoat {
            root_height,
            length: (SKIRT_ROOT * build.height + fringe) / hanging_share(stand),
            is_cut: true,
            covers_legs: false,
        });
    }
    if finish.is_trimmed() || stand >= FALLS || ribs < 0.12 * build.height {
        return None;
    }
    let root_height = build.elbow + 0.16 * build.height;
    Some(SkirtCoat {
        root_height,
        length: ribs,
        is_cut: false,
        covers_legs: root_height - ribs < 0.6 * build.elbow,
    })
}
