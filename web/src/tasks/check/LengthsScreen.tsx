import type { Schemas } from '../../shared/api/client';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Disclosed } from '../../shared/ui/Disclosed';
import { MarginHead } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { CheckTabs } from './CheckTabs';
import { CheckTape } from './CheckTape';
import { ResultFields } from './ResultFields';
import { TouchUps } from './TouchUps';
import { useFinish } from './useFinish';

/** Every length that was left, by tape or typed, with what it was cut by, and the balance it gave. */
export function LengthsScreen() {
  const work = useVisitWork();
  const report = useFinish();
  return (
    <WorkScreen
      title="Lengths left"
      isWide
      margin={
        <>
          <CheckTabs />
          {report ? <Lengths report={report} /> : <p>One moment.</p>}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/check`}>Walk round</BigLink>}
    />
  );
}

function Lengths({ report }: { report: Schemas['FinishReport'] }) {
  const quick = report.rows.filter((r) => r.is_quick);
  const others = report.rows.filter((r) => !r.is_quick);
  return (
    <>
      <TouchUps report={report} />
      <MarginHead>What was left</MarginHead>
      <CheckTape rows={quick} />
      {quick.map((row) => (
        <ResultFields key={row.zone} row={row} />
      ))}
      <Disclosed says="More zones">
        {others.map((row) => (
          <ResultFields key={row.zone} row={row} />
        ))}
      </Disclosed>
      {report.measured > 0 && <CameOut rows={report.balance} />}
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
