import { useState } from 'react';
import { useChoices, wordOf } from '../../shared/api/choices';
import type { Schemas } from '../../shared/api/client';
import type { House } from '../../shared/api/salon';
import { Choice, MarginHead, Plain } from '../../shared/ui/controls';
import { numberOf } from '../../shared/ui/NumberField';

/** The clippers: what each takes, so that no plan pairs what does not fit, and how long it runs. */
export function Clippers(props: {
  house: House;
  onHouse: (next: House, then?: { onSuccess: () => void }) => void;
}) {
  const { house } = props;
  const { clipper_fits } = useChoices();
  const [name, setName] = useState('');
  const [takes, setTakes] = useState<Schemas['ClipperFit']>('detachable');
  const [minutes, setMinutes] = useState('');
  const runs = numberOf(minutes);
  const isNumber = runs === null || Number.isInteger(runs);
  const add = () => {
    const clipper = { name: name.trim(), takes, runs_minutes: runs ?? null };
    // What is refused stays typed.
    props.onHouse(
      { ...house, clippers: [...house.clippers, clipper] },
      {
        onSuccess: () => {
          setName('');
          setMinutes('');
        },
      },
    );
  };
  return (
    <section aria-label="Clippers">
      <MarginHead>Clippers</MarginHead>
      <ul>
        {house.clippers.map((clipper, n) => (
          <li
            key={`${n} ${clipper.name}`}
            className="flex items-center gap-2 border-t border-line py-1"
          >
            <span className="flex-1">
              <b>{clipper.name}</b>, {wordOf(clipper_fits, clipper.takes).toLowerCase()}
              {clipper.runs_minutes ? `, ${clipper.runs_minutes} min on a charge` : ''}
            </span>
            <Plain
              label={`Take off: ${clipper.name}`}
              onClick={() =>
                props.onHouse({ ...house, clippers: house.clippers.filter((_, i) => i !== n) })
              }
            >
              Take off
            </Plain>
          </li>
        ))}
      </ul>
      <label className="block pt-2">
        <span className="text-sm text-soft">Another clipper</span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3"
          value={name}
          maxLength={40}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <Choice
        label="Takes"
        columns={2}
        options={clipper_fits ?? []}
        value={takes}
        onChange={setTakes}
      />
      <label className="block pt-2">
        <span className="text-sm text-soft">Minutes on a charge; empty on a cord</span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3 font-mono"
          inputMode="numeric"
          value={minutes}
          aria-invalid={!isNumber}
          onChange={(e) => setMinutes(e.target.value)}
        />
      </label>
      <Plain onClick={add} disabled={name.trim() === '' || !isNumber}>
        Add the clipper
      </Plain>
    </section>
  );
}
