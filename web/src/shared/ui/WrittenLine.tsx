import { useEffect, useState } from 'react';
import { keepText, readText } from '../visit/drafts';

/** How long nothing is typed before it is said. */
const AFTER_MS = 700;

/** A few words, said by themselves once the typing rests; a draft outlives a reload. */
export function WrittenLine(props: {
  name: string;
  label: string;
  value: string;
  onText: (text: string) => void;
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
  return (
    <label className="block pt-2">
      <span className="text-sm text-soft">{props.label}</span>
      <textarea
        className="block w-full border border-ink bg-sheet p-2"
        rows={2}
        maxLength={600}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
    </label>
  );
}
