use crate::balance::{A_ROUND_MM, MOST_ROUNDS};

/// Tilt of a bevel, degrees (handbook 5, *Bevels*: 45°).
const TILT_DEG: f64 = 45.0;
/// The hem stands so much wider where the nails are not fully to show, mm (handbook 5).
const OVER_THE_NAIL_MM: f64 = 2.0;

/// The round hem of a leg above its foot (handbook 5, *Bevels*).
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Bevel {
    /// Radius of the hem, mm.
    pub hem_radius_mm: f64,
    /// How far the column stands out over the foot, mm.
    pub overhang_mm: f64,
    /// How high over the table the hem's outer edge rises, mm.
    pub rise_mm: f64,
    /// Rounds of the shears.
    pub rounds: u32,
}

impl Bevel {
    /// Works a bevel out.
    ///
    /// # Units and shapes
    /// `foot_mm` is the width of the finished foot, bare foot and the hair left at both its sides;
    /// `column_mm` that of the leg's column at the hem. `nails_out_mm`: how far long nails stand past it.
    ///
    /// # References
    /// Handbook 5, *Bevels*: o = (d − w)/2, rise o·tan β, n = 1 + floor(o / 8 mm), 1 to 5. Handbook 10 E:
    /// over long nails the hem stands out by as much more.
    pub fn of(foot_mm: f64, column_mm: f64, shows_nails: bool, nails_out_mm: f64) -> Self {
        let overhang_mm = ((column_mm - foot_mm) / 2.0).max(0.0);
        #[expect(
            clippy::cast_possible_truncation,
            clippy::cast_sign_loss,
            reason = "a few rounds"
        )]
        let full = (overhang_mm / A_ROUND_MM).floor() as u32;
        let over = if shows_nails { 0.0 } else { OVER_THE_NAIL_MM };
        Self {
            hem_radius_mm: foot_mm / 2.0 + over + nails_out_mm,
            overhang_mm,
            rise_mm: overhang_mm * TILT_DEG.to_radians().tan(),
            rounds: (1 + full).min(MOST_ROUNDS),
        }
    }

    /// Tilt of each round in turn, degrees.
    pub fn tilts_deg(&self) -> Vec<f64> {
        (1..=self.rounds)
            .map(|k| f64::from(k) * TILT_DEG / f64::from(self.rounds))
            .collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use approx::assert_abs_diff_eq;

    /// By hand after handbook 5: a foot of 50 mm under a column of 82: 16 mm over, three rounds at
    /// 15, 30 and 45 degrees, the hem's edge 16 mm up.
    #[test]
    fn a_wide_column_takes_its_rounds() {
        let bevel = Bevel::of(50.0, 82.0, true, 0.0);
        assert_abs_diff_eq!(bevel.overhang_mm, 16.0, epsilon = 1e-9);
        assert_abs_diff_eq!(bevel.rise_mm, 16.0, epsilon = 1e-9);
        assert_eq!(
            bevel
                .tilts_deg()
                .iter()
                .map(|t| t.round())
                .collect::<Vec<_>>(),
            [15.0, 30.0, 45.0]
        );
        assert_abs_diff_eq!(bevel.hem_radius_mm, 25.0, epsilon = 1e-9);
    }

    #[test]
    fn a_column_no_wider_than_its_foot_is_turned_once() {
        let bevel = Bevel::of(50.0, 48.0, false, 0.0);
        assert_eq!((bevel.rounds, bevel.rise_mm), (1, 0.0));
        assert_abs_diff_eq!(bevel.hem_radius_mm, 27.0, epsilon = 1e-9);
        assert_eq!(Bevel::of(50.0, 300.0, true, 0.0).rounds, 5);
    }
}
