import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { readWaterReport } from '../core/water/report';
import { sourceWater } from '../core/water/source-water';
import { createApp } from './app';

describe('the server', () => {
  const root = mkdtempSync(join(tmpdir(), 'terroir-server-'));
  let server: Server;
  let url = '';

  beforeAll(async () => {
    writeFileSync(join(root, 'index.html'), '<title>Terroir</title>');
    writeFileSync(join(root, 'main-ABCD1234.js'), 'export {};');
    writeFileSync(join(root, 'plain.json'), '{}');
    writeFileSync(join(root, 'worker-ABCD1234.js'), 'export {};');
    writeFileSync(join(root, 'packed-ABCD1234.js'), 'export const plain = 1;');
    writeFileSync(join(root, 'packed-ABCD1234.js.br'), brotliCompressSync('export const packed = 1;'));
    await new Promise<void>((done) => {
      server = createApp(root).listen(0, '127.0.0.1', () => done());
    });
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => {
    server.close();
    rmSync(root, { recursive: true });
  });

  it('serves the app for its own addresses, with a strict policy', async () => {
    const page = await fetch(`${url}/tank/some-tank/water`);
    expect(page.status).toBe(200);
    expect(await page.text()).toContain('Terroir');
    const policy = page.headers.get('content-security-policy') ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toContain('unsafe-eval');
    expect(page.headers.get('x-content-type-options')).toBe('nosniff');
    expect(page.headers.get('x-powered-by')).toBeNull();
  });

  it('gives the policy to workers too, and spares the parts that a page loads', async () => {
    expect((await fetch(`${url}/worker-ABCD1234.js`)).headers.get('content-security-policy')).toContain("default-src 'none'");
    const part = await fetch(`${url}/main-ABCD1234.js`);
    expect(part.headers.get('content-security-policy')).toBeNull();
    expect(part.headers.get('x-content-type-options')).toBe('nosniff');
    expect(part.headers.get('cross-origin-resource-policy')).toBe('same-origin');
  });

  it('keeps hashed files for good and asks again for the rest', async () => {
    expect((await fetch(`${url}/main-ABCD1234.js`)).headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${url}/main-ABCD1234.js`)).headers.get('etag')).toBeNull();
    expect((await fetch(`${url}/`)).headers.get('cache-control')).toBe('no-cache');
    const manifest = await fetch(`${url}/plain.json`);
    expect(manifest.headers.get('cache-control')).toBe('no-cache');
    expect(manifest.headers.get('etag')).not.toBeNull();
  });

  it('serves what was packed at the build, to those who take it', async () => {
    const packed = await fetch(`${url}/packed-ABCD1234.js`, { headers: { 'accept-encoding': 'br' } });
    expect(packed.headers.get('content-encoding')).toBe('br');
    expect(packed.headers.get('content-type')).toContain('javascript');
    expect(packed.headers.get('cache-control')).toContain('immutable');
    expect(await packed.text()).toBe('export const packed = 1;');
    const plain = await fetch(`${url}/packed-ABCD1234.js`, { headers: { 'accept-encoding': 'identity' } });
    expect(await plain.text()).toBe('export const plain = 1;');
  });

  it('is healthy, and says not found for what is not there', async () => {
    expect(await (await fetch(`${url}/api/health`)).json()).toEqual({ ok: true });
    for (const path of ['/missing.js', '/api/nothing', '/..%2f..%2fetc/passwd.txt'])
      expect((await fetch(url + path)).status)
        .withContext(path)
        .toBeGreaterThanOrEqual(400);
  });

  it('makes up water reports that say so and can be read, each whole enough to weigh', async () => {
    for (const supply of ['limestone-valley', 'upland-reservoir', 'softened-house']) {
      const response = await fetch(`${url}/api/simulated/water-report?supply=${supply}`);
      const read = readWaterReport(await response.text());
      if (!read.ok) return fail(read.reason);
      expect(read.report.simulated).toBeTrue();
      expect(read.report.title).toMatch(/^SIMULATED/);
      expect(read.report.left.every(({ text }) => text.startsWith('Coliform'))).toBeTrue();
      const { readings } = read.report;
      expect(readings.khDh).withContext(supply).toBeGreaterThan(0);
      const water = sourceWater({
        ghDh: { value: readings.ghDh ?? null },
        khDh: { value: readings.khDh ?? null },
        ec25UsPerCm: { value: readings.ec25UsPerCm ?? null },
        salinity: { value: null },
        analysisMgPerL: Object.fromEntries(Object.entries(readings).map(([name, value]) => [name, { value }])),
      });
      expect(water.contradictions).withContext(supply).toEqual([]);
    }
    for (const query of ['', '?supply=moon', '?supply=limestone-valley&extra=1', '?supply=__proto__'])
      expect((await fetch(`${url}/api/simulated/water-report${query}`)).status)
        .withContext(query)
        .toBe(400);
  });

  it('does not start without a build', () => {
    expect(() => createApp(join(root, 'nowhere'))).toThrowError(/npm run build/);
  });
});
