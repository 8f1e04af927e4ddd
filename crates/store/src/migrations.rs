use std::sync::LazyLock;

use rusqlite_migration::{M, Migrations};

/// Migrations in order; a landed file never changes, a new idea is a new file.
pub(crate) const FILES: [&str; 8] = [
    include_str!("../migrations/0001_salon.sql"),
    include_str!("../migrations/0002_visit.sql"),
    include_str!("../migrations/0003_append_only.sql"),
    include_str!("../migrations/0004_photos_and_types.sql"),
    include_str!("../migrations/0005_order_and_salon.sql"),
    include_str!("../migrations/0006_names_packed_plans_forgetting.sql"),
    include_str!("../migrations/0007_plans_in_brief.sql"),
    include_str!("../migrations/0008_sites.sql"),
];

pub(crate) static MIGRATIONS: LazyLock<Migrations<'static>> =
    LazyLock::new(|| Migrations::new(FILES.iter().copied().map(M::up).collect()));

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_migration_applies_to_an_empty_file() {
        MIGRATIONS.validate().expect("migrations are valid");
    }

    /// Landed migrations never change. When this fails, restore the file and add a new one.
    #[test]
    fn landed_migrations_are_as_they_landed() {
        let sums: Vec<u64> = FILES.iter().map(|f| checksum(f)).collect();
        assert_eq!(sums, LANDED, "sums are {sums:#x?}");
    }

    const LANDED: [u64; 8] = [
        0xc18904ae91cdf38a,
        0x98ae80de80a8040b,
        0x484f7e389a3560e1,
        0x3af1fc3dae1a5a6a,
        0x6c0fa62f55f0705e,
        0x07ad_b8d2_b8bd_6c23,
        0x523b_2fcb_9459_da30,
        0x68c6_fbd2_5ff4_7ab5,
    ];

    /// FNV-1a, 64 bit (Fowler, Noll, Vo): enough to notice an edit.
    fn checksum(text: &str) -> u64 {
        text.bytes().fold(0xcbf2_9ce4_8422_2325, |sum, byte| {
            (sum ^ u64::from(byte)).wrapping_mul(0x0000_0100_0000_01b3)
        })
    }
}
