import { type RefObject, useLayoutEffect, useState } from 'react';
import type { Schemas } from '../../shared/api/client';

/** A stroke from a question to its place on the dog, in pixels of the sheet. */
interface Tie {
  asks: string;
  d: string;
}

/** Free paper between a stroke's end and what it points at, and the question it begins at, px. */
const CLEAR_PX = 5;

/** Ties the questions that stand round the drawn dog to the places they ask of, wherever both lie now. */
export function useTies(
  sheet: RefObject<HTMLElement | null>,
  places: Schemas['TalkPlaces'] | null,
  drawing: Schemas['Drawing'] | undefined,
): Tie[] {
  const [ties, setTies] = useState<Tie[]>([]);
  useLayoutEffect(() => {
    const here = sheet.current;
    if (!here) return undefined;
    const tie = () => setTies(places ? tied(here, places) : []);
    tie();
    const moved = new ResizeObserver(tie);
    moved.observe(here);
    return () => moved.disconnect();
  }, [sheet, places, drawing]);
  return ties;
}

function tied(sheet: HTMLElement, places: Schemas['TalkPlaces']): Tie[] {
  const drawn = sheet.querySelector<SVGSVGElement>('svg.sheet-drawing');
  const onScreen = drawn?.getScreenCTM();
  if (!onScreen) return [];
  const paper = sheet.getBoundingClientRect();
  return Object.entries(places).flatMap(([asks, at]: [string, number[]]) => {
    const question = sheet.querySelector(`[data-asks="${asks}"]`)?.getBoundingClientRect();
    const [x, y] = at;
    if (!question || x === undefined || y === undefined) return [];
    // The page's heights run up, the screen's down.
    const place = new DOMPoint(x, -y).matrixTransform(onScreen);
    const from = nearest(question, place);
    const long = Math.hypot(place.x - from.x, place.y - from.y);
    if (long <= 2 * CLEAR_PX) return [];
    const along = (px: number) =>
      [
        from.x + ((place.x - from.x) * px) / long - paper.left,
        from.y + ((place.y - from.y) * px) / long - paper.top,
      ]
        .map((n) => n.toFixed(1))
        .join(' ');
    return [{ asks, d: `M${along(CLEAR_PX)}L${along(long - CLEAR_PX)}` }];
  });
}

/** Where a question's edge is left: its side towards the place, or its foot where the place lies beneath. */
function nearest(box: DOMRect, place: DOMPoint): { x: number; y: number } {
  if (place.x > box.right) return { x: box.right, y: box.bottom - BUTTON_PX / 2 };
  if (place.x < box.left) return { x: box.left, y: box.bottom - BUTTON_PX / 2 };
  return { x: (box.left + box.right) / 2, y: box.bottom };
}

/** The words of a question stand in rows so high, px: a stroke leaves from the middle of the last. */
const BUTTON_PX = 48;
