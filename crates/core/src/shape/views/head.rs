use kurbo::{Point, Vec2};

use super::super::curve::{SAMPLES, closed, open};
use super::super::edge::{BeardForm, Dressing, TopknotForm, combed_share};
use super::super::head::{Ball, MARKED, ball, tuft};
use super::super::leg_place::Hand;
use super::super::piece::{HairAt, Piece, PieceKind, Stroke};
use super::super::polyline::Locks;
use super::super::station::Station as S;
use super::ear::ear;
use super::face::{brows, face, muzzle};
use super::ring::{Mark, directions, eased_round, edge, lerp, symmetric};
use super::{BothSides, round};
use crate::coat::Zone;
use crate::frame::EarKind;

/// Samples a span of small pieces.
pub(super) const FINE: usize = 8;
/// Reach of head hair, share of the height (dog-shape.md 5).
const HEAD_REACH: f64 = 0.09;

/// A head seen on end: its heights from the side view, its widths, mm.
pub(super) struct OnEnd<'a> {
    pub dog: &'a BothSides<'a>,
    pub dressing: &'a Dressing,
    pub top: f64,
    brow: f64,
    pub eye: f64,
    pub nose: f64,
    pub lip: f64,
    pub chin: f64,
    /// Length of the head.
    pub h: f64,
    /// Half the skull's width, and the muzzle's.
    pub skull: f64,
    pub muzzle: f64,
}

impl<'a> OnEnd<'a> {
    fn of(dog: &'a BothSides<'a>, dressing: &'a Dressing) -> Self {
        let y = |s: S| dog.shape.skin(s).y;
        let (axes, head) = (&dog.shape.head, &dog.left.head);
        let chin = y(S::Chin).min(y(S::ChinBack));
        Self {
            dog,
            dressing,
            top: y(S::Crown).max(y(S::Brow)),
            brow: y(S::Brow),
            eye: axes.at(0.945 - head.muzzle, -0.55 * axes.step - 0.030).y,
            nose: f64::midpoint(y(S::NoseTip), y(S::NoseTop)),
            lip: y(S::Lip).min(chin + 0.02 * head.length),
            chin,
            h: head.length,
            skull: 0.5 * head.skull_width * head.length,
            muzzle: 0.5 * head.muzzle_width * head.length,
        }
    }

    /// How far a zone's hair stands where it is shaped, mm.
    pub fn stands_mm(&self, zone: Zone, length: f64) -> f64 {
        self.dressing.shaped_mm(zone, length)
    }

    /// How far the beard's hair reaches when combed, mm.
    pub fn beard_reach_mm(&self) -> f64 {
        let length = self.dressing.beard.map_or(0.0, |b| b.length);
        length * combed_share(self.dressing.stand.of(Zone::Beard))
    }

    pub fn hair(&self, length: f64, at: HairAt) -> Option<HairAt> {
        (length >= MARKED * self.dog.height()).then_some(at)
    }

    fn ball(&self) -> Option<Ball> {
        ball(&self.dog.shape, self.dog.left, self.dressing)
    }

    fn form(&self) -> Option<TopknotForm> {
        self.dressing.topknot.map(|t| t.form)
    }

    /// Half the width of a round head.
    fn round_half(&self, ball: &Ball) -> f64 {
        let cheek = self.stands_mm(Zone::Cheek, self.dressing.zone_mm(Zone::Cheek));
        (1.02 * ball.cheek).max(self.skull + 0.75 * cheek)
    }

    /// How far from the midline ears are rooted.
    fn ear_root(&self, kind: EarKind) -> f64 {
        let is_drop = kind == EarKind::Drop;
        match (self.form(), self.ball()) {
            (Some(TopknotForm::Round { .. }), Some(ball)) => {
                let share = match kind {
                    EarKind::Drop => 0.86,
                    EarKind::Folded => 0.70,
                    EarKind::Prick => 0.62,
                };
                share * self.round_half(&ball)
            }
            (Some(TopknotForm::IntoCrest { .. }), _) if !is_drop => 0.80 * self.skull,
            (Some(TopknotForm::IntoCrest { .. }), _) => 0.98 * self.skull,
            (Some(TopknotForm::Crown), _) => 0.92 * self.skull,
            _ if kind == EarKind::Prick => 0.76 * self.skull,
            _ => 0.88 * self.skull,
        }
    }
}

