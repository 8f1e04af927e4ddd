use uuid::Uuid;

use crate::dog::House;
use crate::kit::{Tool, ToolKind, UnderComb};
use crate::units::{Length, UnitSystem, fingers_text, half_fingers, length_text};

/// A blade stands in for a comb if it leaves about as much, mm (handbook 3 pairs a 13 mm comb with
/// blades of 9.5 to 13).
const ABOUT_EQUAL_MM: f64 = 4.0;

/// From here shears are told their lengths in such steps, mm; under it a step is shorter
/// (modelling choice: what a hand tells apart).
const STEPS_FROM_MM: f64 = 15.0;
const SHEAR_STEP_MM: f64 = 3.0;
const SHORT_STEP_MM: f64 = 2.0;

/// How this salon says lengths and tools.
#[derive(Clone, Copy, Debug)]
pub struct Words<'a> {
    /// The salon's settings.
    pub house: &'a House,
    /// Its kit.
    pub kit: &'a [Tool],
}

impl Words<'_> {
    /// A length without its unit.
    pub fn bare(&self, mm: f64) -> String {
        length_text(Length::worked_out_mm(mm), self.house.units)
    }

    /// A length with its unit.
    pub fn length(&self, mm: f64) -> String {
        format!("{} {}", self.bare(mm), self.unit())
    }

    /// About so much, with its unit: no hand grows or leaves a tenth of a millimetre.
    pub fn whole(&self, mm: f64) -> String {
        match self.house.units {
            UnitSystem::Millimetres => self.length(mm.round()),
            UnitSystem::Inches => self.length(mm),
        }
    }

    /// A length as a hand is told it, without its unit: whole millimetres, by shears from 15 in steps
    /// of 3.
    pub fn told(&self, mm: f64, is_by_shears: bool) -> String {
        match self.house.units {
            UnitSystem::Inches => self.bare(mm),
            UnitSystem::Millimetres if is_by_shears && mm >= STEPS_FROM_MM => {
                self.bare(SHEAR_STEP_MM * (mm / SHEAR_STEP_MM).round())
            }
            UnitSystem::Millimetres => self.bare(mm.round().max(1.0)),
        }
    }

    /// One such length, or the span where its ends differ by a step of the hand.
    pub fn told_span(&self, from: f64, to: f64, is_by_shears: bool) -> String {
        let (low, high) = (self.told(from, is_by_shears), self.told(to, is_by_shears));
        let step = if to >= STEPS_FROM_MM {
            SHEAR_STEP_MM
        } else {
            SHORT_STEP_MM
        };
        if low == high || to - from < step {
            self.told(f64::midpoint(from, to), is_by_shears)
        } else {
            format!("{low}–{high}")
        }
    }

    /// The unit's short name.
    pub fn unit(&self) -> &'static str {
        match self.house.units {
            UnitSystem::Millimetres => "mm",
            UnitSystem::Inches => "in",
        }
    }

    /// A distance a hand can lay off: the length, whole, and finger-breadths where a hand can tell.
    pub fn distance(&self, mm: f64) -> String {
        let distance = Length::worked_out_mm(mm.abs());
        match fingers_text(distance, self.house.finger_mm) {
            Some(fingers) => format!("{} ({fingers})", self.whole(mm.abs())),
            None => self.whole(mm.abs()),
        }
    }

    /// How far off something is, as an eye tells it: in finger-breadths where it can, else whole.
    pub fn by_eye(&self, mm: f64) -> String {
        let (off, finger) = (Length::worked_out_mm(mm.abs()), self.house.finger_mm);
        match half_fingers(off, finger) {
            Some(halves) if halves < 1.5 => "half a finger".into(),
            Some(halves) if halves < 2.5 => "a finger".into(),
            _ => fingers_text(off, finger).unwrap_or_else(|| self.whole(mm.abs())),
        }
    }

    /// A tool as it is called at the table.
    pub fn tool(&self, id: Uuid) -> String {
        let Some(tool) = self.kit.iter().find(|t| t.id == id) else {
            return "a tool no longer in the kit".into();
        };
        match tool.kind {
            ToolKind::Blade => format!("{} blade", tool.printed.trim()),
            ToolKind::Comb => format!(
                "{} comb over the {}",
                tool.printed.trim(),
                self.house.under_comb.number()
            ),
        }
    }

    /// A comb without the blade beneath it; none for what is no comb.
    pub fn comb_alone(&self, id: Uuid) -> Option<String> {
        let tool = self.kit.iter().find(|t| t.id == id)?;
        (tool.kind == ToolKind::Comb).then(|| format!("{} comb", tool.printed.trim()))
    }

    /// The bare blade of about a comb's length, for when the comb will not go through.
    pub fn blade_instead(&self, comb: Uuid) -> Option<&Tool> {
        let comb = self.kit.iter().find(|t| t.id == comb)?;
        let leaves = comb.leaves_mm.as_mm() + UnderComb::leaves_mm(self.house.under_comb) - 0.5;
        self.kit
            .iter()
            .filter(|t| t.kind == ToolKind::Blade && t.is_fit())
            .filter(|t| (t.leaves_mm.as_mm() - leaves).abs() <= ABOUT_EQUAL_MM)
            .min_by(|a, b| {
                let off = |t: &Tool| (t.leaves_mm.as_mm() - leaves).abs();
                off(a).total_cmp(&off(b))
            })
    }
}

/// A sentence's first letter, large.
pub(crate) fn capital(text: &str) -> String {
    let mut letters = text.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_uppercase().collect::<String>() + letters.as_str()
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use rstest::rstest;

    /// Handbook 5, *Hand distances*: fingers of 18 mm to the half, up to a hand's four; under 15 mm a hand
    /// cannot tell. By hand.
    #[rstest]
    #[case(9.6, "10 mm")]
    #[case(15.0, "a finger")]
    #[case(26.0, "1½ fingers")]
    #[case(44.0, "2½ fingers")]
    #[case(90.0, "90 mm")]
    fn an_eye_tells_fingers_where_a_hand_can(#[case] mm: f64, #[case] told: &str) {
        let house = House::default();
        let words = Words {
            house: &house,
            kit: &[],
        };
        assert_eq!(words.by_eye(mm), told);
    }
}
