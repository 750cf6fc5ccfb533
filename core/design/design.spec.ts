import fc from 'fast-check';
import type { Operation } from 'rfc6902';
import fixture from './fixtures/design-v1.json';
import fixture2 from './fixtures/design-v2.json';
import fixture3 from './fixtures/design-v3.json';
import fixture4 from './fixtures/design-v4.json';
import fixture5 from './fixtures/design-v5.json';
import fixture6 from './fixtures/design-v6.json';
import fixture7 from './fixtures/design-v7.json';
import fixture8 from './fixtures/design-v8.json';
import fixture10 from './fixtures/design-v10.json';
import fixture11 from './fixtures/design-v11.json';
import fixture12 from './fixtures/design-v12.json';
import fixture13 from './fixtures/design-v13.json';
import roomFixture9 from './fixtures/room-v9.json';
import roomFixture10 from './fixtures/room-v10.json';
import { emptyBuild } from '../build/model';
import fixture9 from './fixtures/design-v9.json';
import { emptyCare } from '../care/model';
import { catalogueData } from '../../catalogue';
import { peatPocket, weedyThicket, lowBarn } from '../testing/tanks';
import { Design, DESIGN_SCHEMA, emptyDesign, inOrder, nextOrder } from './design';
import { readDesignFile } from './document';
import { applyEdit, PatchSchema, pointer } from './edit';
import { emptyWaterPlan } from '../water/model';
import { migrateDesign, migrateRoom } from './migrate';
import { emptySubstrate } from '../substrate/model';
import { Room } from './room';

const placeless = (equipment: object) =>
  Object.fromEntries(Object.entries(equipment).map(([id, device]) => [id, { ...(device as object), placeMm: null }]));
const levelBed = ({ order, materialId, spent }: { order: number; materialId: string; spent: number }) => ({
  order,
  materialId,
  grainMm: null,
  area: { kind: 'whole' },
  top: { columns: 2, rows: 2, heightMm: jasmine.any(Array) },
  spent,
  cloth: false,
});
const migratedStone = (classId: string, sizeMm: number[]) => ({
  order: 9,
  kind: 'hardscape',
  classId,
  materialId: 'basalt',
  sizeMm,
  positionMm: [100, 90, 0],
  turnDeg: [0, 0, 30],
  mirrored: false,
  stand: 'bed',
  embedMm: 8,
  fixing: 'none',
  ballastKg: 0,
  soakedWeeks: 0,
  edges: null,
  spent: 0,
  groupId: 'heap',
  locked: false,
});

/** Plants as version 8 has them. */
/** Gear of before its figures could be said. */
const fedLevel = <W extends { co2: { mgPerL: number } | null }>(water: W) => ({
  ...water,
  co2: water.co2 && { set: { by: 'level', mgPerL: water.co2.mgPerL }, onHour: null, offHour: null, bottleG: null },
});
/** Said in none of them yet. */
const noHabits = { since: null, habits: {}, own: {}, monitor: null };
const unfed = {
  ...noHabits,
  menu: {},
  fastDays: 0,
  hoursPerWeek: null,
};
const unclocked = { lampsOnHour: null, feedHours: [], ...unfed };
const geared = (equipment: object) =>
  Object.fromEntries(
    Object.entries(equipment).map(([id, device]: [string, { kind: string }]) => [
      id,
      {
        ...device,
        ...(device.kind === 'filter' ? { form: null, media: [], runWeeks: null, runs: null } : {}),
        ...(device.kind === 'pump' ? { runs: null } : {}),
      },
    ]),
  );

const planted = (scene: object) =>
  Object.fromEntries(
    Object.entries(scene).map(([id, item]: [string, { kind: string }]) => [
      id,
      item.kind === 'plant' ? { ...item, hold: null, onId: null, bought: null, count: 1, spreadMm: 0, groupId: null, locked: false } : item,
    ]),
  );

const apply = (patch: readonly Operation[], design = weedyThicket) => applyEdit(design, patch, Design);

