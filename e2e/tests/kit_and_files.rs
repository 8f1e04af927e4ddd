//! The salon's kit and settings, dog files in and out, paper.
#![allow(clippy::unwrap_used, reason = "a test says what broke by failing")]

use crate::support;

use fantoccini::Locator;
use fantoccini::wd::{PrintConfigurationBuilder, PrintMargins, PrintSize};
use support::{LAPTOP, on_stage};

#[tokio::test(flavor = "multi_thread")]
async fn a_comb_is_added_corrected_put_away_and_plans_follow() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/kit").await;
        stage.until_text("Put it in the kit").await;

        // Nonsense first: each thing wrong is named, nothing typed is lost.
        stage.touch(&stage.find("Put it in the kit").await).await;
        stage
            .until_text("The tool has no name; type what is printed on it.")
            .await;
        stage.type_into("What is printed on it", "odd comb").await;
        stage.type_into("Leaves", "14").await;
        stage
            .until(
                "the length is read",
                "document.querySelector('input[data-mm=\"14\"]')",
            )
            .await;
        stage.touch(&stage.find("Put it in the kit").await).await;
        stage.until_text("odd comb").await;

        // The plan takes it up: a lamb's body wants about 13 mm, and the 13 is put away.
        // The rail still grows by the new comb under the finger.
        stage
            .touch_until(
                "13 mm comb",
                "it is open",
                "[...document.querySelectorAll('button')].some((b) => (b.ariaLabel ?? b.innerText).includes('Put away the 13 mm comb'))",
            )
            .await;
        stage
            .touch(&stage.find("Put away the 13 mm comb").await)
            .await;
        stage
            .until(
                "it can be taken back",
                "document.querySelector('[aria-label=\"Hang up the 13 mm comb\"]')",
            )
            .await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Feet and bevels").await;
        stage.until_text("odd comb comb").await;
        let text = stage.script("return document.body.innerText").await;
        assert!(
            !text.as_str().unwrap().contains("13 mm comb"),
            "a comb put away is planned"
        );
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_clipper_is_named_and_its_charge_is_counted() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/kit").await;
        stage.until_text("Another clipper").await;
        stage.type_into("Another clipper", "the grey one").await;
        stage
            .type_into("Minutes on a charge; empty on a cord", "5")
            .await;
        stage.touch(&stage.find("Add the clipper").await).await;
        stage.until_text("5 min on a charge").await;
        stage.assert_accessible("kit with a clipper").await;
        // What fits which matters from now on.
        stage.touch(&stage.find("10 blade").await).await;
        stage.until_text("What it fits").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("charge it during the bath").await;
        stage.assert_quiet_console().await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn inches_are_inches_everywhere_at_once() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Tappet").await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        // No sleeve turns the whole salon: the units stand with how we work.
        let switches = stage
            .script("return [...document.querySelectorAll('button')].filter(b => /\\bmm\\b/.test(b.innerText)).length")
            .await;
        assert_eq!(switches, 0, "a button beside the tape turns the units");
        stage.go("/kit/house").await;
        stage.until_text("Written in").await;
        stage.choose("Written in, everywhere in the salon", "Inches").await;
        stage
            .until(
                "inches are kept",
                "document.querySelector('[aria-label^=\"Written in\"] [aria-checked=true]')?.innerText === 'Inches'",
            )
            .await;
        stage.go(&format!("{visit}/plan")).await;
        stage.until_text("points right").await;
        // 460 mm is 18.11 in, to the eighth 18 1/8.
        stage
            .until(
                "the carrier reads in inches",
                "[...document.querySelectorAll('svg text')].some(t => t.textContent.startsWith('18 1/8'))",
            )
            .await;
        stage.go(&format!("{visit}/hands")).await;
        stage.until_text("Measured with").await;
        let field = stage.find("Height at withers").await;
        assert_eq!(field.prop("value").await.unwrap().as_deref(), Some("18 1/8"));
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_dog_file_goes_out_and_comes_in_and_rubbish_is_refused() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        stage.until_text("Turntable").await;
        let folder = tempfile::tempdir().unwrap();
        let script = "const done = arguments[0]; fetch('/api/dogs').then(r => r.json()).then(d => fetch(`/api/dogs/${d[0].dog.id}/file`)).then(r => r.text()).then(done)";
        let file = stage.client.execute_async(script, vec![]).await.unwrap();
        let good = folder.path().join("good.json");
        std::fs::write(&good, file.as_str().unwrap()).unwrap();
        let bad = folder.path().join("bad.json");
        std::fs::write(&bad, "{\"format\": \"veliform-dog\", \"version\": 7}").unwrap();

        let input = stage.client.find(Locator::Css("input[type=file]")).await.unwrap();
        input.send_keys(good.to_str().unwrap()).await.unwrap();
        stage.until_text("is here, 1 visit.").await;
        let input = stage.client.find(Locator::Css("input[type=file]")).await.unwrap();
        input.send_keys(bad.to_str().unwrap()).await.unwrap();
        stage
            .until_text("The dog file has version 7; this program reads up to 6. Update Veliform.")
            .await;
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_cut_sheet_prints_as_the_pages_it_has() {
    on_stage(LAPTOP, async |stage| {
        stage.go("/").await;
        let visit = stage.visit_of("Turntable").await;
        stage.go(&format!("{visit}/cut")).await;
        stage.until_text("Feet and bevels").await;
        stage
            .until("the paper is there", "document.querySelector('.paper svg')")
            .await;
        let config = PrintConfigurationBuilder::default()
            .background(true)
            .size(PrintSize::A4)
            .margins(PrintMargins {
                top: 0.0,
                bottom: 0.0,
                left: 0.0,
                right: 0.0,
            })
            .build()
            .unwrap();
        let pdf = stage.client.print(config).await.unwrap();
        let folder = tempfile::tempdir().unwrap();
        let path = folder.path().join("printed.pdf");
        std::fs::write(&path, pdf).unwrap();
        let info = std::process::Command::new("pdfinfo")
            .arg(&path)
            .output()
            .unwrap();
        let info = String::from_utf8_lossy(&info.stdout).into_owned();
        // One sheet of paper for each page the server writes, and no empty one.
        let written = stage
            .script("return document.querySelectorAll('.paper svg[width=\"210mm\"]').length")
            .await;
        assert!(written == 1 || written == 2, "{written}");
        assert!(
            info.contains(&format!("Pages:           {written}\n")),
            "{written} are written: {info}"
        );
        let text = std::process::Command::new("pdftotext")
            .args([path.to_str().unwrap(), "-"])
            .output()
            .unwrap();
        let text = String::from_utf8_lossy(&text.stdout).replace('\n', " ");
        for wanted in ["Turntable", "Small jobs", "walking", "When unsure, stop."] {
            assert!(text.contains(wanted), "{wanted} is not on paper: {text}");
        }
        assert!(
            !text.contains("Save this plan"),
            "the screen is not printed"
        );
    })
    .await;
}
