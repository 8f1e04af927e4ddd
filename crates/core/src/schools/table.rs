use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

macro_rules! schools {
    ($($question:ident, $label:literal, $why:literal => [$($answer:ident $words:literal),+];)+) => {
        /// A question on which practitioners disagree (handbook 6, *Schools*).
        #[derive(
            Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize,
            ToSchema,
        )]
        #[serde(rename_all = "snake_case")]
        #[expect(missing_docs, reason = "each is named by Question::label")]
        pub enum Question { $($question,)+ }

        /// An answer to one of them.
        #[derive(
            Clone, Copy, Debug, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize,
            ToSchema,
        )]
        #[serde(rename_all = "snake_case")]
        #[expect(missing_docs, reason = "each is named by Answer::label")]
        pub enum Answer { $($($answer,)+)+ }

        impl Question {
            /// Every question, in the order of the groom.
            pub const ALL: &[Self] = &[$(Self::$question,)+];

            /// The question in a word or two.
            pub const fn label(self) -> &'static str {
                match self { $(Self::$question => $label,)+ }
            }

            /// Why our own answer is what it is.
            pub const fn why(self) -> &'static str {
                match self { $(Self::$question => $why,)+ }
            }

            /// The answers, ours first.
            pub const fn answers(self) -> &'static [Answer] {
                match self { $(Self::$question => &[$(Answer::$answer,)+],)+ }
            }
        }

        impl Answer {
            /// The question it answers.
            pub const fn question(self) -> Question {
                match self { $($(Self::$answer)|+ => Question::$question,)+ }
            }

            /// The answer in a few words.
            pub const fn label(self) -> &'static str {
                match self { $($(Self::$answer => $words,)+)+ }
            }
        }
    };
}

