use crate::coat::Zone;

/// What grows at a station.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Cover {
    /// Coat of a zone.
    Coat(Zone),
    /// Nose and pads: no hair.
    Bare,
    /// Lies inside another piece and only closes a curve; no hair.
    Hidden,
}

macro_rules! stations {
    ($($variant:ident, $name:literal, $cover:expr, $reach:literal;)*) => {
        /// A named station of the side view (dog-shape.md 5), numbered as in its picture.
        #[expect(missing_docs, reason = "the names are dog-shape.md's and say it all")]
        #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Hash)]
        pub enum Station { $($variant,)* }

        impl Station {
            /// All stations in the order of dog-shape.md's table.
            pub const ALL: [Self; STATIONS] = [$(Self::$variant,)*];

            /// The station's name.
            pub const fn name(self) -> &'static str {
                match self { $(Self::$variant => $name,)* }
            }

            /// What grows there.
            pub const fn cover(self) -> Cover {
                match self { $(Self::$variant => $cover,)* }
            }

            /// Reach of the hair, share of the height: neighbouring hairs of this length still do
            /// not meet (dog-shape.md 7; house value).
            pub const fn reach(self) -> f64 {
                match self { $(Self::$variant => $reach,)* }
            }
        }
    };
}

/// How many stations the side view has.
pub const STATIONS: usize = 98;

