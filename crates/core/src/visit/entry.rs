use std::collections::BTreeMap;

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::card::CardLine;
use super::known::KnownDog;
use super::recipe::{Correction, Recipe, Record};
use crate::body::{Found, Handling, Outcome};
use crate::coat::{CoatFinish, Knots, Limit, Site, SiteMarks, Texture, Zone, ZoneMarks};
use crate::consult::{Part, Talk, Wish};
use crate::dog::Programme;
use crate::finish::{Looked, ZoneResult};
use crate::frame::{
    Angle, BuildType, DogSize, Dome, EarKind, Felt, Grade, Known, Measure, OwnType, Stance,
    TailKind, TakenAngle, TakenMeasure,
};
use crate::look::{LineName, LineStop, LookId, OwnLook};
use crate::photo::{PhotoMarks, PhotoMoment};
use crate::picture::OwnersPicture;
use crate::run::RunEvent;
use crate::schools::{Answer, Question};
use crate::units::Length;

/// Something a person said about a visit: small, dated, never changed.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct Entry {
    /// Made by the screen that typed it; an entry that comes twice counts once.
    pub id: Uuid,
    /// When it was typed, milliseconds since 1970 in UTC, by that screen's clock: it is shown and timed by.
    pub at_ms: i64,
    /// Its place in the order of what was said ([`super::next_stamp`]); entries of builds before stamps
    /// have none and stand at `at_ms`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub stamp_ms: Option<i64>,
    /// Who typed it; empty while there is no sign-in.
    #[serde(default)]
    pub author: String,
    /// What was said.
    pub body: EntryBody,
}

/// A look with the body length wanted.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LookChoice {
    /// Which look.
    pub look: LookId,
    /// Body length where it differs from the look's own.
    #[serde(default)]
    pub body_mm: Option<Length>,
}

