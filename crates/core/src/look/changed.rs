//! A look changed: by the body length asked for, a line's place, or the salon's way of working.

use super::placement::LineStop;
use super::{Cut, ForeLegShape, HEM_FLARE, HindLegShape, Look, UnderlineShape, shipped, underline};
use crate::coat::Zone;
use crate::shape::{Hangs, HeadShape, TailForm};

/// Chest of a full bib, mm at 450 (handbook 5, look 8).
const FULL_BIB_MM: f64 = 35.0;

/// Crest where a look that clips it is asked to keep it, mm at 450 (handbook 5, look 2).
const KEPT_CREST_MM: f64 = 25.0;

/// Of hair that is only shortened, at least this share stays (modelling choice: *tidy* is never
/// half).
const LEFT_OF_FEATHER: f64 = 0.5;

/// Zones that share the body's length (balance-model.md 6).
const BODY: [Zone; 10] = [
    Zone::Back,
    Zone::Croup,
    Zone::Shoulder,
    Zone::Hip,
    Zone::NeckSide,
    Zone::Ribs,
    Zone::Rump,
    Zone::Chest,
    Zone::Underline,
    Zone::TuckUp,
];

impl Look {
    /// A look with another body length than it ships with.
    ///
    /// # Units and shapes
    /// `body_mm` on this look's own scale; zones of the body move by the difference, in a look of
    /// one length all of them by the ratio.
    #[must_use]
    pub fn with_body(mut self, body_mm: f64) -> Self {
        let (was, now) = (self.body_mm, body_mm);
        let is_one_comb = !self.scales;
        for zone in Zone::ALL {
            let is_body = BODY.contains(&zone) && self.cut(zone) == Cut::Clipped;
            let length = &mut self.nominal_mm[zone as usize];
            if is_one_comb {
                *length *= now / was;
            } else if is_body {
                *length = (*length + now - was).max(1.0);
            }
        }
        self.body_mm = body_mm;
        self.named_body_mm = Some(body_mm);
        self
    }

    /// The look on this dog's coat: lengths of its own stay, *what is there less a little* becomes
    /// lengths.
    ///
    /// # Units and shapes
    /// `coat_mm` gives a zone's length today, mm.
    #[must_use]
    pub fn fitted(mut self, height_mm: f64, coat_mm: &dyn Fn(Zone) -> f64) -> Self {
        let scale = self.scale(height_mm);
        if let Some(off) = self.comes_off_mm.take() {
            for zone in Zone::ALL {
                let there = coat_mm(zone) / scale;
                self.nominal_mm[zone as usize] =
                    (there - off[zone as usize]).max(LEFT_OF_FEATHER * there);
            }
        }
        self
    }

    /// The look with the lengths and cuts that follow from a line's place.
    #[must_use]
    pub fn lined(mut self, stop: LineStop) -> Self {
        match stop {
            LineStop::CrestKept if self.cut(Zone::Crest) != Cut::Scissored => {
                self.nominal_mm[Zone::Crest as usize] = KEPT_CREST_MM;
                self.cuts[Zone::Crest as usize] = Cut::Scissored;
            }
            LineStop::FromOcciput => self.cut_alike(Zone::Crest, Zone::NeckSide),
            LineStop::HockTaken => self.cut_alike(Zone::Hock, Zone::HindBack),
            LineStop::BibClean => self.cut_alike(Zone::Chest, Zone::Throat),
            LineStop::BibFull => {
                let chest = &mut self.nominal_mm[Zone::Chest as usize];
                *chest = chest.max(FULL_BIB_MM);
                self.cuts[Zone::Chest as usize] = Cut::Scissored;
            }
            LineStop::NoSkirt if self.finish.has_skirt() => {
                self.cut_alike(Zone::Underline, Zone::Ribs);
                self.cut_alike(Zone::TuckUp, Zone::Ribs);
                self.finish.hangs = Hangs::Nothing;
            }
            _ => {}
        }
        self
    }

    /// The look with the inside of the hind leg so many mm shorter than its outside.
    #[must_use]
    pub fn with_hind_inside(mut self, shorter_mm: f64) -> Self {
        let outside = self.nominal_mm[Zone::HindOut as usize];
        self.nominal_mm[Zone::HindIn as usize] = (outside - shorter_mm).max(0.0);
        self
    }

