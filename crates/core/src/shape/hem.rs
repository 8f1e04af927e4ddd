use kurbo::{Point, Vec2};

use super::curve::{SAMPLES, open, rounded};
use super::edge::Hem;
use super::finish::HemShape;
use super::piece::Stroke;

/// What a column ends over: its foot, mm on the page of the view.
#[derive(Clone, Copy, Debug)]
pub(super) struct OverFoot {
    /// x of the foot's skin on both sides.
    pub foot: (f64, f64),
    /// x of the pastern's skin on both sides, where a clean hem closes round it.
    pub pastern: (f64, f64),
    /// Height of the arch of the toes over the table.
    pub arch: f64,
    /// Hair of the foot, as far as it shows.
    pub hair: f64,
    /// Height of the table here: what stands behind stands a little higher on the page.
    pub ground: f64,
}

/// A leg whose lower end does not follow the skin but ends in a hem over its foot (dog-shape-2.md
/// 2).
pub(super) struct Column {
    /// Edge points down the side of smaller x.
    pub down: Vec<Point>,
    /// Edge points up the side of larger x.
    pub up: Vec<Point>,
    /// What it ends over.
    pub over: OverFoot,
    /// How it ends.
    pub hem: Hem,
    /// Height from which a flare begins.
    pub joint_y: f64,
    /// Height of the dog.
    pub height: f64,
}

/// A column's outline and its ink.
pub(super) struct Ended {
    /// Open at the top: closed by the piece.
    pub outline: Vec<Point>,
    /// From one station of `down` to one of `up`.
    pub ink: Vec<Point>,
    /// The turned edge of a bevel, a thin line.
    pub turned: Option<Stroke>,
}

/// The end of a column: what its two sides lead to, and the hem between.
struct End {
    back: Vec<Point>,
    hem: Vec<Point>,
    front: Vec<Point>,
    turned: Option<Stroke>,
}

/// A point of the edge below the joint counts only if it stands so far above the one below it, share
/// of the height: no barb is drawn (dog-shape-2.md 2).
const RISES: f64 = 0.01;
/// A bevel rises at most this share of the way to the last edge point.
const BEVEL_CAP: f64 = 0.62;
const CLEAN_CAP: f64 = 0.70;
/// Slope of a clean hem; a bevel's is 45° (handbook 4, common practice).
const CLEAN_SLOPE: f64 = 0.85;
/// Where a clean hem lies, as a multiple of the arch of the toes.
const CLEAN_AT: f64 = 1.22;
/// How round a hem's corners are.
const CLEAN_ROUND: f64 = 0.30;
const BEVEL_ROUND: f64 = 0.34;
/// Height of a round foot, share of the height, and against the last edge point.
const DOME: f64 = 0.085;
const DOME_CAP: f64 = 0.55;
/// Half widths of a dome's quarter ellipses behind and in front, share of its width.
const DOME_BACK: f64 = 0.34;
const DOME_FRONT: f64 = 0.40;
const QUARTER: u32 = 8;

impl Column {
    /// The outline, and its ink from one station of `down` to one of `up`.
    pub(super) fn ended(mut self, from: usize, to: usize) -> Option<Ended> {
        self.flare();
        let beyond = self.up.len().checked_sub(to + 1)?;
        let down = rising(self.down.iter().rev(), self.joint_y, RISES * self.height);
        self.down = down.into_iter().rev().collect();
        self.up = rising(self.up.iter(), self.joint_y, RISES * self.height);
        let end = match self.hem.shape {
            HemShape::Clean => self.clean(),
            HemShape::Dome | HemShape::Bare => self.dome(),
            HemShape::Bevel => self.bevelled(0.030, 0.030, 0.004),
            HemShape::Nail => self.bevelled(0.012, 0.012, 0.004),
            HemShape::Bell => self.bevelled(0.040, 0.030, 0.004),
        }?;
        let outline = [end.back.as_slice(), &end.hem, &end.front].concat();
        let back = &end.back[(from * SAMPLES).min(end.back.len())..];
        let front = &end.front[..end.front.len().saturating_sub(beyond * SAMPLES)];
        Some(Ended {
            ink: [back, &end.hem, front].concat(),
            outline,
            turned: end.turned,
        })
    }

    /// Moves both sides apart below the joint, more towards the hem.
    fn flare(&mut self) {
        let (joint, ground) = (self.joint_y, self.over.ground);
        let share = |y: f64| {
            ((joint - y) / (joint - ground).max(1e-6))
                .clamp(0.0, 1.0)
                .powi(2)
        };
        for p in &mut self.down {
            p.x -= self.hem.flare_back * share(p.y);
        }
        for p in &mut self.up {
            p.x += self.hem.flare_front * share(p.y);
        }
    }

