use crate::coat::Zone;
use crate::look::Cut;

/// The few lengths a look is made of; single zones are given over them.
#[derive(Clone, Copy)]
pub(super) struct Lengths {
    /// Body, neck side, crest and head.
    pub body: f64,
    /// Legs.
    pub leg: f64,
    /// Feet.
    pub foot: f64,
    /// Whether the front leg keeps a little more behind and a little less in front: it shortens
    /// the dog (handbook 5, *Legs*; shares of balance-model.md 6).
    pub leans: bool,
}

/// Inner faces against the outer (balance-model.md 6).
const INNER: f64 = 0.6;
const LEAN_FRONT: f64 = 0.88;
const LEAN_BACK: f64 = 1.03;

impl Lengths {
    /// Nominal lengths by zone, with what `own` gives over them.
    pub(super) fn by_zone(self, own: impl Fn(Zone) -> Option<f64>) -> Vec<f64> {
        use Zone as Z;
        let lean = |share: f64| {
            if self.leans {
                (self.leg * share).round()
            } else {
                self.leg
            }
        };
        by_zone(|zone| {
            own(zone).unwrap_or(match zone {
                Z::ForeIn | Z::HindIn => INNER * self.leg,
                Z::ForeFront => lean(LEAN_FRONT),
                Z::ForeBack => lean(LEAN_BACK),
                Z::Flank => self.leg,
                Z::Foot => self.foot,
                _ if zone.is_leg() => self.leg,
                _ => self.body,
            })
        })
    }
}

/// How zones are cut: those of `clipped` by clipper, face, ears, tail and feet set apart, the rest
/// by shears.
pub(super) fn cuts(clipped: &[Zone]) -> Vec<Cut> {
    by_zone(|zone| {
        if zone.is_head() || matches!(zone, Zone::Foot | Zone::Tail) {
            Cut::Set
        } else if clipped.contains(&zone) {
            Cut::Clipped
        } else {
            Cut::Scissored
        }
    })
}

/// Zones of the body as most looks clip them.
pub(super) const BODY: [Zone; 11] = [
    Zone::Back,
    Zone::Croup,
    Zone::Rump,
    Zone::Chest,
    Zone::Throat,
    Zone::TuckUp,
    Zone::Underline,
    Zone::Shoulder,
    Zone::Ribs,
    Zone::Hip,
    Zone::NeckSide,
];

pub(super) fn by_zone<T>(of: impl Fn(Zone) -> T) -> Vec<T> {
    Zone::ALL.into_iter().map(of).collect()
}
