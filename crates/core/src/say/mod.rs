//! How this salon says lengths and tools.

mod words;

pub use words::Words;
pub(crate) use words::capital;
