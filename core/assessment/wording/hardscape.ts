import type { CodesOf } from '../../calculation/finding';
import { formatMm, listed, nameOf, sentence, type Worded, type Words } from './words';

const start = (text: string): string => (text.startsWith('*') ? text : sentence(text).slice(0, -1));
const MOST_NAMED = 4;
const HELD: Readonly<Record<string, string>> = {
  weighted: 'By its ballast',
  screwed: 'It is screwed',
  stones: 'By the stone on it or glued to it',
  'at-pane': 'It hangs at the glass',
};

/** Findings about hardscape and hides, in words. */
export function wordHardscape({ code, finding, assessment, who, other, show, count, units }: Words<CodesOf<'hardscape'>>): Worded {
  const named = (from: number) => {
    const ids = finding.subjects.slice(from);
    const names = ids.slice(0, MOST_NAMED).map((id) => nameOf(id, assessment));
    return ids.length > MOST_NAMED ? `${names.join(', ')} and ${ids.length - MOST_NAMED} more` : listed(names);
  };
  switch (code) {
    case 'hardscape.not-known':
      return finding.kind === 'class'
        ? { title: `“${finding.note ?? ''}” is not in the catalogue`, reason: 'It is kept, but not drawn, weighed or judged.' }
        : { title: `What the ${who} is made of is not stated`, reason: 'Its weight and its effect on the water are unknown.' };
    case 'hardscape.outside':
      return finding.kind === 'pane'
        ? {
            title: `${start(who)} sticks out through the glass`,
            reason: `${show('share')} of it is outside: move it in, turn it, or take a smaller one.`,
          }
        : { title: `${start(who)} stands over the rim`, reason: `By ${show('over')}: no lid closes over it.` };
    case 'hardscape.overlap':
      return {
        title: `${start(who)} and ${other} are in the same place`,
        reason: `${show('share')} of the smaller one lies inside the other: move or stack them.`,
      };
    case 'hardscape.topples':
      return finding.kind === 'falls'
        ? { title: `${start(who)} falls over`, reason: 'Its weight is not over its foot. Turn it, bed it deeper, or lean it on something.' }
        : {
            title: `${start(who)} stands unsteadily`,
            reason: `A tilt of ${show('tip')} brings it down on glass or animals. Bed it by a fifth of its height, or lay it flatter.`,
          };
    case 'hardscape.floats': {
      const weeks = finding.values['weeks']
        ? ` It sinks by itself after about ${show('weeks')} weeks under water.`
        : ' It does not sink by itself in any time worth waiting for.';
      if (finding.severity === 'fits')
        return {
          title: `${start(who)} is held down`,
          reason: `${HELD[finding.kind ?? ''] ?? 'It is held'}; it would float otherwise.`,
        };
      return {
        title:
          finding.kind === 'light'
            ? `Ballast of the ${who} is too light`
            : finding.kind === 'glued-to-nothing'
              ? `${start(who)} is glued to nothing heavy enough`
              : `${start(who)} floats`,
        reason: `Tie on ${show('ballast')} of stone (${show('exact')} holds it exactly, the rest is margin), or screw it to a slab.${weeks}`,
      };
    }
    case 'hardscape.undermined':
      return {
        title: `${who} digs under the stones`,
        reason: `${count('count') === 1 ? 'A stone stands' : `${count('count')} stones stand`} on the bed: ${named(1)}. Stones go on the bottom first, on a mat, the bed after.`,
      };
    case 'hardscape.on-glass':
      return finding.severity === 'fits'
        ? { title: 'Heavy stone stands on a mat', reason: `Up to ${show('mass')}.` }
        : {
            title: 'Heavy stone on bare glass',
            reason: `${start(named(0))}, up to ${show('mass')}: a point of stone cracks a bottom pane. Lay cloth or a mat under it.`,
          };
    case 'hardscape.edges':
      return finding.severity === 'unknown'
        ? {
            title: 'Cut edges not looked at',
            reason: `${start(named(0))}: draw a thin cloth over every edge; where it catches, grind it under water, with eyes covered.`,
          }
        : {
            title: 'Sharp edges',
            reason: `${start(named(0))}: they tear fins and bellies. Grind them smooth under water, with eyes covered.`,
          };
    case 'hardscape.mouth-closed':
      return finding.kind === 'buried'
        ? {
            title: `The mouth of the ${who} is buried`,
            reason: `${show('share')} of it lies under the ground. Set it higher, or dig it free.`,
          }
        : {
            title: `The mouth of the ${who} is closed`,
            reason: finding.kind === 'pane' ? 'It looks straight at the glass: turn it.' : `${start(other)} stands before it.`,
          };
    case 'hardscape.hides': {
      if (finding.severity === 'unknown')
        return finding.kind === 'size'
          ? { title: `Which hides fit ${who} is not known`, reason: 'Its adult sizes are not recorded.' }
          : { title: `Whether ${who} hides is not known`, reason: 'Nothing is recorded.' };
      const kinds = (finding.note ?? '').split(', ').map((kind) => KIND_WORD[kind] ?? kind);
      const places = kinds.length < 2 ? kinds.join('') : `${kinds.slice(0, -1).join(', ')} or ${kinds.at(-1)}`;
      if (finding.severity === 'fits')
        return {
          title: `${who} has hides enough`,
          reason: `${show('usable')} that serve, ${show('wanted')} wanted (${places}). More than it needs is choice.`,
        };
      const tried = ['blocked', 'buried', 'too-tight', 'sticks', 'too-short', 'too-open']
        .filter((verdict) => finding.values[verdict])
        .map((verdict) => `${show(verdict)} ${VERDICT_WORD[verdict]}`);
      return {
        title: count('usable') === 0 ? `No hide here serves ${who}` : `Too few hides for ${who}`,
        reason: `${show('usable')} of ${show('wanted')} wanted: ${places}.${tried.length > 0 ? ` Of those there are, ${listed(tried)}.` : ''} The nearer the refuge, the bolder the animal.`,
      };
    }
    case 'hardscape.sticks':
      return {
        title: `${who} may stick in ${count('count') === 1 ? 'a hide' : `${count('count')} hides`}`,
        reason: `${start(named(1))}: the grown animal only just gets in. Wider, or so narrow that it stays out.`,
      };
    case 'hardscape.facing':
      return {
        title: `${count('count') === 1 ? 'Two cave entrances' : `${count('count')} pairs of cave entrances`} face each other`,
        reason: `${start(named(1))}, ${show('distance')} apart: neighbours of ${who} quarrel across an open line. Turn one, or set something between.`,
      };
    case 'hardscape.scraper':
      return {
        title: 'The scraper does not pass',
        reason: `${start(named(0))}: ${formatMm(finding.values['gap'], units)} to the ${finding.kind ?? 'front'} pane, ${formatMm(finding.values['wanted'], units)} wanted. What grows there stays.`,
      };
    case 'hardscape.open-room':
      return {
        title: `Little open water for ${who}`,
        reason: `${show('share')} of the ${finding.kind ?? ''} water is free of bed and stone; half is usual.`,
      };
    case 'hardscape.reach':
      if (finding.severity === 'fits')
        return finding.kind === 'intake'
          ? { title: `Water gets to the ${who}`, reason: 'Nothing stands before its intake.' }
          : { title: `The ${who} lifts out`, reason: 'Nothing stands over it.' };
      return finding.kind === 'intake'
        ? { title: `The intake of the ${who} is hemmed in`, reason: `${start(named(1))}: it draws silt, or nothing.` }
        : { title: `The ${who} does not lift out`, reason: `${start(named(1))} would have to come out first.` };
    case 'hardscape.contrast':
      return finding.severity === 'fits'
        ? {
            title: `${who} is seen against the ${(finding.note ?? '').toLowerCase()}`,
            reason: `Colour difference ${show('difference')}; from ${show('clear')} it stands out.`,
          }
        : {
            title: `${who} is lost against the ${(finding.note ?? '').toLowerCase()}`,
            reason: `Colour difference ${show('difference')}; from ${show('clear')} it stands out. It may be what it wants; you will not see it.`,
          };
  }
}

const KIND_WORD: Readonly<Record<string, string>> = {
  cave: 'caves',
  shell: 'empty shells',
  crevice: 'gaps between stones',
  tangle: 'root tangles',
  leaves: 'leaf litter',
  plants: 'dense plants',
};
const VERDICT_WORD: Readonly<Record<string, string>> = {
  blocked: 'blocked',
  buried: 'buried',
  'too-tight': 'too tight',
  sticks: 'so tight that it may stick',
  'too-short': 'too short inside',
  'too-open': 'too open',
};
