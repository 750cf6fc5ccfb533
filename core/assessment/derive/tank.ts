import { settledTank } from '../../tank/at-rest';
import { missing, type Ahead, type Definitions } from './node';
import { aheadOf } from './scenario';

/** In words, for every value that rests on it. */
export const settledNote = ({ taken }: Ahead): string =>
  `Settled under the planned care, as it stands before a change.${taken.length > 0 ? ` Taken, as it is not stated: ${taken.join('; ')}.` : ''}`;

/** The tank's own balance, and where it comes to rest. */
export const tankNodes: Pick<Definitions, 'tank.ahead' | 'tank.settled'> = {
  'tank.ahead': {
    calculationId: null,
    from: [
      'stock.members',
      'vessel.system-volume',
      'heat.body',
      'heat.balance',
      'planned.temperatureC',
      'water.sources',
      'water.poured',
      'water.mixed',
    ],
    reads: ({ design, catalogue }) => [
      design.water.additions,
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
      return {
        value: settledTank(ahead.scenario),
        inputs: { scenario: ahead.scenario },
        note: settledNote(ahead),
      };
    },
  },
};
