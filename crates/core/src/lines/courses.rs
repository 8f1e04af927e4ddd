use kurbo::Point;

use super::clip_line::{ClipLine, HandDistance, LeftAs};
use crate::balance::{Subject, waist_behind_mm};
use crate::coat::Zone;
use crate::look::LineName;
use crate::say::Words;
use crate::shape::{CoatEdge, Dressing, HeadEdges, Station as S, curve, head_edges, side_shape};
use crate::units::Length;

/// A step of s mm is joined over 3 s (handbook 5, modelling choice).
pub(super) const JOIN: f64 = 3.0;
/// A hand feels no less than this between the sides, mm (modelling choice: a caliper's reading).
const FELT_MM: f64 = 2.0;

/// The clip lines of a plan, nose to tail, then down the legs; distances left and right apart where
/// the sides differ.
///
/// # Units and shapes
/// Paths in mm on the side page, of the dog's left; `dressing` is the planned coat, `lengths_mm` the
/// exact lengths, one per spot of the subject.
pub fn clip_lines(
    subject: &Subject,
    lengths_mm: &[f64],
    dressing: &Dressing,
    words: &Words<'_>,
) -> Vec<ClipLine> {
    let mut lines = lines_of(subject, lengths_mm, dressing, words);
    if subject.build == subject.right {
        return lines;
    }
    let back = waist_behind_mm(&subject.lines, subject.height());
    let other = Subject {
        build: subject.right.clone(),
        shape: side_shape(&subject.right).with_waist_behind(back),
        ..subject.clone()
    };
    let right = lines_of(&other, lengths_mm, dressing, words);
    for (line, other) in lines.iter_mut().zip(&right) {
        for (hand, other) in line.hand.iter_mut().zip(&other.hand) {
            let apart = hand.distance_mm.as_mm() - other.distance_mm.as_mm();
            hand.right = (apart.abs() >= FELT_MM).then(|| other.text.clone());
        }
    }
    lines
}

fn lines_of(
    subject: &Subject,
    lengths_mm: &[f64],
    dressing: &Dressing,
    words: &Words<'_>,
) -> Vec<ClipLine> {
    let draft = Draft {
        subject,
        lengths_mm,
        dressing,
        head: head_edges(&subject.shape, &subject.build, dressing),
        edge: CoatEdge::new(&subject.shape, dressing),
        words,
    };
    [
        Some(draft.nape()),
        Some(draft.throat()),
        draft.bib(),
        Some(draft.shoulder()),
        draft.back_pass(),
        Some(draft.waist()),
        Some(draft.underline()),
        draft.skirt(),
        Some(draft.thigh()),
        draft.shelf(),
        Some(draft.rump_drop()),
        draft.hock(),
        draft.tail_base(),
    ]
    .into_iter()
    .flatten()
    .chain(draft.head_lines())
    .map(|line| ClipLine {
        elsewhere: draft.elsewhere(line.line, &line.path_mm),
        ..draft.with_shift(line)
    })
    .collect()
}

/// Lines that run level, so that their blend lies above or below them.
const fn is_level(line: LineName) -> bool {
    matches!(
        line,
        LineName::Nape | LineName::Shoulder | LineName::Thigh | LineName::Skirt | LineName::Hock
    )
}

pub(super) struct Draft<'a> {
    pub(super) subject: &'a Subject,
    pub(super) lengths_mm: &'a [f64],
    pub(super) dressing: &'a Dressing,
    /// Where the dressed head ends.
    pub(super) head: HeadEdges,
    pub(super) edge: CoatEdge,
    pub(super) words: &'a Words<'a>,
}

impl Draft<'_> {
    pub(super) fn h(&self) -> f64 {
        self.subject.height()
    }

    pub(super) fn skin(&self, station: S) -> Point {
        self.subject.shape.skin(station)
    }

    pub(super) fn nominal(&self, zone: Zone) -> f64 {
        self.subject.look.nominal_mm(zone, self.h())
    }

    pub(super) fn hand(&self, from: &str, mm: f64) -> HandDistance {
        HandDistance {
            from: from.into(),
            distance_mm: Length::worked_out_mm(mm.abs()),
            text: self.words.distance(mm),
            right: None,
        }
    }

    /// A line in its place, its other fields still to be given.
    pub(super) fn blank(&self, line: LineName) -> ClipLine {
        let lines = &self.subject.lines;
        let stop = lines.stop(line).filter(|_| lines.offers(line));
        ClipLine {
            line,
            label: line.label().into(),
            path_mm: Vec::new(),
            mark: stop.map_or_else(|| line.label().to_lowercase(), |s| s.label().into()),
            above: String::new(),
            below: String::new(),
            left: LeftAs::Hard,
            blend: String::new(),
            blend_dy_mm: 0.0,
            elsewhere: Vec::new(),
            hand: Vec::new(),
            why: String::new(),
            stop,
            is_moved: lines.is_moved(line),
        }
    }

    /// Says how far the line was moved from its place, and why.
    fn with_shift(&self, mut line: ClipLine) -> ClipLine {
        let lines = &self.subject.lines;
        let Some((more, less)) = line.line.ways() else {
            return line;
        };
        let way = |mm: f64| if mm > 0.0 { more } else { less };
        if let Some(mm) = lines.shift_solved_mm(line.line, self.h()) {
            let (by, way) = (self.words.length(mm.abs()), way(mm));
            line.why = format!(
                "{} It lies {by} {way} for the edge of the colour beside it.",
                line.why
            );
        } else {
            let mm = lines.shift_mm(line.line, self.h());
            if mm != 0.0 {
                let (by, way) = (self.words.length(mm.abs()), way(mm));
                line.why = format!("{} Moved {by} {way} by hand.", line.why);
            }
        }
        line
    }

    /// A line with its join between two zones, the upper first, and how a hand makes it.
    pub(super) fn joined(&self, one: Zone, other: Zone, line: ClipLine) -> ClipLine {
        let left = self.join(one, other);
        let blend = match left {
            LeftAs::Hard => String::new(),
            LeftAs::Blended { over_mm } => self.blend_words(one, other, over_mm.as_mm()),
        };
        let reach = match left {
            LeftAs::Blended { over_mm } if is_level(line.line) => over_mm.as_mm(),
            _ => 0.0,
        };
        let is_longer_below = self.nominal(other) > self.nominal(one);
        ClipLine {
            left,
            blend,
            blend_dy_mm: if is_longer_below { -reach } else { reach },
            ..line
        }
    }

    /// A join between two zones: hard where both are clipped alike, else blended over three steps.
    pub(super) fn join(&self, one: Zone, other: Zone) -> LeftAs {
        let step = (self.nominal(one) - self.nominal(other)).abs();
        if step < 0.5 {
            LeftAs::Hard
        } else {
            LeftAs::Blended {
                over_mm: Length::worked_out_mm((JOIN * step).round()),
            }
        }
    }

    pub(super) fn path(points: &[Point]) -> Vec<[f64; 2]> {
        curve::open(points, 6).iter().map(|p| [p.x, p.y]).collect()
    }

    /// Part of the planned edge between two stations.
    pub(super) fn along_edge(&self, stations: &[S]) -> Vec<[f64; 2]> {
        Self::path(&self.edge.all(stations))
    }
}
