import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { WrittenLine } from '../../shared/ui/WrittenLine';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { useVisitWork } from '../../shared/visit/context';
import { Aims } from './Aims';
import { Promises } from './Promises';
import { Shapes } from './Shapes';

type OwnLook = Schemas['OwnLook'];

/** What differs from the look it was copied from; whatever is left empty is the base's own. */
export function OwnLookForm(props: {
  own: OwnLook;
  onChange: (own: OwnLook) => void;
  onPutAway: () => void;
}) {
  const { own, onChange } = props;
  const { words, house } = useVisitWork();
  const [zone, setZone] = useState<Schemas['Zone'] | null>(null);
  const label = words.zones.find((z) => z.zone === zone)?.label;
  const lengths = own.lengths_mm ?? {};
  return (
    <div className="border-l-4 border-ink pt-2 pl-3">
      <WrittenLine
        name={`own.${own.id}.name`}
        label="Its name"
        value={own.name}
        onText={(name) => {
          if (name.trim() !== '') onChange({ ...own, name: name.trim() });
        }}
      />
      <ZonePicker zones={words.zones} value={zone} onChange={setZone} />
      {zone && (
        <LengthField
          key={zone}
          name={`own.${own.id}.${zone}`}
          label={`${label ?? zone}, on a dog of 450 mm`}
          valueMm={lengths[zone] ?? null}
          units={house.units}
          onValue={(mm) => {
            const others = Object.entries(lengths).filter(([name]) => name !== zone);
            const next = mm === null ? others : [...others, [zone, mm] as const];
            onChange({ ...own, lengths_mm: Object.fromEntries(next) });
          }}
        />
      )}
      <Aims own={own} onChange={onChange} />
      <Shapes own={own} onChange={onChange} />
      <Promises own={own} onChange={onChange} />
      <p className="text-sm text-soft">
        Ways of working of this look: on <i>Ways of working</i>, an answer that holds for{' '}
        <i>This look</i>.
      </p>
      <div className="flex flex-wrap items-center gap-x-6 pt-2">
        <Plain onClick={props.onPutAway}>Put it away</Plain>
        <a
          href={`/api/looks/${own.id}/file`}
          download
          className="flex min-h-12 items-center font-bold text-chalk underline"
        >
          Its look file
        </a>
      </div>
    </div>
  );
}
