//! The frame: bone and skin under the coat, in millimetres, each number with its source and doubt.

mod build;
mod felt;
mod measure;
mod plausible;
mod resolve;
mod usual;

pub use build::{Build, BuildType, DogSize, EarKind, EarShape, HeadShape, TailKind, TailShape};
pub use felt::{Felt, Grade};
pub use measure::{Measure, Method, QUICK_EIGHT, Stance, TakenMeasure};
pub use plausible::{Problem, Severity};
pub use resolve::{Frame, FrameInput, FrameValue, Origin, resolve};
