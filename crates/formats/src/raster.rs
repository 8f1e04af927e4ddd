use resvg::tiny_skia::{Pixmap, Transform};

use crate::fonts::options;

/// A picture could not be made.
#[derive(Debug, thiserror::Error)]
pub enum RasterError {
    /// The SVG could not be read back.
    #[error("the drawing could not be read back")]
    Svg(#[source] usvg::Error),
    /// The size asked for is empty or too large.
    #[error("a picture {width} pixels wide cannot be made; ask for 16 to 4096")]
    Size {
        /// What was asked for.
        width: u32,
    },
    /// The picture could not be written.
    #[error("the picture could not be written")]
    Encode(#[source] Box<dyn std::error::Error + Send + Sync>),
}

/// Draws an SVG as PNG of this width.
///
/// # Errors
/// If the width is out of range or the SVG is not ours.
pub fn png(svg: &str, width: u32) -> Result<Vec<u8>, RasterError> {
    let tree = usvg::Tree::from_str(svg, &options()).map_err(RasterError::Svg)?;
    if !(16..=4096).contains(&width) {
        return Err(RasterError::Size { width });
    }
    #[expect(clippy::cast_possible_truncation, reason = "pixels of a picture")]
    let scale = (f64::from(width) / f64::from(tree.size().width())) as f32;
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "pixels of a picture"
    )]
    let height = (tree.size().height() * scale).round() as u32;
    let mut picture = Pixmap::new(width, height.max(1)).ok_or(RasterError::Size { width })?;
    picture.fill(resvg::tiny_skia::Color::WHITE);
    resvg::render(
        &tree,
        Transform::from_scale(scale, scale),
        &mut picture.as_mut(),
    );
    picture
        .encode_png()
        .map_err(|e| RasterError::Encode(Box::new(e)))
}