    fn lowest(&self) -> Option<(Point, Point)> {
        Some((*self.down.last()?, *self.up.first()?))
    }

    /// A round foot that hides the toes.
    fn dome(&self) -> Option<End> {
        let (back, front) = self.lowest()?;
        let (h, over) = (self.height, self.over);
        let hair = over.hair.max(0.006 * h);
        let left = back.x.min(over.foot.0 - hair);
        let right = front.x.max(over.foot.1 + hair);
        let width = right - left;
        let ground = over.ground + 0.002 * h;
        let top = over.ground + (DOME * h).min(DOME_CAP * (back.y.min(front.y) - over.ground));
        let quarter = |i: u32| {
            let a = std::f64::consts::FRAC_PI_2 * f64::from(i) / f64::from(QUARTER);
            (1.0 - a.cos(), top - (top - ground) * a.sin())
        };
        let behind = (0..=QUARTER).map(|i| {
            let (x, y) = quarter(i);
            Point::new(left + DOME_BACK * width * x, y)
        });
        let before = (0..=QUARTER).rev().map(|i| {
            let (x, y) = quarter(i);
            Point::new(right - DOME_FRONT * width * x, y)
        });
        let hem: Vec<Point> = behind.chain(before).collect();
        // Where the dome stands out, the edge is led to it.
        let lead = |from: Point, x: f64| {
            ((x - from.x).abs() > 0.015 * h)
                .then(|| Point::new(from.x + 0.35 * (x - from.x), from.y + 0.55 * (top - from.y)))
        };
        let mut down = self.down.clone();
        down.extend(lead(back, left));
        down.push(hem[0]);
        let mut up = vec![hem[hem.len() - 1]];
        up.extend(lead(front, right));
        up.extend(&self.up);
        let (mut down, up) = (open(&down, SAMPLES), open(&up, SAMPLES));
        down.pop();
        Some(End {
            back: down,
            hem,
            front: up[1..].to_vec(),
            turned: None,
        })
    }

    /// A hem bevelled in to a ring on the pastern, over a bare foot.
    fn clean(&self) -> Option<End> {
        let (back, front) = self.lowest()?;
        let (h, over) = (self.height, self.over);
        let y = over.ground + CLEAN_AT * over.arch;
        let ring = (over.pastern.0 - 0.004 * h, over.pastern.1 + 0.006 * h);
        let rise =
            |out: f64, last: f64| (out.max(0.0) * CLEAN_SLOPE).min(CLEAN_CAP * (last - y).max(0.0));
        let (rise_back, rise_front) = (
            rise(ring.0 - back.x, back.y),
            rise(front.x - ring.1, front.y),
        );
        // Where a long leg's bevel would rise too far, the edge comes in.
        let most = |rise: f64| 1.15 * rise / CLEAN_SLOPE;
        let left = if back.x < ring.0 {
            back.x.max(ring.0 - most(rise_back))
        } else {
            back.x
        };
        let right = if front.x > ring.1 {
            front.x.min(ring.1 + most(rise_front))
        } else {
            front.x
        };
        Some(self.turned_in(
            (
                Point::new(left, y + rise_back),
                Point::new(right, y + rise_front),
            ),
            (Point::new(ring.0, y), Point::new(ring.1, y)),
            0.010 * h,
            CLEAN_ROUND,
        ))
    }

    /// 45° up from a ring round the foot; how far the hem stands out over it behind and in front.
    fn bevelled(&self, lip: f64, inset: f64, sag: f64) -> Option<End> {
        let (back, front) = self.lowest()?;
        let (h, over) = (self.height, self.over);
        let y = over.ground + 0.006 * h;
        let left = back.x.min(over.foot.0 - lip * h);
        let right = front.x.max(over.foot.1 + 0.55 * lip * h);
        let ring = (
            (over.foot.0 - 0.004 * h).min(left + self.hem.bevel),
            (over.foot.1 - inset * h).max(right - self.hem.bevel),
        );
        let rise = |out: f64, last: f64| out.max(0.0).min(BEVEL_CAP * (last - y).max(0.0));
        let corners = (
            Point::new(left, y + rise(ring.0 - left, back.y)),
            Point::new(right, y + rise(right - ring.1, front.y)),
        );
        let ring = (Point::new(ring.0, y), Point::new(ring.1, y));
        let mut end = self.turned_in(corners, ring, sag * h, BEVEL_ROUND);
        if self.hem.shape != HemShape::Nail {
            let middle = corners.0.midpoint(corners.1) - Vec2::new(0.0, 0.016 * h);
            let line = open(
                &[
                    corners.0 + Vec2::new(0.012, 0.004) * h,
                    middle,
                    corners.1 + Vec2::new(-0.012, 0.004) * h,
                ],
                8,
            );
            let out = 0.25 * (right - left);
            end.turned = Some(Stroke::running_out(line, 0.45, out, out));
        }
        Some(end)
    }

