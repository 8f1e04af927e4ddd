/** Answers kept on this device, so that a page opened with the server away stands where it was. */
const STORE = 'veliform-kept';

const at = (name: string) => `/kept/${name}`;

/** Keeps a value; where the browser cannot, nothing is kept and nothing fails. */
export async function keep(name: string, value: unknown): Promise<void> {
  if (!('caches' in window)) return;
  try {
    const store = await caches.open(STORE);
    await store.put(at(name), new Response(JSON.stringify(value)));
  } catch {
    // The device is full or forbids it: the server still has everything that was sent.
  }
}

/** What was kept by that name; null where nothing was. */
export async function kept<T>(name: string): Promise<T | null> {
  if (!('caches' in window)) return null;
  try {
    const store = await caches.open(STORE);
    const answer = await store.match(at(name));
    return answer ? ((await answer.json()) as T) : null;
  } catch {
    return null;
  }
}

/** What is kept for dogs that are not on the table. */
const OF_THE_RAIL = /\/kept\/(dogs$|next\.)/;

/** Keeps only these visits: another is read from the server. */
export async function keepOnly(visits: string[]): Promise<void> {
  if (!('caches' in window)) return;
  try {
    const store = await caches.open(STORE);
    const all = await store.keys();
    const isOf = (url: string) => visits.some((visit) => url.endsWith(visit));
    const others = all.filter(({ url }) => !isOf(url) && !OF_THE_RAIL.test(url));
    await Promise.all(others.map((request) => store.delete(request)));
  } catch {
    // Nothing was kept, so nothing is in the way.
  }
}