describe('a design document', () => {
  it('of version 1 is still read: the frozen fixture', () => {
    const read = readDesignFile(JSON.stringify(fixture));
    expect(read.ok ? read.document.design.name : read.refusals).toEqual('Frozen peat pocket');
    expect(DESIGN_SCHEMA).toBe(13);
  });

  it('of version 2 is read, and what it did not say of the water is nothing', () => {
    const read = readDesignFile(JSON.stringify(fixture2));
    const { water, ...rest } = fixture2.design;
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...rest,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      grown: 'grown',
      readings: {},
      brief: { ...rest.brief, fidelity: null },
      care: emptyCare(),
      water: { ...emptyWaterPlan(), parts: water.parts },
      equipment: geared(placeless(rest.equipment)),
      substrate: emptySubstrate(),
    });
    if (!read.ok) return;
    for (const source of Object.values(read.document.room.sources)) expect([source.analysisMgPerL, source.report]).toEqual([{}, null]);
  });

  it('of version 3 is read, and nothing of its care is taken as said', () => {
    const read = readDesignFile(JSON.stringify(fixture3));
    const { additions, ...water } = fixture3.design.water;
    const { soil, ...loose } = additions;
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture3.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      grown: 'grown',
      readings: {},
      brief: { ...fixture3.design.brief, fidelity: null },
      care: emptyCare(),
      water: { ...fedLevel(water), additions: loose },
      equipment: geared(placeless(fixture3.design.equipment)),
      substrate: { ...emptySubstrate(), layers: { soil: levelBed(soil) } },
    });
    expect(read.ok ? (read.document.room.sources as unknown) : null).toEqual(fixture3.room.sources);
  });

  it('of version 4 is read, its soil laid level over the floor, its stones given a class', () => {
    const { additions, ...water } = fixture4.design.water;
    const { soil, ...loose } = additions;
    const stone = { order: 9, kind: 'hardscape', classId: 'basalt', positionMm: [100, 90, 0], turnDeg: [0, 0, 30], embedMm: 8 };
    const solids = [
      { shape: 'ellipsoid', sizeMm: [90, 70, 50] },
      { shape: 'box', sizeMm: [40, 30, 20] },
    ];
    const file = { ...fixture4, design: { ...fixture4.design, scene: { heap: { ...stone, solids } } } };
    const read = readDesignFile(JSON.stringify(file));
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture4.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      care: { ...fixture4.design.care, fertiliser: {}, ...unclocked },
      grown: 'grown',
      readings: {},
      brief: { ...fixture4.design.brief, fidelity: null },
      water: { ...fedLevel(water), additions: loose },
      equipment: geared(placeless(fixture4.design.equipment)),
      substrate: { ...emptySubstrate(), layers: { soil: levelBed(soil) } },
      scene: {
        heap: migratedStone('rounded-stone', [90, 70, 50]),
        'heap-2': migratedStone('angular-stone', [40, 30, 20]),
      },
    });
    if (!read.ok) return;
    // as many litres as were stated
    const { layers } = read.document.design.substrate;
    expect((layers['soil']!.top.heightMm[0]! * 620 * 380) / 1e6).toBeCloseTo(soil.amount, 1);
  });

  it('of version 5 is read, and nothing said of how true it is to its place', () => {
    const read = readDesignFile(JSON.stringify(fixture5));
    const { brief } = fixture5.design;
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture5.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      water: fedLevel(fixture5.design.water),
      equipment: geared(fixture5.design.equipment),
      care: { ...fixture5.design.care, fertiliser: {}, ...unclocked },
      grown: 'grown',
      readings: {},
      brief: { ...brief, fidelity: null },
      scene: planted(fixture5.design.scene),
    });
    expect(read.ok && read.document.room.own).toEqual({ organisms: {}, biotopes: {}, materials: {}, mixes: {}, overrides: {} });
  });

  it('of version 10 is read as it stands, with the flow, the media and the intake of its filter, and its air pump', () => {
    const read = readDesignFile(JSON.stringify(fixture10));
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture10.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      care: { ...fixture10.design.care, ...unfed },
    });
    expect(fixture10.design.equipment.filter.media.length).toBe(2);
  });

  it('of version 11 is read as it stands, with its feeding ring and the air that comes from another tank', () => {
    const read = readDesignFile(JSON.stringify(fixture11));
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture11.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      care: { ...fixture11.design.care, ...unfed },
    });
    expect([fixture11.design.care.feedingRing.diameterMm, fixture11.design.equipment.air.ofTankId]).toEqual([100, 'weedy-thicket']);
  });

  it('of version 12 is read as it stands, with its treatment, its menu and the living stock of its room', () => {
    const read = readDesignFile(JSON.stringify(fixture12));
    expect(read.ok ? (read.document as unknown) : read.refusals).toEqual({
      ...fixture12,
      design: {
        ...fixture12.design,
        schema: 13,
        build: emptyBuild(),
        startup: { ...fixture12.design.startup, seen: {} },
        care: { ...fixture12.design.care, ...noHabits },
      },
      room: {
        ...fixture12.room,
        schema: 10,
        lines: {},
        bred: {},
        broods: {},
        prices: {},
        kits: {},
        walk: [],
        call: { keeper: '', vet: '' },
      },
    });
    expect(Object.keys(fixture12.room.lots).length).toBe(1);
  });

  it('of version 13 is read as it stands, with what was built of it and what things cost', () => {
    const read = readDesignFile(JSON.stringify(fixture13));
    expect(read.ok ? (read.document as unknown) : read.refusals).toEqual({
      ...fixture13,
      room: { ...fixture13.room, schema: 10, kits: {}, walk: [], call: { keeper: '', vet: '' }, lines: {}, bred: {}, broods: {} },
    });
    expect(Object.keys(fixture13.design.build.ticks)).toEqual(['leak-test', 'rinse']);
  });

  it('of a room of version 9 is read with the kits that it is tested with', () => {
    const read = readDesignFile(JSON.stringify(roomFixture9));
    expect(read.ok ? (read.document as unknown) : read.refusals).toEqual({
      ...roomFixture9,
      room: { ...roomFixture9.room, schema: 10, lines: {}, bred: {}, broods: {} },
    });
    expect(Object.keys(roomFixture9.room.kits)).toEqual(['kh-drops', 'pen']);
  });

  it('of version 10 of the room, with a line and its broods, opens as it was written', () => {
    const read = readDesignFile(JSON.stringify(roomFixture10));
    expect(read.ok ? (read.document as unknown) : read.refusals).toEqual(roomFixture10);
    expect(Object.keys(roomFixture10.room.bred)).toEqual(['hen', 'cock']);
  });

  it('of version 9 is read with the hours of its lamps, what a meter read, and what plants are given; its filter has no figures', () => {
    const read = readDesignFile(JSON.stringify(fixture9));
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture9.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      water: fedLevel(fixture9.design.water),
      care: { ...fixture9.design.care, ...unclocked },
      equipment: geared(fixture9.design.equipment),
    });
    expect(Object.keys(fixture9.design.care.fertiliser)).toEqual(['all-round', 'iron', 'capsules']);
  });

  it('of version 8 is read with its plantings in patches, tied and afloat; its lamps have no hours of their own and its plants are given nothing', () => {
    const read = readDesignFile(JSON.stringify(fixture8));
    const { lamp, ...gear } = fixture8.design.equipment;
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture8.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      water: fedLevel(fixture8.design.water),
      equipment: { ...geared(gear), lamp: { ...lamp, light: { ...lamp.light, hours: null, rampHours: 0, pauseHours: 0, reading: null } } },
      care: { ...fixture8.design.care, fertiliser: {}, ...unclocked },
    });
  });

  it('of version 7 is read with what was measured, each of its plants a planting of one that stands as its kind does', () => {
    const read = readDesignFile(JSON.stringify(fixture7));
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture7.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      water: fedLevel(fixture7.design.water),
      equipment: geared(fixture7.design.equipment),
      care: { ...fixture7.design.care, fertiliser: {}, ...unclocked },
      grown: 'grown',
      scene: planted(fixture7.design.scene),
    });
    expect(Object.keys(fixture7.design.readings).length).toBe(2);
  });

  it('of version 6 is read, with what its room adds to the catalogue, and nothing measured', () => {
    const read = readDesignFile(JSON.stringify(fixture6));
    expect(read.ok ? (read.document.design as unknown) : read.refusals).toEqual({
      ...fixture6.design,
      schema: 13,
      build: emptyBuild(),
      treatments: {},
      startup: null,
      water: fedLevel(fixture6.design.water),
      equipment: geared(fixture6.design.equipment),
      care: { ...fixture6.design.care, fertiliser: {}, ...unclocked },
      grown: 'grown',
      readings: {},
      scene: planted(fixture6.design.scene),
    });
    const { own } = fixture6.room;
    expect(read.ok ? (read.document.room as unknown) : null).toEqual({
      ...fixture6.room,
      schema: 10,
      prices: {},
      kits: {},
      walk: [],
      call: { keeper: '', vet: '' },
      lines: {},
      bred: {},
      broods: {},
      law: null,
      pricePerKwh: null,
      lots: {},
      moves: {},
      marks: {},
      wanted: {},
      own: { ...own, materials: {}, mixes: {} },
    });
  });

  it('takes no kind it may be that it is not', () => {
    const cories = { ...fixture6.design.stock.cories, candidateIds: ['a', 'b'] };
    expect(apply([{ op: 'add', path: '/stock/x', value: cories }]).ok).toBeFalse();
    expect(apply([{ op: 'add', path: '/stock/x', value: { ...cories, candidateIds: [cories.organismId] } }]).ok).toBeFalse();
    expect(apply([{ op: 'add', path: '/stock/x', value: fixture6.design.stock.cories }]).ok).toBeTrue();
  });

  it('takes no bed and no piece that cannot be', () => {
    const layer = fixture5.design.substrate.layers['sand'];
    for (const [path, value] of [
      ['/substrate/layers/x', { ...layer, top: { columns: 2, rows: 2, heightMm: [10, 10, 10, -1] } }],
      ['/substrate/layers/x', { ...layer, top: { columns: 2, rows: 2, heightMm: [10, 10, 10] } }],
      ['/substrate/layers/x', { ...layer, grainMm: [5, 1] }],
      ['/substrate/layers/x', { ...layer, area: { kind: 'zone', zoneId: 'nowhere' } }],
      [
        '/substrate/zones/x',
        {
          order: 1,
          kind: 'path',
          outlineMm: [
            [0, 0],
            [1, 1],
          ],
          edgeTopMm: null,
        },
      ],
      ['/scene/x', { ...fixture5.design.scene['stone'], sizeMm: [0, 10, 10] }],
      ['/scene/x', { ...fixture5.design.scene['stone'], embedMm: -1 }],
      ['/scene/x', { ...fixture5.design.scene['stone'], stand: 'air' }],
    ] as const)
      expect(apply([{ op: 'add', path, value: value as never }]).ok)
        .withContext(`${path} ${JSON.stringify(value)}`)
        .toBeFalse();
    expect(apply([{ op: 'add', path: '/substrate/layers/x', value: { ...layer, area: { kind: 'whole' } } as never }]).ok).toBeTrue();
  });

  it('takes no care that cannot be given', () => {
    for (const [path, value] of [
      ['/care/change', { fraction: 1.2, everyDays: 7 }],
      ['/care/change', { fraction: 0, everyDays: 7 }],
      ['/care/change', { fraction: 0.2, everyDays: 0 }],
      ['/care/lampHours', 25],
      ['/care/feed/gPerDay', -1],
      ['/care/media/carbonG', -3],
      ['/care/fertiliser', { iron: 0 }],
      ['/care/fertiliser', { moonlight: 2 }],
      ['/care/steps', { a: { ...fixture4.design.care.steps.s1, day: '2026-02-30' } }],
      ['/care/steps', { a: { ...fixture4.design.care.steps.s1, day: 'tomorrow' } }],
    ] as const)
      expect(apply([{ op: 'replace', path, value }]).ok)
        .withContext(JSON.stringify(value))
        .toBeFalse();
  });

  it('takes no salt and no conditioner that nobody knows', () => {
    for (const [path, value] of [
      ['/water/salts/x', { order: 1, saltId: 'battery-acid', mgPerL: 10 }],
      ['/water/salts/x', { order: 1, saltId: 'gypsum', mgPerL: 0 }],
      ['/water/conditioner', 'magic'],
      ['/water/additions/x', { order: 1, materialId: 'peat', amount: -1, spent: 0 }],
      ['/water/co2', { mgPerL: 0 }],
    ] as const)
      expect(apply([{ op: path === '/water/conditioner' || path === '/water/co2' ? 'replace' : 'add', path, value }]).ok)
        .withContext(JSON.stringify(value))
        .toBeFalse();
  });

  it('of version 1 comes up with what it said, and the rest unknown', () => {
    const read = readDesignFile(JSON.stringify(fixture));
    if (!read.ok) return fail(read.refusals);
    const { vessel, archived, equipment } = read.document.design;
    expect(archived).toBeFalse();
    expect(vessel?.leakTest.value).toEqual(fixture.design.vessel.leakTested.value ? { dry: true, days: null, filterRan: null } : null);
    expect([vessel?.glassMm.value, vessel?.rim.value, vessel?.sump]).toEqual([null, null, null]);
    expect(Object.values(equipment).every(({ powerW, sizeMm }) => powerW === null && sizeMm === null)).toBeTrue();
    expect(read.document.room.humidityPct.value).toBeNull();
  });

  it('that is no document is left to the schema', () => {
    for (const odd of [null, 7, [], { schema: 1 }, { schema: 1, vessel: 'tank', equipment: [1] }, { schema: 99 }]) {
      expect(Design.safeParse(migrateDesign(odd)).success).toBeFalse();
      expect(Room.safeParse(migrateRoom(odd)).success).toBeFalse();
    }
  });

  it('begins with nothing chosen, and is sound so', () => {
    expect(Design.safeParse(emptyDesign('a', 'b', 'Tank')).success).toBeTrue();
  });

  it('refuses what no tank is, naming the place', () => {
    const faults = (change: Partial<Record<keyof Design, unknown>>) => {
      const parsed = Design.safeParse({ ...weedyThicket, ...change });
      return parsed.success ? 'accepted' : parsed.error.issues.map((issue) => issue.path.join('.')).join();
    };
    expect(faults({ name: '  ' })).toBe('name');
    expect(faults({ vessel: { ...weedyThicket.vessel, lengthMm: 0 } })).toBe('vessel.lengthMm');
    expect(
      faults({
        stock: { a: { order: 1, organismId: 'x', count: -3, phase: 'keep' } },
        brief: { ...weedyThicket.brief, targetStockIds: [] },
      }),
    ).toBe('stock.a.count');
    expect(faults({ brief: { ...weedyThicket.brief, targetStockIds: ['nobody'] } })).toBe('brief.targetStockIds.0');
    expect(faults({ surprise: true } as never)).toBe('');
  });

  it('keeps tables in their order', () => {
    const table = { b: { order: 2 }, a: { order: 1 }, c: { order: 2 } };
    expect(inOrder(table).map(([id]) => id)).toEqual(['a', 'b', 'c']);
    expect(nextOrder(table)).toBe(3);
    expect(nextOrder({})).toBe(1);
  });
});

