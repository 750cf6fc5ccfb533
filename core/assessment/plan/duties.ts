import { MINUTES, minutesOfChange, minutesPerWeek } from '../../care/work';
import type { Duty, DutyCode } from '../../care/duty';
import { portionsOn } from '../../care/portions';
import { FOODS } from '../../catalogue/food';
import { inOrder } from '../../design/design';
import { serviceOf, type ServiceTask } from '../../equipment/service';
import { APART_DAYS } from '../../health/findings';
import { CALIBRATION, MONITORED } from '../../reading/calibration';
import type { LoggedParameter } from '../../reading/parameter';
import { dayAfter, daysFrom, type Day } from '../../schedule/day';
import { FRESH_SALINITY_MAX } from '../../tank/scenario';
import { surfacesOf } from '../../vessel/shape';
import type { Assessment } from '../assessment';
import { ASSUMED_CARE } from '../derive/assumed';
import { windowNodeOf } from '../derive';

/** How often things are done where the keeper has not said. Common practice, field by field. */
const USUAL_DAYS = {
  topUp: 7,
  panes: 7,
  /** Leaves are renewed as they fall to pieces; a third of them each time. */
  leaves: 21,
  carbon: 28,
  binder: 28,
  capsules: 90,
  count: 30,
  test: 14,
  testYoung: 7,
  testSalinity: 3,
  testStarting: 2,
} as const;
const LEAVES_RENEWED = 1 / 3;
/** A tank is young for so long after it was begun: it is tested twice as often. */
const YOUNG_DAYS = 90;
/** A Monday and the days after it. */
const WEEK: readonly Day[] = [0, 1, 2, 3, 4, 5, 6].map((i) => dayAfter('2026-03-02', i));
/** Plants are cut back to so much of what they were let grow to; never sooner, never later than that. */
const CUT_BACK_TO = 0.6;
const TRIM_DAYS = [7, 84] as const;
/** From so many degrees below the edge of what they bear on, the warmth of an afternoon is looked at. */
const NEAR_EDGE_C = 1;

const duty = (id: string, code: DutyCode, everyDays: number, rest: Partial<Duty> = {}): Duty => ({
  id,
  code,
  everyDays,
  on: null,
  weekdays: null,
  months: null,
  minutes: 0,
  values: {},
  litresByMonth: null,
  pourL: {},
  saltsG: {},
  subjects: [],
  usualDays: everyDays,
  ...rest,
});

/**
 * All that a tank asks of its keeper, by its stock, feed, plants, soil, gear and water; what the keeper does otherwise is done so.
 *
 * @param today a young tank is tested twice as often; null for one that runs
 */
export function dutiesOf(assessment: Assessment, today: Day | null): Duty[] {
  const { care } = assessment.world.design;
  const all = [
    ...looks(assessment),
    ...feeding(assessment),
    ...water(assessment),
    ...doses(assessment),
    ...plants(assessment),
    ...panes(assessment),
    ...tests(assessment, today),
    ...counts(assessment),
    ...service(assessment),
    ...renewals(assessment),
    ...calibrations(assessment),
    ...apart(assessment),
  ];
  const kept = all.flatMap((one): Duty[] => {
    if (!Object.hasOwn(care.habits, one.id)) return [one];
    const everyDays = care.habits[one.id]!;
    return everyDays === null ? [] : [{ ...one, everyDays }];
  });
  const own = inOrder(care.own).map(([id, { everyDays, minutes }]) =>
    duty(`own:${id}`, 'own', everyDays, { minutes, subjects: [id], usualDays: null }),
  );
  return [...kept, ...own];
}

/** What the keeper has chosen not to do at all, of what is usual. */
export function leftOut(assessment: Assessment, today: Day | null): Duty[] {
  const { world } = assessment;
  const { care } = world.design;
  const left = Object.keys(care.habits).filter((id) => care.habits[id] === null);
  if (left.length === 0) return [];
  const usual = { ...world, design: { ...world.design, care: { ...care, habits: {} } } };
  return dutiesOf({ ...assessment, world: usual }, today).filter(({ id }) => left.includes(id));
}

const litresOf = ({ derived }: Assessment): number | null =>
  derived['vessel.system-volume'].value ?? derived['vessel.water-volume'].value ?? null;

