import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { Choice, Plain } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { useVisitWork } from '../../../shared/visit/context';

type Hand = Schemas['Hand'];
type WorkZone = Schemas['WorkZone'];

/** A quick reading at the step in hand: comb out, lay the rule in, say what stands. */
export function ReadPanel(props: {
  step: number;
  zones: WorkZone[];
  told: string[];
  onSay: (event: Schemas['RunEvent']) => void;
}) {
  const work = useVisitWork();
  const { zones } = props;
  const [zone, setZone] = useState(zones[0]?.zone ?? null);
  const [hand, setHand] = useState<Hand | 'both'>('both');
  const [round, setRound] = useState(0);
  const [written, setWritten] = useState<string | null>(null);
  const chosen = zones.find((z) => z.zone === zone);
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">What stands now?</h2>
      <p className="pb-2">Comb out, lay the rule to the skin, read.</p>
      <div className="flex flex-wrap gap-1.5 pb-2" role="group" aria-label="Where">
        {zones.map((z) => (
          <Plain key={z.zone} pressed={z.zone === zone} onClick={() => setZone(z.zone)}>
            {z.label}
          </Plain>
        ))}
      </div>
      {chosen?.is_pair && (
        <Choice<Hand | 'both'>
          label="Side"
          hideLabel
          options={[{ value: 'both', label: 'Both' }, ...work.words.choices.hands]}
          value={hand}
          onChange={setHand}
        />
      )}
      {chosen && (
        <LengthField
          key={`${chosen.zone}.${hand}.${round}`}
          name={`${work.visitId}.read.${props.step}.${chosen.zone}.${hand}`}
          label={`Stands, ${chosen.label}`}
          valueMm={null}
          isForGood
          units={work.house.units}
          readOn={{ place: chosen.label, mostMm: chosen.most_mm ?? null }}
          onValue={(mm) => {
            if (mm === null) return;
            props.onSay({
              event: 'measured',
              step: props.step,
              zone: chosen.zone,
              hand: hand === 'both' ? null : hand,
              left_mm: mm,
            });
            setRound((n) => n + 1);
          }}
          onAway={(typed) => {
            props.onSay({
              event: 'measured_as',
              step: props.step,
              zone: chosen.zone,
              hand: hand === 'both' ? null : hand,
              typed,
              units: work.house.units,
            });
            setWritten(
              `${chosen.label}: ${typed} is written down, and read when Veliform is back.`,
            );
            setRound((n) => n + 1);
          }}
        />
      )}
      <div className="pb-2">
        {/* Touching it leaves the field, and that writes the reading down. */}
        <Plain onClick={() => undefined}>Write it down</Plain>
      </div>
      <div role="status">
        {written && <p className="py-1">{written}</p>}
        <ul>
          {props.told.map((told) => (
            <li key={told} className="border-t border-line py-2 text-lg font-bold">
              {told}
            </li>
          ))}
        </ul>
      </div>
    </>
  );
}
