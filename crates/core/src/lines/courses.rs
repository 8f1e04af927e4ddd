use kurbo::{Point, Vec2};

use super::clip_line::{ClipLine, HandDistance, LeftAs};
use crate::balance::{Place, Subject, shoulder_lift_mm, thigh_lift_mm, waist_behind_mm};
use crate::coat::Zone;
use crate::look::{FootFinish, LineName, LineStop};
use crate::plan::Words;
use crate::shape::{CoatEdge, Dressing, HeadEdges, Station as S, curve, head_edges, side_shape};
use crate::solve::back_split;
use crate::units::Length;

/// Crest line below the top of the neck, share of the neck's length (modelling choice).
const CREST_DEPTH: f64 = 0.30;
/// A step of s mm is joined over 3 s (handbook 5, modelling choice).
const JOIN: f64 = 3.0;
/// Length of the bare root under a tail's ball, share of the tail (dog-shape.md 13, lamb).
const BARE_ROOT: f64 = 0.5;

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
    let back = waist_behind_mm(&subject.look, subject.height());
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
    lengths_mm: &'a [f64],
    pub(super) dressing: &'a Dressing,
    /// Where the dressed head ends.
    pub(super) head: HeadEdges,
    edge: CoatEdge,
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
            distance_mm: Length::from_mm(mm.abs()).unwrap_or_default(),
            text: self.words.distance(mm),
            right: None,
        }
    }

    /// A line in its place, its other fields still to be given.
    pub(super) fn blank(&self, line: LineName) -> ClipLine {
        let look = &self.subject.look;
        let stop = look.stop(line).filter(|_| look.offers(line));
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
            is_moved: look.is_moved(line),
        }
    }

    /// Says how far the line was moved from its place, and why.
    fn with_shift(&self, mut line: ClipLine) -> ClipLine {
        let look = &self.subject.look;
        let Some((more, less)) = line.line.ways() else {
            return line;
        };
        let way = |mm: f64| if mm > 0.0 { more } else { less };
        if let Some(mm) = look.shift_solved_mm(line.line, self.h()) {
            let (by, way) = (self.words.length(mm.abs()), way(mm));
            line.why = format!(
                "{} It lies {by} {way} for the edge of the colour beside it.",
                line.why
            );
        } else {
            let mm = look.shift_mm(line.line, self.h());
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
                over_mm: Length::from_mm((JOIN * step).round()).unwrap_or_default(),
            }
        }
    }

    pub(super) fn path(points: &[Point]) -> Vec<[f64; 2]> {
        curve::open(points, 6).iter().map(|p| [p.x, p.y]).collect()
    }

    /// Part of the planned edge between two stations.
    fn along_edge(&self, stations: &[S]) -> Vec<[f64; 2]> {
        Self::path(&self.edge.all(stations))
    }

    fn nape(&self) -> ClipLine {
        let keeps_crest = self.subject.look.has(LineStop::CrestKept);
        let head = &self.subject.shape.head;
        let (occiput, withers) = (self.skin(S::Occiput), self.skin(S::Withers));
        let depth = CREST_DEPTH * self.subject.build.neck;
        let down = |station: S| self.skin(station) - self.subject.shape.hair(station) * depth;
        if keeps_crest {
            let ear = self.subject.build.ear.base;
            let start = head.at(ear.0 - 0.12, ear.1 + 0.02);
            ClipLine {
                path_mm: Self::path(&[
                    start,
                    down(S::CrestMid),
                    down(S::CrestLow),
                    withers - Vec2::new(0.02, 0.03) * self.h(),
                ]),
                mark: "crest kept".into(),
                above: "crest, scissored into the topknot".into(),
                below: "neck side, body length".into(),
                hand: vec![
                    self.hand("behind the ear base, at the start", 0.12 * head.length),
                    self.hand("below the top of the neck, half way", depth),
                ],
                why: "A kept crest leaves the head a join into the neck.".into(),
                ..self.joined(Zone::Crest, Zone::NeckSide, self.blank(LineName::Nape))
            }
        } else {
            ClipLine {
                path_mm: Self::path(&[
                    self.edge.at(S::Occiput),
                    occiput.lerp(self.skin(S::JawAngle), 0.3),
                ]),
                mark: "from the occiput".into(),
                above: "head, one size longer".into(),
                below: "neck, body length".into(),
                hand: vec![self.hand("behind the occiput", 0.02 * self.h())],
                why: "The body's length starts just behind the skull.".into(),
                ..self.joined(Zone::Topknot, Zone::Crest, self.blank(LineName::Nape))
            }
        }
    }

    fn throat(&self) -> ClipLine {
        let (jaw, bone) = (self.skin(S::JawAngle), self.skin(S::Breastbone));
        let inside = 0.05 * self.h();
        ClipLine {
            path_mm: Self::path(&[
                jaw.lerp(self.skin(S::CrestMid), 0.30),
                self.skin(S::ThroatMid) - Vec2::new(inside, 0.0),
                self.skin(S::ThroatLow) - Vec2::new(0.8 * inside, 0.0),
                bone,
            ]),
            mark: "throat stops on the breastbone".into(),
            above: "throat".into(),
            below: "neck side and chest".into(),
            hand: vec![
                self.hand("below the breastbone", 0.0),
                self.hand("inside the front edge of the neck", inside),
            ],
            why: "A short throat lengthens the neck; below the bone it would bare the chest."
                .into(),
            ..self.joined(Zone::Throat, Zone::Chest, self.blank(LineName::Throat))
        }
    }

    /// A crescent across the chest from shoulder to shoulder, tucking under; none where the chest is
    /// as its neighbours.
    fn bib(&self) -> Option<ClipLine> {
        let look = &self.subject.look;
        let is_full = look.has(LineStop::BibFull);
        if !is_full && !look.has(LineStop::BibCrescent) {
            return None;
        }
        let shoulder = self.subject.shape.point_of_shoulder;
        let bone = self.skin(S::Breastbone);
        // How far under the breastbone the crescent hangs (modelling choice).
        let under = if is_full { 0.02 } else { 0.05 } * self.h();
        let low = self.skin(S::ChestUnder);
        Some(ClipLine {
            path_mm: Self::path(&[
                Point::new(bone.x - 0.02 * self.h(), bone.y - under),
                shoulder - Vec2::new(0.0, under),
                Point::new(0.5 * (shoulder.x + low.x), low.y + 0.02 * self.h()),
                low,
            ]),
            above: "throat and shoulder".into(),
            below: "bib, its own length".into(),
            hand: vec![
                self.hand("below the breastbone", under),
                self.hand("below the point of shoulder", under),
            ],
            why: "A crescent from shoulder to shoulder, tucked under, keeps the front round."
                .into(),
            ..self.joined(Zone::Throat, Zone::Chest, self.blank(LineName::Bib))
        })
    }

    fn shoulder(&self) -> ClipLine {
        let shoulder = self.subject.shape.point_of_shoulder;
        let elbow = self.skin(S::Elbow);
        let is_high = self.subject.look.has(LineStop::LiftAtShoulder);
        // Where the lift-off lies over the elbow.
        let up = shoulder_lift_mm(self.subject) - elbow.y;
        let end = Point::new(elbow.x, elbow.y + up + 0.02 * self.h());
        ClipLine {
            path_mm: Self::path(&[
                shoulder + Vec2::new(-0.02, if is_high { 0.03 } else { 0.0 }) * self.h(),
                Point::new(0.5 * (shoulder.x + elbow.x), end.y - 0.005 * self.h()),
                end,
            ]),
            above: "shoulder, body length".into(),
            below: "front leg".into(),
            hand: vec![
                self.hand("above the elbow", up),
                self.hand("below the point of shoulder", shoulder.y - elbow.y - up),
            ],
            why: if is_high {
                "The legs begin high in this look: lift away at the front of the shoulder.".into()
            } else {
                "The leg's muscle tilts in there: lift away, do not follow it.".into()
            },
            ..self.joined(
                Zone::Shoulder,
                Zone::ForeFront,
                self.blank(LineName::Shoulder),
            )
        }
    }

    /// Where the free solution falls through the look's length between the two passes; half way
    /// where it does not (balance-model.md 10).
    fn back_pass(&self) -> Option<ClipLine> {
        let (front, Some(rear)) = back_split(self.subject) else {
            return None;
        };
        let stop = self.subject.look.stop(LineName::BackPass)?;
        let over = |s: S| {
            let i = self.subject.find(Place::Side(s))?;
            Some(self.lengths_mm[i] - self.subject.spots[i].nominal)
        };
        let (a, b) = (over(front)?, over(rear)?);
        let shift = self.subject.look.shift_mm(LineName::BackPass, self.h());
        // Where a hand moved it, it lies where the hand put it.
        let is_read = shift == 0.0 && a > 0.0 && b < 0.0;
        let t = if is_read { a / (a - b) } else { 0.5 };
        let at = self.edge.at(front).lerp(self.edge.at(rear), t);
        let (withers, hip) = (self.skin(S::Withers).x, self.skin(S::HipCrest).x);
        let down = 0.07 * self.h();
        Some(ClipLine {
            path_mm: vec![[at.x, at.y + 0.2 * down], [at.x, at.y - down]],
            above: "back in front of it".into(),
            below: "back behind it, over the croup".into(),
            hand: vec![
                self.hand("behind the withers", withers - at.x),
                self.hand("in front of the hip crest", at.x - hip),
            ],
            why: "The length changes here, so that dip and rear come out level.".into(),
            mark: format!("shorter {}", stop.label()),
            ..self.joined(Zone::Back, Zone::Croup, self.blank(LineName::BackPass))
        })
    }

    /// The root of a skirt, level along the ribs.
    fn skirt(&self) -> Option<ClipLine> {
        let stop = self.subject.look.stop(LineName::Skirt)?;
        let build = &self.subject.build;
        let y = stop.skirt_root_mm(self.h(), build.elbow)?
            + self.subject.look.shift_mm(LineName::Skirt, self.h());
        let hem = self.edge.at(S::Brisket).y;
        let elbow = self.skin(S::Elbow);
        let (front, rear) = (elbow.x - 0.04 * self.h(), self.skin(S::FlankFold).x);
        let fold = self.skin(S::FlankFold).y;
        // Level at least as high as the hem behind (handbook 5: .02 H under the fold).
        let behind = y.max(fold - 0.02 * self.h());
        Some(ClipLine {
            path_mm: Self::path(&[
                Point::new(front, y),
                Point::new(f64::midpoint(front, rear), f64::midpoint(y, behind)),
                Point::new(rear, behind),
            ]),
            above: "ribs, body length".into(),
            below: format!(
                "skirt, its hair {} long, hanging",
                self.words.length(y - hem)
            ),
            hand: vec![
                self.hand("above the elbow", y - build.elbow),
                self.hand("above the flank fold", behind - fold),
                self.hand("below the elbow, its hem", build.elbow - hem),
            ],
            why: "The highest line whose hair still reaches the hem, just below the elbow.".into(),
            ..self.lifted_off(y - hem, self.blank(LineName::Skirt))
        })
    }

    /// The pass over a skirt runs straight down, then lifts off on a slope of 45° (handbook 5, *side*):
    /// it is joined over half the skirt's depth at most, so that the hem stays full.
    fn lifted_off(&self, depth_mm: f64, line: ClipLine) -> ClipLine {
        let step = (self.nominal(Zone::Underline) - self.nominal(Zone::Ribs)).abs();
        let over = (JOIN * step).min(0.5 * depth_mm).max(0.0);
        ClipLine {
            left: LeftAs::Blended {
                over_mm: Length::from_mm(over.round()).unwrap_or_default(),
            },
            blend: format!(
                "Run straight down over the line, then lift off on a slope of 45° within {}.",
                self.words.length(over)
            ),
            blend_dy_mm: -over,
            ..line
        }
    }

    /// Hair kept under the tail; a clean drop has no line of its own there.
    fn shelf(&self) -> Option<ClipLine> {
        let look = &self.subject.look;
        if !look.has(LineStop::ShelfKept) {
            return None;
        }
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        Some(ClipLine {
            path_mm: self.along_edge(&[S::UnderTail, S::PinBone]),
            above: "under the tail".into(),
            below: "rump drop".into(),
            hand: vec![self.hand("behind the pin bone", left(S::PinBone))],
            why: "Hair under the tail and a close bend give a straight leg its angle.".into(),
            ..self.joined(Zone::Rump, Zone::HindBack, self.blank(LineName::Shelf))
        })
    }

    fn waist(&self) -> ClipLine {
        let at = self.edge.at(S::LastRib);
        let back = waist_behind_mm(&self.subject.look, self.h());
        let is_at_rib = back < 1.0;
        ClipLine {
            path_mm: vec![
                [at.x, at.y - 0.015 * self.h()],
                [at.x, at.y + 0.045 * self.h()],
            ],
            mark: if is_at_rib {
                "waist at the last rib".into()
            } else {
                format!("waist {} behind the last rib", self.words.bare(back))
            },
            above: "underline, rising to here".into(),
            below: "tuck-up and flank, kept".into(),
            hand: vec![self.hand("behind the last rib", back)],
            why: if is_at_rib {
                "At the last rib the line rises highest; the coat behind it is kept.".into()
            } else {
                "Just behind the last rib the line rises highest; further back lengthens the dog."
                    .into()
            },
            ..self.joined(Zone::Underline, Zone::TuckUp, self.blank(LineName::Waist))
        }
    }

    fn underline(&self) -> ClipLine {
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        ClipLine {
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
            ..self.blank(LineName::Underline)
        }
    }

    fn thigh(&self) -> ClipLine {
        let fold = self.skin(S::FlankFold);
        let is_high = self.subject.look.has(LineStop::LiftAtHip);
        let over = thigh_lift_mm(self.subject) - fold.y;
        let drop = self.skin(S::Buttock);
        ClipLine {
            path_mm: Self::path(&[
                fold,
                Point::new(fold.x - 0.06 * self.h(), fold.y + over),
                Point::new(0.5 * fold.x, fold.y + 1.15 * over),
                Point::new(
                    drop.x + 0.01 * self.h(),
                    drop.y
                        + if is_high {
                            0.6 * over
                        } else {
                            -0.02 * self.h()
                        },
                ),
            ]),
            mark: format!("{} over the fold", self.words.distance(over)),
            above: "hip, body length".into(),
            below: "hind leg; the thigh muscle stays widest".into(),
            hand: vec![self.hand("above the flank fold", over)],
            why: if is_high {
                "Level with the shoulder's line; lift away off the hip towards the knee.".into()
            } else {
                "Lift away off the hip towards the knee, the muscle stays the widest place.".into()
            },
            ..self.joined(Zone::Hip, Zone::HindOut, self.blank(LineName::Thigh))
        }
    }

    fn rump_drop(&self) -> ClipLine {
        let left = |s: S| self.skin(s).distance(self.edge.at(s));
        let bend = self.skin(S::Bend);
        let hock = self.skin(S::HockPoint);
        let is_to_bend = self.subject.look.has(LineStop::DropToBend);
        let ends = if is_to_bend {
            bend.y
        } else {
            self.skin(S::AboveHock).y
        };
        ClipLine {
            path_mm: self.along_edge(&[S::PinBone, S::Buttock, S::ThighBack, S::Bend]),
            mark: if is_to_bend {
                "straight down to the bend".into()
            } else {
                "straight down, out above the hock".into()
            },
            above: "rump".into(),
            below: "back of the hind leg".into(),
            hand: vec![
                self.hand("behind the pin bone", left(S::PinBone)),
                self.hand("behind the bend", left(S::Bend)),
                self.hand("above the hock point, where it ends", ends - hock.y),
            ],
            why: "It drops plumb from the pin bone; at the bend it is closest.".into(),
            ..self.joined(Zone::Rump, Zone::HindBack, self.blank(LineName::RumpDrop))
        }
    }

    /// None where the hock is taken as the back of the leg.
    fn hock(&self) -> Option<ClipLine> {
        if self.subject.look.has(LineStop::HockTaken) {
            return None;
        }
        let (back, front) = (self.edge.at(S::HockPoint), self.edge.at(S::HockFront));
        let y = self.skin(S::HockPoint).y;
        Some(ClipLine {
            path_mm: vec![[back.x, y], [front.x, y]],
            mark: "leg length from the hock".into(),
            above: "back of the hind leg".into(),
            below: "hock and pastern, full".into(),
            hand: vec![self.hand("above the hock point", 0.0)],
            why: "Hair kept behind the hock fills a thin pastern.".into(),
            ..self.joined(Zone::HindBack, Zone::Hock, self.blank(LineName::Hock))
        })
    }

    /// None where the tail keeps its hair down to the root.
    fn tail_base(&self) -> Option<ClipLine> {
        let look = &self.subject.look;
        let set = self.skin(S::TailSet);
        let is_ball = look.finish.has_tail_ball;
        let tail = self.subject.build.tail.length;
        let (along, mark, why) = match look.stop(LineName::TailBase)? {
            LineStop::TailKept => return None,
            LineStop::TailToHip => {
                let reach = set.distance(self.skin(S::HipCrest)).min(tail);
                let why = "Laid over the back, the tail is bare to about the hip crest.";
                (reach, "tail clipped to the hip crest", why)
            }
            LineStop::TailV => {
                let bare = if is_ball {
                    BARE_ROOT * tail
                } else {
                    0.05 * self.h()
                };
                let why = "A V over the root sets a raised tail off the back.";
                (bare, "V above the root", why)
            }
            _ => {
                let why = "A clean root sets the tail off the back.";
                (0.05 * self.h(), "band at the root", why)
            }
        };
        Some(ClipLine {
            path_mm: Self::path(&[
                set + Vec2::new(0.05, 0.015) * self.h(),
                set + Vec2::new(0.005, -0.035) * self.h(),
                self.skin(S::UnderTail) + Vec2::new(0.01, -0.01) * self.h(),
            ]),
            mark: mark.into(),
            above: "croup, body length".into(),
            below: if is_ball {
                "bare root, then the ball".into()
            } else {
                "tail, its own length".into()
            },
            left: if look.foot == FootFinish::Clean {
                LeftAs::Hard
            } else {
                self.join(Zone::Croup, Zone::Tail)
            },
            hand: vec![self.hand("along the tail from its root", along)],
            why: why.into(),
            ..self.blank(LineName::TailBase)
        })
    }
}
