//! One row for each word a person chooses: what it is, its name in the code, its word on the screen.

/// An `enum` whose variants each have one word: `Variant => "word"`. It gets `ALL`, in the order the rows
/// stand in and a screen shows them, and `label`, so that no word can be forgotten or said twice.
macro_rules! vocabulary {
    (
        $(#[$of_all:meta])*
        pub enum $name:ident { $($(#[$of_one:meta])* $variant:ident => $word:literal,)+ }
    ) => {
        $(#[$of_all])*
        pub enum $name {
            $($(#[$of_one])* $variant,)+
        }

        impl $name {
            /// Every one, in the order a screen shows them.
            pub const ALL: [Self; [$($word),+].len()] = [$(Self::$variant,)+];

            /// Its word on the screen.
            pub const fn label(self) -> &'static str {
                match self {
                    $(Self::$variant => $word,)+
                }
            }
        }
    };
}
