import { useEffect, useState } from 'react';
import { keepText, readText } from '../visit/drafts';

/** How long nothing is typed before it is said. */
const AFTER_MS = 700;

/** A phrase that is put in, or taken out again, by one touch. */
export interface Phrase {
  text: string;
  /** Whether this visit itself says so. */
  isSeen: boolean;
}

/** Between phrases in one line. */
const JOIN = '; ';

function without(text: string, phrase: string): string {
  const left = text.split(JOIN).filter((part) => part !== phrase);
  return left.join(JOIN);
}

/** A few words, said by themselves once the typing rests; a draft outlives a reload. */
export function WrittenLine(props: {
  name: string;
  label: string;
  value: string;
  onText: (text: string) => void;
  phrases?: Phrase[];
}) {
  const { name, value, onText } = props;
  const [text, setText] = useState(() => readText(name) ?? value);
  useEffect(() => {
    if (text === value) {
      keepText(name, null);
      return undefined;
    }
    keepText(name, text);
    const timer = setTimeout(() => onText(text), AFTER_MS);
    return () => clearTimeout(timer);
  }, [name, text, value, onText]);
  const parts = text.split(JOIN);
  const put = (phrase: string) => {
    if (parts.includes(phrase)) setText(without(text, phrase));
    else setText(text.trim() === '' ? phrase : `${text.trim()}${JOIN}${phrase}`);
  };
  const hasPhrases = (props.phrases?.length ?? 0) > 0;
  return (
    <div className="pt-2">
      {hasPhrases && (
        <div className="flex flex-wrap gap-1.5 pb-1.5" role="group" aria-label={props.label}>
          {props.phrases?.map((phrase) => (
            <button
              key={phrase.text}
              type="button"
              aria-pressed={parts.includes(phrase.text)}
              onClick={() => put(phrase.text)}
              className={`min-h-12 border-ink px-2.5 text-left leading-tight aria-pressed:border-b-tape aria-pressed:bg-tape aria-pressed:text-on-tape ${
                phrase.isSeen ? 'border-2 font-bold' : 'border'
              }`}
            >
              {phrase.text}
            </button>
          ))}
        </div>
      )}
      <label className="block">
        <span className="text-sm text-soft">
          {hasPhrases ? 'Else, in your words' : props.label}
          {hasPhrases && <span className="sr-only">: {props.label}</span>}
        </span>
        <textarea
          className="block w-full border border-ink bg-sheet p-2"
          rows={hasPhrases ? 1 : 2}
          maxLength={600}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
    </div>
  );
}
