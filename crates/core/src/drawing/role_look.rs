//! What each role looks like: one table for the screen's style sheet, SVG, PDF and PNG.

use super::shapes::Role;

/// A paint of the theme; each reader has its own colour for it.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Paint {
    /// Nothing.
    None,
    /// Nothing to see that answers a touch all the same.
    Clear,
    /// Firm lines and figures.
    Ink,
    /// Words and lines that stand behind.
    Soft,
    /// What the stylist draws on the dog.
    Chalk,
    /// What is off, or found.
    Pin,
    /// Figures on a pin.
    OnPin,
    /// The measuring tape.
    Tape,
    /// The dog itself.
    Dog,
    /// Its far legs.
    DogFar,
    /// The coat that comes in.
    Wash,
    /// The same of far legs.
    WashFar,
    /// The sheet the dog stands on.
    Sheet,
}

/// How a role is painted.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct RoleLook {
    /// Inside of areas and discs, letters of words.
    pub fill: Paint,
    /// Edge of areas and discs.
    pub edge: Paint,
    /// Lines and strokes.
    pub line: Paint,
    /// How much the fill covers, 0 to 1.
    pub fill_covers: f64,
    /// How much lines cover, 0 to 1.
    pub line_covers: f64,
    /// Dash and gap of lines and of a disc's edge, share of the page's shorter side.
    pub dash: Option<(f64, f64)>,
    /// Words in the face with figures of one width.
    pub is_figure: bool,
    /// Words in bold.
    pub is_bold: bool,
}

const NOTHING: RoleLook = RoleLook {
    fill: Paint::None,
    edge: Paint::None,
    line: Paint::None,
    fill_covers: 1.0,
    line_covers: 1.0,
    dash: None,
    is_figure: false,
    is_bold: false,
};

const fn filled(fill: Paint) -> RoleLook {
    RoleLook { fill, ..NOTHING }
}

const fn lined(line: Paint) -> RoleLook {
    RoleLook { line, ..NOTHING }
}

const fn dashed(line: Paint, on: f64, off: f64) -> RoleLook {
    RoleLook {
        dash: Some((on, off)),
        ..lined(line)
    }
}

const fn ringed(fill: Paint, edge: Paint) -> RoleLook {
    RoleLook {
        fill,
        edge,
        line: edge,
        ..NOTHING
    }
}

const fn figure(fill: Paint) -> RoleLook {
    RoleLook {
        is_figure: true,
        ..filled(fill)
    }
}

const fn bold_figure(fill: Paint) -> RoleLook {
    RoleLook {
        is_bold: true,
        ..figure(fill)
    }
}

/// How much of the wash lies on a ring: the dog shows through (modelling choice).
const OVER_THE_DOG: f64 = 0.55;
/// How much of a doubt's disc and of a patch's tone shows (modelling choice).
const QUIET: f64 = 0.16;
/// Thin lines that stand behind everything (modelling choice).
const HALF: f64 = 0.5;

impl Role {
    /// How it is painted. Roles are never told apart by colour alone.
    pub const fn look(self) -> RoleLook {
        use Paint::{Chalk, Clear, Dog, DogFar, Ink, OnPin, Pin, Sheet, Soft, Tape, Wash, WashFar};
        match self {
            Self::Rule => lined(Ink),
            Self::RuleNumber | Self::EstimatedNumber => figure(Soft),
            Self::Cross => RoleLook {
                line_covers: OVER_THE_DOG,
                ..lined(Soft)
            },
            Self::Leader => lined(Soft),
            Self::Now => filled(Wash),
            Self::NowFar => filled(WashFar),
            Self::PlanFill | Self::EyeLight => filled(Dog),
            Self::PlanFillFar => filled(DogFar),
            Self::PlanLine => RoleLook {
                line: Ink,
                ..filled(Ink)
            },
            Self::SettledLine => dashed(Ink, 0.012, 0.009),
            Self::IdealLine | Self::Knots | Self::Hole => lined(Ink),
            Self::HairMark => RoleLook {
                line_covers: HALF,
                ..lined(Ink)
            },
            Self::Skin => dashed(Soft, 0.0015, 0.009),
            Self::Feature => filled(Ink),
            Self::Dimension => ringed(Tape, Ink),
            Self::DimensionNumber | Self::ZoneNumber | Self::RingWord => bold_figure(Ink),
            Self::ClipLine => dashed(Chalk, 0.022, 0.008),
            Self::ClipWords | Self::NoteWords => filled(Chalk),
            Self::ZoneArea => filled(Clear),
            Self::ZoneTool | Self::LandmarkName | Self::ViewName => filled(Soft),
            Self::Landmark => ringed(Dog, Ink),
            Self::Pin | Self::Found => filled(Pin),
            Self::PinNumber | Self::FoundNumber => bold_figure(OnPin),
            Self::Patch => RoleLook {
                fill_covers: QUIET,
                ..filled(Ink)
            },
            Self::Doubt => RoleLook {
                fill_covers: QUIET,
                ..filled(Chalk)
            },
            Self::Fault => RoleLook {
                line: Pin,
                is_bold: true,
                ..filled(Pin)
            },
            Self::EarlierLine => dashed(Chalk, 0.006, 0.006),
            Self::FoundEarlier => ringed(Paint::None, Soft),
            Self::SoreSkin => lined(Pin),
            Self::Work | Self::PointMark | Self::NoteTie => lined(Chalk),
            Self::StrokeMark => RoleLook {
                edge: Dog,
                line: Chalk,
                ..filled(Chalk)
            },
            Self::Ring => RoleLook {
                fill_covers: OVER_THE_DOG,
                dash: Some((0.012, 0.012)),
                ..ringed(Sheet, Chalk)
            },
            Self::RingSeen => RoleLook {
                fill_covers: OVER_THE_DOG,
                ..ringed(Sheet, Chalk)
            },
        }
    }
}
