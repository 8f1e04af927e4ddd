//! What is printed and exported: read back by other programs.

use std::fs;
use std::process::Command;

use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::House;
use veliform_core::drawing::{DrawOptions, Drawing, Layers};
use veliform_core::kit::Tool;
use veliform_core::report::PlanReport;
use veliform_core::sheet::StepKind;
use veliform_core::visit::fold;
use veliform_formats::{
    Sheet, Theme, drawing_svg, pdf, plan_text, png, read_dog_file, sheet_pages,
};

struct Planned {
    name: String,
    owner: String,
    report: PlanReport,
    drawing: Drawing,
    text: String,
}

fn planned(dog: &str) -> Planned {
    let folder = concat!(env!("CARGO_MANIFEST_DIR"), "/../../demo-salon");
    let salon: serde_json::Value =
        serde_json::from_slice(&fs::read(format!("{folder}/salon.json")).expect("reads"))
            .expect("JSON");
    let house: House = serde_json::from_value(salon["house"].clone()).expect("settings");
    let kit: Vec<Tool> = serde_json::from_value(salon["kit"].clone()).expect("a kit");
    let bytes = fs::read(format!("{folder}/dogs/{dog}.json")).expect("reads");
    let file = read_dog_file(&bytes).expect("a dog file");
    let visit = fold(&file.dog, &file.visits[0].entries);
    let desk = Desk::new(&file.dog, &visit, &house, &kit);
    let solved = desk.plan(Reasons::Find).expect("solves");
    let layers = Layers {
        lines: true,
        lengths: true,
        pins: true,
        ..Layers::default()
    };
    let drawing = desk.draw(
        Some(&solved),
        &DrawOptions {
            layers,
            ..DrawOptions::default()
        },
    );
    Planned {
        text: plan_text(&file.dog, &solved.report),
        name: file.dog.name,
        owner: file.dog.owner,
        report: solved.report,
        drawing,
    }
}

const DOGS: [&str; 7] = [
    "tappet",
    "bogie",
    "semaphore",
    "fishplate",
    "gangway",
    "turntable",
    "marchioness",
];

fn sheet(dog: &Planned) -> Vec<String> {
    sheet_pages(&Sheet {
        name: &dog.name,
        owner: &dog.owner,
        salon: "The Signal Box",
        day: "25 November 2026",
        plan: &dog.report,
        drawing: &dog.drawing,
    })
}

#[test]
fn every_drawing_is_read_back_by_an_svg_reader_at_its_size() {
    for dog in DOGS {
        let planned = planned(dog);
        let svg = drawing_svg(&planned.drawing, Theme::Light, 180.0);
        let tree = usvg::Tree::from_str(&svg, &usvg::Options::default()).expect("reads back");
        // 180 mm at 96 pixels an inch.
        assert!((f64::from(tree.size().width()) - 180.0 / 25.4 * 96.0).abs() < 0.5);
        assert!(!svg.contains("NaN") && !svg.contains("inf"), "{dog}");
    }
}

#[test]
fn the_cut_sheet_is_one_leaf_with_its_text() {
    for dog in DOGS {
        let planned = planned(dog);
        let bytes = pdf(&sheet(&planned)).expect("writes");
        let folder = tempfile::tempdir().expect("a folder");
        let path = folder.path().join("sheet.pdf");
        fs::write(&path, bytes).expect("writes");
        let info = Command::new("pdfinfo")
            .arg(&path)
            .output()
            .expect("pdfinfo");
        let info = String::from_utf8_lossy(&info.stdout).into_owned();
        let is_leaf = ["1", "2"].map(|n| info.contains(&format!("Pages:           {n}\n")));
        assert!(is_leaf.contains(&true), "{dog}: {info}");
        // A4 is 210 × 297 mm = 595.28 × 841.89 points (ISO 216, from memory).
        assert!(info.contains("595.276 x 841.89 pts (A4)"), "{info}");
        let text = Command::new("pdftotext")
            .args([path.to_str().expect("a path"), "-"])
            .output()
            .expect("pdftotext");
        let text = String::from_utf8_lossy(&text.stdout).into_owned();
        for wanted in [
            planned.name.split(' ').next().expect("a name"),
            "Small jobs",
            "walking",
            "When unsure, stop.",
            "10 cm of the dog",
        ] {
            assert!(
                text.replace('\n', " ").contains(wanted),
                "{dog} lacks {wanted}:\n{text}"
            );
        }
        // Everything the table needs: what the other hand does, what comes off each face.
        let whole: String = sheet(&planned)
            .concat()
            .split('<')
            .filter_map(|tag| Some(tag.split_once('>')?.1))
            .flat_map(str::split_whitespace)
            .collect::<String>()
            .to_lowercase();
        for step in &planned.report.sheet.steps {
            let told = step
                .amounts
                .iter()
                .chain([&step.hand, &step.what, &step.leaves])
                .chain((step.kind != StepKind::Work).then_some(&step.stroke));
            for wanted in told {
                let wanted: String = wanted.split_whitespace().collect();
                let wanted = wanted.to_lowercase();
                assert!(whole.contains(&wanted), "{dog} lacks {wanted}");
            }
        }
    }
}

