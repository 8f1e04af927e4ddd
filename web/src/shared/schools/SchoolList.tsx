import type { Schemas } from '../api/client';
import { Plain } from '../ui/controls';

interface Shown {
  question: Schemas['Question'];
  label: string;
  why: string;
  /** Where the answer in force comes from, where that may be this dog. */
  of?: Schemas['WayOf'];
  answers: {
    answer: Schemas['Answer'];
    label: string;
    is_ours: boolean;
    /** The salon's own, while another is in force here. */
    is_salons?: boolean;
    /** What it changes, where that is known. */
    sentence?: string;
  }[];
}

const WHOSE: Record<Schemas['WayOf'], string> = {
  today: 'today only',
  dog: 'this dog’s own',
  look: 'of this look',
  salon: 'the salon’s',
  ours: 'as the program has it',
};

/** Where practitioners disagree: one answer a question is in force. */
export function SchoolList(props: {
  questions: Shown[];
  onAnswer: (answer: Schemas['Answer'], question: Schemas['Question']) => void;
  /** Leaves a question of this dog's or its look's own to the salon again. */
  onLeave?: (question: Schemas['Question']) => void;
}) {
  const { onLeave } = props;
  return (
    <ul>
      {props.questions.map((one) => (
        <li key={one.question} className="border-t border-line py-2" data-question={one.question}>
          <h2 className="font-bold">
            {one.label}
            {one.of && <span className="pl-2 text-sm font-normal text-soft">{WHOSE[one.of]}</span>}
          </h2>
          <p className="text-sm text-soft">{one.why}</p>
          <div role="group" aria-label={one.label} className="pt-1">
            {one.answers.map((a) => (
              <button
                key={a.answer}
                type="button"
                aria-pressed={a.is_ours}
                data-answer={a.answer}
                className="-mt-px min-h-12 w-full border border-ink px-3 py-1 text-left aria-pressed:taped"
                onClick={() => {
                  if (!a.is_ours) props.onAnswer(a.answer, one.question);
                }}
              >
                {a.label}
                {a.is_salons && !a.is_ours && <span className="pl-2 text-sm">the salon’s</span>}
                {a.sentence && !a.is_ours && (
                  <span className="block text-sm text-soft">{a.sentence}</span>
                )}
              </button>
            ))}
          </div>
          {onLeave && (one.of === 'today' || one.of === 'dog' || one.of === 'look') && (
            <div className="pt-2">
              <Plain label={`${one.label}: as on other dogs`} onClick={() => onLeave(one.question)}>
                As on other dogs
              </Plain>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
