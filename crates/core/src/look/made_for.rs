/// The coat a look is made for (handbook 5, *Not every dog can have every look*; common practice: columns and
/// round legs want hair that stands, skirts and long sides hair that falls, a terrier's jacket harsh hair,
/// thinning flat a coat that lies).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum CoatWanted {
    /// Any.
    Any,
    /// One that stands is best, any other will do.
    BestStanding,
    /// One that stands.
    Standing,
    /// One that falls, for its skirt.
    Skirted,
    /// One that falls all over.
    Falling,
    /// A harsh one.
    Harsh,
    /// One that lies flat and feathers.
    LyingFlat,
    /// One that grows back evenly after a very short blade.
    GrowsBackEvenly,
}

/// The build a look is made for.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum BuildWanted {
    /// Any.
    Any,
    /// A toy's.
    Toy,
    /// One with long legs.
    LongLegs,
    /// It suits short legs well.
    SuitsShortLegs,
}

/// What a look is made for.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct MadeFor {
    /// The coat.
    pub coat: CoatWanted,
    /// The build.
    pub build: BuildWanted,
}

impl MadeFor {
    /// Any dog.
    pub(super) const ANY: Self = Self::coat(CoatWanted::Any);

    /// A coat, on any build.
    pub(super) const fn coat(coat: CoatWanted) -> Self {
        Self {
            coat,
            build: BuildWanted::Any,
        }
    }

    /// The same on a build.
    pub(super) const fn on(self, build: BuildWanted) -> Self {
        Self { build, ..self }
    }
}
