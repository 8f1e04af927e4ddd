//! What every page needs to know first: the trade's words.

mod choices;
mod described;

use actix_web::{get, web};
use choices::{Choices, choices, said};
use described::{
    AimWord, AngleWord, BendQuestion, BendWord, BuildWord, FeltWord, FoundWord, LandmarkView,
    LandmarkWord, LineWord, LookWord, MeasureWord, PictureWord, QuestionWord, RunEndWord, SiteWord,
    StopWord, TextureWord, ZoneWord,
};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::body::FoundKind;
use veliform_core::coat::{Site, Texture, Zone};
use veliform_core::desk::KNOTS_BEGIN_MM;
use veliform_core::device::DeviceKind;
use veliform_core::frame::{Angle, Bend, BuildType, Felt, Measure, Method, QUICK_EIGHT, Stop};
use veliform_core::look::{Aim, LineName, LineStop, Look, LookId};
use veliform_core::page::View;
use veliform_core::picture::PicturePoint;
use veliform_core::run::RunEnd;
use veliform_core::schools::{Answer, Question};
use veliform_core::shape::Landmark;
use veliform_core::sheet::STANDING_CAUTION;
use veliform_core::units::Length;

/// The trade's words, as the core says them.
#[derive(Debug, Serialize, ToSchema)]
pub struct Catalogue {
    measures: Vec<MeasureWord>,
    felt: Vec<FeltWord>,
    angles: Vec<AngleWord>,
    /// Where the hand stops, in its order, with what it finds there.
    stops: Vec<StopWord>,
    landmarks: Vec<LandmarkWord>,
    builds: Vec<BuildWord>,
    found: Vec<FoundWord>,
    /// Places the hand knows and the outline does not show, in the order a hand travels.
    sites: Vec<SiteWord>,
    /// Where a knot begins, off the skin, as a hand tells it apart.
    knots_begin_mm: Vec<Length>,
    zones: Vec<ZoneWord>,
    textures: Vec<TextureWord>,
    looks: Vec<LookWord>,
    schools: Vec<QuestionWord>,
    lines: Vec<LineWord>,
    /// Places to touch on an owner's picture, in their order.
    picture: Vec<PictureWord>,
    /// What a look of the salon's own can aim at otherwise.
    aims: Vec<AimWord>,
    bend: BendQuestion,
    run_ends: Vec<RunEndWord>,
    choices: Choices,
    standing_caution: &'static str,
}

/// Lines that handbook 6 has among the schools.
const OF_THE_HOUSE: [LineName; 7] = [
    LineName::Nape,
    LineName::Bib,
    LineName::Waist,
    LineName::Skirt,
    LineName::Shelf,
    LineName::Hock,
    LineName::TailBase,
];

