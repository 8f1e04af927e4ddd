use krilla::Document;
use krilla::geom::Size;
use krilla::page::PageSettings;
use krilla_svg::{SurfaceExt, SvgSettings};

use crate::fonts::options;

/// A page could not be made.
#[derive(Debug, thiserror::Error)]
pub enum PageError {
    /// The SVG could not be read back.
    #[error("the page could not be read back")]
    Svg(#[source] usvg::Error),
    /// The page has no size.
    #[error("the page has no size")]
    Size,
    /// The PDF could not be written.
    #[error("the PDF could not be written")]
    Write,
}

/// CSS pixels to points.
const POINTS: f32 = 0.75;

/// Writes SVG pages as a PDF, its fonts embedded; the same bytes every time.
///
/// # Errors
/// If an SVG is not ours.
pub fn pdf<S: AsRef<str>>(pages: &[S]) -> Result<Vec<u8>, PageError> {
    let mut document = Document::new();
    for svg in pages {
        let tree = usvg::Tree::from_str(svg.as_ref(), &options()).map_err(PageError::Svg)?;
        let (width, height) = (tree.size().width() * POINTS, tree.size().height() * POINTS);
        let settings = PageSettings::from_wh(width, height).ok_or(PageError::Size)?;
        let size = Size::from_wh(width, height).ok_or(PageError::Size)?;
        let mut page = document.start_page_with(settings);
        let mut surface = page.surface();
        surface
            .draw_svg(&tree, size, SvgSettings::default())
            .ok_or(PageError::Write)?;
        surface.finish();
        page.finish();
    }
    document.finish().map_err(|_| PageError::Write)
}
