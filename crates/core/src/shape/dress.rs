use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::edge::{
    Beard, Dressing, EarCoat, Hem, SkirtCoat, TailCoat, Topknot, ZONES, hanging_share,
};
use super::station::{Cover, STATIONS, Station, stretch};
use crate::coat::{CoatNow, Stands, Texture, Zone};
use crate::frame::{Build, EarKind, TailKind};

/// The shape of a finished head.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum HeadShape {
    /// A circle of three arcs: cheeks, under-beard, top.
    Round,
    /// Clean face under a topknot that runs into the crest.
    Topknot,
    /// Flat skull and cheeks, brows and a long beard.
    Terrier,
    /// Crown short, ears long.
    Spaniel,
    /// One length under the body's.
    Short,
    /// Tidied.
    Natural,
}

impl HeadShape {
    /// All of them.
    pub const ALL: [Self; 6] = [
        Self::Round,
        Self::Topknot,
        Self::Terrier,
        Self::Spaniel,
        Self::Short,
        Self::Natural,
    ];

    /// Its name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Round => "round",
            Self::Topknot => "topknot",
            Self::Terrier => "brows and beard",
            Self::Spaniel => "spaniel",
            Self::Short => "short",
            Self::Natural => "natural",
        }
    }
}

/// Whether the coat is drawn as it came in or as it leaves the table.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Finish {
    /// The head; none on a coat as it came in.
    pub head: Option<HeadShape>,
    /// A ball on a raised tail.
    pub has_tail_ball: bool,
    /// Whether hair hangs from the sides as a skirt.
    pub has_skirt: bool,
    /// How far the legs stand out at the hem over plumb, share of the height.
    pub flare: f64,
    /// Whether the fringe over the eyes is cut short, rather than its corners only.
    pub is_fringe_short: bool,
}

impl Finish {
    /// Untrimmed.
    pub const AS_IT_CAME: Self = Self {
        head: None,
        has_tail_ball: false,
        has_skirt: false,
        flare: 0.0,
        is_fringe_short: false,
    };

    /// Trimmed, with a head of this shape.
    pub const fn trimmed(head: HeadShape) -> Self {
        Self {
            head: Some(head),
            ..Self::AS_IT_CAME
        }
    }

    const fn is_trimmed(self) -> bool {
        self.head.is_some()
    }

    const fn is_round(self) -> bool {
        matches!(self.head, Some(HeadShape::Round))
    }
}

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
    let topknot = topknot(build, finish, at_zone);
    let beard = beard(build, texture, finish, at_zone(Zone::Beard));
    let has_set_beard = beard.is_some_and(|b| b.is_plumb);
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
    Dressing {
        stand,
        lengths: eased(&flat),
        zones_mm: Zone::ALL.map(at_zone),
        columns: None,
        hem: Some(hem(build, stand.all(), finish)),
        topknot,
        beard,
        brow: brow(build, finish, at_zone(Zone::Brow)),
        ear: ear(build, at_zone(Zone::Ear)),
        tail: tail(build, stand.of(Zone::Tail), finish, at_zone(Zone::Tail)),
        skirt: skirt(build, stand.of(Zone::Underline), finish, at_zone),
    }
}

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
        beard: None,
        brow: None,
        ear: EarCoat::default(),
        tail: TailCoat::default(),
        skirt: None,
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
    } else if stand >= 0.5 {
        0.0
    } else {
        0.04 * h
    };
    Hem {
        height: 0.012 * h,
        bevel: if finish.is_trimmed() {
            0.07 * h
        } else {
            0.03 * h
        },
        flare_back: flare,
        flare_front: 0.5 * flare,
        round: if finish.is_round() { 0.5 } else { 0.4 },
    }
}

/// A fringe that is cut short against one whose corners alone are cut back (modelling choice).
const SHORT_FRINGE: f64 = 0.4;

/// Shortest topknot drawn as a piece of its own, share of the height (modelling choice).
const TOPKNOT_PIECE: f64 = 0.045;

