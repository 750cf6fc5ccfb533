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

/** Beds that stood in the water's plan by the litre: until version 5 they had no place of their own. */
const BEDS_OF_4 = new Set([
  'fine-quartz-sand',
  'lime-silt',
  'shell-sand',
  'peat',
  'acid-soil',
  'mild-soil',
  'old-soil',
  'crushed-coral',
  'quartz-gravel',
  'baked-clay',
]);

/**
 * Version 5: the bed in layers, hardscape by class and size, gear with a place. A bed that was stated in litres becomes a level layer;
 * a solid becomes a stone of its size; what has no place (leaves, loose stone) stays with the water.
 */
function design4to5({ scene, equipment, water, ...design }: Json): Json {
  const { vessel } = design;
  const layers: Json = {};
  let plan: unknown = water;
  if (isObject(water) && isObject(water['additions']) && isObject(vessel)) {
    const [lengthMm, widthMm] = [Number(vessel['lengthMm']), Number(vessel['widthMm'])];
    const additions = { ...water['additions'] };
    let topMm = 0;
    for (const [id, entry] of Object.entries(additions)) {
      if (!isObject(entry) || !BEDS_OF_4.has(String(entry['materialId']))) continue;
      topMm += (Number(entry['amount']) * 1e6) / (lengthMm * widthMm);
      if (!(topMm <= 2000)) break;
      layers[id] = {
        order: entry['order'],
        materialId: entry['materialId'],
        grainMm: null,
        area: { kind: 'whole' },
        top: { columns: 2, rows: 2, heightMm: Array.from({ length: 4 }, () => Math.round(topMm * 10) / 10) },
        spent: entry['spent'],
        cloth: false,
      };
      delete additions[id];
    }
    plan = { ...water, additions };
  }
  return {
    ...design,
    schema: 5,
    water: plan,
    equipment: each(equipment, (device) => ({ ...device, placeMm: null })),
    substrate: { bare: false, mat: false, zones: {}, layers, capsules: null },
    scene: isObject(scene) ? Object.fromEntries(Object.entries(scene).flatMap(([id, item]) => item4to5(id, item))) : scene,
  };
}

function item4to5(id: string, item: unknown): [string, unknown][] {
  if (!isObject(item)) return [[id, item]];
  const { order, kind, classId, positionMm, turnDeg, embedMm, solids } = item;
  if (kind === 'plant') return [[id, { order, kind, classId, positionMm }]];
  const bodies = Array.isArray(solids) ? solids.filter(isObject) : [];
  return bodies.map((solid, i) => [
    i === 0 ? id : `${id}-${i + 1}`,
    {
      order,
      kind: 'hardscape',
      classId: solid['shape'] === 'ellipsoid' || solid['shape'] === 'capsule' ? 'rounded-stone' : 'angular-stone',
      materialId: kind === 'hardscape' ? classId : null,
      sizeMm: solid['sizeMm'],
      positionMm,
      turnDeg,
      mirrored: false,
      stand: 'bed',
      embedMm,
      fixing: 'none',
      ballastKg: 0,
      soakedWeeks: 0,
      edges: null,
      spent: 0,
      groupId: bodies.length > 1 ? id : null,
      locked: false,
    },
  ]);
}

/** Version 6: how true to its place the tank is meant to be. */
function design5to6({ brief, ...design }: Json): Json {
  return { ...design, schema: 6, brief: isObject(brief) ? { ...brief, fidelity: null } : brief };
}

/** Version 7: what was measured in the tank. */
const design6to7 = (design: Json): Json => ({ ...design, schema: 7, readings: {} });

/** Version 8: plantings of several, on what carries them; how far grown the tank is judged; what lamps give. */
function design7to8({ scene, equipment, ...design }: Json): Json {
  return {
    ...design,
    equipment: each(equipment, (device) => (device['kind'] === 'lamp' ? { ...device, light: null } : device)),
    schema: 8,
    grown: 'grown',
    scene: each(scene, (item) =>
      item['kind'] === 'plant'
        ? { ...item, hold: null, onId: null, bought: null, count: 1, spreadMm: 0, groupId: null, locked: false }
        : item,
    ),
  };
}

