import type { Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';
import { Pick } from '../../shared/ui/Pick';

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
    <Pick<T | null>
      label={props.label}
      options={[
        { value: null, label: 'as the look has them' },
        ...props.options.map(([value, label]) => ({ value, label })),
      ]}
      value={props.value}
      onPick={props.onChange}
    />
  );
}
