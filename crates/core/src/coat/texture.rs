use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// Coat texture: it gives the stand, the growth and what strokes it bears (handbook 3).
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Texture {
    /// Tight curl.
    #[default]
    Curl,
    /// Fleece or wave.
    Fleece,
    /// Harsh, wiry.
    Harsh,
    /// Silky drop coat.
    Silky,
    /// Flat and feathered.
    Feathered,
}

impl Texture {
    /// All textures.
    pub const ALL: [Self; 5] = [
        Self::Curl,
        Self::Fleece,
        Self::Harsh,
        Self::Silky,
        Self::Feathered,
    ];

    /// Name on the screen.
    pub const fn label(self) -> &'static str {
        match self {
            Self::Curl => "Tight curl",
            Self::Fleece => "Fleece or wave",
            Self::Harsh => "Harsh",
            Self::Silky => "Silky drop",
            Self::Feathered => "Flat, feathered",
        }
    }

    /// Whether its ends hang apart in locks rather than curl together (handbook 3).
    pub const fn hangs_in_locks(self) -> bool {
        matches!(self, Self::Harsh | Self::Silky | Self::Feathered)
    }

    /// How far a combed-up hair stands off the skin against its own length, 0 to 1.
    ///
    /// Handbook 3 (modelling choice, editable); a measured stand replaces it.
    pub const fn stand(self) -> f64 {
        match self {
            Self::Curl => 0.95,
            Self::Fleece => 0.85,
            Self::Harsh => 0.6,
            Self::Silky => 0.35,
            Self::Feathered => 0.25,
        }
    }

    /// Early growth, mm a day (handbook 3, from memory of published hair-growth studies).
    pub const fn growth_mm_per_day(self) -> f64 {
        match self {
            Self::Curl | Self::Fleece => 0.34,
            Self::Silky => 0.30,
            Self::Harsh | Self::Feathered => 0.22,
        }
    }

    /// Length the coat grows towards, mm (handbook 3, from memory).
    pub const fn terminal_mm(self) -> f64 {
        match self {
            Self::Curl | Self::Fleece => 250.0,
            Self::Silky => 220.0,
            Self::Harsh => 60.0,
            Self::Feathered => 90.0,
        }
    }

    /// Coat as it usually comes in, all over, on a dog of 460 mm, where nobody said (modelling choice).
    pub const fn usual_length_mm(self) -> f64 {
        match self {
            Self::Curl => 45.0,
            Self::Fleece => 50.0,
            Self::Harsh => 40.0,
            Self::Silky => 70.0,
            Self::Feathered => 50.0,
        }
    }
}

/// Length after `days` of growth.
///
/// ℓ(t) = ℓ∞ − (ℓ∞ − ℓ0)·exp(−g·t/ℓ∞), with g the early rate (handbook 3).
///
/// # Examples
/// ```
/// use veliform_core::coat::{Texture, grown_mm};
/// // Handbook 8, worked by hand: fleece 13 mm after 42 days.
/// assert!((grown_mm(13.0, 42.0, Texture::Fleece) - 26.2).abs() < 0.1);
/// ```
pub fn grown_mm(length_mm: f64, days: f64, texture: Texture) -> f64 {
    let end = texture.terminal_mm().max(length_mm);
    end - (end - length_mm) * (-texture.growth_mm_per_day() * days / end).exp()
}

/// Days until a coat has grown by `more_mm`, if it ever does.
pub fn days_to_grow(length_mm: f64, more_mm: f64, texture: Texture) -> Option<f64> {
    let end = texture.terminal_mm();
    let left = end - length_mm - more_mm;
    (left > 1.0).then(|| -end / texture.growth_mm_per_day() * (left / (end - length_mm)).ln())
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
        assert_abs_diff_eq!(grown_mm(13.0, 42.0, Texture::Fleece), 26.2, epsilon = 0.1);
        assert_abs_diff_eq!(
            grown_mm(13.0, 42.0, Texture::Feathered),
            20.5,
            epsilon = 0.1
        );
    }

    #[test]
    fn waiting_as_long_as_told_grows_as_much_as_wanted() {
        let days = days_to_grow(22.0, 16.0, Texture::Curl).expect("curl gets there");
        assert_abs_diff_eq!(grown_mm(22.0, days, Texture::Curl), 38.0, epsilon = 1e-9);
        assert_eq!(days_to_grow(50.0, 16.0, Texture::Harsh), None);
    }
}
