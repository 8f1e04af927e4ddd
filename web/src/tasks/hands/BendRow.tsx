import { bendOf } from '../../shared/dog/bend';
import { Choice } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Aged } from './StillSo';

export function BendRow() {
  const work = useVisitWork();
  const { label, how, answers } = work.words.bend;
  const { felt } = work.evaluation.visit.frame;
  const now = bendOf(felt, answers);
  const say = (bend: string) => {
    const next = answers.find((answer) => answer.bend === bend);
    if (!next) return;
    work.say({ kind: 'felt_set', felt: next.felt, grade: next.grade });
    // Only an answer that says nothing of its own leaves the other's standing.
    if (next.grade === 'none' && now && now.felt !== next.felt)
      work.say({ kind: 'felt_set', felt: now.felt, grade: 'none' });
  };
  return (
    <div className="pb-3" data-felt="straight_behind">
      <p className="font-bold">{label}</p>
      <p className="pb-1 text-sm text-soft">{how}</p>
      <Choice
        label={label}
        hideLabel
        options={answers.map((answer) => ({ value: answer.bend, label: answer.label }))}
        value={now?.bend ?? null}
        onChange={say}
        columns={5}
      />
      <Aged known={{ of: 'felt', which: now?.felt ?? 'straight_behind' }} label={label} />
    </div>
  );
}
