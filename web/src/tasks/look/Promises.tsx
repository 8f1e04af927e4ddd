import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Said } from '../../shared/ui/controls';

type OwnLook = Schemas['OwnLook'];
type Upkeep = Schemas['OwnUpkeep'];

const FIELDS: [keyof Upkeep, string][] = [
  ['brushing_minutes_a_week', 'brushing, min a week'],
  ['weeks_from', 'back after, weeks'],
  ['weeks_to', 'at most, weeks'],
];

/** What the owner takes on with a look of our own, and what to mind in the order of work. */
export function Promises({ own, onChange }: { own: OwnLook; onChange: (own: OwnLook) => void }) {
  const [note, setNote] = useState(own.order_note ?? '');
  return (
    <>
      <Taken upkeep={own.upkeep ?? null} onUpkeep={(upkeep) => onChange({ ...own, upkeep })} />
      <label className="block pt-2">
        <span className="text-sm text-soft">To mind in the order of work</span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3"
          maxLength={200}
          value={note}
          onChange={(e) => setNote(e.target.value)}
          onBlur={() => {
            if (note !== (own.order_note ?? '')) onChange({ ...own, order_note: note });
          }}
        />
      </label>
    </>
  );
}

/** Three numbers, all or none. */
function Taken(props: { upkeep: Upkeep | null; onUpkeep: (upkeep: Upkeep | null) => void }) {
  const [typed, setTyped] = useState(
    FIELDS.map(([name]) => (props.upkeep ? String(props.upkeep[name]) : '')),
  );
  const [sorry, setSorry] = useState(false);
  const say = () => {
    const given = typed.filter((text) => text.trim() !== '').length;
    setSorry(given > 0 && given < FIELDS.length);
    if (given === 0 && props.upkeep) props.onUpkeep(null);
    if (given < FIELDS.length) return;
    const [minutes = 0, from = 0, to = 0] = typed.map(Number);
    const isWhole = [minutes, from, to].every((n) => Number.isInteger(n) && n >= 0);
    setSorry(!isWhole);
    if (isWhole)
      props.onUpkeep({ brushing_minutes_a_week: minutes, weeks_from: from, weeks_to: to });
  };
  return (
    <fieldset className="pt-2">
      <legend className="text-sm text-soft">The owner takes on, medium dog</legend>
      <div className="grid grid-cols-3 gap-2">
        {FIELDS.map(([name, label], i) => (
          <label key={name} className="flex flex-col justify-end text-sm">
            {label}
            <input
              className="h-12 w-full border border-ink bg-sheet px-2 text-right font-mono"
              inputMode="numeric"
              value={typed[i]}
              onChange={(e) => setTyped(typed.map((t, j) => (j === i ? e.target.value : t)))}
              onBlur={say}
            />
          </label>
        ))}
      </div>
      {sorry && <Said>Type all three as whole numbers, or leave all three empty.</Said>}
    </fieldset>
  );
}
