use super::texture::Texture;
use super::zone::Zone;

/// Where hair ends against the body's own end length (handbook 3, *Growth*; 10 G, *Growth by site*;
/// modelling choice): a face early …
const FACE: f64 = 0.3;
/// … the front of the knee, where it breaks …
const KNEE: f64 = 0.8;
/// … and furnishings late, on coats that have them: feather is a feathered coat's alone, a harsh one
/// ends at 60 mm on its legs too.
const FURNISHED: f64 = 2.0;

/// How the hair of one zone grows: fast at first, slower towards the length where it ends (handbook 3).
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Growth {
    /// Early rate, mm a day.
    pub mm_per_day: f64,
    /// Length it grows towards, mm.
    pub end_mm: f64,
}

impl Texture {
    /// How hair of this texture grows in a zone.
    ///
    /// # References
    /// Handbook 3, *Growth*; 10 G, *Growth by site*.
    ///
    /// # Examples
    /// ```
    /// use veliform_core::coat::{Texture, Zone};
    /// // Handbook 8, worked by hand: fleece 13 mm after 42 days.
    /// let back = Texture::Fleece.growth_in(Zone::Back);
    /// assert!((back.after(13.0, 42.0) - 26.2).abs() < 0.1);
    /// ```
    pub const fn growth_in(self, zone: Zone) -> Growth {
        let share = match (self, zone) {
            (_, Zone::Cheek | Zone::Muzzle) => FACE,
            (_, Zone::Knee) => KNEE,
            (
                Self::Harsh | Self::Feathered,
                Zone::Beard | Zone::Brow | Zone::Topknot | Zone::Ear | Zone::Tail,
            )
            | (Self::Feathered, Zone::Underline | Zone::ForeBack | Zone::HindBack) => FURNISHED,
            _ => 1.0,
        };
        Growth {
            mm_per_day: self.growth_mm_per_day(),
            end_mm: share * self.terminal_mm(),
        }
    }
}

impl Growth {
    /// Length after `days` of growth, mm: ℓ(t) = ℓ∞ − (ℓ∞ − ℓ0)·exp(−g·t/ℓ∞), with g the early rate
    /// (handbook 3). What is longer than it grows stays so.
    pub fn after(self, length_mm: f64, days: f64) -> f64 {
        let end = self.end_mm.max(length_mm);
        end - (end - length_mm) * (-self.mm_per_day * days / end).exp()
    }

    /// Days until hair has grown by `more_mm`, if it ever does.
    pub fn days_to(self, length_mm: f64, more_mm: f64) -> Option<f64> {
        let end = self.end_mm;
        let left = end - length_mm - more_mm;
        (left > 1.0).then(|| -end / self.mm_per_day * (left / (end - length_mm)).ln())
    }
}

/// Days as whole weeks, begun ones counted, as a salon's book has them.
pub fn whole_weeks(days: Option<f64>) -> Option<u32> {
    #[expect(
        clippy::cast_possible_truncation,
        clippy::cast_sign_loss,
        reason = "a few hundred days"
    )]
    let whole = |days: f64| (days / 7.0).ceil().clamp(0.0, 999.0) as u32;
    days.map(whole)
}

#[cfg(test)]
mod tests {
    use super::*;
    use approx::assert_abs_diff_eq;

    /// Handbook 8, *Worked by hand*.
    #[test]
    fn growth_over_six_weeks_is_as_worked_by_hand() {
        let back = |texture: Texture| texture.growth_in(Zone::Back).after(13.0, 42.0);
        assert_abs_diff_eq!(back(Texture::Fleece), 26.2, epsilon = 0.1);
        assert_abs_diff_eq!(back(Texture::Feathered), 20.5, epsilon = 0.1);
    }

    #[test]
    fn waiting_as_long_as_told_grows_as_much_as_wanted() {
        let curl = Texture::Curl.growth_in(Zone::Ribs);
        let days = curl.days_to(22.0, 16.0).expect("curl gets there");
        assert_abs_diff_eq!(curl.after(22.0, days), 38.0, epsilon = 1e-9);
        let harsh = Texture::Harsh.growth_in(Zone::Ribs);
        assert_eq!(harsh.days_to(50.0, 16.0), None);
    }

    /// Handbook 10 G: face × 0.3, beard, brows, ears, tail and feather × 2 on harsh and feathered coats,
    /// knee × 0.8. A harsh beard of 50 mm gets to 66 of its 120, a curl's cheek never past 75.
    #[test]
    fn hair_ends_where_its_site_lets_it() {
        let end = |texture: Texture, zone| texture.growth_in(zone).end_mm;
        assert_abs_diff_eq!(end(Texture::Harsh, Zone::Beard), 120.0);
        assert_abs_diff_eq!(end(Texture::Feathered, Zone::Ear), 180.0);
        assert_abs_diff_eq!(end(Texture::Curl, Zone::Ear), 250.0);
        assert_abs_diff_eq!(end(Texture::Silky, Zone::Knee), 176.0);
        assert_abs_diff_eq!(end(Texture::Feathered, Zone::HindBack), 180.0);
        assert_abs_diff_eq!(end(Texture::Harsh, Zone::HindBack), 60.0);
        assert!(
            Texture::Harsh
                .growth_in(Zone::Beard)
                .days_to(50.0, 16.0)
                .is_some()
        );
        assert_eq!(
            Texture::Curl.growth_in(Zone::Cheek).days_to(60.0, 20.0),
            None
        );
    }
}
