use std::collections::BTreeSet;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::frame::Grade;

vocabulary! {
    /// How the dog takes being handled.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum Temper {
        /// Not said.
        #[default]
        Unknown => "Not said",
        /// Stands still.
        Calm => "Calm",
        /// Friendly, does not stand.
        Lively => "Lively",
        /// Afraid.
        Nervous => "Nervous",
        /// Has snapped or may.
        MayBite => "May bite",
    }
}

vocabulary! {
    /// A part of the body a dog may not like touched.
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "the names say it")]
    pub enum BodyPart {
        Face => "face",
        Mouth => "mouth",
        Ears => "ears",
        Neck => "neck",
        Back => "back",
        Belly => "belly",
        FrontFeet => "front feet",
        HindFeet => "hind feet",
        Rear => "rear",
        Tail => "tail",
    }
}

vocabulary! {
    /// What else a dog may not like (handbook 10 A 4).
    #[derive(Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    #[expect(missing_docs, reason = "each is named by Minds::label")]
    pub enum Minds {
        ClipperNoise => "clipper's noise",
        Brushing => "brushing",
        Spray => "spray",
        Dryer => "dryer",
        Nozzle => "nozzle",
        Nails => "nails",
        LeftEar => "left ear",
        RightEar => "right ear",
        LeftFrontLeg => "left front leg",
        RightFrontLeg => "right front leg",
        LeftHindLeg => "left hind leg",
        RightHindLeg => "right hind leg",
    }
}

vocabulary! {
    /// How the skin is.
    #[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
    #[serde(rename_all = "snake_case")]
    pub enum SkinState {
        /// Not said, or nothing to say.
        #[default]
        Ordinary => "Ordinary",
        /// Pale or thin: shorter shows pink and burns.
        PaleOrThin => "Pale, thin",
        /// Old, dry or scaly.
        Scaly => "Scaly",
        /// Sore somewhere.
        Sore => "Sore",
    }
}

/// How long nails are, in a word (common practice: none are heard on the floor; marked, they lift the toes).
pub const fn nails_word(grade: Grade) -> &'static str {
    match grade {
        Grade::None => "Short",
        Grade::Slight => "Long",
        Grade::Marked => "Very long",
    }
}

/// Handling and health, in under a minute (handbook 7). Recorded; nothing here diagnoses.
#[expect(
    clippy::struct_excessive_bools,
    reason = "each is a question answered yes or no by itself"
)]
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Handling {
    /// Temper.
    pub temper: Temper,
    /// Parts it does not like touched.
    pub dislikes: BTreeSet<BodyPart>,
    /// What else it does not like.
    #[serde(skip_serializing_if = "BTreeSet::is_empty")]
    #[schema(required = false)]
    pub minds: BTreeSet<Minds>,
    /// Whether a second person is needed.
    pub needs_second_person: bool,
    /// Stiffness.
    pub stiffness: Grade,
    /// A known heart condition.
    pub has_heart: bool,
    /// Known fits.
    pub has_fits: bool,
    /// In whelp.
    pub is_pregnant: bool,
    /// Neutered; none where not said.
    pub is_neutered: Option<bool>,
    /// How far the nails stand past the foot.
    #[serde(skip_serializing_if = "Grade::is_none")]
    #[schema(required = false)]
    pub long_nails: Grade,
    /// Skin.
    pub skin: SkinState,
    /// Whether the owner consents to a short clip in writing; none where not asked.
    pub short_clip_consent: Option<bool>,
}

/// How far slightly and markedly long nails stand past the foot, mm (modelling choice).
const NAILS_STAND_OUT_MM: (f64, f64) = (2.0, 4.0);

impl Handling {
    /// How far the nails stand past the foot, mm; nothing where they are short, or nobody said.
    pub const fn nails_stand_out_mm(&self) -> f64 {
        match self.long_nails {
            Grade::None => 0.0,
            Grade::Slight => NAILS_STAND_OUT_MM.0,
            Grade::Marked => NAILS_STAND_OUT_MM.1,
        }
    }

    /// What is shown first at the start of the groom, from this record (handbook 7).
    pub fn cautions(&self) -> Vec<String> {
        let mut list: Vec<String> = Vec::new();
        let mut add = |is_so: bool, text: &str| {
            if is_so {
                list.push(text.to_owned());
            }
        };
        add(
            self.temper == Temper::MayBite,
            "May bite: muzzle or a second person as local practice says; stop on distress.",
        );
        add(
            self.temper == Temper::Nervous,
            "Nervous: let it smell the tool, rest the running clipper on the shoulder, quiet, begin slowly.",
        );
        add(self.needs_second_person, "A second person holds.");
        add(
            self.has_heart,
            "Heart: short sessions, breaks, cool; stop on distress and call the vet.",
        );
        add(
            self.has_fits,
            "Fits: quiet, no flashing or noise, never alone; in a fit keep it from falling, time it, call the vet.",
        );
        add(
            self.is_pregnant,
            "In whelp: short, never on the hind legs, no pressure on the belly.",
        );
        add(
            self.stiffness != Grade::None,
            "Stiff: low table, support under the chest, legs only as high as they go by themselves.",
        );
        add(
            self.skin == SkinState::PaleOrThin,
            "Pale or thin skin: leave more, patch first; short clips burn in the sun.",
        );
        add(
            self.skin == SkinState::Scaly,
            "Dry or scaly skin: one blade longer, flat and light. Have a vet look at this.",
        );
        add(
            self.skin == SkinState::Sore,
            "Sore skin: keep tools off it. Have a vet look at this.",
        );
        add(
            self.short_clip_consent == Some(false),
            "The owner does not consent to a short clip: ask before going under the length told.",
        );
        if !self.dislikes.is_empty() {
            let parts: Vec<&str> = self.dislikes.iter().map(|p| p.label()).collect();
            list.push(format!("Does not like touched: {}.", parts.join(", ")));
        }
        if !self.minds.is_empty() {
            let what: Vec<&str> = self.minds.iter().map(|m| m.label()).collect();
            list.push(format!("Minds: {}.", what.join(", ")));
        }
        list
    }

    /// Whether health asks for short sessions.
    pub fn is_unwell(&self) -> bool {
        self.has_heart || self.has_fits || self.is_pregnant || self.stiffness != Grade::None
    }

    /// Whether skin asks for one blade longer.
    pub const fn asks_for_longer(&self) -> bool {
        !matches!(self.skin, SkinState::Ordinary)
    }
}
