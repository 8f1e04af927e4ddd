import type { Schemas } from '../../shared/api/client';
import { UNDER } from '../../shared/api/salon';
import { useVisitWork } from '../../shared/visit/context';

type Result = Schemas['ZoneResult'];

const STROKES: { value: Schemas['StrokeName']; label: string }[] = [
  { value: 'full', label: 'pressed, with the lay' },
  { value: 'against', label: 'against the lay' },
  { value: 'skim', label: 'weight off, skimmed' },
  { value: 'scissor', label: 'by shears' },
];
/** What was used, where it was not what the plan said; the rest is as planned. */
export function DoneOtherwise(props: {
  label: string;
  result: Result;
  onChange: (change: Partial<Result>) => void;
}) {
  const { kit } = useVisitWork();
  const { result, onChange } = props;
  const is = result.tool ?? result.under ?? result.stroke ?? null;
  return (
    <details open={is !== null}>
      <summary className="min-h-12 cursor-pointer py-3 text-sm underline">
        {props.label}: done otherwise
      </summary>
      <Pick
        label="Tool"
        value={result.tool ?? ''}
        options={kit.map((t) => ({ value: t.id, label: `${t.printed} ${t.kind}` }))}
        onPick={(tool) => onChange({ tool })}
      />
      <Pick
        label="Blade beneath the comb"
        value={result.under ?? ''}
        options={UNDER}
        onPick={(under) => onChange({ under: UNDER.find((u) => u.value === under)?.value ?? null })}
      />
      <Pick
        label="Stroke"
        value={result.stroke ?? ''}
        options={STROKES}
        onPick={(stroke) =>
          onChange({ stroke: STROKES.find((s) => s.value === stroke)?.value ?? null })
        }
      />
    </details>
  );
}

function Pick(props: {
  label: string;
  value: string;
  options: { value: string; label: string }[];
  onPick: (value: string | null) => void;
}) {
  return (
    <label className="block pt-1">
      <span className="text-sm text-soft">{props.label}</span>
      <select
        className="h-12 w-full border border-ink bg-sheet px-2"
        value={props.value}
        onChange={(e) => props.onPick(e.target.value || null)}
      >
        <option value="">as planned</option>
        {props.options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </select>
    </label>
  );
}
