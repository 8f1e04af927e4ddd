import { useEffect, useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import { DeviceBox } from '../../shared/devices/DeviceBox';
import { seedOf, useDevice } from '../../shared/devices/useDevice';
import { Plain } from '../../shared/ui/controls';
import { lengthText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';

type Row = Schemas['ResultRow'];
type Side = 'left_mm' | 'right_mm';

/** The tape stand-in reads what was left: the quick zones not measured yet, both sides of a pair. */
export function CheckTape({ rows }: { rows: Row[] }) {
  const work = useVisitWork();
  const { heard, start, stop } = useDevice();
  const { units } = work.house;
  // The second side of a pair is added to the first, which the page knows by then or not.
  const read = useRef<Partial<Record<Schemas['Zone'], Schemas['ZoneResult']>>>({});
  useEffect(() => {
    read.current = { ...work.evaluation.visit.results };
  }, [work.evaluation.visit.results]);
  const begin = () => {
    const asked = rows.flatMap((row): [Row, Side][] => {
      const sides: Side[] = row.is_pair ? ['left_mm', 'right_mm'] : ['left_mm'];
      return sides.filter((side) => row.result[side] == null).map((side) => [row, side]);
    });
    start({
      kind: 'tape',
      query: {
        visit: work.visitId,
        zones: asked.map(([row]) => row.zone).join(','),
        seed: seedOf(work.dog.id),
      },
      count: asked.length,
      onReading: (nth, mm) => {
        const [row, side] = asked[nth] ?? [];
        if (!row || !side) return '';
        const result = { ...(read.current[row.zone] ?? row.result), [side]: mm };
        read.current = { ...read.current, [row.zone]: result };
        work.say({ kind: 'result_set', zone: row.zone, result });
        return `${row.label}: ${lengthText(mm, units)} ${unitName(units)}`;
      },
    });
  };
  return (
    <DeviceBox heard={heard} onStop={() => stop(null)}>
      <Plain onClick={begin}>Simulated tape</Plain>
    </DeviceBox>
  );
}
