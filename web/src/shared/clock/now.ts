/**
 * The salon's time as this screen knows it, and the order of what is said. A screen whose own clock
 * is wrong sets it by the server's.
 */
let aheadMs = 0;
/** The newest stamp of anything said that this screen knows of. */
let newest: number | null = null;

/** What the server's clock said just now, ms since 1970 in UTC. */
export function setClock(serverMs: number): void {
  aheadMs = serverMs - Date.now();
}

/** Now, ms since 1970 in UTC. */
export function nowMs(): number {
  return Date.now() + aheadMs;
}

interface Said {
  at_ms: number;
  stamp_ms?: number | null;
}

/** This screen knows of these from now on: what it says comes after them. */
export function knowsOf(entries: Said[]): void {
  for (const e of entries) newest = Math.max(newest ?? -Infinity, e.stamp_ms ?? e.at_ms);
}

/** When the next thing is said, and its place in the order (the rule is the core's: visit/order.rs). */
export function nextSaid(): Required<Said> {
  const at_ms = nowMs();
  newest = newest === null ? at_ms : Math.max(at_ms, newest + 1);
  return { at_ms, stamp_ms: newest };
}
