import type { Schemas } from '../../shared/api/client';
import { type Asked, useCore } from '../../shared/api/useCore';
import { besideOptions } from '../../shared/sheet/beside';
import { useVisitWork } from '../../shared/visit/context';

/** Solves every look. */
const AFTER_MS = 150;

/** Every look on this dog, the one asked for drawn large; no answer until the first. */
export function useOffers(laid: Schemas['LookId'] | null): Asked<Schemas['Offers']> {
  const { desk } = useVisitWork();
  const body: Schemas['ConsultRequest'] = {
    desk: { ...desk, options: OPTIONS },
    shown: laid ? [laid] : [],
  };
  return useCore('/api/consult', body, AFTER_MS);
}

/** An owner sees the dog, in the look and as it came; no rule, no number. */
const OPTIONS = besideOptions({ now: true, table: false });
