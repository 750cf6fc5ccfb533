import { freeAmmoniaFractionOf } from '../../chemistry/free-ammonia-fraction';
import type { Known, TankFacts } from '../../diagnosis/facts';
import { readingsIn } from '../../log/series';
import { standing, type Line } from '../../log/timeline';
import type { LoggedParameter } from '../../reading/parameter';
import { daysFrom, type Day } from '../../schedule/day';
import type { Assessment } from '../assessment';
import { lightHours } from '../derive/assumed';
import { windowNodeOf } from '../derive';
import { runsSince } from './agenda';

/** A reading tells of the tank for so long; and of what an event did, for so long around it. */
const READ_DAYS = 60;
const LATELY_DAYS = 3;
/** Words that keepers write down without thinking of the tank. */
const POISON = /spray|insect|fly ?paper|flea|paint|varnish|perfume|air ?freshener|soap|detergent|bleach|glue|solvent|mosquito coil/i;
const PIPES = /pipe|plumb|boiler|water heater|tap (was|is|got)|new tap|copper/i;
const PLANTED = /\bplant(ed|s|ing)\b|\breplant/i;

/** What of a tank, its log and its balance speaks for a cause of what is seen. */
export function factsOf(assessment: Assessment, all: readonly Line[], today: Day): TankFacts {
  const { world, derived, findings } = assessment;
  const { design, room } = world;
  const lines = standing(all).filter(({ day }) => day <= today);
  const ago = (day: Day) => daysFrom(day, today);
  const readings = readingsIn(lines).filter(({ reading }) => !reading.simulated);
  const lastRead = (parameter: LoggedParameter): Known | null => {
    const found = readings.filter(({ reading }) => reading.values[parameter] !== undefined).at(-1);
    return found && ago(found.line.day) <= READ_DAYS ? { value: found.reading.values[parameter]!, readDaysAgo: ago(found.line.day) } : null;
  };
  const reckoned = (value: number | null | undefined): Known | null =>
    value === null || value === undefined ? null : { value, readDaysAgo: null };
  const settled = derived['tank.settled'].value?.usual;
  const starting = design.startup !== null && design.startup.challengedOn === null;
  const temperatureC = lastRead('temperatureC') ?? reckoned(derived['planned.temperatureC'].value);
  const ph = lastRead('ph') ?? reckoned(derived['planned.ph'].value);
  const ghDh = lastRead('ghDh') ?? reckoned(derived['planned.ghDh'].value);
  const salinity = derived['planned.salinity'].value ?? 0;
  const ammoniaMgN = lastRead('ammoniaMgNPerL');
  const members = derived['stock.members'].value ?? [];
  const since = runsSince(design, all);
  const changes = lines.flatMap(({ entry, day }) => (entry.kind === 'change' ? [{ entry, day }] : []));
  const litres = derived['vessel.system-volume'].value ?? derived['vessel.water-volume'].value;
  const shareOf = ({ entry }: (typeof changes)[number]) =>
    entry.fraction ?? (entry.litres !== null && litres ? Math.min(1, entry.litres / litres) : 0.2);
  const lately = changes.filter(({ day }) => ago(day) <= LATELY_DAYS).sort((a, b) => shareOf(b) - shareOf(a))[0];
  const notes = (within: number) =>
    lines
      .filter(({ day }) => ago(day) <= within)
      .map(({ entry }) => entry.note)
      .join('\n');
  const newest = (days: readonly Day[]) => (days.length === 0 ? null : Math.min(...days.map(ago).filter((one) => one >= 0)));
  const moved = Object.values(room.moves).filter(({ to, why }) => to === design.id && (why === 'arrived' || why === 'moved'));
  const kindOf = (lotId: string) => room.lots[lotId]?.kind;
  const feed = design.care.feed.gPerDay;
  const usual = derived['stock.load'].value?.usualFeedG ?? 0;
  const carbonDioxide = derived['gear.co2'].value?.mgPerL ?? null;
  return {
    groups: new Set(members.flatMap(({ organism }) => (organism?.kind === 'animal' ? [organism.group] : []))),
    salty: salinity > 1,
    daysRunning: since === null ? null : ago(since),
    starting,
    temperatureC,
    ph,
    ghDh,
    khDh: lastRead('khDh') ?? reckoned(derived['planned.khDh'].value),
    oxygenMgPerL: lastRead('oxygenMgPerL') ?? reckoned(derived['gear.dawn'].value?.dawnMgPerL ?? settled?.oxygenMgPerL),
    ammoniaMgN,
    freeAmmoniaMgN:
      ammoniaMgN && ph && temperatureC ? ammoniaMgN.value * freeAmmoniaFractionOf(temperatureC.value, ph.value, salinity) : null,
    nitriteMgN: lastRead('nitriteMgNPerL'),
    nitrateMgPerL: lastRead('nitrateMgPerL') ?? reckoned(settled?.nitrateMgPerL),
    copperMgPerL: lastRead('copperMgPerL'),
    co2MgPerL: carbonDioxide ?? (design.water.co2 === null ? 3 : null),
    windows: windowsOf(assessment),
    fedTimes: feed !== null && usual > 0 ? feed / usual : null,
    daysSinceChange: changes.length === 0 ? null : ago(changes.at(-1)!.day),
    changedLately: lately ? shareOf(lately) : 0,
    pouredOff: lately ? offBy(assessment, readings, lately.day) : null,
    filterCleanedDaysAgo: newest(lines.flatMap(({ entry, day }) => (entry.kind === 'cleaning' && entry.what === 'filter' ? [day] : []))),
    treatedDaysAgo: newest(lines.flatMap(({ entry, day }) => (entry.kind === 'treatment' && entry.phase !== 'ended' ? [day] : []))),
    arrivedDaysAgo: newest([
      ...lines.flatMap(({ entry, day }) => (entry.kind === 'animals' && entry.became === 'came' ? [day] : [])),
      ...moved.filter(({ lotId }) => kindOf(lotId) === 'animal').map(({ day }) => day),
    ]),
    plantedDaysAgo: newest([
      ...lines.flatMap(({ entry, day }) => (PLANTED.test(entry.note) ? [day] : [])),
      ...moved.filter(({ lotId }) => kindOf(lotId) === 'plant').map(({ day }) => day),
    ]),
    poisonNoted: POISON.test(notes(7)),
    pipesNoted: PIPES.test(notes(30)),
    lampHours: members.length > 0 ? lightHours(design) : null,
    sunlit: findings.some(({ code }) => code === 'vessel.sun') || design.vessel?.sun.value === 'direct',
    stillSurface: design.care.surface === 'still',
    openTop: design.vessel?.lid.value === 'none',
    fertilised: Object.keys(design.care.fertiliser).length > 0,
    plants: members.filter(({ organism }) => organism?.kind === 'plant').length,
    bedMm: Object.values(design.substrate.layers).reduce<number | null>((most, { top }) => Math.max(most ?? 0, ...top.heightMm), null),
    findings: new Set(findings.filter(({ severity }) => severity === 'conflict' || severity === 'watch').map(({ code }) => code)),
    met: new Set((derived['health.contacts'].value ?? []).filter(({ place }) => place === design.id).map(({ condition }) => condition)),
    died: lines.reduce(
      (sum, { entry, day }) =>
        entry.kind === 'animals' && (entry.became === 'died' || entry.became === 'lost') && ago(day) <= 28 ? sum + (entry.count ?? 1) : sum,
      0,
    ),
  };
}

