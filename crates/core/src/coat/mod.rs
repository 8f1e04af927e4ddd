//! The coat: zones, texture and stand, lengths now, knots, limits, growth (handbook 3).

mod growth;
mod knots_before;
mod marks;
mod now;
mod region;
mod site;
mod skin;
mod standing;
mod stands;
mod texture;
mod zone;

pub use growth::{Growth, whole_weeks};
pub use knots_before::KnotsBefore;
pub use marks::{CoatFinish, Lay, Patch, ZoneMarks};
pub(crate) use now::LONGEST_MM;
pub use now::{CoatInput, CoatNow, Knots, Limit, LimitCause, resolve_coat};
pub use region::CombRegion;
pub use site::{Site, SiteMarks, SiteSkin, SiteState};
pub use skin::{CoatColour, Skin, UNDER_KNOTS_MM, shortest_safe_mm};
pub use standing::{can_stand, standing_problem};
pub use stands::Stands;
pub use texture::Texture;
pub use zone::Zone;
