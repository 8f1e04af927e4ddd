import type { Schemas } from '../../../shared/api/client';
import { Choice, Plain } from '../../../shared/ui/controls';
import { useVisitWork } from '../../../shared/visit/context';
import { useKeptText } from '../../../shared/visit/useKeptText';

/** A note at the step in hand, and how the dog takes it. */
export function NotePanel(props: {
  visitId: string;
  onNote: (text: string) => void;
  /** How the dog took it; none while nobody said. */
  borne: Schemas['Borne'] | null;
  onTook: (borne: Schemas['Borne']) => void;
  onBack: () => void;
}) {
  const { words } = useVisitWork();
  const [text, setText] = useKeptText(`${props.visitId}.step-note`);
  return (
    <>
      <Choice
        label="How the dog takes it"
        options={words.choices.borne}
        value={props.borne}
        onChange={props.onTook}
      />
      <label className="block pt-3">
        <span className="text-[28px] leading-tight font-bold">Note at this step</span>
        <textarea
          className="mt-2 block w-full border border-ink bg-sheet p-2 text-lg"
          rows={3}
          maxLength={200}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-2 pt-3">
        <Plain
          onClick={() => {
            props.onNote(text);
            setText('');
          }}
          disabled={text.trim() === ''}
        >
          Write it down
        </Plain>
        <Plain onClick={props.onBack}>Nothing to note</Plain>
      </div>
    </>
  );
}
