import type { BuildFacts } from './facts';
import { SCHOOLS, type BuildRecord, type School } from './model';

export type BuildCode =
  | 'place'
  | 'leak-test'
  | 'plumb'
  | 'background'
  | 'wood'
  | 'wash'
  | 'live'
  | 'smooth'
  | 'dry-fit'
  | 'join'
  | 'mat'
  | 'base'
  | 'edges'
  | 'rinse'
  | 'layer'
  | 'press'
  | 'capsules'
  | 'set'
  | 'look'
  | 'plants-ready'
  | 'attach'
  | 'plant'
  | 'gear'
  | 'media'
  | 'mix'
  | 'fill'
  | 'condition'
  | 'stems'
  | 'loose'
  | 'float'
  | 'ring'
  | 'lid'
  | 'run'
  | 'gas'
  | 'lamp'
  | 'check'
  | 'begin';

export type Caution = 'weight' | 'glass' | 'mains' | 'dust' | 'cutting' | 'boiling' | 'fumes' | 'gas' | 'skin' | 'live-rock' | 'dips';

/** One step of the work. Amounts come from the design; minutes and waits are common practice. */
export interface BuildStep {
  id: string;
  code: BuildCode;
  values: Readonly<Record<string, number>>;
  names: readonly string[];
  minutes: number;
  /** Before what rests on it may go on. */
  waitHours: number;
  /** Steps that have to be done before. */
  needs: readonly string[];
  cautions: readonly Caution[];
  school: School | null;
}

const DAY = 24;
/** Steps that rest on others, by code; those that do not apply to a tank are passed over. */
const AFTER: Readonly<Partial<Record<BuildCode, readonly BuildCode[]>>> = {
  plumb: ['leak-test'],
  mat: ['leak-test', 'plumb'],
  'dry-fit': ['wash', 'smooth'],
  join: ['dry-fit'],
  base: ['leak-test', 'plumb', 'mat', 'wash', 'live', 'smooth'],
  edges: ['leak-test', 'plumb', 'base'],
  layer: ['leak-test', 'plumb', 'mat', 'base', 'edges', 'rinse'],
  press: ['layer'],
  capsules: ['layer', 'press'],
  set: ['leak-test', 'plumb', 'layer', 'press', 'join', 'wood', 'wash', 'live', 'smooth'],
  look: ['base', 'set'],
  attach: ['plants-ready', 'join'],
  plant: ['plants-ready', 'layer', 'press', 'capsules', 'set'],
  gear: ['leak-test', 'plumb'],
  media: ['gear'],
  fill: ['leak-test', 'plumb', 'layer', 'press', 'capsules', 'base', 'set', 'look', 'mix', 'attach'],
  condition: ['fill'],
  stems: ['fill', 'plants-ready'],
  loose: ['fill'],
  float: ['fill', 'plants-ready'],
  ring: ['fill'],
  lid: ['fill'],
  run: ['fill', 'gear', 'media'],
  gas: ['run'],
  lamp: ['fill'],
  check: ['run', 'condition'],
  begin: ['check'],
};

/** The way that is gone where practitioners go several. */
export const schoolOf = <S extends School>({ schools }: Pick<BuildRecord, 'schools'>, school: S): (typeof SCHOOLS)[S][number] =>
  (schools[school] ?? SCHOOLS[school][0]) as (typeof SCHOOLS)[S][number];

const plus = (values: readonly (number | null)[]): number => values.reduce<number>((sum, one) => sum + (one ?? 0), 0);
const about = (minutes: number): number => Math.max(5, Math.round(minutes / 5) * 5);

/**
 * The work for one tank in the practitioner's order: nothing that does not apply to it, amounts from its design. Common practice.
 *
 * @returns steps in the usual order; of each, the needs name steps of this list only
 */