    /// The look with the tuck-up cut as the ribs beside it.
    #[must_use]
    pub fn with_tuck_up_cleared(mut self) -> Self {
        self.cut_alike(Zone::TuckUp, Zone::Ribs);
        self
    }

    /// The look with its underline so many times as long.
    #[must_use]
    pub fn with_underline(mut self, times: f64) -> Self {
        self.nominal_mm[Zone::Underline as usize] *= times;
        self
    }

    /// The look with its brows so many times as long.
    #[must_use]
    pub fn with_brow(mut self, times: f64) -> Self {
        self.nominal_mm[Zone::Brow as usize] *= times;
        self
    }

    /// The look with another course of the underline; one that hangs as the feather does keeps it.
    #[must_use]
    pub fn with_underline_shape(mut self, shape: UnderlineShape) -> Self {
        if self.fore == ForeLegShape::AsItHangs {
            return self;
        }
        self.underline = shape;
        if shape == UnderlineShape::Straight {
            self.targets.rise = underline::LEVEL;
        }
        self
    }

    /// The look with its ears clipped to this length, mm at 450, or left.
    #[must_use]
    pub fn with_ear(mut self, mm: Option<f64>) -> Self {
        self.nominal_mm[Zone::Ear as usize] = mm.unwrap_or(shipped::KEPT);
        self
    }

    /// The look with its tail shaped so, where it cuts one at all.
    #[must_use]
    pub fn with_tail(mut self, form: TailForm) -> Self {
        if self.nominal_mm[Zone::Tail as usize] < shipped::KEPT {
            self.finish.tail = form;
        }
        self
    }

    /// The look with a spaniel's crown cut as its cheek; other heads have no such crown.
    #[must_use]
    pub fn with_crown_off(mut self) -> Self {
        if self.finish.head == Some(HeadShape::Spaniel) {
            self.cut_alike(Zone::Topknot, Zone::Cheek);
        }
        self
    }

    /// The look with other front legs; the hem stands out where they flare. Legs that hang as the
    /// feather does stay so.
    #[must_use]
    pub fn with_fore(mut self, fore: ForeLegShape) -> Self {
        if self.fore == ForeLegShape::AsItHangs {
            return self;
        }
        let flares = |shape| shape == ForeLegShape::Flare;
        if flares(fore) != flares(self.fore) {
            self.finish.flare = if flares(fore) { HEM_FLARE } else { 0.0 };
        }
        self.fore = fore;
        self
    }

    /// The look with other hind legs, likewise.
    #[must_use]
    pub fn with_hind(mut self, hind: HindLegShape) -> Self {
        if self.hind != HindLegShape::AsItHangs {
            self.hind = hind;
        }
        self
    }

    fn cut_alike(&mut self, zone: Zone, other: Zone) {
        self.nominal_mm[zone as usize] = self.nominal_mm[other as usize];
        self.cuts[zone as usize] = self.cuts[other as usize];
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::look::LookId;

    /// Handbook 5 and balance-model.md 1: lamb lengths follow the dog, one length does not.
    #[test]
    fn scissored_looks_follow_the_size_of_the_dog_and_comb_looks_do_not() {
        let twice =
            |look: &Look| look.nominal_mm(Zone::Knee, 600.0) / look.nominal_mm(Zone::Knee, 300.0);
        assert!((twice(&Look::shipped(LookId::Lamb)) - 2.0).abs() < 1e-12);
        assert!((twice(&Look::shipped(LookId::OneLength)) - 1.0).abs() < 1e-12);
    }

    #[test]
    fn another_body_length_leaves_the_legs_of_a_lamb_alone() {
        let longer = Look::shipped(LookId::Lamb).with_body(16.0);
        assert!((longer.nominal_mm(Zone::Back, 450.0) - 16.0).abs() < 1e-12);
        assert!((longer.nominal_mm(Zone::Chest, 450.0) - 14.0).abs() < 1e-12);
        assert!((longer.nominal_mm(Zone::Knee, 450.0) - 34.0).abs() < 1e-12);
        let shorter = Look::shipped(LookId::OneLength).with_body(13.0);
        assert!((shorter.nominal_mm(Zone::Knee, 450.0) - 13.0).abs() < 1e-12);
    }
}
