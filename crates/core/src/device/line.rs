use std::fmt;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::frame::Measure;
use crate::units::Length;

/// A kind of device.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum DeviceKind {
    /// A tape that sends what it reads.
    Tape,
    /// A height stick that sends where its carrier stands.
    HeightStick,
}

impl DeviceKind {
    /// The device that reads a measure: heights stand on the stick, the rest lies along the tape.
    pub const fn reading(measure: Measure) -> Self {
        if measure.is_height() {
            Self::HeightStick
        } else {
            Self::Tape
        }
    }

    /// The word in its line.
    pub const fn word(self) -> &'static str {
        match self {
            Self::Tape => "tape",
            Self::HeightStick => "height-stick",
        }
    }
}

/// What a device says in one line of text.
///
/// Written as `hello <kind> <name>`, `reading <millimetres>`, `battery <per cent>` or `still`
/// (nothing to say, but there): lower case, one space between, a full stop in numbers, up to 80
/// letters. A line is never continued; an unknown word is passed over, so that later devices may
/// say more.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case", tag = "said")]
pub enum DeviceLine {
    /// It is there.
    Hello {
        /// What it is.
        kind: DeviceKind,
        /// What it calls itself.
        name: String,
    },
    /// It was pressed.
    Reading {
        /// What it read.
        value_mm: Length,
    },
    /// How much it has left, per cent.
    Battery {
        /// Per cent.
        percent: u8,
    },
    /// It is there and has nothing to say.
    Still,
}

/// Longest line, letters.
const LINE_LETTERS: usize = 80;

/// Reads one line of a device; none where it says nothing that is known.
///
/// # Errors
/// With one sentence if the line is broken: half a number, a percentage over 100, too long.
pub fn parse_line(line: &str) -> Result<Option<DeviceLine>, String> {
    let line = line.trim_end_matches(['\r', '\n']);
    if line.chars().count() > LINE_LETTERS {
        return Err(format!(
            "The device sent a line over {LINE_LETTERS} letters long; it was passed over."
        ));
    }
    let broken = || format!("The device sent “{line}”, which is no reading; press it again.");
    let mut words = line.split(' ');
    let word = words.next().unwrap_or_default();
    let rest: Vec<&str> = words.collect();
    let said = match (word, rest.as_slice()) {
        ("hello", [kind, name @ ..]) => {
            let kind = [DeviceKind::Tape, DeviceKind::HeightStick]
                .into_iter()
                .find(|k| k.word() == *kind)
                .ok_or_else(broken)?;
            DeviceLine::Hello {
                kind,
                name: name.join(" "),
            }
        }
        ("reading", [mm]) => {
            let mm: f64 = mm.parse().map_err(|_| broken())?;
            let value_mm = Length::from_mm(mm).map_err(|_| broken())?;
            DeviceLine::Reading { value_mm }
        }
        ("battery", [percent]) => {
            let percent: u8 = percent.parse().map_err(|_| broken())?;
            if percent > 100 {
                return Err(broken());
            }
            DeviceLine::Battery { percent }
        }
        ("still", []) => DeviceLine::Still,
        ("hello" | "reading" | "battery" | "still", _) => return Err(broken()),
        _ => return Ok(None),
    };
    Ok(Some(said))
}

impl fmt::Display for DeviceLine {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Hello { kind, name } => write!(f, "hello {} {name}", kind.word()),
            Self::Reading { value_mm } => write!(f, "reading {:.1}", value_mm.as_mm()),
            Self::Battery { percent } => write!(f, "battery {percent}"),
            Self::Still => write!(f, "still"),
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    #[test]
    fn each_line_reads_back() {
        let mm = |v| Length::constant_mm(v);
        for line in [
            DeviceLine::Hello {
                kind: DeviceKind::HeightStick,
                name: "simulated".into(),
            },
            DeviceLine::Reading {
                value_mm: mm(239.5),
            },
            DeviceLine::Battery { percent: 12 },
            DeviceLine::Still,
        ] {
            assert_eq!(parse_line(&line.to_string()), Ok(Some(line)));
        }
    }

    #[test]
    fn a_broken_line_is_said_and_an_unknown_one_passed_over() {
        for broken in [
            "reading",
            "reading 23,5",
            "reading NaN",
            "battery 101",
            "hello ruler x",
            "still 1",
        ] {
            assert!(parse_line(broken).is_err(), "{broken}");
        }
        assert_eq!(parse_line("temperature 21"), Ok(None));
        assert!(parse_line(&"reading 1".repeat(20)).is_err());
    }

    proptest! {
        #[test]
        fn no_line_panics(line in ".{0,120}") {
            let _ = parse_line(&line);
        }
    }
}
