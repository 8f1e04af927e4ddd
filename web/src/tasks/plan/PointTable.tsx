import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import type { Schemas } from '../../shared/api/client';

const VERDICTS: Record<Schemas['Verdict'], string> = {
  in_range: 'right',
  within_tolerance: 'near',
  off: 'off',
};

/** Every balance point: now, plan, what is asked, verdict. */
export function PointTable({ rows }: { rows: Schemas['BalanceRow'][] }) {
  return (
    <Disclosure as="div" className="pt-4">
      <DisclosureButton className="min-h-12 w-full border border-ink px-3 text-left font-bold">
        All {rows.length} points
      </DisclosureButton>
      <DisclosurePanel>
        <table className="w-full text-sm">
          <caption className="sr-only">Balance points of the side view</caption>
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
                  {row.label}
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
      </DisclosurePanel>
    </Disclosure>
  );
}
