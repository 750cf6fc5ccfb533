import type { Sign, SignCode } from '../../log/signs';
import { formatNumber, formatQuantity, rounded, unitOf, type UnitChoice } from '../../quantity/format';
import { PARAMETER_META, type LoggedParameter } from '../../reading/parameter';
import { KIT_WORD, type LogNames } from './log';
import { listed } from './words';

/** A sign in words: what it is, why it may be, and what tells. */
export interface WordedSign {
  title: string;
  detail: string;
  /** What to do next, harming nothing. */
  then: string;
}

const nameOf = (parameter: string): string => PARAMETER_META[parameter as LoggedParameter]?.name ?? parameter;

/** What each comes from, the likeliest first, and what to do. Common practice. */
const SAYS: Readonly<Record<SignCode, { why: string; then: string }>> = {
  copper: {
    why: 'Copper comes from new pipes and fittings, warm taps, medicines, or rock that was treated.',
    then: 'Change with water that shows none, hang carbon in, and test what comes from the tap, cold and after a minute of running.',
  },
  ammonia: {
    why: 'A dead animal, too much feed, a filter that was cleaned too well or stood still, or chloramine in what was poured.',
    then: 'Look for a body, feed nothing for two days, change a third with tempered water, and test again tomorrow.',
  },
  losses: {
    why: 'Deaths that come together have one cause: water, heat, a poison or a disease that goes round.',
    then: 'Test ammonia, nitrite, pH and temperature now, change a fifth, and look at the others for spots, breathing and fins. For disease ask a vet.',
  },
  'set-point': {
    why: 'It stands there all the while: the heater is set to another figure, or its scale is off.',
    then: 'Read a second thermometer, then turn the heater by the difference, a degree a day.',
  },
  'heater-off': {
    why: 'It stood where it was set, and does no more: the heater fails, is unplugged, or hangs dry.',
    then: 'Unplug before hands go in, then look at its lamp and its plug. Warm the tank by a degree in a few hours, not more.',
  },
  'heater-on': {
    why: 'It stood where it was set, and climbs past it: a thermostat that sticks, lamps, or a hot room.',
    then: 'Take the heater off the mains and watch it for a day.',
  },
  'sensor-still': {
    why: 'A probe that gives one figure for a day is stuck, out of the water, or no longer read.',
    then: 'Take it out and put it in again, and read another beside it.',
  },
  'sensor-noisy': {
    why: 'A probe that dances or falls silent is wet in its plug, near a pump, or at its end.',
    then: 'Dry its plug, clean its tip, and trust another until it is calm.',
  },
  'soil-spent': {
    why: 'The soil takes up no more: it holds pH and hardness for a year or so, less under hard water.',
    then: 'Pour softer water from now on, in small changes, or renew part of the soil. Nothing that lives here bears a step.',
  },
  'source-changed': {
    why: 'Hardness went to another level at once: the tap, a filter cartridge, or the recipe is another.',
    then: 'Test the source by itself before the next change, and put its figures right under Water.',
  },
  step: {
    why: 'It went to another level at once: what was done on that day?',
    then: 'Look at the log of that week, and test again with another kit.',
  },
  evaporation: {
    why: 'Salts stay when water evaporates: what is topped up brings new ones with it, or larger changes are wanted.',
    then: 'Top up with pure water, and cover the tank if much goes.',
  },
  'kh-falling': {
    why: 'The filter uses alkalinity up as it makes nitrate, faster than changes bring it.',
    then: 'Change more or oftener, or feed less. Raise KH by half a degree a day at most.',
  },
  'nitrate-rising': {
    why: 'More is fed than plants and changes take out.',
    then: 'Feed less, change more, or give it more plants that grow.',
  },
  trend: {
    why: 'It goes one way, further than the kit may be off and further than the plan says.',
    then: 'Test once more, then look for what began when it did.',
  },
  'meter-drift': {
    why: 'The meter and the other kit part more and more: a probe that was not calibrated, or is at its end.',
    then: 'Calibrate it in two buffers, and go by the other until then.',
  },
  'kits-differ': {
    why: 'Both cannot be right: an old kit, a meter that was not calibrated, or a tube that was not rinsed.',
    then: 'Test a water whose figure is known with both.',
  },
  'not-eating': {
    why: 'Fear, the wrong food, gravid or ripe animals, water that is off, or disease.',
    then: 'Offer live food after the lamps are out, look for a bully, and test the water.',
  },
  untested: { why: 'It was tested by habit, and is not any more.', then: 'Test at the next change.' },
  'kit-past': { why: 'Kits past their date read too little, meters drift.', then: 'Renew what is past, and calibrate what is due.' },
};

