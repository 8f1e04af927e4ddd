//! Photos: the three kinds are taken, shrunk and stripped; hostile files are refused with one
//! sentence and cost nothing.

use std::io::Cursor;

use image::{DynamicImage, ImageFormat, Rgb, RgbImage};
use proptest::prelude::*;
use rstest::rstest;
use veliform_formats::{MOST_PHOTO_BYTES, PhotoError, keep_photo};

fn picture(width: u32, height: u32) -> DynamicImage {
    DynamicImage::ImageRgb8(RgbImage::from_fn(width, height, |x, y| {
        Rgb([
            u8::try_from(x % 256).expect("under 256"),
            u8::try_from(y % 256).expect("under 256"),
            90,
        ])
    }))
}

fn file(picture: &DynamicImage, kind: ImageFormat) -> Vec<u8> {
    let mut bytes = Cursor::new(Vec::new());
    picture.write_to(&mut bytes, kind).expect("writes");
    bytes.into_inner()
}

#[rstest]
#[case::jpeg(ImageFormat::Jpeg)]
#[case::png(ImageFormat::Png)]
#[case::webp(ImageFormat::WebP)]
fn each_kind_is_taken_and_written_anew_as_jpeg(#[case] kind: ImageFormat) {
    let kept = keep_photo(&file(&picture(640, 480), kind)).expect("taken");
    assert_eq!((kept.width, kept.height), (640, 480));
    let back = image::load_from_memory_with_format(&kept.jpeg, ImageFormat::Jpeg).expect("opens");
    assert_eq!((back.width(), back.height()), (640, 480));
    // JPEG loses a little, not the picture.
    let pixel = back.to_rgb8().get_pixel(200, 100).0;
    assert!(
        pixel[0].abs_diff(200) < 24 && pixel[1].abs_diff(100) < 24,
        "{pixel:?}"
    );
}

/// Twelve megapixels are taken and shrunk to what is kept, in the same proportions.
#[test]
fn a_large_photo_is_shrunk() {
    let kept = keep_photo(&file(&picture(4000, 3000), ImageFormat::Jpeg)).expect("taken");
    assert_eq!((kept.width, kept.height), (2000, 1500));
}

/// A segment of a JPEG as the standard lays it out (ITU-T T.81: marker, two-byte length, data).
fn with_segment(jpeg: &[u8], marker: u8, data: &[u8]) -> Vec<u8> {
    let length = u16::try_from(data.len() + 2).expect("short").to_be_bytes();
    let mut bytes = jpeg[..2].to_vec();
    bytes.extend([0xff, marker, length[0], length[1]]);
    bytes.extend(data);
    bytes.extend(&jpeg[2..]);
    bytes
}

/// An Exif block that says the camera was held on its side (orientation 6, TIFF tag 0x0112) and a
/// made-up place in a comment.
fn exif_on_its_side() -> Vec<u8> {
    let mut exif = b"Exif\0\0MM\0*\0\0\0\x08".to_vec();
    exif.extend([0, 1]);
    exif.extend([0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0]);
    exif.extend([0, 0, 0, 0]);
    exif
}

#[test]
fn a_photo_is_set_upright_and_nothing_of_camera_or_place_survives() {
    let plain = file(&picture(300, 200), ImageFormat::Jpeg);
    let marked = with_segment(&plain, 0xe1, &exif_on_its_side());
    let marked = with_segment(&marked, 0xfe, b"Little Siding, 51.5 N");
    let kept = keep_photo(&marked).expect("taken");
    assert_eq!((kept.width, kept.height), (200, 300), "set upright");
    let holds = |needle: &[u8]| kept.jpeg.windows(needle.len()).any(|w| w == needle);
    assert!(!holds(b"Exif"));
    assert!(!holds(b"Little Siding"));
}

/// A small file of a huge picture: a PNG header (W3C PNG: signature, IHDR) that claims 60 000 by
/// 60 000 pixels.
#[test]
fn a_bomb_is_refused_before_it_is_unpacked() {
    let mut png = file(&picture(4, 4), ImageFormat::Png);
    png[16..20].copy_from_slice(&60_000_u32.to_be_bytes());
    png[20..24].copy_from_slice(&60_000_u32.to_be_bytes());
    // The header's own checksum must hold, or it is only broken (CRC-32 of type and data).
    let crc = crc32(&png[12..29]);
    png[29..33].copy_from_slice(&crc.to_be_bytes());
    let refused = keep_photo(&png).expect_err("refused");
    assert!(matches!(refused, PhotoError::TooManyPixels), "{refused:?}");
}

/// CRC-32 as PNG defines it (W3C PNG, annex D).
fn crc32(bytes: &[u8]) -> u32 {
    !bytes.iter().fold(u32::MAX, |crc, byte| {
        (0..8).fold(crc ^ u32::from(*byte), |c, _| {
            if c & 1 == 1 {
                0xedb8_8320 ^ (c >> 1)
            } else {
                c >> 1
            }
        })
    })
}

#[rstest]
#[case::empty(b"".to_vec(), "no photo")]
#[case::text(b"not a picture at all".to_vec(), "no photo")]
#[case::page(b"<svg xmlns='http://www.w3.org/2000/svg'/>".to_vec(), "no photo")]
#[case::gif(b"GIF89a\x01\0\x01\0\0\0\0;".to_vec(), "no photo")]
#[case::cut_off(file(&picture(200, 200), ImageFormat::Png)[..400].to_vec(), "damaged")]
#[case::too_many_bytes(vec![0xff; MOST_PHOTO_BYTES + 1], "larger than the 16 MB taken")]
fn what_is_no_photo_is_refused_in_one_sentence(#[case] bytes: Vec<u8>, #[case] says: &str) {
    let refused = keep_photo(&bytes).expect_err("refused").to_string();
    assert!(refused.contains(says), "{refused}");
}

/// A photo whose end did not come: a decoder would show its first third and fill the rest with grey.
#[rstest]
fn what_is_cut_off_on_its_way_is_refused(
    #[values(ImageFormat::Jpeg, ImageFormat::Png, ImageFormat::WebP)] kind: ImageFormat,
    #[values(3, 2)] part: usize,
) {
    let whole = file(&picture(400, 300), kind);
    keep_photo(&whole).expect("the whole one is taken");
    let refused = keep_photo(&whole[..whole.len() / part]).expect_err("refused");
    assert!(refused.to_string().contains("damaged"), "{refused}");
    // Only the very end is missing.
    if kind == ImageFormat::Jpeg {
        let refused = keep_photo(&whole[..whole.len() - 2]).expect_err("refused");
        assert!(matches!(refused, PhotoError::Broken), "{refused:?}");
        // Telephones append their own data after the end of the image: that is no harm.
        let mut with_more = whole.clone();
        with_more.extend_from_slice(b"a telephone's own words");
        keep_photo(&with_more).expect("taken");
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(200))]

    /// A damaged photo is taken or refused; it never ends the program.
    #[test]
    fn no_damage_panics(
        kind in prop::sample::select(vec![ImageFormat::Jpeg, ImageFormat::Png, ImageFormat::WebP]),
        at in any::<prop::sample::Index>(),
        with in any::<u8>(),
        cut in any::<prop::sample::Index>(),
    ) {
        let mut bytes = file(&picture(40, 30), kind);
        let i = at.index(bytes.len());
        bytes[i] = with;
        bytes.truncate(1 + cut.index(bytes.len()));
        let _ = keep_photo(&bytes);
    }
}
