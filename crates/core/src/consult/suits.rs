//! What coat and what build a look is made for (handbook 5, *Not every dog can have every look*).

use crate::coat::Texture as T;
use crate::frame::Build;
use crate::look::LookId as L;

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

/// How a look sits on a coat (common practice: columns and round legs want hair that stands, skirts and
/// long sides hair that falls, a terrier's jacket harsh hair, thinning flat a coat that lies).
pub(super) const fn coat(look: L, texture: T) -> Suits {
    match look {
        L::Summer => Suits::CanBeHad,
        L::OneLength => match texture {
            T::Curl | T::Fleece => Suits::MadeFor(STANDS),
            T::Harsh | T::Silky | T::Feathered => Suits::CanBeHad,
        },
        L::Lamb | L::LambEasy | L::LongLegs | L::CylinderFleece => match texture {
            T::Curl | T::Fleece => Suits::MadeFor(STANDS),
            T::Harsh => Suits::CanBeHad,
            T::Silky | T::Feathered => Suits::Wants(WANTS_STANDING),
        },
        L::SkirtedSpaniel => match texture {
            T::Feathered | T::Silky => Suits::MadeFor(FALLS),
            T::Fleece => Suits::CanBeHad,
            T::Curl | T::Harsh => Suits::Wants(WANTS_FALLING),
        },
        L::DropComfort => match texture {
            T::Silky => Suits::MadeFor(FALLS),
            T::Feathered | T::Fleece => Suits::CanBeHad,
            T::Curl | T::Harsh => Suits::Wants(WANTS_FALLING),
        },
        L::AngledTerrier => match texture {
            T::Harsh => Suits::MadeFor("made for a harsh coat"),
            T::Curl | T::Fleece => Suits::CanBeHad,
            T::Silky | T::Feathered => Suits::Wants(WANTS_STANDING),
        },
        L::NaturalTidy => match texture {
            T::Feathered => Suits::MadeFor("made for a coat that lies flat and feathers"),
            T::Silky | T::Harsh => Suits::CanBeHad,
            T::Curl | T::Fleece => {
                Suits::Wants("it wants a coat that lies flat, and this one grows up")
            }
        },
        L::ToyJacket => match texture {
            T::Curl | T::Fleece | T::Silky => Suits::CanBeHad,
            T::Harsh | T::Feathered => {
                Suits::Wants("so short a jacket may grow back in patches on this coat")
            }
        },
    }
}

/// Up to this height a dog is a toy, mm at the withers (modelling choice: handbook 5 gives the toy jacket's
/// lengths at 240).
const TOY_MM: f64 = 300.0;
/// A dog that stands on less than this share of its height is low on leg (modelling choice: the usual share
/// at the elbow is a little over half).
const LOW_LEG: f64 = 0.47;

/// How a look sits on a build; nothing is said where none is asked.
pub(super) fn build(look: L, build: &Build) -> Suits {
    let is_low = build.elbow < LOW_LEG * build.height;
    match look {
        L::ToyJacket if build.height <= TOY_MM => Suits::MadeFor("made for a toy"),
        L::ToyJacket => Suits::Wants("it is a toy's trim, and this dog is bigger"),
        L::LongLegs if is_low => Suits::Wants("it wants long legs, and these are short"),
        L::DropComfort | L::SkirtedSpaniel if is_low => Suits::MadeFor("a skirt suits short legs"),
        _ => Suits::CanBeHad,
    }
}
