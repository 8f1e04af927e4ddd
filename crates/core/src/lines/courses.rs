use kurbo::{Point, Vec2};

use super::clip_line::{ClipLine, HandDistance, LeftAs, LineName};
use crate::balance::Subject;
use crate::coat::Zone;
use crate::look::{Cut, FootFinish, LookId};
use crate::plan::Words;
use crate::shape::{CoatEdge, Station as S, curve};
use crate::units::Length;

/// How far behind the last rib the waist peaks, share of the height (school: just behind it, up to
/// 25 mm at 450; balance-model.md 10).
const WAIST_BACK: f64 = 0.055;
/// Thigh line over the flank fold, share of the height (after the sketch's two fingers).
const THIGH_OVER_FOLD: f64 = 0.08;
/// Crest line below the top of the neck, share of the neck's length (modelling choice).
const CREST_DEPTH: f64 = 0.30;
/// A step of s mm is joined over 3 s (handbook 5, modelling choice).
const JOIN: f64 = 3.0;
/// Length of the bare root under a tail's ball, share of the tail (dog-shape.md 13, lamb).
const BARE_ROOT: f64 = 0.5;

/// The clip lines of a plan, nose to tail, then down the legs.
///
/// # Units and shapes
/// Paths in mm on the side page; `edge` is the planned coat edge.
pub fn clip_lines(subject: &Subject, edge: &CoatEdge, words: &Words<'_>) -> Vec<ClipLine> {
    let draft = Draft {
        subject,
        edge,
        words,
    };
    vec![
        draft.nape(),
        draft.throat(),
        draft.shoulder(),
        draft.waist(),
        draft.underline(),
        draft.thigh(),
        draft.rump_drop(),
        draft.hock(),
        draft.tail_base(),
    ]
}

struct Draft<'a> {
    subject: &'a Subject,
    edge: &'a CoatEdge,
    words: &'a Words<'a>,
}

