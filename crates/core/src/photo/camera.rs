use std::collections::BTreeMap;

use kurbo::Point;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::marks::{PhotoPoint, TouchedPoint};
use crate::drawing::{Drawing, Geometry, Role, Shape};
use crate::frame::Frame;
use crate::page::View;
use crate::picture::PicturePoint;
use crate::shape::{
    BothSides, CoatEdge, Dressing, Piece, PieceKind, Station, front_pieces, head_edges, landmarks,
    rear_pieces, side_pieces_beside, side_shape,
};

/// A simulated camera: where it stands. It ships so that the photo path can be tried and tested
/// against known truth; it is no real camera.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(default)]
pub struct Camera {
    /// From where: side, front or rear.
    pub view: View,
    /// The dog turned from square to the camera, degrees.
    pub turn_deg: f64,
    /// The camera leaned, degrees.
    pub tilt_deg: f64,
    /// From the lens to the dog's midline, mm.
    pub distance_mm: f64,
    /// Length of the rod in the picture, mm.
    pub rod_mm: f64,
    /// Width and height of the picture, pixels.
    pub size_px: [u32; 2],
}

impl Default for Camera {
    fn default() -> Self {
        Self {
            view: View::Side,
            turn_deg: 0.0,
            tilt_deg: 0.0,
            distance_mm: 2200.0,
            rod_mm: 300.0,
            size_px: [1600, 1200],
        }
    }
}

/// What the simulated camera took: the picture, and the truth.
#[derive(Clone, Debug, PartialEq)]
pub struct CameraShot {
    /// The picture, one unit a pixel.
    pub picture: Drawing,
    /// Where every landmark truly lies, pixels.
    pub truth: Vec<TouchedPoint>,
    /// Ends of the rod, pixels.
    pub rod_px: [[f64; 2]; 2],
    /// Two points of the table's edge, pixels.
    pub table_px: [[f64; 2]; 2],
    /// From the side: where the coat's edge truly lies, pixels.
    pub edges_px: BTreeMap<PicturePoint, [f64; 2]>,
}

/// Height of the lens against the dog's (modelling choice: held at the dog's own height).
const LENS_HEIGHT: f64 = 0.65;
/// How much of the picture the dog fills, share of its height.
const FILLS: f64 = 0.52;
/// Height the rod is held at against the dog's: over its head.
const ROD_HEIGHT: f64 = 1.62;
/// The table reaches so far before and behind the dog's midline, mm (common size of a table).
const TABLE_HALF_MM: f64 = 300.0;

/// Takes the picture.
///
/// # Units and shapes
/// Perspective from a pinhole at [`Camera::distance_mm`], looking level at the dog's midline; page
/// pixels, x to the right, y down. Near and far pieces stand at their own depth.
pub fn shoot(frame: &Frame, dressing: &Dressing, camera: &Camera) -> CameraShot {
    let dog = BothSides::of(frame);
    let lens = Lens::new(frame, camera);
    let mut shapes = Vec::new();
    let edge = lens.table_edge();
    let [w, h] = camera.size_px.map(f64::from);
    // A drawing's y runs up, a photo's down.
    let up = move |[x, y]: [f64; 2]| [x, h - y];
    let fill = |role: Role, points: Vec<[f64; 2]>| Shape {
        role,
        geometry: Geometry::Fill {
            points_mm: points.into_iter().flat_map(up).collect(),
        },
        tag: None,
    };
    shapes.push(fill(
        Role::Now,
        vec![[0.0, 0.0], [w, 0.0], [w, h], [0.0, h]],
    ));
    shapes.push(fill(
        Role::NowFar,
        vec![[0.0, lens.horizon()], [w, lens.horizon()], [w, h], [0.0, h]],
    ));
    for (piece, depth) in pieces(&dog, frame, dressing, camera.view) {
        let role = match piece.kind {
            PieceKind::Nose | PieceKind::Eye => Role::Feature,
            PieceKind::EyeLight => Role::EyeLight,
            _ if piece.is_far => Role::PlanFillFar,
            _ => Role::PlanFill,
        };
        let on = |p: &Point| lens.project(place(camera.view, *p, depth));
        if !piece.outline.is_empty() {
            shapes.push(fill(role, piece.outline.iter().map(on).collect()));
        }
        for stroke in &piece.strokes {
            shapes.push(Shape {
                role: Role::PlanLine,
                geometry: Geometry::Line {
                    points_mm: stroke.points.iter().map(on).flat_map(up).collect(),
                    width_mm: 0.0022 * h * stroke.weight,
                },
                tag: None,
            });
        }
    }
    let rod_px = lens.rod(camera);
    shapes.push(Shape {
        role: Role::Fault,
        geometry: Geometry::Line {
            points_mm: rod_px.into_iter().flat_map(up).collect(),
            width_mm: 0.006 * h,
        },
        tag: None,
    });
    let truth = landmarks(&dog)
        .into_iter()
        .filter(|p| p.landmark.is_marked_on_photo(camera.view))
        .map(|p| TouchedPoint {
            point: PhotoPoint {
                landmark: p.landmark,
                is_right: p.is_right,
            },
            at_px: lens.project(p.at),
        })
        .collect();
    CameraShot {
        picture: Drawing {
            title: "Simulated photo".into(),
            bounds_mm: [0.0, 0.0, w, h],
            views: Vec::new(),
            shapes,
            focus_mm: None,
        },
        truth,
        rod_px,
        table_px: edge,
        edges_px: if camera.view == View::Side {
            edges(&dog, dressing)
                .into_iter()
                .map(|(point, at)| (point, lens.project(at)))
                .collect()
        } else {
            BTreeMap::new()
        },
    }
}

