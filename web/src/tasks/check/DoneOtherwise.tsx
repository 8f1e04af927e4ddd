import type { Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';
import { Disclosed } from '../../shared/ui/Disclosed';
import { Pick } from '../../shared/ui/Pick';

type Result = Schemas['ZoneResult'];

/** What was used, where it was not what the plan said; the rest is as planned. */
export function DoneOtherwise(props: {
  label: string;
  result: Result;
  onChange: (change: Partial<Result>) => void;
}) {
  const { kit, words } = useVisitWork();
  const { result, onChange } = props;
  const is = result.tool ?? result.under ?? result.stroke ?? null;
  return (
    <Disclosed says={`${props.label}: done otherwise`} isOpen={is !== null}>
      <Pick
        label="Tool"
        value={result.tool ?? null}
        options={orPlanned(kit.map((t) => ({ value: t.id, label: `${t.printed} ${t.kind}` })))}
        onPick={(tool) => onChange({ tool })}
      />
      <Pick
        label="Blade beneath the comb"
        value={result.under ?? null}
        options={orPlanned(words.choices.under)}
        onPick={(under) => onChange({ under })}
      />
      <Pick
        label="Stroke"
        value={result.stroke ?? null}
        options={orPlanned(words.choices.strokes)}
        onPick={(stroke) => onChange({ stroke })}
      />
    </Disclosed>
  );
}

function orPlanned<T extends string>(
  options: { value: T; label: string }[],
): { value: T | null; label: string }[] {
  return [{ value: null, label: 'as planned' }, ...options];
}
