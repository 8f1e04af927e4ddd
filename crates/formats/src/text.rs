use std::fmt::Write as _;

use veliform_core::dog::Dog;
use veliform_core::report::{PlanReport, Verdict};

/// Writes a plan as plain text, for a terminal.
pub fn plan_text(dog: &Dog, plan: &PlanReport) -> String {
    let mut out = String::new();
    let mut line = |text: String| {
        let done = writeln!(out, "{text}");
        debug_assert!(done.is_ok(), "writing to a string does not fail");
    };
    line(format!("{}: {}", dog.name, plan.look_name));
    line(format!(
        "{} of {} points right{} · {:.0} minutes · {} tool changes",
        plan.right,
        plan.balance.len() - plan.wished as usize,
        match plan.wished {
            0 => String::new(),
            wished => format!(", {wished} as the owner wants"),
        },
        plan.sheet.minutes,
        plan.sheet.tool_changes
    ));
    line(String::new());
    for unit in &plan.units {
        line(format!(
            "  {:28} {:>9}  {}",
            unit.label, unit.text, unit.tool
        ));
    }
    line(String::new());
    for row in &plan.balance {
        let verdict = match row.verdict {
            Verdict::InRange => "right",
            Verdict::WithinTolerance => "near",
            Verdict::Off => "OFF",
            Verdict::AsWished => "as wished",
        };
        line(format!(
            "  {:28} {:>7} -> {:>7}  ({})  {verdict}",
            row.label, row.now, row.plan, row.target
        ));
    }
    for reason in &plan.reasons {
        line(format!("  - {} {}", reason.fault, reason.remedy));
    }
    for wish in &plan.unmet {
        line(format!("  - {}", wish.message));
    }
    line(String::new());
    for clip in &plan.lines {
        let hand = clip.hand.iter().find(|h| h.distance_mm.as_mm() >= 1.0);
        let said = hand.map_or_else(|| clip.mark.clone(), |h| format!("{} {}", h.text, h.from));
        line(format!("  {}: {said}. {}", clip.label, clip.why));
    }
    line(String::new());
    for step in &plan.sheet.steps {
        let minutes = format!("{:.0} min", step.minutes);
        let said = [&step.what, &step.tool, &step.leaves, &step.stroke, &minutes];
        let said: Vec<&str> = said
            .into_iter()
            .map(|part| part.trim())
            .filter(|part| !part.is_empty())
            .collect();
        line(format!("  {:>2}. {}", step.number, said.join(" · ")));
    }
    line(String::new());
    line(plan.sheet.standing_caution.clone());
    out
}