/// Where the coat's edge lies at the places touched on an owner's picture, mm in space: legs stand
/// nearer the camera than the body.
fn edges(dog: &BothSides<'_>, dressing: &Dressing) -> Vec<(PicturePoint, [f64; 3])> {
    use PicturePoint as P;
    let edge = CoatEdge::new(&dog.shape, dressing);
    let head = head_edges(&dog.shape, dog.left, dressing);
    let near = dog.left.fore.from_midline[1];
    let mut list: Vec<(P, [f64; 3])> = [
        (P::Withers, Station::Withers, 0.0),
        (P::Breastbone, Station::Breastbone, 0.0),
        (P::PinBone, Station::PinBone, 0.0),
        (P::Brisket, Station::Brisket, 0.0),
        (P::Waist, Station::LastRib, 0.0),
        (P::ColumnBack, Station::ForearmBack, near),
        (P::ColumnFront, Station::ForearmFront, near),
        (P::Knee, Station::Stifle, near),
        (P::Bend, Station::Bend, near),
        (P::Hock, Station::HockPoint, near),
        (P::ForeFoot, Station::ForeSole, near),
        (P::HindFoot, Station::HindSole, near),
    ]
    .map(|(point, station, z)| {
        let at = edge.at(station);
        (point, [at.x, at.y, z])
    })
    .into();
    let mut put = |point, at: Point| list.push((point, [at.x, at.y, 0.0]));
    put(P::HeadTop, head.top);
    put(P::UnderBeard, head.under_beard);
    if let Some(end) = head.ear_end {
        put(P::EarEnd, end);
    }
    list
}

/// A point of a view's plane in space, at a depth towards the camera.
fn place(view: View, p: Point, depth: f64) -> [f64; 3] {
    match view {
        View::Side => [p.x, p.y, depth],
        View::Front => [depth, p.y, p.x],
        View::Rear => [depth, p.y, p.x],
        View::Top => [p.x, depth, p.y],
    }
}

/// The pieces of a view with their depth along the camera's line, mm on the dog's own axis.
fn pieces(
    dog: &BothSides<'_>,
    frame: &Frame,
    dressing: &Dressing,
    view: View,
) -> Vec<(Piece, f64)> {
    let b = &frame.build;
    match view {
        View::Front => front_pieces(dog, dressing)
            .into_iter()
            .map(|p| {
                let x = if p.is_far {
                    0.0
                } else {
                    b.length - b.elbow_back
                };
                (p, x)
            })
            .collect(),
        View::Rear => rear_pieces(dog, dressing)
            .into_iter()
            .map(|p| {
                let x = if p.is_far {
                    b.length - b.elbow_back
                } else {
                    0.0
                };
                (p, x)
            })
            .collect(),
        View::Side | View::Top => {
            let far = side_shape(&frame.right);
            side_pieces_beside(&dog.shape, dog.left, (&far, dog.right), dressing)
                .into_iter()
                .map(|p| {
                    let z = match (p.kind, p.is_far) {
                        (PieceKind::ForeLeg | PieceKind::HindLeg | PieceKind::Foot, false) => {
                            b.fore.from_midline[1]
                        }
                        (_, true) => -b.fore.from_midline[1],
                        _ => 0.0,
                    };
                    (p, z)
                })
                .collect()
        }
    }
}

