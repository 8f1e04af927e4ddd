use super::now::{CoatNow, LONGEST_MM};
use super::zone::Zone;
use crate::units::{Length, UnitSystem, length_text};

/// A reading may lie so much over what stood before work, as a share (modelling choice): two hands comb
/// out one lock differently.
const SLACK_SHARE: f64 = 0.1;
/// The same at least, mm: a rule is read to the millimetre.
const SLACK_MM: f64 = 1.0;
/// Where only the coat all over was said, a zone may hold so many times as much as it usually would
/// (modelling choice).
const ROUGHLY: f64 = 2.0;

/// Whether so much can stand where at most `most_mm` can; anything a dog bears where nobody said.
pub fn can_stand(read_mm: f64, most_mm: Option<f64>) -> bool {
    (0.0..=most_mm.unwrap_or(LONGEST_MM)).contains(&read_mm)
}

/// What is wrong with a length read at the table, in one sentence; none where it can be.
pub fn standing_problem(
    where_read: &str,
    read: Length,
    most: Option<Length>,
    units: UnitSystem,
) -> Option<String> {
    if can_stand(read.as_mm(), most.map(Length::as_mm)) {
        return None;
    }
    let read = length_text(read, units);
    let most = most.unwrap_or(Length::constant_mm(LONGEST_MM));
    Some(format!(
        "{where_read}: {read} cannot stand there; it is between 0 and {}, what stood before work. \
         Read it again.",
        length_text(most, units)
    ))
}

impl CoatNow {
    /// The most that can be read on a zone once work has begun, mm: what stood there before, and a
    /// little; none where nobody said.
    pub fn most_mm(&self, zone: Zone) -> Option<f64> {
        let stands = self.length_mm(zone);
        if !self.estimated.contains(&zone) {
            return Some(stands + SLACK_MM.max(SLACK_SHARE * stands));
        }
        self.is_all_over_said.then_some(ROUGHLY * stands)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use rstest::rstest;

    /// A coat only gets shorter on the table (fact of the trade); 62 mm is the back of a demo dog.
    #[rstest]
    #[case(400.0, false)]
    #[case(66.0, true)]
    #[case(-1.0, false)]
    #[case(0.0, true)]
    fn no_more_stands_after_work_than_before(#[case] read: f64, #[case] can: bool) {
        use crate::coat::Texture;
        let most = CoatNow::even(Texture::Curl, 0.9, 62.0).most_mm(Zone::Back);
        assert_eq!(can_stand(read, most), can);
        let said = standing_problem(
            "Back",
            Length::constant_mm(read),
            most.map(Length::constant_mm),
            UnitSystem::Millimetres,
        );
        assert_eq!(said.is_none(), can, "{said:?}");
        assert!(can_stand(99.0, None) && !can_stand(99009.0, None));
    }
}
