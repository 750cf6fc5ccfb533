import { settledTank } from '../../tank/at-rest';
import { missing, type Ahead, type Definitions } from './node';
import { aheadOf, lyingOf } from './scenario';

/** In words, for every value that rests on it. */
export const settledNote = ({ taken }: Ahead): string =>
  `Settled under the planned care, as it stands before a change.${taken.length > 0 ? ` Taken, as it is not stated: ${taken.join('; ')}.` : ''}`;

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
      return {
        value: settledTank(ahead.scenario),
        inputs: { scenario: ahead.scenario },
        note: settledNote(ahead),
      };
    },
  },
};
