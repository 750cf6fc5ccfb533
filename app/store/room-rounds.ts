import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { withRecord } from '../../core/assessment/record';
import type { TankRound } from '../../core/assessment/round';
import type { Room } from '../../core/design/room';
import type { UnitChoice } from '../../core/quantity/format';
import { timelineOf } from '../../core/log/timeline';
import type { Day } from '../../core/schedule/day';
import { JudgeFeed } from './judge-feed';
import { Library } from './library';
import { readLog } from './tank-logs';

/** What every tank of a room asks for, worked out one after the other in the worker. */
@Injectable({ providedIn: 'root' })
export class RoomRounds {
  private readonly library = inject(Library);
  private readonly feed = inject(JudgeFeed);

  /** @returns null where the tank cannot be read here, or judged */
  async of(designId: string, room: Room, today: Day, days: number, units: UnitChoice): Promise<TankRound | null> {
    const stored = await this.library.design(designId).catch(() => null);
    if (!stored) return null;
    const lines = timelineOf((await readLog(designId)).entries);
    const design = withRecord(stored.document, lines);
    return firstValueFrom(this.feed.ask('round', design, room, { lines, today, days, units }, { whole: false })).catch(() => null);
  }
}
