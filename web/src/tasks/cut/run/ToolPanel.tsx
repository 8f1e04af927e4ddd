import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';

type Word = Schemas['ToolWord'];

const WORDS: { word: Word; label: string }[] = [
  { word: 'oiled', label: 'Oiled' },
  { word: 'runs_hot', label: 'Runs hot' },
  { word: 'dull', label: 'Dull: it pulls' },
  { word: 'tooth_missing', label: 'Tooth missing' },
];

/** What is noticed of a blade or comb: the kit knows it from then on. */
export function ToolPanel(props: {
  inHand: string | null;
  onNote: (tool: string, word: Word) => void;
}) {
  const { kit } = useVisitWork();
  const [tool, setTool] = useState(props.inHand);
  const chosen = kit.find((t) => t.id === tool);
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Which tool?</h2>
      <div className="flex flex-wrap gap-1.5 py-2" role="group" aria-label="Which tool">
        {kit
          .filter((t) => !t.retired)
          .map((t) => (
            <Plain key={t.id} pressed={t.id === tool} onClick={() => setTool(t.id)}>
              {t.printed} {t.kind}
            </Plain>
          ))}
      </div>
      {chosen && (
        <div className="grid grid-cols-2 gap-2 pb-2" role="group" aria-label="What of it">
          {WORDS.map(({ word, label }) => (
            <Plain key={word} onClick={() => props.onNote(chosen.id, word)}>
              {label}
            </Plain>
          ))}
        </div>
      )}
      <p className="pb-3 text-soft">
        A missing tooth takes it out of every plan at once, this one too.
      </p>
    </>
  );
}
