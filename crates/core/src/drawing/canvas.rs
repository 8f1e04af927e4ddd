use std::ops::Range;

use kurbo::{Point, Rect};

use super::labels::Labels;
use super::shapes::{Geometry, Role, Shape};
use super::simplify::{kept, simplified, tenth, tenths};
use crate::coat::Texture;
use crate::page::View;
use crate::shape::{Piece, PieceKind, Stroke, hair_marks};

/// Ink of the planned edge, share of the height: about 1.9 points on a dog 110 mm wide on the
/// sheet (dog-shape.md 10).
pub(super) const INK: f64 = 0.0052;
/// Far legs are thinner by this (dog-shape.md 10).
const FAR: f64 = 0.62;
/// Weight of a hair mark against the plan's edge (dog-shape-2.md 8).
const MARK: f64 = 0.34;
/// Points are dropped within this share of the height: a thirteenth of the ink's width.
const SMOOTH: f64 = 0.0004;
/// The middle of a line that runs out thin is held closer: both its edges follow it (modelling choice).
const TAPERED: f64 = 0.5;
/// Where along a thin end its middle is kept at least, shares of the end: its edges curve there
/// (modelling choice).
const KEPT_IN_A_TAPER: [f64; 3] = [0.1, 0.35, 1.0];

/// Whether a view has the sheet to itself.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Room {
    /// It does.
    Ample,
    /// It shares it: fewer words.
    Scarce,
    /// A card of a few centimetres: no words.
    Card,
}

impl Room {
    /// Points are dropped within this share of the height: four views are shown at about two
    /// fifths of the size.
    pub(super) const fn smooth(self) -> f64 {
        match self {
            Self::Ample => SMOOTH,
            Self::Scarce => 2.5 * SMOOTH,
            Self::Card => 6.0 * SMOOTH,
        }
    }
}

/// One view being painted: the only place where shapes are put down.
pub(super) struct Painter {
    pub(super) view: View,
    pub(super) shapes: Vec<Shape>,
    pub(super) labels: Labels,
    pub(super) page: Rect,
    pub(super) text_mm: f64,
    pub(super) height: f64,
    /// Points are dropped within this, mm.
    pub(super) smooth_mm: f64,
}

impl Painter {
    /// Points of the view's own plane on its page.
    pub(super) fn on_page(&self, points: &[Point]) -> Vec<Point> {
        let (sx, sy) = self.view.page_signs();
        points
            .iter()
            .map(|p| Point::new(sx * p.x, sy * p.y))
            .collect()
    }

    fn flat(&self, points: &[Point]) -> Vec<f64> {
        simplified(points, self.view.page_signs(), self.smooth_mm)
    }

    pub(super) fn push(&mut self, role: Role, geometry: Geometry) {
        self.shapes.push(Shape {
            role,
            geometry,
            tag: None,
        });
    }

    /// Coat as it is: all pieces flat, no lines; far legs one tone darker.
    pub(super) fn wash(&mut self, pieces: &[Piece]) {
        for piece in pieces.iter().filter(|p| is_coat(p.kind)) {
            let role = if piece.is_far {
                Role::NowFar
            } else {
                Role::Now
            };
            let points_mm = self.flat(&piece.outline);
            self.push(role, Geometry::Fill { points_mm });
        }
    }

    /// The dog itself: opaque fills with their ink, and the marks of its hair where it is large enough
    /// for them.
    pub(super) fn dog(&mut self, pieces: &[Piece], hair: Option<Texture>) {
        self.dog_part(pieces, 0..pieces.len(), hair);
    }

    /// The same of some of its pieces: others lie between.
    pub(super) fn dog_part(&mut self, pieces: &[Piece], part: Range<usize>, hair: Option<Texture>) {
        let body = pieces
            .iter()
            .find(|p| p.kind == PieceKind::Body && !p.is_far)
            .map_or(&[][..], |p| &p.outline);
        for (piece, seed) in pieces.iter().zip(1..).skip(part.start).take(part.len()) {
            let role = match piece.kind {
                PieceKind::Nose | PieceKind::Eye => Role::Feature,
                PieceKind::EyeLight => Role::EyeLight,
                _ if piece.is_far => Role::PlanFillFar,
                _ => Role::PlanFill,
            };
            if matches!(role, Role::Feature) {
                // No word lies on an eye or a nose.
                let page = self.on_page(&piece.outline);
                self.labels.keep(bounds(&page));
            }
            if !piece.outline.is_empty() {
                let points_mm = self.flat(&piece.outline);
                self.push(role, Geometry::Fill { points_mm });
            }
            let width = INK * self.height * if piece.is_far { FAR } else { 1.0 };
            for stroke in &piece.strokes {
                self.ink(stroke, width * stroke.weight);
            }
            if let Some(texture) = hair {
                self.marks(&hair_marks(piece, body, texture, self.height, seed));
            }
        }
    }

