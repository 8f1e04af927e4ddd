/** From now on the page opens with the server away as well, where the browser can. */
export function startOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/offline.js').catch(() => undefined);
}
