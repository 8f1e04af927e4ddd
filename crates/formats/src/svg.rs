use std::fmt::Write as _;

use veliform_core::drawing::{Anchor, Drawing, Geometry, Role, Shape};

use crate::fonts::{FIGURES, TEXT};

/// How roles look.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Theme {
    /// On the light sheet of the screen (the palette of `web/src/app/theme.css`).
    Light,
    /// Black and white, for paper.
    Paper,
}

/// The look of a role.
struct Style {
    fill: &'static str,
    stroke: &'static str,
    dash: Option<(f64, f64)>,
    is_figure: bool,
    is_bold: bool,
}

const fn style(fill: &'static str, stroke: &'static str) -> Style {
    Style {
        fill,
        stroke,
        dash: None,
        is_figure: false,
        is_bold: false,
    }
}

fn style_of(role: Role, theme: Theme) -> Style {
    let (sheet, ink, wash, wash_far, chalk, pin, tape, soft) = match theme {
        Theme::Light => (
            "#fefefc", "#12211d", "#b9c4b6", "#a9b5a6", "#1a4890", "#a8371b", "#f0d25a", "#5b6a63",
        ),
        Theme::Paper => (
            "#ffffff", "#000000", "#cfcfcf", "#bfbfbf", "#000000", "#000000", "#ffffff", "#444444",
        ),
    };
    let far = match theme {
        Theme::Light => "#e9ece6",
        Theme::Paper => "#f1f1f1",
    };
    match role {
        Role::Rule => style(ink, ink),
        Role::RuleNumber => Style {
            is_figure: true,
            ..style(soft, "none")
        },
        Role::Cross | Role::Leader => style("none", soft),
        Role::Now => style(wash, "none"),
        Role::NowFar => style(wash_far, "none"),
        Role::PlanFill => style(sheet, "none"),
        Role::PlanFillFar => style(far, "none"),
        Role::PlanLine => style(ink, ink),
        Role::SettledLine => Style {
            dash: Some((0.012, 0.009)),
            ..style("none", ink)
        },
        Role::IdealLine => style("none", ink),
        Role::HairMark => style("none", soft),
        Role::ZoneArea => style("none", "none"),
        Role::StrokeMark => style(chalk, chalk),
        Role::Skin => Style {
            dash: Some((0.0015, 0.009)),
            ..style("none", soft)
        },
        Role::Feature => style(ink, "none"),
        Role::EyeLight => style(sheet, "none"),
        Role::Dimension => style(tape, ink),
        Role::DimensionNumber => Style {
            is_figure: true,
            is_bold: true,
            ..style(ink, "none")
        },
        Role::EstimatedNumber => Style {
            is_figure: true,
            ..style(soft, "none")
        },
        Role::ClipLine => Style {
            dash: Some((0.022, 0.008)),
            ..style("none", chalk)
        },
        Role::ClipWords => style(chalk, "none"),
        Role::ZoneNumber => Style {
            is_figure: true,
            is_bold: true,
            ..style(ink, "none")
        },
        Role::ZoneTool | Role::LandmarkName => style(soft, "none"),
        Role::Landmark => style(sheet, ink),
        Role::Knots => style("none", ink),
        Role::Pin => style(pin, "none"),
        Role::Doubt => style(wash_far, "none"),
        Role::Fault => style(pin, pin),
        Role::EarlierLine => Style {
            dash: Some((0.006, 0.006)),
            ..style("none", chalk)
        },
        Role::ViewName => style(soft, "none"),
        Role::Found => style(pin, pin),
        Role::FoundEarlier => style("none", soft),
        Role::Hole => style("none", ink),
        Role::SoreSkin => style("none", pin),
        Role::Work | Role::PointMark | Role::Ring | Role::RingSeen => style("none", chalk),
        Role::RingWord => Style {
            is_figure: true,
            is_bold: true,
            ..style(ink, "none")
        },
        Role::FoundNumber => Style {
            is_figure: true,
            is_bold: true,
            ..style("#ffffff", "none")
        },
        Role::PinNumber => Style {
            is_figure: true,
            is_bold: true,
            ..style("#ffffff", "none")
        },
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
        let style = style_of(shape.role, self.theme);
        let done = match &shape.geometry {
            Geometry::Fill { points_mm } => {
                let edge = if shape.role == Role::Dimension {
                    format!(r#" stroke="{}" stroke-width="1""#, style.stroke)
                } else {
                    String::new()
                };
                write!(
                    out,
                    r#"<polygon points="{}" fill="{}"{edge}/>"#,
                    self.points(points_mm),
                    style.fill
                )
            }
            Geometry::Line {
                points_mm,
                width_mm,
            } => {
                let dash = style.dash.map_or(String::new(), |(on, off)| {
                    format!(
                        r#" stroke-dasharray="{} {}""#,
                        num(on * self.unit),
                        num(off * self.unit)
                    )
                });
                write!(
                    out,
                    r#"<polyline points="{}" fill="none" stroke="{}" stroke-width="{}" stroke-linecap="round" stroke-linejoin="round"{dash}/>"#,
                    self.points(points_mm),
                    style.stroke,
                    num(*width_mm)
                )
            }
            Geometry::Strokes { ends_mm, width_mm } => write!(
                out,
                r#"<path d="{}" fill="none" stroke="{}" stroke-width="{}" stroke-linecap="round"/>"#,
                self.strokes(ends_mm),
                style.stroke,
                num(*width_mm)
            ),
            Geometry::Disc { at_mm, radius_mm } => write!(
                out,
                r#"<circle cx="{}" cy="{}" r="{}" fill="{}" stroke="{}"/>"#,
                self.x(at_mm[0]),
                self.y(at_mm[1]),
                num(*radius_mm),
                style.fill,
                style.stroke
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
                    r#"<text x="{}" y="{}" font-family="{}" font-size="{}" font-weight="{}" text-anchor="{anchor}" fill="{}">{}</text>"#,
                    self.x(at_mm[0]),
                    self.y(at_mm[1]),
                    if style.is_figure { FIGURES } else { TEXT },
                    num(*size_mm),
                    if style.is_bold { 700 } else { 400 },
                    style.fill,
                    escape(text)
                )
            }
        };
        debug_assert!(done.is_ok(), "writing to a string does not fail");
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
        let of = |role| style_of(role, Theme::Light);
        for wash in [Role::Now, Role::NowFar] {
            let wash = of(wash).fill;
            assert!(contrast(wash, of(Role::PlanFill).fill) >= 1.6, "{wash}");
        }
        assert!(contrast(of(Role::Now).fill, of(Role::ClipWords).fill) >= 4.5);
        let paper = |role| style_of(role, Theme::Paper).fill;
        assert!(contrast(paper(Role::Now), paper(Role::PlanFill)) >= 1.5);
    }
}
