/** What a tank asks of the room's current. */
export interface PowerUse {
  /** All labels together: what is drawn at once when the current comes back. */
  ratedW: number;
  /** Over the year, as far as it is known. */
  kwhPerYear: number;
  /** Plugs. */
  sockets: number;
  /** What is switched by the clock. */
  timers: number;
  /** Labels by the line they hang on; those on none under an empty name. */
  lines: Readonly<Record<string, number>>;
  /** Devices whose label nobody has stated. */
  unstated: number;
}

/** Several tanks together. */
export function addedUp(uses: readonly PowerUse[]): PowerUse {
  const lines: Record<string, number> = {};
  for (const use of uses) for (const [line, watts] of Object.entries(use.lines)) lines[line] = (lines[line] ?? 0) + watts;
  const sum = (of: (use: PowerUse) => number) => uses.reduce((total, use) => total + of(use), 0);
  return {
    ratedW: sum(({ ratedW }) => ratedW),
    kwhPerYear: sum(({ kwhPerYear }) => kwhPerYear),
    sockets: sum(({ sockets }) => sockets),
    timers: sum(({ timers }) => timers),
    lines,
    unstated: sum(({ unstated }) => unstated),
  };
}
