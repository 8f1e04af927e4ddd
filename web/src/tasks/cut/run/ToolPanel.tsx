import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import { shearsName } from '../../../shared/kit/shears';
import { Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';

type Word = Schemas['ToolWord'];
/** What is noticed of a blade, a comb or shears: the kit knows it from then on. */
export function ToolPanel(props: {
  inHand: string | null;
  onNote: (tool: string, word: Word) => void;
}) {
  const { kit, house, words } = useVisitWork();
  const [tool, setTool] = useState(props.inHand);
  const hung = kit
    .filter((t) => !t.retired)
    .map((t) => ({ id: t.id, name: `${t.printed} ${t.kind}`, words: words.choices.blade_words }));
  const shears = house.shears
    .filter((pair) => pair.state === 'sharp' || pair.state === 'dull_at_tip')
    .map((pair) => ({
      id: pair.id,
      name: `${shearsName(pair, house.units)} shears`,
      words: words.choices.shears_words.filter(({ value }) => value !== pair.state),
    }));
  const all = [...hung, ...shears];
  const chosen = all.find((t) => t.id === tool);
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Which tool?</h2>
      <div className="flex flex-wrap gap-1.5 py-2" role="group" aria-label="Which tool">
        {all.map(({ id, name }) => (
          <Plain key={id} pressed={id === tool} onClick={() => setTool(id)}>
            {name}
          </Plain>
        ))}
      </div>
      {chosen && (
        <div className="grid grid-cols-2 gap-2 pb-2" role="group" aria-label="What of it">
          {chosen.words.map(({ value: word, label }) => (
            <Plain key={word} onClick={() => props.onNote(chosen.id, word)}>
              {label}
            </Plain>
          ))}
        </div>
      )}
      <p className="pb-3 text-soft">
        A missing tooth takes a tool out of every plan at once, this one too; so does dull.
      </p>
    </>
  );
}
