use std::fmt::Write as _;

use veliform_core::drawing::{Anchor, Drawing, Geometry, Paint, Shape};

use crate::fonts::{FIGURES, TEXT};

/// How roles look.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Theme {
    /// On the light sheet of the screen (the palette of `web/src/app/theme.css`).
    Light,
    /// Black and white, for paper.
    Paper,
}

/// The colour of a paint.
const fn colour(paint: Paint, theme: Theme) -> &'static str {
    let (light, paper) = match paint {
        Paint::None | Paint::Clear => ("none", "none"),
        Paint::Ink => ("#12211d", "#000000"),
        Paint::Soft => ("#4f5e57", "#444444"),
        Paint::Chalk => ("#1a4890", "#000000"),
        Paint::Pin => ("#a8371b", "#000000"),
        Paint::OnPin => ("#ffffff", "#ffffff"),
        Paint::Tape => ("#f0d25a", "#ffffff"),
        Paint::Dog => ("#fefefc", "#ffffff"),
        Paint::DogFar => ("#e9ece6", "#f1f1f1"),
        Paint::Wash => ("#b9c4b6", "#cfcfcf"),
        Paint::WashFar => ("#a9b5a6", "#bfbfbf"),
        Paint::Sheet => ("#f8f9f5", "#ffffff"),
    };
    match theme {
        Theme::Light => light,
        Theme::Paper => paper,
    }
}

/// Writes a drawing as SVG, its page in millimetres of the real dog.
///
/// # Units and shapes
/// `width_mm` is the width it takes on the page; one user unit is one millimetre of the dog.
pub fn drawing_svg(drawing: &Drawing, theme: Theme, width_mm: f64) -> String {
    let [left, bottom, right, top] = drawing.bounds_mm;
    let (w, h) = (right - left, top - bottom);
    let mut out = format!(
        r#"<svg xmlns="http://www.w3.org/2000/svg" width="{}mm" height="{}mm" viewBox="0 0 {} {}" role="img"><title>{}</title>"#,
        num(width_mm),
        num(width_mm * h / w),
        num(w),
        num(h),
        escape(&drawing.title)
    );
    if theme == Theme::Light {
        let _ = write!(
            out,
            r##"<rect width="{}" height="{}" fill="#f8f9f5"/>"##,
            num(w),
            num(h)
        );
    }
    out.push_str(&drawing_group(drawing, theme));
    out.push_str("</svg>\n");
    out
}

/// The shapes of a drawing with its top left corner at the origin, one unit a millimetre.
pub(crate) fn drawing_group(drawing: &Drawing, theme: Theme) -> String {
    let [left, bottom, right, top] = drawing.bounds_mm;
    let page = Page {
        left,
        top,
        unit: (right - left).min(top - bottom),
        theme,
    };
    let mut out = String::new();
    for shape in &drawing.shapes {
        page.shape(shape, &mut out);
    }
    out
}

struct Page {
    left: f64,
    top: f64,
    unit: f64,
    theme: Theme,
}

impl Page {
    fn x(&self, x: f64) -> String {
        num(x - self.left)
    }

    fn y(&self, y: f64) -> String {
        num(self.top - y)
    }

    fn points(&self, flat: &[f64]) -> String {
        flat.chunks_exact(2)
            .map(|p| format!("{},{}", self.x(p[0]), self.y(p[1])))
            .collect::<Vec<_>>()
            .join(" ")
    }

    fn strokes(&self, ends: &[f64]) -> String {
        let strokes: Vec<String> = ends
            .chunks_exact(4)
            .map(|e| {
                let [x, y, to_x, to_y] = [self.x(e[0]), self.y(e[1]), self.x(e[2]), self.y(e[3])];
                format!("M{x} {y}L{to_x} {to_y}")
            })
            .collect();
        strokes.concat()
    }

