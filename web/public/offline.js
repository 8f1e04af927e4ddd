/*
 * With the server away the page still opens: its own files and the salon's plain answers are kept
 * as they were last seen. What a visit says and what the core makes of it is kept by the page
 * itself, which knows what was said since (src/shared/offline/kept.ts).
 */
const SHELL = 'veliform-shell';

self.addEventListener('install', (event) => {
  void self.skipWaiting();
  event.waitUntil(keepPage());
});

/** The page and the files it names, kept with the first visit: the second may find the server away. */
async function keepPage() {
  const shell = await caches.open(SHELL);
  const page = await fetch('/', { cache: 'no-cache' });
  if (!page.ok) return;
  await shell.put('/', page.clone());
  const text = await page.text();
  const files = [...text.matchAll(/(?:src|href)="(\/[^"]+)"/g)].map((found) => found[1]);
  await shell.addAll(files);
}
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  // A paper that is opened is no page: it is asked for as it is, and kept nowhere.
  if (request.mode === 'navigate' && url.pathname.startsWith('/api/')) return;
  if (request.mode === 'navigate') {
    event.respondWith(newest(request, '/'));
  } else if (url.pathname.startsWith('/assets/')) {
    // A file's name changes with what is in it.
    event.respondWith(first(request));
  } else if (isPlainAnswer(url)) {
    event.respondWith(newest(request, request));
  }
});

/** Settings, words, kit, dogs, what earlier visits tell: nothing that is said during a visit. */
function isPlainAnswer(url) {
  if (!url.pathname.startsWith('/api/') || url.search !== '') return false;
  const isOfPast = url.pathname.endsWith('/past');
  const isLive = /^\/api\/(visits|plans|photos|simulated-devices)\//.test(url.pathname);
  return isOfPast || !isLive;
}

async function newest(request, name) {
  const shell = await caches.open(SHELL);
  try {
    const answer = await fetch(request);
    if (answer.ok) await shell.put(name, answer.clone());
    return answer;
  } catch (away) {
    const kept = await shell.match(name);
    if (kept) return kept;
    throw away;
  }
}

async function first(request) {
  const shell = await caches.open(SHELL);
  const kept = await shell.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await shell.put(request, answer.clone());
  return answer;
}
