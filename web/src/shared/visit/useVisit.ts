import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../api/client';
import { knowsOf, nextSaid, setClock } from '../clock/now';
import { allBegun, isBegunHere, tellOfBegun } from '../offline/begun';
import { keep, kept, keepOnly } from '../offline/kept';
import {
  type Drafts,
  forgetDrafts,
  keepDrafts,
  keepRefused,
  readDrafts,
  readRefused,
} from './drafts';
import { allEntries, EMPTY, reduce, type Entry, type EntryBody } from './model';

/** So many entries go in one request. */
const MOST_AT_ONCE = 200;
/** Entries are sent this long after the last keystroke, ms. */
const PAUSE_MS = 200;
/** How often a screen asks for what others said, and tries again when the server was away, ms. */
const LISTEN_MS = 2500;

const OF_ANOTHER_SALON =
  'This was said on this device in another salon, so it was not sent to this one.';

export type VisitStage =
  | { stage: 'loading' }
  | { stage: 'failed'; failure: Failure }
  /** Begun here and on another screen: the other's is gone on with. */
  | { stage: 'moved'; to: string }
  | { stage: 'ready'; dog: Schemas['Dog']; salon: string; beganMs: number };

/** A visit's log is kept on this device this long after it changed, ms. */
const KEEP_MS = 300;

/** A visit's log as it is kept on this device. */
type KeptLog = Pick<Schemas['VisitLog'], 'dog' | 'salon' | 'began_ms' | 'entries' | 'last'>;
const logName = (visit: string) => `log.${visit}`;

export function newEntry(body: EntryBody): Entry {
  return { id: crypto.randomUUID(), ...nextSaid(), author: '', body };
}

/** A visit's log from an entry on, however many answers it takes. */
async function readLog(visit: string, from: number): Promise<Schemas['VisitLog']> {
  const part = (after: number) =>
    ask(api.GET('/api/visits/{id}', { params: { path: { id: visit }, query: { after } } }));
  let answer = await part(from);
  const { entries } = answer;
  while (answer.has_more) {
    answer = await part(answer.last);
    entries.push(...answer.entries);
  }
  return { ...answer, entries };
}

