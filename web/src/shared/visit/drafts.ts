import { keepText as keep, namesFrom, readText as read } from '../devices/storage';
import type { Entry, Refused } from './model';

/** Entries that one page of a visit has not had acknowledged, and the salon they were said in. */
export interface Drafts {
  salon: string | null;
  entries: Entry[];
}

/** Drafts of a visit, in this browser until they are acknowledged; each open page has its own. */
const prefix = (visit: string) => `veliform.drafts.${visit}`;
const page = crypto.randomUUID();
const key = (visit: string) => `${prefix(visit)}.${page}`;

const keysOf = (visit: string) => namesFrom(localStorage, prefix(visit));

function readAt(name: string): Drafts | null {
  try {
    const there = JSON.parse(read(localStorage, name) ?? 'null') as Drafts | Entry[] | null;
    // Earlier builds kept one bare list for all pages.
    return Array.isArray(there) ? { salon: null, entries: there } : there;
  } catch {
    return null;
  }
}

/** What any page of this visit left unacknowledged; what is sent twice counts once. */
export function readDrafts(visit: string): Drafts[] {
  return keysOf(visit).flatMap((name) => readAt(name) ?? []);
}

export function keepDrafts(visit: string, drafts: Drafts): void {
  put(key(visit), drafts);
}

function put(name: string, drafts: Drafts): void {
  keep(localStorage, name, drafts.entries.length === 0 ? null : JSON.stringify(drafts));
}

/** Takes what was acknowledged, or is shown as refused, out of the drafts of pages that are gone. */
export function forgetDrafts(visit: string, ids: Set<string>): void {
  for (const name of keysOf(visit)) {
    const there = readAt(name);
    if (there) put(name, { ...there, entries: there.entries.filter((e) => !ids.has(e.id)) });
  }
}

/** What was said of a visit is another's: both were begun for the same dog. */
export function moveDrafts(from: string, to: string): void {
  for (const name of keysOf(from)) {
    const there = readAt(name);
    if (there) put(name.replace(from, to), there);
    keep(localStorage, name, null);
  }
}

const refusedKey = (visit: string) => `veliform.refused.${visit}`;

/** What could not be kept stays in this browser until somebody puts it away. */
export function readRefused(visit: string): Refused[] {
  try {
    const text = read(localStorage, refusedKey(visit));
    return text ? (JSON.parse(text) as Refused[]) : [];
  } catch {
    return [];
  }
}

export function keepRefused(visit: string, refused: Refused[]): void {
  keep(localStorage, refusedKey(visit), refused.length === 0 ? null : JSON.stringify(refused));
}

/** Text that does not read as a value yet, kept so that nothing typed is lost. */
export function readText(field: string): string | null {
  return read(sessionStorage, `veliform.text.${field}`);
}

export function keepText(field: string, text: string | null): void {
  keep(sessionStorage, `veliform.text.${field}`, text);
}
