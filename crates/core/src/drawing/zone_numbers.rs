use kurbo::{Point, Vec2};

use super::annotate::Annotator;
use super::areas_in_view::middle_of;
use super::labels::{LETTER, Labels};
use super::shapes::{Anchor, Geometry, Role, Tag};
use super::simplify::tenth;
use super::table::to_page;
use super::zone_areas::ZoneAreas;
use crate::coat::Zone;
use crate::report::{PlanReport, StrokeName, UnitRow};
use crate::shape::Station as S;
use crate::shape::polyline::{Inside, encloses};
use crate::solve::Unit;

/// How far a number goes from its place for free paper, in text sizes, and in how many directions it
/// looks for it (modelling choice: a leader that the eye follows at once).
const LEADER_REACH: [f64; 4] = [2.2, 3.2, 4.4, 6.0];
const LEADER_WAYS: u32 = 16;
/// How far from an area's middle towards its corners a number's place is looked for, shares (modelling choice:
/// never at the very edge).
const OUTWARD: [f64; 4] = [0.0, 0.3, 0.5, 0.7];
/// A leader is drawn so thin, share of the height.
const LEADER: f64 = 0.002;

impl Annotator<'_> {
    /// Where a zone's number stands, side page.
    pub(super) fn zone_anchor(&self, zone: Zone) -> Option<Point> {
        let h = self.h();
        let p = |s: S| self.skin(s);
        let by = |s: S, x: f64, y: f64| p(s) + Vec2::new(x, y) * h;
        let head = &self.dog.shape.head;
        let ear = &self.scene.frame.build.ear;
        Some(match zone {
            Zone::Topknot => head.at(0.24, -0.02),
            Zone::Ear => head.at(ear.base.0, ear.base.1) - Vec2::new(0.0, 0.62 * ear.length),
            Zone::Cheek => head.at(0.46, -0.30),
            Zone::Brow => head.at(1.06 - self.scene.frame.build.head.muzzle, 0.10),
            Zone::Muzzle => head.at(1.0 - 0.5 * self.scene.frame.build.head.muzzle, -0.11),
            Zone::Beard => head.at(0.78, -0.26),
            Zone::Throat => p(S::ThroatMid).lerp(p(S::CrestMid), 0.24),
            Zone::Crest => p(S::CrestLow).lerp(p(S::ThroatLow), 0.24),
            Zone::NeckSide => return None,
            Zone::Chest => by(S::Breastbone, -0.075, -0.02),
            Zone::Shoulder => by(S::Withers, 0.02, -0.22),
            Zone::Back => by(S::BackMid, 0.02, -0.085),
            Zone::Ribs => by(S::BackMid, 0.03, -0.24),
            Zone::Hip => by(S::HipCrest, -0.02, -0.17),
            Zone::Croup => by(S::Croup, 0.035, -0.075),
            Zone::Rump => by(S::PinBone, 0.055, -0.045),
            Zone::Underline => by(S::BellyRear, 0.02, 0.035),
            Zone::TuckUp => by(S::TuckUp, 0.0, 0.045),
            Zone::Flank => by(S::FlankFold, -0.055, 0.0),
            Zone::Knee => by(S::Stifle, -0.06, -0.01),
            Zone::HindFront => p(S::GaskinLow).lerp(p(S::AboveHock), 0.38),
            Zone::HindBack => by(S::ThighBack, 0.06, -0.04),
            Zone::Hock => p(S::RearPasternHigh).midpoint(p(S::RearPasternFront)),
            Zone::ForeBack => p(S::ForearmBackHigh).lerp(p(S::ForearmFrontHigh), 0.35),
            Zone::ForeFront => p(S::ForearmBackLow).lerp(p(S::ForearmFrontLow), 0.6),
            Zone::Foot => by(S::ForeToe, 0.06, 0.01),
            Zone::Tail => return self.tail_anchor(),
            Zone::HindOut | Zone::HindIn | Zone::ForeOut | Zone::ForeIn => return None,
        })
    }

    fn tail_anchor(&self) -> Option<Point> {
        use crate::frame::TailKind as T;
        let tail = &self.scene.frame.build.tail;
        let set = self.skin(S::TailSet);
        let l = tail.length;
        Some(match tail.kind {
            T::Up => set + Vec2::new(0.0, 0.78 * l),
            T::Curl => set + Vec2::new(0.15 * l, 0.62 * l),
            T::Sabre => set + Vec2::new(-0.5 * l, 0.55 * l),
            T::Level => set + Vec2::new(-0.6 * l, 0.1 * l),
            T::Low => set + Vec2::new(-0.35 * l, -0.5 * l),
            T::Stub => return None,
        })
    }

    fn number(
        &mut self,
        (areas, ears): (&ZoneAreas<'_>, &[Inside]),
        zone: Zone,
        number: &str,
        tool: Option<&str>,
        big: f64,
    ) {
        let Some(at) = self.zone_anchor(zone) else {
            return;
        };
        let over = if ZoneAreas::hangs(zone) { &[] } else { ears };
        let at = seen(&areas.of(&[zone]), over, at);
        let t = self.painter.text_mm;
        let at = to_page(at);
        let tag = Some(Tag::Zone(zone));
        let places: Vec<(Point, Anchor)> = [
            (0.0, 0.0),
            (0.0, 0.7),
            (0.0, -0.7),
            (0.7, 0.0),
            (-0.7, 0.0),
            (1.2, 0.9),
            (-1.2, -0.9),
            (1.6, 0.0),
            (-1.6, 0.0),
            (0.0, 1.4),
            (0.0, -1.4),
            (1.6, -1.4),
            (-1.6, 1.4),
        ]
        .iter()
        .map(|(x, y)| (at + Vec2::new(x * t, y * t - 0.34 * t), Anchor::Middle))
        .collect();
        let Some(placed) = self.place_number(at, &places, number, big, tag) else {
            return;
        };
        if let Some(tool) = tool {
            // Under the number, or over it where its leader runs down.
            let beside = [-1.15, big + 0.1].map(|up| placed + Vec2::new(0.0, up * t));
            let places = beside.map(|at| (at, Anchor::Middle));
            if zone == Zone::Ribs {
                self.place_clear_first(Role::ZoneTool, &places, tool, 0.85, tag);
            } else {
                // A head has little room: there the list says it.
                self.place(Role::ZoneTool, &places, tool, 0.85, tag, true);
            }
        }
    }

    /// A zone's number near its place, or on free paper with a leader to it; never so near another that
    /// the two read as one.
    fn place_number(
        &mut self,
        at: Point,
        near: &[(Point, Anchor)],
        number: &str,
        big: f64,
        tag: Option<Tag>,
    ) -> Option<Point> {
        let (t, page) = (self.painter.text_mm, self.painter.page);
        let size_mm = big * t;
        let labels = &mut self.painter.labels;
        // Beside edges before over them, at its place before led to it.
        let at_its_place = labels.place_number(near, number, size_mm, page, true);
        let found = at_its_place.map(|found| (found, false)).or_else(|| {
            let far = led_places(labels, at, number, size_mm, t);
            let tries = [
                (&far[..], true, true),
                (near, false, false),
                (&far, true, false),
            ];
            tries.into_iter().find_map(|(places, is_led, clear)| {
                let found = labels.place_number(places, number, size_mm, page, clear)?;
                Some((found, is_led))
            })
        });
        let ((placed, anchor), is_led) = found?;
        if is_led {
            let start = leader_from(placed, at, number, size_mm);
            labels.tie(start, at);
            let width_mm = LEADER * self.h();
            self.push(
                Role::Leader,
                Geometry::Line {
                    points_mm: [start, at]
                        .iter()
                        .flat_map(|p| [tenth(p.x), tenth(p.y)])
                        .collect(),
                    width_mm,
                },
                None,
            );
        }
        self.push(
            Role::ZoneNumber,
            Geometry::Text {
                at_mm: [tenth(placed.x), tenth(placed.y)],
                text: number.into(),
                size_mm,
                anchor,
            },
            tag,
        );
        Some(placed)
    }

    pub(super) fn lengths(&mut self, report: &PlanReport) {
        let areas = ZoneAreas::new(self.scene, self.dog);
        let ears = insides(&areas.of(&[Zone::Ear]));
        let shown: [Unit; 22] = [
            Unit::BackFront,
            Unit::Ribs,
            Unit::Topknot,
            Unit::Ears,
            Unit::Tail,
            Unit::Rump,
            Unit::Chest,
            Unit::Throat,
            Unit::Crest,
            Unit::Underline,
            Unit::TuckUp,
            Unit::FlankAndKnee,
            Unit::Flank,
            Unit::Knee,
            Unit::HindBack,
            Unit::HindFront,
            Unit::Hock,
            Unit::ForeBack,
            Unit::ForeFront,
            Unit::Croup,
            Unit::Brows,
            Unit::Muzzle,
        ];
        for unit in shown {
            let Some(row) = report.units.iter().find(|r| r.unit == unit) else {
                continue;
            };
            // At the table only what the step in hand leaves is read.
            if !self.scene.work.is_empty() && !self.scene.work.contains(&row.zone) {
                continue;
            }
            // Where the head has its lines drawn there is no room for a tool's words.
            let has_words = unit == Unit::Ribs || unit == Unit::Topknot && !self.layers.lines;
            let tool = has_words.then(|| short_tool(row));
            let big = match unit {
                Unit::Ribs => 1.5,
                Unit::BackFront | Unit::Topknot | Unit::Ears => 1.3,
                _ => 1.1,
            };
            self.number((&areas, &ears), row.zone, &row.text, tool, big);
        }
    }

    pub(super) fn lengths_now(&mut self) {
        let areas = ZoneAreas::new(self.scene, self.dog);
        let ears = insides(&areas.of(&[Zone::Ear]));
        for zone in Zone::ALL {
            if matches!(zone, Zone::Shoulder | Zone::Hip | Zone::Foot) {
                continue;
            }
            let mm = self.scene.coat.length_mm(zone);
            let text = self.words().bare(mm);
            let is_said = !self.scene.coat.estimated.contains(&zone);
            if zone == Zone::Brow && !is_said {
                continue;
            }
            self.number(
                (&areas, &ears),
                zone,
                &text,
                None,
                if is_said { 1.2 } else { 0.9 },
            );
        }
    }
}

