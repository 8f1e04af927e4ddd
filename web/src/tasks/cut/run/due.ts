import type { RunNow } from '../../../shared/run/useRun';

const MINUTE_MS = 60_000;
/** Overdue by so much, it calls more urgently, ms. */
const URGENT_MS = MINUTE_MS;

export interface Clock {
  /** Milliseconds to go; negative once it is due. */
  leftMs: number;
  isDue: boolean;
  isUrgent: boolean;
  words: string;
}

/** A clock of the run as the strip shows it: what the core set, less the table's own time. */
function clockTo(atMs: number | null | undefined, nowMs: number, due: string): Clock | null {
  if (atMs == null) return null;
  const leftMs = atMs - nowMs;
  const over = Math.floor(-leftMs / MINUTE_MS);
  return {
    leftMs,
    isDue: leftMs <= 0,
    isUrgent: leftMs <= -URGENT_MS,
    words: leftMs > 0 ? minutes(leftMs) : over < 1 ? `${due} now` : `${due} ${over} min ago`,
  };
}

function minutes(ms: number): string {
  const seconds = Math.ceil(ms / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

export function clocksOf({ view, nowMs }: RunNow): { blade: Clock | null; rest: Clock | null } {
  return {
    blade: clockTo(view.feel_blade_ms, nowMs, 'due'),
    rest: clockTo(view.break_ms, nowMs, 'due'),
  };
}
