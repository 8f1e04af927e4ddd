import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Pick } from '../../shared/ui/Pick';
import { Said } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

type OwnLook = Schemas['OwnLook'];
type Aim = Schemas['Aim'];
type Range = Schemas['RatioRange'];

const JUDGED = [
  { value: null, label: 'as the look is' },
  { value: '0.75', label: 'sharply: three quarters of its tolerances' },
  { value: '1.5', label: 'loosely: half as much again' },
  { value: '2.5', label: 'as combs alone leave it: two and a half times' },
];

/** What the look aims at, one range at a time, and how sharply it is judged. */
export function Aims({ own, onChange }: { own: OwnLook; onChange: (own: OwnLook) => void }) {
  const { aims: words } = useVisitWork().words;
  const [aim, setAim] = useState<Aim>('body_ratio');
  const word = words.find((w) => w.aim === aim);
  const set = own.aims ?? {};
  const keep = (range: Range | null) => {
    const others = Object.entries(set).filter(([name]) => name !== aim);
    const next = range ? [...others, [aim, range] as const] : others;
    onChange({ ...own, aims: Object.fromEntries(next) });
  };
  return (
    <>
      <Pick
        label="Aims at"
        options={words.map((w) => ({
          value: w.aim,
          label: `${set[w.aim] ? '● ' : ''}${w.label}`,
        }))}
        value={aim}
        onPick={setAim}
      />
      {word && <RangeField key={aim} word={word} range={set[aim] ?? null} onRange={keep} />}
      <Pick
        label="Judged"
        options={JUDGED}
        value={own.tolerance?.toString() ?? null}
        onPick={(value) => onChange({ ...own, tolerance: value === null ? null : Number(value) })}
      />
    </>
  );
}

/** Two numbers, typed as they are said. */
function RangeField(props: {
  word: Schemas['AimWord'];
  range: Range | null;
  onRange: (range: Range | null) => void;
}) {
  const { word, range } = props;
  const [typed, setTyped] = useState(range ? `${range.from} to ${range.to}` : '');
  const [sorry, setSorry] = useState(false);
  const say = () => {
    if (typed.trim() === '') {
      setSorry(false);
      if (range) props.onRange(null);
      return;
    }
    const [from, to] = typed
      .replaceAll(',', '.')
      .split(/\s*(?:to|–|…|;)\s*/)
      .map(Number);
    const isRange =
      from !== undefined && to !== undefined && from < to && from >= word.from && to <= word.to;
    setSorry(!isRange);
    if (isRange) props.onRange({ from, to });
  };
  return (
    <label className="block pt-2">
      <span className="text-sm text-soft">{word.label}, from and to</span>
      <input
        className="h-12 w-full border border-ink bg-sheet px-3 font-mono"
        placeholder="as the look has it"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={say}
      />
      {sorry && (
        <Said>
          “{typed}” is no range here; type two numbers such as 0.30 to 0.36, between {word.from} and{' '}
          {word.to}.
        </Said>
      )}
    </label>
  );
}
