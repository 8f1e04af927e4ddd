import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { lengthText } from '../../shared/units/show';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { ageOf } from '../../shared/visit/known';
import { useRecord } from '../../shared/visit/useRecord';
import { Aged } from './StillSo';

export const ORIGINS: Record<Schemas['Origin'], string> = {
  tape: 'by tape',
  height_stick: 'by height stick',
  caliper: 'by caliper',
  photo: 'off a photo',
  drawn: 'set on the drawing',
  angle_rule: 'by angle rule',
  felt: 'felt',
  estimated: 'estimated',
};

/** What reads a measure while a method is in hand, as the core says it. */
export function methodFor(
  word: Schemas['MeasureWord'] | undefined,
  inHand: Schemas['Method'],
): Schemas['Method'] {
  return word?.read_by[inHand] ?? inHand;
}

/** One measure: left and right apart where the dog has two, with its doubt, source and problem. */
export function MeasureField(props: {
  word: Schemas['MeasureWord'];
  method: Schemas['Method'];
  canPart: boolean;
}) {
  const work = useVisitWork();
  const { measure, label, how, field, is_paired } = props.word;
  const taken = work.evaluation.visit.frame.measures[measure];
  const value = work.evaluation.frame.find((v) => v.measure === measure);
  const [isApart, setApart] = useState(false);
  const { units } = work.house;
  const problem = problemOf(work, field);
  const parts = is_paired && props.canPart && (isApart || taken?.right_mm != null);
  const record: Schemas['TakenMeasure'] = taken ?? {
    value_mm: value?.value_mm ?? 0,
    right_mm: null,
    method: 'tape',
    is_confirmed: false,
  };
  const say = useRecord(record, (whole) =>
    work.say({ kind: 'measure_set', measure, taken: whole }),
  );
  // What is read anew is read by the method in hand, and is not confirmed yet.
  const put = (change: Partial<Schemas['TakenMeasure']>) =>
    say({
      method: methodFor(props.word, props.method),
      doubt_mm: null,
      is_confirmed: false,
      ...change,
    });
  const before = useLastTime(measure);
  const isAged = ageOf(work, { of: 'measure', which: measure }) !== null;
  return (
    <div data-measure={measure} className="pb-1">
      <LengthField
        name={`${work.visitId}.${measure}`}
        label={parts ? `${label}, left` : label}
        valueMm={taken?.value_mm ?? null}
        {...(value ? { estimateMm: value.value_mm } : {})}
        units={units}
        onValue={(mm) =>
          mm === null ? work.say({ kind: 'measure_cleared', measure }) : put({ value_mm: mm })
        }
        aside={
          value ? `±${lengthText(value.doubt_mm, units)}, ${ORIGINS[value.origin]}` : undefined
        }
        hint={how}
        problem={problem?.message}
      />
      {parts && (
        <LengthField
          name={`${work.visitId}.${measure}.right`}
          label={`${label}, right`}
          valueMm={taken?.right_mm ?? null}
          {...(value ? { estimateMm: value.value_mm } : {})}
          units={units}
          onValue={(right_mm) => put({ right_mm })}
        />
      )}
      <Aged known={{ of: 'measure', which: measure }} label={label} />
      <div className="flex flex-wrap gap-2">
        {problem?.severity === 'unusual' && taken && (
          <Plain onClick={() => say({ is_confirmed: true })}>Measured again: it is so</Plain>
        )}
        {is_paired && props.canPart && !parts && (
          <button
            type="button"
            className="min-h-12 text-sm text-chalk underline"
            onClick={() => setApart(true)}
          >
            Left and right apart
          </button>
        )}
      </div>
      {before && !isAged && (
        <p className="text-sm text-soft">
          Last time {lengthText(before.value_mm, units)}
          {work.evaluation.changed.includes(measure) ? ': changed since' : ''}
        </p>
      )}
    </div>
  );
}

function useLastTime(measure: Schemas['Measure']): Schemas['Reading'] | null {
  const { past } = useVisitWork();
  return past?.measures.find((m) => m.measure === measure)?.readings.at(-1) ?? null;
}
