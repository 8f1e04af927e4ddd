import type { Schemas } from '../../../shared/api/client';
import { useVisitWork } from '../../../shared/visit/context';
import { NO_MARKS } from '../../../shared/visit/marks';

/** Says the way out that was chosen: a limit, a line moved, a hole that is left to grow. */
export function useSlipWay(onDone: () => void) {
  const work = useVisitWork();
  return (zone: Schemas['Zone'], leftMm: number, way: Schemas['RescueOption']) => {
    const { coat } = work.evaluation.visit;
    if (way.limit_mm != null) {
      const limit = { ...coat.limits[zone], not_longer_mm: way.limit_mm, because: 'slip' as const };
      work.say({ kind: 'limit_set', zone, limit });
    }
    if (way.shifts != null) {
      const stop = way.shifts;
      const line = work.words.lines.find((l) => l.stops.some((s) => s.value === stop))?.line;
      if (line) work.say({ kind: 'line_moved', line, stop });
    }
    if (way.shows_mm >= 1) {
      const marks = { ...(coat.marks?.[zone] ?? NO_MARKS), hole_mm: leftMm };
      work.say({ kind: 'marks_set', zone, marks });
    }
    onDone();
  };
}
