use kurbo::{Point, Vec2};

use super::expr::Expr;
use super::lift_off::shoulder_lift_mm;
use super::spot::{Place, Spot, Width};
use crate::coat::{CoatNow, Knots, LimitCause, Stands, UNDER_KNOTS_MM, Zone, ZoneMarks};
use crate::frame::{Build, Sides};
use crate::kit::thinned_stand;
use crate::look::{Cut, LineName, LineStop, Lines, Look};
use crate::page::View;
use crate::shape::{
    BothSides, FACE_STATIONS, Hand, LEG_PLACES, LegPlace, SideShape, Station, leg_faces,
    visible_share,
};
use crate::units::Length;

/// A dog under a look: every place whose length is chosen, with its bounds.
#[derive(Clone, Debug)]
pub struct Subject {
    /// The frame: the left side, which the side view is laid out from.
    pub build: Build,
    /// The right side.
    pub right: Build,
    /// Its geometry.
    pub shape: SideShape,
    /// The look.
    pub look: Look,
    /// Where its lines lie on this dog.
    pub lines: Lines,
    /// Stand σ.
    pub stand: Stands,
    /// The unknowns.
    pub spots: Vec<Spot>,
    /// Limits that could not be met, by zone.
    pub unmet: Vec<Unmet>,
    /// Whether one side stands for both: left and right alike, and no hole in one leg only. The
    /// leg's rows then count twice (balance-model.md 4: same lengths within 0.07 mm).
    pub is_mirrored: bool,
    /// How much longer the coat is at the moment it is cut for than as it leaves the table, mm: the
    /// outline is judged then (handbook 4, *cut for today / mid-interval / to last*).
    pub grows_mm: f64,
    /// Spots where the hair is shorter than around them, with how short, mm: their variable is the
    /// line, the real hair stays (balance-model.md 3).
    pub holes: Vec<(usize, f64)>,
    /// Whether the muzzle is cut apart from the cheeks.
    pub has_muzzle_apart: bool,
}

/// A wish that today's coat, or safety, cannot meet.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Unmet {
    /// Where.
    pub zone: Zone,
    /// The wish, mm.
    pub wish_mm: f64,
    /// What can be had, mm.
    pub given_mm: f64,
    /// Whether the wish was for longer hair than there is.
    pub is_too_long: bool,
}

/// Hair that does not stand at all is divided by so much (no coat is flatter; handbook 3).
const LEAST_STAND: f64 = 0.05;
/// Floor of the look against its nominal: clipped zones (balance-model.md 3).
const FLOOR_CLIPPED: f64 = 0.4;
/// The same for scissored tuck-up, underline, flank and knee.
const FLOOR_LINES: f64 = 0.5;
/// The same for what a tidy evens without a clipper: it takes a little off, it does not cut down (handbook
/// 5, look 9; modelling choice).
const FLOOR_TIDIED: f64 = 0.75;
/// The same for other scissored zones.
const FLOOR_SCISSORED: f64 = 0.25;

impl Subject {
    /// Lays out the unknowns of a dog under a look, its lines where the look has them.
    ///
    /// `safe` gives the shortest safe length of a zone, mm.
    pub fn new(sides: &Sides, coat: &CoatNow, look: &Look, safe: &dyn Fn(Zone) -> f64) -> Self {
        let lines = Lines::of(look).with_tail(sides.left.tail.kind);
        Self::lined(sides, coat, look, lines, safe)
    }

