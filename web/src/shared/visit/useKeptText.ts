import { useState } from 'react';
import { keepText, readText } from './drafts';

/** Text in the making, kept over a reload and a closed panel until it is said or emptied. */
export function useKeptText(name: string): [string, (text: string) => void] {
  const [text, setText] = useState(() => readText(name) ?? '');
  const change = (typed: string) => {
    setText(typed);
    keepText(name, typed === '' ? null : typed);
  };
  return [text, change];
}
