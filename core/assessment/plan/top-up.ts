import { inOrder } from '../../design/design';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../../quantity/unit';
import { settle } from '../../tank/settle';
import { STATE } from '../../tank/state';
import { mixWater } from '../../water/mixed-water';
import type { Assessment } from '../assessment';
import { tankWater } from '../derive/scenario';

/** Where the water ends when what evaporates is made good with one water. */
export interface TopUpEnd {
  /** Id of the source; null for the tank's own mix. */
  sourceId: string | null;
  ghDh: number;
  khDh: number;
  /** Salts against what was poured, as a share of them: 0.1 is a tenth more. */
  saltsChange: number;
}

export interface TopUp {
  litresPerWeek: number;
  ends: readonly TopUpEnd[];
}

/**
 * The water as it settles under each way of topping up: the tank's own mix, or one source of the room alone.
 *
 * @returns null while the tank's balance or its evaporation is not known
 */
export function topUps({ world, derived }: Assessment): TopUp | null {
  const scenario = derived['tank.ahead'].value?.scenario;
  if (!scenario || !('heldC' in scenario.heat)) return null;
  const ways = [
    { sourceId: null, water: scenario.start },
    ...inOrder(world.room.sources).flatMap(([sourceId]) => {
      const water = derived['water.sources'].value?.[sourceId];
      return water ? [{ sourceId, water: tankWater(mixWater([{ share: 1, water }], [])) }] : [];
    }),
  ];
  const ends = ways.map(({ sourceId, water }): TopUpEnd => {
    const { state, now } = settle({ ...scenario, topUp: water });
    const { chlorideMmol } = scenario.start;
    return {
      sourceId,
      ghDh: (state[STATE.calcium]! + state[STATE.magnesium]!) / now.litres / MMOL_PER_DEGREE_HARDNESS,
      khDh: now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY,
      saltsChange: chlorideMmol > 0 ? state[STATE.chloride]! / now.litres / chlorideMmol - 1 : 0,
    };
  });
  return { litresPerWeek: scenario.heat.evaporationLPerDay * 7, ends };
}
