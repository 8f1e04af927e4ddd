//! The balance points of the legs seen from the front and from behind (balance-model.md 5).

use super::expr::Expr;
use super::points::{BAND, Builder, COLUMN_STATIONS, mean_x};
use super::rules::Judged;
use super::spot::Width;
use crate::look::{ForeLegShape, HindLegShape};
use crate::page::View;
use crate::shape::{FACE_STATIONS, Face, Hand, Leg, LegPlace};

/// First station of a face that is the column's: the hind leg's highest lies on the thigh.
const fn column_from(leg: Leg) -> usize {
    match leg {
        Leg::Fore => 0,
        Leg::Hind => 1,
    }
}

/// How the legs spread behind in an A, degrees (balance-model.md 5).
const SPREAD_DEG: f64 = 4.0;
/// The inner edge follows the outer one by this share.
const INNER_FOLLOWS: f64 = 0.5;

impl Builder<'_> {
    pub(super) fn legs_on_end(&mut self) {
        let look = &self.subject.look;
        let is_judged = [
            look.fore != ForeLegShape::AsItHangs,
            look.hind != HindLegShape::AsItHangs,
        ];
        for (leg, _) in Leg::BOTH.into_iter().zip(is_judged).filter(|(_, is)| *is) {
            for &hand in self.subject.hands() {
                self.edges(leg, hand);
                self.beside_the_body(leg, hand);
            }
        }
        if self.subject.is_mirrored {
            return;
        }
        for leg in Leg::BOTH {
            for face in Face::BOTH {
                let mean = |hand| self.mean_off_midline(leg, hand, face);
                let apart = mean(Hand::Left) - &mean(Hand::Right);
                let band = 0.0045 * self.subject.height();
                let at = self.leg_at(leg, Hand::Left, face, 2);
                self.held(
                    Judged::Mirror,
                    at,
                    apart,
                    (Some(-band), Some(band)),
                    1.0,
                    1.0,
                );
            }
        }
    }

    /// How many legs a row stands for.
    const fn legs_alike(&self) -> f64 {
        if self.subject.is_mirrored { 2.0 } else { 1.0 }
    }

    fn off_midline(&self, leg: Leg, hand: Hand, face: Face, step: usize) -> Expr {
        self.subject.off_midline(LegPlace {
            leg,
            hand,
            face,
            step,
        })
    }

    fn column(leg: Leg) -> std::ops::Range<usize> {
        column_from(leg)..FACE_STATIONS
    }

    fn mean_off_midline(&self, leg: Leg, hand: Hand, face: Face) -> Expr {
        let edges: Vec<Expr> = Self::column(leg)
            .map(|step| self.off_midline(leg, hand, face, step))
            .collect();
        Expr::mean(&edges)
    }

    /// Each edge straight and plumb, or on the line the look draws.
    fn edges(&mut self, leg: Leg, hand: Hand) {
        let h = self.subject.height();
        let (fore, hind) = (self.subject.look.fore, self.subject.look.hind);
        let slack = match leg {
            Leg::Fore => self.slack_in_front(),
            Leg::Hind => self.slack_behind(),
        };
        let judged = match leg {
            Leg::Fore => Judged::FrontEdges,
            Leg::Hind => Judged::RearEdges,
        };
        let heights: Vec<f64> = Self::column(leg)
            .map(|step| self.height_at(leg, hand, Face::Outer, step))
            .collect();
        let count = heights.len() as f64;
        let mean_height = heights.iter().sum::<f64>() / count;
        let (top, low) = (heights[0], heights[heights.len() - 1]);
        let band = slack * BAND * self.tolerance(judged);
        for face in Face::BOTH {
            let mean = self.mean_off_midline(leg, hand, face);
            for (step, y) in Self::column(leg).zip(&heights) {
                let outward = match leg {
                    Leg::Fore => {
                        let t = 2.0 * (mean_height - y) / (top - low).max(1e-6);
                        h * fore.out_on_end(t)
                    }
                    Leg::Hind if hind == HindLegShape::A => {
                        SPREAD_DEG.to_radians().tan() * (mean_height - y)
                    }
                    Leg::Hind => 0.0,
                };
                let outward = match (face, leg) {
                    (Face::Outer, _) => outward,
                    (Face::Inner, Leg::Fore) => -INNER_FOLLOWS * outward,
                    (Face::Inner, Leg::Hind) => INNER_FOLLOWS * outward,
                };
                let value = self.off_midline(leg, hand, face, step) - &mean + -outward;
                let at = self.leg_at(leg, hand, face, step);
                let share = self.legs_alike() * COLUMN_STATIONS / count;
                self.held(judged, at, value, (Some(-band), Some(band)), share, slack);
            }
        }
    }

    /// How a leg stands beside the body: flush, not over it, daylight between, as deep as wide.
    fn beside_the_body(&mut self, leg: Leg, hand: Hand) {
        let h = self.subject.height();
        let look = &self.subject.look;
        let is_flared = match leg {
            Leg::Fore => look.fore == ForeLegShape::Flare,
            Leg::Hind => look.hind == HindLegShape::A,
        };
        let from = column_from(leg);
        let alike = self.legs_alike();
        let at = self.leg_at(leg, hand, Face::Outer, from);
        let outer = self.off_midline(leg, hand, Face::Outer, from);
        match leg {
            Leg::Fore if !is_flared => {
                let over = outer - &self.subject.half_width(Width::Shoulder);
                let low = (Some(-0.02 * h), None);
                self.held(Judged::FrontFlush, at, over.clone(), low, alike, 1.0);
                self.held(Judged::FrontOver, at, over, (None, Some(0.0)), alike, 1.0);
            }
            Leg::Hind if !is_flared => {
                let over = outer - &self.subject.half_width(Width::Thigh);
                self.held(Judged::Widest, at, over, (None, Some(0.0)), alike, 1.0);
            }
            _ => {}
        }
        let inner = self.mean_off_midline(leg, hand, Face::Inner);
        let (judged, weight) = match leg {
            Leg::Fore => (Judged::Daylight, 1.0),
            // Weight behind against in front (balance-model.md 5).
            Leg::Hind => (Judged::Daylight, 0.7),
        };
        let inside = self.leg_at(leg, hand, Face::Inner, 2);
        let wide = (Some(0.02 * h), None);
        self.held(judged, inside, inner.clone(), wide, alike * weight, 1.0);
        if leg == Leg::Fore {
            let width = self.mean_off_midline(leg, hand, Face::Outer) - &inner;
            let depth = mean_x(self.subject);
            let apart = width - &depth;
            let range = (Some(-0.03 * h), Some(0.03 * h));
            self.held(Judged::ColumnSquare, at, apart, range, alike, 1.0);
        }
    }

    fn height_at(&self, leg: Leg, hand: Hand, face: Face, step: usize) -> f64 {
        self.leg_at(leg, hand, face, step).at.y
    }

    fn leg_at(&self, leg: Leg, hand: Hand, face: Face, step: usize) -> super::point::Shown {
        let place = LegPlace {
            leg,
            hand,
            face,
            step,
        };
        let at = self.subject.skin_of(place);
        super::point::Shown {
            view: match leg {
                Leg::Fore => View::Front,
                Leg::Hind => View::Rear,
            },
            at,
        }
    }
}
