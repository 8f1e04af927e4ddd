import { useEffect, useRef, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../api/client';
import type { Entry } from './model';

export interface DeskInput {
  dog: Schemas['Dog'];
  entries: Entry[];
  house: Schemas['House'];
  kit: Schemas['Tool'][];
  options: Schemas['DrawOptions'];
  before: Schemas['Before'];
}

/** Reasons take further solves: asked for once nothing has changed for this long, ms. */
const REASONS_AFTER_MS = 250;

export interface DeskView {
  evaluation: Schemas['Evaluation'] | null;
  plan: Schemas['PlanReport'] | null;
  failure: Failure | null;
  /** How long the last change took from the request to the answer, ms. */
  tookMs: number | null;
}

const NOTHING: DeskView = { evaluation: null, plan: null, failure: null, tookMs: null };

/**
 * Asks the core again on every change and keeps the newest answer; the last good one stays while
 * the next is on its way.
 */
export function useDesk(input: DeskInput | null, wantsPlan: boolean): DeskView {
  const [view, setView] = useState<DeskView>(NOTHING);
  const turn = useRef(0);
  const key = input ? JSON.stringify([input, wantsPlan]) : null;

  useEffect(() => {
    if (key === null) return;
    const [desk, plans] = JSON.parse(key) as [DeskInput, boolean];
    const mine = ++turn.current;
    const isNewest = () => turn.current === mine;
    const from = performance.now();
    const show = (evaluation: Schemas['Evaluation'], plan: Schemas['PlanReport'] | null) => {
      if (!isNewest()) return;
      const tookMs = performance.now() - from;
      setView({ evaluation, plan, failure: null, tookMs });
    };
    const fail = (error: unknown) => {
      if (isNewest() && error instanceof Failure) setView((v) => ({ ...v, failure: error }));
    };
    if (!plans) {
      ask(api.POST('/api/evaluate', { body: desk })).then((answer) => show(answer, null), fail);
      return;
    }
    const solve = (reasons: boolean) =>
      ask(api.POST('/api/plan', { body: { desk, reasons } })).then(
        (answer) => show(answer.evaluation, answer.plan),
        fail,
      );
    void solve(false);
    const timer = setTimeout(() => void solve(true), REASONS_AFTER_MS);
    return () => clearTimeout(timer);
  }, [key]);

  return view;
}
