use kurbo::{Point, Vec2};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::point::{CLICK_SHARE, OwnersPicture, PicturePoint as P, STOOD_DEG};
use crate::look::{Aim, Look, LookId, OwnLook, RatioRange};

/// A ratio of the dog in a picture.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PictureRatio {
    /// Which.
    pub aim: Aim,
    /// Its value; no unit.
    pub value: f64,
    /// One standard deviation of it, from touching alone.
    pub doubt: f64,
}

impl PictureRatio {
    /// What counts as the same: the ratio's own tolerance, or as sure as the picture is.
    pub fn near(&self) -> f64 {
        self.aim.tolerance().max(1.96 * self.doubt)
    }
}

/// What a picture gives.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct PictureReading {
    /// Ratios, in the order of [`Aim::ALL`].
    pub ratios: Vec<PictureRatio>,
    /// Places still to touch before anything can be said.
    pub missing: Vec<P>,
    /// Why the places touched make no dog, in one sentence.
    pub problem: Option<String>,
}

/// A leg stands so far from the dog's midline, share of the height (handbook 2, usual spacing).
const LEG_FROM_MIDLINE: f64 = 0.13;
/// A picture in which the dog stands smaller cannot be read, share of its longer side (modelling
/// choice: a click is then a hundredth of the dog).
const SMALLEST: f64 = 0.1;

/// Reads the ratios of the dog in a picture: no scale is needed, the feet give the level, chest and
/// pin bone the way it faces.
///
/// # Units and shapes
/// Pixels with y down. Shares are of the coat's height at the withers, as the picture shows no
/// skin; handbook 4 takes some of the skin's, which differs by under 4 % of a small number.
///
/// # References
/// Handbook 4 for each ratio.
pub fn read_picture(picture: &OwnersPicture) -> PictureReading {
    let missing: Vec<P> = P::ALL
        .into_iter()
        .filter(|p| !p.can_be_left() && !picture.points.contains_key(p))
        .collect();
    if !missing.is_empty() {
        return PictureReading {
            missing,
            ..PictureReading::default()
        };
    }
    let Some(dog) = Upright::of(picture) else {
        return no_dog("Both feet are touched in the same place: touch each where it stands.");
    };
    let longer = f64::from(picture.size_px[0].max(picture.size_px[1]));
    if !dog.height.is_finite() || dog.height < SMALLEST * longer {
        return no_dog(
            "The dog is too small in this picture, or its withers lie below its feet: touch them again, or take a larger picture.",
        );
    }
    if let Some(problem) = dog.contradiction() {
        return no_dog(problem);
    }
    let click = std::f64::consts::SQRT_2 * CLICK_SHARE * longer / dog.height;
    let ratios: Vec<PictureRatio> = Aim::ALL
        .into_iter()
        .filter_map(|aim| {
            let value = dog.ratio(aim)?;
            let doubt = click.hypot(stance(aim));
            Some(PictureRatio { aim, value, doubt })
        })
        .collect();
    let odd = ratios.iter().find(|r| {
        let (least, most) = r.aim.span();
        !(least..=most).contains(&r.value)
    });
    if let Some(PictureRatio { aim, value, .. }) = odd {
        let (least, most) = aim.span();
        return no_dog(format!(
            "{} would be {value:.2}; no dog is trimmed so, it lies between {least} and {most}: touch its places again.",
            aim.label()
        ));
    }
    PictureReading {
        ratios,
        ..PictureReading::default()
    }
}

/// What a dog that does not stand square to the camera adds to the doubt of a ratio taken from its
/// body to its leg, which stands nearer the camera.
fn stance(aim: Aim) -> f64 {
    match aim {
        Aim::Angulation | Aim::SetIn => LEG_FROM_MIDLINE * STOOD_DEG.to_radians().sin(),
        _ => 0.0,
    }
}

fn no_dog(problem: impl Into<String>) -> PictureReading {
    PictureReading {
        problem: Some(problem.into()),
        ..PictureReading::default()
    }
}

/// The places on the dog's own plane: x forward, y up from the table, pixels.
struct Upright<'a> {
    picture: &'a OwnersPicture,
    from: Point,
    ahead: Vec2,
    up: Vec2,
    height: f64,
}

impl<'a> Upright<'a> {
    fn of(picture: &'a OwnersPicture) -> Option<Self> {
        let place = |p: P| picture.points.get(&p).map(|[x, y]| Point::new(*x, -*y));
        let (from, to) = (place(P::HindFoot)?, place(P::ForeFoot)?);
        let along = to - from;
        if along.hypot() < 1.0 {
            return None;
        }
        let ahead = along / along.hypot();
        // The table runs across the picture; up is the side of it the picture calls up.
        let up = Vec2::new(-ahead.y, ahead.x);
        let up = if up.y < 0.0 { -up } else { up };
        let mut dog = Self {
            picture,
            from,
            ahead,
            up,
            height: 0.0,
        };
        dog.height = dog.at(P::Withers)?.y;
        Some(dog)
    }

