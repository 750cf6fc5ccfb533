import { Injectable, Injector, inject, signal } from '@angular/core';
import { MONITORS_KEY } from './monitor-key';
import { ring } from './ring';
import type { Ringing } from './ringing';
import type { Monitors } from './monitors';

/** What the monitors of all tanks cry out, wherever one is just now. Nothing of it is loaded while no tank has a monitor. */
@Injectable({ providedIn: 'root' })
export class MonitorBell {
  private readonly injector = inject(Injector);
  private awake: Promise<Monitors> | null = null;
  /** Alarms that nobody has seen to. */
  readonly ringing = signal<readonly Ringing[]>([]);

  constructor() {
    try {
      if (localStorage.getItem(MONITORS_KEY) !== null) void this.monitors();
    } catch {
      // nothing is kept here
    }
  }

  monitors(): Promise<Monitors> {
    this.awake ??= this.wake();
    return this.awake;
  }

  async hear(designId: string): Promise<void> {
    (await this.monitors()).hear(designId);
  }

  private async wake(): Promise<Monitors> {
    const [{ Monitors }, { ringingOf }] = await Promise.all([import('./monitors'), import('./ringing')]);
    const monitors = this.injector.get(Monitors);
    let rung = new Set<string>();
    monitors.all$.subscribe((all) => {
      const found = ringingOf([...all.values()]);
      const keys = new Set(found.map(({ key }) => key));
      if (found.some(({ key }) => !rung.has(key))) ring();
      rung = keys;
      const texts = (list: readonly Ringing[]) => list.map(({ designId, text }) => `${designId} ${text}`).join('\n');
      if (texts(found) !== texts(this.ringing())) this.ringing.set(found);
    });
    return monitors;
  }
}
