use kurbo::{Point, Vec2};

use super::curve::{closed, open};
use super::edge::{Dressing, TailCoat, combed_share};
use super::finish::TailForm;
use super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::polyline::Locks;
use crate::coat::Zone;
use crate::frame::{Build, TailKind, TailShape};

/// Steps of the centre line (dog-shape.md 5).
const STEPS: usize = 12;
/// Samples a span of the outline.
const FINE: usize = 8;
/// Share of the hollow's radius that hair inside a bend may show (dog-shape.md 9).
const HOLLOW: f64 = 0.8;

fn carriage_deg(kind: TailKind) -> (f64, f64) {
    match kind {
        TailKind::Up => (68.0, 95.0),
        TailKind::Curl => (62.0, 235.0),
        TailKind::Sabre => (35.0, 62.0),
        TailKind::Level => (5.0, 22.0),
        TailKind::Low => (-14.0, -86.0),
        TailKind::Stub => (58.0, 62.0),
    }
}

/// The tail's centre line from its root, with directions and half widths.
pub(super) struct TailLine {
    pub centre: Vec<Point>,
    directions: Vec<Vec2>,
    pub half_widths: Vec<f64>,
    turn_rad: f64,
}

impl TailLine {
    fn length(&self) -> f64 {
        self.centre.windows(2).map(|w| w[0].distance(w[1])).sum()
    }
}

fn tail_line(tail: &TailShape, tail_set: Point, height: f64) -> TailLine {
    let (a0, a1) = carriage_deg(tail.kind);
    let limit = (tail.length / (0.75 * tail.thickness)).to_degrees();
    let a1 = a0 + (a1 - a0).clamp(-limit, limit);
    let angle = |i: f64| (a0 + (a1 - a0) * i / STEPS as f64).to_radians();
    let ahead = |a: f64| Vec2::new(-a.cos(), a.sin());
    let step = tail.length / STEPS as f64;
    let mut centre = vec![tail_set + Vec2::new(0.03, -0.028) * height];
    for i in 0..STEPS {
        let last = centre[i];
        centre.push(last + step * ahead(angle(i as f64 + 0.5)));
    }
    let share = |i: usize| i as f64 / STEPS as f64;
    TailLine {
        centre,
        directions: (0..=STEPS).map(|i| ahead(angle(i as f64))).collect(),
        half_widths: (0..=STEPS)
            .map(|i| 0.5 * tail.thickness * (1.28 - 0.93 * share(i).powf(0.8)))
            .collect(),
        turn_rad: (a1 - a0).to_radians(),
    }
}

/// The felt end of the bone.
pub(super) fn tail_end(build: &Build, tail_set: Point) -> Point {
    let centre = tail_line(&build.tail, tail_set, build.height).centre;
    centre.last().copied().unwrap_or(tail_set)
}

/// What is seen of a finished tail from the side, as it is carried: its bone at even steps from root to
/// tip, and the hair's edges beside it.
#[derive(Clone, Debug)]
pub struct TailEdges {
    /// The bone's middle, mm on the side view's plane.
    pub bone: Vec<Point>,
    /// Half the bone's width there, mm.
    pub half_widths: Vec<f64>,
    /// The edges that a hand shapes, over and under, at the bone's places; none inside a bend.
    pub sides: Vec<Vec<Point>>,
    /// End of the hair.
    pub tip: Point,
}

/// The edges of a dressed dog's tail.
///
/// # Units and shapes
/// mm on the side view's plane.
pub fn tail_edges(build: &Build, dressing: &Dressing, tail_set: Point) -> TailEdges {
    Tail::of(build, dressing, tail_set).edges()
}

/// Longest hair of a form over and under the bone, as shares of its length at even steps from root to
/// tip, and at the tip itself (dog-shape-2.md 6).
struct Profile {
    over: &'static [f64],
    under: &'static [f64],
    tip: f64,
}

