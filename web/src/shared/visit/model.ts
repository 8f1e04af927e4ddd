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
  /** So many of the known entries the core reads on the server; the rest go with each question. */
  base: number;
  last: number;
  /** Entries of another screen that came in while this one was open. */
  fromOthers: number;
  state: 'kept' | 'keeping' | 'away' | 'refused';
  /** Why nothing is sent at present; null where it is. */
  refusal: string | null;
  /** What was said and could not be kept, with why: it stays until somebody puts it away. */
  refused: Refused[];
}

/** An entry that could not be kept. */
export interface Refused {
  entry: Entry;
  why: string;
}

export type LogAction =
  | { type: 'loaded'; entries: Entry[]; last: number; drafts: Entry[]; refused: Refused[] }
  | { type: 'said'; entry: Entry }
  | { type: 'tried'; entry: Entry | null }
  | { type: 'sending' }
  | { type: 'acknowledged'; ids: string[] }
  | { type: 'received'; entries: Entry[]; last: number }
  | { type: 'away' }
  /** Some entries cannot be kept, each with why. */
  | { type: 'refused'; why: Map<string, string> }
  /** Nothing can be sent as things are: all stay waiting. */
  | { type: 'held'; message: string }
  | { type: 'sent_again' | 'put_away'; id: string };

export const EMPTY: VisitLog = {
  known: [],
  pending: [],
  tried: null,
  base: 0,
  last: 0,
  fromOthers: 0,
  state: 'kept',
  refusal: null,
  refused: [],
};

export function reduce(log: VisitLog, action: LogAction): VisitLog {
  switch (action.type) {
    case 'loaded': {
      const here = new Set(action.entries.map((e) => e.id));
      // What was said while it was read stands behind what was left before.
      const left = new Set(action.drafts.map((e) => e.id));
      const said = log.pending.filter((e) => !left.has(e.id));
      const pending = [...action.drafts, ...said].filter((e) => !here.has(e.id));
      return {
        ...EMPTY,
        known: action.entries,
        base: action.entries.length,
        pending,
        last: action.last,
        refused: action.refused,
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
        ...knowing(log, [...log.known, ...moved]),
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
        ...knowing(log, [...log.known, ...others]),
        last: Math.max(log.last, action.last),
        // A kept plan is written by the server, whichever screen asked for it.
        fromOthers: log.fromOthers + others.filter((e) => e.body.kind !== 'plan_kept').length,
        state: log.state === 'away' && log.pending.length === 0 ? 'kept' : log.state,
      };
    }
    case 'away':
      return { ...log, state: 'away' };
    case 'refused': {
      const { why } = action;
      const moved = log.pending.flatMap((entry) => {
        const reason = why.get(entry.id);
        return reason === undefined ? [] : [{ entry, why: reason }];
      });
      const pending = log.pending.filter((e) => !why.has(e.id));
      return {
        ...log,
        pending,
        refused: [...log.refused, ...moved],
        state: pending.length > 0 ? 'keeping' : 'kept',
      };
    }
    case 'held':
      return { ...log, state: 'refused', refusal: action.message };
    case 'sent_again': {
      const again = log.refused.filter((r) => r.entry.id === action.id).map((r) => r.entry);
      return {
        ...log,
        pending: [...log.pending, ...again],
        refused: log.refused.filter((r) => r.entry.id !== action.id),
        state: 'keeping',
      };
    }
    case 'put_away':
      return { ...log, refused: log.refused.filter((r) => r.entry.id !== action.id) };
  }
}

/** Entries that go with each question before the base moves up to them. */
const MOST_BEYOND = 100;

/** The base stays where it is for a while: an entry acknowledged asks nothing anew. */
function knowing(log: VisitLog, known: Entry[]): Pick<VisitLog, 'known' | 'base'> {
  return { known, base: known.length - log.base > MOST_BEYOND ? known.length : log.base };
}

/** What goes with each question, beside the log that the server has: what is tried comes last. */
export function beyondBase(log: VisitLog): Entry[] {
  return allEntries({ ...log, known: log.known.slice(log.base) });
}

/** Everything said, as the core folds it: what is tried comes last. */
export function allEntries(log: VisitLog): Entry[] {
  const said = [...log.known, ...log.pending];
  return log.tried ? [...said, log.tried] : said;
}
