import type { Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';
import type { Option } from '../../shared/ui/controls';
import { Pick } from '../../shared/ui/Pick';

type OwnLook = Schemas['OwnLook'];

/** Legs, feet and head of a look of our own. */
export function Shapes({ own, onChange }: { own: OwnLook; onChange: (own: OwnLook) => void }) {
  const { fore_legs, hind_legs, feet, heads } = useVisitWork().words.choices;
  return (
    <>
      <Of
        label="Front legs"
        value={own.fore ?? null}
        options={fore_legs}
        onChange={(value) => onChange({ ...own, fore: value })}
      />
      <Of
        label="Hind legs from behind"
        value={own.hind ?? null}
        options={hind_legs}
        onChange={(value) => onChange({ ...own, hind: value })}
      />
      <Of
        label="Feet"
        value={own.foot ?? null}
        options={feet}
        onChange={(value) => onChange({ ...own, foot: value })}
      />
      <Of
        label="Head"
        value={own.head ?? null}
        options={heads}
        onChange={(value) => onChange({ ...own, head: value })}
      />
    </>
  );
}

function Of<T extends string>(props: {
  label: string;
  value: T | null;
  options: Option<T>[];
  onChange: (value: T | null) => void;
}) {
  return (
    <Pick<T | null>
      label={props.label}
      options={[{ value: null, label: 'as the look has them' }, ...props.options]}
      value={props.value}
      onPick={props.onChange}
    />
  );
}
