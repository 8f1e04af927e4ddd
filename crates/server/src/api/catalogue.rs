use std::collections::BTreeMap;

use actix_web::{get, web};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::body::{BodyPart, FoundKind, Minds};
use veliform_core::coat::{Knots, Site, SiteSkin, Texture, Zone};
use veliform_core::desk::KNOTS_BEGIN_MM;
use veliform_core::device::DeviceKind;
use veliform_core::dog::Programme;
use veliform_core::frame::{
    Angle, BuildType, Dome, EarKind, Felt, Finding, Measure, Method, QUICK_EIGHT, Stop, TailKind,
};
use veliform_core::look::{
    Aim, FootFinish, ForeLegShape, HindLegShape, LineName, LineStop, Look, LookId,
};
use veliform_core::page::View;
use veliform_core::picture::PicturePoint;
use veliform_core::schools::{Answer, Question};
use veliform_core::shape::{Drag, HeadShape, Landmark};
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
    ears: Vec<EarWord>,
    tails: Vec<TailWord>,
    /// How the top of a skull feels.
    domes: Vec<DomeWord>,
    found: Vec<FoundWord>,
    /// Places the hand knows and the outline does not show, in the order a hand travels.
    sites: Vec<SiteWord>,
    /// How the skin of a site looks.
    site_skins: Vec<SiteSkinWord>,
    /// Knots, the least first.
    knots: Vec<KnotsWord>,
    /// Where a knot begins, off the skin, as a hand tells it apart.
    knots_begin_mm: Vec<Length>,
    body_parts: Vec<BodyPartWord>,
    minds: Vec<MindsWord>,
    programme: Vec<ProgrammeWord>,
    zones: Vec<ZoneWord>,
    textures: Vec<TextureWord>,
    looks: Vec<LookWord>,
    schools: Vec<QuestionWord>,
    lines: Vec<LineWord>,
    /// Places to touch on an owner's picture, in their order.
    picture: Vec<PictureWord>,
    /// What a look of the salon's own can have otherwise.
    own_look: OwnLookWords,
    standing_caution: &'static str,
}

/// A measure's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct MeasureWord {
    measure: Measure,
    label: &'static str,
    how: &'static str,
    /// Whether it is one of the quick eight.
    is_quick: bool,
    /// Whether the dog has two of it.
    is_paired: bool,
    /// What reads it while a method is in hand.
    read_by: BTreeMap<Method, Method>,
    /// The device that reads it.
    device: DeviceKind,
    /// The name its problems carry.
    field: String,
}

/// An angle's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct AngleWord {
    angle: Angle,
    label: &'static str,
    how: &'static str,
    /// Whether it is typed in; the others only follow from the landmarks.
    can_be_taken: bool,
    /// What is published beside it: a reference, never a verdict.
    reference: &'static str,
    field: String,
}

/// A stop of the hand.
#[derive(Debug, Serialize, ToSchema)]
pub struct StopWord {
    stop: Stop,
    label: &'static str,
    findings: Vec<Finding>,
}

/// A landmark's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct LandmarkWord {
    landmark: Landmark,
    label: &'static str,
    /// Views it shows in, with the measure touching it opens there.
    views: Vec<LandmarkView>,
}

/// A landmark in a view.
#[derive(Debug, Serialize, ToSchema)]
pub struct LandmarkView {
    view: View,
    opens: Option<Measure>,
    /// Whether it is marked on a photo taken so.
    is_on_photo: bool,
    /// How dragging it there reads as that measure.
    drag: Option<Drag>,
}

/// A type's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct BuildWord {
    build: BuildType,
    label: &'static str,
    /// Where its proportions come from, and how far dogs differ.
    source: &'static str,
}

/// How ears are carried, in a word.
#[derive(Debug, Serialize, ToSchema)]
pub struct EarWord {
    ear: EarKind,
    label: &'static str,
}

/// How a tail is carried, in a word.
#[derive(Debug, Serialize, ToSchema)]
pub struct TailWord {
    tail: TailKind,
    label: &'static str,
}

/// How the top of a skull feels, in a word.
#[derive(Debug, Serialize, ToSchema)]
pub struct DomeWord {
    dome: Dome,
    label: &'static str,
}

/// What can be found on the body, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct FoundWord {
    kind: FoundKind,
    label: &'static str,
    /// Whether it usually reads: have a vet look at this.
    is_for_the_vet: bool,
}

/// A site, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct SiteWord {
    site: Site,
    label: &'static str,
    /// Whether a dog has it left and right.
    is_pair: bool,
}

/// How the skin of a site looks, in a word.
#[derive(Debug, Serialize, ToSchema)]
pub struct SiteSkinWord {
    skin: SiteSkin,
    label: &'static str,
}

/// Knots, in a word.
#[derive(Debug, Serialize, ToSchema)]
pub struct KnotsWord {
    knots: Knots,
    label: &'static str,
}

/// A part of the body, in a word.
#[derive(Debug, Serialize, ToSchema)]
pub struct BodyPartWord {
    part: BodyPart,
    label: &'static str,
}

/// A stage of a programme.
#[derive(Debug, Serialize, ToSchema)]
pub struct ProgrammeWord {
    programme: Programme,
    label: &'static str,
}