describe('an edit', () => {
  it('applies, counts, and comes back by its inverse', () => {
    const done = apply([
      { op: 'replace', path: '/name', value: 'Thicket' },
      { op: 'remove', path: '/stock/danios/female' },
      {
        op: 'add',
        path: '/equipment/heater',
        value: { order: 1, kind: 'heater', setPointC: 23, powerW: null, sizeMm: null, placeMm: null },
      },
    ]);
    if (!done.ok) return fail(done.refusals);
    expect(done.document.rev).toBe(weedyThicket.rev + 1);
    const undone = apply(done.inverse, done.document);
    if (!undone.ok) return fail(undone.refusals);
    expect({ ...undone.document, rev: 0 }).toEqual({ ...weedyThicket, rev: 0 });
  });

  it('leaves untouched parts the same objects', () => {
    const done = apply([{ op: 'replace', path: '/stock/danios/count', value: 15 }]);
    if (!done.ok) return fail(done.refusals);
    expect(done.document.scene).toBe(weedyThicket.scene);
    expect(done.document.vessel).toBe(weedyThicket.vessel);
    expect(done.document.stock).not.toBe(weedyThicket.stock);
    expect(weedyThicket.stock['danios']?.count).toBe(12);
  });

  const refused: [string, Operation[]][] = [
    ['a place that is not there', [{ op: 'replace', path: '/stock/nobody/count', value: 3 }]],
    ['a count of nothing', [{ op: 'replace', path: '/stock/danios/count', value: 0 }]],
    ['letters for a length', [{ op: 'replace', path: '/vessel/lengthMm', value: 'long' }]],
    ['a field nobody knows', [{ op: 'add', path: '/colour', value: 'red' }]],
    ['the prototype', [{ op: 'add', path: '/__proto__/polluted', value: true }]],
    [
      'the prototype inside a value',
      [{ op: 'add', path: '/equipment/x', value: JSON.parse('{"__proto__":{"polluted":true},"order":1,"kind":"heater","setPointC":20}') }],
    ],
    ['the constructor', [{ op: 'add', path: '/scene/constructor', value: {} }]],
    ['the whole document', [{ op: 'replace', path: '', value: {} }]],
    [
      'a stale test',
      [
        { op: 'test', path: '/rev', value: 99 },
        { op: 'replace', path: '/name', value: 'x' },
      ],
    ],
    ['a target that goes away', [{ op: 'remove', path: '/stock/danios' }]],
    [
      'the second half of it',
      [
        { op: 'replace', path: '/name', value: 'Half' },
        { op: 'replace', path: '/vessel/heightMm', value: -1 },
      ],
    ],
  ];
  for (const [name, patch] of refused) {
    it(`is refused whole for ${name}`, () => {
      const before = JSON.stringify(weedyThicket);
      const done = apply(patch);
      expect(done.ok).toBeFalse();
      expect(!done.ok && done.refusals.every(({ reason }) => reason.length > 0)).toBeTrue();
      expect(JSON.stringify(weedyThicket)).toBe(before);
      expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
    });
  }

  it('fuzzed: refused or applied, never half, always back by its inverse', () => {
    const paths = [
      '',
      '/name',
      '/rev',
      '/vessel',
      '/vessel/lengthMm',
      '/vessel/lid/value',
      '/stock',
      '/stock/danios',
      '/stock/danios/count',
      '/stock/new',
      '/water/parts/tap/share',
      '/scene/stem-1',
      '/scene/stem-1/positionMm/0',
      '/brief/targetStockIds/-',
      '/brief/targetStockIds/0',
      '/accepted/key',
      '/nowhere/at/all',
      '/__proto__/x',
      'no-slash',
    ];
    const value = fc.oneof(
      fc.jsonValue({ maxDepth: 2 }),
      fc.constantFrom(
        5,
        'glass',
        null,
        'danios',
        { order: 2, organismId: 'neocaridina-davidi', count: 10, phase: 'keep' },
        weedyThicket.vessel,
      ),
    );
    const operation = fc.oneof(
      fc.record({ op: fc.constantFrom('add', 'replace', 'test'), path: fc.constantFrom(...paths), value }),
      fc.record({ op: fc.constant('remove'), path: fc.constantFrom(...paths) }),
      fc.record({ op: fc.constantFrom('move', 'copy'), from: fc.constantFrom(...paths), path: fc.constantFrom(...paths) }),
    ) as fc.Arbitrary<Operation>;
    const before = JSON.stringify(weedyThicket);
    let applied = 0;
    fc.assert(
      fc.property(fc.array(operation, { minLength: 1, maxLength: 4 }), (patch) => {
        const done = apply(patch);
        expect(JSON.stringify(weedyThicket)).toBe(before);
        if (!done.ok) {
          expect(done.refusals.length).toBeGreaterThan(0);
          return;
        }
        applied += 1;
        expect(Design.safeParse(done.document).success).toBeTrue();
        const undone = apply(done.inverse, done.document);
        expect(undone.ok && { ...undone.document, rev: 0 }).toEqual({ ...weedyThicket, rev: 0 });
      }),
      { numRuns: 1500, seed: 11 },
    );
    expect(applied).toBeGreaterThan(20);
  });

  it('escapes ids in its pointers', () => {
    expect(pointer('accepted', 'a/b~c')).toBe('/accepted/a~1b~0c');
    const done = apply([{ op: 'add', path: pointer('accepted', 'water.parameter:ph:a/b'), value: 'fine by me' }]);
    expect(done.ok && done.document.accepted['water.parameter:ph:a/b']).toBe('fine by me');
  });

  it('from outside is checked for shape', () => {
    expect(PatchSchema.safeParse([{ op: 'replace', path: '/name', value: 'x' }]).success).toBeTrue();
    for (const bad of [[{ op: 'burn', path: '/name' }], [{ op: 'add', path: 'name', value: 1 }], [{ op: 'replace', path: '/name' }], {}]) {
      expect(PatchSchema.safeParse(bad).success).toBeFalse();
    }
  });
});

