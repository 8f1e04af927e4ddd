use kurbo::{Point, Vec2};

use super::noise::noise;
use super::piece::{HairAt, Piece, Stroke};
use super::polyline::{Inside, along, resampled};
use crate::coat::Texture;

const PLUMB: Vec2 = Vec2::new(0.0, -1.0);
/// Steps an edge is walked in, share of the height.
const STEP: f64 = 0.006;
/// Shortest edge that carries marks, share of the height.
const SHORTEST: f64 = 0.06;
/// Legs carry none this close to the table, share of the height.
const OVER_TABLE: f64 = 0.05;

/// Small strokes of hair just inside a piece's edges, by texture: what tells a curl from a fall
/// (dog-shape-2.md 8). The same piece gets the same marks every time.
///
/// # Units and shapes
/// mm on the piece's page; one polyline a mark. `body` is what lines without an outline lie on;
/// `seed` tells pieces apart.
pub fn hair_marks(
    piece: &Piece,
    body: &[Point],
    texture: Texture,
    height: f64,
    seed: u32,
) -> Vec<Vec<Point>> {
    if piece.is_far || piece.strokes.iter().all(|stroke| stroke.hair.is_none()) {
        return Vec::new();
    }
    let inside = Inside::of(if piece.outline.is_empty() {
        body
    } else {
        &piece.outline
    });
    let mut seed = seed;
    let mut marks = Vec::new();
    for stroke in &piece.strokes {
        seed = seed.wrapping_mul(7).wrapping_add(1);
        if let Some(at) = stroke.hair {
            let edge = Edge {
                at,
                texture,
                height,
                seed,
            };
            marks.extend(edge.marks(stroke, &inside));
        }
    }
    marks.retain(|mark| mark.iter().all(|p| inside.has(*p)));
    marks
}

struct Edge {
    at: HairAt,
    texture: Texture,
    height: f64,
    seed: u32,
}

impl Edge {
    /// Distance from mark to mark, share of the height.
    const fn pace(&self) -> f64 {
        match self.texture {
            Texture::Curl => 0.042,
            Texture::Fleece => 0.060,
            Texture::Harsh => 0.040,
            Texture::Silky => 0.034,
            Texture::Feathered => 0.046,
        }
    }

    fn marks(&self, stroke: &Stroke, inside: &Inside) -> Vec<Vec<Point>> {
        let h = self.height;
        let line = resampled(&stroke.points, STEP * h);
        let lengths = along(&line);
        let whole = lengths.last().copied().unwrap_or(0.0);
        if whole < SHORTEST * h || line.len() < 7 {
            return Vec::new();
        }
        let inwards = inwards(&line, inside, 0.015 * h);
        let mut marks = Vec::new();
        let mut x = 0.5 * self.pace() * h;
        let mut i = 0;
        while x < whole - 0.02 * h {
            i += 1;
            let k = lengths.partition_point(|l| *l < x).clamp(1, line.len() - 1);
            let along = line[k] - line[k - 1];
            let along = along / along.hypot().max(1e-9);
            let inn = Vec2::new(-along.y, along.x) * inwards;
            let (r, r2) = (noise(&[self.seed, i, 5]), noise(&[self.seed, i, 6]));
            x += self.pace() * h * (0.65 + 0.8 * r);
            if self.at == HairAt::Leg && line[k].y < OVER_TABLE * h {
                continue;
            }
            marks.push(self.mark(line[k], (along, inn), i, (r, r2)));
        }
        marks
    }

