//! Bytes and text to core values and back: dog file, SVG, PDF, PNG.
#![warn(missing_docs)]

mod calendar;
mod dog_file;
mod dog_file_schema;
mod fonts;
mod kind;
mod look_file;
mod page;
mod paper;
mod photo;
mod raster;
mod roles_css;
mod said;
mod svg;
mod text;

pub use calendar::{ReturnDay, return_calendar};
pub use dog_file::{
    DOG_FILE_FORMAT, DOG_FILE_VERSION, DogFile, MOST_BYTES, VisitRecord, read_dog_file,
    write_dog_file,
};
pub use dog_file_schema::schema;
pub use kind::FileError;
pub use look_file::{read_look_file, write_look_file};
pub use page::{PageError, pdf};
pub use paper::{
    Agreement, LifePaper, OwnerCard, Sheet, agreement_svg, life_pages, owner_card_pages,
    sheet_pages,
};
pub use photo::{KeptPhoto, MOST_PHOTO_BYTES, PhotoError, keep_photo};
pub use raster::{RasterError, png};
pub use roles_css::roles_css;
pub use said::{Unreadable, read_json};
pub use svg::{Theme, drawing_svg};
pub use text::plan_text;