/** A sign as the record tells it; Latin names stand between asterisks. */
export function wordSign({ code, parameter, values, subjects }: Sign, names: LogNames, units: UnitChoice): WordedSign {
  const kind = parameter === null ? 'number' : PARAMETER_META[parameter].kind;
  const amount = (value: number | undefined) => formatQuantity(kind, value ?? 0, units);
  const name = parameter === null ? '' : PARAMETER_META[parameter].name;
  const { why, then } = SAYS[code];
  const say = (title: string, ...more: (string | false)[]) => ({
    title,
    detail: [...more.filter((one) => one !== false), why].join(' '),
    then,
  });
  const others = subjects.filter((one) => one !== parameter).map(nameOf);
  const along = others.length > 0 && `${listed(others)} ${others.length === 1 ? 'goes' : 'go'} with it.`;
  const pace = () => {
    const step = (value: number) => (kind === 'temperature' ? value : Math.abs(value));
    const [a, b] = [step(values['low'] ?? 0), step(values['high'] ?? 0)].sort((x, y) => x - y) as [number, number];
    // two digits: a slope is not known to more
    const per = (value: number) => formatNumber(kind, Number(value.toPrecision(2)), units);
    const { unit } = unitOf(kind, units);
    return `${per(Math.abs(values['perWeek'] ?? 0))} ${unit} a week (${per(a)}–${per(b)}), to ${amount(values['last'])}.`.replace(
      / {2,}/g,
      ' ',
    );
  };
  const leaves =
    values['leavesInDays'] !== undefined &&
    `As it goes it leaves its window in about ${Math.max(1, Math.round(values['leavesInDays'] / 7))} weeks.`;
  switch (code) {
    case 'copper':
      return say(`Copper shows: ${amount(values['copperMgPerL'])}`, 'Shrimp, snails and other invertebrates bear next to none of it.');
    case 'ammonia':
      return say(`${name.replace(', as N', '')} shows in a tank that has grown in: ${amount(values['read'])}`);
    case 'losses':
      return say(`${values['count']} lost within a fortnight`, `${listed(subjects.map(names.animal))}.`);
    case 'set-point':
      return say(`It reads ${amount(values['readC'])} where ${amount(values['setPointC'])} is set`);
    case 'heater-off':
      return say(`It has cooled to ${amount(values['readC'])}; ${amount(values['setPointC'])} is set`);
    case 'heater-on':
      return say(`It has warmed to ${amount(values['readC'])}; ${amount(values['setPointC'])} is set`);
    case 'sensor-still':
      return say(`The probe of ${name} has not moved for a day: ${amount(values['read'])}`);
    case 'sensor-noisy':
      return say(
        `The probe of ${name} is failing`,
        (values['times'] ?? 1) > 1.5 && `It jumps ${Math.round(values['times']!)} times as far as it did.`,
        (values['silent'] ?? 0) > 0.2 && `It was silent for ${Math.round(values['silent']! * 100)} % of the time.`,
      );
    case 'soil-spent':
      return say(`The soil no longer holds the pH: ${amount(values['before'])} became ${amount(values['after'])}`, along);
    case 'source-changed':
    case 'step':
      return say(`${name} went from ${amount(values['before'])} to ${amount(values['after'])} at once`, along);
    case 'evaporation':
      return say(`${name} rises: ${pace()}`, along, leaves);
    case 'kh-falling':
      return say(`KH falls: ${pace()}`, along, leaves);
    case 'nitrate-rising':
      return say(`Nitrate rises: ${pace()}`, along, leaves);
    case 'trend':
      return say(`${name} goes ${(values['perWeek'] ?? 0) > 0 ? 'up' : 'down'}: ${pace()}`, along, leaves);
    case 'meter-drift':
    case 'kits-differ': {
      const [a, b] = subjects.map((id) => names.kit(id)?.name ?? (id in KIT_WORD ? KIT_WORD[id as keyof typeof KIT_WORD] : id));
      const off =
        `${formatNumber(kind === 'temperature' ? 'temperatureStep' : kind, Math.abs(values['off'] ?? 0), units)} ${unitOf(kind === 'temperature' ? 'temperatureStep' : kind, units).unit}`.trim();
      return say(
        code === 'meter-drift' ? `The meter of ${name} drifts: ${off} off by now` : `${a} and ${b} do not agree on ${name}: ${off} apart`,
      );
    }
    case 'not-eating':
      return say(`${names.animal(subjects[0] ?? '')} was not seen eating for ${values['days']} days`);
    case 'untested':
      return say(`${listed(subjects.map(nameOf))}: not tested for ${values['days']} days`);
    case 'kit-past':
      return say(`${listed(subjects.map((id) => names.kit(id)?.name ?? id))}: past its date or due to be calibrated`);
  }
}

const FIT_WORD = { feed: 'feed', plants: 'what plants take', soil: 'what the soil still holds' } as const;

/** What was found of a tank, in sentences: “It gets 1.4 times the feed that was planned (1.1 to 1.8).” */
export function wordShares(
  share: Readonly<Record<keyof typeof FIT_WORD, { usual: number; low: number; high: number } | null>>,
  units: UnitChoice,
): { what: string; said: string; off: boolean }[] {
  return (Object.keys(FIT_WORD) as (keyof typeof FIT_WORD)[]).flatMap((what) => {
    const found = share[what];
    if (!found) return [];
    const times = (value: number) => rounded(value, value < 1 ? 2 : 1, units);
    const off = found.low > 1.05 || found.high < 0.95;
    return [
      {
        what: FIT_WORD[what],
        said: `${times(found.usual)} times what was planned (${times(found.low)} to ${times(found.high)})`,
        off,
      },
    ];
  });
}
