//! The balance points of the head (handbook 4): evaluated on its pieces, not linear in a length.

use kurbo::Point;

use super::evaluated::evaluated;
use super::expr::Expr;
use super::point::{BalancePoint, Divisor, Shown};
use super::rules::Judged;
use super::subject::{Subject, bounds};
use crate::coat::{CoatNow, Zone};
use crate::frame::Dome;
use crate::look::{EarRule, HeadRule};
use crate::page::View;
use crate::shape::{
    BothSides, Dressing, HeadEdges, HeadShape, Station, TIED_FROM_MM, bare, dress_by_zone,
    head_edges, off_circle_mm,
};

/// A head that is meant round leaves its circle by no more, share of the height (handbook 4).
const OFF_CIRCLE: f64 = 0.012;
/// How far the head's hair may leave the look's own length to come into proportion: a topknot of
/// half its length or of half as much again is another look (modelling choice).
const FITS: std::ops::RangeInclusive<f64> = 0.5..=1.5;
/// A beard is kept: it gives up a quarter at most (modelling choice).
const BEARD_FITS: std::ops::RangeInclusive<f64> = 0.75..=1.0;
/// Beard before the nose is brought back so far, share of the height: its point's tolerance.
const NOSE_TOLERANCE: f64 = Judged::NoseLongest.rule().tolerance;
/// Halvings of a search for a length: under a hundredth of a millimetre.
const HALVINGS: u32 = 14;

/// The head's points for a dressed dog, in the coat's own lengths.
///
/// # Units and shapes
/// Values in mm, the head's size a ratio; expressions over the subject's spots.
pub fn head_points(subject: &Subject, dressing: &Dressing) -> Vec<BalancePoint> {
    let h = subject.height();
    let look = &subject.look;
    let edges = head_edges(&subject.shape, &subject.build, dressing);
    let ear_end = look.targets.ear_end;
    let mut points = Vec::new();
    let mut judge = |judged: Judged, view, at: Point, value: f64, range| {
        points.push(evaluated(subject, judged, Shown { view, at }, value, range));
    };
    if let Some(end) = edges.ear_end {
        match ear_rule(subject, &edges) {
            EarRule::BesideBeard => {
                let below = edges.under_beard.y - end.y;
                judge(
                    Judged::EarEnd,
                    View::Side,
                    end,
                    below,
                    (Some(ear_end.0 * h), Some(ear_end.1 * h)),
                );
            }
            EarRule::OverShoulder => {
                let over = end.y - subject.shape.point_of_shoulder.y;
                judge(
                    Judged::EarOverShoulder,
                    View::Side,
                    end,
                    over,
                    (Some(0.0), None),
                );
            }
            EarRule::AsItIs => {}
        }
    }
    judge(
        Judged::NoseLongest,
        View::Side,
        edges.foremost,
        edges.nose_before,
        (Some(0.0), None),
    );
    if edges.eye_free.is_finite() {
        judge(
            Judged::EyeOpen,
            View::Side,
            edges.eye,
            edges.eye_free,
            (Some(0.0), None),
        );
    }
    if look.finish.head == Some(HeadShape::Round) && !is_tied(subject) {
        let dog = BothSides {
            shape: subject.shape.clone(),
            left: &subject.build,
            right: &subject.right,
        };
        let off = off_circle_mm(&dog, dressing);
        let at = Point::new(0.0, f64::midpoint(edges.top.y, edges.under_beard.y));
        judge(
            Judged::HeadRound,
            View::Front,
            at,
            off,
            (None, Some(OFF_CIRCLE * h)),
        );
    }
    if has_judged_size(subject) {
        points.push(head_size(subject, &edges));
    }
    points
}

/// Whether the crown is tied: then no shape of it is judged.
fn is_tied(subject: &Subject) -> bool {
    let look = &subject.look;
    look.finish.ponytails > 0 && look.nominal_mm(Zone::Topknot, subject.height()) >= TIED_FROM_MM
}