stations! {
    JawIn, "jaw_in", Cover::Hidden, 0.001;
    JawAngle, "jaw_angle", Cover::Coat(Zone::Cheek), 0.09;
    JawMid, "jaw_mid", Cover::Coat(Zone::Cheek), 0.09;
    Lip, "lip", Cover::Coat(Zone::Beard), 0.09;
    ChinBack, "chin_back", Cover::Coat(Zone::Beard), 0.09;
    Chin, "chin", Cover::Coat(Zone::Beard), 0.09;
    LipFront, "lip_front", Cover::Coat(Zone::Muzzle), 0.054;
    NoseTip, "nose_tip", Cover::Bare, 0.01;
    NoseTop, "nose_top", Cover::Bare, 0.01;
    Bridge, "bridge", Cover::Coat(Zone::Muzzle), 0.054;
    Stop, "stop", Cover::Coat(Zone::Muzzle), 0.045;
    Brow, "brow", Cover::Coat(Zone::Topknot), 0.09;
    Crown, "crown", Cover::Coat(Zone::Topknot), 0.09;
    SkullBack, "skull_back", Cover::Coat(Zone::Topknot), 0.09;
    Occiput, "occiput", Cover::Coat(Zone::Topknot), 0.11;
    CrestHigh, "crest_high", Cover::Coat(Zone::Crest), 0.15;
    CrestMid, "crest_mid", Cover::Coat(Zone::Crest), 0.15;
    CrestLow, "crest_low", Cover::Coat(Zone::Crest), 0.15;
    NeckBase, "neck_base", Cover::Coat(Zone::Crest), 0.15;
    Withers, "withers", Cover::Coat(Zone::Back), 0.15;
    BehindWithers, "behind_withers", Cover::Coat(Zone::Back), 0.15;
    BackFront, "back_front", Cover::Coat(Zone::Back), 0.15;
    BackMid, "back_mid", Cover::Coat(Zone::Back), 0.15;
    LoinFront, "loin_front", Cover::Coat(Zone::Back), 0.15;
    Loin, "loin", Cover::Coat(Zone::Back), 0.15;
    HipCrest, "hip_crest", Cover::Coat(Zone::Back), 0.15;
    Croup, "croup", Cover::Coat(Zone::Croup), 0.15;
    TailSet, "tail_set", Cover::Coat(Zone::Croup), 0.08;
    UnderTail, "under_tail", Cover::Coat(Zone::Rump), 0.08;
    PinBone, "pin_bone", Cover::Coat(Zone::Rump), 0.12;
    Buttock, "buttock", Cover::Coat(Zone::Rump), 0.15;
    ThighBack, "thigh_back", Cover::Coat(Zone::HindBack), 0.15;
    ThighLow, "thigh_low", Cover::Coat(Zone::HindBack), 0.15;
    Bend, "bend", Cover::Coat(Zone::HindBack), 0.15;
    AboveHock, "above_hock", Cover::Coat(Zone::HindBack), 0.15;
    HockPoint, "hock_point", Cover::Coat(Zone::Hock), 0.12;
    RearPasternHigh, "rear_pastern_high", Cover::Coat(Zone::Hock), 0.15;
    RearPastern, "rear_pastern", Cover::Coat(Zone::Hock), 0.15;
    HindHeel, "hind_heel", Cover::Coat(Zone::Foot), 0.03;
    HindPad, "hind_pad", Cover::Bare, 0.003;
    HindSole, "hind_sole", Cover::Bare, 0.003;
    HindToeLow, "hind_toe_low", Cover::Bare, 0.003;
    HindToe, "hind_toe", Cover::Coat(Zone::Foot), 0.02;
    HindToeTop, "hind_toe_top", Cover::Coat(Zone::Foot), 0.02;
    HindToeJoint, "hind_toe_joint", Cover::Coat(Zone::Foot), 0.03;
    HindInstep, "hind_instep", Cover::Coat(Zone::HindFront), 0.06;
    RearPasternFront, "rear_pastern_front", Cover::Coat(Zone::HindFront), 0.10;
    HockFront, "hock_front", Cover::Coat(Zone::HindFront), 0.12;
    GaskinLow, "gaskin_low", Cover::Coat(Zone::HindFront), 0.15;
    GaskinFront, "gaskin_front", Cover::Coat(Zone::HindFront), 0.15;
    Stifle, "stifle", Cover::Coat(Zone::Knee), 0.15;
    ThighFront, "thigh_front", Cover::Coat(Zone::Knee), 0.15;
    FlankIn, "flank_in", Cover::Hidden, 0.02;
    FlankIn2, "flank_in2", Cover::Hidden, 0.001;
    ThighIn, "thigh_in", Cover::Hidden, 0.001;
    FoldIn, "fold_in", Cover::Hidden, 0.02;
    FlankFold, "flank_fold", Cover::Coat(Zone::Flank), 0.15;
    TuckUp, "tuck_up", Cover::Coat(Zone::TuckUp), 0.15;
    LastRib, "last_rib", Cover::Coat(Zone::TuckUp), 0.15;
    BellyRear, "belly_rear", Cover::Coat(Zone::Underline), 0.15;
    Belly, "belly", Cover::Coat(Zone::Underline), 0.15;
    Brisket, "brisket", Cover::Coat(Zone::Underline), 0.15;
    ChestUnder, "chest_under", Cover::Coat(Zone::Chest), 0.15;
    ForechestLow, "forechest_low", Cover::Coat(Zone::Chest), 0.15;
    Forechest, "forechest", Cover::Coat(Zone::Chest), 0.15;
    Breastbone, "breastbone", Cover::Coat(Zone::Chest), 0.15;
    ThroatLow, "throat_low", Cover::Coat(Zone::Throat), 0.15;
    ThroatMid, "throat_mid", Cover::Coat(Zone::Throat), 0.15;
    ThroatHigh, "throat_high", Cover::Coat(Zone::Throat), 0.03;
    ThroatIn, "throat_in", Cover::Hidden, 0.001;
    ForeInTop, "fore_in_top", Cover::Hidden, 0.001;
    ForeInBack, "fore_in_back", Cover::Hidden, 0.001;
    Elbow, "elbow", Cover::Coat(Zone::ForeBack), 0.15;
    ElbowLow, "elbow_low", Cover::Coat(Zone::ForeBack), 0.15;
    ForearmBackHigh, "forearm_back_high", Cover::Coat(Zone::ForeBack), 0.15;
    ForearmBack, "forearm_back", Cover::Coat(Zone::ForeBack), 0.15;
    ForearmBackLow, "forearm_back_low", Cover::Coat(Zone::ForeBack), 0.15;
    WristBack, "wrist_back", Cover::Coat(Zone::ForeBack), 0.10;
    PasternBack, "pastern_back", Cover::Coat(Zone::ForeBack), 0.05;
    ForeHeel, "fore_heel", Cover::Coat(Zone::Foot), 0.03;
    ForePad, "fore_pad", Cover::Bare, 0.003;
    ForeSole, "fore_sole", Cover::Bare, 0.003;
    ForeToeLow, "fore_toe_low", Cover::Bare, 0.003;
    ForeToe, "fore_toe", Cover::Coat(Zone::Foot), 0.02;
    ForeToeTop, "fore_toe_top", Cover::Coat(Zone::Foot), 0.02;
    ForeToeJoint, "fore_toe_joint", Cover::Coat(Zone::Foot), 0.03;
    ForeInstep, "fore_instep", Cover::Coat(Zone::ForeFront), 0.05;
    PasternFront, "pastern_front", Cover::Coat(Zone::ForeFront), 0.06;
    WristFront, "wrist_front", Cover::Coat(Zone::ForeFront), 0.10;
    ForearmFrontLow, "forearm_front_low", Cover::Coat(Zone::ForeFront), 0.15;
    ForearmFront, "forearm_front", Cover::Coat(Zone::ForeFront), 0.15;
    ForearmFrontHigh, "forearm_front_high", Cover::Coat(Zone::ForeFront), 0.15;
    ArmFront, "arm_front", Cover::Coat(Zone::Chest), 0.15;
    ArmIn, "arm_in", Cover::Hidden, 0.02;
    ForeInFront, "fore_in_front", Cover::Hidden, 0.001;
    HaunchIn, "haunch_in", Cover::Hidden, 0.001;
    TailIn, "tail_in", Cover::Hidden, 0.001;
    NapeIn, "nape_in", Cover::Hidden, 0.001;
}

