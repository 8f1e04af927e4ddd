//! What coat and what build a look is made for (handbook 5, *Not every dog can have every look*).

use crate::coat::Texture as T;
use crate::frame::Build;
use crate::look::{BuildWanted, CoatWanted};

/// How a look sits on a coat and a build, whatever the owner wishes.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(super) enum Suits {
    /// It is made for it.
    MadeFor(&'static str),
    /// It can be had.
    CanBeHad,
    /// It wants another.
    Wants(&'static str),
}

const STANDS: &str = "made for a coat that stands";
const FALLS: &str = "made for a coat that falls";
const WANTS_STANDING: &str = "it wants a coat that stands, and this one falls";
const WANTS_FALLING: &str = "it wants a coat that falls, and this one stands";

/// How a look made for one coat sits on another.
pub(super) const fn coat(wanted: CoatWanted, texture: T) -> Suits {
    use CoatWanted as W;
    match (wanted, texture) {
        (W::BestStanding | W::Standing, T::Curl | T::Fleece) => Suits::MadeFor(STANDS),
        (W::Standing | W::Harsh, T::Silky | T::Feathered) => Suits::Wants(WANTS_STANDING),
        (W::Skirted, T::Feathered | T::Silky) | (W::Falling, T::Silky) => Suits::MadeFor(FALLS),
        (W::Skirted | W::Falling, T::Curl | T::Harsh) => Suits::Wants(WANTS_FALLING),
        (W::Harsh, T::Harsh) => Suits::MadeFor("made for a harsh coat"),
        (W::LyingFlat, T::Feathered) => {
            Suits::MadeFor("made for a coat that lies flat and feathers")
        }
        (W::LyingFlat, T::Curl | T::Fleece) => {
            Suits::Wants("it wants a coat that lies flat, and this one grows up")
        }
        (W::GrowsBackEvenly, T::Harsh | T::Feathered) => {
            Suits::Wants("so short a jacket may grow back in patches on this coat")
        }
        (
            W::Any
            | W::BestStanding
            | W::Standing
            | W::Skirted
            | W::Falling
            | W::Harsh
            | W::LyingFlat
            | W::GrowsBackEvenly,
            _,
        ) => Suits::CanBeHad,
    }
}

/// Up to this height a dog is a toy, mm at the withers (modelling choice: handbook 5 gives the toy jacket's
/// lengths at 240).
const TOY_MM: f64 = 300.0;
/// A dog that stands on less than this share of its height is low on leg (modelling choice: the usual share
/// at the elbow is a little over half).
const LOW_LEG: f64 = 0.47;

/// How a look made for one build sits on another; nothing is said where none is asked.
pub(super) fn build(wanted: BuildWanted, build: &Build) -> Suits {
    let is_low = build.elbow < LOW_LEG * build.height;
    match wanted {
        BuildWanted::Toy if build.height <= TOY_MM => Suits::MadeFor("made for a toy"),
        BuildWanted::Toy => Suits::Wants("it is a toy's trim, and this dog is bigger"),
        BuildWanted::LongLegs if is_low => Suits::Wants("it wants long legs, and these are short"),
        BuildWanted::SuitsShortLegs if is_low => Suits::MadeFor("a skirt suits short legs"),
        BuildWanted::LongLegs | BuildWanted::SuitsShortLegs | BuildWanted::Any => Suits::CanBeHad,
    }
}
