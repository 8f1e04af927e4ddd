import type { Schemas } from '../../shared/api/client';
import { Disclosed } from '../../shared/ui/Disclosed';

const VERDICTS: Record<Schemas['Verdict'], string> = {
  in_range: 'right',
  within_tolerance: 'near',
  off: 'off',
  as_wished: 'as wished',
};

/** Every balance point: now, plan, what is asked, verdict. */
export function PointTable(props: {
  rows: Schemas['BalanceRow'][];
  zones: Schemas['ZoneWord'][];
  chosen: Schemas['Judged'] | null;
  onChoose: (point: Schemas['Judged'] | null) => void;
}) {
  const { rows, chosen } = props;
  const names = (row: Schemas['BalanceRow']) =>
    (row.moved_by ?? [])
      .flatMap((z) => props.zones.filter((w) => w.zone === z))
      .map((w) => w.label);
  return (
    <Disclosed says={`All ${rows.length} points`}>
      <table className="w-full text-sm">
        <caption className="sr-only">Balance points; a touch shows what moves one</caption>
        <thead>
          <tr className="text-left text-soft">
            <th scope="col" className="font-normal">
              point
            </th>
            <th scope="col" className="text-right font-normal">
              now
            </th>
            <th scope="col" className="text-right font-normal">
              plan
            </th>
            <th scope="col" className="pl-2 font-normal">
              verdict
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.judged} className="border-t border-line align-top">
              <th scope="row" className="py-1 text-left font-normal">
                <button
                  type="button"
                  className="min-h-10 text-left underline decoration-line underline-offset-4 aria-pressed:font-bold"
                  aria-pressed={chosen === row.judged}
                  onClick={() => props.onChoose(chosen === row.judged ? null : row.judged)}
                >
                  {row.label}
                </button>
                {chosen === row.judged && (
                  <span className="block">Moved by {names(row).join(', ')}.</span>
                )}
                <span className="block text-soft">asked {row.target}</span>
                {row.frame && <span className="block text-soft">{row.frame}</span>}
              </th>
              <td className="py-1 text-right font-mono">{row.now}</td>
              <td className="py-1 text-right font-mono font-bold">
                {row.plan}
                {row.doubt && (
                  <span className="block text-sm font-normal text-soft">{row.doubt}</span>
                )}
              </td>
              <td className={`py-1 pl-2 ${row.verdict === 'off' ? 'font-bold text-pin' : ''}`}>
                {VERDICTS[row.verdict]}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Disclosed>
  );
}
