use super::zone::Zone;

/// Skin that needs one blade longer than usual (handbook 3, *Shortest safe*: old, sore or scaly).
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub enum Skin {
    /// Nothing known against the usual lengths.
    #[default]
    Ordinary,
    /// One blade longer.
    Delicate,
}

/// A comb cannot pass tight knots; the blade that goes under them leaves about this, mm
/// (a 7, from memory; modelling choice).
pub const UNDER_KNOTS_MM: f64 = 3.2;

/// Shortest safe length of a zone, mm (handbook 3, modelling choice: ordinary coat).
pub fn shortest_safe_mm(zone: Zone, skin: Skin) -> f64 {
    let (ordinary, delicate) = match zone {
        _ if zone.is_leg() => (3.0, 4.8),
        Zone::Cheek | Zone::Brow | Zone::Muzzle | Zone::Beard => (0.5, 1.5),
        Zone::Ear => (1.2, 1.5),
        Zone::Foot => (0.5, 1.2),
        _ => (2.0, 2.8),
    };
    match skin {
        Skin::Ordinary => ordinary,
        Skin::Delicate => delicate,
    }
}
