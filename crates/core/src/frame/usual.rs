use super::{Build, BuildType, EarKind, EarShape, HeadShape, LegStand, TailKind, TailShape};

/// The usual build of a type at a height: what stands in for all that was not given.
///
/// # Units and shapes
/// `height_mm` in mm; the result in mm and degrees.
///
/// # References
/// Handbook 2, *Usual proportions* (from memory of ordinary medium dogs); dog-shape.md 2 for the
/// shape parameters and the five types of its pictures (our modelling choice).
pub(super) fn usual_build(kind: BuildType, height_mm: f64) -> Build {
    let h = height_mm;
    let mut b = ordinary(h);
    match kind {
        BuildType::Ordinary => {}
        BuildType::SquareCurly => {
            b.length = 466.0 / 460.0 * h;
            b.neck = 0.42 * h;
            b.neck_angle_deg = 56.0;
            b.head = HeadShape {
                length: 0.43 * h,
                muzzle: 0.50,
                muzzle_depth: 0.22,
                stop: 0.30,
                ..b.head
            };
            b.ear = ear(EarKind::Drop, 118.0 / 460.0 * h, 0.5, (0.16, -0.14));
            b.tail = tail(TailKind::Up, 150.0 / 460.0 * h, 0.062 * h);
        }
        BuildType::LongLow => {
            b.length = 360.0 / 260.0 * h;
            b.elbow = 0.43 * h;
            b.stifle = 0.43 * h;
            b.flank = 0.50 * h;
            b.hock = 0.23 * h;
            b.wrist = 0.16 * h;
            b.pin = 0.80 * h;
            b.last_rib = 0.58 * b.length;
            b.neck = 0.42 * h;
            b.neck_angle_deg = 58.0;
            b.hock_reach = 0.06 * h;
            (b.fore_leg, b.hind_leg) = (0.12 * h, 0.105 * h);
            (b.foot_length, b.foot_width) = (0.16 * h, 0.14 * h);
            b.elbow_back = 0.28 * h;
            (b.chest_width, b.rib_width, b.loin_width) = (0.42 * h, 0.46 * h, 0.38 * h);
            (b.hip_width, b.thigh_width, b.neck_width) = (0.36 * h, 0.40 * h, 0.30 * h);
            (b.fore_leg_front, b.hind_leg_front) = (0.11 * h, 0.10 * h);
            b.fore = stand([0.30 * h, 0.28 * h, 0.29 * h]);
            b.hind = stand([0.30 * h, 0.28 * h, 0.28 * h]);
            b.head = HeadShape {
                length: 0.46 * h,
                angle_deg: -14.0,
                muzzle: 0.32,
                skull_depth: 0.50,
                muzzle_depth: 0.28,
                stop: 0.9,
                dome: 0.10,
                top_found: None,
                skull_width: 0.56,
                ..b.head
            };
            b.ear = ear(EarKind::Drop, 62.0 / 260.0 * h, 0.62, (0.20, -0.08));
            b.tail = tail(TailKind::Curl, 165.0 / 260.0 * h, 0.062 * h);
        }
        BuildType::Leggy => {
            b.length = h;
            b.elbow = 0.53 * h;
            b.neck_angle_deg = 60.0;
            b.hock = 0.26 * h;
            b.hock_reach = 0.09 * h;
            b.layback_deg = 31.0;
            (b.fore_leg, b.hind_leg) = (0.075 * h, 0.072 * h);
            (b.chest_width, b.rib_width) = (0.26 * h, 0.28 * h);
            b.head = HeadShape {
                length: 0.42 * h,
                angle_deg: -13.0,
                muzzle: 0.52,
                skull_depth: 0.38,
                muzzle_depth: 0.24,
                stop: 0.12,
                dome: 0.03,
                top_found: None,
                flews: 0.1,
                ..b.head
            };
            b.ear = ear(EarKind::Folded, 100.0 / 620.0 * h, 0.80, (0.20, -0.03));
            b.tail = tail(TailKind::Up, 185.0 / 620.0 * h, 0.06 * h);
        }
        BuildType::Toy => {
            b.length = 232.0 / 230.0 * h;
            b.neck = 0.36 * h;
            b.neck_angle_deg = 62.0;
            (b.fore_leg, b.hind_leg) = (0.075 * h, 0.07 * h);
            b.foot_length = 0.13 * h;
            b.head = HeadShape {
                length: 0.46 * h,
                angle_deg: -11.0,
                muzzle: 0.34,
                skull_depth: 0.48,
                muzzle_depth: 0.24,
                stop: 0.85,
                dome: 0.12,
                top_found: None,
                ..b.head
            };
            b.ear = ear(EarKind::Drop, 56.0 / 230.0 * h, 0.6, (0.18, -0.12));
            b.tail = tail(TailKind::Curl, 95.0 / 230.0 * h, 0.062 * h);
        }
        BuildType::Spaniel => {
            b.length = 385.0 / 370.0 * h;
            b.hip = 0.985 * h;
            b.tail_set = 0.93 * h;
            b.pin = 0.79 * h;
            b.neck = 0.42 * h;
            b.neck_angle_deg = 55.0;
            (b.fore_leg, b.hind_leg) = (0.10 * h, 0.09 * h);
            (b.foot_length, b.foot_width) = (0.15 * h, 0.13 * h);
            b.chest_width = 0.34 * h;
            b.head = HeadShape {
                length: 0.46 * h,
                angle_deg: -16.0,
                muzzle: 0.44,
                skull_depth: 0.50,
                muzzle_depth: 0.30,
                stop: 0.95,
                dome: 0.09,
                top_found: None,
                flews: 1.0,
                ..b.head
            };
            b.ear = ear(EarKind::Drop, 112.0 / 370.0 * h, 0.66, (0.22, -0.24));
            b.tail = tail(TailKind::Stub, 62.0 / 370.0 * h, 0.075 * h);
        }
        BuildType::Terrier => {
            b.length = h;
            b.elbow = 0.53 * h;
            b.neck = 0.42 * h;
            b.neck_angle_deg = 60.0;
            b.bend_x = 0.02 * h;
            b.hock_reach = 0.06 * h;
            (b.chest_width, b.rib_width) = (0.27 * h, 0.29 * h);
            b.head = HeadShape {
                length: 0.44 * h,
                angle_deg: -13.0,
                muzzle: 0.50,
                skull_depth: 0.38,
                muzzle_depth: 0.25,
                stop: 0.15,
                dome: 0.03,
                top_found: None,
                flews: 0.1,
                skull_width: 0.42,
                muzzle_width: 0.24,
            };
            b.ear = ear(EarKind::Folded, 0.165 * h, 0.80, (0.20, -0.03));
            b.tail = tail(TailKind::Up, 0.30 * h, 0.065 * h);
        }
        BuildType::Retriever => {
            // 12 : 11, and elbow to ground half the height (published standards, from memory).
            b.length = 12.0 / 11.0 * h;
            b.elbow = 0.50 * h;
            b.neck = 0.38 * h;
            b.neck_angle_deg = 46.0;
            (b.chest_width, b.rib_width, b.loin_width) = (0.33 * h, 0.35 * h, 0.27 * h);
            b.thigh_width = 0.29 * h;
            (b.fore_leg, b.hind_leg) = (0.09 * h, 0.09 * h);
            b.head = HeadShape {
                length: 0.42 * h,
                muzzle: 0.46,
                skull_depth: 0.46,
                muzzle_depth: 0.28,
                stop: 0.65,
                dome: 0.05,
                top_found: None,
                flews: 0.6,
                skull_width: 0.52,
                muzzle_width: 0.27,
                ..b.head
            };
            b.ear = ear(EarKind::Drop, 0.20 * h, 0.70, (0.20, -0.08));
            b.tail = tail(TailKind::Level, 0.50 * h, 0.07 * h);
        }
        BuildType::ShortFaced => {
            b.length = 1.04 * h;
            b.elbow = 0.46 * h;
            b.flank = 0.54 * h;
            b.stifle = 0.46 * h;
            b.neck = 0.32 * h;
            b.neck_angle_deg = 54.0;
            b.neck_width = 0.26 * h;
            (b.chest_width, b.rib_width, b.loin_width) = (0.42 * h, 0.42 * h, 0.32 * h);
            (b.hip_width, b.thigh_width) = (0.30 * h, 0.34 * h);
            (b.fore_leg, b.hind_leg) = (0.11 * h, 0.095 * h);
            (b.fore_leg_front, b.hind_leg_front) = (0.10 * h, 0.085 * h);
            b.fore = stand([0.27 * h; 3]);
            b.hind = stand([0.24 * h; 3]);
            b.head = HeadShape {
                length: 0.38 * h,
                angle_deg: -10.0,
                muzzle: 0.20,
                skull_depth: 0.54,
                muzzle_depth: 0.32,
                stop: 1.0,
                dome: 0.10,
                top_found: None,
                flews: 0.6,
                skull_width: 0.62,
                muzzle_width: 0.32,
            };
            b.ear = ear(EarKind::Drop, 0.17 * h, 0.66, (0.18, -0.10));
            b.tail = tail(TailKind::Curl, 0.36 * h, 0.07 * h);
        }
    }
    b.shoulder_width = b.chest_width;
    if kind != BuildType::LongLow {
        b.last_rib = 0.60 * b.length;
    }
    b
}

