import type { Schemas } from '../api/client';

export type Entry = Schemas['Entry'];
export type EntryBody = Schemas['EntryBody'];

/**
 * A visit's log as this screen knows it: what the server has, what it has not acknowledged yet,
 * and what is only tried (a knob being turned). Pure: no React, no fetch.
 */
export interface VisitLog {
  known: Entry[];
  pending: Entry[];
  tried: Entry | null;
  last: number;
  /** Entries of another screen that came in while this one was open. */
  fromOthers: number;
  state: 'kept' | 'keeping' | 'away' | 'refused';
  refusal: string | null;
}

export type LogAction =
  | { type: 'loaded'; entries: Entry[]; last: number; drafts: Entry[] }
  | { type: 'said'; entry: Entry }
  | { type: 'tried'; entry: Entry | null }
  | { type: 'sending' }
  | { type: 'acknowledged'; ids: string[] }
  | { type: 'received'; entries: Entry[]; last: number }
  | { type: 'away' }
  | { type: 'refused'; ids: string[]; message: string };

export const EMPTY: VisitLog = {
  known: [],
  pending: [],
  tried: null,
  last: 0,
  fromOthers: 0,
  state: 'kept',
  refusal: null,
};

export function reduce(log: VisitLog, action: LogAction): VisitLog {
  switch (action.type) {
    case 'loaded': {
      const here = new Set(action.entries.map((e) => e.id));
      const pending = action.drafts.filter((e) => !here.has(e.id));
      return {
        ...EMPTY,
        known: action.entries,
        pending,
        last: action.last,
        state: pending.length > 0 ? 'keeping' : 'kept',
      };
    }
    case 'said':
      return {
        ...log,
        pending: [...log.pending, action.entry],
        tried: null,
        state: log.state === 'away' ? 'away' : 'keeping',
      };
    case 'tried':
      return { ...log, tried: action.entry };
    case 'sending':
      return { ...log, state: 'keeping' };
    case 'acknowledged': {
      const sent = new Set(action.ids);
      const here = new Set(log.known.map((e) => e.id));
      const moved = log.pending.filter((e) => sent.has(e.id) && !here.has(e.id));
      const pending = log.pending.filter((e) => !sent.has(e.id));
      return {
        ...log,
        known: [...log.known, ...moved],
        pending,
        state: pending.length > 0 ? 'keeping' : 'kept',
        refusal: null,
      };
    }
    case 'received': {
      const mine = new Set([...log.known, ...log.pending].map((e) => e.id));
      const others = action.entries.filter((e) => !mine.has(e.id));
      return {
        ...log,
        known: [...log.known, ...others],
        last: Math.max(log.last, action.last),
        // A kept plan is written by the server, whichever screen asked for it.
        fromOthers: log.fromOthers + others.filter((e) => e.body.kind !== 'plan_kept').length,
        state: log.state === 'away' && log.pending.length === 0 ? 'kept' : log.state,
      };
    }
    case 'away':
      return { ...log, state: 'away' };
    case 'refused': {
      const sent = new Set(action.ids);
      return {
        ...log,
        pending: log.pending.filter((e) => !sent.has(e.id)),
        state: 'refused',
        refusal: action.message,
      };
    }
  }
}

/** Everything said, as the core folds it: what is tried comes last. */
export function allEntries(log: VisitLog): Entry[] {
  const said = [...log.known, ...log.pending];
  return log.tried ? [...said, log.tried] : said;
}
