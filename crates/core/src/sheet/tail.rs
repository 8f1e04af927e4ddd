//! The tail as it is carried (handbook 10 E).

use super::writer::Writer;
use crate::balance::{SHAPED_MM, TAIL_ALIKE};
use crate::coat::Zone;
use crate::look::{LineName, LineStop};
use crate::say::capital;
use crate::shape::{BARE_V, TailForm};

/// What is cut nearer to the felt end of the bone than this, mm (handbook 10 E).
const BEYOND_THE_BONE_MM: f64 = 5.0;

impl Writer<'_> {
    /// Where a tail's hair is cut at the nearest.
    pub(super) fn past_the_bone(&self) -> String {
        format!("at least {} past it", self.words.whole(BEYOND_THE_BONE_MM))
    }

    /// What a tail that is long enough for it is shaped to: what is drawn.
    pub(super) fn tail_shape(&self) -> Option<String> {
        let build = &self.job.sides.left;
        let words = self.words;
        let alike = words.whole(TAIL_ALIKE * build.height);
        let shape = match self.job.look.finish.tail_on(build) {
            TailForm::Plume => "a plume, shaken out, ends only".to_owned(),
            TailForm::Ball => format!("a ball round it, {alike} alike on all sides"),
            TailForm::Rounded => format!("its end rounded, {alike} alike on both sides"),
            TailForm::U => format!("a U about it as it is carried, within {alike}"),
            TailForm::BareV => {
                let bare = words.whole(BARE_V * build.height);
                let root = match self.job.lines.stop(LineName::TailBase) {
                    Some(LineStop::TailV) => "a bare V at the root",
                    _ => "its root bare",
                };
                format!("{root}, up to {bare}, the rest shaken out")
            }
            TailForm::Thin
            | TailForm::Carrot
            | TailForm::Even
            | TailForm::Stubby
            | TailForm::Untouched
            | TailForm::Flag => "shaken out, its ends even".to_owned(),
        };
        let has_shape = self
            .planned_mm(Zone::Tail)
            .is_some_and(|mm| mm >= SHAPED_MM);
        has_shape.then(|| capital(&shape))
    }
}
