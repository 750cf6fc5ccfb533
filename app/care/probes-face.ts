import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { interval, map } from 'rxjs';
import { standInOf, usualLimits } from '../../core/assessment/plan/monitor';
import { lasting, wordAlarm } from '../../core/assessment/wording/monitor';
import type { MonitorPlan } from '../../core/care/model';
import { addMonitor, dropMonitor, setLimit, setMonitor } from '../../core/design/edits/monitor-edits';
import { NOTED_TURNS } from '../../core/monitor/watch';
import type { StandIn } from '../../core/monitor/stand-in-model';
import { MONITORED, type Monitored } from '../../core/reading/calibration';
import { PARAMETER_META } from '../../core/reading/parameter';
import { MonitorBell } from '../store/monitor-bell';
import type { Followed, Monitors } from '../store/monitors';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { clock, moment } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SeverityGlyph } from '../ui/severity-glyph';
import { ProbeDial } from './probe-dial';
import { ProbePoints } from './probe-points';
import { StandInCard } from './stand-in-card';

const EVERY_S = 5;
/** Silences that are named; older ones stand in the log. */
const GAPS_SHOWN = 6;

/** A monitor in the tank: what it reads now, what it is watched for, what its probes were held in. */
@Component({
  selector: 'tr-probes-face',
  imports: [ProbeDial, ProbePoints, QuantityField, SeverityGlyph, StandInCard],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './probes-face.html',
  styleUrl: './probes-face.less',
})
export class ProbesFace {
  private readonly view = inject(TankView);
  private readonly session = inject(TankSession);
  private readonly bell = inject(MonitorBell);
  private readonly units = inject(PreferencesStore).units;
  protected readonly monitored = MONITORED;
  protected readonly sides = ['low', 'high'] as const;
  protected readonly locked = computed(() => this.view.readOnly());
  protected readonly now = toSignal(interval(1000).pipe(map(() => Date.now())), { initialValue: Date.now() });
  protected readonly refused = signal<string | null>(null);

  private readonly monitors = signal<Monitors | null>(null);
  private readonly all = signal<ReadonlyMap<string, Followed>>(new Map());
  protected readonly plan = computed(() => this.view.design()?.care.monitor ?? null);
  protected readonly followed = computed(() => this.all().get(this.view.design()?.id ?? '') ?? null);
  protected readonly standIn = computed(() => {
    const assessment = this.view.assessment();
    return assessment ? standInOf(assessment, new Date().setHours(0, 0, 0, 0), EVERY_S, 1) : null;
  });

  constructor() {
    const destroyed = inject(DestroyRef);
    void this.bell.monitors().then((monitors) => {
      this.monitors.set(monitors);
      monitors.all$.pipe(takeUntilDestroyed(destroyed)).subscribe((all) => this.all.set(all));
    });
    // whoever listens goes by the plan as it is now, undone and redone too
    effect(() => {
      const [monitors, design] = [this.monitors(), this.view.design()];
      if (!monitors || !design || !this.all().has(design.id)) return;
      if (design.care.monitor) monitors.plan(design.id, design.care.monitor);
      else void monitors.leave(design.id);
    });
  }

  protected readonly said = computed(() => {
    const followed = this.followed();
    if (!followed) return 'Nobody listens to it on this device.';
    const { link, sinceMs, againMs, reason, watch, writes } = followed;
    const since = clock(new Date(sinceMs));
    const last = watch.last ? `Last word ${lasting(Math.max(0, this.now() - watch.last.at))} ago. ` : '';
    switch (link) {
      case 'joining':
        return 'Joining …';
      case 'lost':
        return `Lost since ${since} (${reason}). ${last}Tried again in ${lasting(Math.max(1000, (againMs ?? 0) - this.now()))}. What it measures meanwhile it keeps, unless it is switched off.`;
      case 'refused':
        return `It cannot be listened to since ${since}. Begin anew.`;
      case 'joined':
        return `Listening since ${since}. ${writes ? `Written into the log every ${this.plan()?.recordMinutes} minutes.` : 'Another window writes it into the log.'}`;
    }
  });

