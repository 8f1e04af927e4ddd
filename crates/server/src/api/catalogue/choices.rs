use serde::Serialize;
use utoipa::ToSchema;
use veliform_core::body::{BodyPart, Minds, Outcome, SkinState, Temper, nails_word};
use veliform_core::coat::{CoatColour, CoatFinish, Knots, Lay, Patch, SiteSkin};
use veliform_core::consult::{WishedBody, WishedEnds, WishedFace, WishedLegs};
use veliform_core::dog::{HairOverEyes, Programme, Sex};
use veliform_core::frame::{DogSize, Dome, EarKind, Grade, Method, Stance, TailKind};
use veliform_core::kit::{ClipperFit, ShearsForm, ShearsState, ToolState, UnderComb};
use veliform_core::look::{FootFinish, ForeLegShape, HindLegShape};
use veliform_core::page::View;
use veliform_core::report::StrokeName;
use veliform_core::run::{Borne, Cooling, OverReason, ToolWord};
use veliform_core::shape::{Hand, HeadShape};
use veliform_core::units::UnitSystem;
use veliform_core::visit::{CardLine, Trust, Wants};

/// One of few, with its word as a control shows it.
#[derive(Debug, Serialize, ToSchema)]
pub struct Word<T: ToSchema> {
    value: T,
    label: String,
}

/// Every choice among few that is only a word, in the order a screen shows it.
#[derive(Debug, Serialize, ToSchema)]
pub struct Choices {
    units: Vec<Word<UnitSystem>>,
    views: Vec<Word<View>>,
    hands: Vec<Word<Hand>>,
    grades: Vec<Word<Grade>>,
    /// The dog.
    sizes: Vec<Word<DogSize>>,
    sexes: Vec<Word<Sex>>,
    colours: Vec<Word<CoatColour>>,
    ears: Vec<Word<EarKind>>,
    tails: Vec<Word<TailKind>>,
    /// How the top of a skull feels.
    domes: Vec<Word<Dome>>,
    /// Whether it stands square.
    stances: Vec<Word<Stance>>,
    /// What a hand measures with.
    methods: Vec<Word<Method>>,
    tempers: Vec<Word<Temper>>,
    skins: Vec<Word<SkinState>>,
    nails: Vec<Word<Grade>>,
    body_parts: Vec<Word<BodyPart>>,
    minds: Vec<Word<Minds>>,
    programme: Vec<Word<Programme>>,
    /// What became of what was found before.
    outcomes: Vec<Word<Outcome>>,
    /// The coat.
    coat_finishes: Vec<Word<CoatFinish>>,
    patches: Vec<Word<Patch>>,
    lays: Vec<Word<Lay>>,
    /// Knots, the least first.
    knots: Vec<Word<Knots>>,
    /// How the skin of a site looks.
    site_skins: Vec<Word<SiteSkin>>,
    /// The talk with the owner.
    bodies: Vec<Word<WishedBody>>,
    legs: Vec<Word<WishedLegs>>,
    faces: Vec<Word<WishedFace>>,
    ends: Vec<Word<WishedEnds>>,
    hair_over_eyes: Vec<Word<HairOverEyes>>,
    wants: Vec<Word<Wants>>,
    /// A look of the salon's own.
    fore_legs: Vec<Word<ForeLegShape>>,
    hind_legs: Vec<Word<HindLegShape>>,
    feet: Vec<Word<FootFinish>>,
    heads: Vec<Word<HeadShape>>,
    /// The kit.
    tool_states: Vec<Word<ToolState>>,
    clipper_fits: Vec<Word<ClipperFit>>,
    /// Blades under a comb.
    under: Vec<Word<UnderComb>>,
    shears_forms: Vec<Word<ShearsForm>>,
    shears_states: Vec<Word<ShearsState>>,
    /// At the table: how a cut was made.
    strokes: Vec<Word<StrokeName>>,
    borne: Vec<Word<Borne>>,
    cooling: Vec<Word<Cooling>>,
    over_reasons: Vec<Word<OverReason>>,
    blade_words: Vec<Word<ToolWord>>,
    shears_words: Vec<Word<ToolWord>>,
    /// Parts of the owner card.
    card_lines: Vec<Word<CardLine>>,
    /// How trust went over the visits.
    trust: Vec<Word<Trust>>,
}

