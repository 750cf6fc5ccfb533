import type { CodesOf } from '../../calculation/finding';
import { JURISDICTION_WORD, type Jurisdiction } from '../../catalogue/law';
import type { Worded, Words } from './words';

const WHAT: Readonly<Record<string, readonly [title: string, reason: string]>> = {
  keeping: ['may not be kept', 'It may be neither kept, bred, carried nor given away'],
  sale: ['may not be sold', 'It may be neither sold nor bought'],
  transport: ['may not cross a border', 'It may be neither brought in nor carried from state to state'],
};

/** Findings about what the law bars, in words. */
export function wordLaw({ code, finding, who }: Words<CodesOf<'law'>>): Worded {
  switch (code) {
    case 'law.barred': {
      if (finding.kind === 'not-stated')
        return {
          title: `${who}${finding.subjects.length > 1 ? ` and ${finding.subjects.length - 1} more` : ''}: barred in some countries`,
          reason: 'The law of this room is not stated: say on the room’s page where it lies. Never let any of it get outdoors.',
        };
      const [what = '', law = ''] = finding.kind?.split(' ') ?? [];
      const [title, reason] = WHAT[what] ?? WHAT['keeping']!;
      return {
        title: `${who} ${title} in ${JURISDICTION_WORD[law as Jurisdiction]}`,
        reason: `${reason} since ${finding.values['since']?.value ?? 'some years'}, as far as is known here: lists change, and states add to them. Ask the authority before you get it; never let it out.`,
      };
    }
  }
}
