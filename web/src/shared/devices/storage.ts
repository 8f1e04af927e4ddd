import { reportFailure } from '../api/trouble';

/** What the browser would not keep, held by this page for as long as it is open. */
const held = new Map<string, string>();

const FULL =
  'This browser has no room left. What you say is held by this page and sent as ever; leave it open until that is done.';

/** Keeps a text by its name, or forgets it: until this page closes at least. */
export function keepText(storage: Storage, name: string, text: string | null): void {
  held.delete(name);
  if (text === null) {
    storage.removeItem(name);
    return;
  }
  try {
    storage.setItem(name, text);
  } catch {
    // What stood there is older than what is held, and is not found instead of it.
    storage.removeItem(name);
    held.set(name, text);
    reportFailure(new Error(FULL));
  }
}

export function readText(storage: Storage, name: string): string | null {
  return held.get(name) ?? storage.getItem(name);
}

/** Names of what is kept, those that begin so. */
export function namesFrom(storage: Storage, prefix: string): string[] {
  const names = new Set([...Object.keys(storage), ...held.keys()]);
  return [...names].filter((name) => name.startsWith(prefix));
}
