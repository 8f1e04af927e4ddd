import { useCallback, useEffect, useRef, useState } from 'react';

/** The large control rests this long after a change: a bounce of a wet finger is no second step, ms. */
export const QUIET_MS = 700;

export interface Quiet {
  /** What was done a moment ago, empty where only the step changed; null once a touch counts again. */
  said: string | null;
  /** Does something unless a touch came just before, and says what it did. */
  once: (words: string, act: () => void) => void;
}

/**
 * One deed at a time: after each, and whenever something else comes under the finger, touches are let
 * pass for a moment.
 */
export function useQuiet(under: string): Quiet {
  const until = useRef(0);
  const [said, setSaid] = useState<string | null>('');
  const [seen, setSeen] = useState(under);
  // Another screen, an undo or a new order put something else there.
  if (seen !== under) {
    setSeen(under);
    setSaid((words) => words ?? '');
  }
  useEffect(() => {
    until.current = performance.now() + QUIET_MS;
  }, [under]);
  useEffect(() => {
    if (said === null) return;
    const timer = setTimeout(() => setSaid(null), QUIET_MS);
    return () => clearTimeout(timer);
  }, [said, under]);
  const once = useCallback((words: string, act: () => void) => {
    if (performance.now() < until.current) return;
    until.current = performance.now() + QUIET_MS;
    setSaid(words);
    act();
  }, []);
  return { said, once };
}
