import { InjectionToken } from '@angular/core';
import { Observable } from 'rxjs';
import { Hello, Turns, type Measured } from '../../core/monitor/message';
import type { StandIn } from '../../core/monitor/stand-in-model';

/** What a monitor says. */
export type MonitorWord = { kind: 'hello'; hello: Hello } | { kind: 'measured'; turns: readonly Measured[] };

/** The monitor cannot be had as it was asked for: asking again is of no use. */
export class Refused extends Error {}

const ADDRESS = '/api/simulated/monitor';
export const addressOf = (key: string): string => `${ADDRESS}/${encodeURIComponent(key)}`;

/** Sets a stand-in up, or puts it as it is now. @throws Refused, or that the server is not there */
export async function setUp(key: string, standIn: StandIn): Promise<Hello> {
  const response = await fetch(addressOf(key), {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(standIn),
  });
  if (response.status >= 500) throw new Error(`the server answers ${response.status}`);
  const said: unknown = await response.json().catch(() => null);
  if (!response.ok) throw new Refused(String((said as { reason?: unknown } | null)?.reason ?? `the server answers ${response.status}`));
  const hello = Hello.safeParse(said);
  if (!hello.success) throw new Refused('what answers is no monitor');
  return hello.data;
}

/**
 * One go at listening: sets the stand-in up and follows what it says. Errs when it is lost; whoever listens begins anew.
 *
 * @param after where it was left: the life of the monitor, and the last turn that was taken in
 */
export function listenTo(key: string, standIn: StandIn, after: string | null): Observable<MonitorWord> {
  return new Observable((subscriber) => {
    let source: EventSource | null = null;
    let left = false;
    const take = <T>(read: { success: boolean; data?: T }, word: (data: T) => MonitorWord): void => {
      if (read.success) subscriber.next(word(read.data as T));
      else subscriber.error(new Error('it said something that cannot be read'));
    };
    const parsed = ({ data }: MessageEvent<string>): unknown => {
      try {
        return JSON.parse(data);
      } catch {
        return null;
      }
    };
    void setUp(key, standIn).then(
      () => {
        if (left) return;
        source = new EventSource(`${addressOf(key)}/stream${after === null ? '' : `?after=${encodeURIComponent(after)}`}`);
        source.addEventListener('hello', (event: MessageEvent<string>) =>
          take(Hello.safeParse(parsed(event)), (hello) => ({ kind: 'hello', hello })),
        );
        source.addEventListener('measured', (event: MessageEvent<string>) =>
          take(Turns.safeParse(parsed(event)), (turns) => ({ kind: 'measured', turns })),
        );
        // it would try again by itself, on the address of a monitor that may be gone: whoever listens sets it up anew
        source.onerror = () => subscriber.error(new Error('the line broke'));
      },
      (error: unknown) => subscriber.error(error),
    );
    return () => {
      left = true;
      source?.close();
    };
  });
}

/** How monitors are listened to and set up. */
export const MONITOR_LINK = new InjectionToken<{ listenTo: typeof listenTo; setUp: typeof setUp }>('how monitors are listened to', {
  providedIn: 'root',
  factory: () => ({ listenTo, setUp }),
});
