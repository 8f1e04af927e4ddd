/** Answers that every page needs, and the store that the worker keeps answers in. */
const EVERY_PAGE = ['/api/catalogue', '/api/house', '/api/kit', '/api/dogs'];
const ANSWERS = 'veliform-answers';

/** From now on the page opens with the server away as well, where the browser can. */
export function startOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/offline.js').catch(() => undefined);
  // What the first page asked for went past the worker, which was not at work yet; and what did not come
  // then is asked for when a page is next opened.
  navigator.serviceWorker.ready.then(keepAnswers).catch(() => undefined);
}

async function keepAnswers(): Promise<void> {
  const answers = await caches.open(ANSWERS);
  const were = await Promise.all(EVERY_PAGE.map((path) => answers.match(path)));
  const missing = EVERY_PAGE.filter((_, i) => were[i] === undefined);
  // Each by itself: one that does not come keeps no other away.
  await Promise.allSettled(missing.map((path) => answers.add(path)));
}
