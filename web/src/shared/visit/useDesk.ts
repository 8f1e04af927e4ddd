import { useEffect, useRef, useState } from 'react';
import { answersOf, api, ask, Failure, type Schemas } from '../api/client';
import { keep, kept } from '../offline/kept';

type DeskInput = Schemas['OnTheDesk'];

export interface DeskView {
  evaluation: Schemas['Evaluation'] | null;
  plan: Schemas['PlanReport'] | null;
  change: Schemas['ChangeHere'] | null;
  knotsAgain: Schemas['KnotsAgain'][];
  /** The step whose place of work the drawing shows. */
  drawnStep: number | null;
  failure: Failure | null;
  /** How long the last change took from the request to the answer, ms. */
  tookMs: number | null;
}

const NOTHING: DeskView = {
  evaluation: null,
  plan: null,
  change: null,
  knotsAgain: [],
  drawnStep: null,
  failure: null,
  tookMs: null,
};

/**
 * Asks the core again on every change and keeps the newest answer; the last good one stays while
 * the next is on its way. One question is on its way at a time: what changed meanwhile is asked
 * together, so that a dragged landmark is followed and never queued. A plan comes twice in one
 * answer, the second time with its reasons; those are not waited for once something has changed.
 */
export function useDesk(visit: string, input: DeskInput | null, wantsPlan: boolean): DeskView {
  const [view, setView] = useState<DeskView>(NOTHING);
  const newest = useRef<string | null>(null);
  const isAsking = useRef(false);
  /** Leaves the answer whose first part is here. */
  const leave = useRef<(() => void) | null>(null);
  const key = input ? JSON.stringify([input, wantsPlan]) : null;

  useEffect(() => {
    if (key === null) return;
    newest.current = key;
    leave.current?.();
    const follow = async () => {
      if (isAsking.current) return;
      isAsking.current = true;
      for (let asked = ''; newest.current !== null && newest.current !== asked;) {
        asked = newest.current;
        const left = new AbortController();
        const from = performance.now();
        let tookMs: number | null = null;
        try {
          for await (const answer of question(asked, left.signal)) {
            const isFirst = tookMs === null;
            tookMs ??= performance.now() - from;
            setView({ ...answer, failure: null, tookMs });
            if (newest.current !== asked) break;
            if (isFirst) leave.current = () => left.abort();
            else void keep(deskName(visit), answer);
          }
        } catch (error) {
          if (!(error instanceof Failure)) continue;
          // Opened with the server away: what it said last stands until it is back.
          const here = error.kind === 'offline' ? await kept<Answer>(deskName(visit)) : null;
          setView((v) => (v.evaluation ? v : { ...v, ...here }));
          setView((v) => ({ ...v, failure: error }));
        } finally {
          leave.current = null;
          left.abort();
        }
      }
      isAsking.current = false;
    };
    void follow();
  }, [visit, key, wantsPlan]);

  return view;
}

/** Kept with the reasons, once nothing has changed for a while: the pages at the table want a plan. */
const deskName = (visit: string) => `desk.${visit}`;

/** The page says who it is: what it asked before is not worked for once it asks anew. */
const PLAN_ANSWERS = `/api/plan-then-reasons?page=${crypto.randomUUID()}`;

type Answer = Pick<DeskView, 'evaluation' | 'plan' | 'change' | 'knotsAgain' | 'drawnStep'>;

/** What the core answers: once without a plan, else the plan, then the plan with its reasons. */
async function* question(key: string, signal: AbortSignal): AsyncGenerator<Answer> {
  const [desk, wantsPlan] = JSON.parse(key) as [DeskInput, boolean];
  const drawnStep = desk.options?.step ?? null;
  if (!wantsPlan) {
    const evaluation = await ask(api.POST('/api/evaluate', { body: desk }));
    yield { evaluation, plan: null, change: null, knotsAgain: [], drawnStep };
    return;
  }
  const answers = answersOf<Schemas['PlanView']>(PLAN_ANSWERS, desk, signal);
  for await (const { evaluation, plan, change, knots_again: knotsAgain = [] } of answers)
    yield { evaluation, plan, change: change ?? null, knotsAgain, drawnStep };
}
