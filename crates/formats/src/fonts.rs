use std::sync::{Arc, OnceLock};

use usvg::fontdb::Database;

/// The text face, as it is named in its file.
pub(crate) const TEXT: &str = "Atkinson Hyperlegible Next";
/// The face with figures of one width.
pub(crate) const FIGURES: &str = "Atkinson Hyperlegible Mono";

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
