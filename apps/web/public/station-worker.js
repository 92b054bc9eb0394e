// Keeps what a station needs when the network goes. What the server answers always goes first; what is kept stands in for it
// only where it does not answer.
const KEPT = 'druckerei-station-1';
const WAIT_MS = 4000;

/** Questions whose answers stand in while the server is away. */
const ASKED = [
  /^\/api\/session$/,
  /^\/api\/jobs\/\d+\/book$/,
  /^\/api\/book\/stations$/,
  /^\/api\/jobs\/\d+\/revisions\/\d+\/stations\/[a-z0-9-]+\.(svg|json)$/,
];
/** Files of the build: those with a hash in their names never change. */
const HASHED = /-[A-Z0-9]{8}\.\w+$/;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) =>
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (name !== KEPT) await caches.delete(name);
      await self.clients.claim();
    })(),
  ),
);

/** The server's answer, kept; what was kept where it does not answer in time. */
async function serverFirst(request, key) {
  const cache = await caches.open(KEPT);
  const late = new Promise((_, fail) => setTimeout(() => fail(new Error('late')), WAIT_MS));
  try {
    const asked = fetch(request).then(async (answer) => {
      if (answer.ok) await cache.put(key, answer.clone());
      return answer;
    });
    const answer = (await cache.match(key)) ? await Promise.race([asked, late]) : await asked;
    if (answer.status < 500) return answer;
    return (await cache.match(key)) ?? answer;
  } catch (error) {
    const kept = await cache.match(key);
    if (kept) return kept;
    throw error;
  }
}

/** The page that an address is of: the reckoner alone, or the whole. */
const pageOf = (pathname) => (/^\/reckoner\/?$/.test(pathname) ? '/reckoner' : '/index.html');

// What a page had fetched before it was looked after is kept as well: it opens without network from its first time on.
self.addEventListener('message', (event) => {
  const { page, files } = event.data;
  event.waitUntil(
    (async () => {
      const cache = await caches.open(KEPT);
      await cache.put(pageOf(page), await fetch(page));
      for (const file of files) if (HASHED.test(file) && !(await cache.match(file))) await cache.add(file);
    })(),
  );
});

async function keptFirst(request) {
  const cache = await caches.open(KEPT);
  const kept = await cache.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await cache.put(request, answer.clone());
  return answer;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  const signsOut = url.pathname === '/api/session' && request.method !== 'GET';
  // Who signs out or in is somebody else from now on: what was theirs goes.
  if (signsOut) {
    event.waitUntil(caches.open(KEPT).then((cache) => cache.delete('/api/session')));
    return;
  }
  if (request.method !== 'GET') return;
  if (request.mode === 'navigate') event.respondWith(serverFirst(request, pageOf(url.pathname)));
  else if (ASKED.some((path) => path.test(url.pathname))) event.respondWith(serverFirst(request, url.pathname));
  else if (HASHED.test(url.pathname)) event.respondWith(keptFirst(request));
});
