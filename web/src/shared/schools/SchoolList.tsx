import type { Schemas } from '../api/client';

interface Shown {
  question: Schemas['Question'];
  label: string;
  why: string;
  answers: {
    answer: Schemas['Answer'];
    label: string;
    is_ours: boolean;
    /** What it changes, where that is known. */
    sentence?: string;
  }[];
}

/** Where practitioners disagree: one answer a question is the salon's. */
export function SchoolList(props: {
  questions: Shown[];
  onAnswer: (answer: Schemas['Answer'], question: Schemas['Question']) => void;
}) {
  return (
    <ul>
      {props.questions.map((one) => (
        <li key={one.question} className="border-t border-line py-2" data-question={one.question}>
          <h2 className="font-bold">{one.label}</h2>
          <p className="text-sm text-soft">{one.why}</p>
          <div role="group" aria-label={one.label} className="pt-1">
            {one.answers.map((a) => (
              <button
                key={a.answer}
                type="button"
                aria-pressed={a.is_ours}
                data-answer={a.answer}
                className="-mt-px min-h-12 w-full border border-ink px-3 py-1 text-left aria-pressed:bg-ink aria-pressed:text-page"
                onClick={() => {
                  if (!a.is_ours) props.onAnswer(a.answer, one.question);
                }}
              >
                {a.label}
                {a.sentence && !a.is_ours && (
                  <span className="block text-sm text-soft">{a.sentence}</span>
                )}
              </button>
            ))}
          </div>
        </li>
      ))}
    </ul>
  );
}
