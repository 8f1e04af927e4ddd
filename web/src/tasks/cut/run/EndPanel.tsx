import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';
import { useKeptText } from '../../../shared/visit/useKeptText';

type RunEnd = Schemas['RunEnd'];

/** Breaks a groom off cleanly: how, and why. */
export function EndPanel(props: {
  visitId: string;
  onEnd: (how: RunEnd, reason: string) => void;
  onBack: () => void;
}) {
  const ends = useVisitWork().words.run_ends.filter((end) => end.how !== 'finished');
  const [how, setHow] = useState<RunEnd>('vet_first');
  const [reason, setReason] = useKeptText(`${props.visitId}.end`);
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Stop the groom here</h2>
      <div className="grid gap-2 py-3">
        {ends.map((end) => (
          <Plain key={end.how} onClick={() => setHow(end.how)} pressed={how === end.how}>
            {end.label}
          </Plain>
        ))}
      </div>
      <p className="pb-2">{ends.find((e) => e.how === how)?.means}</p>
      <label className="block">
        <span className="text-sm text-soft">Why</span>
        <textarea
          className="block w-full border border-ink bg-sheet p-2 text-lg"
          rows={2}
          maxLength={200}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-2 pt-3">
        <Plain
          onClick={() => {
            props.onEnd(how, reason);
            setReason('');
          }}
        >
          Stop here
        </Plain>
        <Plain onClick={props.onBack}>Go on</Plain>
      </div>
    </>
  );
}