    fn mark(
        &self,
        p: Point,
        (along, inn): (Vec2, Vec2),
        i: u32,
        (r, r2): (f64, f64),
    ) -> Vec<Point> {
        let h = self.height;
        // Two rows, one behind the other.
        let row = f64::from(i % 2);
        let unit = |v: Vec2| v / v.hypot().max(1e-9);
        match self.texture {
            Texture::Curl => {
                let centre = p + inn * h * (0.016 + 0.030 * row + 0.010 * r2);
                let radius = h * 0.0085 * (0.8 + 0.5 * r);
                (0..8)
                    .map(|k| {
                        let deg = 215.0 * f64::from(k) / 7.0 + 360.0 * r2;
                        centre + radius * Vec2::from_angle(deg.to_radians())
                    })
                    .collect()
            }
            Texture::Fleece => {
                let centre = p + inn * h * (0.014 + 0.030 * row + 0.008 * r2);
                let fall = if along.y.abs() < 0.8 {
                    unit(along * -0.8 + PLUMB * 0.5)
                } else {
                    PLUMB
                };
                let across = Vec2::new(-fall.y, fall.x);
                let half = 0.020 * h * (0.8 + 0.5 * r);
                (-4..=4)
                    .map(|k| {
                        let u = f64::from(k) / 4.0;
                        let wave = (u * std::f64::consts::PI).sin() * 0.0055 * h;
                        centre + fall * (u * half) + across * wave
                    })
                    .collect()
            }
            Texture::Harsh => {
                let from = p + inn * h * (0.012 + 0.030 * r2);
                let way = if self.at == HairAt::Beard {
                    unit(Vec2::new(0.7, -0.7))
                } else {
                    unit(Vec2::new(
                        -0.80 + 0.25 * (r - 0.5),
                        -0.55 + 0.25 * (r2 - 0.5),
                    ))
                };
                vec![from, from + way * h * (0.016 + 0.012 * r)]
            }
            Texture::Silky => {
                let length = 0.085 * h * (0.5 + 0.9 * r);
                let from = p - PLUMB * length + inn * (0.008 * h);
                let way = PLUMB + Vec2::new(0.10 * (r2 - 0.5), 0.0);
                strand(from, way, length, 0.004 * h * (r - 0.5), 0.92)
            }
            Texture::Feathered => {
                let length = 0.050 * h * (0.6 + 0.8 * r);
                let (from, way) = match self.at {
                    HairAt::Hanging | HairAt::Leg => (
                        p - PLUMB * (1.1 * length) + inn * (0.01 * h),
                        unit(PLUMB + Vec2::new(-0.15, 0.0)),
                    ),
                    HairAt::Body | HairAt::Beard => (
                        p + inn * h * (0.014 + 0.035 * r2),
                        unit(Vec2::new(-1.0, -0.22)),
                    ),
                };
                strand(from, way, length, 0.004 * h, 1.0)
            }
        }
    }
}

/// A strand a little bent.
fn strand(from: Point, way: Vec2, length: f64, bend: f64, share: f64) -> Vec<Point> {
    let across = Vec2::new(-way.y, way.x);
    vec![
        from,
        from + way * (0.5 * length) + across * bend,
        from + way * (share * length),
    ]
}

/// On which side of a line its piece lies: 1 to the left of travel, −1 to the right.
fn inwards(line: &[Point], inside: &Inside, off: f64) -> f64 {
    let n = line.len();
    let left = [n / 4, n / 2, 3 * n / 4]
        .into_iter()
        .filter(|j| {
            let along = line[(j + 1).min(n - 1)] - line[j.saturating_sub(1)];
            let normal = Vec2::new(-along.y, along.x) / along.hypot().max(1e-9);
            inside.has(line[*j] + normal * off)
        })
        .count();
    if left >= 2 { 1.0 } else { -1.0 }
}

#[cfg(test)]
mod tests {
    use super::super::piece::PieceKind;
    use super::*;

    fn piece(is_far: bool) -> Piece {
        let ring: Vec<Point> = (0..72)
            .map(|i| Point::ORIGIN + 100.0 * Vec2::from_angle(f64::from(i).to_radians() * 5.0))
            .collect();
        let stroke = Stroke::plain(ring.clone(), 1.0).with_hair(Some(HairAt::Body));
        Piece {
            is_far,
            ..Piece::near(PieceKind::Body, ring, vec![stroke])
        }
    }

    #[test]
    fn every_mark_lies_inside_its_piece_and_comes_again() {
        for texture in Texture::ALL {
            let once = hair_marks(&piece(false), &[], texture, 460.0, 3);
            assert!(once.len() > 8, "{texture:?}: {}", once.len());
            assert!(once.iter().flatten().all(|p| p.to_vec2().hypot() < 100.0));
            assert_eq!(once, hair_marks(&piece(false), &[], texture, 460.0, 3));
            assert_ne!(once, hair_marks(&piece(false), &[], texture, 460.0, 4));
        }
        assert!(hair_marks(&piece(true), &[], Texture::Curl, 460.0, 3).is_empty());
    }
}