fn topknot(build: &Build, finish: Finish, at_zone: &dyn Fn(Zone) -> f64) -> Option<Topknot> {
    let t = at_zone(Zone::Topknot);
    if t < TOPKNOT_PIECE * build.height {
        return None;
    }
    // Shares of the crown read off dog-shape.md 13: as it came, lamb, teddy.
    let (visor, front, back, nape) = match finish.head {
        None => (0.66, 0.94, 0.91, 0.76),
        Some(HeadShape::Round) => (0.40, 0.87, 1.08, 0.84),
        Some(_) => (0.50, 0.88, 0.92, 0.73),
    };
    let fringe = if finish.is_fringe_short {
        SHORT_FRINGE
    } else {
        1.0
    };
    Some(Topknot {
        visor: fringe * visor * t,
        front: front * t,
        crown: t,
        back: back * t,
        nape: nape * t,
        cheek: finish.is_round().then(|| at_zone(Zone::Cheek)),
    })
}

/// Hair before the lips of a finished head, share of the head's length: the nose stands out by
/// about as much (read off dog-shape.md 5).
const CLOSE_IN_FRONT: f64 = 0.02;

/// The same under the nose, where the beard is combed forward (modelling choice).
const BEARD_IN_FRONT: f64 = 0.03;

/// Shortest beard drawn as a piece of its own, share of the height (modelling choice).
const BEARD_PIECE: f64 = 0.05;

fn beard(build: &Build, texture: Texture, finish: Finish, length: f64) -> Option<Beard> {
    let is_puff = finish.is_round() && length >= 0.03 * build.height;
    let is_terrier = finish.head == Some(HeadShape::Terrier);
    let hangs = (is_terrier || matches!(texture, Texture::Harsh | Texture::Silky))
        && length >= BEARD_PIECE * build.height;
    if !is_puff && !hangs {
        return None;
    }
    // The nose stays the longest point of the muzzle (handbook 4; dog-shape.md 9: under about .06 of
    // the head).
    let before = if finish.is_trimmed() {
        BEARD_IN_FRONT
    } else {
        0.06
    };
    let front = (0.3 * length).min(before * build.head.length);
    let (side, tilt_deg, spread) = if is_puff {
        (length, 4.0, 1.2)
    } else if is_terrier || texture == Texture::Harsh {
        (0.65 * length, 16.0, 1.0)
    } else {
        (length, -4.0, 0.6)
    };
    Some(Beard {
        side,
        chin: length,
        front,
        tilt_deg,
        spread,
        is_plumb: hangs && finish.is_trimmed(),
    })
}

/// Shortest brow drawn as a lash of its own, share of the head's length (modelling choice).
const BROW_PIECE: f64 = 0.08;

fn brow(build: &Build, finish: Finish, length: f64) -> Option<f64> {
    let is_kept = finish.head == Some(HeadShape::Terrier);
    (is_kept && length >= BROW_PIECE * build.head.length).then_some(length)
}

fn ear(build: &Build, length: f64) -> EarCoat {
    match build.ear.kind {
        EarKind::Drop => EarCoat {
            edge: 0.45 * length,
            fringe: length,
        },
        EarKind::Folded | EarKind::Prick => EarCoat {
            edge: 0.3 * length,
            fringe: 0.4 * length,
        },
    }
}

fn tail(build: &Build, stand: f64, finish: Finish, length: f64) -> TailCoat {
    let is_up = build.tail.kind == TailKind::Up;
    let has_ball = finish.has_tail_ball && is_up && stand >= 0.8;
    let ball = has_ball.then_some((0.78, length));
    let shaft = if has_ball {
        // A short shaft under the ball (dog-shape.md 13, lamb).
        0.012 * build.height
    } else {
        length
    };
    TailCoat {
        root: 0.7 * shaft,
        middle: shaft,
        tip: 0.9 * shaft,
        hang: if stand < 0.5 { 0.5 } else { 0.2 },
        is_fan: build.tail.kind == TailKind::Curl,
        ball,
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
    if finish.has_skirt && fringe >= SKIRT_PIECE * build.height {
        // It ends where the planned underline ends.
        let root_height = build.elbow + SKIRT_ROOT * build.height;
        return Some(SkirtCoat {
            root_height,
            length: (SKIRT_ROOT * build.height + fringe) / hanging_share(stand),
            is_cut: true,
            covers_legs: false,
        });
    }
    if finish.is_trimmed() || stand >= 0.5 || ribs < 0.12 * build.height {
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