/// A place in a zone that is seen: as it is where it lies in one of the zone's areas and under nothing that
/// hangs over them, else the nearest that does; a number never stands in its neighbour.
fn seen(areas: &[Vec<Point>], over: &[Inside], at: Point) -> Point {
    let has = |areas: &[Inside], at: Point| areas.iter().any(|area| area.has(at));
    let is_within = || areas.iter().any(|area| encloses(area, at));
    if areas.is_empty() || is_within() && !has(over, at) {
        return at;
    }
    let zone = insides(areas);
    let is_seen = |at: &Point| has(&zone, *at) && !has(over, *at);
    let between = |area: &Vec<Point>| -> Vec<Point> {
        let middle = middle_of(area);
        let out = area
            .iter()
            .flat_map(|corner| OUTWARD.map(|far| middle.lerp(*corner, far)));
        out.collect()
    };
    areas
        .iter()
        .flat_map(between)
        .filter(is_seen)
        .min_by(|a, b| a.distance(at).total_cmp(&b.distance(at)))
        .unwrap_or(at)
}

/// Free paper about a place, from which a leader to it runs through no word.
fn led_places(
    labels: &Labels,
    at: Point,
    number: &str,
    size_mm: f64,
    text_mm: f64,
) -> Vec<(Point, Anchor)> {
    LEADER_REACH
        .iter()
        .flat_map(|reach| (0..LEADER_WAYS).map(move |i| (*reach, i)))
        .map(|(reach, i)| {
            let turn = f64::from(i) * std::f64::consts::TAU / f64::from(LEADER_WAYS);
            let way = Vec2::new(turn.cos(), turn.sin()) * reach * text_mm;
            (at + way, Anchor::Middle)
        })
        .filter(|(placed, _)| labels.is_clear(leader_from(*placed, at, number, size_mm), at))
        .collect()
}

fn insides(areas: &[Vec<Point>]) -> Vec<Inside> {
    areas.iter().map(|area| Inside::of(area)).collect()
}

/// Where the leader of a number to its place begins: beside the figures, not in them.
fn leader_from(placed: Point, at: Point, number: &str, size_mm: f64) -> Point {
    let from = placed + Vec2::new(0.0, 0.34 * size_mm);
    let way = at - from;
    let half = Vec2::new(
        0.5 * LETTER * size_mm * (number.chars().count() as f64 + 1.0),
        0.6 * size_mm,
    );
    let out = (half.x / way.x.abs().max(1e-6)).min(half.y / way.y.abs().max(1e-6));
    from + way * out.min(1.0)
}

fn short_tool(row: &UnitRow) -> &'static str {
    match row.stroke {
        StrokeName::Leave => "leave",
        StrokeName::Full => "with the lay",
        StrokeName::Against => "against the lay",
        StrokeName::Skim => "skim",
        StrokeName::Scissor => "shears",
        StrokeName::Thin => "thinned",
    }
}
