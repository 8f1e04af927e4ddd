use std::sync::{Arc, OnceLock};

use ttf_parser::Face;
use usvg::fontdb::Database;

/// The text face, as it is named in its file.
pub(crate) const TEXT: &str = "Atkinson Hyperlegible Next";
/// The face with figures of one width.
pub(crate) const FIGURES: &str = "Atkinson Hyperlegible Mono";

/// Latin with all its marks, Greek and Cyrillic.
const WIDE: &[u8] = include_bytes!("../assets/fonts/wide-400.ttf");

/// The letters of a text that no bundled face holds, each once.
pub(crate) fn cannot_print(text: &str) -> Vec<char> {
    let own = include_bytes!("../assets/fonts/text-400.ttf").as_slice();
    let faces: Vec<Face<'_>> = [own, WIDE]
        .into_iter()
        .filter_map(|bytes| Face::parse(bytes, 0).ok())
        .collect();
    let mut missing: Vec<char> = text
        .chars()
        .filter(|c| !c.is_whitespace() && !c.is_control())
        .filter(|c| faces.iter().all(|f| f.glyph_index(*c).is_none()))
        .collect();
    missing.sort_unstable();
    missing.dedup();
    missing
}

/// The bundled faces and no others: no font of the system is looked for.
pub(crate) fn database() -> Arc<Database> {
    static FONTS: OnceLock<Arc<Database>> = OnceLock::new();
    FONTS
        .get_or_init(|| {
            let mut fonts = Database::new();
            for bytes in [
                include_bytes!("../assets/fonts/text-400.ttf").as_slice(),
                include_bytes!("../assets/fonts/text-700.ttf"),
                include_bytes!("../assets/fonts/figures-400.ttf"),
                include_bytes!("../assets/fonts/figures-700.ttf"),
                // Names from further off: what the two faces lack is taken from here.
                WIDE,
                include_bytes!("../assets/fonts/wide-700.ttf"),
            ] {
                fonts.load_font_data(bytes.to_vec());
            }
            fonts.set_sans_serif_family(TEXT);
            Arc::new(fonts)
        })
        .clone()
}

/// Options under which every SVG of ours is read back.
pub(crate) fn options() -> usvg::Options<'static> {
    usvg::Options {
        fontdb: database(),
        font_family: TEXT.into(),
        ..usvg::Options::default()
    }
}
