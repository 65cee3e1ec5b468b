// Lets a student's board reopen without a network: the page, its files and the last snapshots are kept on the device.
// The network comes first whenever it is there. Needs HTTPS or localhost.

/// <reference lib="webworker" />
const worker = self as unknown as ServiceWorkerGlobalScope;

const CACHE = 'yardang-boards-1';

/** What a board is made of. Films and sounds are not kept: they are asked for in parts, and large; nor copies that somebody takes along. */
const KEPT = /^\/(board\/(?![^/]+\/mine\.)|dist\/|rooms\/[^/]+\/(snapshot|media|names)|ridges\.svg$)/;

worker.addEventListener('install', () => void worker.skipWaiting());

worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));

// A page says what it needs to open again.
worker.addEventListener('message', (event) => {
  const { keep } = event.data as { keep?: string[] };
  if (keep) event.waitUntil(caches.open(CACHE).then((cache) => Promise.allSettled(keep.map((url) => cache.add(url)))));
});

worker.addEventListener('fetch', (event) => {
  const { pathname, origin } = new URL(event.request.url);
  const kept = KEPT.test(pathname) && !event.request.headers.has('range');
  if (event.request.method === 'GET' && origin === worker.location.origin && kept)
    event.respondWith(answer(event.request));
});

// A device without room for a copy still gets the answer.
async function keep(request: Request, response: Response): Promise<void> {
  try {
    await (await caches.open(CACHE)).put(request, response);
  } catch (full) {
    console.warn('This device has no room for a copy of this board.', full);
  }
}

async function answer(request: Request): Promise<Response> {
  try {
    const response = await fetch(request);
    if (response.status === 200 && !response.redirected) await keep(request, response.clone());
    return response;
  } catch (unreachable) {
    // Scripts carry their version in the query; the kept one may be asked for without.
    const kept =
      (await caches.match(request)) ?? (await caches.match(request, { ignoreSearch: request.destination !== '' }));
    if (kept) return kept;
    throw unreachable;
  }
}