    /// The same with its lines where they were put; the look already has the lengths that follow.
    pub fn lined(
        sides: &Sides,
        coat: &CoatNow,
        look: &Look,
        lines: Lines,
        safe: &dyn Fn(Zone) -> f64,
    ) -> Self {
        let both = BothSides::between(sides);
        let faces = leg_faces(&both);
        let mut subject = Self {
            build: sides.left.clone(),
            right: sides.right.clone(),
            shape: both
                .shape
                .with_waist_behind(waist_behind_mm(&lines, sides.left.height)),
            look: look.clone(),
            lines,
            stand: coat.stand,
            spots: Vec::new(),
            unmet: Vec::new(),
            is_mirrored: has_like_sides(sides) && !has_leg_hole(coat),
            holes: Vec::new(),
            grows_mm: 0.0,
            has_muzzle_apart: is_held_apart(coat, Zone::Muzzle, Zone::Cheek),
        };
        subject.lay_out(coat, safe);
        subject.lay_out_legs(&faces, coat, safe);
        subject.note_holes(coat);
        subject.note_unmet(coat, safe);
        subject
    }

    /// The same dog as it leaves the table.
    #[must_use]
    pub fn today(&self) -> Self {
        Self {
            grows_mm: 0.0,
            ..self.clone()
        }
    }

    /// The same dog with its lines elsewhere; no length was chosen by where they lay.
    #[must_use]
    pub fn with_lines(self, lines: Lines) -> Self {
        Self { lines, ..self }
    }

    /// The same dog under the look with another length of a zone that has no unknown: the head's.
    #[must_use]
    pub fn with_nominal(self, zone: Zone, mm: f64) -> Self {
        let height = self.height();
        Self {
            look: self.look.with_nominal_mm(zone, mm, height),
            ..self
        }
    }

    /// How many unknowns.
    pub fn len(&self) -> usize {
        self.spots.len()
    }

    /// Whether there are none.
    pub fn is_empty(&self) -> bool {
        self.spots.is_empty()
    }

    /// Height at withers, mm.
    pub fn height(&self) -> f64 {
        self.build.height
    }

    /// Where a place stands in the list of unknowns.
    pub fn find(&self, place: Place) -> Option<usize> {
        // Legs are laid out last, widths before them: their place is counted, not searched.
        let legs = self.spots.len().checked_sub(self.leg_spots())?;
        match place {
            Place::Side(_) => self.spots.iter().position(|s| s.place == place),
            Place::Width(width) => Some(legs - Width::ALL.len() + width as usize),
            Place::Leg(place) => Some(legs + self.leg_spot(place)),
        }
    }

    /// How many spots stand for the legs on end.
    const fn leg_spots(&self) -> usize {
        if self.is_mirrored {
            LEG_PLACES / 2
        } else {
            LEG_PLACES
        }
    }

    /// Which of them stands for a place.
    const fn leg_spot(&self, place: LegPlace) -> usize {
        if !self.is_mirrored {
            return place.index();
        }
        let face = place.leg as usize * 2 + place.face as usize;
        face * FACE_STATIONS + place.step
    }