function looks(assessment: Assessment): Duty[] {
  const { derived } = assessment;
  if ((derived['stock.members'].value ?? []).length === 0) return [];
  const warmth = windowNodeOf(derived, 'temperatureC').value?.tolerance;
  const year = derived['heat.year'].value;
  const found = [duty('look', 'look', 1, { minutes: MINUTES.look, values: warmth ? { lowC: warmth[0], highC: warmth[1] } : {} })];
  const hot = warmth && year ? year.flatMap(([, high], month) => (high > warmth[1] - NEAR_EDGE_C ? [month] : [])) : [];
  // a tank that is too warm all year is no matter of the season: the ledger says so
  if (warmth && hot.length > 0 && hot.length < 12)
    found.push(duty('heat-watch', 'heat-watch', 1, { minutes: MINUTES.look, months: hot, values: { highC: warmth[1] } }));
  return found;
}

function feeding({ world: { design }, derived }: Assessment): Duty[] {
  const { care } = design;
  const members = (derived['stock.members'].value ?? []).filter(({ organism }) => organism?.kind === 'animal');
  if (members.length === 0) return [];
  const gPerDay = care.feed.gPerDay ?? derived['tank.ahead'].value?.scenario.feed.gPerDay ?? derived['stock.load'].value?.usualFeedG ?? 0;
  // a menu may leave more days bare than are fasted on
  const days = WEEK.flatMap((day, weekday) => (portionsOn(care, gPerDay, day).length > 0 ? [weekday] : []));
  const menu = Object.values(care.menu);
  const aWeek =
    menu.length > 0 ? menu.reduce((sum, { timesAWeek }) => sum + timesAWeek, 0) : days.length * Math.max(1, care.feedHours.length);
  const cultures = menu.flatMap(({ foodId }) => {
    const { culture } = FOODS[foodId];
    const renewed = culture && Math.max(1, Math.round((culture.days[0] + culture.days[1]) / 2));
    return renewed ? [duty(`culture:${foodId}`, 'culture', renewed, { minutes: MINUTES.culture, subjects: [foodId] })] : [];
  });
  if (days.length === 0) return cultures;
  return [
    duty('feed', 'feed', 1, {
      weekdays: days.length < 7 ? days : null,
      minutes: (aWeek * MINUTES.feeding) / days.length,
      values: { gPerDay },
      subjects: members.map(({ id }) => id),
    }),
    ...cultures,
  ];
}

function water(assessment: Assessment): Duty[] {
  const { world, derived } = assessment;
  const { care, water: plan } = world.design;
  const litres = litresOf(assessment);
  if (litres === null) return [];
  const { fraction, everyDays } = care.change ?? { fraction: ASSUMED_CARE.change.fraction, everyDays: ASSUMED_CARE.change.days };
  const changed = litres * fraction;
  const parts = derived['water.poured'].value ?? [];
  const whole = parts.reduce((sum, { share }) => sum + share, 0) || 1;
  const temperatureC = derived['planned.temperatureC'].value;
  const found = [
    duty('change', 'change', everyDays, {
      minutes: minutesOfChange(changed),
      values: { litres: changed, fraction, ...(temperatureC === null ? {} : { temperatureC }) },
      pourL: Object.fromEntries(parts.map(({ id, share }) => [id, (changed * share) / whole])),
      saltsG: Object.fromEntries(inOrder(plan.salts).map(([, { saltId, mgPerL }]) => [saltId, (mgPerL * changed) / 1000])),
      usualDays: care.change ? null : everyDays,
    }),
  ];
  const year = derived['heat.balance'].value;
  const byMonth = year?.map(({ evaporationLPerDay: [low, high] }) => (low + high) / 2) ?? null;
  const mostL = byMonth ? Math.max(...byMonth) : 0;
  // under a lid so little goes that the changes make it good
  if (byMonth && mostL * USUAL_DAYS.topUp > 0.005 * litres) {
    const byItself = care.topUp?.everyDays === 0;
    const every = byItself ? USUAL_DAYS.topUp : (care.topUp?.everyDays ?? USUAL_DAYS.topUp);
    found.push(
      duty(byItself ? 'reservoir' : 'top-up', byItself ? 'reservoir' : 'top-up', every, {
        minutes: MINUTES.topUp,
        litresByMonth: byMonth.map((perDay) => perDay * every),
        subjects: care.topUp?.sourceId ? [care.topUp.sourceId] : [],
        values: care.topUp ? {} : { pure: 1 },
        usualDays: care.topUp ? null : every,
      }),
    );
  }
  return found;
}

