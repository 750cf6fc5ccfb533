import { randomUUID } from 'node:crypto';
import { json, Router, type NextFunction, type Request, type Response } from 'express';
import { courseOf, measuredOn, tickAt, type Course } from '../core/monitor/stand-in';
import { FOLLOWED_DAYS, StandIn } from '../core/monitor/stand-in-model';
import type { Measured } from '../core/monitor/message';
import { TooStiff } from '../core/tank/integrate';

/** One made-up monitor. It measures from when it is set up until the server ends, and keeps nothing else. */
interface Monitor {
  standIn: StandIn;
  course: Course;
  /** What it is followed by: another tank is followed anew. */
  mark: string;
  /** The first turn that it measured in this life of the server. */
  firstTick: number;
  listeners: Set<Response>;
}

const MOST_MONITORS = 60;
const MOST_LISTENERS = 8;
/** What a monitor keeps of what it measured while nobody listened, turns. */
const KEPT_TURNS = 4320;
const TURNS_AT_ONCE = 500;
const MOST_ROWS = 5000;
const KEY = /^[\w-]{1,80}$/;
const NAME: Readonly<Record<keyof Measured['values'], string>> = {
  temperatureC: 'temperature (°C)',
  ph: 'pH',
  ec25UsPerCm: 'EC (µS/cm)',
  levelMm: 'level (mm)',
};

const markOf = ({ faults: _, bath: __, ...rest }: StandIn): string => JSON.stringify(rest);

/**
 * Stand-ins for monitors that stay in a tank, by a key that whoever sets one up chooses: set up or changed by PUT, listened to as a stream of
 * server-sent events, and read as a table. All of it is made up, and says so.
 */
export function monitors(): Router {
  const boot = randomUUID();
  const all = new Map<string, Monitor>();
  const router = Router();

  const turnsOf = ({ standIn, course }: Monitor, from: number, to: number): Measured[] => {
    const found: Measured[] = [];
    for (let tick = from; tick <= to; tick++) {
      const turn = measuredOn(tick, standIn, course);
      if (turn) found.push(turn);
    }
    return found;
  };

  router.put('/:key', json({ limit: '400kb' }), (request, response) => {
    const key = String(request.params['key']);
    const read = StandIn.safeParse(request.body);
    if (!KEY.test(key)) return void response.status(400).json({ reason: 'key: letters, digits and dashes, up to 80' });
    if (!read.success) {
      const [issue] = read.error.issues;
      return void response.status(400).json({ reason: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'not a monitor'}` });
    }
    const standIn = read.data;
    const tick = tickAt(standIn, Date.now());
    if (tick < 0 || Date.now() - standIn.begunMs > (FOLLOWED_DAYS - 1) * 86_400_000)
      return void response.status(400).json({ reason: `begunMs: within the last ${FOLLOWED_DAYS - 1} days` });
    const there = all.get(key);
    const mark = markOf(standIn);
    if (there?.mark === mark) there.standIn = standIn;
    else {
      if (!there && all.size >= MOST_MONITORS) return void response.status(429).json({ reason: `no more than ${MOST_MONITORS} at a time` });
      try {
        const course = courseOf(standIn);
        for (const listener of there?.listeners ?? []) listener.end();
        all.set(key, { standIn, course, mark, firstTick: tick, listeners: new Set() });
      } catch (error) {
        if (!(error instanceof TooStiff)) throw error;
        return void response.status(422).json({ reason: 'The balance of this tank cannot be followed.' });
      }
    }
    response.set('Cache-Control', 'no-store').json({ boot, everyS: standIn.everyS, simulated: true });
  });

  router.delete('/:key', (request, response) => {
    const monitor = all.get(String(request.params['key']));
    for (const listener of monitor?.listeners ?? []) listener.end();
    all.delete(String(request.params['key']));
    response.status(204).end();
  });

  router.get('/:key/stream', (request, response) => {
    const monitor = all.get(String(request.params['key']));
    if (!monitor) return void response.status(404).json({ reason: 'there is no such monitor' });
    if (monitor.listeners.size >= MOST_LISTENERS) return void response.status(429).json({ reason: 'too many listen to it' });
    const { everyS } = monitor.standIn;
    // a stream that is packed is held back until there is enough to pack
    response.writeHead(200, { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform', Connection: 'keep-alive' });
    const send = (event: string, id: string | null, data: unknown) =>
      response.write(`event: ${event}\n${id === null ? '' : `id: ${id}\n`}data: ${JSON.stringify(data)}\n\n`);
    send('hello', null, { boot, everyS, simulated: true });
    // whoever comes back is told what was measured meanwhile, as far as this life of the server has it
    const after = String(request.headers['last-event-id'] ?? request.query['after'] ?? '');
    const [ofBoot, lastTick] = [after.slice(0, after.lastIndexOf(':')), Number(after.slice(after.lastIndexOf(':') + 1))];
    const now = tickAt(monitor.standIn, Date.now());
    let next = now;
    if (ofBoot === boot && Number.isInteger(lastTick)) next = Math.max(lastTick + 1, monitor.firstTick, now - KEPT_TURNS);
    const tell = (): void => {
      const to = tickAt(monitor.standIn, Date.now());
      for (let from = next; from <= to; from += TURNS_AT_ONCE) {
        const turns = turnsOf(monitor, from, Math.min(to, from + TURNS_AT_ONCE - 1));
        if (turns.length > 0) send('measured', `${boot}:${turns.at(-1)!.tick}`, turns);
      }
      next = Math.max(next, to + 1);
    };
    tell();
    const timer = setInterval(tell, Math.max(100, everyS * 500));
    monitor.listeners.add(response);
    response.on('close', () => {
      clearInterval(timer);
      monitor.listeners.delete(response);
    });
  });

  router.get('/:key/readings.csv', (request, response) => {
    const monitor = all.get(String(request.params['key']));
    if (!monitor) return void response.status(404).json({ reason: 'there is no such monitor' });
    const { standIn } = monitor;
    const ahead = Number(request.query['ahead'] ?? 0);
    if (!Number.isInteger(ahead) || Math.abs(ahead) > 14 * 60)
      return void response.status(400).json({ reason: 'ahead: minutes ahead of UTC' });
    // what it measured since it was switched on, and nothing from before
    const [from, to] = [monitor.firstTick, tickAt(standIn, Date.now())];
    const step = Math.ceil((to - from + 1) / MOST_ROWS);
    const names = Object.keys(NAME) as (keyof typeof NAME)[];
    const rows = [['time', ...names.map((name) => NAME[name]), 'SIMULATED'].join(',')];
    for (let tick = from; tick <= to; tick += step) {
      const turn = measuredOn(tick, standIn, monitor.course);
      if (!turn) continue;
      const wall = new Date(turn.at + ahead * 60_000).toISOString().slice(0, 19).replace('T', ' ');
      rows.push([wall, ...names.map((name) => turn.values[name] ?? ''), 'SIMULATED'].join(','));
    }
    response
      .set({
        'Content-Type': 'text/csv; charset=utf-8',
        'Cache-Control': 'no-store',
        'Content-Disposition': 'attachment; filename="SIMULATED-readings.csv"',
      })
      .send(`${rows.join('\r\n')}\r\n`);
  });

  router.use((error: Error & { status?: number }, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent || error.status === undefined || error.status >= 500) return next(error);
    response.status(error.status).json({ reason: error.message });
  });
  return router;
}
