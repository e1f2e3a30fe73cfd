/// <reference lib="webworker" />
import { build, version } from '$service-worker';
import { OFFLINE_CACHE, type KeepMessage } from './lib/handouts/keep-offline.ts';

/** Keeps students' pages, and nothing else: what a teacher does is never answered from a cache. */
const worker = self as unknown as ServiceWorkerGlobalScope;
const CACHE = `${OFFLINE_CACHE}-${version}`;
const PAGES = `${OFFLINE_CACHE}-pages`;
const ASSETS = new Set(build);

worker.addEventListener('install', () => void worker.skipWaiting());
worker.addEventListener('activate', (event) =>
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys())
        if (name.startsWith(OFFLINE_CACHE) && name !== CACHE && name !== PAGES) await caches.delete(name);
      await worker.clients.claim();
    })(),
  ),
);

worker.addEventListener('message', (event) => {
  const message = event.data as KeepMessage;
  if (message.kind === 'keep') event.waitUntil(keep(message));
});

const keep = async ({ page, addresses }: KeepMessage): Promise<void> => {
  const [assets, pages] = await Promise.all([caches.open(CACHE), caches.open(PAGES)]);
  const fresh = await fetch(page).catch(() => undefined);
  if (fresh?.ok) await pages.put(page, fresh);
  await Promise.all(
    addresses.map(async (address) => {
      if (!(await assets.match(address))) await assets.add(address).catch(() => undefined);
    }),
  );
};

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== location.origin) return;
  if (request.mode === 'navigate' && url.pathname.startsWith('/s/')) event.respondWith(pageOf(request));
  else if (
    ASSETS.has(url.pathname) ||
    url.pathname.startsWith('/_app/') ||
    url.pathname.endsWith('.webmanifest') ||
    // Music to practise, and what is heard of a page: their addresses tell of when they are.
    /^\/s\/practise\/[^/]+\/sheets\//.test(url.pathname) ||
    /^\/s\/[^/]+\/sounds$/.test(url.pathname)
  )
    event.respondWith(assetOf(request));
});

/** The page as it is now; as it was kept where there is no network. One that is revoked is no longer kept. */
const pageOf = async (request: Request): Promise<Response> => {
  const pages = await caches.open(PAGES);
  try {
    const fresh = await fetch(request);
    if (fresh.ok) await pages.put(request.url, fresh.clone());
    else if (fresh.status === 404) await pages.delete(request.url);
    return fresh;
  } catch (error) {
    const kept = await pages.match(request.url);
    if (kept) return kept;
    throw error;
  }
};

const assetOf = async (request: Request): Promise<Response> => {
  const assets = await caches.open(CACHE);
  const kept = await assets.match(request);
  if (kept) return kept;
  const fresh = await fetch(request);
  if (fresh.ok) await assets.put(request, fresh.clone());
  return fresh;
};
