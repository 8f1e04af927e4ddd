import { useEffect, useRef, useState } from 'react';
import { reportFailure } from '../api/trouble';

/** The newest answer, and whether what is asked has changed since. */
export interface Asked<Answer> {
  answer: Answer | null;
  isAsking: boolean;
}

/**
 * Asks again on every change of what is asked, once nothing has changed for a while, and keeps the
 * newest answer; null until the first. The last one stays while the server is away: the sign at the
 * foot of the sheet says so.
 */
export function useAsked<Body, Answer>(
  body: Body,
  afterMs: number,
  ask: (body: Body) => Promise<Answer>,
): Asked<Answer> {
  const [told, setTold] = useState<{ key: string; answer: Answer | null }>({
    key: '',
    answer: null,
  });
  const asking = useRef(ask);
  useEffect(() => {
    asking.current = ask;
  });
  const key = JSON.stringify(body);
  useEffect(() => {
    let isNewest = true;
    const timer = setTimeout(() => {
      asking.current(JSON.parse(key) as Body).then(
        (answer) => {
          if (isNewest) setTold({ key, answer });
        },
        (error: unknown) => {
          if (!isNewest) return;
          // No answer comes to this question: the last one stands for it.
          setTold((last) => ({ ...last, key }));
          reportFailure(error);
        },
      );
    }, afterMs);
    return () => {
      isNewest = false;
      clearTimeout(timer);
    };
  }, [key, afterMs]);
  return { answer: told.answer, isAsking: told.key !== key };
}

/** The newest answer alone. */
export function useAnswer<Body, Answer>(
  body: Body,
  afterMs: number,
  ask: (body: Body) => Promise<Answer>,
): Answer | null {
  return useAsked(body, afterMs, ask).answer;
}