/// The head's size is the look's where it is shaped by shears: one comb on every dog gives the head
/// it gives, and a head clipped short is as big as its bones (handbook 5, *Nominal lengths*).
fn has_judged_size(subject: &Subject) -> bool {
    let look = &subject.look;
    let is_shaped = matches!(
        look.finish.head,
        Some(HeadShape::Round | HeadShape::Topknot)
    );
    !is_tied(subject) && (look.head_rule == HeadRule::Always || look.scales && is_shaped)
}

/// What this dog's ear is held against: leather that itself ends below the beard is left alone.
fn ear_rule(subject: &Subject, edges: &HeadEdges) -> EarRule {
    let rule = subject.look.ear_rule;
    if rule != EarRule::BesideBeard {
        return rule;
    }
    let leather = head_edges(&subject.shape, &subject.build, &bare(subject.stand.all()));
    let reaches = |end: Point| {
        edges.under_beard.y - end.y > subject.look.targets.ear_end.1 * subject.height()
    };
    if leather.ear_end.is_some_and(reaches) {
        EarRule::AsItIs
    } else {
        rule
    }
}

fn head_size(subject: &Subject, edges: &HeadEdges) -> BalancePoint {
    let (low, high) = subject.look.targets.head_size;
    let value = Expr::constant(subject.len(), edges.top.y - edges.under_beard.y);
    let withers = subject.y(Station::Withers);
    BalancePoint {
        judged: Judged::HeadSize,
        over: vec![
            value.clone() - &(withers.clone() * high),
            withers.clone() * low - &value,
        ],
        tolerance_mm: Judged::HeadSize.rule().tolerance * subject.look.tolerance * subject.height(),
        weight: Judged::HeadSize.rule().weight,
        value,
        divisor: Divisor::By(withers),
        range: (Some(low), Some(high)),
        at: Shown {
            view: View::Side,
            at: edges.top,
        },
    }
}

/// Brings beard, topknot and ear into proportion with the body as it is planned: the length nearest to
/// the look's own that puts head size and ear end into their range, as far as coat and limits go.
///
/// # Units and shapes
/// `safe` gives a zone's shortest safe length, mm.
#[must_use]
pub fn fit_head(
    subject: Subject,
    coat: &CoatNow,
    lengths_mm: &[f64],
    safe: &dyn Fn(Zone) -> f64,
) -> Subject {
    let subject = hair_for_dome(hair_for_leather(subject));
    // The beard first: the head's size and the ear's end are read from it.
    [Zone::Beard, Zone::Topknot, Zone::Ear]
        .into_iter()
        .fold(subject, |subject, zone| {
            match in_proportion(&subject, coat, lengths_mm, safe, zone) {
                Some(mm) => subject.with_nominal(zone, mm),
                None => subject,
            }
        })
}

/// Where a hanging ear is measured at the nose, leather that stays short of it keeps so much more hair
/// (handbook 5, *Ears*; handbook 10 D).
fn hair_for_leather(subject: Subject) -> Subject {
    let short = subject.build.ear.short_of_nose;
    if subject.look.ear_rule != EarRule::OverShoulder || short <= 0.0 {
        return subject;
    }
    let own = subject.look.nominal_mm(Zone::Ear, subject.height());
    subject.with_nominal(Zone::Ear, own + short)
}

/// Over a flat skull a shaped top keeps so much more hair, mm (handbook 10 D).
const OVER_FLAT_SKULL_MM: f64 = 3.0;

/// How much longer a shaped crown is left over a flat skull, mm; nothing on any other.
pub(crate) fn over_flat_skull_mm(subject: &Subject) -> Option<f64> {
    let is_flat = subject.build.head.top() == Dome::Flat;
    (is_flat && has_judged_size(subject)).then_some(OVER_FLAT_SKULL_MM)
}

/// A crown that is shaped is built up over a flat skull.
fn hair_for_dome(subject: Subject) -> Subject {
    let Some(more) = over_flat_skull_mm(&subject) else {
        return subject;
    };
    let own = subject.look.nominal_mm(Zone::Topknot, subject.height());
    subject.with_nominal(Zone::Topknot, own + more)
}