/// Skull, muzzle, face and ears from in front (dog-shape-2.md 6).
pub(in crate::shape) fn head_front(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let head = OnEnd::of(dog, dressing);
    let kind = dog.left.ear.kind;
    let root = head.ear_root(kind);
    let ears = Hand::ALL.map(|hand| ear(&head, hand, root, false));
    let mut pieces = Vec::new();
    if kind == EarKind::Prick {
        pieces.extend(ears.iter().cloned());
    }
    pieces.push(head.outline(false));
    pieces.extend(head.over());
    pieces.push(muzzle(&head));
    pieces.extend(face(&head));
    pieces.extend(brows(&head));
    pieces.extend(head.ponytails());
    if kind != EarKind::Prick {
        pieces.extend(ears);
    }
    pieces
}

/// The head from behind: its outline and ears, lighter.
pub(super) fn head_back(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<Piece> {
    let head = OnEnd::of(dog, dressing);
    let root = head.ear_root(dog.left.ear.kind);
    let behind = |piece: Piece| Piece {
        is_far: true,
        ..piece
    };
    let mut pieces: Vec<Piece> = head.ponytails().into_iter().map(behind).collect();
    pieces.push(head.outline(true));
    pieces.extend(Hand::ALL.map(|hand| ear(&head, hand, root, true)));
    pieces
}

/// A ponytail from in front, in shares of its length: out from the middle and up.
const FAN: [(f64, f64); 7] = [
    (-0.05, 0.0),
    (-0.16, 0.34),
    (0.10, 0.46),
    (0.44, 0.30),
    (0.58, -0.18),
    (0.30, 0.06),
    (0.06, 0.0),
];

impl OnEnd<'_> {
    /// The crown's hair where it is tied: over the brow, or a side each.
    fn ponytails(&self) -> Vec<Piece> {
        let Some(tied) = self.dressing.ponytails else {
            return Vec::new();
        };
        let long = tied.seen_mm(self.dog.height());
        let one = |side: f64, from_middle: f64| {
            let base = Point::new(side * from_middle, self.top);
            let ring = FAN.map(|(out, up)| base + Vec2::new(side * out, up) * long);
            tuft(base, &ring, long, Vec2::new(1.0, 0.0))
        };
        match tied.count {
            1 => one(1.0, 0.0),
            _ => [1.0, -1.0]
                .map(|side| one(side, 0.55 * self.skull))
                .concat(),
        }
    }

    /// The head's own outline: a ball, or the skull in its coat.
    fn outline(&self, is_far: bool) -> Piece {
        match self.ball() {
            Some(ball) => self.round(&ball, is_far),
            None => self.skull_piece(is_far),
        }
    }

    /// The same circle as from the side, as wide as its cheeks let it be.
    fn round(&self, ball: &Ball, is_far: bool) -> Piece {
        let half = self.round_half(ball);
        let ring: Vec<Point> = (0..18)
            .map(|i| {
                let a = (90.0 + 20.0 * f64::from(i)).to_radians();
                let up = if a.sin() > 0.0 { ball.top } else { ball.under };
                Point::new(half * a.cos(), ball.centre.y + up * a.sin())
            })
            .collect();
        let outline = closed(&ring, FINE);
        let crown = self.dressing.topknot.map_or(0.0, |t| t.crown);
        let hair = self.hair(crown, HairAt::Body);
        Piece {
            kind: PieceKind::Head,
            strokes: vec![Stroke::plain(round(&outline), 1.0).with_hair(hair)],
            outline,
            is_far,
        }
    }

    fn skull_piece(&self, is_far: bool) -> Piece {
        let (h, half) = (self.h, self.skull);
        let half_ring = [
            Mark::zone(0.30 * half, self.top - 0.01 * h, Zone::Topknot),
            Mark::zone(
                0.72 * half,
                lerp(self.top, self.brow, 0.45) - 0.01 * h,
                Zone::Topknot,
            ),
            Mark::zone(0.96 * half, self.brow - 0.06 * h, Zone::Cheek),
            Mark::zone(half, self.eye - 0.06 * h, Zone::Cheek),
            Mark::zone(0.90 * half, lerp(self.eye, self.lip, 0.50), Zone::Cheek),
            Mark::zone(0.66 * half, lerp(self.eye, self.lip, 0.82), Zone::Cheek),
            Mark::zone(0.32 * half, self.lip - 0.01 * h, Zone::Cheek),
        ];
        let ring = symmetric(&half_ring);
        let shaped = self.dressing.topknot.is_some();
        let lengths: Vec<f64> = ring
            .iter()
            .map(|m| match m.grows {
                // A topknot is drawn over it.
                super::ring::Grows::Zone(Zone::Topknot) if shaped => 0.0,
                _ => m.length(self.dressing),
            })
            .collect();
        let hair = directions(&ring, HEAD_REACH, self.dog.height());
        let points = edge(&ring, &hair, &eased_round(&lengths), &self.dressing.stand);
        let outline = closed(&points, SAMPLES);
        Piece {
            kind: PieceKind::Head,
            strokes: vec![Stroke::plain(round(&outline), 1.0)],
            outline,
            is_far,
        }
    }

    /// What lies over the skull.
    fn over(&self) -> Option<Piece> {
        match self.form()? {
            TopknotForm::Round { .. } => None,
            TopknotForm::IntoCrest { .. } => Some(self.cap()),
            TopknotForm::Crown => Some(self.crown()),
            TopknotForm::Fall => Some(self.fall()),
        }
    }

    fn crown_stands(&self) -> (f64, Option<HairAt>) {
        let length = self.dressing.topknot.map_or(0.0, |t| t.crown);
        (
            self.stands_mm(Zone::Topknot, length),
            self.hair(length, HairAt::Body),
        )
    }

    /// A half ellipse over the brows; a fringe longer than the eye is deep hangs over it.
    fn cap(&self) -> Piece {
        let (h, skull, eye) = (self.h, self.skull, self.eye);
        let (o, hair) = self.crown_stands();
        let low = eye + 0.12 * h;
        let wide = skull + 0.42 * o;
        let top = self.top + 1.05 * o;
        let visor = self.dressing.topknot.map_or(0.0, |t| t.visor);
        let hangs = (visor - super::super::head::FRINGE * h).max(0.0);
        let mut half = vec![Point::new(0.0, top)];
        half.extend([66.0, 42.0, 18.0_f64].map(|deg| {
            let (sin, cos) = deg.to_radians().sin_cos();
            Point::new(wide * cos, low + (top - low) * sin)
        }));
        half.extend([
            Point::new(0.98 * wide, low - 0.02 * h),
            Point::new(0.84 * wide, low - 0.055 * h),
            Point::new(0.45 * wide, low - hangs),
            Point::new(0.0, low + 0.02 * h - hangs),
        ]);
        let outline = mirrored(&half);
        let stroke = Stroke::plain(round(&outline), 1.0).with_hair(hair);
        Piece::near(PieceKind::Topknot, outline, vec![stroke])
    }

    /// A spaniel's flat crown.
    fn crown(&self) -> Piece {
        let (h, skull, eye, top) = (self.h, self.skull, self.eye, self.top);
        let (o, hair) = self.crown_stands();
        let shoulder = (lerp(top, eye, 0.30) + 0.3 * o).max(eye + 0.12 * h);
        let half = [
            Point::new(0.0, top + o),
            Point::new(0.62 * skull, top + 0.86 * o),
            Point::new(0.93 * skull, shoulder),
            Point::new(0.98 * skull, eye + 0.07 * h),
            Point::new(0.60 * skull, eye + 0.10 * h),
            Point::new(0.0, eye + 0.13 * h),
        ];
        let outline = mirrored(&half);
        let n = outline.len();
        let ink = [&outline[n - 3 * FINE..], &outline[..=3 * FINE]].concat();
        let stroke = Stroke::plain(ink, 0.95).with_hair(hair);
        Piece::near(PieceKind::Topknot, outline, vec![stroke])
    }

    /// A drop coat parts over the skull and falls past the cheeks.
    fn fall(&self) -> Piece {
        let (h, skull, eye, lip, top) = (self.h, self.skull, self.eye, self.lip, self.top);
        let (stands, _) = self.crown_stands();
        let o = 0.5 * stands + 0.04 * h;
        let mid = f64::midpoint(eye, lip);
        let half = [
            Point::new(0.0, top + 0.30 * o),
            Point::new(0.60 * skull, top + 0.22 * o),
            Point::new(skull + 0.25 * o, eye + 0.08 * h),
            Point::new(skull + 0.45 * o, mid),
            Point::new(0.92 * skull + 0.4 * o, lip - 0.05 * h),
            Point::new(0.70 * skull, lip - 0.10 * h),
            Point::new(0.72 * skull, mid),
            Point::new(0.50 * skull, eye + 0.06 * h),
            Point::new(0.0, (eye + 0.15 * h).min(top - 0.02 * h)),
        ];
        let outline = mirrored(&half);
        let over = 0.05 * h;
        let mut strokes = vec![Stroke::plain(round(&outline), 0.9)];
        strokes.extend([1.0, -1.0].map(|s| {
            let line = [
                Point::new(0.06 * s * skull, top + 0.1 * o),
                Point::new(0.45 * s * skull, eye + 0.14 * h),
                Point::new(0.78 * s * skull, mid + 0.05 * h),
            ];
            Stroke::running_out(open(&line, 6), 0.42, over, over)
        }));
        Piece::near(PieceKind::Topknot, outline, strokes)
    }

    /// A hanging or square beard about the muzzle.
    pub(super) fn beard(&self, form: BeardForm) -> Option<Piece> {
        let (h, m, skull) = (self.h, self.muzzle, self.skull);
        let (eye, nose, chin) = (self.eye, self.nose, self.chin);
        let b = self.beard_reach_mm();
        let (half, locked) = match form {
            BeardForm::Brick => {
                let wide = (0.80 * skull).max(m + 0.45 * b);
                let low = chin - b;
                let half = vec![
                    Point::new(0.52 * m, eye - 0.03 * h),
                    Point::new(0.90 * wide, lerp(eye, nose, 0.75)),
                    Point::new(1.02 * wide, lerp(nose, chin, 0.6)),
                    Point::new(0.98 * wide, chin - 0.45 * b),
                    Point::new(0.72 * wide, low + 0.06 * b),
                    Point::new(0.30 * wide, low - 0.05 * b),
                ];
                (half, false)
            }
            BeardForm::Hanging => {
                let half = vec![
                    Point::new(0.40 * m, eye - 0.01 * h),
                    Point::new(0.95 * m + 0.2 * b, lerp(eye, nose, 0.7)),
                    Point::new(1.05 * m + 0.40 * b, chin),
                    Point::new(0.95 * m + 0.35 * b, chin - 0.6 * b),
                    Point::new(0.40 * m + 0.15 * b, chin - b),
                ];
                (half, true)
            }
            BeardForm::Puff | BeardForm::Flews => return None,
        };
        let outline = mirrored(&half);
        let mut ink = outline[FINE / 2..outline.len() - FINE].to_vec();
        if locked {
            let locks = Locks {
                deep: 0.10 * b,
                wide: 0.03 * self.dog.height(),
                towards: kurbo::Vec2::new(0.0, -1.0),
                seed: 9,
            };
            ink = locks.on(&ink);
        }
        let stroke = Stroke::running_out(ink, 0.9, 0.10 * h, 0.10 * h)
            .with_hair(self.hair(b, HairAt::Hanging));
        Some(Piece::near(PieceKind::Beard, outline, vec![stroke]))
    }
}

/// Half an outline from the top down at positive z, its first and last points on the midline or not,
/// made whole and anticlockwise.
pub(super) fn mirrored(half: &[Point]) -> Vec<Point> {
    let on_midline = |p: &Point| p.x.abs() < 1e-9;
    let mut ring: Vec<Point> = half.iter().map(|p| Point::new(-p.x, p.y)).collect();
    ring.extend(half.iter().rev().filter(|p| !on_midline(p)));
    closed(&ring, FINE)
}