pub(super) fn choices() -> Choices {
    Choices {
        units: words(UnitSystem::ALL, UnitSystem::label),
        views: words(View::ALL, View::label),
        hands: words(Hand::ALL, Hand::label),
        grades: words(Grade::ALL, Grade::label),
        sizes: words(DogSize::ALL, DogSize::label),
        sexes: words(Sex::ALL, Sex::label),
        colours: words(CoatColour::ALL, CoatColour::label),
        ears: words(EarKind::ALL, EarKind::label),
        tails: words(TailKind::ALL, TailKind::label),
        domes: words(Dome::ALL, Dome::label),
        stances: words(Stance::ALL, Stance::label),
        methods: words(Method::IN_HAND, Method::label),
        tempers: words(
            Temper::ALL.into_iter().filter(|t| *t != Temper::Unknown),
            Temper::label,
        ),
        skins: words(SkinState::ALL, SkinState::label),
        nails: words(Grade::ALL, nails_word),
        body_parts: words(BodyPart::ALL, BodyPart::label),
        minds: words(Minds::ALL, Minds::label),
        programme: words(Programme::ALL, Programme::label),
        outcomes: words(Outcome::ALL, Outcome::label),
        coat_finishes: words(CoatFinish::ALL, CoatFinish::label),
        patches: words(Patch::ALL, Patch::label),
        lays: words(Lay::ALL, Lay::label),
        knots: words(Knots::ALL, Knots::label),
        site_skins: words(SiteSkin::ALL, SiteSkin::label),
        bodies: words(WishedBody::ALL, WishedBody::label),
        legs: words(WishedLegs::ALL, WishedLegs::label),
        faces: words(WishedFace::ALL, WishedFace::label),
        ends: words(WishedEnds::ALL, WishedEnds::label),
        hair_over_eyes: words(HairOverEyes::ALL, HairOverEyes::label),
        wants: words(Wants::ALL, Wants::label),
        fore_legs: words(ForeLegShape::ALL, ForeLegShape::label),
        hind_legs: words(HindLegShape::ALL, HindLegShape::label),
        feet: words(FootFinish::ALL, FootFinish::label),
        heads: words(HeadShape::ALL, HeadShape::label),
        tool_states: words(ToolState::ALL, ToolState::label),
        clipper_fits: words(ClipperFit::ALL, ClipperFit::label),
        under: words(UnderComb::ALL, UnderComb::label),
        shears_forms: words(ShearsForm::ALL, ShearsForm::label),
        shears_states: words(ShearsState::ALL, ShearsState::label),
        strokes: words(
            StrokeName::ALL
                .into_iter()
                .filter(|s| *s != StrokeName::Leave),
            StrokeName::label,
        ),
        borne: words(Borne::ALL, Borne::label),
        cooling: words(Cooling::ALL, Cooling::label),
        over_reasons: words(OverReason::ALL, OverReason::label),
        blade_words: words(ToolWord::OF_A_BLADE, ToolWord::label),
        shears_words: words(ToolWord::OF_SHEARS, ToolWord::label),
        card_lines: words(CardLine::ALL, CardLine::label),
        trust: words(Trust::ALL, Trust::label),
    }
}

/// Words each with a capital, as a row of buttons has them.
fn words<T: ToSchema + Copy>(
    all: impl IntoIterator<Item = T>,
    word: fn(T) -> &'static str,
) -> Vec<Word<T>> {
    let mut words = said(all, word);
    for one in &mut words {
        one.label = capital(&one.label);
    }
    words
}

/// Words as a sentence has them.
pub(super) fn said<T: ToSchema + Copy>(
    all: impl IntoIterator<Item = T>,
    word: fn(T) -> &'static str,
) -> Vec<Word<T>> {
    all.into_iter()
        .map(|value| Word {
            value,
            label: word(value).to_owned(),
        })
        .collect()
}

fn capital(word: &str) -> String {
    let mut letters = word.chars();
    letters
        .next()
        .map(|first| first.to_uppercase().chain(letters).collect())
        .unwrap_or_default()
}
