import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import { useKeptText } from '../../../shared/visit/useKeptText';

type RunEnd = Schemas['RunEnd'];

const ENDS: { how: RunEnd; label: string; words: string }[] = [
  {
    how: 'vet_first',
    label: 'Vet first',
    words: 'A vet should look before the groom goes on. What was done stays on the record.',
  },
  {
    how: 'dog_had_enough',
    label: 'The dog has had enough',
    words: 'A shorter, calmer trim is the right answer for some. The rest waits for another day.',
  },
  {
    how: 'taken_away',
    label: 'The owner takes the dog',
    words: 'What is not done is written down for the next visit.',
  },
];

/** Breaks a groom off cleanly: how, and why. */
export function EndPanel(props: {
  visitId: string;
  onEnd: (how: RunEnd, reason: string) => void;
  onBack: () => void;
}) {
  const [how, setHow] = useState<RunEnd>('vet_first');
  const [reason, setReason] = useKeptText(`${props.visitId}.end`);
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Stop the groom here</h2>
      <div className="grid gap-2 py-3">
        {ENDS.map((end) => (
          <Plain key={end.how} onClick={() => setHow(end.how)} pressed={how === end.how}>
            {end.label}
          </Plain>
        ))}
      </div>
      <p className="pb-2">{ENDS.find((e) => e.how === how)?.words}</p>
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
