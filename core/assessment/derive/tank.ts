import { flowByPower } from '../../equipment/outlets';
import { settledTank, type AtRest } from '../../tank/at-rest';
import { missing, type Ahead, type Definitions } from './node';
import { aheadOf, lyingOf } from './scenario';

/** In words, for every value that rests on it. */
export const settledNote = ({ taken }: Ahead): string =>
  `Settled under the planned care, as it stands before a change.${taken.length > 0 ? ` Taken, as it is not stated: ${taken.join('; ')}.` : ''}`;

/** Times an hour that bubbles alone turn a tank over. Common practice. */
const AIR_LIFTS = 1;

/** What no tank of living animals can be: such a result says that something taken or stated is out of all proportion. */
const CAN_BE = { khDh: 45, phLow: 2.8, phHigh: 10.5, ammoniaMgN: 60, nitrateMgPerL: 2500 };
function notWater({ khDh, ph, ammoniaMgNPerL, nitrateMgPerL }: AtRest): string | null {
  const sane =
    khDh <= CAN_BE.khDh &&
    ph >= CAN_BE.phLow &&
    ph <= CAN_BE.phHigh &&
    ammoniaMgNPerL <= CAN_BE.ammoniaMgN &&
    nitrateMgPerL <= CAN_BE.nitrateMgPerL;
  return sane
    ? null
    : 'The balance comes to what water cannot be: feed, animals or what lies in the water is out of proportion to the litres.';
}

/** The tank's own balance, and where it comes to rest. */
export const tankNodes: Pick<Definitions, 'water.lying' | 'tank.ahead' | 'tank.turnover' | 'tank.settled'> = {
  'water.lying': {
    calculationId: null,
    from: ['vessel.system-volume', 'substrate.bed', 'scene.pieces'],
    reads: ({ design, catalogue }) => [design.water.additions, catalogue],
    byValue: true,
    compute: (world, up) => {
      const litres = up['vessel.system-volume'].value;
      return litres === null ? missing('no vessel is chosen') : { value: lyingOf(world, up, litres) };
    },
  },
  'tank.ahead': {
    calculationId: null,
    from: [
      'plants.standing',
      'stock.load',
      'vessel.system-volume',
      'heat.body',
      'heat.balance',
      'planned.temperatureC',
      'water.sources',
      'water.poured',
      'water.mixed',
      'water.lying',
      'gear.co2',
      'gear.current',
    ],
    reads: ({ design, room, catalogue }) => [
      room.own.mixes,
      design.water.co2,
      design.water.organicCarbonMgPerL,
      design.care.feed,
      design.care.change,
      design.care.topUp,
      design.care.lampHours,
      design.care.lampsOnHour,
      design.care.feedHours,
      design.care.surface,
      design.care.doses,
      design.care.fertiliser,
      design.care.media,
      design.equipment,
      design.vessel?.sump,
      catalogue,
    ],
    compute: (world, up) => {
      const value = aheadOf(world, up);
      return value ? { value } : missing('wants a vessel, and water of known GH and KH');
    },
  },
  'tank.turnover': {
    calculationId: null,
    from: ['vessel.system-volume', 'gear.flow'],
    reads: ({ design }) => [design.equipment, design.care.surface],
    compute: ({ design }, up) => {
      const litres = up['vessel.system-volume'].value;
      if (litres === null) return missing('no vessel is chosen');
      const each = up['gear.flow'].value?.each ?? {};
      const stated = up['gear.flow'].value?.lPerH ?? 0;
      const movers = Object.entries(design.equipment).flatMap(([id, device]) =>
        (device.kind === 'filter' || device.kind === 'pump') && !Object.hasOwn(each, id) ? [device] : [],
      );
      if (movers.length === 0 && stated === 0 && design.care.surface === null) return missing('nothing that moves the water is stated');
      const known = movers.flatMap(({ kind, powerW }) => (powerW === null ? [] : [flowByPower(kind, powerW)]));
      if (known.length < movers.length) return missing('the power of a filter or pump is not stated');
      const lifted = design.care.surface === 'air-stone' && movers.length === 0 && stated === 0 ? AIR_LIFTS : 0;
      return {
        value: (stated + known.reduce((sum, litresPerHour) => sum + litresPerHour, 0)) / litres + lifted,
        note:
          movers.length > 0
            ? 'By the power of filters and pumps: a rule of thumb until their flow is stated.'
            : 'By the flow that is stated, after head and hose, half clogged.',
      };
    },
  },
  'tank.settled': {
    calculationId: 'tank.settled-water',
    from: ['tank.ahead'],
    reads: () => [],
    compute: (_, up) => {
      const ahead = up['tank.ahead'].value;
      if (!ahead) return missing(up['tank.ahead'].note ?? 'not known');
      const value = settledTank(ahead.scenario);
      const inputs = { scenario: ahead.scenario };
      const odd = notWater(value.usual);
      if (odd) return { value, gap: 'outside-validity', inputs, note: `${odd} ${settledNote(ahead)}` };
      return { value, inputs, note: settledNote(ahead) };
    },
  },
};
