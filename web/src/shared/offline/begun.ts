import { api, ask, Failure, type Schemas } from '../api/client';
import { nowMs } from '../clock/now';
import { keepText, namesFrom, readText } from '../devices/storage';
import { moveDrafts } from '../visit/drafts';
import { keep, kept } from './kept';

/** A visit begun on this device with the server away, until the server hears of it. */
interface Begun {
  dog: string;
  began_ms: number;
}

const PREFIX = 'veliform.begun.';

function begunHere(visit: string): Begun | null {
  try {
    return JSON.parse(readText(localStorage, PREFIX + visit) ?? 'null') as Begun | null;
  } catch {
    return null;
  }
}

export const isBegunHere = (visit: string) => begunHere(visit) !== null;

/** The visit of a dog that was begun here and that the server has not heard of; none where none was. */
export function begunOf(dog: string): string | null {
  return allBegun().find((visit) => begunHere(visit)?.dog === dog) ?? null;
}

const tell = (visit: string, begun: Begun) =>
  ask(api.PUT('/api/visits/{id}', { params: { path: { id: visit } }, body: begun }));

/** Begins a dog's visit and answers which it is: with the server away by what was kept of the dog. */
export async function begin(dog: Schemas['Dog']): Promise<string> {
  const id = crypto.randomUUID();
  const begun = { dog: dog.id, began_ms: nowMs() };
  try {
    return (await tell(id, begun)).id;
  } catch (error) {
    const next = await kept<Schemas['NextVisit']>(nextName(dog.id));
    if (!(error instanceof Failure) || error.kind !== 'offline') throw error;
    if (!next) throw new Failure('offline', NOT_KEPT);
    const { salon, entries, evaluation, past } = next;
    const log = { dog: next.dog, salon, began_ms: begun.began_ms, entries, last: 0 };
    await Promise.all([
      keep(`log.${id}`, log),
      keep(`desk.${id}`, { evaluation, plan: null, change: null, knotsAgain: [], drawnStep: null }),
      keep(`past.${id}`, past),
    ]);
    keepText(localStorage, PREFIX + id, JSON.stringify(begun));
    return id;
  }
}

const NOT_KEPT =
  'Veliform does not answer, and this device has not seen this dog; begin when Veliform is back.';

/**
 * Tells the server of a visit that was begun here, and answers which visit it is there: another screen
 * may have begun it too. What was said here goes along.
 */
export async function tellOfBegun(visit: string): Promise<string> {
  const begun = begunHere(visit);
  if (!begun) return visit;
  const { id } = await tell(visit, begun);
  if (id !== visit) moveDrafts(visit, id);
  keepText(localStorage, PREFIX + visit, null);
  return id;
}

/** Every visit begun here that the server has not heard of: this device alone knows it. */
export const allBegun = () =>
  namesFrom(localStorage, PREFIX).map((name) => name.slice(PREFIX.length));

/** Tells the server of every visit begun here; answers whether it took one. */
export async function tellOfAllBegun(): Promise<boolean> {
  // One whose dog was forgotten meanwhile is in no other's way; its own page says so.
  const told = await Promise.allSettled(allBegun().map(tellOfBegun));
  return told.some(({ status }) => status === 'fulfilled');
}

const nextName = (dog: string) => `next.${dog}`;

/** So many dogs of the rail can be begun with the server away. */
const KEPT_AHEAD = 12;
/** What was kept of a dog is kept anew after so long, ms: it grows by the day. */
const FRESH_MS = 12 * 3_600_000;

/** Keeps what the next visits of these dogs would begin with, one dog after the other. */
export async function keepAhead(cards: Schemas['DogCard'][], isLeft: () => boolean): Promise<void> {
  for (const { dog, last_visit } of cards.slice(0, KEPT_AHEAD)) {
    if (isLeft()) return;
    const name = nextName(dog.id);
    const stands = `${last_visit?.id ?? ''} ${Math.floor(nowMs() / FRESH_MS)}`;
    if ((await kept<{ stands: string }>(name))?.stands === stands) continue;
    try {
      const next = await ask(api.GET('/api/dogs/{id}/next', { params: { path: { id: dog.id } } }));
      await keep(name, { ...next, stands });
    } catch {
      // The server went away, or the dog: what was kept before stands.
      return;
    }
  }
}
