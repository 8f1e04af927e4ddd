import { api, ask, type Schemas } from '../../shared/api/client';
import { useVisitWork } from '../../shared/visit/context';
import { useAnswer } from '../../shared/visit/useAnswer';

const AFTER_MS = 60;

/** How the finished dog stands against its plan; null until the first answer. */
export function useFinish(): Schemas['FinishReport'] | null {
  const { desk, options } = useVisitWork();
  return useAnswer({ ...desk, options }, AFTER_MS, (body) =>
    ask(api.POST('/api/finish', { body })),
  );
}