const fn profile(form: TailForm, is_up: bool) -> Profile {
    match form {
        TailForm::Thin => Profile {
            over: &[1.0, 1.0],
            under: &[1.0, 1.0],
            tip: 1.0,
        },
        TailForm::Carrot => Profile {
            over: &[0.4, 0.8, 0.6],
            under: &[1.5, 1.5, 0.7],
            tip: 0.5,
        },
        TailForm::Even => Profile {
            over: &[0.35, 0.9, 1.0, 1.0],
            under: &[0.35, 0.9, 1.0, 1.0],
            tip: 1.0,
        },
        TailForm::Stubby => Profile {
            over: &[0.2, 0.5, 0.6],
            under: &[0.4, 1.0, 0.8],
            tip: 0.6,
        },
        TailForm::Rounded => Profile {
            over: &[0.3, 0.8, 1.0, 0.8],
            under: &[0.3, 0.8, 1.0, 0.8],
            tip: 0.8,
        },
        TailForm::U => Profile {
            over: &[0.4, 1.0, 1.0, 1.0, 1.0],
            under: &[0.4, 1.0, 1.0, 1.0, 1.0],
            tip: 1.0,
        },
        _ if form.is_plume() && is_up => Profile {
            over: &[0.06, 0.42, 0.72, 0.78, 0.55],
            under: &[0.06, 0.50, 0.92, 0.95, 0.60],
            tip: 0.62,
        },
        TailForm::Plume | TailForm::BareV | TailForm::Untouched => Profile {
            over: &[0.10, 0.45, 0.80, 0.75],
            under: &[0.10, 0.50, 1.0, 0.90],
            tip: 0.8,
        },
        TailForm::Ball | TailForm::Flag => Profile {
            over: &[0.0, 0.0],
            under: &[0.0, 0.0],
            tip: 0.10,
        },
    }
}

/// A value between even steps, `t` from 0 to 1.
fn between(steps: &[f64], t: f64) -> f64 {
    let place = t * (steps.len() - 1) as f64;
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a share of a handful of steps"
    )]
    let i = (place.floor() as usize).min(steps.len() - 2);
    let t = place - i as f64;
    steps[i] + (steps[i + 1] - steps[i]) * t
}

/// Where a ball's middle stands along a docked tail, and how much of its hair shows round the bone
/// (dog-shape-2.md 6).
const BALL_AT: f64 = 0.62;
const BALL_SHOWS: f64 = 0.62;
/// A tail bent by more lies in a curve, radians; by as much a plume is a fan.
const BENT: f64 = 0.5;
const FAN: f64 = 1.6;
/// Hair shown on a shaft whose length is elsewhere, share of the height.
const SHAFT: f64 = 0.012;

/// The tail of a build with its hair.
pub(super) struct Tail<'a> {
    pub line: TailLine,
    coat: &'a TailCoat,
    kind: TailKind,
    height: f64,
    /// How far its longest hair stands or hangs off the bone, mm.
    seen: f64,
    hangs_in_locks: bool,
}

impl<'a> Tail<'a> {
    pub(super) fn of(build: &Build, dressing: &'a Dressing, tail_set: Point) -> Self {
        let coat = &dressing.tail;
        let stand = dressing.stand.of(Zone::Tail);
        let seen = match coat.form {
            form if form.is_plume() || form == TailForm::Flag => coat.length * combed_share(stand),
            _ => dressing.shaped_mm(Zone::Tail, coat.length),
        };
        Self {
            line: tail_line(&build.tail, tail_set, build.height),
            coat,
            kind: build.tail.kind,
            height: build.height,
            seen,
            hangs_in_locks: dressing.texture.hangs_in_locks(),
        }
    }

    const fn is_up(&self) -> bool {
        matches!(self.kind, TailKind::Up | TailKind::Stub)
    }

    /// How much of the way to the tip is bare.
    fn bare(&self) -> f64 {
        (self.coat.bare / self.line.length().max(1e-6)).min(0.9)
    }