/** Version 9: hours of each lamp and what a meter read under it; what plants are given. */
function design8to9({ equipment, care, ...design }: Json): Json {
  const lit = (light: unknown) => (isObject(light) ? { ...light, hours: null, rampHours: 0, pauseHours: 0, reading: null } : light);
  return {
    ...design,
    schema: 9,
    equipment: each(equipment, (device) => (device['kind'] === 'lamp' ? { ...device, light: lit(device['light']) } : device)),
    care: isObject(care) ? { ...care, fertiliser: {} } : care,
  };
}

/** Version 10: how water goes through filters and pumps, what they hold, and the hours of the day. */
function design9to10({ equipment, water, care, ...design }: Json): Json {
  const more = (kind: unknown): Json =>
    kind === 'filter' ? { form: null, media: [], runWeeks: null, runs: null } : kind === 'pump' ? { runs: null } : {};
  const fed = (co2: unknown): unknown =>
    isObject(co2) ? { set: { by: 'level', mgPerL: co2['mgPerL'] }, onHour: null, offHour: null, bottleG: null } : co2;
  return {
    ...design,
    schema: 10,
    equipment: each(equipment, (device) => ({ ...device, ...more(device['kind']) })),
    water: isObject(water) ? { ...water, co2: fed(water['co2']) } : water,
    care: isObject(care) ? { ...care, lampsOnHour: null, feedHours: [] } : care,
  };
}

/** Version 11: what earlier versions do not know of may be in it, and nothing of theirs has changed. */
const design10to11 = (design: Json): Json => ({ ...design, schema: 11 });

/** Version 4: what the room adds to the catalogue. */
function room3to4(room: Json): Json {
  return { ...room, schema: 4, own: { organisms: {}, biotopes: {}, overrides: {} } };
}

/** Version 5: materials and mineral mixes of the room's own. */
function room4to5(room: Json): Json {
  const own = room['own'];
  return { ...room, schema: 5, own: isObject(own) ? { ...own, materials: {}, mixes: {} } : own };
}

/** Version 6: whose law holds, and what current costs. */
function room5to6(room: Json): Json {
  return { ...room, schema: 6, law: null, pricePerKwh: null };
}

/** Version 7: the living stock, what was seen of it, and what is wanted. */
const room6to7 = (room: Json): Json => ({ ...room, schema: 7, lots: {}, moves: {}, marks: {}, wanted: {} });

/** Version 12: treatments, what is fed and when, and the hours there are for it. */
function design11to12({ care, ...design }: Json): Json {
  return {
    ...design,
    schema: 12,
    treatments: {},
    startup: null,
    care: isObject(care) ? { ...care, menu: {}, fastDays: 0, hoursPerWeek: null } : care,
  };
}

/** Version 13: what was built of it so far, what was looked at while it grew in, and the habits of its keeper. */
function design12to13({ startup, care, ...design }: Json): Json {
  return {
    ...design,
    schema: 13,
    care: isObject(care) ? { ...care, since: null, habits: {}, own: {}, monitor: null } : care,
    build: { ticks: {}, order: [], schools: {} },
    startup: isObject(startup) ? { ...startup, seen: {} } : startup,
  };
}

/** Version 8: what things cost here. */
const room7to8 = (room: Json): Json => ({ ...room, schema: 8, prices: {} });

/** Version 9: kits and meters that are tested with, the way along the tanks, and whom a caretaker calls. */
const room8to9 = (room: Json): Json => ({ ...room, schema: 9, kits: {}, walk: [], call: { keeper: '', vet: '' } });

/** Version 10: lines, animals with their descent, and broods. */
const room9to10 = (room: Json): Json => ({ ...room, schema: 10, lines: {}, bred: {}, broods: {} });

const DESIGN_STEPS: Readonly<Record<number, (design: Json) => Json>> = {
  1: design1to2,
  2: design2to3,
  3: design3to4,
  4: design4to5,
  5: design5to6,
  6: design6to7,
  7: design7to8,
  8: design8to9,
  9: design9to10,
  10: design10to11,
  11: design11to12,
  12: design12to13,
};
const ROOM_STEPS: Readonly<Record<number, (room: Json) => Json>> = {
  1: room1to2,
  2: room2to3,
  3: room3to4,
  4: room4to5,
  5: room5to6,
  6: room6to7,
  7: room7to8,
  8: room8to9,
  9: room9to10,
};

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
