use super::Aim;

/// What the eye should see: ranges of the judged numbers (handbook 4; balance-model.md 6 holds).
///
/// Ratios are plain numbers; shares are of the height at withers; the slope is in degrees down to
/// the rear. None is not judged in the look.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Targets {
    /// Body length against coat height at the withers.
    pub body_ratio: (f64, f64),
    /// Daylight under the dog against the same height.
    pub gap_ratio: Option<(f64, f64)>,
    /// Height of the coat edge at the brisket against the same height.
    pub leg_share: Option<(f64, f64)>,
    /// Slope of the topline, degrees.
    pub slope_deg: (f64, f64),
    /// Hip crest over tail set.
    pub croup: (f64, f64),
    /// Rise of the underline.
    pub rise: (f64, f64),
    /// Hair the look accepts missing between waist and flank.
    pub fill: f64,
    /// Depth of neck against its length, at most.
    pub neck_depth: f64,
    /// Bend before the line pin bone to hock.
    pub angulation: Option<(f64, f64)>,
    /// Bend before the pin bone.
    pub set_in: Option<(f64, f64)>,
    /// Width of the front column against the depth of body.
    pub column_share: Option<(f64, f64)>,
    /// Height of the head, top to under-beard.
    pub head_size: (f64, f64),
    /// How far the ear ends below the beard.
    pub ear_end: (f64, f64),
}

impl Targets {
    /// Another range to aim at.
    pub(super) fn aim(&mut self, aim: Aim, range: (f64, f64)) {
        match aim {
            Aim::BodyRatio => self.body_ratio = range,
            Aim::GapRatio => self.gap_ratio = Some(range),
            Aim::LegShare => self.leg_share = Some(range),
            Aim::Rise => self.rise = range,
            Aim::Angulation => self.angulation = Some(range),
            Aim::SetIn => self.set_in = Some(range),
            Aim::ColumnShare => self.column_share = Some(range),
            Aim::HeadSize => self.head_size = range,
            Aim::EarEnd => self.ear_end = range,
        }
    }

    /// What is aimed at; none where the look does not judge it.
    pub const fn of(&self, aim: Aim) -> Option<(f64, f64)> {
        match aim {
            Aim::BodyRatio => Some(self.body_ratio),
            Aim::GapRatio => self.gap_ratio,
            Aim::LegShare => self.leg_share,
            Aim::Rise => Some(self.rise),
            Aim::Angulation => self.angulation,
            Aim::SetIn => self.set_in,
            Aim::ColumnShare => self.column_share,
            Aim::HeadSize => Some(self.head_size),
            Aim::EarEnd => Some(self.ear_end),
        }
    }
}