/// What an entry says.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum EntryBody {
    /// A measure was taken.
    MeasureSet {
        /// Which.
        measure: Measure,
        /// Its value and how it was got.
        taken: TakenMeasure,
    },
    /// A measure was taken back.
    MeasureCleared {
        /// Which.
        measure: Measure,
    },
    /// An angle was read.
    AngleSet {
        /// Which.
        angle: Angle,
        /// Its value and how it was got.
        taken: TakenAngle,
    },
    /// An angle was taken back.
    AngleCleared {
        /// Which.
        angle: Angle,
    },
    /// A grade was felt.
    FeltSet {
        /// What.
        felt: Felt,
        /// How strongly, on the left or on both sides alike.
        grade: Grade,
        /// On the right, where it differs.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        right: Option<Grade>,
    },
    /// How much of the groom is for today; none for the whole.
    ProgrammeSet {
        /// The stage.
        programme: Option<Programme>,
    },
    /// What the dog weighs; none takes it back.
    WeightSet {
        /// Kilograms.
        kg: Option<f64>,
    },
    /// How the dog stood.
    StanceSet {
        /// How.
        stance: Stance,
    },
    /// What the owner answered.
    TalkSet {
        /// All answers.
        talk: Talk,
    },
    /// The owner wants a part off, or left; none for as the look has it.
    PartWished {
        /// Which.
        part: Part,
        /// What.
        wish: Option<Wish>,
    },
    /// A big change was agreed by name; empty takes it back.
    ChangeAgreed {
        /// Who agreed.
        name: String,
    },
    /// The day to come back was agreed; none takes it back.
    ReturnAgreed {
        /// Days after the visit.
        days: Option<u32>,
    },
    /// A line of the owner card was worded otherwise; none puts it back, nothing leaves it out.
    CardLineSaid {
        /// Which.
        line: CardLine,
        /// What it says.
        text: Option<String>,
    },
    /// The owner lets a photo be shown to others, or no longer.
    PhotoLeave {
        /// The photo.
        photo: Uuid,
        /// Whether.
        may_be_shown: bool,
    },
    /// One tap on size.
    SizeSet {
        /// Which.
        size: DogSize,
    },
    /// The family of builds.
    BuildSet {
        /// Which.
        build: BuildType,
    },
    /// A type of the salon's own; none for the family alone.
    OwnTypeSet {
        /// Which, as it stands.
        own_type: Option<OwnType>,
    },
    /// Landmarks were touched on a photo.
    PhotoMarked {
        /// The photo.
        photo: Uuid,
        /// All that was touched.
        marks: PhotoMarks,
    },
    /// When a photo was taken; before the groom where nobody said.
    PhotoTaken {
        /// The photo.
        photo: Uuid,
        /// When.
        moment: PhotoMoment,
    },
    /// The owner's picture was loaded or touched; none takes it back.
    PictureTouched {
        /// All that was touched.
        picture: Option<OwnersPicture>,
    },
    /// How the ears are carried; none for the build's own.
    EarSet {
        /// How.
        ear: Option<EarKind>,
    },
    /// How the tail is carried; none for the build's own.
    TailSet {
        /// How.
        tail: Option<TailKind>,
    },
    /// How the skull's top feels; none for the build's own.
    DomeSet {
        /// How.
        dome: Option<Dome>,
    },
    /// Coat texture.
    TextureSet {
        /// Which.
        texture: Texture,
    },
    /// Stand measured on this dog; none for the texture's.
    StandSet {
        /// 0 to 1.
        stand: Option<f64>,
    },
    /// Coat length all over; none when not said.
    CoatAllOver {
        /// Combed out straight from the skin.
        length_mm: Option<Length>,
    },
    /// Coat length of a zone; none for as all over.
    ZoneSet {
        /// Which.
        zone: Zone,
        /// Combed out straight from the skin.
        length_mm: Option<Length>,
    },
    /// Knots of a zone.
    KnotsSet {
        /// Which.
        zone: Zone,
        /// How bad.
        knots: Knots,
    },
    /// The owner's limits on a zone.
    LimitSet {
        /// Which.
        zone: Zone,
        /// The limits; both empty takes them back.
        limit: Limit,
    },
    /// Every zone's length at once: last time's cut, grown since.
    CoatGrown {
        /// Combed out straight from the skin.
        zones_mm: BTreeMap<Zone, Length>,
        /// Days since.
        days: u32,
    },
    /// How the coat is finished.
    FinishSet {
        /// How.
        finish: CoatFinish,
    },
    /// What a zone carries beside its length; nothing takes it back.
    MarksSet {
        /// Which.
        zone: Zone,
        /// What.
        marks: ZoneMarks,
    },
    /// What a site carries; nothing takes it back.
    SiteSet {
        /// Which.
        site: Site,
        /// What.
        marks: SiteMarks,
    },
    /// Something was found on the body, or said of it again.
    FoundPut {
        /// What.
        found: Found,
    },
    /// Something found was put there by mistake.
    FoundRemoved {
        /// Which.
        found: Uuid,
    },
    /// What became of something found at an earlier visit.
    OutcomeSet {
        /// Which.
        found: Uuid,
        /// What.
        outcome: Outcome,
    },
    /// How the dog is to be handled.
    HandlingSet {
        /// How.
        handling: Handling,
    },
    /// A look was chosen.
    LookChosen {
        /// Which.
        choice: LookChoice,
    },
    /// A line was moved by hand; none leaves it to look and solve again.
    LineMoved {
        /// Which.
        line: LineName,
        /// Where to; a place of another line counts for nothing.
        stop: Option<LineStop>,
    },
    /// A line was moved between its places by hand; nothing puts it back.
    LineShifted {
        /// Which.
        line: LineName,
        /// Upwards or to the rear.
        by_mm: Length,
    },
    /// A look of the salon's own was chosen, as it stands today; none leaves it.
    OwnLookSet {
        /// Which.
        own: Option<OwnLook>,
    },
    /// A note for the sheet.
    NoteWritten {
        /// The note.
        text: String,
    },
    /// Who works; empty for nobody in particular.
    StylistSet {
        /// As the salon's settings have it.
        stylist: String,
    },
    /// Something happened in the run at the table.
    Run {
        /// What.
        event: RunEvent,
    },
    /// What a zone was really left at; nothing takes it back.
    ResultSet {
        /// Which.
        zone: Zone,
        /// What.
        result: ZoneResult,
    },
    /// Places of the finished dog were looked at and are good.
    LookedAt {
        /// Which.
        places: Vec<Looked>,
    },
    /// Something was touched up after the check.
    TouchedUp {
        /// Where.
        zone: Zone,
        /// What was done, as the check said it.
        what: String,
        /// What is left there now.
        result: ZoneResult,
    },
    /// The groom was written down.
    RecordSet {
        /// What is said of it.
        record: Record,
    },
    /// Last time's recipe is followed; none leaves it.
    RecipeTaken {
        /// Which, as it was.
        recipe: Option<Recipe>,
    },
    /// The owner corrected what was done before.
    Corrected {
        /// What.
        correction: Correction,
    },
    /// A plan was kept as it was.
    PlanKept {
        /// Its id in the salon's records.
        plan: Uuid,
    },
    /// What earlier visits know came along.
    BroughtAlong {
        /// What.
        known: Box<KnownDog>,
    },
    /// What came along was felt or read again and is so.
    StillSo {
        /// What.
        what: Vec<Known>,
    },
    /// How something is done on this dog, otherwise than the salon does it.
    WaySaid {
        /// The question.
        question: Question,
        /// Its answer; none leaves it to the salon again.
        answer: Option<Answer>,
        /// Whether it holds for this visit alone; else it stays with the dog.
        #[serde(default, skip_serializing_if = "std::ops::Not::not")]
        today_only: bool,
    },
    /// An earlier entry no longer counts.
    Undone {
        /// Which.
        entry: Uuid,
    },
    /// An undone entry counts again.
    Redone {
        /// Which.
        entry: Uuid,
    },
}

