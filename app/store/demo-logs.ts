import * as z from 'zod';
import { Entry } from '../../core/log/model';
import { dayOf, daysFrom } from '../../core/schedule/day';
import { database } from './database';
import { announceLog, putEntries } from './tank-logs';

const DAY_MS = 86_400_000;

/** Lays out what was written down in the demo's tanks, so that it ends yesterday. What somebody has written there since stays beside it. */
export async function layDemoLogs(): Promise<void> {
  const { default: demo } = await import('../../catalogue/demo/logs.json');
  const now = Date.now();
  const by = (daysFrom(demo.ends, dayOf(new Date(now))) - 1) * DAY_MS;
  const later = (instant: string) => new Date(Date.parse(instant) + by).toISOString().replace('.000Z', 'Z');
  for (const [designId, lines] of Object.entries(demo.logs)) {
    // one that was deleted stays so
    if ((await (await database()).getKey('designs', designId)) === undefined) continue;
    await putEntries(
      designId,
      z
        .array(Entry)
        .parse(lines)
        .map((entry) => ({ ...entry, at: later(entry.at), written: later(entry.written) })),
    );
    announceLog(designId);
  }
}
