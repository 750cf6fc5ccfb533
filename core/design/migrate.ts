/**
 * Documents of earlier versions brought up to the next, one version at a time. Each step is unknown -> unknown and knows only the
 * shape it was written for; what it cannot make sense of it leaves alone, and the schema then says where the fault is.
 */
type Json = Record<string, unknown>;

const isObject = (value: unknown): value is Json => value !== null && typeof value === 'object' && !Array.isArray(value);

const unstated = () => ({ value: null, basis: 'measured' });

function each(table: unknown, change: (entry: Json) => Json): unknown {
  if (!isObject(table)) return table;
  return Object.fromEntries(Object.entries(table).map(([id, entry]) => [id, isObject(entry) ? change(entry) : entry]));
}

/** Version 2: vessels of other forms, with glass, openings, sump and leak test in days; gear with power and size; archived. */
function design1to2(design: Json): Json {
  const { vessel, equipment, ...rest } = design;
  return {
    ...rest,
    schema: 2,
    archived: false,
    vessel: isObject(vessel) ? vessel1to2(vessel) : vessel,
    equipment: each(equipment, (device) => ({ ...device, powerW: null, sizeMm: null })),
  };
}

function vessel1to2({ leakTested, ...vessel }: Json): Json {
  const tested = isObject(leakTested) ? leakTested : unstated();
  return {
    ...vessel,
    statedAs: 'inside',
    glassMm: unstated(),
    rim: unstated(),
    braces: {},
    openings: {},
    viewingSides: ['front'],
    background: unstated(),
    sun: unstated(),
    footfall: unstated(),
    stand: unstated(),
    floor: unstated(),
    clearanceMm: unstated(),
    sump: null,
    plumbing: {},
    leakTest: {
      ...tested,
      value: typeof tested['value'] === 'boolean' ? { dry: tested['value'], days: null, filterRan: null } : null,
    },
  };
}

/** Version 2: humidity, and what is on hand. */
function room1to2(room: Json): Json {
  return { ...room, schema: 2, humidityPct: unstated(), onHand: {} };
}

/** Version 3: salts, conditioner, materials in the water, carbon dioxide. */
function design2to3(design: Json): Json {
  const { water, ...rest } = design;
  return {
    ...rest,
    schema: 3,
    water: isObject(water) ? { ...water, salts: {}, conditioner: null, additions: {}, co2: null, organicCarbonMgPerL: unstated() } : water,
  };
}

/** Version 3: sources with an analysis and the report they came from; salts on hand that recipes reckon with. */
function room2to3(room: Json): Json {
  const { sources, onHand, ...rest } = room;
  return {
    ...rest,
    schema: 3,
    sources: each(sources, (source) => ({ ...source, temperatureC: unstated(), analysisMgPerL: {}, report: null })),
    onHand: each(onHand, (entry) => ({ ...entry, substance: null })),
  };
}

/** Version 4: how the tank is looked after. */
function design3to4(design: Json): Json {
  return {
    ...design,
    schema: 4,
    care: {
      feed: { gPerDay: null, proteinPct: 45 },
      change: null,
      topUp: null,
      lampHours: null,
      surface: null,
      doses: {},
      media: { carbonG: 0, phosphateRemoverG: 0 },
      steps: {},
    },
  };
}

const DESIGN_STEPS: Readonly<Record<number, (design: Json) => Json>> = { 1: design1to2, 2: design2to3, 3: design3to4 };
const ROOM_STEPS: Readonly<Record<number, (room: Json) => Json>> = { 1: room1to2, 2: room2to3 };

function climb(document: unknown, steps: Readonly<Record<number, (document: Json) => Json>>): unknown {
  let current = document;
  // every step counts the version up, so this ends
  for (let i = 0; i < 100; i++) {
    const version = isObject(current) ? current['schema'] : null;
    const step = typeof version === 'number' && Object.hasOwn(steps, version) ? steps[version] : undefined;
    if (!step || !isObject(current)) return current;
    current = step(current);
  }
  return current;
}

export function migrateDesign(document: unknown): unknown {
  return climb(document, DESIGN_STEPS);
}

export function migrateRoom(document: unknown): unknown {
  return climb(document, ROOM_STEPS);
}
