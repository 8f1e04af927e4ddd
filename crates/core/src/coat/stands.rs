use super::Zone;

const ZONES: usize = Zone::ALL.len();

/// How far combed-up hair stands off the skin against its own length, zone by zone, 0 to 1
/// (handbook 3, *What the eye sees*).
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Stands {
    all: f64,
    zones: [f64; ZONES],
}

impl Stands {
    /// The same stand everywhere.
    pub const fn even(stand: f64) -> Self {
        Self {
            all: stand,
            zones: [stand; ZONES],
        }
    }

    /// The coat's own stand, where no zone says otherwise.
    pub const fn all(&self) -> f64 {
        self.all
    }

    /// Stand of a zone.
    pub const fn of(&self, zone: Zone) -> f64 {
        self.zones[zone as usize]
    }

    /// The same with one zone's own stand.
    #[must_use]
    pub const fn with(mut self, zone: Zone, stand: f64) -> Self {
        self.zones[zone as usize] = stand;
        self
    }

    /// The same, all of it standing more or less.
    #[must_use]
    pub fn times(self, factor: f64) -> Self {
        Self {
            all: self.all * factor,
            zones: self.zones.map(|s| s * factor),
        }
    }
}
