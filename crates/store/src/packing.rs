use std::io::{Read as _, Write as _};

use brotli::{CompressorWriter, Decompressor};

/// Effort and window of the packing: a plan is kept once or twice a visit, and for years.
const EFFORT: u32 = 11;
const WINDOW: u32 = 22;
/// Bytes handled at a time.
const BUFFER: usize = 8192;

/// Packs a text that is kept for years: JSON of a plan to about a fifth.
pub(crate) fn packed(text: &str) -> std::io::Result<Vec<u8>> {
    let mut writer = CompressorWriter::new(Vec::new(), BUFFER, EFFORT, WINDOW);
    writer.write_all(text.as_bytes())?;
    Ok(writer.into_inner())
}

/// The text again, byte for byte.
pub(crate) fn unpacked(bytes: &[u8]) -> std::io::Result<String> {
    let mut text = String::new();
    Decompressor::new(bytes, BUFFER).read_to_string(&mut text)?;
    Ok(text)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_was_packed_comes_back_byte_for_byte() {
        let text = "13 mm over the 30 · “as the look has it” · Ł".repeat(400);
        let bytes = packed(&text).expect("packs");
        assert!(bytes.len() < text.len() / 20, "{}", bytes.len());
        assert_eq!(unpacked(&bytes).expect("unpacks"), text);
    }

    #[test]
    fn bytes_that_were_never_packed_are_refused() {
        assert!(unpacked(&[7; 40]).is_err());
    }
}