impl EntryBody {
    /// What was done, for the undo control.
    pub fn label(&self) -> String {
        match self {
            Self::MeasureSet { measure, .. } | Self::MeasureCleared { measure } => {
                measure.label().to_lowercase()
            }
            Self::AngleSet { angle, .. } | Self::AngleCleared { angle } => {
                angle.label().to_lowercase()
            }
            Self::FeltSet { felt, .. } => felt.label().to_lowercase(),
            Self::ProgrammeSet { .. } => "programme".into(),
            Self::WeightSet { .. } => "weight".into(),
            Self::StanceSet { .. } => "stance".into(),
            Self::TalkSet { .. } => "talk".into(),
            Self::PartWished { part, .. } => part.label().into(),
            Self::ChangeAgreed { .. } => "agreement".into(),
            Self::ReturnAgreed { .. } => "day to come back".into(),
            Self::CardLineSaid { line, .. } => format!("card, {}", line.label().to_lowercase()),
            Self::PhotoLeave { .. } => "leave to show".into(),
            Self::SizeSet { .. } => "size".into(),
            Self::BuildSet { .. } => "build".into(),
            Self::OwnTypeSet { .. } => "type".into(),
            Self::PhotoMarked { .. } => "photo marks".into(),
            Self::PhotoTaken { .. } => "photo".into(),
            Self::PictureTouched { .. } => "owner's picture".into(),
            Self::EarSet { .. } => "ears".into(),
            Self::TailSet { .. } => "tail".into(),
            Self::DomeSet { .. } => "skull".into(),
            Self::TextureSet { .. } => "texture".into(),
            Self::StandSet { .. } => "stand".into(),
            Self::CoatAllOver { .. } => "coat all over".into(),
            Self::ZoneSet { zone, .. } => format!("coat, {}", zone.label()),
            Self::KnotsSet { zone, .. } => format!("knots, {}", zone.label()),
            Self::LimitSet { zone, .. } => format!("limit, {}", zone.label()),
            Self::CoatGrown { .. } => "same coat again".into(),
            Self::FinishSet { .. } => "finish".into(),
            Self::MarksSet { zone, .. } => format!("marks, {}", zone.label()),
            Self::SiteSet { site, .. } => site.label().into(),
            Self::FoundPut { found } => found.kind.label().into(),
            Self::FoundRemoved { .. } => "mark taken off".into(),
            Self::OutcomeSet { outcome, .. } => outcome.label().into(),
            Self::HandlingSet { .. } => "handling".into(),
            Self::LookChosen { .. } => "look".into(),
            Self::LineMoved { line, .. } | Self::LineShifted { line, .. } => {
                format!("line, {}", line.label().to_lowercase())
            }
            Self::OwnLookSet { .. } => "look".into(),
            Self::NoteWritten { .. } => "note".into(),
            Self::StylistSet { .. } => "stylist".into(),
            Self::Run { event } => event.label().into(),
            Self::ResultSet { zone, .. } => format!("left, {}", zone.label()),
            Self::LookedAt { .. } => "good".into(),
            Self::TouchedUp { zone, .. } => format!("touch-up, {}", zone.label()),
            Self::RecordSet { .. } => "record".into(),
            Self::RecipeTaken { .. } => "same again".into(),
            Self::Corrected { correction } => format!("correction, {}", correction.zone.label()),
            Self::PlanKept { .. } => "kept plan".into(),
            Self::BroughtAlong { .. } => "what was known".into(),
            Self::StillSo { .. } => "still so".into(),
            Self::WaySaid { question, .. } => {
                format!("way, {}", question.label().to_lowercase())
            }
            Self::Undone { .. } => "undo".into(),
            Self::Redone { .. } => "redo".into(),
        }
    }
}
