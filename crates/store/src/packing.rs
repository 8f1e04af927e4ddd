use std::io::{Error, ErrorKind, Read as _, Write as _};

use brotli::{CompressorWriter, Decompressor};
use serde_json::{Value, json};

/// Effort and window of the packing: a plan takes some ten milliseconds, and the window holds the whole
/// of it, so that what stands in it twice is written once.
const EFFORT: u32 = 5;
const WINDOW: u32 = 22;
/// Bytes handled at a time.
const BUFFER: usize = 8192;
/// Shorter courses are not worth it.
const SHORTEST: usize = 8;
/// Names a course written by its steps; nothing that is kept has a field of this name.
const STEPS: &str = "~";

/// Packs the JSON of a plan that is kept for years, to about a sixth. Most of it are courses of a
/// drawing, x, y, x, y, …, in tenths of a millimetre: they are written as steps from point to point,
/// which are small whole numbers.
pub(crate) fn packed(text: &str) -> Result<Vec<u8>, Error> {
    let mut value: Value = serde_json::from_str(text)?;
    by_steps(&mut value);
    let mut writer = CompressorWriter::new(Vec::new(), BUFFER, EFFORT, WINDOW);
    writer.write_all(value.to_string().as_bytes())?;
    Ok(writer.into_inner())
}

/// The JSON again, of the same value to the last bit of every number.
pub(crate) fn unpacked(bytes: &[u8]) -> Result<String, Error> {
    let mut text = String::new();
    Decompressor::new(bytes, BUFFER).read_to_string(&mut text)?;
    let mut value: Value = serde_json::from_str(&text)?;
    by_places(&mut value)?;
    Ok(value.to_string())
}

fn by_steps(value: &mut Value) {
    if let Some(steps) = value.as_array().and_then(|list| steps(list)) {
        *value = json!({ STEPS: steps });
        return;
    }
    match value {
        Value::Array(list) => list.iter_mut().for_each(by_steps),
        Value::Object(fields) => fields.values_mut().for_each(by_steps),
        _ => {}
    }
}

/// Steps of a course in tenths, each from the place two before; none where a number is no whole tenth.
fn steps(list: &[Value]) -> Option<Vec<i64>> {
    if list.len() < SHORTEST {
        return None;
    }
    let places: Vec<i64> = list.iter().map(tenths).collect::<Option<_>>()?;
    let before = [0, 0].iter().chain(&places);
    Some(
        places
            .iter()
            .zip(before)
            .map(|(here, then)| here - then)
            .collect(),
    )
}

/// A number as whole tenths; none where dividing them by ten does not give it back to the last bit.
fn tenths(number: &Value) -> Option<i64> {
    let mm = number.as_f64().filter(|_| number.is_f64())?;
    let whole = (10.0 * mm).round();
    #[expect(clippy::cast_possible_truncation, reason = "held against what it was")]
    let count = whole as i64;
    (place(count).to_bits() == mm.to_bits()).then_some(count)
}

#[expect(
    clippy::cast_precision_loss,
    reason = "tenths of a millimetre on a dog"
)]
fn place(tenths: i64) -> f64 {
    tenths as f64 / 10.0
}

fn by_places(value: &mut Value) -> Result<(), Error> {
    if let Some(steps) = value.get(STEPS) {
        *value = places(steps).ok_or_else(|| Error::from(ErrorKind::InvalidData))?;
        return Ok(());
    }
    match value {
        Value::Array(list) => list.iter_mut().try_for_each(by_places),
        Value::Object(fields) => fields.values_mut().try_for_each(by_places),
        _ => Ok(()),
    }
}

fn places(steps: &Value) -> Option<Value> {
    let mut places: Vec<i64> = Vec::new();
    for step in steps.as_array()? {
        let two_before = places.len().checked_sub(2).map_or(0, |at| places[at]);
        places.push(two_before.checked_add(step.as_i64()?)?);
    }
    Some(places.into_iter().map(place).collect())
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::*;

    #[test]
    fn bytes_that_were_never_packed_are_refused() {
        assert!(unpacked(&[7; 40]).is_err());
        assert!(unpacked(&[]).is_err());
    }

    /// What looks like a course and is none stays as it is: whole numbers, hundredths, a minus nought.
    #[test]
    fn only_courses_in_tenths_are_written_by_steps() {
        for text in [
            "[1,2,3,4,5,6,7,8,9]",
            "[0.01,0.2,0.3,0.4,0.5,0.6,0.7,0.8]",
            "[-0.0,0.2,0.3,0.4,0.5,0.6,0.7,0.8]",
            "[0.1,0.2]",
        ] {
            let mut value: Value = serde_json::from_str(text).expect("reads");
            by_steps(&mut value);
            assert!(value.is_array(), "{text}");
        }
        let mut course: Value = json!([1.5, 2.0, 1.6, 2.1, 1.7, 2.2, 1.8, 2.3]);
        by_steps(&mut course);
        assert_eq!(course, json!({"~": [15, 20, 1, 1, 1, 1, 1, 1]}));
    }

    proptest! {
        /// Any course, in tenths or not, comes back to the last bit.
        #[test]
        fn what_was_packed_comes_back(
            tenths in prop::collection::vec(-20_000_i64..20_000, 0..40),
            others in prop::collection::vec(-1e6_f64..1e6, 0..12),
            words in ".{0,30}",
        ) {
            let course: Vec<f64> = tenths.iter().map(|t| place(*t)).collect();
            let value = json!({"points_mm": course, "other": others, "words": words, "n": [1, 2, 3]});
            let bytes = packed(&value.to_string()).expect("packs");
            let again: Value = serde_json::from_str(&unpacked(&bytes).expect("unpacks")).expect("reads");
            prop_assert_eq!(again, value);
        }
    }
}
