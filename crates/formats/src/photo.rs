use std::io::Cursor;

use image::codecs::jpeg::JpegEncoder;
use image::metadata::Orientation;
use image::{DynamicImage, ImageDecoder as _, ImageFormat, ImageReader, Limits};

/// Largest photo taken, bytes: a 12-megapixel JPEG at best quality is under half of it.
pub const MOST_PHOTO_BYTES: usize = 16 * 1024 * 1024;
/// Largest picture taken, pixels a side: a telephone's longest.
const MOST_SIDE: u32 = 9000;
/// Most memory one picture may take while it is opened: 24 megapixels at four bytes.
const MOST_MEMORY: u64 = 100 * 1024 * 1024;
/// Longer side of what is kept: a finger's touch on it is finer than a tape.
const KEPT_SIDE: u32 = 2000;
/// Quality of what is kept, of 100.
const QUALITY: u8 = 85;

/// A photo that was opened, set upright, shrunk and written anew.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct KeptPhoto {
    /// JPEG without any metadata.
    pub jpeg: Vec<u8>,
    /// Width, pixels.
    pub width: u32,
    /// Height, pixels.
    pub height: u32,
}

/// Why a photo was not taken.
#[derive(Debug, thiserror::Error)]
pub enum PhotoError {
    /// Too many bytes.
    #[error("the photo has {} MB; the most taken is {} MB: take it smaller", .bytes / 1_048_576, MOST_PHOTO_BYTES / 1_048_576)]
    TooManyBytes {
        /// How many.
        bytes: usize,
    },
    /// None of the kinds that are read.
    #[error("this is no photo that can be read; use a JPEG, PNG or WebP file")]
    OtherKind,
    /// More pixels than are taken.
    #[error(
        "the picture is larger than is taken ({MOST_SIDE} pixels a side, about 24 megapixels in all); take it smaller"
    )]
    TooManyPixels,
    /// Cut off or damaged.
    #[error("the photo is damaged and cannot be opened; send it again or take another")]
    Broken,
}

/// Opens a photo and writes it anew.
///
/// The kind is found from the bytes, not the name. Size is checked before anything is unpacked, so
/// that a small file of a huge picture costs nothing. Camera and place data do not survive.
///
/// # Errors
/// If it is too large, of another kind, or damaged.
pub fn keep_photo(bytes: &[u8]) -> Result<KeptPhoto, PhotoError> {
    if bytes.len() > MOST_PHOTO_BYTES {
        return Err(PhotoError::TooManyBytes { bytes: bytes.len() });
    }
    let mut reader = ImageReader::new(Cursor::new(bytes))
        .with_guessed_format()
        .map_err(|_| PhotoError::OtherKind)?;
    if !matches!(
        reader.format(),
        Some(ImageFormat::Jpeg | ImageFormat::Png | ImageFormat::WebP)
    ) {
        return Err(PhotoError::OtherKind);
    }
    let mut limits = Limits::default();
    limits.max_image_width = Some(MOST_SIDE);
    limits.max_image_height = Some(MOST_SIDE);
    limits.max_alloc = Some(MOST_MEMORY);
    reader.limits(limits);
    let mut decoder = reader.into_decoder().map_err(refusal)?;
    let (width, height) = decoder.dimensions();
    if u64::from(width) * u64::from(height) * 4 > MOST_MEMORY {
        return Err(PhotoError::TooManyPixels);
    }
    let orientation = decoder.orientation().unwrap_or(Orientation::NoTransforms);
    let mut picture = DynamicImage::from_decoder(decoder).map_err(refusal)?;
    if picture.width().max(picture.height()) > KEPT_SIDE {
        picture = picture.thumbnail(KEPT_SIDE, KEPT_SIDE);
    }
    picture.apply_orientation(orientation);
    let picture = picture.into_rgb8();
    let mut jpeg = Vec::new();
    JpegEncoder::new_with_quality(&mut jpeg, QUALITY)
        .encode_image(&picture)
        .map_err(|_| PhotoError::Broken)?;
    Ok(KeptPhoto {
        jpeg,
        width: picture.width(),
        height: picture.height(),
    })
}

fn refusal(error: image::ImageError) -> PhotoError {
    match error {
        image::ImageError::Limits(_) => PhotoError::TooManyPixels,
        image::ImageError::Unsupported(_) => PhotoError::OtherKind,
        _ => PhotoError::Broken,
    }
}
