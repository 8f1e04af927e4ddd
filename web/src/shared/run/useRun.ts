import { useEffect, useState } from 'react';
import { nowMs } from '../clock/now';
import { api, ask, type Schemas } from '../api/client';
import { useAsked } from '../api/useCore';
import { keep, kept } from '../offline/kept';
import { useVisitWork } from '../visit/context';
import { combedAfter, queueAfter } from './queue';

/** The run is looked at again this often, for its clocks, ms. */
const AGAIN_MS = 15_000;
const SECOND_MS = 1000;

export interface RunNow {
  view: Schemas['RunView'];
  /** Steps to come, the one in hand first. */
  queue: Schemas['Step'][];
  /** Whether the comb passed, by region, with what was said here since. */
  combed: Partial<Record<Schemas['CombRegion'], boolean>>;
  /** The rest planned anew, where the core says so of all that was said here. */
  anew: Schemas['Renewal'] | null;
  say: (event: Schemas['RunEvent']) => void;
  nowMs: number;
}

/** What the core last said of the run, and which entries it knew then. */
interface Seen {
  view: Schemas['RunView'] | null;
  known: string[];
}

/** The run as it stands, with what was said since the last answer; null until the first. */
export function useRun(): RunNow | null {
  const work = useVisitWork();
  const { visitId, desk, entries, options } = work;
  const clockMs = useClock();
  const body: Schemas['RunRequest'] = {
    desk: { ...desk, options: { ...options, step: null } },
    now_ms: Math.ceil(clockMs / AGAIN_MS) * AGAIN_MS,
  };
  const { answer } = useAsked<typeof body, Seen>('/api/run', body, 0, async (b, signal) => {
    // The core reads the clock when it is asked, not when the last question was due.
    const view = await ask(api.POST('/api/run', { body: { ...b, now_ms: nowMs() }, signal }));
    return { view, known: entries.map((e) => e.id) };
  });
  const name = `run.${visitId}`;
  const [lastSeen, setLastSeen] = useState<Seen | null>(null);
  useEffect(() => {
    let isOpen = true;
    void kept<Seen>(name).then((seen) => {
      if (isOpen) setLastSeen(seen);
    });
    return () => {
      isOpen = false;
    };
  }, [name]);
  useEffect(() => {
    if (answer) void keep(name, answer);
  }, [name, answer]);
  const seen = answer ?? lastSeen;
  if (!seen?.view) return null;
  const { view } = seen;
  const known = new Set(seen.known);
  const since = entries.filter((e) => !known.has(e.id));
  const steps = view.run.sheet.steps;
  return {
    view,
    queue: queueAfter(view.run, view.queue, since).flatMap((n) =>
      steps.filter((s) => s.number === n),
    ),
    combed: combedAfter(view.run, since),
    anew: answer && since.length === 0 ? (view.anew ?? null) : null,
    say: (event) => work.say({ kind: 'run', event }),
    nowMs: clockMs,
  };
}

/** The table's clock, a second at a time. */
function useClock(): number {
  const [now, setNow] = useState(() => nowMs());
  useEffect(() => {
    const timer = setInterval(() => setNow(nowMs()), SECOND_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}
