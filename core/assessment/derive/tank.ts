import { settledTank, type AtRest } from '../../tank/at-rest';
import { missing, type Ahead, type Definitions } from './node';
import { aheadOf, lyingOf } from './scenario';

/** In words, for every value that rests on it. */
export const settledNote = ({ taken }: Ahead): string =>
  `Settled under the planned care, as it stands before a change.${taken.length > 0 ? ` Taken, as it is not stated: ${taken.join('; ')}.` : ''}`;

/** What no tank of living animals can be: such a result says that something taken or stated is out of all proportion. */
const CAN_BE = { khDh: 45, phLow: 2.8, phHigh: 10.5, ammoniaMgN: 60, nitrateMgPerL: 2500 };
function notWater({ khDh, ph, ammoniaMgNPerL, nitrateMgPerL }: AtRest): string | null {
  const sane =
    khDh <= CAN_BE.khDh &&
    ph >= CAN_BE.phLow &&
    ph <= CAN_BE.phHigh &&
    ammoniaMgNPerL <= CAN_BE.ammoniaMgN &&
    nitrateMgPerL <= CAN_BE.nitrateMgPerL;
  return sane ? null : 'The balance comes to what water cannot be: feed, animals or what lies in the water is out of proportion to the litres.';
}

/** The tank's own balance, and where it comes to rest. */
export const tankNodes: Pick<Definitions, 'water.lying' | 'tank.ahead' | 'tank.settled'> = {
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
      'stock.members',
      'stock.load',
      'vessel.system-volume',
      'heat.body',
      'heat.balance',
      'planned.temperatureC',
      'water.sources',
      'water.poured',
      'water.mixed',
      'water.lying',
    ],
    reads: ({ design, catalogue }) => [
      design.water.co2,
      design.water.organicCarbonMgPerL,
      design.care.feed,
      design.care.change,
      design.care.topUp,
      design.care.lampHours,
      design.care.surface,
      design.care.doses,
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
  'tank.settled': {
    calculationId: 'tank.settled-water',
    from: ['tank.ahead'],
    reads: () => [],
    compute: (_, up) => {
      const ahead = up['tank.ahead'].value;
      if (!ahead) return missing(up['tank.ahead'].note ?? 'not known');
      const value = settledTank(ahead.scenario);
      const inputs = { scenario: ahead.scenario };
      const odd = [value.usual, ...value.corners].map(notWater).find((reason) => reason !== null);
      if (odd) return { value: null, gap: 'outside-validity', inputs, note: `${odd} ${settledNote(ahead)}` };
      return { value, inputs, note: settledNote(ahead) };
    },
  },
};
