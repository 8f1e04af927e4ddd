//! Browser tests live in tests/.
