import { api, ask, type Schemas } from '../../shared/api/client';
import { besideOptions } from '../../shared/sheet/beside';
import { useVisitWork } from '../../shared/visit/context';
import { useAnswer } from '../../shared/visit/useAnswer';

/** Solves every look. */
const AFTER_MS = 150;

/** Every look on this dog, those asked for drawn; null until the first answer. */
export function useOffers(shown: Schemas['LookId'][]): Schemas['Offers'] | null {
  const { dog, entries, house, kit, before } = useVisitWork();
  const options = besideOptions({ now: true });
  const body: Schemas['ConsultRequest'] = {
    desk: { dog, entries, house, kit, before, options },
    shown,
  };
  return useAnswer(body, AFTER_MS, (b) => ask(api.POST('/api/consult', { body: b })));
}
