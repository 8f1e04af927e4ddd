import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { MarginHead } from '../../shared/ui/controls';
import { lengthText, minutesText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { useRun } from '../../shared/run/useRun';

/** What the record holds of the groom: what was not done, and what was left otherwise. */
export function AtTheTable() {
  const run = useRun();
  const work = useVisitWork();
  const name = (zone: string) => work.words.zones.find((z) => z.zone === zone)?.label ?? zone;
  // What was refused beside its field is no record.
  const isRefused = (zone: string) =>
    work.evaluation.problems.some((p) => p.field === `result.${name(zone)}`);
  const results = Object.entries(work.evaluation.visit.results ?? {}).filter(
    ([zone]) => !isRefused(zone),
  );
  if (!run && results.length === 0) return null;
  return (
    <>
      <MarginHead>At the table</MarginHead>
      {run && (
        <>
          <p>
            {minutesText(run.view.worked_minutes)} worked, planned{' '}
            {minutesText(run.view.run.sheet.minutes)}.{' '}
            <Link className="text-chalk underline" to={`/visit/${work.visitId}/run`}>
              Step by step
            </Link>
          </p>
          <ul className="list-inside list-disc">
            {run.view.put_off.map((off) => (
              <li key={off.step}>{off.words}</li>
            ))}
            {run.view.run.notes.map((note, i) => (
              <li key={`note ${i}`}>{note.text}</li>
            ))}
          </ul>
        </>
      )}
      {results.length > 0 && (
        <ul>
          {results.map(([zone, result]) => (
            <li key={zone} className="flex justify-between border-t border-line py-1">
              <span>{name(zone)}</span>
              <span className="font-mono">{leftText(result, work.house.units)}</span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function leftText(result: Schemas['ZoneResult'], units: Schemas['UnitSystem']): string {
  const sides = [result.left_mm, result.right_mm].filter((mm) => mm != null);
  return `${sides.map((mm) => lengthText(mm, units)).join(' / ')} ${unitName(units)}`;
}
