use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::{Desk, Reasons};
use crate::drawing::{DrawOptions, Drawing};
use crate::look::{Look, OwnLook};
use crate::picture::{Likeness, PictureReading, likeness, picture_look, read_picture};
use crate::solve::SolveError;

/// The owner's picture on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PictureHere {
    /// What the picture gives.
    pub reading: PictureReading,
    /// What this dog can have of it; none while the picture gives nothing.
    pub offer: Option<PictureOffer>,
}

/// The owner's picture as a look on this dog.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PictureOffer {
    /// The look that comes nearest, by name.
    pub nearest: String,
    /// The picture as a look: the nearest one with the picture's ratios.
    pub look: OwnLook,
    /// Ratio by ratio, on this dog.
    pub likeness: Likeness,
    /// This dog in it.
    pub drawing: Drawing,
}

impl Desk<'_> {
    /// The owner's picture held against this dog; none while there is no picture.
    ///
    /// # Errors
    /// If the solver gives no answer, a fault of ours.
    pub fn picture(&self, options: &DrawOptions) -> Result<Option<PictureHere>, SolveError> {
        let Some(picture) = &self.visit.picture else {
            return Ok(None);
        };
        let reading = read_picture(picture);
        if reading.ratios.is_empty() {
            return Ok(Some(PictureHere {
                reading,
                offer: None,
            }));
        }
        let look = picture_look(picture, &reading.ratios);
        let job = self.job_in(look.look());
        let likeness = likeness(&reading.ratios, &job, &self.words())?;
        let solved = self.solve(&job, Reasons::Skip)?;
        Ok(Some(PictureHere {
            offer: Some(PictureOffer {
                nearest: Look::shipped(look.base).name.into(),
                drawing: self.draw(Some(&solved), options),
                likeness,
                look,
            }),
            reading,
        }))
    }
}
