use actix_web::{get, web};
use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::coat::{Texture, Zone};
use veliform_core::frame::{Felt, Measure, QUICK_EIGHT};
use veliform_core::look::{Look, LookId};
use veliform_core::sheet::STANDING_CAUTION;
use veliform_core::units::Length;

/// The trade's words, as the core says them.
#[derive(Debug, Serialize, ToSchema)]
pub struct Catalogue {
    measures: Vec<MeasureWord>,
    felt: Vec<FeltWord>,
    zones: Vec<ZoneWord>,
    textures: Vec<TextureWord>,
    looks: Vec<LookWord>,
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
}

/// A felt grade's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct FeltWord {
    felt: Felt,
    label: &'static str,
    how: &'static str,
}

/// A zone's words.
#[derive(Debug, Serialize, ToSchema)]
pub struct ZoneWord {
    zone: Zone,
    label: &'static str,
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
    body_mm: Length,
    body_choices_mm: Vec<Length>,
}

/// The trade's words for measures, grades, zones, textures and looks.
#[utoipa::path(responses((status = 200, body = Catalogue)))]
#[get("/catalogue")]
pub(crate) async fn get_catalogue() -> web::Json<Catalogue> {
    let length = |mm: f64| Length::from_mm(mm).unwrap_or_default();
    web::Json(Catalogue {
        measures: QUICK_EIGHT
            .iter()
            .chain(Measure::ALL.iter().filter(|m| !QUICK_EIGHT.contains(m)))
            .map(|m| MeasureWord {
                measure: *m,
                label: m.label(),
                how: m.how_to_find(),
                is_quick: QUICK_EIGHT.contains(m),
            })
            .collect(),
        felt: Felt::ALL
            .iter()
            .map(|f| FeltWord {
                felt: *f,
                label: f.label(),
                how: f.how_to_feel(),
            })
            .collect(),
        zones: Zone::ALL
            .iter()
            .map(|z| ZoneWord {
                zone: *z,
                label: z.label(),
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
                    body_mm: length(look.body_mm),
                    body_choices_mm: look.body_choices_mm.iter().map(|mm| length(*mm)).collect(),
                }
            })
            .collect(),
        standing_caution: STANDING_CAUTION,
    })
}
