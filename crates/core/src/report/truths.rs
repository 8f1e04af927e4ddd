use crate::coat::{CoatFinish, Patch, Texture, Zone};
use crate::job::Job;
use crate::plan::{Plan, SETTLES};
use crate::say::Words;

/// A double coat's back goes no shorter without the owner's word, mm (handbook 3, *Shortest safe*).
const DOUBLE_COAT_MM: f64 = 13.0;
/// More than this comes off in two layers, mm (handbook 6, *rough first*: much).
const MUCH_MM: f64 = 25.0;

/// What a hand knows of this coat under this plan, a sentence each (handbook 3, *Stand*, *Finish*,
/// *Clipper blades*, *Strokes*; common practice).
pub fn coat_truths(plan: &Plan, job: &Job, words: &Words<'_>) -> Vec<String> {
    let mut said = Vec::new();
    let coat = &job.coat;
    let back = plan.zone_mm(Zone::Back);
    if let Some(mm) = back {
        let stands = mm * coat.stand.of(Zone::Back);
        let table = words.length(stands);
        let settled = words.length(SETTLES * stands);
        if table != settled {
            said.push(format!(
                "The back stands {table} off the skin on the table, {settled} an hour later."
            ));
        }
        let off = coat.length_mm(Zone::Back) - mm;
        if off > MUCH_MM {
            said.push(format!(
                "{} comes off the back: two light layers, combed out between, beat one deep one.",
                words.length(off)
            ));
        }
        if coat.texture == Texture::Feathered && mm < DOUBLE_COAT_MM {
            said.push(format!(
                "A double coat under {} may grow back patchy: the owner's word first.",
                words.length(DOUBLE_COAT_MM)
            ));
        }
    }
    said.push(
        match (coat.finish, coat.texture) {
            (CoatFinish::CurlBack, _) => {
                "Judge it misted and patted back: blown straight it stands higher and looks longer."
            }
            (CoatFinish::BlownStraight, Texture::Curl | Texture::Fleece) => {
                "Judged blown straight; the first damp day lets the curl back, to six tenths of it."
            }
            _ => "Fluff it the way it will lie before judging, or too much comes off.",
        }
        .to_owned(),
    );
    for (zone, marks) in &coat.marks {
        let on = zone.label();
        match marks.patch {
            Patch::None => {}
            Patch::LightOnDark => said.push(format!(
                "Light on the {on}: the skin shows pink through it, leave it a size longer."
            )),
            Patch::DarkOnLight => said.push(format!(
                "Dark on the {on}: it looks longer than it is and may go a little shorter."
            )),
        }
        if marks.has_whorl {
            said.push(format!(
                "A whorl on the {on}: one tool run one way leaves two lengths; turn it and even up."
            ));
        }
    }
    said
}
