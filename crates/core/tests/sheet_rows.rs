//! The sheet as paper has it: what is read as one thing is one row.

use crate::support;
use support::table::Table;
use veliform_core::sheet::{Stage, Step, StepKind};

/// Whatever is gathered, every step stands in one row, in its order, and no minute is lost.
#[test]
fn every_step_stands_in_one_row() {
    let table = Table::begun();
    let sheet = table.sheet();
    let rows = sheet.rows();
    let numbers: Vec<u32> = rows.iter().flat_map(|r| r.first..=r.last).collect();
    let steps: Vec<u32> = sheet.steps.iter().map(|s| s.number).collect();
    assert_eq!(numbers, steps);
    let minutes: f64 = rows.iter().map(|r| r.minutes).sum();
    let wanted: f64 = sheet.steps.iter().map(|s| s.minutes).sum();
    assert!((minutes - wanted).abs() < 1e-9);
    assert!(rows.len() + 4 < steps.len(), "{}", rows.len());
}

/// The small jobs are one thing to do before the bath, clean to dirty (handbook 10 B, common practice),
/// and each is named; a tool's length and what it is run over are never hidden in a row of many.
#[test]
fn small_jobs_are_one_row_and_tools_stand_alone() {
    let table = Table::begun();
    let sheet = table.sheet();
    let rows = sheet.rows();
    let small = |s: &&Step| s.kind == StepKind::Tick;
    let jobs: Vec<_> = sheet.steps.iter().filter(small).collect();
    assert!(jobs.len() > 2);
    for job in jobs {
        let row = rows
            .iter()
            .find(|r| (r.first..=r.last).contains(&job.number))
            .expect("in a row");
        assert_eq!(row.what, "Small jobs");
        let how = row.how.to_lowercase();
        assert!(how.contains(&job.what.to_lowercase()), "{how}");
        assert!(row.tool.contains(&job.tool), "{} of {}", row.tool, job.tool);
    }
    for step in sheet.steps.iter().filter(|s| s.stage != Stage::Prepare) {
        let row = rows.iter().find(|r| r.first == step.number);
        let row = row.expect("a row of its own");
        assert_eq!(row.last, step.number);
        assert_eq!(row.leaves, step.leaves);
        assert_eq!(row.tool, step.tool);
    }
}