    /// From the outer corners in to the ring, corners rounded.
    fn turned_in(
        &self,
        corners: (Point, Point),
        ring: (Point, Point),
        sag: f64,
        round: f64,
    ) -> End {
        let mut down = self.down.clone();
        down.push(corners.0);
        let mut up = vec![corners.1];
        up.extend(&self.up);
        let (down, up) = (open(&down, SAMPLES), open(&up, SAMPLES));
        let middle = ring.0.midpoint(ring.1) - Vec2::new(0.0, sag);
        let last = down.len() - 4;
        let mut hem = rounded(&[down[last], corners.0, ring.0, middle], round);
        let rising = rounded(&[middle, ring.1, corners.1, up[3]], round);
        hem.extend(&rising[1..]);
        End {
            back: down[..last].to_vec(),
            hem,
            front: up[4..].to_vec(),
            turned: None,
        }
    }
}

/// Edge points from the lowest up, those left out that do not rise over the one below them.
fn rising<'a>(points: impl Iterator<Item = &'a Point>, joint_y: f64, least: f64) -> Vec<Point> {
    let mut kept: Vec<Point> = Vec::new();
    for point in points {
        let is_over = kept.last().is_none_or(|last| point.y > last.y + least);
        if is_over || point.y > joint_y - 2.0 * least {
            kept.push(*point);
        }
    }
    kept
}

#[cfg(test)]
mod tests {
    use super::*;

    fn column(shape: HemShape) -> Column {
        let points = |x: f64, ys: [f64; 4]| ys.map(|y| Point::new(x, y)).to_vec();
        Column {
            down: points(-30.0, [200.0, 150.0, 100.0, 80.0]),
            up: points(30.0, [80.0, 100.0, 150.0, 200.0]),
            over: OverFoot {
                foot: (-18.0, 34.0),
                pastern: (-14.0, 14.0),
                arch: 36.0,
                hair: 5.0,
                ground: 0.0,
            },
            hem: Hem {
                shape,
                bevel: 20.0,
                flare_back: 0.0,
                flare_front: 0.0,
            },
            joint_y: 200.0,
            height: 460.0,
        }
    }

    fn low_and_wide(shape: HemShape) -> (f64, f64) {
        let ended = column(shape).ended(0, 3).expect("has points");
        let low = ended.outline.iter().map(|p| p.y).fold(f64::MAX, f64::min);
        let right = ended.outline.iter().map(|p| p.x).fold(f64::MIN, f64::max);
        (low, right)
    }

    /// Handbook 5, *Feet*: a clean foot stands free under its hem, every other is covered to the table.
    #[test]
    fn only_a_clean_hem_leaves_the_foot_free() {
        let (low, right) = low_and_wide(HemShape::Clean);
        assert!(low > 36.0, "{low}");
        assert!(right < 34.0, "{right}");
        for shape in [
            HemShape::Dome,
            HemShape::Bevel,
            HemShape::Nail,
            HemShape::Bell,
        ] {
            let (low, right) = low_and_wide(shape);
            assert!(
                low < 0.01 * 460.0 && right > 34.0,
                "{shape:?} {low} {right}"
            );
        }
    }

    #[test]
    fn a_bell_stands_out_further_than_a_nail() {
        assert!(low_and_wide(HemShape::Bell).1 > low_and_wide(HemShape::Nail).1);
    }

    /// Handbook 4: a bevel stands at 45°.
    #[test]
    fn a_bevel_is_as_high_as_it_is_wide() {
        let end = column(HemShape::Bevel)
            .bevelled(0.03, 0.03, 0.004)
            .expect("has points");
        let turned = end.turned.expect("a bevel shows its edge");
        let corner = turned.points[0] - Vec2::new(0.012, 0.004) * 460.0;
        let ring_x = corner.x + (corner.y - 0.006 * 460.0);
        assert!(
            (ring_x - (-18.0 - 0.004 * 460.0)).abs() < 1e-6 || ring_x - corner.x <= 20.0 + 1e-6
        );
    }
}