    /// The legs that are solved: one side where it stands for both.
    pub const fn hands(&self) -> &'static [Hand] {
        if self.is_mirrored {
            &[Hand::Left]
        } else {
            &Hand::ALL
        }
    }

    /// The look's nominal lengths, mm.
    pub fn nominal(&self) -> Vec<f64> {
        self.spots.iter().map(|s| s.nominal).collect()
    }

    /// The nominal lengths as far as the coat and the limits allow: a uniform clip.
    pub fn uniform(&self) -> Vec<f64> {
        self.spots
            .iter()
            .map(|s| s.nominal.min(s.high).max(s.low))
            .collect()
    }

    /// The coat as it is today, mm per unknown.
    pub fn now(&self, coat: &CoatNow) -> Vec<f64> {
        self.spots.iter().map(|s| coat.length_mm(s.zone)).collect()
    }

    /// x of the coat edge at a station; a station without a chosen length gives its skin.
    pub fn x(&self, station: Station) -> Expr {
        self.coordinate(station, |v| v.x, |p| p.x)
    }

    /// y of the coat edge at a station.
    pub fn y(&self, station: Station) -> Expr {
        self.coordinate(station, |v| v.y, |p| p.y)
    }

    /// Coat edge along direction (dx, dy) at a station.
    pub fn along(&self, station: Station, direction: Vec2) -> Expr {
        self.x(station) * direction.x + &(self.y(station) * direction.y)
    }

    /// Half width of the coat edge at a place on the body's width.
    ///
    /// # Panics
    /// Never: every width is laid out.
    pub fn half_width(&self, width: Width) -> Expr {
        let i = self
            .find(Place::Width(width))
            .expect("every width is laid out");
        let spot = &self.spots[i];
        let grown = spot.shows * self.grows_mm;
        Expr::of(self.len(), i, spot.shows, spot.skin.x + grown)
    }

    /// Distance of the coat edge from the midline, outward, at a place on a leg seen on end.
    ///
    /// # Panics
    /// Never: every place is laid out.
    pub fn off_midline(&self, place: LegPlace) -> Expr {
        let i = self
            .find(Place::Leg(place))
            .expect("every place is laid out");
        let spot = &self.spots[i];
        let shows = spot.hair.x * spot.shows;
        Expr::of(self.len(), i, shows, spot.skin.x + shows * self.grows_mm)
    }

    /// Skin at a place on a leg, on its own view's plane: x to the dog's left.
    ///
    /// # Panics
    /// Never: every place is laid out.
    pub(super) fn skin_of(&self, place: LegPlace) -> Point {
        let i = self
            .find(Place::Leg(place))
            .expect("every place is laid out");
        let skin = self.spots[i].skin;
        Point::new(place.hand.sign() * skin.x, skin.y)
    }

    /// Lays each hole on the nearest spot of its zone; one that was not shown lies in the middle.
    fn note_holes(&mut self, coat: &CoatNow) {
        let h = self.build.height;
        for (zone, marks) in &coat.marks {
            let Some(hole) = marks.hole_mm.map(Length::as_mm) else {
                continue;
            };
            let mut there: Vec<usize> = (0..self.spots.len())
                .filter(|i| self.spots[*i].zone == *zone)
                .collect();
            let nearest = match marks.hole_at {
                None => (!there.is_empty()).then(|| there[there.len() / 2]),
                Some(spot) => {
                    let at = Point::new(spot.at[0] * h, spot.at[1] * h);
                    let away = |i: &usize| match (self.spots[*i].place, spot.view) {
                        (Place::Side(_), View::Side) => self.spots[*i].skin.distance(at),
                        (Place::Leg(p), View::Front | View::Rear) => self.skin_of(p).distance(at),
                        // Seen in another view only its height tells.
                        (Place::Width(_), _) => 0.0,
                        _ => (self.spots[*i].skin.y - at.y).abs(),
                    };
                    there.sort_by(|a, b| away(a).total_cmp(&away(b)));
                    there.first().copied()
                }
            };
            self.holes.extend(nearest.map(|i| (i, hole)));
        }
    }

    fn lay_out_legs(
        &mut self,
        faces: &[(Point, Vec2); LEG_PLACES],
        coat: &CoatNow,
        safe: &dyn Fn(Zone) -> f64,
    ) {
        let h = self.build.height;
        let hands = self.hands();
        for (place, (skin, hair)) in LegPlace::all().zip(faces) {
            if !hands.contains(&place.hand) {
                continue;
            }
            let zone = place.zone();
            // Both legs are laid out as if they were the left: outward counts positive.
            let outward = |x: f64| place.hand.sign() * x;
            let at = (
                Point::new(outward(skin.x), skin.y),
                Vec2::new(outward(hair.x), hair.y),
            );
            let shows = visible_share(*hair, self.stand.of(zone));
            let nominal = self.look.nominal_mm(zone, h);
            let spot = self.spot(Place::Leg(place), zone, at, shows, nominal);
            self.spots
                .push(bounded(spot, coat, safe, self.look.has_clipper));
        }
    }

    fn coordinate(
        &self,
        station: Station,
        of_hair: fn(Vec2) -> f64,
        of_skin: fn(Point) -> f64,
    ) -> Expr {
        let skin = of_skin(self.shape.skin(station));
        match self.find(Place::Side(station)) {
            Some(i) => {
                let spot = &self.spots[i];
                let shows = of_hair(spot.hair) * spot.shows;
                Expr::of(self.len(), i, shows, skin + shows * self.grows_mm)
            }
            None => Expr::constant(self.len(), skin),
        }
    }

    fn lay_out(&mut self, coat: &CoatNow, safe: &dyn Fn(Zone) -> f64) {
        let h = self.build.height;
        for station in CHOSEN
            .iter()
            .flat_map(|(a, b)| Station::ALL[a.index()..=b.index()].iter().copied())
        {
            let Some(zone) = station.zone() else { continue };
            let hair = self.shape.hair(station);
            let nominal = match station {
                // Half way between the rump's clip and the leg's own length.
                Station::ThighBack => {
                    0.5 * (self.look.nominal_mm(Zone::Rump, h)
                        + self.look.nominal_mm(Zone::HindBack, h))
                }
                _ => self.look.nominal_mm(zone, h),
            };
            let shows = visible_share(hair, self.stand.of(zone));
            let skin = self.shape.skin(station);
            let spot = self.spot(Place::Side(station), zone, (skin, hair), shows, nominal);
            let spot = self.at_its_line(station, spot);
            let spot = self.on_the_shelf(station, bounded(spot, coat, safe, self.look.has_clipper));
            self.spots.push(self.under_the_skirt(spot, coat));
        }
        for width in Width::ALL {
            let zone = zone_of(width);
            let half = half_width(&self.build, width);
            let nominal = self.look.nominal_mm(zone, h);
            let at = (Point::new(half, 0.0), Vec2::new(1.0, 0.0));
            let mut spot = self.spot(Place::Width(width), zone, at, self.stand.of(zone), nominal);
            if width == Width::Thigh && self.lines.has(LineStop::LiftAtHip) {
                self.as_in(Zone::HindOut, &mut spot);
            }
            self.spots
                .push(bounded(spot, coat, safe, self.look.has_clipper));
        }
    }

    /// What a line put elsewhere makes of a spot on its way.
    fn at_its_line(&self, station: Station, mut spot: Spot) -> Spot {
        let has = |stop| self.lines.has(stop);
        match station {
            Station::ArmFront if self.is_arm_of_the_leg() => {
                self.as_in(Zone::ForeFront, &mut spot);
            }
            Station::AboveHock if has(LineStop::DropToBend) => self.as_in(Zone::Hock, &mut spot),
            Station::UnderTail | Station::PinBone if has(LineStop::ShelfKept) => {
                spot.nominal *= SHELF_OVER_RUMP;
                spot.cut = Cut::Scissored;
            }
            _ => {}
        }
        spot
    }

    /// Whether the body's length ends so high that the arm is the leg's: nearer to the point of
    /// shoulder than to the elbow.
    fn is_arm_of_the_leg(&self) -> bool {
        let half = f64::midpoint(self.build.elbow, self.shape.point_of_shoulder.y);
        shoulder_lift_mm(self) > half
    }

    /// Cut as another zone is, at its length.
    fn as_in(&self, zone: Zone, spot: &mut Spot) {
        spot.nominal = self.look.nominal_mm(zone, self.build.height);
        spot.cut = self.look.cut(zone);
    }

    /// A shelf that is kept is not under the rump's length; a clean one not over it.
    fn on_the_shelf(&self, station: Station, mut spot: Spot) -> Spot {
        if !matches!(station, Station::UnderTail | Station::PinBone) {
            return spot;
        }
        let rump = self.look.nominal_mm(Zone::Rump, self.build.height);
        if self.lines.has(LineStop::ShelfKept) {
            spot.low = spot.low.max(rump.min(spot.high));
        } else if self.lines.has(LineStop::ShelfClean) {
            spot.high = spot.high.min(rump.max(spot.low));
        }
        spot
    }

    /// A skirt hangs from the ribs: its hem may lie lower than the underline's own hair reaches
    /// (handbook 3, *Hanging edges*), as low as the ribs' hair hangs from the lowest root.
    fn under_the_skirt(&self, mut spot: Spot, coat: &CoatNow) -> Spot {
        let is_held = coat.knots(spot.zone) == Knots::Tight
            || coat.knots(Zone::Ribs) == Knots::Tight
            || coat.limits.contains_key(&spot.zone);
        if !self.look.finish.has_skirt() || spot.zone != Zone::Underline || is_held {
            return spot;
        }
        let (h, elbow) = (self.height(), self.build.elbow);
        let lowest = LineStop::FringeSkirt.skirt_root_mm(h, elbow);
        if let Some(root) = self.lines.skirt_root_mm(h, elbow).or(lowest) {
            // Combed down it hangs its whole length (balance-model.md 10, *Skirt line*).
            let under_skin = (coat.length_mm(Zone::Ribs) - (root - spot.skin.y)).max(0.0);
            spot.high = spot.high.max(under_skin / spot.shows.max(1e-6));
        }
        spot
    }

    fn spot(
        &self,
        place: Place,
        zone: Zone,
        (skin, hair): (Point, Vec2),
        shows: f64,
        nominal: f64,
    ) -> Spot {
        Spot {
            place,
            zone,
            skin,
            hair,
            shows,
            nominal,
            cut: self.look.cut(zone),
            low: 0.0,
            high: f64::INFINITY,
            floor: 0.0,
            is_free_of_floor: false,
        }
    }

    fn note_unmet(&mut self, coat: &CoatNow, safe: &dyn Fn(Zone) -> f64) {
        for (zone, limit) in &coat.limits {
            let (low, high) = bounds(coat, *zone, safe(*zone));
            if let Some(wish) = limit.not_shorter_mm.map(Length::as_mm)
                && wish > high + 1e-9
            {
                self.unmet.push(Unmet {
                    zone: *zone,
                    wish_mm: wish,
                    given_mm: high,
                    is_too_long: true,
                });
            }
            if let Some(wish) = limit.not_longer_mm.map(Length::as_mm)
                && wish < low - 1e-9
            {
                self.unmet.push(Unmet {
                    zone: *zone,
                    wish_mm: wish,
                    given_mm: low,
                    is_too_long: false,
                });
            }
        }
    }
}

