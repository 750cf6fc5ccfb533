import type { CodesOf } from '../../calculation/finding';
import { formatMm, sentence, type Worded, type Words } from './words';

const start = (text: string): string => sentence(text).slice(0, -1);

/** Findings about the bed, in words. */
export function wordSubstrate({ code, finding, who, other, show, units }: Words<CodesOf<'substrate'>>): Worded {
  switch (code) {
    case 'substrate.not-stated':
      return { title: 'Bed not stated', reason: 'Lay it on the Substrate bench, or say there that the bottom stays bare.' };
    case 'substrate.not-known':
      return {
        title: `A layer of “${finding.note ?? ''}” is not in the catalogue`,
        reason: 'Its volume counts; its weight, its slope and its effect on the water are not judged.',
      };
    case 'substrate.slope': {
      if (finding.severity === 'unknown')
        return {
          title: `Whether the bank of ${who} stands is not known`,
          reason: `${show('slope')}, and no angle of repose is recorded for it.`,
        };
      if (finding.severity === 'fits')
        return {
          title: `Bank of ${who} stands`,
          reason: finding.values['repose']
            ? `${show('slope')} at its steepest; it stands up to ${show('repose')}.`
            : `${show('slope')} at its steepest: nothing slides.`,
        };
      return finding.severity === 'conflict'
        ? {
            title: `Bank of ${who} slides`,
            reason: `${show('slope')} at its steepest, and loose it stands up to ${show('repose')}. Flatten it, or step it behind a wall of stone.`,
          }
        : {
            title: `Bank of ${who} will creep`,
            reason: `${show('slope')} of the ${show('repose')} it stands at; snails, hands and current wear it down. Build it to ${show('limit')}, or brace it.`,
          };
    }
    case 'substrate.step':
      return {
        title: `A step of ${show('step')} in the bed that nothing holds`,
        reason: 'The higher ground runs down over it. Set an edge of stone or plastic as high as the ground behind it.',
      };
    case 'substrate.under':
      return finding.severity === 'conflict'
        ? {
            title: `${start(who)} lies wholly under the layer below`,
            reason: 'Its top is stated lower than what it lies on: nothing of it is left.',
          }
        : {
            title: `${start(who)} dips under the layer below`,
            reason: `Over ${show('share')} of its ground its top is stated lower than what it lies on; there is none of it there.`,
          };
    case 'substrate.too-high':
      return finding.kind === 'rim'
        ? { title: 'The bed is higher than the rim', reason: `${show('top')} at its highest; the rim is at ${show('edge')}.` }
        : {
            title: 'The bed stands out of the water',
            reason: `${show('top')} at its highest, the water at ${show('edge')}. On purpose, for a bank; else lower it.`,
          };
    case 'substrate.cap':
      switch (finding.kind) {
        case 'bare':
          return {
            title: `${start(who)} has no cap`,
            reason: 'It clouds and fouls the water, and kills shrimp. Cover it with 25 mm of gravel or sand and more.',
          };
        case 'thin':
          return {
            title: `The cap over ${who} is thin`,
            reason: `${formatMm(finding.values['cover'], units)} at its thinnest, ${formatMm(finding.values['wanted'], units)} is the least that holds. Soak and press the layer first, or trapped air breaks it.`,
          };
        case 'coarse':
          return {
            title: `The cap of ${other} is too coarse to hold ${who}`,
            reason: 'Fine soil works up through its pores. A finer cap, or a cloth between the two.',
          };
        default:
          return { title: `${start(who)} is capped`, reason: `${formatMm(finding.values['cover'], units)} over it at the thinnest.` };
      }
    case 'substrate.soil-share':
      return finding.severity === 'fits'
        ? { title: 'Enough active soil', reason: `${show('soil')} to ${show('water')} of water; a tenth is usual.` }
        : {
            title: 'Too little active soil',
            reason: `${show('soil')} to ${show('water')} of water, where ${show('wanted')} is usual: it holds the pH less, and not for long.`,
          };
    case 'substrate.grain':
      return wordGrain(finding, who, other, show, units);
    case 'substrate.depth':
      if (finding.severity === 'unknown') return { title: `Depth of bed that ${who} needs not known`, reason: 'No figure is recorded.' };
      return finding.severity === 'fits'
        ? { title: `Bed is deep enough for ${who}`, reason: `${show('depth')} over a quarter of the floor; it wants ${show('wanted')}.` }
        : {
            title: `Bed is too shallow for ${who}`,
            reason: `${show('depth')} in the deepest quarter; to dig or to bury its shelter it wants ${show('wanted')}.`,
          };
    case 'substrate.roots':
      return finding.severity === 'fits'
        ? { title: `${who} has depth to root`, reason: `${show('depth')} at its shallowest place.` }
        : { title: `Too shallow for ${who} to root`, reason: `${show('depth')} where it stands; rooted plants want ${show('wanted')}.` };
    case 'substrate.capsules':
      switch (finding.kind) {
        case 'through':
          return {
            title: 'Root capsules reach the bottom',
            reason: `Pressed ${show('depth')} deep into ${show('bed')} of bed: deepen the bed, or leave them out.`,
          };
        case 'shallow':
          return {
            title: 'Root capsules sit too shallow',
            reason: `${show('depth')} deep; from ${show('wanted')} they stay down and leak little.`,
          };
        case 'dense':
          return { title: 'Root capsules stand too close', reason: `${show('spacing')} apart; ${show('wanted')} is close enough.` };
        default:
          return { title: 'Root capsules sit well', reason: `${show('depth')} deep, ${show('spacing')} apart.` };
      }
  }
}

