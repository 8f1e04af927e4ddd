//! What stays off, as chalk notes at their places.

use kurbo::{Point, Rect, Vec2};

use super::canvas::{Painter, Room};
use super::free_paper::FreePaper;
use super::pins::Pins;
use super::shapes::{Anchor, Geometry, Role, Shape, Tag};
use super::simplify::tenth;
use crate::page::View;
use crate::report::{PlanReport, Reason};

/// Letters of a note's line, about; lines of a note at most (modelling choice, as the sizes below: a few words
/// that are read at arm's length).
const LETTERS: usize = 21;
const LINES: usize = 3;
/// Size of its words, and from one line to the next, against ordinary text.
const SIZE: f64 = 1.08;
const LEADING: f64 = 1.3;
/// A letter's width on average in the face of words, which is narrower than the figures', against its size.
const LETTER: f64 = 0.5;
/// How far from its place it may stand, nearest first, and in how many directions it is tried; against
/// ordinary text.
const REACH: [f64; 8] = [1.6, 2.6, 3.8, 5.2, 7.0, 9.0, 11.5, 14.0];
const DIRECTIONS: u32 = 32;
/// Paper that stays free along the page's edge and beside the height stick, against ordinary text.
const MARGIN: f64 = 0.4;
const STICK: f64 = 4.0;
/// A tie ends so far before a note, against ordinary text; its own weight, share of the height.
const GAP: f64 = 0.35;
const TIE: f64 = 0.0035;

/// A note in free paper, tied to its place.
struct Note {
    number: u32,
    lines: Vec<String>,
    area: Rect,
    anchor: Anchor,
    from: Point,
    to: Point,
}

/// All notes of a view; a numbered pin for what finds no free paper.
pub(super) struct Notes {
    notes: Vec<Note>,
    pins: Pins,
}

impl Notes {
    /// Finds paper for what shows in this view, and keeps it.
    pub(super) fn place(painter: &mut Painter, report: &PlanReport, room: Room) -> Self {
        let numbered = (1..).zip(&report.reasons);
        let view = painter.view;
        let mut here = numbered
            .filter(|(_, reason)| reason.view == view)
            .peekable();
        let mut notes = Vec::new();
        let mut pinned = Vec::new();
        if here.peek().is_some() {
            let paper = FreePaper::about(painter);
            for (number, reason) in here {
                let note = (room == Room::Ample)
                    .then(|| Note::near(painter, &paper, number, reason))
                    .flatten();
                match note {
                    Some(note) => notes.push(note),
                    None => pinned.push((number, reason)),
                }
            }
        }
        let pins = Pins::place(painter, &pinned);
        Self { notes, pins }
    }

    pub(super) fn draw(self, painter: &mut Painter) {
        for note in self.notes {
            note.draw(painter);
        }
        self.pins.draw(painter);
    }
}

impl Note {
    /// The note at the nearest free paper, which is kept; none where none is free.
    fn near(
        painter: &mut Painter,
        paper: &FreePaper,
        number: u32,
        reason: &Reason,
    ) -> Option<Self> {
        let lines = wrapped(&reason.fault)?;
        let t = painter.text_mm;
        let size = SIZE * t;
        let longest = lines.iter().map(|line| line.chars().count()).max()?;
        let wide = LETTER * size * longest as f64;
        let tall = LEADING * size * lines.len() as f64;
        let at = painter.on_page(&[Point::new(reason.at_mm[0], reason.at_mm[1])])[0];
        let place = |reach: f64, n: u32| {
            let turn = std::f64::consts::TAU * f64::from(n) / f64::from(DIRECTIONS);
            let towards = Vec2::from_angle(turn);
            // So far that the nearest of its edges is a reach away.
            let half = Vec2::new(wide, tall) * 0.5;
            let middle =
                at + towards * reach * t + Vec2::new(half.x * towards.x, half.y * towards.y);
            Rect::from_center_size(middle, (wide, tall))
        };
        let page = painter.page;
        let is_on_page = |area: &Rect| {
            let low = if painter.view == View::Top {
                page.y0
            } else {
                0.0
            };
            area.x0 > page.x0 + STICK * t
                && area.x1 < page.x1 - MARGIN * t
                && area.y0 > low + MARGIN * t
                && area.y1 < page.y1 - MARGIN * t
        };
        let areas = REACH
            .into_iter()
            .flat_map(|reach| (0..DIRECTIONS).map(move |n| (reach, n)))
            .map(|(reach, n)| place(reach, n));
        let is_free = |area: &Rect| {
            is_on_page(area)
                && painter.labels.is_free(*area)
                && paper.is_free(*area)
                && painter.labels.is_clear(nearest(*area, at), at)
        };
        let area = areas.into_iter().find(is_free)?;
        let edge = nearest(area, at);
        let gap = GAP * t;
        let far = edge.distance(at).max(gap);
        let from = edge.lerp(at, gap / far);
        painter.labels.keep(area);
        painter.labels.tie(from, at);
        Some(Self {
            number,
            lines,
            area,
            // The words' straight edge is the one towards their place.
            anchor: if at.x < area.x0 {
                Anchor::Start
            } else if at.x > area.x1 {
                Anchor::End
            } else {
                Anchor::Middle
            },
            from,
            to: at,
        })
    }

    fn draw(self, painter: &mut Painter) {
        let size_mm = SIZE * painter.text_mm;
        let tag = Some(Tag::Pin(self.number));
        painter.shapes.push(Shape {
            role: Role::NoteTie,
            geometry: Geometry::Line {
                points_mm: [self.from, self.to]
                    .iter()
                    .flat_map(|p| [tenth(p.x), tenth(p.y)])
                    .collect(),
                width_mm: TIE * painter.height,
            },
            tag,
        });
        let x = match self.anchor {
            Anchor::Start => self.area.x0,
            Anchor::Middle => self.area.center().x,
            Anchor::End => self.area.x1,
        };
        for (line, n) in self.lines.into_iter().zip(1_u32..) {
            let y = self.area.y1 - LEADING * size_mm * (f64::from(n) - 0.25);
            painter.shapes.push(Shape {
                role: Role::NoteWords,
                geometry: Geometry::Text {
                    at_mm: [tenth(x), tenth(y)],
                    text: line,
                    size_mm,
                    anchor: self.anchor,
                },
                tag,
            });
        }
    }
}

/// A sentence on a few short lines; none where it is too long for them.
fn wrapped(sentence: &str) -> Option<Vec<String>> {
    let mut lines: Vec<String> = Vec::new();
    for word in sentence.split_whitespace() {
        match lines.last_mut() {
            Some(line) if line.chars().count() + 1 + word.chars().count() <= LETTERS => {
                line.push(' ');
                line.push_str(word);
            }
            _ => lines.push(word.to_owned()),
        }
    }
    (!lines.is_empty() && lines.len() <= LINES).then_some(lines)
}

/// The point of an area's edge nearest to a place beside it.
fn nearest(area: Rect, at: Point) -> Point {
    Point::new(at.x.clamp(area.x0, area.x1), at.y.clamp(area.y0, area.y1))
}
