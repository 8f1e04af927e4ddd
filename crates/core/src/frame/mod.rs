//! The frame: bone and skin under the coat, in millimetres, each number with its source and doubt.

mod age;
mod angle;
mod bend;
mod build;
mod doubt;
mod felt;
mod fill;
mod hand_order;
mod joints;
mod measure;
mod method;
mod own_type;
mod plausible;
mod resolve;
mod usual;

pub use age::{Ago, Known};
pub use angle::{Angle, AngleMethod, TakenAngle};
pub use bend::Bend;
pub use build::{
    Build, BuildType, DogSize, Dome, EarKind, EarShape, HeadShape, LegStand, TailKind, TailShape,
};
pub use doubt::{Doubt, Offsets};
pub use felt::{Felt, Grade};
pub use hand_order::{Finding, Stop};
pub use measure::{Measure, QUICK_EIGHT, Ranges};
pub use method::{Method, Stance, TakenMeasure};
pub use own_type::{OwnShare, OwnType};
pub use plausible::{Problem, Severity};
pub use resolve::{
    AngleValue, Frame, FrameInput, FrameValue, Origin, Sides, angles, resolve, resolve_moved,
};