struct Lens {
    view: View,
    turn: (f64, f64),
    tilt: (f64, f64),
    distance: f64,
    /// Pixels per unit of slope.
    focal: f64,
    centre: [f64; 2],
    /// What the camera looks at, mm.
    target: [f64; 3],
}

impl Lens {
    fn new(frame: &Frame, camera: &Camera) -> Self {
        let b = &frame.build;
        let [w, h] = camera.size_px.map(f64::from);
        let distance = camera.distance_mm.max(2.0 * b.height);
        let target_x = match camera.view {
            View::Side | View::Top => 0.5 * b.length,
            View::Front => b.length - b.elbow_back,
            View::Rear => 0.0,
        };
        // From the side the dog's length fills the picture, else its height with its head.
        let extent = match camera.view {
            View::Side | View::Top => (b.length + 0.5 * b.height) / w * h,
            View::Front | View::Rear => 1.45 * b.height,
        };
        Self {
            view: camera.view,
            turn: camera.turn_deg.to_radians().sin_cos(),
            tilt: camera.tilt_deg.to_radians().sin_cos(),
            distance,
            focal: FILLS * h * distance / extent.max(b.height),
            centre: [0.5 * w, 0.5 * h],
            target: [target_x, LENS_HEIGHT * b.height, 0.0],
        }
    }

    /// Turns the dog about its upright axis, looks along the view, leans the picture.
    fn project(&self, at: [f64; 3]) -> [f64; 2] {
        let [dx, dy, dz] = [
            at[0] - self.target[0],
            at[1] - self.target[1],
            at[2] - self.target[2],
        ];
        let (sin, cos) = self.turn;
        let (x, z) = (cos * dx + sin * dz, cos * dz - sin * dx);
        // Across to the right of the picture, and towards the camera.
        let (across, towards) = match self.view {
            View::Side | View::Top => (-x, z),
            View::Front => (z, x),
            View::Rear => (-z, -x),
        };
        let scale = self.focal / (self.distance - towards);
        let (u, v) = (scale * across, -scale * dy);
        let (sin, cos) = self.tilt;
        [
            self.centre[0] + cos * u + sin * v,
            self.centre[1] - sin * u + cos * v,
        ]
    }

    /// The table's edge as it is touched: where the near feet stand.
    fn table_edge(&self) -> [[f64; 2]; 2] {
        // The table does not turn with the dog.
        let reach = match self.view {
            View::Side | View::Top => TABLE_HALF_MM,
            View::Front | View::Rear => 0.5 * TABLE_HALF_MM,
        };
        [self.on_table(-reach, 0.0), self.on_table(reach, 0.0)]
    }

    /// A point of the table, not turned with the dog.
    fn on_table(&self, across: f64, towards: f64) -> [f64; 2] {
        self.unturned(across, -self.target[1], towards)
    }

    fn unturned(&self, across: f64, up: f64, towards: f64) -> [f64; 2] {
        let scale = self.focal / (self.distance - towards);
        let (u, v) = (scale * across, -scale * up);
        let (sin, cos) = self.tilt;
        [
            self.centre[0] + cos * u + sin * v,
            self.centre[1] - sin * u + cos * v,
        ]
    }

    fn horizon(&self) -> f64 {
        self.unturned(0.0, -self.target[1], -TABLE_HALF_MM)[1]
    }

    /// The rod lies level over the dog's back, held at its midline by hand.
    fn rod(&self, camera: &Camera) -> [[f64; 2]; 2] {
        let half = 0.5 * camera.rod_mm;
        let up = (ROD_HEIGHT / LENS_HEIGHT - 1.0) * self.target[1];
        [self.unturned(-half, up, 0.0), self.unturned(half, up, 0.0)]
    }
}
