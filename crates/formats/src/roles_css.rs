use std::fmt::Write as _;

use veliform_core::drawing::{Paint, Role, RoleLook};

/// The screen's style sheet of the drawing: a class `r-` and the role's own name, its paints the theme's
/// custom properties (`web/src/app/theme.css`).
///
/// # Units and shapes
/// Dashes in per cent of the drawing, as SVG reads them.
pub fn roles_css() -> String {
    let mut css = String::from(
        "/* Written by `veliform roles`: core/drawing/role_look.rs says how a role looks. */\n",
    );
    for role in Role::ALL {
        let name = serde_json::to_value(role).ok();
        let name = name.as_ref().and_then(|name| name.as_str());
        if let Some(name) = name {
            role_css(&mut css, name, &role.look());
        }
    }
    css
}

fn role_css(css: &mut String, name: &str, look: &RoleLook) {
    let dash = look.dash.map(|(on, off)| {
        let per_cent = |share: f64| format!("{}%", crate::svg::num(100.0 * share));
        format!("{} {}", per_cent(on), per_cent(off))
    });
    let fill_opacity = (look.fill_covers < 1.0).then_some(look.fill_covers);
    let line_opacity = (look.line_covers < 1.0).then_some(look.line_covers);
    let fill = [
        ("fill", Some(paint(look.fill).to_owned())),
        ("fill-opacity", fill_opacity.map(crate::svg::num)),
    ];
    let has_area = look.fill != Paint::None || look.edge != Paint::None;
    if has_area {
        let [a, b] = fill.clone();
        let edge = ("stroke", Some(paint(look.edge).to_owned()));
        let dash = ("stroke-dasharray", dash.clone());
        rule(
            css,
            &format!(":is(polygon, circle).r-{name}"),
            &[a, b, edge, dash],
        );
    }
    if look.line != Paint::None {
        let declared = [
            ("stroke", Some(paint(look.line).to_owned())),
            ("stroke-opacity", line_opacity.map(crate::svg::num)),
            ("stroke-dasharray", dash),
        ];
        rule(css, &format!(":is(polyline, path).r-{name}"), &declared);
    }
    if look.fill != Paint::None && look.fill != Paint::Clear {
        let [a, b] = fill;
        let face = look.is_figure.then(|| "var(--font-mono)".to_owned());
        let weight = look.is_bold.then(|| "700".to_owned());
        let declared = [a, b, ("font-family", face), ("font-weight", weight)];
        rule(css, &format!(".sheet-drawing text.r-{name}"), &declared);
    }
}

fn rule(css: &mut String, selector: &str, declared: &[(&str, Option<String>)]) {
    let written = writeln!(css, "{selector} {{").and_then(|()| {
        for (property, value) in declared {
            if let Some(value) = value {
                writeln!(css, "  {property}: {value};")?;
            }
        }
        writeln!(css, "}}")
    });
    debug_assert!(written.is_ok(), "writing to a string does not fail");
}

const fn paint(paint: Paint) -> &'static str {
    match paint {
        Paint::None => "none",
        Paint::Clear => "transparent",
        Paint::Ink => "var(--ink)",
        Paint::Soft => "var(--soft)",
        Paint::Chalk => "var(--chalk)",
        Paint::Pin => "var(--pin)",
        Paint::OnPin => "var(--on-pin)",
        Paint::Tape => "var(--tape)",
        Paint::Dog => "var(--dog)",
        Paint::DogFar => "var(--dog-far)",
        Paint::Wash => "var(--wash)",
        Paint::WashFar => "var(--wash-far)",
        Paint::Sheet => "var(--sheet)",
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Each role is painted somehow, and the sheet's own custom properties are all it names.
    #[test]
    fn every_role_is_painted() {
        let css = roles_css();
        for role in Role::ALL {
            let name = serde_json::to_value(role).expect("a name");
            let class = format!(".r-{} {{", name.as_str().expect("a word"));
            assert!(css.contains(&class), "{class}");
        }
        assert_eq!(css.matches('{').count(), css.matches('}').count());
    }
}
