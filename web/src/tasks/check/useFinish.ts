import type { Schemas } from '../../shared/api/client';
import { useCore } from '../../shared/api/useCore';
import { useVisitWork } from '../../shared/visit/context';

const AFTER_MS = 60;

/** How the finished dog stands against its plan; null until the first answer. */
export function useFinish(): Schemas['FinishReport'] | null {
  const { desk, options } = useVisitWork();
  return useCore('/api/finish', { ...desk, options }, AFTER_MS).answer;
}