function windowsOf({ derived }: Assessment): TankFacts['windows'] {
  const parameters = ['temperatureC', 'ph', 'ghDh', 'khDh'] as const;
  return Object.fromEntries(
    parameters.flatMap((parameter) => {
      const window = windowNodeOf(derived, parameter).value?.tolerance;
      return window ? [[parameter, [window[0], window[1]] as const]] : [];
    }),
  );
}

/** How far a change moved the water, by what was read before and after it; by what is poured where nothing was read after. */
function offBy({ derived }: Assessment, readings: ReturnType<typeof readingsIn>, day: Day): TankFacts['pouredOff'] {
  const step = (parameter: 'ghDh' | 'ph', poured: number | null) => {
    const values = readings.flatMap(({ line, reading }) => {
      const value = reading.values[parameter];
      return value === undefined ? [] : [{ day: line.day, value }];
    });
    const before = values.filter((one) => one.day < day).at(-1)?.value;
    const after = values.find((one) => one.day >= day)?.value ?? poured;
    return before === undefined || after === null || after === undefined ? null : after - before;
  };
  const [gh, ph] = [step('ghDh', derived['planned.ghDh'].value), step('ph', derived['planned.ph'].value)];
  return gh === null && ph === null ? null : { ghDh: gh ?? 0, ph: ph ?? 0 };
}
