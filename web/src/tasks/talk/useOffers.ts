import { api, ask, type Schemas } from '../../shared/api/client';
import { besideOptions } from '../../shared/sheet/beside';
import { useVisitWork } from '../../shared/visit/context';
import { useAsked, type Asked } from '../../shared/visit/useAnswer';

/** Solves every look. */
const AFTER_MS = 150;

/** Every look on this dog, those asked for drawn; no answer until the first. */
export function useOffers(shown: Schemas['LookId'][]): Asked<Schemas['Offers']> {
  const { desk } = useVisitWork();
  const options = besideOptions({ now: true });
  const body: Schemas['ConsultRequest'] = {
    desk: { ...desk, options },
    shown,
  };
  return useAsked(body, AFTER_MS, (b) => ask(api.POST('/api/consult', { body: b })));
}
