import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../api/client';
import { keep, kept, keepOnly } from '../offline/kept';
import { keepDrafts, readDrafts } from './drafts';
import { allEntries, EMPTY, reduce, type Entry, type EntryBody } from './model';

/** Entries are sent this long after the last keystroke, ms. */
const PAUSE_MS = 200;
/** How often a screen asks for what others said, and tries again when the server was away, ms. */
const LISTEN_MS = 2500;

export type VisitStage =
  | { stage: 'loading' }
  | { stage: 'failed'; failure: Failure }
  | { stage: 'ready'; dog: Schemas['Dog']; beganMs: number };

/** A visit's log is kept on this device this long after it changed, ms. */
const KEEP_MS = 300;

/** A visit's log as it is kept on this device. */
type KeptLog = Pick<Schemas['VisitLog'], 'dog' | 'began_ms' | 'entries' | 'last'>;
const logName = (visit: string) => `log.${visit}`;

let lastMs = 0;
/** A time later than any this screen gave before, so that its entries keep their order. */
function nextMs(): number {
  lastMs = Math.max(Date.now(), lastMs + 1);
  return lastMs;
}

export function newEntry(body: EntryBody): Entry {
  return { id: crypto.randomUUID(), at_ms: nextMs(), author: '', body };
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

  useEffect(() => {
    let isOpen = true;
    const show = (from: KeptLog) => {
      if (!isOpen) return;
      for (const e of from.entries) lastMs = Math.max(lastMs, e.at_ms);
      const drafts = readDrafts(visit);
      dispatch({ type: 'loaded', entries: from.entries, last: from.last, drafts });
      setStage({ stage: 'ready', dog: from.dog, beganMs: from.began_ms });
    };
    ask(api.GET('/api/visits/{id}', { params: { path: { id: visit } } }))
      .then((answer) => {
        show(answer);
        void keepOnly(visit);
      })
      .catch(async (error: unknown) => {
        const here = await kept<KeptLog>(logName(visit));
        if (here && error instanceof Failure && error.kind === 'offline') {
          show(here);
          dispatch({ type: 'away' });
        } else if (isOpen && error instanceof Failure) {
          setStage({ stage: 'failed', failure: error });
        }
      });
    return () => {
      isOpen = false;
    };
  }, [visit]);

  const isReady = stage.stage === 'ready';
  useEffect(() => {
    if (isReady) keepDrafts(visit, log.pending);
  }, [visit, isReady, log.pending]);

  const ready = stage.stage === 'ready' ? stage : null;
  useEffect(() => {
    if (!ready) return;
    const timer = setTimeout(() => {
      const { known, last } = log;
      const now: KeptLog = { dog: ready.dog, began_ms: ready.beganMs, entries: known, last };
      void keep(logName(visit), now);
    }, KEEP_MS);
    return () => clearTimeout(timer);
  }, [visit, ready, log]);

  const send = useCallback(async () => {
    const entries = latest.current.pending;
    if (entries.length === 0 || isSending.current) return;
    isSending.current = true;
    const ids = entries.map((e) => e.id);
    try {
      await ask(
        api.POST('/api/visits/{id}/entries', {
          params: { path: { id: visit } },
          body: { entries },
        }),
      );
      dispatch({ type: 'acknowledged', ids });
    } catch (error) {
      if (error instanceof Failure && error.kind !== 'offline' && error.kind !== 'unavailable')
        dispatch({ type: 'refused', ids, message: error.message });
      else dispatch({ type: 'away' });
    } finally {
      isSending.current = false;
    }
  }, [visit]);

  useEffect(() => {
    if (!isReady || log.pending.length === 0 || log.state === 'away') return;
    const timer = setTimeout(() => void send(), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [isReady, log.pending, log.state, send]);

  useEffect(() => {
    if (!isReady) return;
    const listen = async () => {
      if (latest.current.state === 'away') await send();
      try {
        const answer = await ask(
          api.GET('/api/visits/{id}', {
            params: { path: { id: visit }, query: { after: latest.current.last } },
          }),
        );
        dispatch({ type: 'received', entries: answer.entries, last: answer.last });
      } catch {
        dispatch({ type: 'away' });
      }
    };
    const timer = setInterval(() => void listen(), LISTEN_MS);
    return () => clearInterval(timer);
  }, [visit, isReady, send]);

  const say = useCallback((body: EntryBody) => {
    dispatch({ type: 'said', entry: newEntry(body) });
  }, []);
  const attempt = useCallback((body: EntryBody | null) => {
    dispatch({ type: 'tried', entry: body ? newEntry(body) : null });
  }, []);
  const flush = useCallback(() => send(), [send]);

  const entries = useMemo(() => allEntries(log), [log]);

  return { stage, log, entries, say, attempt, flush };
}