/// A kept shelf against the rump's length (balance-model.md 10, its reference study).
const SHELF_OVER_RUMP: f64 = 1.3;

/// How far behind the last rib a look's waist peaks, mm.
pub(crate) fn waist_behind_mm(lines: &Lines, height_mm: f64) -> f64 {
    let stop = lines.stop(LineName::Waist);
    let back = stop.map_or(0.0, |stop| stop.waist_back() * height_mm);
    // Never before the last rib: there the coat ends (handbook 4, *waist place*).
    (back + lines.shift_mm(LineName::Waist, height_mm)).max(0.0)
}

/// Stretches of stations whose length is chosen; feet, head and what hangs below the hem are not.
const CHOSEN: [(Station, Station); 6] = [
    (Station::CrestHigh, Station::RearPastern),
    (Station::RearPasternFront, Station::ThighFront),
    (Station::FlankFold, Station::ThroatHigh),
    (Station::Elbow, Station::WristBack),
    (Station::WristFront, Station::ForearmFrontHigh),
    (Station::ArmFront, Station::ArmFront),
];

/// Whether a limit or a knot holds one of two zones that are cut alike, and not the other so; what is cut
/// already was cut as it was.
fn is_held_apart(coat: &CoatNow, one: Zone, other: Zone) -> bool {
    let held = |zone| {
        let limit = coat.limits.get(&zone);
        limit.filter(|l| l.because != LimitCause::Cut)
    };
    held(one) != held(other) || coat.knots(one) != coat.knots(other)
}

