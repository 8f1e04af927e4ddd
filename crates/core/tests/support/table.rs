//! A table with a dog on it and a clock that is moved by hand.

use uuid::Uuid;
use veliform_core::desk::{Desk, Reasons};
use veliform_core::dog::{Dog, House};
use veliform_core::frame::{Measure, Method, TakenMeasure};
use veliform_core::kit::{Tool, ToolKind};
use veliform_core::look::LookId;
use veliform_core::run::{PutOff, RunEvent, RunView};
use veliform_core::sheet::CutSheet;
use veliform_core::units::Length;
use veliform_core::visit::{Entry, EntryBody, LookChoice, Visit, fold};

pub const MINUTE: i64 = 60_000;
pub const NINE: i64 = 1_700_000_000_000;

pub fn mm(value: f64) -> Length {
    Length::from_mm(value).expect("finite")
}

pub fn dog(age_months: Option<u16>) -> Dog {
    serde_json::from_value(serde_json::json!({
        "id": Uuid::from_u128(3), "name": "Buffer", "texture": "fleece", "age_months": age_months
    }))
    .expect("a dog")
}

pub fn kit() -> Vec<Tool> {
    let owned = |n: u128, kind: ToolKind, mm: f64| -> Tool {
        serde_json::from_value(serde_json::json!({
            "id": Uuid::from_u128(n), "printed": format!("{mm}"), "kind": kind, "leaves_mm": mm,
            "state": "fine"
        }))
        .expect("a tool")
    };
    vec![
        owned(11, ToolKind::Blade, 1.5),
        owned(12, ToolKind::Blade, 3.2),
        owned(13, ToolKind::Comb, 13.0),
        owned(14, ToolKind::Comb, 19.0),
        owned(15, ToolKind::Comb, 25.0),
    ]
}

pub fn entry(n: u128, at_ms: i64, body: EntryBody) -> Entry {
    Entry {
        id: Uuid::from_u128(n),
        at_ms,
        stamp_ms: None,
        author: String::new(),
        body,
    }
}

/// A table with a dog on it and a clock that is moved by hand.
pub struct Table {
    pub dog: Dog,
    pub entries: Vec<Entry>,
    pub now: i64,
}

impl Table {
    pub fn with(dog: Dog) -> Self {
        let taken = TakenMeasure::by(Method::HeightStick, mm(440.0));
        let mut table = Self {
            dog,
            entries: Vec::new(),
            now: NINE,
        };
        table.say(EntryBody::MeasureSet {
            measure: Measure::HeightAtWithers,
            taken,
        });
        table.say(EntryBody::CoatAllOver {
            length_mm: Some(mm(60.0)),
        });
        table.say(EntryBody::LookChosen {
            choice: LookChoice {
                look: LookId::Lamb,
                body_mm: None,
            },
        });
        let sheet = table.sheet();
        table.run(RunEvent::Began { sheet });
        table
    }

    pub fn begun() -> Self {
        Self::with(dog(Some(40)))
    }

    pub fn say(&mut self, body: EntryBody) {
        let n = 100 + self.entries.len() as u128;
        self.entries.push(entry(n, self.now, body));
    }

    pub fn run(&mut self, event: RunEvent) {
        self.say(EntryBody::Run { event });
    }

    pub fn wait(&mut self, minutes: i64) -> &mut Self {
        self.now += minutes * MINUTE;
        self
    }

    pub fn visit(&self) -> Visit {
        fold(&self.dog, &self.entries)
    }

    pub fn desk<T>(&self, ask: impl FnOnce(&Desk<'_>) -> T) -> T {
        let (visit, house, kit) = (self.visit(), House::default(), kit());
        ask(&Desk::new(&self.dog, &visit, &house, &kit))
    }

    pub fn sheet(&self) -> CutSheet {
        self.desk(|d| d.plan(Reasons::Skip).expect("solves").report.sheet)
    }

    pub fn view(&self) -> RunView {
        self.desk(|d| d.run(self.now).expect("solves").expect("begun"))
    }

    pub fn current(&self) -> u32 {
        *self.view().queue.first().expect("something to do")
    }

    pub fn done(&mut self) -> u32 {
        let step = self.current();
        self.run(RunEvent::Done { step });
        step
    }

    pub fn put(&mut self, until: PutOff) -> u32 {
        let step = self.current();
        let reason = " danced ".into();
        self.run(RunEvent::Put {
            step,
            until,
            reason,
        });
        step
    }

    /// Ticks until the step in hand is as asked.
    pub fn until(&mut self, is_it: impl Fn(&veliform_core::sheet::Step) -> bool) -> u32 {
        loop {
            let view = self.view();
            let step = view.run.current().expect("such a step comes");
            if is_it(step) {
                return step.number;
            }
            self.done();
        }
    }
}