// Questions, answers and reasons: handbook 6, *Schools*; the first answer is our default. What is a
// clip line's place (waist, crest, hock, shelf) is the salon's `lines`; the blade under a comb and
// what a look decides stand elsewhere.
schools! {
    Washing, "Wash or cut first",
        "Dirty coat blunts blades and clips unevenly; rough first where much comes off or it is knotted."
        => [WashByCoat "by the coat", WashFirst "wash, dry, then cut", RoughFirst "rough cut first, then wash"];
    Nails, "Nails",
        "Dry nails are seen better."
        => [NailsBefore "dry, before the bath", NailsAfter "wet, after the bath"];
    Pads, "Pads",
        "A longer blade forgives a hand that is still learning."
        => [PadsTen "10 blade", PadsThirty "30 blade", PadsForty "40 blade, flat and light", PadsScissors "scissors"];
    EarsCleaned, "Cleaning the ears",
        "What is wiped off is seen; filling is for ears that a vet has looked into."
        => [EarsWiped "wiped", EarsFilled "filled and massaged"];
    InsideThigh, "Inside of the thigh",
        "Short, it stays clean and does not knot."
        => [ThighCleared "with the hygiene blade", ThighLeft "left to the legs"];
    Hygiene, "Hygiene area",
        "Short, not bald."
        => [HygieneTen "10 blade", HygieneFifteen "15 blade, light", HygieneHeldOff "9 blade, held off the skin", HygieneShears "scissors"];
    Sheath, "Hair at the sheath",
        "A little left lets urine drip off."
        => [SheathLeft "leave a little", SheathShort "clip short"];
    Armpits, "Armpits",
        "Regrowth there knots."
        => [ArmpitsLeft "leave unless knotted", ArmpitsCleared "always clear"];
    KnotsWay, "Knots",
        "Least pain: what goes with the cut need not be brushed."
        => [KnotsInPlan "only those inside the plan", KnotsBrushed "brush out", KnotsCut "cut out"];
    Direction, "Clip direction on the body",
        "With the lay; against for very short looks on clean coats."
        => [AgainstVeryShort "with; against where very short", WithTheLay "with the lay", AgainstTheLay "against where the coat bears it"];
    Layers, "Layers",
        "On a first visit nobody knows yet what is under the top."
        => [LayersByVisit "two on first visits", OneLayer "one deep pass", TwoLayers "two light ones"];
    ClipStarts, "Clipping starts",
        "Nose to tail; from the rear where it goes against."
        => [FromNape "at the nape", FromRear "at the rear", FromDip "behind the dip"];
    Feet, "Feet",
        "The paw sets the leg; bulk comes off first, or the hem ends uneven."
        => [FeetAfterBulk "after bulk, before scissoring", FeetFirst "feet and bevel first", FeetHindFirst "hind first, front after the body"];
    Bevel, "Bevel",
        "Scoop where the foot is clean-shaven, else scissor."
        => [BevelByFoot "by the foot", BevelScissored "scissor, foot down", BevelScooped "scoop with the shortest blade"];
    FootEdge, "Foot edge and nails",
        "To the nail on clean feet, not fully showing on round ones."
        => [EdgeByFoot "by the foot", ToTheNail "to the nail", NailsNotShowing "nails not fully showing"];
    FootHeld, "Foot for the flat cut",
        "Lifted, its edge is seen from below and no pad is near the shears."
        => [FootLifted "lifted", FootOnTable "on the table throughout", FootUndercut "lifted, undercut"];
    Passes, "Against the lay",
        "One pass: the second only joins what the first left over hip and shoulder."
        => [PassOnce "one pass", PassTwice "against, then with by the next longer"];
    Polish, "Fuzz on a bladed body",
        "Left: the blade's own finish, a tool less to change."
        => [PolishNone "left", PolishComb "polished by a longer comb"];
    ShortBy, "Where blade and comb leave the same",
        "What balances best; a comb keeps the warm blade off the skin, a bare blade cuts closer and straighter."
        => [ShortByWhatFits "whichever fits best", ShortByComb "the comb, for its coolness", ShortByBlade "the bare blade, for its closeness"];
    DropCoat, "Drop coat under the clipper",
        "As it falls; rolled, the skin brings up what lies flat."
        => [DropAsItFalls "as it falls", DropRolled "skin rolled, three passes side by side"];
    Finishing, "Finishing",
        "Region by region its two halves are fresh in the eye; side by side the dog is turned once."
        => [FinishByRegion "region by region", FinishBySide "one side over the whole dog, then the other"];
    FarSide, "The far side",
        "Turned, the dog shows it where the light is; one that will not be moved is walked round."
        => [DogTurned "the dog is turned", StylistWalks "you walk round it"];
    Legs, "Leg order",
        "Planes across pairs: the legs match at the end."
        => [LegsByPlane "parallel planes across pairs", LegsOneByOne "four faces, leg by leg", LegsBySide "one side of the dog, then the other"];
    Interval, "Cut for",
        "What the plan says is what leaves the table; further on, more comes off where growth shows."
        => [CutForToday "today", CutForMiddle "mid-interval", CutToLast "to last"];
    TuckUp, "Tuck-up",
        "Kept and shaped; cleared where it always knots or cannot be brushed."
        => [TuckUpKept "keep and shape", TuckUpCleared "clear"];
    BellyFront, "Belly before the waist",
        "As the look has it; short makes more of the waist behind it."
        => [BellyByLook "as the look has it", BellyShort "short", BellyFilled "filled"];
    LegTools, "Legs by",
        "The skim takes the bulk, the shears the shape."
        => [LegsSkimmed "skimmed, then scissored", LegsScissored "scissored", LegsByComb "combs all the way"];
    BellyReached, "Belly reached",
        "From the side the dog keeps all its feet down."
        => [FromTheSide "from the side", FrontLifted "front lifted", RearRelieved "rear relieved"];
    HeadBegins, "Head begins",
        "Muzzle and sides give the topknot its width."
        => [HeadMuzzle "muzzle, topknot, ears", HeadTop "top by comb", HeadVisor "visor, topknot sides, match", HeadOutline "lower outline"];
    FrontLeg, "Front leg",
        "The look's own."
        => [FrontByLook "by look", FrontTube "tube", FrontD "D, full behind", FrontFlare "flare"];
    RearLeg, "Rear leg from behind",
        "The look's own."
        => [RearByLook "by look", RearParallel "parallel", RearA "A"];
    Underline, "Underline",
        "Rising: it lifts the dog; straight and round are the look's or the owner's wish."
        => [UnderlineByLook "rising, as the look has it", UnderlineStraight "straight to the elbow", UnderlineRound "round"];
    HindInside, "Inside of the hind leg",
        "The look's own; shorter where it knots."
        => [InsideByLook "as the look has it", InsideAsOutside "as outside", InsideShorter "one comb shorter than outside"];
    BackBrushing, "Before scissoring",
        "By texture: curl back-brushed, drop coat in its lay."
        => [BrushByTexture "by the texture", BrushBack "brush back", LiftOnly "lift only, natural lay"];
    Edge, "Edge",
        "A margin for learners and soft coats."
        => [EdgeToLine "to the line", EdgeMargin "margin for thinners"];
    Head, "Head",
        "Last: in proportion to the body."
        => [HeadLast "shape last", HeadFirst "first", HeadCornersFirst "corners first, shape last"];
    HeadTools, "Head tools",
        "A comb's length can be recorded and repeated by any colleague; shears finish it."
        => [HeadByComb "combs by length, then shears", HeadByEye "shears by eye"];
    Fringe, "Fringe over the eyes",
        "The corners give the expression; what is kept brings the owner back sooner."
        => [FringeKept "corners only, keep some", FringeShort "cut short"];
    Ponytails, "Topknot tied",
        "Loose, nothing pulls at the hair; tied, it stays out of the eyes."
        => [PonytailNone "left loose", PonytailOne "one ponytail", PonytailTwo "two ponytails, one a side"];
    Crown, "Crown of a spaniel's head",
        "Smoothed, the crown lies close and keeps its length."
        => [CrownSmoothed "smoothed", CrownCarded "carded", CrownOff "off, as the cheek"];
    Ends, "Ends of beard and ears",
        "Rounded: a straight end is seen to be crooked."
        => [EndsRounded "rounded", EndsStraight "straight"];
    TailEnd, "Tail",
        "Shaken out it falls as the dog carries it."
        => [TailByLook "as the look has it", TailPlume "plume, shaken out", TailRounded "rounded", TailU "U about the bone", TailV "bare V at the root"];
    EarShort, "Ear shortened",
        "The look's own."
        => [EarByLook "by look", EarToJaw "level with the jaw", EarToFold "to the natural fold", EarTip "tip only", EarWhole "not at all"];
    EarLength, "Length of the ear",
        "The look's own."
        => [EarEndByLook "by look", EarAtShoulder "not below the point of shoulder", EarUnderBeard "under the beard's line", EarAsWished "as wished"];
    BetweenEyes, "Between the eyes",
        "A V opens the face and is soon done; what is feared least is done best."
        => [EyesV "a V by clipper", EyesScissors "scissors", EyesTrimmer "trimmer"];
    Brows, "Brows",
        "Full, as the look has them."
        => [BrowsFull "full", BrowsSoft "soft, a third shorter"];
    EyeCorners, "Eye corners",
        "Thinners forgive."
        => [CornersThinners "thinners", CornersBlade "blade", CornersCurves "small curves"];
    Shaping, "Shaping shears",
        "By coat and hand: what finishes a curl tears a drop coat."
        => [ShapeByHand "by coat and hand", ShapeStraight "straight", ShapeCurved "curved", ShapeTexturiser "texturiser, then fine", ShapeChunkers "chunkers"];
    Joining, "Joining",
        "Thinners leave no line."
        => [JoinThinners "thinners", JoinStraights "straights", JoinCurves "curves"];
    Heat, "A warm blade",
        "Swap: the warm one cools by itself."
        => [HeatSwap "swap", HeatSpray "spray and oil", HeatComb "put a comb on"];
    Holding, "Held by",
        "The dog's own record says whether it needs a second pair of hands."
        => [HeldByRecord "by the record", HeldByHelper "a helper", HeldByLoop "a loop, never left alone", HeldByNobody "nobody"];
    Breaks, "Breaks",
        "Short ones for the old, the young and the unwell."
        => [BreaksByDog "by the dog", BreaksNone "none", BreaksAlways "short ones for all"];
    ColourEdge, "A colour's edge",
        "A line beside it shows twice; a little off it shows once."
        => [EdgeHidden "line kept off it", EdgeDrawn "line drawn along it"];
    Uneven, "Uneven spots",
        "The hole grows; the leg is not brought down to it."
        => [KeepTheLine "keep the line", LevelDown "level to the shortest"];
}
