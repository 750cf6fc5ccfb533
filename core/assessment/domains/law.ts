import { lawFindings } from '../../law/findings';
import { domain } from '../domain';
import { wordLaw } from '../wording/law';

declare module '../../calculation/finding' {
  interface FindingCodes {
    law: 'barred';
  }
}

/** What may be kept where the room lies. */
export const law = domain({
  family: 'law',
  findings: ({ room }, derived) =>
    lawFindings(
      (derived['stock.members'].value ?? []).flatMap(({ id, organism }) => (organism ? [{ id, organism }] : [])),
      room.law,
    ),
  words: wordLaw,
  at: { barred: null },
});
