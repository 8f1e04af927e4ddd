//! The server's tests: one program, so that they are linked once and run side by side. The crowd has a
//! program of its own: places are counted in each.

mod at_the_desk;
mod dogs_of_the_salon;
mod every_operation;
mod hands_on;
mod killed_in_mid_write;
mod program;
mod routes;
mod several_at_once;
mod support;
mod yesterdays_data;
