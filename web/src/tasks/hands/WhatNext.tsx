import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { useVisitWork } from '../../shared/visit/context';

/** It takes many solves. */
const AFTER_MS = 350;

/** What to measure next, worked out in the background; null while it is not known. */
export function useWhatNext(): Schemas['WhatNext'] | null {
  const { desk } = useVisitWork();
  return useCore('/api/next-measure', desk, AFTER_MS).answer;
}

/** The most telling measure left, as a sentence that opens it. */
export function WhatNext(props: {
  next: Schemas['WhatNext'] | null;
  onOpen: (finding: Schemas['Finding']) => void;
}) {
  const { next } = props;
  const first = next?.findings[0];
  return (
    <div aria-live="polite" className="mb-3 min-h-14 border-l-4 border-chalk pl-3 leading-snug">
      {next === null ? (
        <p className="text-sm text-soft">Working out what to measure next…</p>
      ) : (
        <>
          <p data-next-sentence>{next.sentence}</p>
          {first && !next.is_good_enough && (
            <button
              type="button"
              className="min-h-12 font-bold text-chalk underline"
              onClick={() => props.onOpen(first.finding)}
            >
              Go there
            </button>
          )}
        </>
      )}
    </div>
  );
}
