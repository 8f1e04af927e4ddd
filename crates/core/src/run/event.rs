use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use uuid::Uuid;

use crate::coat::{CombRegion, Zone};
use crate::report::{KnotHere, KnotWay};
use crate::shape::Hand;
use crate::sheet::CutSheet;
use crate::units::{Length, UnitSystem};

/// Until when a step is put off (handbook 6, *Every step can be put off*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum PutOff {
    /// To the end of this groom.
    Later,
    /// Into the bath.
    InTheBath,
    /// To another visit: it goes on the record.
    NotToday,
}

vocabulary! {
    /// What was done against a warm blade (handbook 7, *Heat*).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Cooling {
        /// Felt on the wrist: still cool.
        FeltCool => "Felt: cool",
        /// Cooled down.
        Cooled => "Cooled",
        /// Another blade of the same length.
        Swapped => "Swapped",
        /// Oiled.
        Oiled => "Oiled",
    }
}

vocabulary! {
    /// Why a step ran over (handbook 6, *Minutes*).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "the names are the handbook's")]
    pub enum OverReason {
        Moved => "Moved",
        Knots => "Knots",
        Break => "Break",
        Tool => "Tool",
        Interruption => "Disturbed",
        Owner => "Owner",
    }
}

/// What cut too much off.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "by", rename_all = "snake_case")]
pub enum SlipCause {
    /// A bare blade.
    Blade {
        /// Which, of the kit.
        tool: Uuid,
    },
    /// A comb came off and the blade beneath it cut.
    CombFellOff,
    /// Shears.
    Shears,
}

/// Too much came off somewhere.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Slip {
    /// Where.
    pub zone: Zone,
    /// On which side, where the zone stands twice; none where nobody said.
    #[serde(default)]
    pub hand: Option<Hand>,
    /// What is left there.
    pub left_mm: Length,
    /// What cut it; none where nobody said.
    #[serde(default)]
    pub cause: Option<SlipCause>,
}

vocabulary! {
    /// What was noticed of a tool, or done to it, at the table (handbook 3, *The kit*).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum ToolWord {
        /// A drop of oil.
        Oiled => "Oiled",
        /// Runs hot before its time.
        RunsHot => "Runs hot",
        /// Pulls, leaves lines: dull.
        Dull => "Dull: it pulls",
        /// Shears whose points fold the hair.
        DullAtTip => "The points fold the hair",
        /// A tooth is missing: out of use at once.
        ToothMissing => "Tooth missing",
    }
}

impl ToolWord {
    /// What is said of a blade or comb.
    pub const OF_A_BLADE: [Self; 4] = [Self::Oiled, Self::RunsHot, Self::Dull, Self::ToothMissing];
    /// What is said of shears.
    pub const OF_SHEARS: [Self; 2] = [Self::Dull, Self::DullAtTip];

    /// Whether the tool is not taken up again at this groom: a blade that pulls hurts.
    pub const fn takes_out(self) -> bool {
        matches!(self, Self::Dull | Self::ToothMissing)
    }

    /// Whether the steps to come may want another tool for it.
    pub const fn changes_the_plan(self) -> bool {
        self.takes_out() || matches!(self, Self::DullAtTip)
    }
}

vocabulary! {
    /// How a run ended.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum RunEnd {
        /// All that was to be done today.
        Finished => "Finished",
        /// Broken off: a vet should look first.
        VetFirst => "Vet first",
        /// Broken off: the dog has had enough.
        DogHadEnough => "The dog has had enough",
        /// The dog was taken away.
        TakenAway => "The owner takes the dog",
    }
}

impl RunEnd {
    /// What follows from breaking off so, in a sentence.
    pub const fn means(self) -> &'static str {
        match self {
            Self::Finished => "All that was to be done today is done.",
            Self::VetFirst => {
                "A vet should look before the groom goes on. What was done stays on the record."
            }
            Self::DogHadEnough => {
                "A shorter, calmer trim is the right answer for some. The rest waits for another day."
            }
            Self::TakenAway => "What is not done is written down for the next visit.",
        }
    }

    /// What stands over a groom that ended so.
    pub const fn over(self) -> &'static str {
        match self {
            Self::Finished => "Finished",
            Self::VetFirst => "Stopped here: vet first",
            Self::DogHadEnough => "Stopped here: enough for today",
            Self::TakenAway => "Stopped here: taken away",
        }
    }
}

vocabulary! {
    /// How the dog took a step (handbook 10 A 9).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Borne {
        /// It bore it.
        Bears => "Bears it",
        /// It fidgeted.
        Fidgets => "Fidgets",
        /// It would not have it.
        Refused => "Refuses",
    }
}

