import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NEVER, catchError, combineLatest, distinctUntilChanged, map, of, switchMap, timer } from 'rxjs';
import { keyOfSign } from '../../core/log/signs';
import type { Line } from '../../core/log/timeline';
import { dayOf } from '../../core/schedule/day';
import { JudgeFeed } from './judge-feed';
import { TankSession } from './tank-session';
import { TankView } from './tank-view';

/** The log is read after the verdict and its remedies; after an edit of the plan once the hand has rested for long. */
const AFTER_LOG_MS = 400;
const AFTER_EDIT_MS = 4000;

const isMade = ({ entry }: Line): boolean => entry.kind === 'reading' && entry.simulated;

/** What the log of the open tank shows, for whoever tells it beside the plan; nothing that a stand-in made up. */
@Injectable({ providedIn: 'root' })
export class TankRecord {
  private readonly session = inject(TankSession);
  private readonly feed = inject(JudgeFeed);
  private readonly view = inject(TankView);
  private asked: unknown = null;

  private readonly read = toSignal(
    combineLatest([this.session.log$, this.session.assessment$]).pipe(
      map(([log, { world }]) => ({ log, world })),
      distinctUntilChanged((a, b) => a.log === b.log && a.world === b.world),
      switchMap(({ log, world }) => {
        const lines = (log?.lines ?? []).filter((line) => !isMade(line));
        if (!log || log.designId !== world.design.id || lines.length === 0) return of(null);
        const wait = this.asked === log ? AFTER_EDIT_MS : AFTER_LOG_MS;
        return timer(wait).pipe(
          switchMap(() => {
            this.asked = log;
            const input = { lines, today: dayOf(new Date()), now: Date.now() };
            return this.feed.ask('record', world.design, world.room, input, { whole: false });
          }),
          map((read) => ({ of: world.design.id, read })),
          catchError(() => NEVER),
        );
      }),
    ),
    { initialValue: null },
  );

  private readonly shown = computed(() => {
    const found = this.read();
    return found && found.of === this.view.design()?.id ? found.read.signs : [];
  });
  private readonly reasons = computed(() => this.view.design()?.accepted ?? {});
  /** What it shows, the gravest first; empty while it is not read. */
  readonly signs = computed(() => this.shown().filter((sign) => !Object.hasOwn(this.reasons(), keyOfSign(sign))));
  /** What it shows, and was accepted. */
  readonly accepted = computed(() => this.shown().filter((sign) => Object.hasOwn(this.reasons(), keyOfSign(sign))));
  /** The gravest of it; null for nothing. */
  readonly worst = computed(() => {
    const weights = this.signs().map(({ weight }) => weight);
    return weights.includes('conflict') ? 'conflict' : (weights[0] ?? null);
  });
}
