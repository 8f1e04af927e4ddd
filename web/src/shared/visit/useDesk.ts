import { useEffect, useRef, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../api/client';
import { reportFailure } from '../api/trouble';
import { keep, kept } from '../offline/kept';

type DeskInput = Schemas['OnTheDesk'];

/** Reasons take further solves: asked for once nothing has changed for this long, ms. */
const REASONS_AFTER_MS = 250;

export interface DeskView {
  evaluation: Schemas['Evaluation'] | null;
  plan: Schemas['PlanReport'] | null;
  change: Schemas['ChangeHere'] | null;
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
  drawnStep: null,
  failure: null,
  tookMs: null,
};

/**
 * Asks the core again on every change and keeps the newest answer; the last good one stays while
 * the next is on its way. One question is on its way at a time: what changed meanwhile is asked
 * together, so that a dragged landmark is followed and never queued.
 */
export function useDesk(visit: string, input: DeskInput | null, wantsPlan: boolean): DeskView {
  const [view, setView] = useState<DeskView>(NOTHING);
  const newest = useRef<string | null>(null);
  const isAsking = useRef(false);
  const key = input ? JSON.stringify([input, wantsPlan]) : null;

  useEffect(() => {
    if (key === null) return;
    newest.current = key;
    const isNewest = () => newest.current === key;
    const follow = async () => {
      if (isAsking.current) return;
      isAsking.current = true;
      for (let asked = ''; newest.current !== null && newest.current !== asked;) {
        asked = newest.current;
        const from = performance.now();
        try {
          const answer = await question(asked, false);
          const tookMs = performance.now() - from;
          setView({ ...answer, failure: null, tookMs });
        } catch (error) {
          if (!(error instanceof Failure)) continue;
          // Opened with the server away: what it said last stands until it is back.
          const here = error.kind === 'offline' ? await kept<Answer>(deskName(visit)) : null;
          setView((v) => (v.evaluation ? v : { ...v, ...here }));
          setView((v) => ({ ...v, failure: error }));
        }
      }
      isAsking.current = false;
    };
    void follow();
    const timer = setTimeout(() => {
      if (!wantsPlan) return;
      question(key, true).then((answer) => {
        if (!isNewest()) return;
        setView((v) => ({ ...v, ...answer }));
        void keep(deskName(visit), answer);
      }, reportFailure);
    }, REASONS_AFTER_MS);
    return () => clearTimeout(timer);
  }, [visit, key, wantsPlan]);

  return view;
}

/** Kept once nothing has changed for a while, with the plan: the pages at the table want one. */
const deskName = (visit: string) => `desk.${visit}`;

type Answer = Pick<DeskView, 'evaluation' | 'plan' | 'change' | 'drawnStep'>;

async function question(key: string, reasons: boolean): Promise<Answer> {
  const [desk, plans] = JSON.parse(key) as [DeskInput, boolean];
  const drawnStep = desk.options?.step ?? null;
  if (!plans)
    return {
      evaluation: await ask(api.POST('/api/evaluate', { body: desk })),
      plan: null,
      change: null,
      drawnStep,
    };
  const { evaluation, plan, change } = await ask(
    api.POST('/api/plan', { body: { desk, reasons } }),
  );
  return { evaluation, plan, change: change ?? null, drawnStep };
}