/// Whether a body's left is as its right: ears that differ are matched by their hair.
fn has_like_sides(sides: &Sides) -> bool {
    let right = Build {
        ear: sides.left.ear,
        ..sides.right.clone()
    };
    sides.left == right
}

fn has_leg_hole(coat: &CoatNow) -> bool {
    let is_hole = |(zone, marks): (&Zone, &ZoneMarks)| zone.is_leg() && marks.hole_mm.is_some();
    coat.marks.iter().any(is_hole)
}

fn zone_of(width: Width) -> Zone {
    match width {
        Width::Neck => Zone::NeckSide,
        Width::Shoulder => Zone::Shoulder,
        Width::RibFront | Width::LastRib | Width::Loin => Zone::Ribs,
        Width::Hip | Width::Thigh => Zone::Hip,
    }
}

fn half_width(b: &Build, width: Width) -> f64 {
    let whole = match width {
        Width::Neck => b.neck_width,
        Width::Shoulder => b.shoulder_width,
        // Ribs in front are a little narrower than at the last one (balance-model.md 2).
        Width::RibFront => 0.985 * b.rib_width,
        Width::LastRib => b.rib_width,
        Width::Loin => b.loin_width,
        Width::Hip => b.hip_width,
        Width::Thigh => b.thigh_width,
    };
    whole / 2.0
}

