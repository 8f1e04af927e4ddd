use kurbo::{Point, Rect};

use super::labels::Labels;
use super::shapes::{Geometry, Role, Shape};
use super::simplify::simplified;
use crate::page::View;
use crate::shape::{Piece, PieceKind, Stroke};

/// Ink of the planned edge, share of the height: about 1.9 points on a dog 110 mm wide on the
/// sheet (dog-shape.md 10).
const INK: f64 = 0.0052;
/// Far legs are thinner by this (dog-shape.md 10).
const FAR: f64 = 0.62;
/// A tapered end runs out over this share of its length (dog-shape.md 10).
const TAPER: f64 = 0.16;
/// Points are dropped within this share of the height: a third of the ink's width.
const SMOOTH: f64 = 0.0004;

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
        simplified(&self.on_page(points), self.smooth_mm)
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

    /// The dog itself: opaque fills with their ink.
    pub(super) fn dog(&mut self, pieces: &[Piece]) {
        for piece in pieces {
            let role = match piece.kind {
                PieceKind::Nose | PieceKind::Eye => Role::Feature,
                PieceKind::EyeLight => Role::EyeLight,
                _ if piece.is_far => Role::PlanFillFar,
                _ => Role::PlanFill,
            };
            if !piece.outline.is_empty() {
                let points_mm = self.flat(&piece.outline);
                self.push(role, Geometry::Fill { points_mm });
            }
            let width = INK * self.height * if piece.is_far { FAR } else { 1.0 };
            for stroke in &piece.strokes {
                self.ink(stroke, width * stroke.weight);
                let page = self.on_page(&stroke.points);
                self.labels.avoid(&page);
            }
        }
    }

    /// A stroke whose ends may run out thin: a polygon where they do, a line where not.
    fn ink(&mut self, stroke: &Stroke, width_mm: f64) {
        if !stroke.tapers_at_start && !stroke.tapers_at_end {
            let points_mm = self.flat(&stroke.points);
            self.push(
                Role::PlanLine,
                Geometry::Line {
                    points_mm,
                    width_mm,
                },
            );
            return;
        }
        let outline = tapered(stroke, width_mm);
        if outline.len() > 2 {
            let page = self.on_page(&outline);
            let points_mm = simplified(&page, 0.3 * self.smooth_mm);
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

fn is_coat(kind: PieceKind) -> bool {
    !matches!(
        kind,
        PieceKind::Lines | PieceKind::Nose | PieceKind::Eye | PieceKind::EyeLight
    )
}

/// Outline of a line that runs out thin at one or both ends.
fn tapered(stroke: &Stroke, width_mm: f64) -> Vec<Point> {
    let points = &stroke.points;
    let mut along = vec![0.0];
    for pair in points.windows(2) {
        along.push(along[along.len() - 1] + pair[0].distance(pair[1]));
    }
    let whole = along.last().copied().unwrap_or(0.0).max(1e-9);
    let half = |i: usize| {
        let t = along[i] / whole;
        let thin = |t: f64| (t / TAPER).clamp(0.0, 1.0).powf(0.8);
        let mut w = width_mm / 2.0;
        if stroke.tapers_at_start {
            w *= thin(t);
        }
        if stroke.tapers_at_end {
            w *= thin(1.0 - t);
        }
        w
    };
    let normal = |i: usize| {
        let (a, b) = (
            points[i.saturating_sub(1)],
            points[(i + 1).min(points.len() - 1)],
        );
        let d = b - a;
        kurbo::Vec2::new(-d.y, d.x) / d.hypot().max(1e-9)
    };
    let left = (0..points.len()).map(|i| points[i] + normal(i) * half(i));
    let right = (0..points.len())
        .rev()
        .map(|i| points[i] - normal(i) * half(i));
    left.chain(right).collect()
}
