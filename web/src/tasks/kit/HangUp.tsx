import { useState } from 'react';
import type { House, Tool } from '../../shared/api/salon';
import { Choice, MarginHead } from '../../shared/ui/controls';
import { AddShears } from './AddShears';
import { AddTool } from './AddTool';

type Kind = Tool['kind'] | 'shears';

const KINDS: { value: Kind; label: string }[] = [
  { value: 'blade', label: 'Blade' },
  { value: 'comb', label: 'Comb' },
  { value: 'shears', label: 'Shears' },
];

/** A blade, a comb or a pair of shears that is new in the salon. */
export function HangUp(props: { house: House; onAdded: (id: string) => void }) {
  const [kind, setKind] = useState<Kind>('comb');
  return (
    <section aria-label="Hang one up">
      <MarginHead>Hang one up</MarginHead>
      <Choice label="Kind" options={KINDS} value={kind} onChange={setKind} />
      {kind === 'shears' ? (
        <AddShears house={props.house} onAdded={props.onAdded} />
      ) : (
        <AddTool kind={kind} units={props.house.units} onAdded={props.onAdded} />
      )}
    </section>
  );
}