impl Draft<'_> {
    fn h(&self) -> f64 {
        self.subject.height()
    }

    fn skin(&self, station: S) -> Point {
        self.subject.shape.skin(station)
    }

    fn nominal(&self, zone: Zone) -> f64 {
        self.subject.look.nominal_mm(zone, self.h())
    }

    fn hand(&self, from: &str, mm: f64) -> HandDistance {
        HandDistance {
            from: from.into(),
            distance_mm: Length::from_mm(mm.abs()).unwrap_or_default(),
            text: self.words.distance(mm),
        }
    }

    /// A join between two zones: hard where both are clipped alike, else blended over three steps.
    fn join(&self, one: Zone, other: Zone) -> LeftAs {
        let step = (self.nominal(one) - self.nominal(other)).abs();
        if step < 0.5 {
            LeftAs::Hard
        } else {
            LeftAs::Blended {
                over_mm: Length::from_mm((JOIN * step).round()).unwrap_or_default(),
            }
        }
    }

    fn path(points: &[Point]) -> Vec<[f64; 2]> {
        curve::open(points, 6).iter().map(|p| [p.x, p.y]).collect()
    }

    /// Part of the planned edge between two stations.
    fn along_edge(&self, stations: &[S]) -> Vec<[f64; 2]> {
        Self::path(&self.edge.all(stations))
    }

    fn nape(&self) -> ClipLine {
        let keeps_crest = self.subject.look.cut(Zone::Crest) == Cut::Scissored;
        let head = &self.subject.shape.head;
        let (occiput, withers) = (self.skin(S::Occiput), self.skin(S::Withers));
        let depth = CREST_DEPTH * self.subject.build.neck;
        let down = |station: S| self.skin(station) - self.subject.shape.hair(station) * depth;
        if keeps_crest {
            let ear = self.subject.build.ear.base;
            let start = head.at(ear.0 - 0.12, ear.1 + 0.02);
            ClipLine {
                line: LineName::Nape,
                label: LineName::Nape.label().into(),
                path_mm: Self::path(&[
                    start,
                    down(S::CrestMid),
                    down(S::CrestLow),
                    withers - Vec2::new(0.02, 0.03) * self.h(),
                ]),
                mark: "crest kept".into(),
                above: "crest, scissored into the topknot".into(),
                below: "neck side, body length".into(),
                left: self.join(Zone::Crest, Zone::NeckSide),
                hand: vec![
                    self.hand("behind the ear base, at the start", 0.12 * head.length),
                    self.hand("below the top of the neck, half way", depth),
                ],
                why: "A kept crest leaves the head a join into the neck.".into(),
            }
        } else {
            ClipLine {
                line: LineName::Nape,
                label: LineName::Nape.label().into(),
                path_mm: Self::path(&[
                    self.edge.at(S::Occiput),
                    occiput.lerp(self.skin(S::JawAngle), 0.3),
                ]),
                mark: "from the occiput".into(),
                above: "head, one size longer".into(),
                below: "neck, body length".into(),
                left: self.join(Zone::Topknot, Zone::Crest),
                hand: vec![self.hand("behind the occiput", 0.02 * self.h())],
                why: "The body's length starts just behind the skull.".into(),
            }
        }
    }

    fn throat(&self) -> ClipLine {
        let (jaw, bone) = (self.skin(S::JawAngle), self.skin(S::Breastbone));
        let inside = 0.05 * self.h();
        ClipLine {
            line: LineName::Throat,
            label: LineName::Throat.label().into(),
            path_mm: Self::path(&[
                jaw.lerp(self.skin(S::CrestMid), 0.30),
                self.skin(S::ThroatMid) - Vec2::new(inside, 0.0),
                self.skin(S::ThroatLow) - Vec2::new(0.8 * inside, 0.0),
                bone,
            ]),
            mark: "throat stops on the breastbone".into(),
            above: "throat".into(),
            below: "neck side and chest".into(),
            left: self.join(Zone::Throat, Zone::Chest),
            hand: vec![
                self.hand("below the breastbone", 0.0),
                self.hand("inside the front edge of the neck", inside),
            ],
            why: "A short throat lengthens the neck; below the bone it would bare the chest."
                .into(),
        }
    }

    fn shoulder(&self) -> ClipLine {
        let shoulder = self.subject.shape.point_of_shoulder;
        let elbow = self.skin(S::Elbow);
        ClipLine {
            line: LineName::Shoulder,
            label: LineName::Shoulder.label().into(),
            path_mm: Self::path(&[
                shoulder - Vec2::new(0.02 * self.h(), 0.0),
                Point::new(0.5 * (shoulder.x + elbow.x), elbow.y + 0.015 * self.h()),
                Point::new(elbow.x, elbow.y + 0.02 * self.h()),
            ]),
            mark: "lift off at the elbow".into(),
            above: "shoulder, body length".into(),
            below: "front leg".into(),
            left: self.join(Zone::Shoulder, Zone::ForeFront),
            hand: vec![
                self.hand("above the elbow", 0.0),
                self.hand("below the point of shoulder", shoulder.y - elbow.y),
            ],
            why: "The leg's muscle tilts in there: lift away, do not follow it.".into(),
        }
    }

    fn waist(&self) -> ClipLine {
        let back = WAIST_BACK * self.h();
        let rib = self.skin(S::LastRib);
        let (a, b) = (self.edge.at(S::LastRib), self.edge.at(S::TuckUp));
        let x = rib.x - back;
        let t = ((a.x - x) / (a.x - b.x).max(1e-6)).clamp(0.0, 1.0);
        let at = a.lerp(b, t);
        ClipLine {
            line: LineName::Waist,
            label: LineName::Waist.label().into(),
            path_mm: vec![
                [at.x, at.y - 0.015 * self.h()],
                [at.x, at.y + 0.045 * self.h()],
            ],
            mark: format!("waist {} behind the last rib", self.words.bare(back)),
            above: "underline, rising to here".into(),
            below: "tuck-up and flank, kept".into(),
            left: self.join(Zone::Underline, Zone::TuckUp),
            hand: vec![self.hand("behind the last rib", back)],
            why: "Just behind the last rib the line rises highest; further back lengthens the dog."
                .into(),
        }
    }

    fn underline(&self) -> ClipLine {
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        ClipLine {
            line: LineName::Underline,
            label: LineName::Underline.label().into(),
            path_mm: self.along_edge(&[
                S::FlankFold,
                S::TuckUp,
                S::LastRib,
                S::BellyRear,
                S::Belly,
                S::Brisket,
            ]),
            mark: "underline".into(),
            above: "belly".into(),
            below: "nothing: this is the edge".into(),
            left: LeftAs::Hard,
            hand: vec![
                self.hand("below the brisket, at the elbow", left(S::Brisket)),
                self.hand("below the last rib", left(S::LastRib)),
                self.hand("below the flank fold", left(S::FlankFold)),
            ],
            why: "It rises evenly from just below the elbow to the waist.".into(),
        }
    }

    fn thigh(&self) -> ClipLine {
        let over = THIGH_OVER_FOLD * self.h();
        let fold = self.skin(S::FlankFold);
        let drop = self.skin(S::Buttock);
        ClipLine {
            line: LineName::Thigh,
            label: LineName::Thigh.label().into(),
            path_mm: Self::path(&[
                fold,
                Point::new(fold.x - 0.06 * self.h(), fold.y + over),
                Point::new(0.5 * fold.x, fold.y + 1.15 * over),
                Point::new(drop.x + 0.01 * self.h(), drop.y - 0.02 * self.h()),
            ]),
            mark: format!("{} over the fold", self.words.distance(over)),
            above: "hip, body length".into(),
            below: "hind leg; the thigh muscle stays widest".into(),
            left: self.join(Zone::Hip, Zone::HindOut),
            hand: vec![self.hand("above the flank fold", over)],
            why: "Lift away off the hip towards the knee, the muscle stays the widest place."
                .into(),
        }
    }

    fn rump_drop(&self) -> ClipLine {
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        let bend = self.skin(S::Bend);
        let hock = self.skin(S::HockPoint);
        ClipLine {
            line: LineName::RumpDrop,
            label: LineName::RumpDrop.label().into(),
            path_mm: self.along_edge(&[S::PinBone, S::Buttock, S::ThighBack, S::Bend]),
            mark: "straight down to the bend".into(),
            above: "rump".into(),
            below: "back of the hind leg".into(),
            left: self.join(Zone::Rump, Zone::HindBack),
            hand: vec![
                self.hand("behind the pin bone", left(S::PinBone)),
                self.hand("behind the bend", left(S::Bend)),
                self.hand("above the hock point, where it ends", bend.y - hock.y),
            ],
            why: "It drops plumb from the pin bone; at the bend it is closest.".into(),
        }
    }

    fn hock(&self) -> ClipLine {
        let (back, front) = (self.edge.at(S::HockPoint), self.edge.at(S::HockFront));
        let y = self.skin(S::HockPoint).y;
        ClipLine {
            line: LineName::Hock,
            label: LineName::Hock.label().into(),
            path_mm: vec![[back.x, y], [front.x, y]],
            mark: "leg length from the hock".into(),
            above: "back of the hind leg".into(),
            below: "hock and pastern, full".into(),
            left: self.join(Zone::HindBack, Zone::Hock),
            hand: vec![self.hand("above the hock point", 0.0)],
            why: "Hair kept behind the hock fills a thin pastern.".into(),
        }
    }

    fn tail_base(&self) -> ClipLine {
        let set = self.skin(S::TailSet);
        let is_ball = self.subject.look.id == LookId::Lamb;
        let along = if is_ball {
            BARE_ROOT * self.subject.build.tail.length
        } else {
            0.05 * self.h()
        };
        let left = if self.subject.look.foot == FootFinish::Clean {
            LeftAs::Hard
        } else {
            self.join(Zone::Croup, Zone::Tail)
        };
        ClipLine {
            line: LineName::TailBase,
            label: LineName::TailBase.label().into(),
            path_mm: Self::path(&[
                set + Vec2::new(0.05, 0.015) * self.h(),
                set + Vec2::new(0.005, -0.035) * self.h(),
                self.skin(S::UnderTail) + Vec2::new(0.01, -0.01) * self.h(),
            ]),
            mark: if is_ball {
                "V above the root".into()
            } else {
                "band at the root".into()
            },
            above: "croup, body length".into(),
            below: if is_ball {
                "bare root, then the ball".into()
            } else {
                "tail, its own length".into()
            },
            left,
            hand: vec![self.hand("along the tail from its root", along)],
            why: "A clean root sets the tail off the back.".into(),
        }
    }
}
