import type { CodesOf } from '../../calculation/finding';
import { formatMm, type Worded, type Words } from './words';

/** Findings about plantings, in words. */
export function wordPlants({ code, finding, who, other, count, show, units }: Words<CodesOf<'plants'>>): Worded {
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
    case 'plants.no-hold':
      return { title: `Nothing holds ${who}`, reason: 'It is tied or wedged, and no wood or stone is there: it drifts off.' };
    case 'plants.roots-reach':
      return {
        title: `The roots of ${who} reach the soil`,
        reason: `They grow down to ${formatMm(finding.values['roots'], units)}, and the water over the soil is ${formatMm(finding.values['water'], units)} deep: they take hold in it, and bring it up when they are lifted.`,
      };
    case 'plants.outgrows':
      return {
        title: `${who} grows out of the water`,
        reason: `Its leaves get to ${formatMm(finding.values['length'], units)}, and the water over its foot is ${formatMm(finding.values['water'], units)} deep: what stands out dries off, or presses against the lid.`,
      };
    case 'plants.light': {
      const there = `About ${count('ppfd')} µmol/m²s reach it`;
      switch (finding.kind) {
        case 'shaded':
          return {
            title: `${other} shades out ${who}`,
            reason: `${there} under its leaves; it lives by ${count('least')} and does well up to ${count('most')}. Thin the one, or move the other.`,
          };
        case 'glare':
          return {
            title: `Glaring light on ${who}`,
            reason: `${there}; a shade plant that does well up to ${count('most')} gets algae on its leaves.`,
          };
        default:
          return {
            title: finding.severity === 'conflict' ? `It is too dark for ${who}` : `Little light for ${who}`,
            reason: `${there}; it lives by ${count('least')} and does well up to ${count('most')}.`,
          };
      }
    }
    case 'plants.algae':
      return {
        title: 'Much light over few plants: algae',
        reason: `${show('light')} mol/m² a day fall on the floor, and plants stand over ${show('planted')} of it at the start. ${
          finding.kind === 'soil'
            ? 'Fresh soil gives off ammonia: brown dust from the first week, green dust and threads from the second.'
            : 'Brown dust in the first weeks, green threads from about the third.'
        } Fewer hours until the plants have grown, or more plants that grow fast.`,
      };
    case 'plants.closed':
      return {
        title: `Floating leaves close ${show('floating')} of the surface`,
        reason: 'Food lies on them, and little gas goes in and out. Keep a window open, in a ring or behind a thread.',
      };
    case 'plants.bright':
      return {
        title: `Open light on ${who}`,
        reason: `About ${count('ppfd')} µmol/m²s in mid water; animals of dim water keep out of more than ${count('most')} or so, and pale in it. Floating leaves or a thicket give them their dark.`,
      };
    case 'plants.hungry':
      if (finding.kind === 'roots')
        return {
          title: `The bed holds no food for ${who}`,
          reason:
            'Large crowns feed by their roots: in bare grains new leaves stay small and pale. Capsules under them each month, or a layer that feeds.',
        };
      if (finding.kind === 'potassium')
        return {
          title: 'The plants run out of potassium',
          reason: `Changes and feed bring less than they take, and it settles at ${show('potassium')}: pinholes in old leaves, with yellow rims.`,
        };
      if (finding.kind === 'iron')
        return {
          title: 'No iron and traces are given',
          reason: 'Driven by light and carbon dioxide, the youngest leaves come pale, with green veins.',
        };
      return finding.kind === 'nitrogen'
        ? {
            title: 'The plants run out of nitrogen',
            reason: `Under this light and carbon dioxide nitrate settles at ${show('nitrate')}: old leaves go yellow, growth stops, and algae take over. Lean keepers hold 5 mg/L, which keeps colours and trims rare; rich ones 15 to 20, which grows fastest.`,
          }
        : {
            title: 'The plants run out of phosphate',
            reason: `Under this light and carbon dioxide phosphate settles at ${show('phosphate')}: leaves stay small and dark, and green spots come on the panes. Lean keepers hold 0.2 mg/L, rich ones 1 to 2.`,
          };
    case 'plants.liquid-carbon':
      return {
        title: `Liquid carbon makes ${who} go glassy`,
        reason: 'Mosses, ribbons and water thymes bear none of it, or a fraction of the dose.',
      };
    case 'plants.poison':
      return { title: `${who} is poisonous, and ${other} eats plants`, reason: 'Its sap harms those that chew it.' };
    case 'plants.on-piece':
      return finding.kind === 'adrift'
        ? { title: `${who} feeds by its roots, and has no bed`, reason: 'It lives off what is stored for some weeks, then dwindles.' }
        : { title: `${who} stands where ${other} stands`, reason: 'There is no bed there to root in: plant it beside.' };
  }
}