export function buildSteps(facts: BuildFacts, record: Pick<BuildRecord, 'schools'>): BuildStep[] {
  const { vessel, layers, pieces, plants, devices, water } = facts;
  if (!vessel) return [];
  const steps: BuildStep[] = [];
  const put = (code: BuildCode, minutes: number, rest: Partial<Omit<BuildStep, 'code' | 'minutes'>> = {}): void => {
    steps.push({
      id: code,
      code,
      values: {},
      names: [],
      waitHours: 0,
      cautions: [],
      school: null,
      needs: [],
      minutes: about(minutes),
      ...rest,
    });
  };
  const named = (of: readonly { name: string }[]): string[] => [...new Set(of.map(({ name }) => name))];

  put('place', 30, {
    values: vessel.filledKg === null ? {} : { kg: vessel.filledKg },
    cautions: (vessel.filledKg ?? Infinity) > 60 ? ['weight', 'glass'] : ['glass'],
  });
  if (vessel.testDays > 0) put('leak-test', 30, { values: { days: vessel.testDays }, waitHours: vessel.testDays * DAY });
  if (vessel.plumbed && !vessel.ranTested) put('plumb', 60, { waitHours: DAY });
  if (vessel.background) put('background', 20);

  // made ready beside the tank
  const wood = pieces.filter(({ group, floats }) => group === 'wood' && floats);
  if (wood.length > 0) {
    const way = schoolOf(record, 'wood');
    put('wood', way === 'boil' ? 45 : 15, {
      names: named(wood),
      values: { count: wood.length, ballastKg: plus(wood.map(({ ballastKg }) => ballastKg)) },
      waitHours: way === 'soak' ? 14 * DAY : way === 'boil' ? DAY : 0,
      cautions: way === 'boil' ? ['boiling'] : [],
      school: 'wood',
    });
  }
  const hard = pieces.filter(({ group }) => group !== 'litter' && group !== 'fitting');
  const dead = hard.filter(({ alive }) => !alive);
  const live = hard.filter(({ alive }) => alive);
  const told = (of: typeof hard) => ({ names: named(of), values: { count: of.length, kg: plus(of.map(({ kg }) => kg)) } });
  if (dead.length > 0) put('wash', 2 * dead.length + 5, told(dead));
  if (live.length > 0) put('live', 20 + 5 * live.length, { ...told(live), cautions: ['live-rock', 'skin'] });
  const raw = pieces.filter(({ rawEdges }) => rawEdges);
  if (raw.length > 0) put('smooth', 5 * raw.length, { names: named(raw), values: { count: raw.length }, cautions: ['cutting', 'dust'] });
  if (hard.length > 1 || devices.some(({ inside }) => inside)) put('dry-fit', 10 + 3 * hard.length);
  const joined = pieces.filter(({ fixing }) => fixing === 'glued' || fixing === 'screwed');
  const cast = pieces.some((piece) => piece.cast);
  if (joined.length > 0 || cast)
    put('join', 8 * joined.length + (cast ? 60 : 0), {
      names: named(joined.length > 0 ? joined : pieces.filter((piece) => piece.cast)),
      values: {
        glued: joined.filter(({ fixing }) => fixing === 'glued').length,
        screwed: joined.filter(({ fixing }) => fixing === 'screwed').length,
      },
      waitHours: cast ? 3 * DAY : joined.some(({ fixing }) => fixing === 'glued') ? DAY : 0,
      cautions: ['fumes'],
    });

  // the bed
  if (facts.mat) put('mat', 10);
  const base = pieces.filter(({ onBase }) => onBase);
  if (base.length > 0)
    put('base', 5 * base.length, {
      names: named(base),
      values: { count: base.length, kg: plus(base.map(({ kg }) => kg)), diggers: facts.diggers ? 1 : 0 },
    });
  if (facts.edges > 0) put('edges', 15 * facts.edges, { values: { count: facts.edges } });
  const coarse = schoolOf(record, 'coarse');
  const rinsed = layers.filter(({ how }) => how === 'rinse' || (how === 'coarse' && coarse === 'rinse'));
  const grains = layers.some(({ how }) => how === 'coarse');
  if (rinsed.length > 0)
    put('rinse', plus(rinsed.map(({ litres }) => 3 * litres)), {
      names: named(rinsed),
      values: { litres: plus(rinsed.map(({ litres }) => litres)) },
      cautions: ['dust'],
      school: grains ? 'coarse' : null,
    });
  let below: string | null = null;
  for (const layer of layers) {
    const id = `layer-${layer.id}`;
    put('layer', 5 + layer.litres, {
      id,
      names: [layer.name],
      needs: below === null ? [] : [below],
      values: {
        litres: layer.litres,
        ...(layer.kg === null ? {} : { kg: layer.kg }),
        least: layer.depthMm[0],
        most: layer.depthMm[1],
        cloth: layer.cloth ? 1 : 0,
        leave: layer.how === 'leave' ? 1 : 0,
        filler: layer.how === 'filler' ? 1 : 0,
        zoned: layer.zoned ? 1 : 0,
        unrinsed: layer.how === 'coarse' && coarse !== 'rinse' ? 1 : 0,
      },
      cautions: layer.how === 'press' ? ['dust'] : [],
      school: layer.how === 'coarse' && coarse !== 'rinse' ? 'coarse' : null,
    });
    below = id;
    if (layer.how === 'press') {
      below = `press-${layer.id}`;
      put('press', 10, { id: below, names: [layer.name], waitHours: 1, needs: [id] });
    }
  }
  if (facts.capsules > 0) put('capsules', facts.capsules / 2, { values: { count: facts.capsules } });

  // what stands in it
  const onBed = pieces.filter(({ onBase, group }) => !onBase && group !== 'litter');
  if (onBed.length > 0)
    put('set', 5 * onBed.length, { names: named(onBed), values: { count: onBed.length, kg: plus(onBed.map(({ kg }) => kg)) } });
  if (facts.hides > 0) put('look', 5 + 2 * facts.hides, { values: { count: facts.hides, rivals: facts.rivals ? 1 : 0 } });

  // plants
  const later = facts.freshSoil && schoolOf(record, 'planting') === 'after-ammonia';
  // what lives in salt water is never left dry
  const flooded = water.marine;
  const ways = (how: (typeof plants)[number]['how']) => plants.filter((plant) => plant.how === how);
  const [rooted, stems, onPieces, afloat] = [ways('rooted'), ways('long-stem'), ways('on-piece'), ways('afloat')];
  const counted = (of: readonly { count: number }[]) => plus(of.map(({ count }) => count));
  if (plants.length > 0)
    put('plants-ready', 10 + counted(plants), {
      values: { count: counted(plants), inverts: facts.delicateInverts ? 1 : 0, marine: water.marine ? 1 : 0 },
      names: named(plants),
      cautions: water.marine ? [] : ['dips'],
    });
  const plantingSchool = facts.freshSoil ? ('planting' as const) : null;
  const plantIn = (): void => {
    if (onPieces.length > 0)
      put('attach', 3 * counted(onPieces), {
        names: named(onPieces),
        values: { count: counted(onPieces), under: later || flooded ? 1 : 0 },
        cautions: ['fumes'],
      });
    if (rooted.length > 0)
      put('plant', 5 + counted(rooted), {
        names: named(rooted),
        values: { count: counted(rooted), under: later || flooded ? 1 : 0 },
        school: plantingSchool,
      });
  };
  if (!later && !flooded) plantIn();

  // gear and water
  if (devices.some(({ kind }) => kind !== 'lamp'))
    put('gear', 10 * devices.length, {
      names: [...new Set(devices.map(({ kind }) => kind).filter((kind) => kind !== 'lamp'))],
      values: { heater: devices.some(({ kind }) => kind === 'heater') ? 1 : 0 },
      cautions: devices.some(({ mains }) => mains) ? ['mains'] : [],
    });
  if (facts.media.length > 0)
    put('media', 15, {
      names: facts.media.map(({ name, from }) => (from ? `${name} out of ${from}` : name)),
      values: { litres: plus(facts.media.map(({ litres }) => litres)), grown: facts.media.some(({ from }) => from) ? 1 : 0 },
    });
  const mixed = water.parts.length > 1 || water.salts.length > 0;
  if (mixed)
    put('mix', 10 + 5 * water.salts.length, {
      names: [...water.parts, ...water.salts].map(({ name }) => name),
      values: {
        ...(water.litres === null ? {} : { litres: water.litres }),
        marine: water.marine ? 1 : 0,
        salt: water.seaSalt ? 1 : 0,
        ...Object.fromEntries(water.parts.flatMap(({ litres }, i) => (litres === null ? [] : [[`part${i}`, litres]]))),
        ...Object.fromEntries(water.salts.flatMap(({ grams }, i) => (grams === null ? [] : [[`salt${i}`, grams]]))),
        parts: water.parts.length,
      },
      waitHours: water.seaSalt ? DAY : 1,
    });
  put('fill', 10 + (water.litres ?? 50) / 4, {
    names: mixed ? [] : water.parts.map(({ name }) => name),
    values: { ...(water.litres === null ? {} : { litres: water.litres }), bed: layers.length > 0 ? 1 : 0 },
    waitHours: 1,
  });
  if (water.conditioner)
    put('condition', 5, {
      names: [water.conditioner],
      values: { ...(water.litres === null ? {} : { litres: water.litres }), fertilised: facts.fertilised ? 1 : 0 },
    });
  if (!later && flooded) plantIn();
  if (!later && stems.length > 0)
    put('stems', 5 + counted(stems), { names: named(stems), values: { count: counted(stems) }, school: plantingSchool });
  const litter = pieces.filter(({ group }) => group === 'litter');
  if (water.loose.length > 0 || litter.length > 0)
    put('loose', 15, {
      names: [...water.loose.map(({ name }) => name), ...named(litter)],
      values: Object.fromEntries(water.loose.map(({ amount, in: by }, i) => [`${by === 'volume' ? 'litres' : 'grams'}${i}`, amount])),
    });
  if (!later && afloat.length > 0) put('float', 5, { names: named(afloat), values: { count: counted(afloat) } });
  if (facts.ring) put('ring', 5);
  if (vessel.lid || vessel.openings > 0 || facts.guards > 0)
    put('lid', 10, { values: { openings: vessel.openings, guards: facts.guards, lid: vessel.lid ? 1 : 0 } });
  if (devices.some(({ kind }) => kind !== 'lamp'))
    put('run', 15, {
      values: {
        heater: devices.some(({ kind }) => kind === 'heater') ? 1 : 0,
        ...(devices.find(({ setPointC }) => setPointC !== null)
          ? { setPointC: devices.find(({ setPointC }) => setPointC !== null)!.setPointC! }
          : {}),
      },
      waitHours: DAY,
      cautions: devices.some(({ mains }) => mains) ? ['mains'] : [],
    });
  if (facts.gas) put('gas', 30, { cautions: ['gas'] });
  if (devices.some(({ kind }) => kind === 'lamp'))
    put('lamp', 10, { values: facts.lampHours === null ? {} : { hours: facts.lampHours }, cautions: ['mains'], school: 'light' });
  put('check', 20, { cautions: ['skin'] });
  if (facts.start) put('begin', 10, { school: later ? 'planting' : null });
  if (later) {
    plantIn();
    if (stems.length > 0) put('stems', 5 + counted(stems), { names: named(stems), values: { count: counted(stems) }, school: 'planting' });
    if (afloat.length > 0) put('float', 5, { names: named(afloat), values: { count: counted(afloat) } });
  }

  const byCode = new Map<BuildCode, string[]>();
  for (const { code, id } of steps) byCode.set(code, [...(byCode.get(code) ?? []), id]);
  // plants that wait for the soil do not wait with everything that follows on them
  const flows = ['attach', 'plant', 'stems', 'float'] as const;
  const waits = new Set<BuildCode>(later ? flows : []);
  const under = new Set<BuildCode>(flooded && !later ? ['attach', 'plant'] : []);
  let warned = new Set<Caution>();
  return steps.map((step): BuildStep => {
    const chained = step.code === 'layer' || step.code === 'press';
    const rests = (AFTER[step.code] ?? []).filter(
      (code) => !(step.code === 'press' && code === 'layer') && !waits.has(code) && !under.has(code),
    );
    const needs = [
      ...new Set([...step.needs, ...rests.flatMap((code) => (chained && code === 'layer' ? [] : (byCode.get(code) ?? [])))]),
      ...(under.has(step.code) ? (byCode.get('fill') ?? []) : []),
      ...(waits.has(step.code) ? (byCode.get('begin') ?? byCode.get('check') ?? []) : []),
    ];
    // a caution is told once, where it first counts
    const cautions = step.cautions.filter((caution) => !warned.has(caution));
    warned = new Set([...warned, ...cautions]);
    return { ...step, needs, cautions };
  });
}
