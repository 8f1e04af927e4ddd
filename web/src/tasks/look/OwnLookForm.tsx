import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { ZonePicker } from '../../shared/ui/ZonePicker';
import { useVisitWork } from '../../shared/visit/context';

type OwnLook = Schemas['OwnLook'];

/** What differs from the look it was copied from: lengths zone by zone, how long the body reads. */
export function OwnLookForm(props: {
  own: OwnLook;
  onChange: (own: OwnLook) => void;
  onRemove: () => void;
}) {
  const { own, onChange } = props;
  const { words, house } = useVisitWork();
  const [zone, setZone] = useState<Schemas['Zone'] | null>(null);
  const label = words.zones.find((z) => z.zone === zone)?.label;
  const lengths = own.lengths_mm ?? {};
  return (
    <div className="border-l-4 border-ink pt-2 pl-3">
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
      <Ratio own={own} onChange={onChange} />
      <div className="pt-2">
        <Plain onClick={props.onRemove}>Take it out of the salon</Plain>
      </div>
    </div>
  );
}

/** The body's length against its height that is aimed at; empty is the base's own. */
function Ratio({ own, onChange }: { own: OwnLook; onChange: (own: OwnLook) => void }) {
  const [typed, setTyped] = useState(
    own.body_ratio ? `${own.body_ratio.from} to ${own.body_ratio.to}` : '',
  );
  const [sorry, setSorry] = useState(false);
  const say = () => {
    if (typed.trim() === '') {
      setSorry(false);
      if (own.body_ratio) onChange({ ...own, body_ratio: null });
      return;
    }
    const [from, to] = typed
      .replaceAll(',', '.')
      .split(/[^0-9.]+/)
      .filter(Boolean)
      .map(Number);
    const isRange = from !== undefined && to !== undefined && from < to;
    setSorry(!isRange);
    if (isRange) onChange({ ...own, body_ratio: { from, to } });
  };
  return (
    <label className="block pt-2">
      <span className="text-sm text-soft">Body length against height aimed at</span>
      <input
        className="h-12 w-full border border-ink bg-sheet px-3 font-mono"
        placeholder="1.00 to 1.05"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={say}
      />
      {sorry && <Said>“{typed}” is no range; type two numbers such as 1.00 to 1.05.</Said>}
    </label>
  );
}
