import type { Entry, Refused } from './model';

/** Entries not yet acknowledged, kept in this browser until they are. */
const key = (visit: string) => `veliform.drafts.${visit}`;

export function readDrafts(visit: string): Entry[] {
  try {
    const text = localStorage.getItem(key(visit));
    return text ? (JSON.parse(text) as Entry[]) : [];
  } catch {
    return [];
  }
}

export function keepDrafts(visit: string, entries: Entry[]): void {
  if (entries.length === 0) localStorage.removeItem(key(visit));
  else localStorage.setItem(key(visit), JSON.stringify(entries));
}

const refusedKey = (visit: string) => `veliform.refused.${visit}`;

/** What could not be kept stays in this browser until somebody puts it away. */
export function readRefused(visit: string): Refused[] {
  try {
    const text = localStorage.getItem(refusedKey(visit));
    return text ? (JSON.parse(text) as Refused[]) : [];
  } catch {
    return [];
  }
}

export function keepRefused(visit: string, refused: Refused[]): void {
  if (refused.length === 0) localStorage.removeItem(refusedKey(visit));
  else localStorage.setItem(refusedKey(visit), JSON.stringify(refused));
}

/** Text that does not read as a value yet, kept so that nothing typed is lost. */
export function readText(field: string): string | null {
  return sessionStorage.getItem(`veliform.text.${field}`);
}

export function keepText(field: string, text: string | null): void {
  if (text === null) sessionStorage.removeItem(`veliform.text.${field}`);
  else sessionStorage.setItem(`veliform.text.${field}`, text);
}
