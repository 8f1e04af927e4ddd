//! How sure: the frame's doubt carried through to the balance, and what to measure next.

mod carried;
mod next;

pub use carried::point_doubts;
pub use next::{NextFinding, WhatNext, what_next};
