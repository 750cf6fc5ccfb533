// @ts-check
/// <reference lib="webworker" />
/* global self, caches, crypto, fetch, importScripts, Response, TextEncoder */

/**
 * The program without a server, with one promise more: a newer version is shown to the worker that keeps it only when every file of it is there
 * and whole. The worker below takes one that fails for a reason to send every new page to the server, and the server is what is broken then; a
 * missing list of files makes it throw away what it holds. Either is told to it as "no connection", which leaves the last whole version at work.
 */
const LIST = 'ngsw.json';
const KEPT = 'terroir-whole';
const NO_CONNECTION = () => new Response(null, { status: 504, statusText: 'Not whole' });
const ask = self.fetch.bind(self);

/** @param {ArrayBuffer | Uint8Array<ArrayBuffer>} bytes */
const sha1 = async (bytes) =>
  [...new Uint8Array(await crypto.subtle.digest('SHA-1', bytes))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** @typedef {{ assetGroups: { urls: string[] }[], hashTable: Record<string, string> }} Manifest */

/**
 * Whether every file that is new in a version can be had as it was built.
 * @param {Manifest} version
 * @param {Manifest | null} held
 */
async function whole(version, held) {
  const urls = version.assetGroups.flatMap((group) => group.urls);
  const fresh = urls.filter((url) => held?.hashTable[url] !== version.hashTable[url]);
  const found = await Promise.all(
    fresh.map(async (url) => {
      const response = await ask(url, { cache: 'no-cache' });
      return response.ok && (await sha1(await response.arrayBuffer())) === version.hashTable[url];
    }),
  );
  return found.every(Boolean);
}

/** @param {RequestInfo | URL} request */
async function newestWhole(request) {
  const response = await ask(request);
  if (response.status === 404) return NO_CONNECTION();
  if (!response.ok) return response;
  const kept = await caches.open(KEPT);
  const text = await response.text();
  const before = await (await kept.match(LIST))?.text();
  if (text !== before) {
    // the first version has nothing to fall back on: it is taken as it comes
    const held = before === undefined ? null : JSON.parse(before);
    if (held && !(await whole(JSON.parse(text), held))) return NO_CONNECTION();
    await kept.put(LIST, new Response(text));
  }
  return new Response(text, { headers: { 'Content-Type': 'application/json' } });
}

self.fetch = (request, options) => {
  const url = new URL(typeof request === 'string' ? request : 'url' in request ? request.url : request.href, self.location.href);
  return url.pathname.endsWith(`/${LIST}`) ? newestWhole(request).catch(NO_CONNECTION) : ask(request, options);
};

importScripts('ngsw-worker.js');