function doses(assessment: Assessment): Duty[] {
  const { care } = assessment.world.design;
  const litres = litresOf(assessment);
  if (litres === null) return [];
  const own = inOrder(care.doses).map(([id, { saltId, mgPerL, everyDays }]) =>
    duty(`dose:${id}`, 'dose', everyDays, {
      minutes: MINUTES.dose,
      saltsG: { [saltId]: (mgPerL * litres) / 1000 },
      subjects: [saltId],
      usualDays: null,
    }),
  );
  const given = Object.entries(care.fertiliser).map(([kind, amount]) => {
    const [everyDays, values]: [number, Record<string, number>] =
      kind === 'capsules'
        ? [USUAL_DAYS.capsules, { pieces: Math.max(1, Math.round((amount * USUAL_DAYS.capsules) / 30)) }]
        : kind === 'carbon'
          ? [1, { mL: (amount * litres) / 100 }]
          : [7, { mgPerL: amount, litres }];
    return duty(`fertilise:${kind}`, 'fertilise', everyDays, {
      minutes: kind === 'capsules' ? MINUTES.renew : MINUTES.dose,
      values,
      subjects: [kind],
    });
  });
  return [...own, ...given];
}

function plants({ derived }: Assessment): Duty[] {
  const growing = (derived['plants.standing'].value ?? []).flatMap(({ id, perDay, widthMm, count }) => {
    const days = perDay.value > 0 ? Math.log(1 / CUT_BACK_TO) / perDay.value : Infinity;
    return days <= TRIM_DAYS[1] ? [{ id, days, areaM2: (widthMm / 1000) ** 2 * count }] : [];
  });
  if (growing.length === 0) return [];
  const soonest = Math.min(...growing.map(({ days }) => days));
  const everyDays = Math.max(TRIM_DAYS[0], Math.round(soonest / 7) * 7);
  // what grows half as fast is cut every other time
  const each = growing.map((one) => ({ ...one, share: Math.min(1, everyDays / one.days) }));
  const cutM2 = each.reduce((sum, { areaM2, share }) => sum + areaM2 * share * (1 - CUT_BACK_TO), 0);
  return [
    duty('trim', 'trim', everyDays, {
      minutes: Math.max(2, cutM2 * MINUTES.trimM2),
      subjects: each.filter(({ share }) => share > 0.5).map(({ id }) => id),
    }),
  ];
}

function panes({ world: { design } }: Assessment): Duty[] {
  if (!design.vessel) return [];
  const { wallM2 } = surfacesOf(design.vessel, design.vessel.waterLevelMm);
  return [duty('panes', 'panes', USUAL_DAYS.panes, { minutes: wallM2 * MINUTES.panesM2 })];
}

/** What is worth testing in such a water, and how often. Common practice. */
function tests({ world: { design }, derived }: Assessment, today: Day | null): Duty[] {
  if (!design.vessel) return [];
  const test = (id: string, everyDays: number, ...parameters: LoggedParameter[]) =>
    duty(id, 'test', everyDays, { minutes: MINUTES.test * parameters.length, subjects: parameters });
  const { startup, care } = design;
  if (startup && startup.challengedOn === null)
    return [test('test:start', USUAL_DAYS.testStarting, 'ammoniaMgNPerL', 'nitriteMgNPerL', 'nitrateMgPerL')];
  const begun = startup?.begun ?? care.since;
  const young = today !== null && begun !== null && daysFrom(begun, today) < YOUNG_DAYS;
  const usual = young ? USUAL_DAYS.testYoung : USUAL_DAYS.test;
  const salty = (derived['planned.salinity'].value ?? 0) > FRESH_SALINITY_MAX;
  if (salty)
    return [
      test('test:salinity', USUAL_DAYS.testSalinity, 'salinity'),
      test('test', USUAL_DAYS.testYoung, 'khDh', 'nitrateMgPerL', 'phosphateMgPerL'),
    ];
  const soil = derived['water.soil'].value !== null;
  const mineral = Object.keys(design.water.salts).length > 0;
  return [
    test('test', usual, 'ghDh', 'khDh', 'nitrateMgPerL', ...(soil ? (['ph'] as const) : [])),
    ...(mineral ? [test('test:ec', USUAL_DAYS.testYoung, 'ec25UsPerCm')] : []),
  ];
}

function counts({ world: { design }, derived }: Assessment): Duty[] {
  const bred = (derived['stock.members'].value ?? []).filter(
    ({ id, organism }) => organism?.kind === 'animal' && design.brief.targetStockIds.includes(id),
  );
  if (design.brief.purpose !== 'breed' || bred.length === 0) return [];
  return [duty('count', 'count', USUAL_DAYS.count, { minutes: MINUTES.count, subjects: bred.map(({ id }) => id) })];
}

