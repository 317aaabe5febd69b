// The shell while the server is away: the page and its hashed assets as they were last loaded, and what was last seen of the shop.
// Entries are not its business: they wait in the queue.
const SHELL = 'ekrond-shell-2'
const SEEN = 'ekrond-seen-1'
const MOST_SEEN = 60
/** What a bench needs to go on; papers, exports and streams are not kept. */
const KEEPABLE = /^\/api\/(shop|jobs(\/[^/]+)?|sheets|catalogue|market|list-numbers(\/[^/]+)?)$/

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(SHELL)
      .then((cache) => cache.add(new Request('/', { cache: 'reload' })))
      .then(() => self.skipWaiting()),
  )
})
self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(
          names.filter((name) => name !== SHELL && name !== SEEN).map((name) => caches.delete(name)),
        ),
      )
      .then(() => self.clients.claim()),
  )
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== location.origin) return
  if (request.mode === 'navigate') event.respondWith(page(request))
  else if (url.pathname.startsWith('/assets/')) event.respondWith(asset(request))
  else if (KEEPABLE.test(url.pathname)) event.respondWith(seen(request))
})

self.addEventListener('message', (event) => {
  if (event.data === 'keep every part') event.waitUntil(keepEveryPart())
})

/** Every station's code of this build, one after another so that nobody waits for it; what no build has any more goes. */
async function keepEveryPart() {
  const answer = await fetch('/parts.json', { cache: 'no-cache' }).catch(() => null)
  if (!answer?.ok) return
  const parts = new Set(await answer.json())
  const cache = await caches.open(SHELL)
  const had = new Set((await cache.keys()).map(({ url }) => new URL(url).pathname))
  for (const part of parts) if (!had.has(part)) await asset(new Request(part)).catch(() => undefined)
  for (const path of had) if (path.startsWith('/assets/') && !parts.has(path)) await cache.delete(path)
}

async function page(request) {
  const cache = await caches.open(SHELL)
  try {
    const answer = await fetch(request)
    if (answer.ok && (answer.headers.get('content-type') ?? '').includes('text/html'))
      await cache.put('/', answer.clone())
    return answer
  } catch {
    return (await cache.match('/')) ?? Response.error()
  }
}

async function asset(request) {
  const cache = await caches.open(SHELL)
  // A part is the same whoever asks: an import asks in other words than we did.
  const known = await cache.match(request, { ignoreVary: true })
  if (known) return known
  const answer = await fetch(request)
  // Never a page in a part's place: it would stay there, and every screen that wants the part would be dead.
  const page = (answer.headers.get('content-type') ?? '').includes('text/html')
  if (answer.ok && !page) await cache.put(request, answer.clone())
  return answer
}

async function seen(request) {
  try {
    const answer = await fetch(request)
    if (answer.ok) void keep(request, answer.clone())
    return answer
  } catch (error) {
    const known = await (await caches.open(SEEN)).match(request)
    if (known) return asKept(known)
    throw error
  }
}

/** The same answer, saying that it is an old one and of when. */
function asKept(known) {
  const headers = new Headers(known.headers)
  headers.set('x-kept', headers.get('date') ?? '')
  return new Response(known.body, { status: known.status, headers })
}

async function keep(request, answer) {
  const cache = await caches.open(SEEN)
  await cache.delete(request)
  await cache.put(request, answer)
  const all = await cache.keys()
  await Promise.all(all.slice(0, Math.max(0, all.length - MOST_SEEN)).map((old) => cache.delete(old)))
}