    /// All marks of a piece as one shape of straight strokes.
    fn marks(&mut self, marks: &[Vec<Point>]) {
        let (sx, sy) = self.view.page_signs();
        let strokes: usize = marks.iter().map(|mark| mark.len().saturating_sub(1)).sum();
        let mut ends_mm = Vec::with_capacity(4 * strokes);
        for p in marks.iter().flat_map(|mark| mark.windows(2)).flatten() {
            ends_mm.push(tenth(sx * p.x));
            ends_mm.push(tenth(sy * p.y));
        }
        if !ends_mm.is_empty() {
            let width_mm = MARK * INK * self.height;
            self.push(Role::HairMark, Geometry::Strokes { ends_mm, width_mm });
        }
    }

    /// A stroke whose ends may run out thin: a polygon where they do, a line where not. No word crosses it.
    fn ink(&mut self, stroke: &Stroke, width_mm: f64) {
        if stroke.start_mm <= 0.0 && stroke.end_mm <= 0.0 {
            let points_mm = self.flat(&stroke.points);
            let page = points_mm.chunks_exact(2).map(|p| Point::new(p[0], p[1]));
            self.labels.avoid(page);
            self.push(
                Role::PlanLine,
                Geometry::Line {
                    points_mm,
                    width_mm,
                },
            );
            return;
        }
        self.labels.avoid(self.on_page(&stroke.points).into_iter());
        let outline = tapered(stroke, width_mm, TAPERED * self.smooth_mm);
        if outline.len() > 2 {
            let page = self.on_page(&outline);
            let points_mm = tenths(&page);
            self.push(Role::PlanLine, Geometry::Fill { points_mm });
        }
    }

    /// Only the lines of the near pieces.
    pub(super) fn outline(&mut self, pieces: &[Piece], role: Role, weight: f64) {
        let width_mm = weight * INK * self.height;
        for piece in pieces
            .iter()
            .filter(|p| !p.is_far && p.kind != PieceKind::Foot)
        {
            for stroke in piece.strokes.iter().filter(|s| s.weight > 0.6) {
                let points_mm = self.flat(&stroke.points);
                self.push(
                    role,
                    Geometry::Line {
                        points_mm,
                        width_mm,
                    },
                );
            }
        }
    }
}

/// The area that points lie in.
fn bounds(points: &[Point]) -> Rect {
    let corners = points.iter().map(|p| Rect::from_points(*p, *p));
    corners.reduce(|a, b| a.union(b)).unwrap_or_default()
}

fn is_coat(kind: PieceKind) -> bool {
    !matches!(
        kind,
        PieceKind::Lines | PieceKind::Nose | PieceKind::Eye | PieceKind::EyeLight
    )
}

/// Outline of a line that runs out thin at one or both ends; its middle loses the points within `tolerance`.
fn tapered(stroke: &Stroke, width_mm: f64, tolerance: f64) -> Vec<Point> {
    let points = &stroke.points;
    let mut along = vec![0.0];
    for pair in points.windows(2) {
        along.push(along[along.len() - 1] + pair[0].distance(pair[1]));
    }
    let whole = along.last().copied().unwrap_or(0.0).max(1e-9);
    let mut keep = kept(points, tolerance);
    for at in KEPT_IN_A_TAPER {
        let from_start = at * stroke.start_mm;
        let from_end = whole - at * stroke.end_mm;
        for place in [from_start, from_end] {
            let next = along.partition_point(|so_far| *so_far < place);
            if let Some(one) = keep.get_mut(next) {
                *one = true;
            }
        }
    }
    let half = |i: usize| {
        let thin = |from_end: f64, over: f64| {
            if from_end < over {
                (from_end / over).clamp(0.0, 1.0).powf(0.8)
            } else {
                1.0
            }
        };
        let at = along[i];
        0.5 * width_mm * thin(at, stroke.start_mm) * thin(whole - at, stroke.end_mm)
    };
    let normal = |i: usize| {
        let (a, b) = (
            points[i.saturating_sub(1)],
            points[(i + 1).min(points.len() - 1)],
        );
        let d = b - a;
        kurbo::Vec2::new(-d.y, d.x) / d.hypot().max(1e-9)
    };
    let places = || (0..points.len()).filter(|i| keep[*i]);
    let left = places().map(|i| points[i] + normal(i) * half(i));
    let right = places().rev().map(|i| points[i] - normal(i) * half(i));
    left.chain(right).collect()
}