    fn at(&self, p: P) -> Option<Point> {
        let [x, y] = *self.picture.points.get(&p)?;
        let from = Point::new(x, -y) - self.from;
        Some(Point::new(from.dot(self.ahead), from.dot(self.up)))
    }

    /// What cannot be on any dog, said of the two places that contradict each other.
    fn contradiction(&self) -> Option<String> {
        let higher = [
            (P::Withers, P::Brisket),
            (P::Brisket, P::ColumnBack),
            (P::PinBone, P::Bend),
            (P::Bend, P::Hock),
            (P::HeadTop, P::UnderBeard),
        ];
        let before = [
            (P::Breastbone, P::PinBone),
            (P::Breastbone, P::ColumnBack),
            (P::ColumnFront, P::ColumnBack),
            (P::ColumnBack, P::Knee),
            (P::Knee, P::Hock),
        ];
        let wrong = |pairs: [(P, P); 5], along: fn(Point) -> f64| {
            pairs.into_iter().find(|(a, b)| {
                let both = self.at(*a).zip(self.at(*b));
                both.is_some_and(|(a, b)| along(a) <= along(b))
            })
        };
        let say = |(a, b): (P, P), how: &str| {
            format!(
                "“{}” lies {how} “{}”: touch both again.",
                a.label(),
                b.label()
            )
        };
        wrong(higher, |p| p.y)
            .map(|pair| say(pair, "below"))
            .or_else(|| wrong(before, |p| p.x).map(|pair| say(pair, "behind")))
    }

    fn ratio(&self, aim: Aim) -> Option<f64> {
        let (x, y) = (
            |p: P| self.at(p).map(|at| at.x),
            |p: P| self.at(p).map(|at| at.y),
        );
        let of_height = |value: f64| value / self.height;
        Some(match aim {
            Aim::BodyRatio => of_height(x(P::Breastbone)? - x(P::PinBone)?),
            Aim::GapRatio => of_height(x(P::ColumnBack)? - x(P::Knee)?),
            Aim::LegShare => of_height(y(P::Brisket)?),
            Aim::Rise => of_height(y(P::Waist)? - y(P::Brisket)?),
            Aim::Angulation => {
                let (pin, hock, bend) =
                    (self.at(P::PinBone)?, self.at(P::Hock)?, self.at(P::Bend)?);
                let t = (bend.y - hock.y) / (pin.y - hock.y);
                of_height(bend.x - hock.lerp(pin, t).x)
            }
            Aim::SetIn => of_height(x(P::Bend)? - x(P::PinBone)?),
            Aim::ColumnShare => {
                let depth = self.height - y(P::Brisket)?;
                (x(P::ColumnFront)? - x(P::ColumnBack)?) / depth
            }
            Aim::HeadSize => of_height(y(P::HeadTop)? - y(P::UnderBeard)?),
            Aim::EarEnd => of_height(y(P::UnderBeard)? - y(P::EarEnd)?),
        })
    }
}

/// The look whose targets lie nearest to a picture's ratios, by the sum of squared distances in
/// their own tolerances; what a look does not judge counts for nothing.
pub fn nearest_look(ratios: &[PictureRatio]) -> LookId {
    let off = |id: &LookId| -> f64 {
        let targets = Look::shipped(*id).targets;
        let away = |r: &PictureRatio| -> f64 {
            let Some((low, high)) = targets.of(r.aim) else {
                return 0.0;
            };
            let out = (low - r.value).max(r.value - high).max(0.0);
            (out / r.aim.tolerance()).powi(2)
        };
        ratios.iter().map(away).sum()
    };
    let mut looks = LookId::ALL.to_vec();
    looks.sort_by(|a, b| off(a).total_cmp(&off(b)));
    looks[0]
}

/// A picture as a look: the nearest one, with the picture's ratios as targets.
pub fn picture_look(picture: &OwnersPicture, ratios: &[PictureRatio]) -> OwnLook {
    let aims = ratios.iter().map(|r| {
        let (least, most) = r.aim.span();
        let near = r.near();
        let range = RatioRange {
            from: (r.value - near).max(least),
            to: (r.value + near).min(most),
        };
        (r.aim, range)
    });
    OwnLook {
        aims: aims.collect(),
        ..OwnLook::of(picture.photo, "Owner's picture", nearest_look(ratios))
    }
}
