import { ReplaySubject, delay, race, take, timer, type Observable } from 'rxjs';

const firstView = new ReplaySubject<void>(1);
const LATEST_MS = 15_000;

/** A page has something to work with on the screen. */
export const viewShown = (): void => firstView.next();

/** When the whole program may be fetched behind the page, to work without a server: not while the first page still waits for its own parts. */
export const afterFirstView = (): Observable<unknown> => race(firstView.pipe(delay(4000)), timer(LATEST_MS)).pipe(take(1));
