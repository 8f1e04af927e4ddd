//! The formats' tests: one program, so that they are linked once and run side by side.

mod agreement;
mod calendar;
mod dog_files;
mod golden_plans;
mod look_files;
mod owner_card;
mod papers;
mod photos;
