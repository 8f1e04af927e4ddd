//! The tail as it is carried (handbook 10 E).

use super::writer::Writer;
use crate::balance::{SHAPED_MM, TAIL_ALIKE};
use crate::coat::Zone;
use crate::say::capital;
use crate::schools::{Answer, Question};
use crate::shape::BARE_V;

/// What is cut nearer to the felt end of the bone than this, mm (handbook 10 E).
const BEYOND_THE_BONE_MM: f64 = 5.0;

impl Writer<'_> {
    /// Where a tail's hair is cut at the nearest.
    pub(super) fn past_the_bone(&self) -> String {
        format!("at least {} past it", self.words.whole(BEYOND_THE_BONE_MM))
    }

    /// What a tail that is long enough for it is shaped to.
    pub(super) fn tail_shape(&self) -> Option<String> {
        let build = &self.job.sides.left;
        let words = self.words;
        let alike = words.whole(TAIL_ALIKE * build.height);
        // Only there does a ball stand.
        let is_short = build.is_docked();
        let rounded = if is_short {
            format!("a ball round it, {alike} alike on all sides")
        } else {
            format!("its end rounded, {alike} alike on both sides")
        };
        let shape = match self.answer(Question::TailEnd) {
            Answer::TailPlume => "a plume, shaken out, ends only".to_owned(),
            Answer::TailRounded => rounded,
            Answer::TailU => format!("a U about it as it is carried, within {alike}"),
            Answer::TailV if !is_short => format!(
                "a bare V at the root, up to {}, the rest shaken out",
                words.whole(BARE_V * build.height)
            ),
            _ if self.job.look.finish.has_tail_ball() => rounded,
            _ => "shaken out, its ends even".to_owned(),
        };
        let has_shape = self
            .planned_mm(Zone::Tail)
            .is_some_and(|mm| mm >= SHAPED_MM);
        has_shape.then(|| capital(&shape))
    }
}
