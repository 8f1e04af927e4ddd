import { useState, type FocusEvent, type KeyboardEvent } from 'react';
import type { Schemas } from '../api/client';
import { tagKey } from './Drawing';
import { placeName } from './placeName';

type Tag = NonNullable<Schemas['Shape']['tag']>;

/** A place of the sheet that answers a touch: its tag, and where its middle lies, page mm. */
interface Place {
  tag: Tag;
  x: number;
  y: number;
}

/** Which way a key goes: across, up. */
const WAYS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
/** How much more a place beside the way counts than one on it. */
const BESIDE = 2;

/**
 * The places of the sheet by arrow keys: each goes to the nearest that way, Enter touches it, its name is
 * read out.
 */
export function usePlaces(
  drawing: Schemas['Drawing'],
  words: Schemas['Catalogue'],
  onTouch: ((tag: Tag) => void) | undefined,
) {
  const [at, setAt] = useState<Tag | null>(null);
  if (!onTouch) return { handlers: {}, at: null, said: '' };
  /** Looked for when a key asks: while a bone is dragged nobody walks. */
  const next = (way: [number, number]) => {
    const places = placesOf(drawing);
    const here = places.find((p) => at && tagKey(p.tag) === tagKey(at));
    return (here ? nearest(places, here, way) : first(places))?.tag ?? at;
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.target !== e.currentTarget || e.ctrlKey || e.metaKey || e.altKey) return;
    const way = WAYS[e.key];
    if (way) setAt(next(way));
    else if (e.key === 'Enter' && at) onTouch(at);
    else if (e.key === 'Escape' && at) setAt(null);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const onBlur = (e: FocusEvent) => {
    if (e.target === e.currentTarget) setAt(null);
  };
  return {
    handlers: {
      tabIndex: 0,
      role: 'group',
      'aria-label': 'Places on the dog: arrow keys go from one to the next, Enter touches it',
      onKeyDown,
      onBlur,
    },
    at,
    said: at ? placeName(at, words) : '',
  };
}

/** Every place once: at its word or disc where it has one, else in the middle of its area. */
function placesOf(drawing: Schemas['Drawing']): Place[] {
  const found = new Map<string, Place & { isMark: boolean }>();
  for (const { geometry: g, tag } of drawing.shapes) {
    if (!tag) continue;
    const isMark = g.type === 'text' || g.type === 'disc';
    const known = found.get(tagKey(tag));
    if ((!isMark && g.type !== 'fill') || (known && (known.isMark || !isMark))) continue;
    const [x, y] = g.type === 'fill' ? middle(g.points_mm) : g.at_mm;
    if (x !== undefined && y !== undefined) found.set(tagKey(tag), { tag, x, y, isMark });
  }
  return [...found.values()];
}

/** The middle of the box round a shape. */
function middle(points: number[]): number[] {
  const of = (axis: number) => {
    const all = points.filter((_, i) => i % 2 === axis);
    return (Math.min(...all) + Math.max(...all)) / 2;
  };
  return [of(0), of(1)];
}

/** Where a walk begins: the place furthest up and to the front. */
function first(places: Place[]): Place | undefined {
  return best(places, (p) => p.x - p.y);
}

function nearest(places: Place[], from: Place, [across, up]: [number, number]): Place | undefined {
  const ahead = (p: Place) => (p.x - from.x) * across + (p.y - from.y) * up;
  const beside = (p: Place) => Math.abs((p.x - from.x) * up) + Math.abs((p.y - from.y) * across);
  const that = places.filter((p) => p !== from && ahead(p) > 0);
  const straight = that.filter((p) => beside(p) <= ahead(p));
  return best(straight.length > 0 ? straight : that, (p) => ahead(p) + BESIDE * beside(p));
}

function best(places: Place[], cost: (place: Place) => number): Place | undefined {
  let least: Place | undefined;
  for (const place of places) if (!least || cost(place) < cost(least)) least = place;
  return least;
}
