import * as z from 'zod';
import { calculation } from '../calculation/calculation';

export const turnover = calculation({
  id: 'equipment.turnover',
  title: 'Times an hour that the water goes round',
  inputs: z.strictObject({ lPerH: z.number().min(0).max(1_000_000), systemL: z.number().positive().max(100_000) }),
  outputs: z.strictObject({ perHour: z.number() }),
  source: [{ citation: 'By definition, of the whole system: sump and pipes too', basis: 'published' }],
  formula: 'n = Q/V, times an hour',
  validity: 'The flow that is measured or worked out, not the label’s',
  uncertainty: 'That of the flow',
  compute: ({ lPerH, systemL }) => ({ perHour: lPerH / systemL }),
});
