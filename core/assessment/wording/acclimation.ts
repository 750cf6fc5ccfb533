import { formatQuantity, type UnitChoice } from '../../quantity/format';
import type { Acclimation } from '../../water/acclimation-plan';

/** What to do with a bag, and why. */
export function wordAcclimation(found: Acclimation, dripMinutes: number, units: UnitChoice): { title: string; reason: string } {
  const mg = (value: number) => formatQuantity('concentration', value, units);
  const left = `${Math.round(found.leftShare * 100)} %`;
  const enough = found.enoughAtMinute === null ? '' : time(found.enoughAtMinute);
  switch (found.verdict) {
    case 'direct':
      return {
        title: 'Put them over at once',
        reason: 'The waters are alike: only the temperature has to match. A drip would keep them in the bag for nothing.',
      };
    case 'direct-foul':
      return {
        title: 'Do not drip: put them over as soon as the temperature is near',
        reason: `The bag is foul. Closed, its CO₂ keeps the ammonia harmless (${mg(found.freeAmmoniaNow)} free, as N). Open, CO₂ leaves, pH climbs, and it turns to poison. Net them over, none of the bag’s water with them.`,
      };
    case 'drip':
      return {
        title: 'Drip',
        reason:
          `After ${time(dripMinutes)} ${left} of the difference is left: less than they feel. ${enough ? `It is enough after ${enough}.` : ''}`.trim(),
      };
    case 'drip-again':
      return {
        title: 'Drip, discard half, and drip again',
        reason: `After ${time(dripMinutes)} ${left} of the difference is still there. At this drip it would take ${enough}; pour off half of the bag’s water and go on.`,
      };
    case 'vessel-full':
      return {
        title: `The vessel is full after ${time(found.fullAtMinute ?? 0)}`,
        reason: `It cannot finish in there: it would take ${enough}. Take a larger vessel, or pour off half whenever it is full and go on.`,
      };
    case 'untested':
      return {
        title: 'Test the bag first',
        reason:
          'Its ammonia, and its conductivity or GH, decide: without them what is right is unknown. Where nothing can be tested: a bag after a day on the road is taken for foul, put over as soon as the temperature is near; one from next door, in water alike, goes over too; the rest is dripped.',
      };
    case 'too-far':
      return {
        title: 'Too far apart for one day',
        reason: 'Give them water like their own first, in a tank of their own, and bring it over by a gradual shift.',
      };
  }
}

/** "1 h 20 min". */
export function time(minutes: number): string {
  const whole = Math.max(0, Math.round(minutes));
  const [h, min] = [Math.floor(whole / 60), whole % 60];
  return h === 0 ? `${min} min` : min === 0 ? `${h} h` : `${h} h ${min} min`;
}
