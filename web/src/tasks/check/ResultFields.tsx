import type { Schemas } from '../../shared/api/client';
import { LengthField } from '../../shared/ui/LengthField';
import { lengthText, unitName } from '../../shared/units/show';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { DoneOtherwise } from './DoneOtherwise';
import { useRecord } from '../../shared/visit/useRecord';
import { capital } from '../../shared/units/capital';

type Result = Schemas['ZoneResult'];

/** What a zone was really left at: one field, or two where it stands twice. */
export function ResultFields({ row }: { row: Schemas['ResultRow'] }) {
  const work = useVisitWork();
  const { units } = work.house;
  const { zone } = row;
  const put = useRecord<Result>(work.evaluation.visit.results?.[zone] ?? row.result, (result) =>
    work.say({ kind: 'result_set', zone, result }),
  );
  // What was refused still stands in its field.
  const recorded = work.evaluation.visit.results?.[zone];
  const field = (side: 'left_mm' | 'right_mm', label: string) => (
    <LengthField
      name={`${work.visitId}.result.${side}.${zone}`}
      label={label}
      valueMm={recorded?.[side] ?? null}
      units={units}
      estimateMm={row.planned_mm}
      readOn={{ place: label, mostMm: row.most_mm ?? null }}
      problem={problemOf(work, `result.${row.label}`)?.message}
      onValue={(mm) => put({ [side]: mm })}
    />
  );
  const label = capital(row.label);
  const off = row.off_mm != null && Math.abs(row.off_mm) >= 0.5;
  return (
    <div className="border-t border-line py-1" data-result={zone}>
      {field('left_mm', row.is_pair ? `${label}, left` : label)}
      {row.is_pair && field('right_mm', `${label}, right`)}
      <p className="text-sm text-soft">
        {row.tool}
        {off && row.off_mm != null && (
          <b className="text-ink">
            {' '}
            {lengthText(Math.abs(row.off_mm), units)} {unitName(units)}{' '}
            {row.off_mm > 0 ? 'longer' : 'shorter'} than planned
          </b>
        )}
      </p>
      <DoneOtherwise label={label} result={recorded ?? row.result} onChange={put} />
    </div>
  );
}
