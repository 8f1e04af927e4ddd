/// A repeatable number in 0 to 1 from whole numbers: where a lock ends, where a hair mark stands.
///
/// # References
/// dog-shape-2.md 8, which gives check values (a house value).
pub(super) fn noise(numbers: &[u32]) -> f64 {
    let mut x = 0x9E37_79B9_u32;
    for n in numbers {
        x = (x ^ n).wrapping_mul(0x85EB_CA6B);
        x ^= x >> 13;
        x = x.wrapping_mul(0xC2B2_AE35);
        x ^= x >> 16;
    }
    f64::from(x) / (f64::from(u32::MAX) + 1.0)
}

#[cfg(test)]
mod tests {
    use super::*;

    /// dog-shape-2.md 10.
    #[test]
    fn it_is_the_design_s_noise() {
        assert!((noise(&[3, 1, 2]) - 0.135_462).abs() < 1e-6);
        assert!((noise(&[7, 5]) - 0.834_773).abs() < 1e-6);
    }
}
