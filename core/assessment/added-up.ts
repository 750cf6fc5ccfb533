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
  /** Its air: of pumps of its own, and of those of other tanks. */
  air: readonly { lPerMin: number | null; ofTankId: string | null }[];
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
    air: uses.flatMap(({ air }) => air),
    unstated: sum(({ unstated }) => unstated),
  };
}

/** Air that a sponge or stone of one tank takes, L/min: less than this and it stands still. Common practice: one to two. */
export const AIR_PER_TANK_L_PER_MIN = 1;

/** A pump that blows into several tanks. */
export interface SharedAir {
  tankId: string;
  /** All that it gives; null while a pump of that tank is not stated, and where it has none. */
  lPerMin: number | null;
  /** It stands in a tank that has an air pump of its own. */
  has: boolean;
  /** All that it blows into, its own tank first. */
  tankIds: readonly string[];
}

/** Pumps of a room that others hang on, the one with most tanks first. */
export function sharedAir(tanks: readonly { id: string; air: PowerUse['air'] }[]): SharedAir[] {
  const takers = new Map<string, string[]>();
  for (const { id, air } of tanks)
    for (const from of new Set(air.flatMap(({ ofTankId }) => ofTankId ?? [])))
      if (from !== id) takers.set(from, [...(takers.get(from) ?? []), id]);
  return [...takers]
    .map(([tankId, others]) => {
      const own = tanks.find(({ id }) => id === tankId)?.air.filter(({ ofTankId }) => ofTankId === null) ?? [];
      const lPerMin = own.some((one) => one.lPerMin === null) || own.length === 0 ? null : own.reduce((sum, one) => sum + one.lPerMin!, 0);
      return { tankId, lPerMin, has: own.length > 0, tankIds: [tankId, ...others] };
    })
    .sort((a, b) => b.tankIds.length - a.tankIds.length);
}
