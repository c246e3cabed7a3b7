// Opens the workshop with no connection: the files of one build are kept together, and of what the server says the newest of each.
// A newer build waits beside until a person takes it, or until no page is open any more: nothing changes in the middle of a coat.

const BUILD = '__BUILD__';
const FILES = '__FILES__';
const SHELL = `lintrel.shell.${BUILD}`;
const TOLD = 'lintrel.told';
/** With no answer after so long the page that is kept here is opened, ms. */
const PATIENCE_MS = 3000;
/** Answers of the server that are kept: the shelf, the lists of jobs, designs. Runs are kept by the pages, with what is not sent yet. */
const KEPT_ANSWERS = /^\/api\/(?:shelf|jobs|jobs\/[0-9a-f-]{36}|me)$/;

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(SHELL).then((shell) => shell.addAll(FILES)));
});

self.addEventListener('activate', (event) => {
  const old = (name) => name.startsWith('lintrel.shell.') && name !== SHELL;
  const cleared = caches.keys().then((names) => Promise.all(names.filter(old).map((name) => caches.delete(name))));
  // A page that was there before asks by way of us from now on.
  event.waitUntil(cleared.then(() => self.clients.claim()));
});

self.addEventListener('message', ({ data }) => {
  if (data === 'take-over') self.skipWaiting();
  // Whoever signs out leaves nothing of theirs on a shared phone.
  if (data === 'forget') caches.delete(TOLD);
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(page(request));
  else if (FILES.includes(url.pathname)) event.respondWith(file(request));
  else if (KEPT_ANSWERS.test(url.pathname)) event.respondWith(told(request));
});

/** The page as the server has it; where the server is away, silent, or something else answers: the one kept here. */
async function page(request) {
  const own = async () => (await caches.open(SHELL)).match('/');
  const inTime = new Promise((done) => setTimeout(() => done(null), PATIENCE_MS));
  const answer = await Promise.race([fetch(request).catch(() => null), inTime]);
  return answer?.ok ? answer : ((await own()) ?? answer ?? Response.error());
}

async function file(request) {
  return (await (await caches.open(SHELL)).match(new URL(request.url).pathname)) ?? fetch(request);
}

/** The newest answer; without a connection the last one there was. */
async function told(request) {
  const kept = await caches.open(TOLD);
  try {
    const answer = await fetch(request);
    const isOurs = answer.ok && (answer.headers.get('content-type') ?? '').includes('application/json');
    if (isOurs) await kept.put(request, answer.clone());
    if (answer.status === 401 || answer.status === 403) await kept.delete(request);
    return answer;
  } catch (error) {
    const last = await kept.match(request);
    if (last) return last;
    throw error;
  }
}
