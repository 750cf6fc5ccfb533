import { Injectable, computed, effect, signal } from '@angular/core';
import * as z from 'zod';
import { ring } from './ring';

/** A bag that is being worked on: what was read, what was planned, and since when. */
const Running = z.strictObject({
  tankId: z.string().min(1),
  /** Milliseconds since 1970, as this device's clock had it. */
  startedAt: z.number().positive(),
  floatMinutes: z.number().min(0).max(1000),
  dripMinutes: z.number().min(0).max(2000),
  fullAtMinute: z.number().min(0).max(1e6).nullable(),
  /** The fields of the bench, to be shown again. */
  fields: z.record(z.string(), z.number().finite().nullable()),
});
export type Running = z.infer<typeof Running>;

const KEY = 'terroir:bag';
const TICK_MS = 1000;

/** The clock beside the bag. It is kept in the browser: a reload, a closed lid or a full battery lose nothing. */
@Injectable({ providedIn: 'root' })
export class DripTimer {
  readonly running = signal<Running | null>(read());
  private readonly now = signal(Date.now());
  private rung = new Set<string>();

  /** Minutes since it began; null while nothing runs. Negative when the device's clock was put back past the start. */
  readonly minutes = computed(() => {
    const running = this.running();
    return running ? (this.now() - running.startedAt) / 60000 : null;
  });
  /** What is due by now. */
  readonly alarm = computed<'open' | 'full' | 'done' | null>(() => {
    const running = this.running();
    const minutes = this.minutes();
    if (!running || minutes === null) return null;
    const drip = minutes - running.floatMinutes;
    if (drip >= running.dripMinutes) return 'done';
    if (running.fullAtMinute !== null && drip >= running.fullAtMinute) return 'full';
    return drip >= 0 ? 'open' : null;
  });

  /** Hours, minutes and seconds since it began. */
  readonly clock = computed(() => {
    const minutes = this.minutes() ?? 0;
    if (minutes < 0) return 'the clock of this device was put back';
    const whole = Math.floor(minutes);
    return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}:${String(Math.floor((minutes - whole) * 60)).padStart(2, '0')}`;
  });

  constructor() {
    setInterval(() => this.running() && this.now.set(Date.now()), TICK_MS);
    effect(() => {
      const alarm = this.alarm();
      if (alarm && !this.rung.has(alarm)) {
        this.rung.add(alarm);
        ring();
      }
    });
  }

  start(running: Running): void {
    this.rung = new Set();
    this.now.set(running.startedAt);
    this.running.set(running);
    try {
      localStorage.setItem(KEY, JSON.stringify(running));
    } catch {
      // it runs on in this window alone
    }
  }

  stop(): void {
    this.running.set(null);
    try {
      localStorage.removeItem(KEY);
    } catch {
      // nothing was kept
    }
  }
}

function read(): Running | null {
  try {
    const found = Running.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
    return found.success ? found.data : null;
  } catch {
    return null;
  }
}