impl Station {
    /// Position in tables indexed by station.
    pub const fn index(self) -> usize {
        self as usize
    }

    /// The coat zone, where hair grows.
    pub const fn zone(self) -> Option<Zone> {
        match self.cover() {
            Cover::Coat(zone) => Some(zone),
            Cover::Bare | Cover::Hidden => None,
        }
    }

    /// How firmly the hair direction keeps to the skin's normal where hollows are opened
    /// (dog-shape.md 7): withers 30, other landmarks 6, the rest 1.
    pub const fn firmness(self) -> f64 {
        match self {
            Self::Withers => 30.0,
            Self::Occiput
            | Self::HipCrest
            | Self::TailSet
            | Self::PinBone
            | Self::Bend
            | Self::HockPoint
            | Self::Stifle
            | Self::FlankFold
            | Self::LastRib
            | Self::Brisket
            | Self::Breastbone
            | Self::Elbow
            | Self::WristFront => 6.0,
            _ => 1.0,
        }
    }
}

/// The underline from the flank fold forward to the brisket.
pub const UNDERLINE: [Station; 6] = [
    Station::FlankFold,
    Station::TuckUp,
    Station::LastRib,
    Station::BellyRear,
    Station::Belly,
    Station::Brisket,
];

/// Stations along the back, from the withers to the tail set: the topline.
pub const TOPLINE: [Station; 9] = [
    Station::Withers,
    Station::BehindWithers,
    Station::BackFront,
    Station::BackMid,
    Station::LoinFront,
    Station::Loin,
    Station::HipCrest,
    Station::Croup,
    Station::TailSet,
];

/// A stretch of stations from one to another, both included, in table order.
pub(crate) fn stretch(from: Station, to: Station) -> &'static [Station] {
    &Station::ALL[from.index()..=to.index()]
}