/** A visit: its log, what is said, what is tried, and whether it is kept. */
export function useVisit(visit: string) {
  const [log, dispatch] = useReducer(reduce, EMPTY);
  const [stage, setStage] = useState<VisitStage>({ stage: 'loading' });
  const latest = useRef(log);
  const isSending = useRef(false);

  useEffect(() => {
    latest.current = log;
  }, [log]);

  /** Opens it: by what the server has, or with the server away by what was kept. */
  const open = useCallback(async () => {
    const show = (from: KeptLog) => {
      const { salon } = from;
      const drafts = readDrafts(visit);
      const isHere = (d: Drafts) => d.salon === null || d.salon === salon;
      const here = drafts.filter(isHere).flatMap((d) => d.entries);
      const elsewhere = drafts.filter((d) => !isHere(d)).flatMap((d) => d.entries);
      // A page may have gone after its entries were kept and before it heard so: those are sent by nobody.
      forgetDrafts(visit, new Set([...elsewhere, ...from.entries].map((e) => e.id)));
      knowsOf([...from.entries, ...here]);
      dispatch({
        type: 'loaded',
        entries: from.entries,
        last: from.last,
        drafts: here,
        refused: [
          ...readRefused(visit),
          ...elsewhere.map((entry) => ({ entry, why: OF_ANOTHER_SALON })),
        ],
      });
      setStage({ stage: 'ready', dog: from.dog, salon, beganMs: from.began_ms });
    };
    try {
      const there = await tellOfBegun(visit);
      if (there !== visit) {
        setStage({ stage: 'moved', to: there });
        return;
      }
      const answer = await readLog(visit, 0);
      setClock(answer.now_ms);
      show(answer);
      void keepOnly([visit, ...allBegun()]);
    } catch (error) {
      if (!(error instanceof Failure)) throw error;
      const here = error.kind === 'offline' ? await kept<KeptLog>(logName(visit)) : null;
      if (here) {
        show(here);
        dispatch({ type: 'away' });
      } else {
        setStage({ stage: 'failed', failure: error });
      }
    }
  }, [visit]);
  useEffect(() => {
    // Nothing is known before the first answer.
    queueMicrotask(() => void open());
  }, [open]);

  const isReady = stage.stage === 'ready';
  const salon = isReady ? stage.salon : null;
  useEffect(() => {
    if (salon !== null) keepDrafts(visit, { salon, entries: log.pending });
  }, [visit, salon, log.pending]);
  useEffect(() => {
    if (isReady) keepRefused(visit, log.refused);
  }, [visit, isReady, log.refused]);

  const ready = stage.stage === 'ready' ? stage : null;
  useEffect(() => {
    if (!ready) return;
    const timer = setTimeout(() => {
      const { known, last } = log;
      const now: KeptLog = {
        dog: ready.dog,
        salon: ready.salon,
        began_ms: ready.beganMs,
        entries: known,
        last,
      };
      void keep(logName(visit), now);
    }, KEEP_MS);
    return () => clearTimeout(timer);
  }, [visit, ready, log]);

  const send = useCallback(async () => {
    const entries = latest.current.pending.slice(0, MOST_AT_ONCE);
    if (entries.length === 0 || isSending.current || isBegunHere(visit)) return;
    isSending.current = true;
    const ids = entries.map((e) => e.id);
    try {
      const kept = await ask(
        api.POST('/api/visits/{id}/entries', {
          params: { path: { id: visit } },
          body: { entries, salon },
        }),
      );
      const why = new Map<string, string>();
      for (const { place, detail } of kept.refused) {
        const id = ids[place];
        if (id !== undefined) why.set(id, detail);
      }
      if (why.size > 0) dispatch({ type: 'refused', why });
      dispatch({ type: 'acknowledged', ids: ids.filter((id) => !why.has(id)) });
      forgetDrafts(visit, new Set(ids));
    } catch (error) {
      const kind = error instanceof Failure ? error.kind : 'offline';
      const message = error instanceof Failure ? error.message : '';
      // All that was sent cannot be kept, and says why; anything else is no fault of what was said.
      if (kind === 'invalid_input' || kind === 'conflict')
        dispatch({ type: 'refused', why: new Map(ids.map((id) => [id, message])) });
      else if (kind === 'offline' || kind === 'unavailable' || kind === 'internal')
        dispatch({ type: 'away' });
      else dispatch({ type: 'held', message });
    } finally {
      isSending.current = false;
    }
  }, [visit, salon]);

  useEffect(() => {
    if (!isReady || log.pending.length === 0) return;
    if (log.state === 'away' || log.state === 'refused') return;
    const timer = setTimeout(() => void send(), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [isReady, log.pending, log.state, send]);

  useEffect(() => {
    if (!isReady) return;
    const listen = async () => {
      if (isBegunHere(visit)) {
        await open();
        return;
      }
      if (['away', 'refused'].includes(latest.current.state)) await send();
      try {
        const answer = await readLog(visit, latest.current.last);
        setClock(answer.now_ms);
        knowsOf(answer.entries);
        dispatch({ type: 'received', entries: answer.entries, last: answer.last });
      } catch {
        dispatch({ type: 'away' });
      }
    };
    const timer = setInterval(() => void listen(), LISTEN_MS);
    return () => clearInterval(timer);
  }, [visit, isReady, open, send]);

  const say = useCallback((body: EntryBody) => {
    dispatch({ type: 'said', entry: newEntry(body) });
  }, []);
  const attempt = useCallback((body: EntryBody | null) => {
    dispatch({ type: 'tried', entry: body ? newEntry(body) : null });
  }, []);
  const flush = useCallback(() => send(), [send]);
  const sendAgain = useCallback((id: string) => dispatch({ type: 'sent_again', id }), []);
  const putAway = useCallback((id: string) => dispatch({ type: 'put_away', id }), []);

  const entries = useMemo(() => allEntries(log), [log]);

  return { stage, log, entries, say, attempt, flush, sendAgain, putAway };
}
