import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Aged } from './StillSo';

/** One felt grade; left and right apart where they can differ and are asked for. */
export function FeltRow({ word, canPart }: { word: Schemas['FeltWord']; canPart: boolean }) {
  const work = useVisitWork();
  const { felt, felt_right } = work.evaluation.visit.frame;
  const grade = felt[word.felt] ?? null;
  const right = felt_right?.[word.felt] ?? null;
  const parts = word.is_paired && canPart;
  return (
    <div className="pb-3" data-felt={word.felt}>
      <p className="font-bold">{word.label}</p>
      <p className="pb-1 text-sm text-soft">{word.how}</p>
      {parts && <p className="text-sm">Left, or both</p>}
      <Choice
        label={word.label}
        hideLabel
        options={work.words.choices.grades}
        value={grade}
        onChange={(next) =>
          work.say({ kind: 'felt_set', felt: word.felt, grade: next, right: right })
        }
      />
      <Aged known={{ of: 'felt', which: word.felt }} label={word.label} />
      {parts && grade !== null && (
        <>
          <p className="pt-1 text-sm">Right, where it differs</p>
          <Choice
            label={`${word.label}, right`}
            hideLabel
            options={work.words.choices.grades}
            value={right ?? grade}
            onChange={(next) => work.say({ kind: 'felt_set', felt: word.felt, grade, right: next })}
          />
        </>
      )}
    </div>
  );
}