/// What else a dog may not like.
#[derive(Debug, Serialize, ToSchema)]
pub struct MindsWord {
    minds: Minds,
    label: &'static str,
}

/// A felt grade's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct FeltWord {
    felt: Felt,
    label: &'static str,
    how: &'static str,
    /// Whether left and right can differ.
    is_paired: bool,
    /// Whether the quick way asks it.
    is_quick: bool,
}

/// A zone's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct ZoneWord {
    zone: Zone,
    label: &'static str,
    /// Whether a dog has it on both sides.
    is_pair: bool,
}

/// A texture's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct TextureWord {
    texture: Texture,
    label: &'static str,
    stand: f64,
}

/// A look's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct LookWord {
    look: LookId,
    name: &'static str,
    summary: &'static str,
    /// Owners' own words for it.
    aliases: &'static [&'static str],
    body_mm: Length,
    body_choices_mm: Vec<Length>,
}

/// A question on which practitioners disagree, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct QuestionWord {
    question: Question,
    label: &'static str,
    /// Why our default is what it is.
    why: &'static str,
    /// The answers, our default first.
    answers: Vec<AnswerWord>,
}

/// An answer, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct AnswerWord {
    answer: Answer,
    label: &'static str,
}

/// A line a salon can have its own way, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineWord {
    line: LineName,
    label: &'static str,
    stops: Vec<StopPlace>,
}

/// A place of a line, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct StopPlace {
    stop: LineStop,
    label: &'static str,
}

/// A place to touch on an owner's picture, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct PictureWord {
    point: PicturePoint,
    label: &'static str,
    can_be_left: bool,
}

/// What a look of the salon's own can have otherwise, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct OwnLookWords {
    aims: Vec<AimWord>,
    fore: Vec<ForeWord>,
    hind: Vec<HindWord>,
    feet: Vec<FootWord>,
    heads: Vec<HeadWord>,
}

/// A number that can be aimed at, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct AimWord {
    aim: Aim,
    label: &'static str,
    from: f64,
    to: f64,
}

/// A shape of the front legs, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct ForeWord {
    fore: ForeLegShape,
    label: &'static str,
}

/// A shape of the hind legs, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct HindWord {
    hind: HindLegShape,
    label: &'static str,
}

/// A finish of the feet, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct FootWord {
    foot: FootFinish,
    label: &'static str,
}

/// A shape of the head, in words.
#[derive(Debug, Serialize, ToSchema)]
pub struct HeadWord {
    head: HeadShape,
    label: &'static str,
}

fn own_look_words() -> OwnLookWords {
    OwnLookWords {
        aims: Aim::ALL
            .map(|aim| {
                let (from, to) = aim.span();
                let label = aim.label();
                AimWord {
                    aim,
                    label,
                    from,
                    to,
                }
            })
            .into(),
        fore: ForeLegShape::ALL
            .map(|fore| ForeWord {
                fore,
                label: fore.label(),
            })
            .into(),
        hind: HindLegShape::ALL
            .map(|hind| HindWord {
                hind,
                label: hind.label(),
            })
            .into(),
        feet: FootFinish::ALL
            .map(|foot| FootWord {
                foot,
                label: foot.label(),
            })
            .into(),
        heads: HeadShape::ALL
            .map(|head| HeadWord {
                head,
                label: head.label(),
            })
            .into(),
    }
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
        ears: EarKind::ALL
            .map(|ear| EarWord {
                ear,
                label: ear.label(),
            })
            .into(),
        tails: TailKind::ALL
            .map(|tail| TailWord {
                tail,
                label: tail.label(),
            })
            .into(),
        domes: Dome::ALL
            .map(|dome| DomeWord {
                dome,
                label: dome.label(),
            })
            .into(),
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
        site_skins: SiteSkin::ALL
            .iter()
            .map(|s| SiteSkinWord {
                skin: *s,
                label: s.label(),
            })
            .collect(),
        knots: Knots::ALL
            .iter()
            .map(|k| KnotsWord {
                knots: *k,
                label: k.label(),
            })
            .collect(),
        knots_begin_mm: KNOTS_BEGIN_MM.map(Length::worked_out_mm).to_vec(),
        programme: Programme::ALL
            .iter()
            .map(|p| ProgrammeWord {
                programme: *p,
                label: p.label(),
            })
            .collect(),
        minds: Minds::ALL
            .iter()
            .map(|m| MindsWord {
                minds: *m,
                label: m.label(),
            })
            .collect(),
        body_parts: BodyPart::ALL
            .iter()
            .map(|p| BodyPartWord {
                part: *p,
                label: p.label(),
            })
            .collect(),
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
                answers: q
                    .answers()
                    .iter()
                    .map(|a| AnswerWord {
                        answer: *a,
                        label: a.label(),
                    })
                    .collect(),
            })
            .collect(),
        lines: OF_THE_HOUSE
            .iter()
            .map(|line| LineWord {
                line: *line,
                label: line.label(),
                stops: line
                    .stops()
                    .map(|stop| StopPlace {
                        stop,
                        label: stop.label(),
                    })
                    .collect(),
            })
            .collect(),
        picture: PicturePoint::ALL
            .map(|point| PictureWord {
                point,
                label: point.label(),
                can_be_left: point.can_be_left(),
            })
            .into(),
        own_look: own_look_words(),
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
