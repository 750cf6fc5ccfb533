import type { IncomingMessage, Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';
import { createApp } from '../server/app';

export const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // a page that was kept for "back" and the next one of its process wait for each other now and then on a busy machine, for ever
  '--disable-features=BackForwardCache',
];

export function launch(userDataDir?: string): Promise<Browser> {
  return puppeteer.launch({
    executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
    headless: true,
    // a call that hangs says which it was, and not only that the spec's time is up
    protocolTimeout: 40_000,
    args: FLAGS,
    defaultViewport: { width: 1280, height: 800 },
    ...(userDataDir ? { userDataDir } : {}),
  });
}

export const BUILT = fileURLToPath(new URL('../dist/app', import.meta.url));

/** The built app, or another state of it, on a port of its own; `asked` is what was asked of it, by page or service worker. */
export async function serve(root = BUILT, port = 0): Promise<{ url: string; asked: string[]; close: () => void }> {
  const app = createApp(root);
  const asked: string[] = [];
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(port, '127.0.0.1', () => resolve(listening));
    listening.on('request', ({ url }: IncomingMessage) => asked.push(url ?? ''));
  });
  return {
    asked,
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.close();
      server.closeAllConnections();
    },
  };
}

/** Waits until what was done is on the screen and on the disk, and the remedies have been tried out. */
export async function settled(page: Page): Promise<void> {
  await drawn(page);
  await page.waitForSelector('[data-save="saved"]');
  await page.waitForFunction(() => !document.querySelector('tr-ledger[aria-busy="true"]'));
}

/** Waits until two pictures have been drawn: what a key or a button did is in the second at the latest. A tab behind another draws none. */
export async function drawn(page: Page): Promise<void> {
  await page.evaluate(
    () => document.hidden || new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(undefined)))),
  );
}

/** The same, and nothing fades or slides any more. */
export async function calm(page: Page): Promise<void> {
  await drawn(page);
  await page.evaluate(() =>
    Promise.allSettled(
      document
        .getAnimations()
        .filter((one) => one.effect?.getComputedTiming().iterations !== Infinity)
        .map(({ finished }) => finished),
    ),
  );
}