/// The first side is worked from at arm's length: a box a row, rows in letters of 3.6 mm of em and more (10
/// points) on most dogs, of 3 where there are the most steps (modelling choice); under 500 words but on the dog
/// of most steps; what leads the hand on the other side.
#[test]
fn the_first_side_is_worked_from() {
    let (mut sizes, mut words_said) = (Vec::new(), Vec::new());
    for dog in DOGS {
        let planned = planned(dog);
        let pages = sheet(&planned);
        // After the picture's group come the words beside it and the steps.
        let (_, words) = pages[0].rsplit_once("</g>").expect("a picture");
        assert_eq!(
            words.matches("<rect ").count(),
            planned.report.sheet.rows().len(),
            "{dog}"
        );
        let said = words.split("<text").skip(1).filter_map(|text| {
            let said = text.split_once('>')?.1.split_once('<')?.0;
            Some(said.split_whitespace().count())
        });
        let said: usize = said.sum();
        words_said.push(said);
        let number = |text: &str, name: &str| -> Option<f64> {
            let value = text
                .split(&format!(" {name}=\""))
                .nth(1)?
                .split('"')
                .next()?;
            value.parse().ok()
        };
        let of_steps = words.split("<text").skip(1).filter_map(|text| {
            let (y, size) = (number(text, "y")?, number(text, "font-size")?);
            let is_bold = text.contains("font-weight=\"700\"");
            (is_bold && (100.0..278.0).contains(&y)).then_some(size)
        });
        let smallest = of_steps.fold(f64::MAX, f64::min);
        assert!((3.0..5.0).contains(&smallest), "{dog}: {smallest}");
        sizes.push(smallest);
        assert!(
            !words.contains("Other hand:") && pages[1].contains("Other hand:"),
            "{dog}"
        );
    }
    let are_large = sizes.iter().filter(|size| **size >= 3.6).count();
    assert!(are_large > 4, "{sizes:?}");
    let are_short = words_said.iter().filter(|said| **said < 500).count();
    assert!(are_short > 5, "{words_said:?}");
}

/// The scale bar is as long as 10 cm of the dog at the scale printed beside it.
#[test]
fn the_sheet_is_to_scale() {
    let planned = planned("tappet");
    let svg = sheet(&planned).remove(0);
    let between = |from: &str, to: &str| {
        let start = svg.find(from).expect("there") + from.len();
        let end = svg[start..].find(to).expect("there") + start;
        svg[start..end].to_owned()
    };
    let ratio: f64 = between("scale 1:", "<").parse().expect("a number");
    let bar: f64 = between("v-2 m0 1 h", " ").parse().expect("a number");
    assert!((bar * ratio - 100.0).abs() < 1.0, "{bar} mm at 1:{ratio}");
}

#[test]
fn the_same_plan_gives_the_same_bytes() {
    let planned = planned("turntable");
    let svg = sheet(&planned);
    let alike = |size: &str| svg.iter().all(|page| page.contains(size));
    assert!(alike("viewBox=\"0 0 210 297\""));
    assert_eq!(pdf(&svg).expect("writes"), pdf(&svg).expect("writes"));
    let drawing = drawing_svg(&planned.drawing, Theme::Light, 180.0);
    assert_eq!(
        png(&drawing, 400).expect("draws"),
        png(&drawing, 400).expect("draws")
    );
}

#[test]
fn a_picture_of_no_size_is_refused() {
    let drawing = drawing_svg(&planned("tappet").drawing, Theme::Paper, 180.0);
    for width in [0, 15, 5000] {
        let said = png(&drawing, width).expect_err("refused").to_string();
        assert_eq!(
            said,
            format!("a picture {width} pixels wide cannot be made; ask for 16 to 4096")
        );
    }
}

#[test]
fn words_in_a_name_cannot_break_out_of_the_page() {
    let mut planned = planned("tappet");
    planned.name = "</text><script>alert(1)</script>&".into();
    for svg in sheet(&planned) {
        assert!(!svg.contains("<script>"));
        usvg::Tree::from_str(&svg, &usvg::Options::default()).expect("still reads");
    }
}

#[test]
fn the_text_plan_names_every_step_and_reason() {
    let planned = planned("turntable");
    for step in &planned.report.sheet.steps {
        assert!(planned.text.contains(&step.what), "{}", step.what);
    }
    for reason in &planned.report.reasons {
        assert!(planned.text.contains(&reason.fault));
    }
}