/// The trade's words for measures, grades, zones, textures and looks.
#[utoipa::path(responses((status = 200, body = Catalogue)))]
#[get("/catalogue")]
pub(crate) async fn get_catalogue() -> web::Json<Catalogue> {
    let length = |mm: f64| Length::worked_out_mm(mm);
    web::Json(Catalogue {
        measures: QUICK_EIGHT
            .iter()
            .chain(Measure::ALL.iter().filter(|m| !QUICK_EIGHT.contains(m)))
            .map(|m| MeasureWord {
                measure: *m,
                label: m.label(),
                how: m.how_to_find(),
                is_quick: QUICK_EIGHT.contains(m),
                is_paired: m.is_paired(),
                read_by: Method::ALL.map(|by| (by, by.for_measure(*m))).into(),
                device: DeviceKind::reading(*m),
                field: m.field(),
            })
            .collect(),
        felt: Felt::ALL
            .iter()
            .map(|f| FeltWord {
                felt: *f,
                label: f.label(),
                how: f.how_to_feel(),
                is_paired: f.is_paired(),
                is_quick: Felt::QUICK_TEN.contains(f),
            })
            .collect(),
        angles: Angle::ALL
            .iter()
            .map(|a| AngleWord {
                angle: *a,
                label: a.label(),
                how: a.how_to_find(),
                can_be_taken: a.can_be_taken(),
                reference: a.reference(),
                field: a.field(),
            })
            .collect(),
        stops: Stop::ALL
            .iter()
            .map(|s| StopWord {
                stop: *s,
                label: s.label(),
                findings: s.findings(),
            })
            .collect(),
        landmarks: Landmark::ALL.iter().map(|l| landmark_word(*l)).collect(),
        builds: BuildType::ALL
            .iter()
            .map(|b| BuildWord {
                build: *b,
                label: b.label(),
                source: b.source(),
            })
            .collect(),
        found: FoundKind::ALL
            .iter()
            .map(|k| FoundWord {
                kind: *k,
                label: k.label(),
                is_for_the_vet: k.is_for_the_vet(),
            })
            .collect(),
        sites: Site::ALL
            .iter()
            .map(|s| SiteWord {
                site: *s,
                label: s.label(),
                is_pair: s.is_pair(),
            })
            .collect(),
        knots_begin_mm: KNOTS_BEGIN_MM.map(Length::worked_out_mm).to_vec(),
        zones: Zone::ALL
            .iter()
            .map(|z| ZoneWord {
                zone: *z,
                label: z.label(),
                is_pair: z.is_pair(),
            })
            .collect(),
        textures: Texture::ALL
            .iter()
            .map(|t| TextureWord {
                texture: *t,
                label: t.label(),
                stand: t.stand(),
            })
            .collect(),
        looks: LookId::ALL
            .iter()
            .map(|id| {
                let look = Look::shipped(*id);
                LookWord {
                    look: *id,
                    name: look.name,
                    summary: look.summary,
                    aliases: look.aliases,
                    body_mm: length(look.body_mm),
                    body_choices_mm: look.body_choices_mm.iter().map(|mm| length(*mm)).collect(),
                }
            })
            .collect(),
        schools: Question::ALL
            .iter()
            .map(|q| QuestionWord {
                question: *q,
                label: q.label(),
                why: q.why(),
                answers: said(q.answers().iter().copied(), Answer::label),
            })
            .collect(),
        lines: OF_THE_HOUSE
            .iter()
            .map(|line| LineWord {
                line: *line,
                label: line.label(),
                stops: said(line.stops(), LineStop::label),
            })
            .collect(),
        picture: PicturePoint::ALL
            .map(|point| PictureWord {
                point,
                label: point.label(),
                can_be_left: point.can_be_left(),
            })
            .into(),
        aims: Aim::ALL
            .map(|aim| {
                let (from, to) = aim.span();
                AimWord {
                    aim,
                    label: aim.label(),
                    from,
                    to,
                }
            })
            .into(),
        bend: BendQuestion {
            label: Bend::QUESTION,
            how: Bend::HOW,
            answers: Bend::ALL.map(bend_word).into(),
        },
        run_ends: RunEnd::ALL
            .map(|how| RunEndWord {
                how,
                label: how.label(),
                means: how.means(),
                over: how.over(),
            })
            .into(),
        choices: choices(),
        standing_caution: STANDING_CAUTION,
    })
}

fn landmark_word(landmark: Landmark) -> LandmarkWord {
    LandmarkWord {
        landmark,
        label: landmark.label(),
        views: [View::Side, View::Front, View::Rear, View::Top]
            .into_iter()
            .filter(|v| landmark.shows_in(*v))
            .map(|view| LandmarkView {
                view,
                opens: landmark.opens(view),
                is_on_photo: landmark.is_marked_on_photo(view),
                drag: landmark.drag(view),
            })
            .collect(),
    }
}

fn bend_word(bend: Bend) -> BendWord {
    let (felt, grade) = bend.said();
    BendWord {
        bend,
        label: bend.label(),
        felt,
        grade,
    }
}
