import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { besideOptions } from '../../shared/sheet/beside';
import { useVisitWork } from '../../shared/visit/context';

const AFTER_MS = 150;

/** The plan over the weeks to the next visit; null until the first answer. */
export function useAhead(weeks: number | null): Schemas['Ahead'] | null {
  const { desk } = useVisitWork();
  const options = besideOptions({});
  const body: Schemas['AheadRequest'] = {
    desk: { ...desk, options },
    weeks,
  };
  return useCore('/api/ahead', body, AFTER_MS).answer;
}
