import { Plain } from '../../../shared/ui/controls';
import { useKeptText } from '../../../shared/visit/useKeptText';

/** A note at the step in hand. */
export function NotePanel(props: {
  visitId: string;
  onNote: (text: string) => void;
  onBack: () => void;
}) {
  const [text, setText] = useKeptText(`${props.visitId}.step-note`);
  return (
    <>
      <label className="block">
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
        <Plain onClick={props.onBack}>Back</Plain>
      </div>
    </>
  );
}
