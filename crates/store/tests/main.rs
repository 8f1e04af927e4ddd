//! The store's tests: one program, so that they are linked once and run side by side.

mod copies;
mod forgetting;
mod photos_and_types;
mod store;
