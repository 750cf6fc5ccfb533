import type { CodesOf } from '../../calculation/finding';
import type { Worded, Words } from './words';

/** Findings about plantings, in words. */
export function wordPlants({ code, finding, who, other, count }: Words<CodesOf<'plants'>>): Worded {
  switch (code) {
    case 'plants.outside':
      return { title: `${who} is planted outside the glass`, reason: 'Move it in: it is counted, and stands nowhere.' };
    case 'plants.buried':
      return finding.kind === 'moss'
        ? { title: `${who} is planted into the bed`, reason: 'Moss under the grains goes brown. Lay it on, or tie it to wood or stone.' }
        : {
            title: `The rhizome of ${who} is buried`,
            reason: 'It rots in the bed. Tie or wedge it on wood or stone; only its roots may go down.',
          };
    case 'plants.light': {
      const there = `About ${count('ppfd')} µmol/m²s reach it`;
      return finding.kind === 'dark'
        ? {
            title: finding.severity === 'conflict' ? `It is too dark for ${who}` : `Little light for ${who}`,
            reason: `${there}; its kind wants ${count('least')} to ${count('most')}.`,
          }
        : {
            title: `Glaring light on ${who}`,
            reason: `${there}; a shade plant of ${count('least')} to ${count('most')} gets algae on its leaves.`,
          };
    }
    case 'plants.on-piece':
      return finding.kind === 'adrift'
        ? { title: `${who} feeds by its roots, and has no bed`, reason: 'It lives off what is stored for some weeks, then dwindles.' }
        : { title: `${who} stands where ${other} stands`, reason: 'There is no bed there to root in: plant it beside.' };
  }
}
