import type { Schemas } from '../../shared/api/client';
import { DeviceBox } from '../../shared/devices/DeviceBox';
import { seedOf, useDevice } from '../../shared/devices/useDevice';
import { Plain } from '../../shared/ui/controls';
import { lengthText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';

type Kind = Schemas['DeviceKind'];

/**
 * The stand-ins that ship with the program: a simulated tape and height stick that send readings
 * one by one. Each reading goes to the next measure not taken yet, in the order of the hand.
 */
export function DeviceBar({ order }: { order: Schemas['Finding'][] }) {
  const work = useVisitWork();
  const { heard, start, stop } = useDevice();
  const { measures } = work.words;
  const { units } = work.house;
  const begin = (kind: Kind) => {
    const taken = work.evaluation.visit.frame.measures;
    const asked = order
      .filter((f) => f.of === 'measure')
      .map((f) => f.which)
      .filter((m) => !(m in taken) && measures.find((w) => w.measure === m)?.device === kind);
    start({
      kind,
      query: { visit: work.visitId, ask: asked.join(','), seed: seedOf(work.dog.id) },
      count: asked.length,
      onReading: (nth, mm) => {
        const measure = asked[nth];
        if (!measure) return '';
        const reading = { value_mm: mm, method: kind, is_confirmed: false };
        work.say({ kind: 'measure_set', measure, taken: reading });
        const label = measures.find((w) => w.measure === measure)?.label ?? measure;
        return `${label}: ${lengthText(mm, units)} ${unitName(units)}`;
      },
    });
  };
  return (
    <DeviceBox heard={heard} onStop={() => stop(null)}>
      <Plain onClick={() => begin('tape')}>Simulated tape</Plain>
      <Plain onClick={() => begin('height_stick')}>Simulated stick</Plain>
    </DeviceBox>
  );
}
