use serde::Serialize;
use serde::ser::{SerializeSeq as _, SerializeTuple as _, Serializer};

/// Places are told to a hundredth of a millimetre, finer than any line is drawn.
fn hundredth(mm: f64) -> f64 {
    (mm * 100.0).round() / 100.0 + 0.0
}

/// Writes a place on a view's own plane, mm.
pub(crate) fn place<S: Serializer>(at: &[f64; 2], out: S) -> Result<S::Ok, S::Error> {
    let mut pair = out.serialize_tuple(2)?;
    for mm in at {
        pair.serialize_element(&hundredth(*mm))?;
    }
    pair.end()
}

/// Writes a course on a view's own plane, mm.
pub(crate) fn course<S: Serializer>(path: &[[f64; 2]], out: S) -> Result<S::Ok, S::Error> {
    struct Told<'a>(&'a [f64; 2]);
    impl Serialize for Told<'_> {
        fn serialize<S: Serializer>(&self, out: S) -> Result<S::Ok, S::Error> {
            place(self.0, out)
        }
    }
    let mut list = out.serialize_seq(Some(path.len()))?;
    for at in path {
        list.serialize_element(&Told(at))?;
    }
    list.end()
}