describe('a design file', () => {
  const file = { terroir: 'design', design: peatPocket, room: lowBarn, cited: { catalogue: catalogueData.edition, entries: [] } };
  const text = JSON.stringify(file);
  const reasons = (input: string) => {
    const read = readDesignFile(input);
    return read.ok ? 'accepted' : read.refusals.map(({ path, reason }) => `${path}: ${reason}`).join('; ');
  };

  it('comes back as it went', () => {
    const read = readDesignFile(text);
    expect(read.ok && read.document.design).toEqual(peatPocket);
    expect(read.ok && Room.safeParse(read.document.room).success).toBeTrue();
  });

  it('is refused with place and reason when it is not one', () => {
    expect(reasons(text.slice(0, text.length / 2))).toMatch(/not whole JSON/);
    expect(reasons('hello')).toMatch(/not whole JSON/);
    expect(reasons('{"tanks": []}')).toMatch(/not a Terroir design file/);
    expect(reasons('null')).toMatch(/not a Terroir design file/);
    expect(reasons(JSON.stringify({ ...file, design: { ...peatPocket, schema: 99 } }))).toMatch(
      /design.schema: written by a newer Terroir \(version 99/,
    );
    expect(reasons(JSON.stringify({ ...file, design: { ...peatPocket, name: 5 } }))).toMatch(/design.name/);
    expect(reasons(JSON.stringify({ ...file, extra: 1 }))).toMatch(/extra/);
    expect(reasons(JSON.stringify({ ...file, room: { ...lowBarn, id: 'elsewhere' } }))).toMatch(/design.roomId: is not the room/);
    expect(reasons(' '.repeat(10_000_001))).toMatch(/larger/);
  });

  it('fuzzed by cutting and flipping, is refused or read whole', () => {
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.nat(text.length - 1), fc.string({ maxLength: 3 }), (from, length, junk) => {
        const read = readDesignFile(text.slice(0, from) + junk + text.slice(from + (length % 20)));
        if (read.ok) expect(Design.safeParse(read.document.design).success).toBeTrue();
        else expect(read.refusals[0]?.reason.length).toBeGreaterThan(0);
      }),
    );
  });
});
