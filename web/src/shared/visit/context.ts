import { createContext, useContext } from 'react';
import type { Schemas } from '../api/client';
import type { Entry, EntryBody, VisitLog } from './model';

/** What every task of a visit works with. */
export interface VisitWork {
  visitId: string;
  dog: Schemas['Dog'];
  beganMs: number;
  house: Schemas['House'];
  kit: Schemas['Tool'][];
  words: Schemas['Catalogue'];
  log: VisitLog;
  entries: Entry[];
  /** The dog on the desk, as the core is asked about it. */
  desk: Omit<Schemas['OnTheDesk'], 'options'>;
  evaluation: Schemas['Evaluation'];
  plan: Schemas['PlanReport'] | null;
  change: Schemas['ChangeHere'] | null;
  knotsAgain: Schemas['KnotsAgain'][];
  /** What earlier visits tell this one; nothing while they are read. */
  past: Schemas['Past'] | null;
  /** What of it is drawn with this one. */
  before: Schemas['Before'];
  options: Schemas['DrawOptions'];
  /** The step the sheet's hatch was drawn for; none where it shows none. */
  drawnStep: number | null;
  say: (body: EntryBody) => void;
  attempt: (body: EntryBody | null) => void;
  flush: () => Promise<void>;
  sendAgain: (entry: string) => void;
  putAway: (entry: string) => void;
}

/**
 * The sheet's drawing, newer than the work by a moment: the sheet follows the finger at once, the
 * margin when there is time.
 */
export const SheetContext = createContext<Schemas['Drawing'] | null>(null);

export function useSheetDrawing(): Schemas['Drawing'] {
  const drawing = useContext(SheetContext);
  if (!drawing) throw new Error('a sheet stands outside its visit');
  return drawing;
}

export const VisitContext = createContext<VisitWork | null>(null);

export function useVisitWork(): VisitWork {
  const work = useContext(VisitContext);
  if (!work) throw new Error('a task stands outside its visit');
  return work;
}

/** The sentence beside a field, if something is wrong with it. */
export function problemOf(work: VisitWork, field: string): Schemas['Problem'] | null {
  return work.evaluation.problems.find((p) => p.field === field) ?? null;
}
