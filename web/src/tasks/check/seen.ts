import type { Schemas } from '../../shared/api/client';

/** Whether a place was looked at or measured. */
export function isSeen(place: Schemas['WalkPlace']): boolean {
  return place.is_good || place.left_mm != null;
}
