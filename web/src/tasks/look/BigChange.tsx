import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

/** A big change: old beside new, half-way, and who agreed to it. */
export function BigChange(props: {
  change: Schemas['ChangeHere'];
  isBeside: boolean;
  onBeside: (isBeside: boolean) => void;
}) {
  const work = useVisitWork();
  const { change } = props;
  const agreed = work.evaluation.visit.change_agreed ?? '';
  const [name, setName] = useState(agreed);
  return (
    <section aria-label="A big change" className="mb-3 border-2 border-pin p-3" data-big-change>
      <p className="font-bold">{change.sentence}</p>
      <div className="flex flex-wrap gap-2 pt-2">
        <Plain pressed={props.isBeside} onClick={() => props.onBeside(!props.isBeside)}>
          Old beside new
        </Plain>
        <Plain
          onClick={() => {
            for (const { zone, limit } of change.half_way)
              work.say({ kind: 'limit_set', zone, limit });
          }}
        >
          Half-way first
        </Plain>
      </div>
      <label className="block pt-2">
        <span className="text-sm text-soft">Agreed by, name</span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3"
          maxLength={60}
          value={name}
          onChange={(e) => setName(e.target.value)}
          onBlur={() => {
            if (name.trim() !== agreed) work.say({ kind: 'change_agreed', name });
          }}
        />
      </label>
    </section>
  );
}