/// The length that brings a zone of the head into proportion, mm; none where the look's own does.
fn in_proportion(
    subject: &Subject,
    coat: &CoatNow,
    lengths_mm: &[f64],
    safe: &dyn Fn(Zone) -> f64,
    zone: Zone,
) -> Option<f64> {
    let h = subject.height();
    let withers = subject.y(Station::Withers).at(lengths_mm);
    let shoulder = subject.shape.point_of_shoulder.y;
    let (low, high) = subject.look.targets.head_size;
    let ear_end = subject.look.targets.ear_end;
    let size = |e: &HeadEdges| e.top.y - e.under_beard.y;
    let own = subject.look.nominal_mm(zone, h);
    let (least, most) = bounds(coat, zone, safe(zone));
    let can = |mm: f64| mm.min(most).max(least);
    let fits = if zone == Zone::Beard {
        BEARD_FITS
    } else {
        FITS
    };
    let (least, most) = (can(own * fits.start()), can(own * fits.end()));
    // How much too long the hair is at a length, and how much too short.
    let wrong = |mm: f64| -> f64 {
        let dressing = dressed_head(subject, coat, safe, zone, mm);
        let edges = head_edges(&subject.shape, &subject.build, &dressing);
        let over =
            |value: f64, low: f64, high: f64| (value - high).max(0.0) - (low - value).max(0.0);
        match (zone, edges.ear_end) {
            (Zone::Beard, _) => (-edges.nose_before - NOSE_TOLERANCE * h).max(0.0),
            (Zone::Topknot, _) if !has_judged_size(subject) => 0.0,
            (Zone::Topknot, _) => over(size(&edges), low * withers, high * withers),
            (_, Some(end)) => match ear_rule(subject, &edges) {
                EarRule::BesideBeard => {
                    over(edges.under_beard.y - end.y, ear_end.0 * h, ear_end.1 * h)
                }
                EarRule::OverShoulder => (shoulder - end.y).max(0.0),
                EarRule::AsItIs => 0.0,
            },
            (_, None) => 0.0,
        }
    };
    let start = can(own);
    let off = wrong(start);
    if off == 0.0 {
        return None;
    }
    // The longest that is not too long, or the shortest that is not too short.
    let (mut good, mut bad) = if off > 0.0 {
        (least, start)
    } else {
        (most, start)
    };
    for _ in 0..HALVINGS {
        let middle = f64::midpoint(good, bad);
        if wrong(middle) * off > 0.0 {
            bad = middle;
        } else {
            good = middle;
        }
    }
    Some(good)
}

/// How many tolerances the head's size is off when its hair is brought into proportion in another
/// coat; none where it is not judged.
///
/// # Units and shapes
/// `lengths_mm` of the body as planned, one per spot; `safe` gives a zone's shortest safe length, mm.
pub(crate) fn head_size_off(
    subject: &Subject,
    coat: &CoatNow,
    lengths_mm: &[f64],
    safe: &dyn Fn(Zone) -> f64,
) -> Option<f64> {
    if !has_judged_size(subject) {
        return None;
    }
    let fitted = fit_head(subject.clone(), coat, lengths_mm, safe);
    let (least, most) = bounds(coat, Zone::Topknot, safe(Zone::Topknot));
    let nominal = fitted.look.nominal_mm(Zone::Topknot, fitted.height());
    let topknot = nominal.min(most).max(least);
    let dressing = dressed_head(&fitted, coat, safe, Zone::Topknot, topknot);
    let edges = head_edges(&fitted.shape, &fitted.build, &dressing);
    Some(head_size(&fitted, &edges).off(lengths_mm))
}

/// The head alone in the look's lengths, one of them tried.
fn dressed_head(
    subject: &Subject,
    coat: &CoatNow,
    safe: &dyn Fn(Zone) -> f64,
    tried: Zone,
    mm: f64,
) -> Dressing {
    let h = subject.height();
    dress_by_zone(
        &subject.build,
        coat.texture,
        subject.stand,
        subject.look.finish,
        &|zone| {
            if zone == tried {
                return mm;
            }
            let (low, high) = bounds(coat, zone, safe(zone));
            subject.look.nominal_mm(zone, h).min(high).max(low)
        },
    )
}
