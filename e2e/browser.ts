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
];

export function launch(userDataDir?: string): Promise<Browser> {
  return puppeteer.launch({
    executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
    headless: true,
    args: FLAGS,
    defaultViewport: { width: 1280, height: 800 },
    ...(userDataDir ? { userDataDir } : {}),
  });
}

export const BUILT = fileURLToPath(new URL('../dist/app', import.meta.url));

/** The built app, or another state of it, on a port of its own; `asked` is what was asked of it, by page or service worker. */
export async function serve(root = BUILT): Promise<{ url: string; asked: string[]; close: () => void }> {
  const app = createApp(root);
  const asked: string[] = [];
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
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

/** Waits until the work is on the disk and the remedies have been tried out. */
export async function settled(page: Page): Promise<void> {
  await page.waitForSelector('[data-save="saved"]');
  await new Promise((resolve) => setTimeout(resolve, 180));
}