function wordGrain(finding: Words['finding'], who: string, other: string, show: Words['show'], units: Words['units']): Worded {
  const grain = `${formatMm(finding.values['fine'], units)} to ${formatMm(finding.values['coarse'], units)}`;
  const upTo = formatMm(finding.values['upTo'], units);
  const from = formatMm(finding.values['from'], units);
  const choose = `Bare glass, sand up to ${upTo}, or stones from ${from}`;
  switch (finding.kind) {
    case 'bare':
      return { title: `Nothing for ${who} to swallow`, reason: 'The bottom is bare.' };
    case 'mouth-unknown':
      return { title: `Whether ${who} swallows grain is not known`, reason: 'How it feeds, or how wide its mouth is, is not recorded.' };
    case 'grain-unknown':
      return { title: `Grain under ${who} not known`, reason: 'Give the finest and the coarsest grain of the bed.' };
    case 'passes':
      return {
        title: `${start(other)} suits ${who}`,
        reason: `${grain}: fine enough to be worked through, and to pass if it is swallowed.`,
      };
    case 'too-large':
      return { title: `${start(other)} is too large for ${who} to swallow`, reason: `${grain}, larger than its head.` };
    case 'cannot-sift':
      return {
        title: `${start(other)} is too coarse for ${who} to sift`,
        reason: `${grain}. It noses through sand for its food and wears its barbels on stones: rounded sand.`,
      };
    case 'sharp':
      return {
        title: `${start(other)} is sharp for ${who}`,
        reason: 'It noses through the bed for its food; broken edges wear mouth and barbels. Rounded sand.',
      };
    case 'soft':
      return { title: `${who} swallows ${other} with its food`, reason: `${grain}: it crumbles, and mostly passes. ${choose} are safer.` };
    case 'partly':
      return {
        title: `${start(other)} is coarse for ${who}`,
        reason: `${grain}: what it sucks in with its food may stay in the gut. ${choose}.`,
      };
    default:
      return {
        title: `${start(other)} blocks the gut of ${who}`,
        reason: `${grain}: it sucks grain in with its food, and of this size it lodges. Animals die of it. ${choose}, for a mouth of ${show('gape')}.`,
      };
  }
}
