//! Every task in a real browser, and what the tree must be: one program, so that they are linked once.

mod a_dogs_own_ways;
mod an_empty_salon;
mod as_last_time;
mod citations_resolve;
mod coat_and_knobs;
mod coat_map_and_past;
mod crates_keep_their_arrows;
mod every_screen_is_accessible;
mod hands_on_in_full;
mod hidden_places;
mod kit_and_files;
mod nothing_typed_is_lost;
mod own_looks;
mod support;
mod the_dog_comes_back;
mod the_finish_check;
mod the_lines;
mod the_picture_and_the_album;
mod the_sheet_follows;
mod the_table_run;
mod the_talk;
mod ways_of_working;
mod wet_hands;
mod what_is_shipped;
mod whole_thread_by_keyboard;
mod whole_thread_by_touch;
