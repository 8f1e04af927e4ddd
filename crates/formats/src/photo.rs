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
    #[error("the photo is larger than the {} MB taken: take it smaller", MOST_PHOTO_BYTES / 1_048_576)]
    TooManyBytes,
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
        return Err(PhotoError::TooManyBytes);
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
    if reader.format() == Some(ImageFormat::Jpeg) && !jpeg_ends(bytes) {
        return Err(PhotoError::Broken);
    }
    let mut limits = Limits::default();
    limits.max_image_width = Some(MOST_SIDE);
    limits.max_image_height = Some(MOST_SIDE);
    limits.max_alloc = Some(MOST_MEMORY);
    reader.limits(limits);
    let mut decoder = reader.into_decoder().map_err(refusal)?;
    let (width, height) = decoder.dimensions();
    let pixels = u64::from(width) * u64::from(height);
    if (pixels * 4).max(decoder.total_bytes()) > MOST_MEMORY {
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

/// Whether a JPEG reaches its end of image (ITU-T T.81, table B.1 and B.1.1.5).
///
/// A decoder shows what there is of a photo cut off on its way and leaves the rest grey; a measure
/// would be read off a grey dog.
fn jpeg_ends(bytes: &[u8]) -> bool {
    const FILL: u8 = 0xff;
    const END_OF_IMAGE: u8 = 0xd9;
    const START_OF_SCAN: u8 = 0xda;
    let mut at = 2;
    while let (Some(&FILL), Some(&marker)) = (bytes.get(at), bytes.get(at + 1)) {
        match marker {
            FILL => at += 1,
            END_OF_IMAGE => return true,
            _ => {
                let Some(&[high, low]) = bytes.get(at + 2..).and_then(|b| b.first_chunk()) else {
                    return false;
                };
                at += 2 + usize::from(u16::from_be_bytes([high, low]));
            }
        }
        if marker == START_OF_SCAN {
            at = scan_end(bytes, at);
        }
    }
    false
}

/// Where the entropy-coded data that begins at `from` ends: at the next marker that is no restart and
/// no stuffed zero (T.81, B.1.1.5); past the end where there is none.
fn scan_end(bytes: &[u8], from: usize) -> usize {
    let data = bytes.get(from..).unwrap_or_default();
    let is_marker =
        |pair: &[u8]| matches!(pair, [0xff, after] if !matches!(after, 0 | 0xd0..=0xd7));
    data.windows(2)
        .position(is_marker)
        .map_or(bytes.len(), |n| from + n)
}

fn refusal(error: image::ImageError) -> PhotoError {
    match error {
        image::ImageError::Limits(_) => PhotoError::TooManyPixels,
        image::ImageError::Unsupported(_) => PhotoError::OtherKind,
        _ => PhotoError::Broken,
    }
}