  protected readonly alarms = computed(() => {
    const followed = this.followed();
    return (followed?.watch.alarms ?? []).map((alarm) => ({
      ...wordAlarm(alarm, this.now(), this.units()),
      key: `${alarm.parameter ?? 'all'}-${alarm.what}`,
      over: alarm.endedMs !== null,
    }));
  });
  protected readonly unheard = computed(() => this.followed()?.watch.alarms.some(({ heard }) => !heard) ?? false);

  /** Silences, the newest first; short ones that happen all the time are added up. */
  protected readonly gaps = computed(() => {
    const watch = this.followed()?.watch;
    if (!watch) return [];
    const everyMs = (watch.hello?.everyS ?? 1) * 1000;
    const long = watch.gaps.filter(({ fromMs, toMs }) => toMs - fromMs > NOTED_TURNS * everyMs);
    const short = watch.gaps.length - long.length;
    const told = [...long]
      .reverse()
      .slice(0, GAPS_SHOWN)
      .map(({ fromMs, toMs }) => `${moment(new Date(fromMs))} to ${clock(new Date(toMs))} (${lasting(toMs - fromMs)})`);
    return short > 0 ? [...told, `${short} time${short === 1 ? '' : 's'} for a moment`] : told;
  });

  protected readonly limits = computed(() => {
    const limits = this.plan()?.limits ?? {};
    return MONITORED.map((parameter) => {
      const { name, kind, canBe } = PARAMETER_META[parameter];
      return { parameter, name, kind, canBe, low: limits[parameter]?.low ?? null, high: limits[parameter]?.high ?? null };
    });
  });

  protected putIn(): void {
    const assessment = this.view.assessment();
    if (!assessment) return;
    this.session.edit('Put a monitor in', addMonitor(usualLimits(assessment)));
    void this.listen(EVERY_S);
  }

  protected async listen(everyS: number): Promise<void> {
    const monitors = await this.bell.monitors();
    const [design, assessment] = [this.view.design(), this.view.assessment()];
    const plan = this.session.current?.design.state.document.care.monitor;
    if (!design || !assessment || !plan) return;
    const seed = crypto.getRandomValues(new Uint32Array(1))[0]! % 1e9;
    const standIn = standInOf(assessment, new Date().setHours(0, 0, 0, 0), everyS, seed);
    if (standIn) monitors.follow(design.id, design.name, standIn, plan);
  }

  protected takeOut(): void {
    const design = this.view.design();
    if (!design) return;
    void this.monitors()?.leave(design.id);
    this.session.edit('Take the monitor out', dropMonitor(design));
  }

  protected limit(parameter: Monitored, side: 'low' | 'high', value: number | null): void {
    const design = this.view.design();
    if (!design) return;
    const other = this.plan()?.limits[parameter]?.[side === 'low' ? 'high' : 'low'] ?? null;
    const wrong = value !== null && other !== null && (side === 'low' ? value >= other : value <= other);
    this.refused.set(wrong ? `${PARAMETER_META[parameter].name}: the lower limit lies below the upper one. The old value is kept.` : null);
    if (!wrong) this.session.edit(`Watch ${PARAMETER_META[parameter].name}`, setLimit(design, parameter, side, value));
  }

  protected set(label: string, some: Partial<Pick<MonitorPlan, 'recordMinutes' | 'afterSeconds' | 'silentMinutes'>>): void {
    const design = this.view.design();
    if (design) this.session.edit(label, setMonitor(design, some));
  }

  protected hear(): void {
    const design = this.view.design();
    if (design) void this.bell.hear(design.id);
  }

  protected change(some: Partial<Pick<StandIn, 'faults' | 'bath'>>): void {
    const design = this.view.design();
    if (design) void this.monitors()?.change(design.id, some);
  }
}
