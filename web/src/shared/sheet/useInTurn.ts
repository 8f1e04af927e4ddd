import { useState } from 'react';
import type { Schemas } from '../api/client';

type Drawing = Schemas['Drawing'];
type Shape = Schemas['Shape'];

/** A view's part of a drawing. */
export interface ViewPart {
  view: string;
  shapes: Shape[];
}

interface Shown {
  of: Drawing;
  parts: ViewPart[];
  turn: number;
}

/**
 * The drawing, view by view. While a finger holds one view, each new drawing renews that view and
 * one of the others in turn: painting all four at once takes longer than a frame.
 */
export function useInTurn(drawing: Drawing, held: string | null): ViewPart[] {
  const [shown, setShown] = useState<Shown>(() => whole(drawing));
  const isStale = held === null && shown.turn > 0;
  if (shown.of === drawing && !isStale) return shown.parts;
  const next = held === null ? whole(drawing) : inTurn(shown, drawing, held);
  // React's own way of keeping what was drawn before: set while drawing, painted once.
  setShown(next);
  return next.parts;
}

const whole = (of: Drawing): Shown => ({ of, parts: partsOf(of), turn: 0 });

function partsOf(drawing: Drawing): ViewPart[] {
  // A drawing kept by an early method does not say which shapes are whose.
  if (drawing.views.every((v) => v.shapes[1] === 0))
    return [{ view: 'whole', shapes: drawing.shapes }];
  return drawing.views.map((v) => {
    const [from, to] = v.shapes as [number, number];
    return { view: v.view, shapes: drawing.shapes.slice(from, to) };
  });
}

function inTurn(shown: Shown, drawing: Drawing, held: string): Shown {
  const fresh = partsOf(drawing);
  if (fresh.length !== shown.parts.length) return whole(drawing);
  const others = fresh.flatMap((part, i) => (part.view === held ? [] : [i]));
  const next = others[shown.turn % Math.max(1, others.length)];
  const parts = fresh.map((part, i) =>
    part.view === held || i === next ? part : (shown.parts[i] ?? part),
  );
  return { of: drawing, parts, turn: shown.turn + 1 };
}