fn ordinary(h: f64) -> Build {
    let head = 0.40 * h;
    Build {
        height: h,
        length: 1.05 * h,
        elbow: 0.52 * h,
        hip: h,
        tail_set: 0.95 * h,
        pin: 0.82 * h,
        flank: 0.60 * h,
        stifle: 0.50 * h,
        hock: 0.27 * h,
        wrist: 0.19 * h,
        hock_reach: 0.07 * h,
        bend_x: 0.03 * h,
        back_drop: 0.0,
        last_rib: 0.63 * h,
        neck: 0.40 * h,
        neck_angle_deg: 52.0,
        crest_arch: 0.05,
        layback_deg: 30.0,
        elbow_back: 0.27 * h,
        stifle_forward: 0.215 * h,
        fore_leg: 0.085 * h,
        hind_leg: 0.085 * h,
        fore_leg_front: 0.075 * h,
        hind_leg_front: 0.070 * h,
        fore: stand([0.20 * h; 3]),
        hind: stand([0.20 * h; 3]),
        foot_length: 0.12 * h,
        foot_width: 0.10 * h,
        chest_width: 0.30 * h,
        shoulder_width: 0.30 * h,
        rib_width: 0.32 * h,
        loin_width: 0.24 * h,
        hip_width: 0.24 * h,
        thigh_width: 0.27 * h,
        neck_width: 0.17 * h,
        head: HeadShape {
            length: head,
            angle_deg: -18.0,
            muzzle: 0.46,
            skull_depth: 0.44,
            muzzle_depth: 0.25,
            stop: 0.45,
            dome: 0.05,
            top_found: None,
            flews: 0.3,
            skull_width: 0.48,
            muzzle_width: 0.23,
        },
        ear: ear(EarKind::Drop, 0.55 * head, 0.5, (0.17, -0.09)),
        tail: tail(TailKind::Level, 0.40 * h, 0.062 * h),
    }
}

/// A straight leg at these spacings, centre to centre.
const fn stand(spacing: [f64; 3]) -> LegStand {
    LegStand {
        from_midline: [spacing[0] / 2.0, spacing[1] / 2.0, spacing[2] / 2.0],
        turnout_deg: 0.0,
        bow: 0.0,
    }
}

const fn ear(kind: EarKind, length: f64, width: f64, base: (f64, f64)) -> EarShape {
    EarShape {
        kind,
        length,
        short_of_nose: 0.0,
        width,
        base,
    }
}

const fn tail(kind: TailKind, length: f64, thickness: f64) -> TailShape {
    TailShape {
        kind,
        length,
        thickness,
    }
}
