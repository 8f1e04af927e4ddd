/** Answers that every page needs, and the store that the worker keeps answers in. */
const EVERY_PAGE = ['/api/catalogue', '/api/house', '/api/kit', '/api/dogs'];
const ANSWERS = 'veliform-answers';

/** From now on the page opens with the server away as well, where the browser can. */
export function startOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  const isFirstLoad = navigator.serviceWorker.controller === null;
  navigator.serviceWorker.register('/offline.js').catch(() => undefined);
  // What the first page asked for went past the worker, which was not at work yet.
  if (isFirstLoad) navigator.serviceWorker.ready.then(keepAnswers).catch(() => undefined);
}

async function keepAnswers(): Promise<void> {
  const answers = await caches.open(ANSWERS);
  await answers.addAll(EVERY_PAGE);
}
