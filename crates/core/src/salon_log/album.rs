use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::coat::Texture;
use crate::dog::Dog;
use crate::frame::DogSize;
use crate::look::{Look, LookId};
use crate::photo::PhotoMoment;
use crate::visit::Visit;

/// A finished dog of the salon that its owner lets be shown.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AlbumPage {
    /// The photo.
    pub photo: Uuid,
    /// The dog's name.
    pub name: String,
    /// Its size.
    pub size: DogSize,
    /// Its coat.
    pub texture: Texture,
    /// The look it left in.
    pub look: LookId,
    /// That look as the salon called it.
    pub look_name: String,
}

/// What is looked for in the album; what is not said does not matter.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub struct AlbumFilter {
    /// Dogs of this size.
    pub size: Option<DogSize>,
    /// Coats of this texture.
    pub texture: Option<Texture>,
    /// Dogs in this look.
    pub look: Option<LookId>,
}

/// Finished dogs of these visits that may be shown and are looked for, in the order of the visits.
///
/// Handbook 1: the salon's own finished dogs, with leave; a photo is in it only while its owner lets
/// it be, shows the dog when it was done, and says in what look.
pub fn album<'a>(
    visits: impl IntoIterator<Item = (&'a Dog, &'a Visit)>,
    filter: &AlbumFilter,
) -> Vec<AlbumPage> {
    let pages = visits.into_iter().flat_map(|(dog, visit)| {
        let finished = visit.may_be_shown.iter().filter(|photo| {
            let moment = visit.photo_moments.get(*photo);
            moment.is_some_and(|m| *m == PhotoMoment::After)
        });
        finished.filter_map(|photo| {
            let look = visit.look?.look;
            let own = visit.own_look.as_ref().map(|own| own.name.clone());
            Some(AlbumPage {
                photo: *photo,
                name: dog.name.clone(),
                size: visit.frame.size,
                texture: visit.coat.texture,
                look,
                look_name: own.unwrap_or_else(|| Look::shipped(look).name.into()),
            })
        })
    });
    pages
        .filter(|page| {
            filter.size.is_none_or(|size| size == page.size)
                && filter.texture.is_none_or(|texture| texture == page.texture)
                && filter.look.is_none_or(|look| look == page.look)
        })
        .collect()
}