/// Lowest and highest length a zone may have, mm: never longer than the coat, never under safe.
/// Wishes that cannot be met are clipped to what can (balance-model.md 3).
pub(crate) fn bounds(coat: &CoatNow, zone: Zone, safe_mm: f64) -> (f64, f64) {
    let mut high = coat.length_mm(zone);
    if coat.knots(zone) == Knots::Tight {
        // Knots that begin further out than the blade reaches go with the cut (handbook 4).
        let free = coat.marks.get(&zone).and_then(|m| m.knot_from_skin_mm);
        high = high.min(free.map_or(UNDER_KNOTS_MM, |mm| mm.as_mm().max(UNDER_KNOTS_MM)));
    }
    let mut low = safe_mm.min(high);
    let limit = coat.limits.get(&zone).copied().unwrap_or_default();
    let shortest = limit.not_shorter_mm.map(Length::as_mm);
    // Where both wishes fight, the longer hair is kept: it can still be cut tomorrow.
    let longest = limit
        .not_longer_mm
        .map(Length::as_mm)
        .filter(|longest| shortest.is_none_or(|shortest| shortest <= *longest));
    if let Some(longest) = longest {
        high = high.min(longest).max(low);
    }
    if let Some(shortest) = shortest {
        low = low.max(shortest.min(high));
    }
    (low, high)
}

/// A spot within what is safe and asked, over the look's floor.
fn bounded(mut spot: Spot, coat: &CoatNow, safe: &dyn Fn(Zone) -> f64, has_clipper: bool) -> Spot {
    let safe_mm = safe(spot.zone);
    (spot.low, spot.high) = bounds(coat, spot.zone, safe_mm);
    let share = match (spot.cut, spot.zone) {
        (Cut::Scissored, _) if !has_clipper => FLOOR_TIDIED,
        (Cut::Clipped, _) => FLOOR_CLIPPED,
        (Cut::Scissored, Zone::TuckUp | Zone::Underline | Zone::Flank | Zone::Knee) => FLOOR_LINES,
        (Cut::Scissored, _) => FLOOR_SCISSORED,
        (Cut::Thinned | Cut::Set, _) => 0.0,
    };
    if spot.cut == Cut::Thinned {
        // What lies flatter shows as if it were shorter: by no more than thinning does.
        let stand = coat.stand.of(spot.zone);
        let flattest = spot.high * thinned_stand(stand) / stand.max(LEAST_STAND);
        spot.low = spot.low.max(flattest.min(spot.high));
    }
    spot.floor = safe_mm.max(share * spot.nominal);
    // An owner's limit does not lift the floor: a looser one would then cost more than a tight one.
    spot.is_free_of_floor = coat.knots(spot.zone) == Knots::Tight;
    spot
}
