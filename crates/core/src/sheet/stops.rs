//! Where a step of the clipper starts and stops.

use super::pass::Area;
use super::writer::Writer;
use crate::look::LineName;
use crate::schools::{Answer, Question};
use crate::solve::{Stroke, Unit, UnitCut};

/// Two lengths nearer than this are one, mm (modelling choice: what a hand tells apart).
const SAME_MM: f64 = 0.5;

impl Writer<'_> {
    /// Where a clipping step starts and stops, from the lines around its units.
    pub(super) fn ends(&self, cuts: &[&UnitCut]) -> (String, String) {
        let has = |units: &[Unit]| cuts.iter().any(|c| units.contains(&c.unit));
        let mut from = Vec::new();
        let mut to = Vec::new();
        // Where the same goes on, nothing stops.
        let mut stop = |line: LineName, beyond: &[Unit]| {
            if self.ends_at(cuts, beyond) {
                to.push(line);
            }
        };
        if has(&[Unit::BackFront, Unit::BackRear]) {
            match self.answer(Question::ClipStarts) {
                Answer::FromRear => from.push("start at the rear, towards the head".into()),
                Answer::FromDip => from.push("start behind the dip, over the rear".into()),
                _ => {}
            }
        }
        let is_neck_clipped = self
            .plan
            .cuts
            .iter()
            .any(|c| c.unit == Unit::Crest && c.tool.is_some() && c.stroke != Stroke::Scissor);
        let is_of_body = has(&[Unit::BackFront, Unit::Shoulder]);
        if has(&[Unit::Crest]) || is_of_body && !is_neck_clipped {
            from.push(self.line(LineName::Nape));
        } else if is_of_body && from.is_empty() {
            from.push("the withers".into());
        }
        if has(&[Unit::Throat]) {
            from.push("the jaw's corner, downwards".into());
            stop(LineName::Throat, &[Unit::Chest]);
        }
        if has(&[Unit::BackFront]) != has(&[Unit::BackRear]) {
            stop(LineName::BackPass, &[]);
        }
        if has(&[Unit::Hip]) {
            stop(LineName::Thigh, &[Unit::HindOut, Unit::HindBack]);
        }
        if has(&[Unit::Shoulder, Unit::Chest]) {
            stop(
                LineName::Shoulder,
                &[Unit::ForeOut, Unit::ForeFront, Unit::ForeBack],
            );
        }
        if has(&[Unit::Underline]) {
            from.push("between the elbows".into());
            stop(LineName::Waist, &[Unit::TuckUp, Unit::Flank]);
            stop(LineName::Skirt, &[]);
        }
        if has(&[Unit::Rump]) {
            stop(LineName::RumpDrop, &[Unit::HindBack]);
        }
        if has(&[Unit::BackRear, Unit::Croup]) {
            stop(LineName::TailBase, &[Unit::Tail]);
        }
        if has(&[Unit::Face]) {
            from.push("the corner of the eye, to the ear set".into());
        }
        if cuts.iter().any(|c| c.unit.is_of_a_leg()) {
            if !cuts.iter().all(|c| c.unit.is_of_a_leg()) {
                return ("the brisket".into(), "a finger above the foot".into());
            }
            let is_hind = |c: &&UnitCut| Area::of(c.unit) == Area::HindLegs;
            let start = match (cuts.iter().any(is_hind), cuts.iter().all(is_hind)) {
                (_, true) => "the thigh line",
                (true, false) => "elbow and thigh line",
                (false, _) => "the elbow",
            };
            return (start.into(), "a finger above the foot".into());
        }
        if to.is_empty() && has(&[Unit::Crest]) {
            return (from.join("; "), "the withers".into());
        }
        // One start in words; the others lie on the drawing.
        from.truncate(1);
        (from.join("; "), self.stop(&to))
    }

    /// Whether what lies beyond a line is cut otherwise.
    fn ends_at(&self, cuts: &[&UnitCut], beyond: &[Unit]) -> bool {
        let mean =
            |cut: &UnitCut| cut.leaves_mm.iter().sum::<f64>() / cut.leaves_mm.len().max(1) as f64;
        let is_same = |a: &UnitCut, b: &UnitCut| {
            a.tool == b.tool && a.stroke == b.stroke && (mean(a) - mean(b)).abs() < SAME_MM
        };
        let of_plan = self.plan.cuts.iter();
        let mut there = of_plan.filter(|c| beyond.contains(&c.unit)).peekable();
        there.peek().is_none() || there.any(|c| !cuts.iter().any(|here| is_same(here, c)))
    }

    /// One line to stop at, measured; the others by their names, as they are drawn.
    fn stop(&self, lines: &[LineName]) -> String {
        let mut there = lines
            .iter()
            .map(|name| (*name, self.line(*name)))
            .filter(|(_, line)| !line.is_empty());
        let Some((_, first)) = there.next() else {
            return String::new();
        };
        let others: Vec<String> = there.map(|(name, _)| name.label().to_lowercase()).collect();
        if others.is_empty() {
            first
        } else {
            format!("{first}; also {}", others.join(", "))
        }
    }
}
