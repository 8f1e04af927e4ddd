import { api, ask, type Schemas } from '../../shared/api/client';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { MarginHead } from '../../shared/ui/controls';
import { useAnswer } from '../../shared/visit/useAnswer';
import { useVisitWork } from '../../shared/visit/context';
import { CheckTape } from './CheckTape';
import { ResultFields } from './ResultFields';

const AFTER_MS = 120;

/** The finish check: a few lengths measured, what to touch up, and where to look. */
export function CheckScreen() {
  const work = useVisitWork();
  const { desk, options } = work;
  const report = useAnswer({ ...desk, options }, AFTER_MS, (body) =>
    ask(api.POST('/api/finish', { body })),
  );
  return (
    <WorkScreen
      title="Check"
      isWide
      margin={report ? <Report report={report} /> : <p>One moment.</p>}
      next={<BigLink to={`/visit/${work.visitId}/keep`}>Write it up</BigLink>}
    />
  );
}

function Report({ report }: { report: Schemas['FinishReport'] }) {
  const quick = report.rows.filter((r) => r.is_quick);
  const others = report.rows.filter((r) => !r.is_quick);
  return (
    <>
      <p role="status" className="text-lg font-bold">
        {report.sentence}
      </p>
      <TouchUps report={report} />
      <MarginHead>What was left</MarginHead>
      <CheckTape rows={quick} />
      {quick.map((row) => (
        <ResultFields key={row.zone} row={row} />
      ))}
      <details>
        <summary className="flex min-h-12 cursor-pointer items-center font-bold text-chalk underline">
          More zones
        </summary>
        {others.map((row) => (
          <ResultFields key={row.zone} row={row} />
        ))}
      </details>
      <MarginHead>Walk round</MarginHead>
      <ol>
        {report.walk.map((place) => (
          <li key={place.from} className="border-t border-line py-2">
            <p className="font-bold">{place.from}</p>
            {place.this_dogs.length > 0 && (
              <p className="border-l-4 border-pin pl-2">Was off: {place.this_dogs.join(', ')}.</p>
            )}
            <p className="text-soft">{place.usual.join(', ')}</p>
          </li>
        ))}
      </ol>
      {report.measured > 0 && <CameOut rows={report.balance} />}
    </>
  );
}

function TouchUps({ report }: { report: Schemas['FinishReport'] }) {
  return (
    <>
      <ol>
        {report.touch_ups.map((touch) => (
          <li key={touch.sentence} className="flex gap-3 border-t border-line py-2" data-touch-up>
            <span className="flex-1 text-lg leading-snug">{touch.sentence}</span>
            <span className="font-mono text-soft">{Math.max(1, Math.ceil(touch.minutes))} min</span>
          </li>
        ))}
      </ol>
      {report.too_short.map((sentence) => (
        <p key={sentence} className="border-t border-line py-2 text-soft">
          {sentence}
        </p>
      ))}
    </>
  );
}

/** Balance points that came out otherwise than planned. */
function CameOut({ rows }: { rows: Schemas['BalanceRow'][] }) {
  const moved = rows.filter((r) => r.now !== r.plan);
  if (moved.length === 0) return null;
  return (
    <>
      <MarginHead>Balance as it came out</MarginHead>
      <table className="w-full text-sm">
        <thead className="text-left text-soft">
          <tr>
            <th className="font-normal">Point</th>
            <th className="font-normal">Planned</th>
            <th className="font-normal">Came out</th>
          </tr>
        </thead>
        <tbody>
          {moved.map((row) => (
            <tr key={row.judged} className="border-t border-line">
              <td className="py-1">{row.label}</td>
              <td className="font-mono">{row.now}</td>
              <td className={`font-mono ${row.verdict === 'off' ? 'font-bold text-pin' : ''}`}>
                {row.plan}
                {row.verdict === 'off' && ' off'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
