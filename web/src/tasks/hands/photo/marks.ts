import type { Schemas } from '../../../shared/api/client';

export type Marks = Schemas['PhotoMarks'];
type XY = [number, number];

/** One thing to touch on a photo. */
export interface Target {
  key: string;
  label: string;
  landmark?: Schemas['Landmark'];
  isRight?: boolean;
}

/** What is touched on a photo of a view, in order: rod, table, landmarks. */
export function targetsOf(view: Schemas['View'], words: Schemas['Catalogue']): Target[] {
  const rod = [
    { key: 'rod0', label: 'Rod, one end' },
    { key: 'rod1', label: 'Rod, other end' },
  ];
  const table =
    view === 'top'
      ? []
      : [
          { key: 'table0', label: 'Table edge, left' },
          { key: 'table1', label: 'Table edge, right' },
        ];
  const landmarks = words.landmarks
    .filter((l) => l.views.some((v) => v.view === view && v.is_on_photo))
    .flatMap((l): Target[] => {
      const near = { key: l.landmark, label: l.label, landmark: l.landmark, isRight: false };
      const far = {
        key: `${l.landmark}:right`,
        label: view === 'side' ? `${l.label}, far side` : `${l.label}, its right`,
        landmark: l.landmark,
        isRight: true,
      };
      if (view === 'side') {
        // The far wrist and hock tell whether the dog stands square to the camera.
        return l.landmark === 'wrist' || l.landmark === 'hock_point' ? [near, far] : [near];
      }
      return PAIRED.includes(l.landmark)
        ? [{ ...near, label: `${l.label}, its left` }, far]
        : [near];
    });
  return [...rod, ...table, ...landmarks];
}

const PAIRED: Schemas['Landmark'][] = [
  'point_of_shoulder',
  'elbow',
  'wrist',
  'forefoot',
  'last_rib',
  'flank_fold',
  'hip_crest',
  'pin_bone',
  'thigh_muscle',
  'stifle',
  'hock_point',
  'hind_foot',
];

export function emptyMarks(photo: Schemas['Photo']): Marks {
  return {
    view: photo.view,
    size_px: [photo.width, photo.height],
    scale: null,
    table_px: null,
    points: [],
  };
}

/** Ends touched so far, whichever came first. */
type Half = Partial<Record<'rod0' | 'rod1' | 'table0' | 'table1', XY>>;

/** Where a target was touched. */
export function placeOf(marks: Marks, half: Half, target: Target): XY | null {
  if (target.landmark) {
    const found = marks.points.find(
      (p) => p.landmark === target.landmark && (p.is_right ?? false) === target.isRight,
    );
    return found ? (found.at_px as XY) : null;
  }
  const key = target.key as keyof Half;
  const end = key.endsWith('1') ? 1 : 0;
  if (key.startsWith('rod') && marks.scale?.by === 'rod')
    return (marks.scale.ends_px[end] ?? null) as XY | null;
  if (key.startsWith('table') && marks.table_px) return (marks.table_px[end] ?? null) as XY | null;
  return half[key] ?? null;
}

/** The marks with a target touched at a place. */
export function touch(
  marks: Marks,
  half: Half,
  target: Target,
  at: XY,
  rodMm: number,
): { marks: Marks; half: Half } {
  if (target.landmark) {
    const others = marks.points.filter(
      (p) => !(p.landmark === target.landmark && (p.is_right ?? false) === target.isRight),
    );
    const point = { landmark: target.landmark, is_right: target.isRight ?? false, at_px: at };
    return { marks: { ...marks, points: [...others, point] }, half };
  }
  const both = { ...half, [target.key]: at };
  const { rod0, rod1, table0, table1 } = { ...endsOf(marks), ...both };
  return {
    half: both,
    marks: {
      ...marks,
      scale:
        rod0 && rod1
          ? { by: 'rod', ends_px: [rod0, rod1], length_mm: rodMm }
          : (marks.scale ?? null),
      table_px: table0 && table1 ? [table0, table1] : (marks.table_px ?? null),
    },
  };
}

function endsOf(marks: Marks): Half {
  const ends: Half = {};
  if (marks.scale?.by === 'rod') {
    const [a, b] = marks.scale.ends_px as [XY, XY];
    ends.rod0 = a;
    ends.rod1 = b;
  }
  if (marks.table_px) {
    const [a, b] = marks.table_px as [XY, XY];
    ends.table0 = a;
    ends.table1 = b;
  }
  return ends;
}

export type { Half };
