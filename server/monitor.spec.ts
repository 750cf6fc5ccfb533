import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { guessMapping, entriesOf, readLogTable } from '../core/log/csv-in';
import { Hello, Measured, Turns } from '../core/monitor/message';
import type { StandIn } from '../core/monitor/stand-in-model';
import { SMALL_TANK } from '../core/testing/scenarios';
import { createApp } from './app';

interface Said {
  event: string;
  id: string | null;
  data: unknown;
}

describe('the stand-in for a monitor, served', () => {
  const root = mkdtempSync(join(tmpdir(), 'terroir-monitor-'));
  let server: Server;
  let url = '';
  const serve = () =>
    new Promise<void>((done) => {
      server = createApp(root).listen(0, '127.0.0.1', () => done());
    }).then(() => void (url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/simulated/monitor`));

  beforeEach(async () => {
    writeFileSync(join(root, 'index.html'), '<title>Terroir</title>');
    await serve();
  });
  afterEach(() => {
    server.closeAllConnections();
    server.close();
  });
  afterAll(() => rmSync(root, { recursive: true }));

  const standIn = (more: Partial<StandIn> = {}): StandIn => ({
    scenario: SMALL_TANK,
    ecTimes: 1,
    levelMm: 300,
    litresPerMm: 0.2,
    begunMs: Date.now() - 86_400_000,
    everyS: 0.2,
    seed: 1,
    faults: [],
    bath: null,
    ...more,
  });
  const put = (key: string, body: unknown) =>
    fetch(`${url}/${key}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: typeof body === 'string' ? body : JSON.stringify(body),
    });

  /** What a stream says until that is enough. */
  async function listen(key: string, enough: (said: readonly Said[]) => boolean, after?: string): Promise<Said[]> {
    const stop = new AbortController();
    const response = await fetch(`${url}/${key}/stream`, {
      signal: stop.signal,
      headers: after === undefined ? {} : { 'last-event-id': after },
    });
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    const said: Said[] = [];
    let text = '';
    const decoder = new TextDecoder();
    for (const reader = response.body!.getReader(); ;) {
      const { value, done } = await reader.read();
      if (done) break;
      text += decoder.decode(value, { stream: true });
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const fields = Object.fromEntries(
          text
            .slice(0, end)
            .split('\n')
            .map((line) => line.split(/: (.*)/s).slice(0, 2)),
        ) as Record<string, string>;
        said.push({ event: fields['event']!, id: fields['id'] ?? null, data: JSON.parse(fields['data']!) });
        text = text.slice(end + 2);
      }
      if (enough(said)) break;
    }
    stop.abort();
    return said;
  }
  const turnsOf = (said: readonly Said[]): Measured[] => said.flatMap(({ event, data }) => (event === 'measured' ? Turns.parse(data) : []));

  it('is set up, says what it is, and measures on', async () => {
    const hello = Hello.parse(await (await put('thicket', standIn())).json());
    expect(hello.simulated).toBeTrue();
    const said = await listen('thicket', (all) => turnsOf(all).length >= 4);
    expect(said[0]!.event).toBe('hello');
    expect(Hello.parse(said[0]!.data)).toEqual(hello);
    const turns = turnsOf(said);
    expect(turns.map(({ tick }) => tick - turns[0]!.tick)).toEqual(turns.map((_, i) => i));
    expect(Object.keys(turns[0]!.values).sort()).toEqual(['ec25UsPerCm', 'levelMm', 'ph', 'temperatureC']);
    expect(Math.abs(turns.at(-1)!.at - Date.now())).toBeLessThan(5_000);
    expect(said.at(-1)!.id).toBe(`${hello.boot}:${turns.at(-1)!.tick}`);
  });

  it('tells whoever comes back what was measured meanwhile; after it was off, nothing of that time', async () => {
    await put('thicket', standIn());
    const first = await listen('thicket', (all) => turnsOf(all).length >= 2);
    const last = turnsOf(first).at(-1)!;
    await new Promise((resolve) => setTimeout(resolve, 900));
    const again = turnsOf(await listen('thicket', (all) => turnsOf(all).length >= 5, first.at(-1)!.id!));
    expect(again[0]!.tick).toBe(last.tick + 1);
    expect(again.map(({ tick }) => tick - again[0]!.tick)).toEqual(again.map((_, i) => i));

    const cursor = first.at(-1)!.id!;
    server.closeAllConnections();
    server.close();
    await serve();
    expect((await fetch(`${url}/thicket/stream`)).status).toBe(404);
    const backAt = Date.now();
    await put('thicket', standIn());
    const anew = turnsOf(await listen('thicket', (all) => turnsOf(all).length >= 2, cursor));
    expect(anew[0]!.at).toBeGreaterThan(backAt - 400);
  });

  it('breaks by a switch without a new life', async () => {
    const begunMs = Date.now() - 86_400_000;
    const hello = Hello.parse(await (await put('thicket', standIn({ begunMs }))).json());
    await put('thicket', standIn({ begunMs, faults: [{ kind: 'dead', parameter: 'ph', sinceMs: Date.now() - 1000, untilMs: null }] }));
    const said = await listen('thicket', (all) => turnsOf(all).length >= 2);
    expect(Hello.parse(said[0]!.data).boot).toBe(hello.boot);
    expect(turnsOf(said).every(({ values }) => values.ph === undefined && values.temperatureC !== undefined)).toBeTrue();
  });

  it('gives what it measured as a table that says it is simulated, and that a log reads so', async () => {
    await put('thicket', standIn());
    await listen('thicket', (all) => turnsOf(all).length >= 4);
    const response = await fetch(`${url}/thicket/readings.csv?ahead=60`);
    expect(response.headers.get('content-disposition')).toContain('SIMULATED');
    const table = readLogTable(await response.text());
    if (!table.ok) return fail(table.reason);
    const mapping = guessMapping(table.table)!;
    expect(mapping.values.map(({ parameter, unit }) => [parameter, unit])).toEqual([
      ['temperatureC', '°C'],
      ['ph', ''],
      ['ec25UsPerCm', 'µS/cm'],
      ['levelMm', 'mm'],
    ]);
    const { entries, left } = entriesOf(table.table, mapping, { now: Date.now() + 5000, of: '', aheadAt: () => 60, id: String });
    // five turns a second and a clock of whole seconds: those of one second are told apart by what they read
    expect(left.filter(({ reason }) => !reason.includes('twice'))).toEqual([]);
    expect(entries.length).toBeGreaterThan(2);
    expect(entries.every((entry) => entry.kind === 'reading' && entry.simulated)).toBeTrue();
  });

  it('refuses what is no monitor, saying where, and what is not there', async () => {
    const reasonOf = async (response: Response) => [response.status, ((await response.json()) as { reason: string }).reason] as const;
    expect(await reasonOf(await put('thicket', { ...standIn(), everyS: 0 }))).toEqual([400, jasmine.stringMatching(/^everyS: /)]);
    expect(await reasonOf(await put('thicket', standIn({ begunMs: Date.now() + 1e7 })))).toEqual([400, jasmine.stringMatching(/^begunMs/)]);
    expect(await reasonOf(await put('thi%20cket', standIn()))).toEqual([400, jasmine.stringMatching(/^key/)]);
    expect(await reasonOf(await put('thicket', '{'))).toEqual([400, jasmine.any(String)]);
    expect((await put('thicket', JSON.stringify({ x: 'y'.repeat(500_000) }))).status).toBe(413);
    for (const path of ['nobody/stream', 'nobody/readings.csv']) expect((await fetch(`${url}/${path}`)).status).toBe(404);
    expect((await fetch(`${url}/nobody`, { method: 'DELETE' })).status).toBe(204);
  });
});
