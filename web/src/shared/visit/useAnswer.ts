import { useEffect, useRef, useState } from 'react';

/**
 * Asks again on every change of what is asked, once nothing has changed for a while, and keeps the
 * newest answer; null until the first. The last one stays while the server is away: the sign at the
 * foot of the sheet says so.
 */
export function useAnswer<Body, Answer>(
  body: Body,
  afterMs: number,
  ask: (body: Body) => Promise<Answer>,
): Answer | null {
  const [answer, setAnswer] = useState<Answer | null>(null);
  const asking = useRef(ask);
  useEffect(() => {
    asking.current = ask;
  });
  const key = JSON.stringify(body);
  useEffect(() => {
    let isNewest = true;
    const timer = setTimeout(() => {
      asking.current(JSON.parse(key) as Body).then(
        (next) => {
          if (isNewest) setAnswer(() => next);
        },
        () => undefined,
      );
    }, afterMs);
    return () => {
      isNewest = false;
      clearTimeout(timer);
    };
  }, [key, afterMs]);
  return answer;
}
