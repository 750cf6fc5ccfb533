import type { ToShow } from '../../startup/readiness';
import { formatQuantity, rounded, type UnitChoice } from '../../quantity/format';
import { plural } from '../../quantity/plural';

/** What has to be shown, as it is said before it is and once it is. */
export function wordToShow({ what, read, most }: ToShow, units: UnitChoice): string {
  switch (what) {
    case 'seen-and-gone':
      return 'Ammonia or nitrite was seen, and went';
    case 'clean-week':
      return 'Both stayed away for a week of tests';
    case 'challenge':
      return 'A challenge dose of 1 mg N/L was gone after a day, by test';
    case 'warmth':
      return `The temperature is held: two readings a week apart, within 2 °C, in what they bear${read === undefined ? '' : ` (last ${formatQuantity('temperature', read, units)})`}`;
    case 'ways-out':
      return 'Lid, gaps and intakes: no conflict in the ledger';
    case 'nitrate':
      return `Nitrate read this week, ${rounded(most ?? 0, 0, units)} mg/L at most${read === undefined ? '' : ` (it reads ${rounded(read, read < 10 ? 1 : 0, units)})`}`;
    case 'ripe':
      return `${plural(most ?? 0, 'week')} of ripening after the challenge`;
    case 'biofilm':
      return 'Film and algae on wood and glass, enough to graze on';
    case 'rooted':
      return 'Plants hold when they are pulled at gently';
    case 'arrivals':
      return 'Their weeks apart are over, and nothing was seen';
    case 'large-change':
      return 'The large change before them was done, and the water is as planned';
  }
}
