import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { useVisitWork } from '../../../shared/visit/context';

/** A pair is brought together before its step counts as done. */
export function PairQuestion(props: {
  step: number;
  what: string;
  how: string;
  onAlike: () => void;
  onLonger: (longer: Schemas['Hand'], byMm: number) => void;
}) {
  const work = useVisitWork();
  const [byMm, setBy] = useState<number | null>(null);
  return (
    <div role="group" aria-label="The pair">
      <p className="text-soft">{props.what}</p>
      <h2 className="text-[34px] leading-[1.1] font-bold" data-step={props.step}>
        Same length?
      </h2>
      <p className="py-2 text-2xl leading-snug">{props.how}.</p>
      <div className="grid gap-2 pb-2 [&>button]:min-h-16">
        <Plain onClick={props.onAlike}>Same length</Plain>
      </div>
      <LengthField
        name={`${work.visitId}.pair.${props.step}`}
        label="If not, longer by"
        valueMm={byMm}
        units={work.house.units}
        onValue={setBy}
      />
      <div className="grid grid-cols-2 gap-2 [&>button]:min-h-16">
        <Plain onClick={() => props.onLonger('left', byMm ?? 0)}>Left longer</Plain>
        <Plain onClick={() => props.onLonger('right', byMm ?? 0)}>Right longer</Plain>
      </div>
    </div>
  );
}
