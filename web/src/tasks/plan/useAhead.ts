import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';

/** Asked once nothing has changed for this long, ms. */
const AFTER_MS = 150;

const LAYERS: Schemas['Layers'] = {
  table: true,
  now: false,
  plan: true,
  settled: false,
  ideal: false,
  skin: false,
  measures: false,
  landmarks: false,
  lines: false,
  lengths: false,
  pins: false,
  doubt: false,
  found: false,
};
const TEXT_SHARE = 0.026;

/** The plan over the weeks to the next visit; null until the first answer. */
export function useAhead(weeks: number | null): Schemas['Ahead'] | null {
  const { dog, entries, house, kit, before } = useVisitWork();
  const [ahead, setAhead] = useState<Schemas['Ahead'] | null>(null);
  const options = { sheet: 'side', layers: LAYERS, text_share: TEXT_SHARE };
  const key = JSON.stringify({ desk: { dog, entries, house, kit, before, options }, weeks });
  useEffect(() => {
    let isNewest = true;
    const timer = setTimeout(() => {
      const body = JSON.parse(key) as Schemas['AheadRequest'];
      ask(api.POST('/api/ahead', { body })).then(
        (answer) => {
          if (isNewest) setAhead(answer);
        },
        () => {
          // The last answer stays; the sign at the foot says that the server is away.
        },
      );
    }, AFTER_MS);
    return () => {
      isNewest = false;
      clearTimeout(timer);
    };
  }, [key]);
  return ahead;
}
