import { useEffect } from 'react';
import type { RunNow } from '../../../shared/run/useRun';
import { useVisitWork } from '../../../shared/visit/context';

export interface Renewed {
  /** What changed in the steps to come, in one sentence. */
  said: string;
  /** Brings the steps back as they were. */
  takeBack: () => void;
}

/**
 * Takes the steps to come as they are planned anew, once the core says that something changed them; null
 * where nothing was made anew since the step before.
 */
export function useRenewal(run: RunNow): Renewed | null {
  const { say, entries } = useVisitWork();
  const { anew } = run;
  const tell = run.say;
  useEffect(() => {
    if (anew) tell({ event: 'renewed', sheet: anew.sheet, said: anew.said });
    // Each renewal once: it goes when the core knows of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [anew]);
  const said = run.view.run.renewed;
  const entry = entries.findLast(
    ({ body }) => body.kind === 'run' && body.event.event === 'renewed',
  );
  if (said == null || !entry) return null;
  return { said, takeBack: () => say({ kind: 'undone', entry: entry.id }) };
}
