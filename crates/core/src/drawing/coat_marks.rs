use kurbo::{Point, Vec2};

use super::annotate::Annotator;
use super::shapes::{Anchor, Role, Tag};
use super::table::to_page;
use crate::coat::{Knots, Patch, Zone, ZoneMarks};

impl Annotator<'_> {
    pub(super) fn knots(&mut self) {
        let knotted: Vec<(Zone, Knots)> = self
            .scene
            .coat
            .knots
            .iter()
            .map(|(z, k)| (*z, *k))
            .collect();
        for (zone, knots) in knotted {
            let Some(at) = self.zone_anchor(zone) else {
                continue;
            };
            let (count, reach) = if knots == Knots::Tight {
                (5, 0.035)
            } else {
                (3, 0.025)
            };
            let h = self.h();
            for i in 0..count {
                let x = (f64::from(i) - f64::from(count - 1) / 2.0) * 0.014 * h;
                let (a, b) = (
                    at + Vec2::new(x - 0.4 * reach * h, -reach * h),
                    at + Vec2::new(x + 0.4 * reach * h, reach * h),
                );
                self.line(Role::Knots, &[a, b], 0.003, Some(Tag::Zone(zone)));
            }
        }
    }

    /// Holes, patches, whorls and stains, said in a word where they are.
    pub(super) fn coat_marks(&mut self) {
        let marked: Vec<(Zone, String)> = self
            .scene
            .coat
            .marks
            .iter()
            .map(|(zone, marks)| (*zone, self.mark_words(marks)))
            .filter(|(_, words)| !words.is_empty())
            .collect();
        let t = self.painter.text_mm;
        for (zone, words) in marked {
            let Some(at) = self.zone_anchor(zone) else {
                continue;
            };
            let at = to_page(at);
            let places: Vec<(Point, Anchor)> = [-1.9, 1.4, -3.0, 2.6, -4.2, 3.8, -5.4]
                .into_iter()
                .flat_map(|y| [0.0, -2.0, 2.0].map(|x| at + Vec2::new(x * t, y * t)))
                .map(|p| (p, Anchor::Middle))
                .collect();
            let tag = Some(Tag::Zone(zone));
            let role = Role::ClipWords;
            let placed = self
                .place(role, &places, &words, 0.8, tag, true)
                .or_else(|| self.place(role, &places, &words, 0.8, tag, false));
            if placed.is_none() {
                self.text(role, places[0].0, Anchor::Middle, &words, 0.8, tag);
            }
        }
    }

    fn mark_words(&self, marks: &ZoneMarks) -> String {
        let words = self.words();
        let mut said: Vec<String> = Vec::new();
        if let Some(hole) = marks.hole_mm {
            said.push(format!("hole {}", words.bare(hole.as_mm())));
        }
        match marks.patch {
            Patch::None => {}
            Patch::LightOnDark => said.push("light patch".into()),
            Patch::DarkOnLight => said.push("dark patch".into()),
        }
        said.extend(marks.lay.words().map(Into::into));
        if marks.has_whorl {
            said.push("whorl".into());
        }
        if marks.is_stained {
            said.push("stain".into());
        }
        if marks.has_waves {
            said.push("waves".into());
        }
        if let Some(knot) = marks.knot_from_skin_mm {
            said.push(format!("knot from {}", words.bare(knot.as_mm())));
        }
        said.join(", ")
    }
}