    fn shape(&self, shape: &Shape, out: &mut String) {
        let look = shape.role.look();
        let paint = |paint| colour(paint, self.theme);
        let dash = look.dash.map_or(String::new(), |(on, off)| {
            format!(
                r#" stroke-dasharray="{} {}""#,
                num(on * self.unit),
                num(off * self.unit)
            )
        });
        let fill = format!(
            r#"fill="{}"{}"#,
            paint(look.fill),
            covers("fill", look.fill_covers)
        );
        let line = format!(
            r#"fill="none" stroke="{}"{}"#,
            paint(look.line),
            covers("stroke", look.line_covers)
        );
        let done = match &shape.geometry {
            Geometry::Fill { points_mm } => {
                let edge = match look.edge {
                    Paint::None => String::new(),
                    edge => format!(r#" stroke="{}" stroke-width="1""#, paint(edge)),
                };
                write!(
                    out,
                    r#"<polygon points="{}" {fill}{edge}/>"#,
                    self.points(points_mm)
                )
            }
            Geometry::Line {
                points_mm,
                width_mm,
            } => write!(
                out,
                r#"<polyline points="{}" {line} stroke-width="{}" stroke-linecap="round" stroke-linejoin="round"{dash}/>"#,
                self.points(points_mm),
                num(*width_mm)
            ),
            Geometry::Strokes { ends_mm, width_mm } => write!(
                out,
                r#"<path d="{}" {line} stroke-width="{}" stroke-linecap="round"/>"#,
                self.strokes(ends_mm),
                num(*width_mm)
            ),
            Geometry::Disc { at_mm, radius_mm } => write!(
                out,
                r#"<circle cx="{}" cy="{}" r="{}" {fill} stroke="{}"{dash}/>"#,
                self.x(at_mm[0]),
                self.y(at_mm[1]),
                num(*radius_mm),
                paint(look.edge)
            ),
            Geometry::Text {
                at_mm,
                text,
                size_mm,
                anchor,
            } => {
                let anchor = match anchor {
                    Anchor::Start => "start",
                    Anchor::Middle => "middle",
                    Anchor::End => "end",
                };
                write!(
                    out,
                    r#"<text x="{}" y="{}" font-family="{}" font-size="{}" font-weight="{}" text-anchor="{anchor}" {fill}>{}</text>"#,
                    self.x(at_mm[0]),
                    self.y(at_mm[1]),
                    if look.is_figure { FIGURES } else { TEXT },
                    num(*size_mm),
                    if look.is_bold { 700 } else { 400 },
                    escape(text)
                )
            }
        };
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    }
}

/// How much a paint covers, where it is not all.
fn covers(what: &str, share: f64) -> String {
    if share < 1.0 {
        format!(r#" {what}-opacity="{}""#, num(share))
    } else {
        String::new()
    }
}

/// A number with at most two decimals.
pub(crate) fn num(value: f64) -> String {
    let text = format!("{value:.2}");
    let text = text.trim_end_matches('0').trim_end_matches('.');
    if text == "-0" {
        "0".into()
    } else {
        text.into()
    }
}

/// Text safe inside an element.
pub(crate) fn escape(text: &str) -> String {
    text.chars()
        .filter(|c| !c.is_control())
        .map(|c| match c {
            '&' => "&amp;".to_owned(),
            '<' => "&lt;".to_owned(),
            '>' => "&gt;".to_owned(),
            '"' => "&quot;".to_owned(),
            other => other.to_string(),
        })
        .collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use veliform_core::drawing::Role;

    /// Relative luminance of `#rrggbb` (WCAG 2.2, *relative luminance*).
    fn luminance(colour: &str) -> f64 {
        let part = |i: usize| {
            let byte = u8::from_str_radix(&colour[i..i + 2], 16).expect("a colour");
            let c = f64::from(byte) / 255.0;
            if c <= 0.04045 {
                c / 12.92
            } else {
                ((c + 0.055) / 1.055).powf(2.4)
            }
        };
        0.2126 * part(1) + 0.7152 * part(3) + 0.0722 * part(5)
    }

    /// Contrast of two colours (WCAG 2.2, *contrast ratio*).
    fn contrast(a: &str, b: &str) -> f64 {
        let (a, b) = (luminance(a), luminance(b));
        (a.max(b) + 0.05) / (a.min(b) + 0.05)
    }

    /// The coat that comes in is told from the sheet and from the planned dog (dog-shape-2.md 11: at
    /// least 1.6 to 1; paper is greyer by its raster), and chalk words are read over it (WCAG 2.2, AA).
    #[test]
    fn now_and_plan_are_told_apart() {
        let of = |role: Role| colour(role.look().fill, Theme::Light);
        for wash in [Role::Now, Role::NowFar] {
            let wash = of(wash);
            assert!(contrast(wash, of(Role::PlanFill)) >= 1.6, "{wash}");
        }
        assert!(contrast(of(Role::Now), of(Role::ClipWords)) >= 4.5);
        let paper = |role: Role| colour(role.look().fill, Theme::Paper);
        assert!(contrast(paper(Role::Now), paper(Role::PlanFill)) >= 1.5);
    }
}
