import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';

/** Asked once nothing has changed for this long, ms: it solves every look. */
const AFTER_MS = 150;

const LAYERS: Schemas['Layers'] = {
  table: true,
  now: true,
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
/** Text against the sheet's width: three sheets share the room of one. */
const TEXT_SHARE = 0.026;

/** Every look on this dog, those asked for drawn; null until the first answer. */
export function useOffers(shown: Schemas['LookId'][]): Schemas['Offers'] | null {
  const { dog, entries, house, kit, before } = useVisitWork();
  const [offers, setOffers] = useState<Schemas['Offers'] | null>(null);
  const options = { sheet: 'side', layers: LAYERS, text_share: TEXT_SHARE };
  const key = JSON.stringify({ desk: { dog, entries, house, kit, before, options }, shown });
  useEffect(() => {
    let isNewest = true;
    const timer = setTimeout(() => {
      const body = JSON.parse(key) as Schemas['ConsultRequest'];
      ask(api.POST('/api/consult', { body })).then(
        (answer) => {
          if (isNewest) setOffers(answer);
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
  return offers;
}