    /// Hair off the bone on its upper or under side, mm, `t` of the way to the tip.
    fn off_bone(&self, t: f64, is_over: bool) -> f64 {
        let profile = profile(self.coat.form, self.is_up());
        let shares = if is_over { profile.over } else { profile.under };
        let bare = self.bare();
        if t < bare {
            return self.coat.root.min(self.seen);
        }
        let t = (t - bare) / (1.0 - bare);
        let least = (SHAFT * self.height)
            .min(self.seen)
            .max(self.coat.root.min(self.seen) * (1.0 - t));
        (between(shares, t) * self.seen).max(least)
    }

    /// The mean of both sides: what a view from behind or above shows.
    pub(super) fn half_width(&self, i: usize) -> f64 {
        let t = i as f64 / STEPS as f64;
        self.line.half_widths[i] + f64::midpoint(self.off_bone(t, true), self.off_bone(t, false))
    }

    /// The ball of a docked tail: its middle and radius.
    pub(super) fn ball(&self) -> Option<(Point, f64)> {
        if self.coat.form != TailForm::Ball || self.coat.length <= 0.0 {
            return None;
        }
        let position = BALL_AT * STEPS as f64;
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a share of the tail's own few steps"
        )]
        let i = position.floor() as usize;
        let centre = self.line.centre[i].lerp(self.line.centre[i + 1], position - i as f64);
        Some((centre, self.line.half_widths[i] + BALL_SHOWS * self.seen))
    }

    /// Whether a side lies inside a bend, where no hand shapes it.
    fn is_inside(&self, is_over: bool) -> bool {
        let sign = if is_over { 1.0 } else { -1.0 };
        self.line.turn_rad.abs() > BENT && sign * self.line.turn_rad > 0.0
    }

    /// Laid over the back and shaken, what falls behind the dog is cut (handbook 5, *Tail*): the hair
    /// at a place of the bone ends at the plumb line from the pin bone, where x is nothing.
    fn before_the_rear(&self, i: usize, edge: Point) -> Point {
        let is_cut = self.kind == TailKind::Curl && self.coat.form != TailForm::Untouched;
        if !is_cut {
            return edge;
        }
        let bone = self.line.centre[i].x - self.line.half_widths[i];
        Point::new(edge.x.max(bone.min(0.0)), edge.y)
    }

    fn edge(&self, is_over: bool) -> Vec<Point> {
        let turn = self.line.turn_rad;
        let sign = if is_over { 1.0 } else { -1.0 };
        let is_inside = self.is_inside(is_over);
        let radius = self.line.length() / turn.abs().max(1e-6);
        (0..=STEPS)
            .map(|i| {
                let half = self.line.half_widths[i];
                let mut off = self.off_bone(i as f64 / STEPS as f64, is_over);
                if is_inside {
                    // Hair inside a bend does not reach its middle.
                    off = off.min((HOLLOW * (radius - half)).max(0.0));
                }
                let edge = self.line.centre[i] + self.normal(i) * (sign * (half + off));
                self.before_the_rear(i, edge)
            })
            .collect()
    }

    fn edges(&self) -> TailEdges {
        let sides = [true, false].into_iter();
        TailEdges {
            bone: self.line.centre.clone(),
            half_widths: self.line.half_widths.clone(),
            sides: sides
                .filter(|is_over| !self.is_inside(*is_over))
                .map(|is_over| self.edge(is_over))
                .collect(),
            tip: self.tip(),
        }
    }

    /// Across the tail, to its upper side where it is carried level.
    fn normal(&self, i: usize) -> Vec2 {
        let d = self.line.directions[i];
        Vec2::new(d.y, -d.x)
    }

    fn tip(&self) -> Point {
        let end = self.line.directions[STEPS];
        let hair = profile(self.coat.form, self.is_up()).tip * self.seen;
        let least = (0.5 * SHAFT * self.height).min(self.seen);
        self.line.centre[STEPS] + end * (self.line.half_widths[STEPS] + hair.max(least))
    }

    /// What is drawn of it.
    pub(super) fn pieces(&self) -> Vec<Piece> {
        let hair = (self.seen >= 0.025 * self.height).then_some(HairAt::Body);
        let is_fan = self.line.turn_rad.abs() >= FAN
            && (self.coat.form.is_plume() || self.coat.form == TailForm::Flag);
        if is_fan && self.seen > 0.0 {
            return vec![self.fan()];
        }
        let mut pieces: Vec<Piece> = self.fringe().into_iter().collect();
        let every_other = |points: Vec<Point>| points.into_iter().step_by(2);
        let mut ring: Vec<Point> = every_other(self.edge(true)).collect();
        ring.push(self.tip());
        let mut under: Vec<Point> = every_other(self.edge(false)).collect();
        under.reverse();
        ring.extend(under);
        let outline = closed(&ring, FINE);
        let ink = outline[..=FINE * (ring.len() - 1)].to_vec();
        let stroke = Stroke::plain(ink, 1.0).with_hair(hair);
        pieces.push(Piece::near(PieceKind::Tail, outline, vec![stroke]));
        if let Some((centre, r)) = self.ball() {
            let mut disc: Vec<Point> = (0..48)
                .map(|k| centre + r * Vec2::from_angle(std::f64::consts::TAU * f64::from(k) / 48.0))
                .collect();
            let outline = disc.clone();
            disc.push(outline[0]);
            let stroke = Stroke::plain(disc, 1.0).with_hair(hair);
            pieces.push(Piece::near(PieceKind::TailBall, outline, vec![stroke]));
        }
        pieces
    }

    /// A plume laid over the back: only its outer side is an edge.
    fn fan(&self) -> Piece {
        let mut edge: Vec<Point> = self
            .edge(self.line.turn_rad < 0.0)
            .into_iter()
            .step_by(2)
            .collect();
        edge.push(self.tip());
        let curve = open(&edge, FINE);
        let mut outline = curve.clone();
        outline.push(self.line.centre[0]);
        let hair = (self.seen >= 0.025 * self.height).then_some(HairAt::Hanging);
        let stroke = Stroke::running_out(curve, 1.0, 0.03 * self.height, 0.0).with_hair(hair);
        Piece::near(PieceKind::Tail, outline, vec![stroke])
    }

    /// Hair hanging from the under side of a tail carried level or low, longest at two fifths.
    fn fringe(&self) -> Option<Piece> {
        let form = self.coat.form;
        let share = match (form, self.kind) {
            (TailForm::Flag, _) => 1.0,
            (form, TailKind::Level | TailKind::Sabre | TailKind::Low) if form.is_plume() => 0.8,
            _ => return None,
        };
        if self.seen <= 0.0 {
            return None;
        }
        let mean_up: f64 = (0..=STEPS).map(|i| self.normal(i).y).sum();
        let under = self.edge(mean_up < 0.0);
        let towards = match self.kind {
            TailKind::Level | TailKind::Sabre => Vec2::new(-0.35, -1.0),
            TailKind::Low => Vec2::new(-0.8, -0.5),
            _ => Vec2::new(-0.9, -0.5),
        };
        let towards = towards / towards.hypot();
        let hem: Vec<Point> = under
            .iter()
            .enumerate()
            .skip(1)
            .map(|(i, p)| {
                let t = i as f64 / STEPS as f64;
                let bell = (std::f64::consts::PI * t.powf(0.75))
                    .sin()
                    .max(0.0)
                    .powf(0.9);
                *p + towards * ((0.95 * bell + 0.14 * t) * share * self.seen)
            })
            .chain([self.tip()])
            .collect();
        let mut hem = open(&hem, 6);
        if self.hangs_in_locks {
            let locks = Locks {
                deep: 0.16 * self.seen,
                wide: 0.055 * self.height,
                towards,
                seed: 31,
            };
            hem = locks.on(&hem);
        }
        let mut outline = hem.clone();
        outline.extend(self.line.centre.iter().rev());
        let stroke =
            Stroke::running_out(hem, 0.9, 0.03 * self.height, 0.0).with_hair(Some(HairAt::Hanging));
        Some(Piece::near(PieceKind::Tail, outline, vec![stroke]))
    }
}
