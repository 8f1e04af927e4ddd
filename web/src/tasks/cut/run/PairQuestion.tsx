import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { useVisitWork } from '../../../shared/visit/context';

/** A pair is brought together before its step counts as done. */
export function PairQuestion(props: {
  step: number;
  how: string;
  onCompared: (longer: Schemas['Hand'], byMm: number) => void;
}) {
  const work = useVisitWork();
  const [byMm, setBy] = useState<number | null>(null);
  return (
    <div className="mt-2 border-t border-line pt-2" role="group" aria-label="The pair">
      <p className="text-lg font-bold">{props.how}: alike?</p>
      <LengthField
        name={`${work.visitId}.pair.${props.step}`}
        label="If not, longer by"
        valueMm={byMm}
        units={work.house.units}
        onValue={setBy}
      />
      <div className="grid grid-cols-2 gap-2">
        <Plain onClick={() => props.onCompared('left', byMm ?? 0)}>Left longer</Plain>
        <Plain onClick={() => props.onCompared('right', byMm ?? 0)}>Right longer</Plain>
      </div>
    </div>
  );
}
