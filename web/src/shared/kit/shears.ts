import type { Schemas } from '../api/client';
import type { House } from '../api/salon';
import { lengthText } from '../units/show';

type Shears = Schemas['Shears'];

/** A pair in a few words, as its rail has it. */
export function shearsName(pair: Shears, units: House['units']): string {
  const long =
    units === 'inches' ? `${lengthText(pair.long_mm, units)} in` : `${pair.long_mm / 10} cm`;
  const edge = typeof pair.edge === 'object' ? `${pair.edge.toothed.teeth} teeth` : pair.edge;
  const hand = pair.is_left_handed ? 'left-handed' : '';
  return [long, hand, edge === 'smooth' ? pair.form : edge].filter(Boolean).join(' ');
}
