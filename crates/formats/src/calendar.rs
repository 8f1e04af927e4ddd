//! The day to come back, for the owner's own calendar (RFC 5545).

use icalendar::{Calendar, Component as _, Event, Property};

/// The day to come back.
#[derive(Clone, Copy, Debug)]
pub struct ReturnDay<'a> {
    /// What tells it from any other: the same day agreed anew takes the place of the old one.
    pub id: &'a str,
    /// The dog's name.
    pub name: &'a str,
    /// The salon's name.
    pub salon: &'a str,
    /// The day, as `20261207`.
    pub day: &'a str,
    /// When this was written, in UTC, as `20261202T094500Z`.
    pub written: &'a str,
    /// Why on that day; may be empty.
    pub why: &'a str,
}

/// Writes the day as a calendar of one entry that takes no hours of it.
pub fn return_calendar(back: &ReturnDay<'_>) -> String {
    let mut event = Event::new();
    event
        .uid(back.id)
        .summary(&format!("{} · {}", back.name, back.salon))
        .add_property("DTSTAMP", back.written)
        .add_property("TRANSP", "TRANSPARENT");
    let mut start = Property::new("DTSTART", back.day);
    start.add_parameter("VALUE", "DATE");
    event.append_property(start);
    if !back.why.is_empty() {
        event.description(back.why);
    }
    let mut calendar = Calendar::empty();
    calendar.append_property(("VERSION", "2.0"));
    calendar.append_property(("PRODID", "-//Veliform//EN"));
    calendar.push(event).to_string()
}
