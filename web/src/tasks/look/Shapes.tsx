import type { Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';

type OwnLook = Schemas['OwnLook'];

/** Legs, feet and head of a look of our own. */
export function Shapes({ own, onChange }: { own: OwnLook; onChange: (own: OwnLook) => void }) {
  const { fore, hind, feet, heads } = useVisitWork().words.own_look;
  return (
    <>
      <Of
        label="Front legs"
        value={own.fore ?? null}
        options={fore.map((w) => [w.fore, w.label])}
        onChange={(value) => onChange({ ...own, fore: value })}
      />
      <Of
        label="Hind legs from behind"
        value={own.hind ?? null}
        options={hind.map((w) => [w.hind, w.label])}
        onChange={(value) => onChange({ ...own, hind: value })}
      />
      <Of
        label="Feet"
        value={own.foot ?? null}
        options={feet.map((w) => [w.foot, w.label])}
        onChange={(value) => onChange({ ...own, foot: value })}
      />
      <Of
        label="Head"
        value={own.head ?? null}
        options={heads.map((w) => [w.head, w.label])}
        onChange={(value) => onChange({ ...own, head: value })}
      />
    </>
  );
}

function Of<T extends string>(props: {
  label: string;
  value: T | null;
  options: (readonly [T, string])[];
  onChange: (value: T | null) => void;
}) {
  return (
    <label className="block pt-2">
      <span className="text-sm text-soft">{props.label}</span>
      <select
        className="min-h-12 w-full border border-ink bg-sheet px-2"
        value={props.value ?? ''}
        onChange={(e) => props.onChange(e.target.value === '' ? null : (e.target.value as T))}
      >
        <option value="">as the look has them</option>
        {props.options.map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}
