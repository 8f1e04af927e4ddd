import type { Schemas } from '../api/client';

/** The view a page point lies in, and the point on that view's own plane, mm. */
export function placeOn(
  drawing: Schemas['Drawing'],
  [x, y]: [number, number],
): { view: Schemas['View']; at: [number, number] } | null {
  const place = drawing.views.find(({ area_mm: a }) => {
    const [left, bottom, right, top] = a as [number, number, number, number];
    return x >= left && x <= right && y >= bottom && y <= top;
  });
  if (!place) return null;
  const [ox, oy] = place.origin_mm as [number, number];
  const [sx, sy] = place.signs as [number, number];
  return { view: place.view, at: [(x - ox) * sx, (y - oy) * sy] };
}

/** A page point as a spot on the dog, in shares of its height; none beside every view. */
export function spotOn(
  evaluation: Schemas['Evaluation'],
  page: [number, number],
): Schemas['Spot'] | null {
  const place = placeOn(evaluation.drawing, page);
  const height = evaluation.frame.find((v) => v.measure === 'height_at_withers')?.value_mm;
  if (!place || !height) return null;
  return { view: place.view, at: [place.at[0] / height, place.at[1] / height] };
}