const FILTERS: ReadonlySet<ServiceTask> = new Set(['sponge', 'mat', 'hang-on', 'internal', 'canister', 'sump', 'undergravel']);

/** Gear of a sort is done in one go. */
function service({ world: { design } }: Assessment): Duty[] {
  const byTask = new Map<ServiceTask, { everyDays: number; deviceIds: string[] }>();
  for (const { deviceId, task, everyDays } of serviceOf(design.equipment, design.water.co2 !== null)) {
    const there = byTask.get(task) ?? { everyDays, deviceIds: [] };
    if (deviceId !== null) there.deviceIds.push(deviceId);
    byTask.set(task, there);
  }
  return [...byTask].map(([task, { everyDays, deviceIds }]) =>
    duty(`service:${task}`, 'service', everyDays, {
      minutes: (FILTERS.has(task) ? MINUTES.filter : MINUTES.gear) * Math.max(1, deviceIds.length),
      subjects: [task, ...deviceIds],
    }),
  );
}

function renewals({ world: { design, catalogue } }: Assessment): Duty[] {
  const leaves = inOrder(design.water.additions).flatMap(([, { materialId, amount }]) =>
    catalogue.materials.get(materialId)?.use === 'botanical' ? [{ materialId, grams: amount * LEAVES_RENEWED }] : [],
  );
  const { carbonG, phosphateRemoverG } = design.care.media;
  return [
    ...leaves.map(({ materialId, grams }) =>
      duty(`leaves:${materialId}`, 'leaves', USUAL_DAYS.leaves, { minutes: MINUTES.renew, values: { grams }, subjects: [materialId] }),
    ),
    ...(carbonG > 0 ? [duty('carbon', 'carbon', USUAL_DAYS.carbon, { minutes: MINUTES.renew, values: { grams: carbonG } })] : []),
    ...(phosphateRemoverG > 0
      ? [duty('binder', 'binder', USUAL_DAYS.binder, { minutes: MINUTES.renew, values: { grams: phosphateRemoverG } })]
      : []),
  ];
}

/** The end of the weeks that new ones are kept apart here. */
/** Probes that stay in the tank are held in what is known. */
function calibrations({ world: { design } }: Assessment): Duty[] {
  if (design.care.monitor === null) return [];
  return MONITORED.map((parameter) =>
    duty(`calibrate:${parameter}`, 'calibrate', CALIBRATION[parameter].everyDays, { minutes: MINUTES.calibrate, subjects: [parameter] }),
  );
}

function apart({ world: { design, room }, derived }: Assessment): Duty[] {
  if (design.brief.purpose !== 'quarantine') return [];
  const here = new Set(
    (derived['lots.holdings'].value?.holdings ?? []).filter(({ place }) => place === design.id).map(({ lotId }) => lotId),
  );
  return Object.values(room.moves).flatMap(({ lotId, to, day, why }) =>
    to === design.id && here.has(lotId) && (why === 'arrived' || why === 'moved')
      ? [
          duty(`apart:${lotId}`, 'apart-over', APART_DAYS.usual, {
            on: dayAfter(day, APART_DAYS.usual),
            values: { days: APART_DAYS.usual },
            subjects: [lotId],
          }),
        ]
      : [],
  );
}

/** Hours a week that a tank takes with nitrate kept where it should be: larger changes where it stands higher. */
export function hoursPerWeekOf(assessment: Assessment): number {
  const nitrate = assessment.findings.find(({ code }) => code === 'water.nitrate')?.values;
  const times = nitrate?.['nitrate'] && nitrate['edge'] ? Math.max(1, nitrate['nitrate'].value / nitrate['edge'].value) : 1;
  const all = dutiesOf(assessment, null).flatMap((one) => {
    if (one.on !== null) return [];
    // months and fast days leave some out
    const share = ((one.weekdays?.length ?? 7) / 7) * ((one.months?.length ?? 12) / 12);
    if (one.code !== 'change') return [{ minutes: one.minutes * share, everyDays: one.everyDays }];
    const { litres = 0, fraction = 0 } = one.values;
    // beyond the whole tank at once it is changed more often
    const more = Math.max(1, fraction * times);
    return [{ minutes: minutesOfChange(Math.min(litres * times, litres / Math.max(fraction, 1e-9))), everyDays: one.everyDays / more }];
  });
  return minutesPerWeek(all) / 60;
}
