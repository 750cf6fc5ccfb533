/** What another tab does to our hold on a design. */
export interface WriteLock {
  release(): void;
}

const lockName = (designId: string) => `terroir:design:${designId}`;

/**
 * Asks for the one write lock of a design.
 * @param steal take it from the tab that holds it
 * @param onLost called when another tab takes it from us
 * @returns null when another tab holds it. Where the browser has no Web Locks everybody may write.
 */
export function acquireWriteLock(designId: string, steal: boolean, onLost: () => void): Promise<WriteLock | null> {
  if (!('locks' in navigator)) return Promise.resolve({ release: () => undefined });
  return new Promise((settle) => {
    let release: () => void = () => undefined;
    let released = false;
    const held = new Promise<void>((done) => {
      release = () => {
        released = true;
        done();
      };
    });
    navigator.locks
      .request(lockName(designId), steal ? { steal: true } : { ifAvailable: true }, (lock) => {
        if (!lock) {
          settle(null);
          return undefined;
        }
        settle({ release });
        return held;
      })
      .catch(() => {
        settle(null);
        if (!released) onLost();
      });
  });
}
