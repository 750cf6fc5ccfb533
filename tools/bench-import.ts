import { readRoomArchive } from '../core/design/archive';

/** Runs in the browser: how long a room's zip takes to be unpacked, checked and parsed. */
(window as unknown as { runImport: (zip: string) => number[] }).runImport = (zip) => {
  const bytes = Uint8Array.from(atob(zip), (letter) => letter.charCodeAt(0));
  return Array.from({ length: 5 }, () => {
    const start = performance.now();
    const read = readRoomArchive(bytes);
    if (!read.ok) throw new Error(read.refusals[0]?.reason);
    return performance.now() - start;
  });
};