/// Something that happened in a run; its time is the entry's.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "event", rename_all = "snake_case")]
pub enum RunEvent {
    /// The groom began, with the sheet as it was then.
    Began {
        /// The steps.
        sheet: CutSheet,
    },
    /// A step was done.
    Done {
        /// Its number.
        step: u32,
    },
    /// A step was put off.
    Put {
        /// Its number.
        step: u32,
        /// Until when.
        until: PutOff,
        /// Why; may be empty.
        #[serde(default)]
        reason: String,
    },
    /// A step is to be done after all, or again.
    Reopened {
        /// Its number.
        step: u32,
    },
    /// A note at a step.
    Noted {
        /// Its number.
        step: u32,
        /// The note.
        text: String,
    },
    /// How the dog took a step.
    Took {
        /// Its number.
        step: u32,
        /// How.
        borne: Borne,
    },
    /// Why a step took longer than planned.
    RanOver {
        /// Its number.
        step: u32,
        /// Why.
        reason: OverReason,
    },
    /// The dog rests.
    Paused,
    /// The work goes on.
    Resumed,
    /// The blade was seen to.
    BladeSeenTo {
        /// How.
        how: Cooling,
    },
    /// This dog's own cautions were read.
    CautionsSeen,
    /// A step is to be done before another.
    Moved {
        /// Its number.
        step: u32,
        /// Before which; none puts it at the end.
        before: Option<u32>,
    },
    /// Some zones of a step become a step of their own, done right after it.
    Split {
        /// Its number.
        step: u32,
        /// Which zones leave it.
        zones: Vec<Zone>,
    },
    /// One side of a step is done, the other follows.
    OneSideDone {
        /// Its number.
        step: u32,
        /// Which side stands finished.
        hand: Hand,
    },
    /// A length was read while at work.
    Measured {
        /// At which step.
        step: u32,
        /// Where.
        zone: Zone,
        /// On which side, where the zone stands twice.
        #[serde(default)]
        hand: Option<Hand>,
        /// What stands there.
        left_mm: Length,
    },
    /// A length was read while the server was away: kept as typed, and read when it is back.
    MeasuredAs {
        /// At which step.
        step: u32,
        /// Where.
        zone: Zone,
        /// On which side, where the zone stands twice.
        #[serde(default)]
        hand: Option<Hand>,
        /// What was typed.
        typed: String,
        /// In which units a bare number was meant.
        units: UnitSystem,
    },
    /// A comb was tried in a region.
    CombTried {
        /// Where.
        region: CombRegion,
        /// Whether it ran free from the skin to the tip.
        passes: bool,
    },
    /// A pair was brought together and compared.
    Compared {
        /// At which step.
        step: u32,
        /// Which is the longer; none where both are alike.
        longer: Option<Hand>,
        /// By how much.
        #[serde(default)]
        by_mm: Length,
    },
    /// A tool was noticed or seen to.
    ToolNoted {
        /// Which, of the kit.
        tool: Uuid,
        /// What.
        word: ToolWord,
    },
    /// Too much came off.
    Slipped {
        /// Where and what is left.
        slip: Slip,
    },
    /// A knot was met at a step, and what was done about it.
    KnotMet {
        /// At which step.
        step: u32,
        /// Where, and how deep.
        knot: KnotHere,
        /// Which way out.
        way: KnotWay,
        /// What that leaves on the zone.
        leaves_mm: Length,
    },
    /// The rest was planned anew.
    Renewed {
        /// The whole sheet as it is planned now.
        sheet: CutSheet,
        /// What changes in the steps to come.
        said: String,
    },
    /// It is over.
    Ended {
        /// How.
        how: RunEnd,
        /// Why; may be empty.
        #[serde(default)]
        reason: String,
    },
}

impl RunEvent {
    /// The step of the sheet it is about; none where it is about the whole groom.
    pub const fn step(&self) -> Option<u32> {
        match self {
            Self::Done { step }
            | Self::Put { step, .. }
            | Self::Reopened { step }
            | Self::Noted { step, .. }
            | Self::Took { step, .. }
            | Self::RanOver { step, .. }
            | Self::Moved { step, .. }
            | Self::Split { step, .. }
            | Self::OneSideDone { step, .. }
            | Self::Measured { step, .. }
            | Self::MeasuredAs { step, .. }
            | Self::Compared { step, .. }
            | Self::KnotMet { step, .. } => Some(*step),
            Self::Began { .. }
            | Self::Paused
            | Self::Resumed
            | Self::BladeSeenTo { .. }
            | Self::CautionsSeen
            | Self::CombTried { .. }
            | Self::ToolNoted { .. }
            | Self::Slipped { .. }
            | Self::Renewed { .. }
            | Self::Ended { .. } => None,
        }
    }

    /// What it was, for the undo control.
    pub const fn label(&self) -> &'static str {
        match self {
            Self::Began { .. } => "start",
            Self::Done { .. } => "step done",
            Self::Put { .. } => "step put off",
            Self::Reopened { .. } => "step taken up again",
            Self::Noted { .. } => "note",
            Self::Took { .. } => "how it took it",
            Self::RanOver { .. } => "reason",
            Self::Paused => "break",
            Self::Resumed => "end of the break",
            Self::BladeSeenTo { .. } => "blade",
            Self::CautionsSeen => "cautions read",
            Self::Moved { .. } => "step moved",
            Self::Split { .. } => "step split",
            Self::OneSideDone { .. } => "one side done",
            Self::Measured { .. } | Self::MeasuredAs { .. } => "reading",
            Self::CombTried { .. } => "comb test",
            Self::Compared { .. } => "pair compared",
            Self::ToolNoted { .. } => "tool",
            Self::Slipped { .. } => "slip",
            Self::KnotMet { .. } => "knot",
            Self::Renewed { .. } => "steps planned anew",
            Self::Ended { .. } => "end of the groom",
        }
    }
}
