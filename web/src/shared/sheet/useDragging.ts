import { useRef, useState, type PointerEvent } from 'react';
import type { Schemas } from '../api/client';
import { useVisitWork } from '../visit/context';
import type { EntryBody } from '../visit/model';

type Tag = NonNullable<Schemas['Shape']['tag']>;
type XY = [number, number];

/** A finger that moved less than this only touched, px. */
const STILL_PX = 5;

/** Where on the sheet a pointer is, page millimetres with y up. */
export function pagePoint(e: {
  currentTarget: Element;
  clientX: number;
  clientY: number;
}): XY | null {
  const svg = e.currentTarget.querySelector<SVGSVGElement>('svg.sheet-drawing');
  const frame = svg?.getScreenCTM();
  if (!frame) return null;
  const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(frame.inverse());
  return [at.x, -at.y];
}

/** Where a pointer is on a sheet whose place on the screen is known: asks for no layout. */
function pointOn(sheet: DOMRect, bounds: number[], e: { clientX: number; clientY: number }): XY {
  const [left, bottom, right, top] = bounds as [number, number, number, number];
  // As the drawing stands in its box: whole, in the middle, on the floor.
  const scale = Math.min(sheet.width / (right - left), sheet.height / (top - bottom));
  const x = e.clientX - sheet.left - (sheet.width - scale * (right - left)) / 2;
  return [left + x / scale, bottom + (sheet.bottom - e.clientY) / scale];
}

/** What is being dragged: how a page point reads as a measure. */
interface Held {
  tag: Tag;
  from: XY;
  sheet: DOMRect;
  page: number[];
  view: string;
  isMoved: boolean;
  read: (page: XY) => EntryBody | null;
}

/**
 * Where the hands are on the dog, dragging the carrier on the height stick, or a landmark, is entering
 * its measure; a touch that does not move only opens it. Elsewhere a sleeve moves no bone.
 */
export function useDragging(
  drawing: Schemas['Drawing'],
  canDrag: boolean,
  onTouch?: (tag: Tag) => void,
) {
  const { attempt, say, words } = useVisitWork();
  const held = useRef<Held | null>(null);
  // The page stands still under the finger, however tall the dog becomes.
  const [still, setStill] = useState<{ page: number[]; held: string } | null>(null);
  const measured = (measure: Schemas['Measure'], mm: number): EntryBody => ({
    kind: 'measure_set',
    measure,
    taken: {
      value_mm: Math.max(1, Math.round(mm)),
      method: 'drawn',
      is_confirmed: false,
    },
  });
  const take = (e: PointerEvent<HTMLDivElement>): Held | null => {
    const target = e.target as Element;
    const from: XY = [e.clientX, e.clientY];
    const svg = e.currentTarget.querySelector('svg.sheet-drawing');
    if (!svg) return null;
    const sheet = svg.getBoundingClientRect();
    const page = drawing.bounds_mm;
    if (target.classList.contains('carrier')) {
      const tag: Tag = { of: 'measure', which: 'height_at_withers' };
      return {
        tag,
        from,
        sheet,
        page,
        view: drawing.views.find((v) => holds(v.area_mm, pointOn(sheet, page, e)))?.view ?? '',
        isMoved: false,
        read: ([, y]) => (canDrag ? measured('height_at_withers', y) : null),
      };
    }
    const name = /^landmark:(.+)$/.exec(target.getAttribute('data-tag') ?? '')?.[1];
    const word = words.landmarks.find((l) => l.landmark === name);
    const at = pointOn(sheet, drawing.bounds_mm, e);
    const place = drawing.views.find((v) => holds(v.area_mm, at));
    if (!word || !place) return null;
    const view = word.views.find((v) => v.view === place.view);
    const { opens, drag } = view ?? {};
    return {
      tag: { of: 'landmark', which: word.landmark },
      from,
      sheet,
      page,
      view: place.view,
      isMoved: false,
      read: (p) => {
        if (!canDrag || !opens || !drag) return null;
        const axis = drag.axis === 'across' ? 0 : 1;
        return measured(opens, drag.factor * Math.abs(p[axis] - (place.origin_mm[axis] ?? 0)));
      },
    };
  };
  const handlers = {
    onPointerDown: (e: PointerEvent<HTMLDivElement>) => {
      held.current = take(e);
      if (!held.current) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      setStill({ page: drawing.bounds_mm, held: held.current.view });
    },
    onPointerMove: (e: PointerEvent<HTMLDivElement>) => {
      const now = held.current;
      if (!now) return;
      const moved = Math.hypot(e.clientX - now.from[0], e.clientY - now.from[1]);
      now.isMoved ||= moved > STILL_PX;
      const body = now.isMoved ? now.read(pointOn(now.sheet, now.page, e)) : null;
      if (body) attempt(body);
    },
    onPointerUp: (e: PointerEvent<HTMLDivElement>) => {
      const now = held.current;
      held.current = null;
      setStill(null);
      if (!now) return;
      if (!now.isMoved) {
        onTouch?.(now.tag);
        return;
      }
      const body = now.read(pointOn(now.sheet, now.page, e));
      if (body) say(body);
    },
    onPointerCancel: () => {
      held.current = null;
      setStill(null);
      attempt(null);
    },
  };
  return { handlers, page: still?.page ?? null, held: still?.held ?? null };
}

function holds(area: number[], [x, y]: XY): boolean {
  const [left, bottom, right, top] = area as [number, number, number, number];
  return x >= left && x <= right && y >= bottom && y <= top;
}
