import { Observable, type Subscriber } from 'rxjs';
import type { Provider } from '@angular/core';
import type { Measured } from '../../core/monitor/message';
import type { StandIn } from '../../core/monitor/stand-in-model';
import { MONITOR_LINK, type MonitorWord } from '../store/monitor-link';

/** A monitor that says what a spec has it say. */
export class ShamMonitor {
  /** Where each listener asked to go on. */
  readonly asked: (string | null)[] = [];
  readonly setUps: StandIn[] = [];
  private listener: Subscriber<MonitorWord> | null = null;
  /** What comes of asking; null for a monitor that is there. */
  refusal: Error | null = null;

  readonly provider: Provider = {
    provide: MONITOR_LINK,
    useValue: {
      listenTo: (_key: string, standIn: StandIn, after: string | null) =>
        new Observable<MonitorWord>((subscriber) => {
          this.asked.push(after);
          this.setUps.push(standIn);
          if (this.refusal) subscriber.error(this.refusal);
          else this.listener = subscriber;
        }),
      setUp: (_key: string, standIn: StandIn) => {
        this.setUps.push(standIn);
        return this.refusal ? Promise.reject(this.refusal) : Promise.resolve({ boot: 'a', everyS: 10, simulated: true });
      },
    },
  };

  greet(boot = 'a'): void {
    this.listener?.next({ kind: 'hello', hello: { boot, everyS: 10, simulated: true } });
  }

  /** Turns ten seconds apart. */
  say(fromMs: number, count: number, values: (turn: number) => Measured['values']): void {
    const turns = Array.from({ length: count }, (_, i) => ({
      tick: Math.round(fromMs / 10_000) + i,
      at: fromMs + 10_000 * i,
      values: values(i),
    }));
    this.listener?.next({ kind: 'measured', turns });
  }

  break(): void {
    this.listener?.error(new Error('the line broke'));
  }
}
