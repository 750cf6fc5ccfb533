import type { CodesOf } from '../../calculation/finding';
import { plural } from '../../quantity/plural';
import { formatMm, listed, nameOf, type Worded, type Words } from './words';

/** Findings about the company, in words. */
export function wordStocking({ code, finding, assessment, who, other, show, count, units }: Words<CodesOf<'stocking'>>): Worded {
  switch (code) {
    case 'stocking.not-known':
      return {
        title: `${who}: company not judged`,
        reason: 'The catalogue does not know it, so nothing is said of whom it can live with.',
      };
    case 'stocking.sex-ratio': {
      if (finding.severity === 'unknown')
        return finding.kind === 'not-stated'
          ? { title: `Sexes of ${who} not stated`, reason: 'Say how many are females; until then pairs and rivals are not judged.' }
          : { title: `How ${who} lives by sexes is not known`, reason: 'No figure is recorded.' };
      const have = `${show('males')} male${count('males') === 1 ? '' : 's'}, ${show('females')} female${count('females') === 1 ? '' : 's'}`;
      switch (finding.kind) {
        case 'rivals':
          return { title: `Males of ${who} fight`, reason: `${have}. One male to a tank, or they maim each other.` };
        case 'no-male':
          return { title: `No male of ${who} to breed with`, reason: `${have}.` };
        case 'no-female':
          return { title: `No female of ${who} to breed with`, reason: `${have}.` };
        case 'few-females':
          return { title: `Too few females of ${who}`, reason: `${have}; ${show('wanted')} females would share out the chasing.` };
        case 'hermaphrodite':
          return { title: `${who} needs no pairing`, reason: 'Each is both sexes.' };
        case 'does-not-matter':
          return { title: `Sexes of ${who} need no count`, reason: 'It lives in any ratio, or the group is large enough to hold both.' };
        default:
          return { title: `Sexes of ${who} suit`, reason: `${have}.` };
      }
    }
    case 'stocking.predation':
      if (finding.severity === 'unknown')
        return {
          title: `Whether ${who} eats ${other} is not known`,
          reason: 'Its mouth, the other’s depth or what it hunts is not recorded.',
        };
      switch (finding.kind) {
        case 'claws':
          return {
            title: finding.severity === 'conflict' ? `${who} catches ${other}` : `${who} may catch ${other}`,
            reason: `Claws of an animal of ${show('length')} against one of ${show('prey')}: at night, resting or moulting, one after the other.`,
          };
        case 'bitten':
          return {
            title: `${who} bites ${other} apart`,
            reason: `Too large to swallow whole, but hunted: ${show('length')} against ${show('prey')}. Some individuals leave them alone; few keep doing so.`,
          };
        case 'cracked':
          return {
            title: `${who} lives on snails such as ${other}`,
            reason: 'It draws them out or takes the young: they grow fewer until they are gone.',
          };
        case 'today':
          return {
            title: `${who} ${finding.severity === 'conflict' ? 'eats' : 'may take'} ${other} as small as they are put in`,
            reason: `Mouth ${formatMm(finding.values['gape'], units)} wide against a body ${formatMm(finding.values['depth'], units)} deep at ${show('today')}; grown they live together. Grow them on apart to ${show('safe')}${finding.values['months'] ? `: about ${plural(count('months'), 'month')}` : ''}.`,
          };
        case 'overcome':
          return {
            title: `${who} hunts down ${other}`,
            reason: 'Several together overcome snails as large as themselves, until none is left.',
          };
        default:
          return {
            title: finding.severity === 'conflict' ? `${who} eats ${other}` : `${who} may take small ${other}`,
            reason: `Mouth ${formatMm(finding.values['gape'], units)} wide against a body ${formatMm(finding.values['depth'], units)} deep: ${finding.kind === 'asleep' ? 'it hunts at night, and they sleep.' : 'what fits goes down.'}`,
          };
      }
    case 'stocking.predation-young':
      if (finding.severity === 'unknown')
        return { title: `Whether ${who} eats the young of ${other} is not known`, reason: 'Its mouth or their size is not recorded.' };
      if (finding.kind === 'sheltered')
        return {
          title: `Young of ${other || who} live on in the leaves`,
          reason: 'A tenth of the water and more is dense with them: enough get through.',
        };
      if (finding.kind === 'own')
        return {
          title: `${who} eats its own eggs and young`,
          reason: 'It does not guard them. Take the parents out after laying, or leave dense moss and floating plants for a few to live.',
        };
      if (finding.kind === 'colony')
        return {
          title: `${who} thins out the young of ${other}`,
          reason: `Young of ${formatMm(finding.values['young'], units)} fit a mouth of ${formatMm(finding.values['gape'], units)}. In dense moss enough live to keep the colony; it hardly grows.`,
        };
      return {
        title: `${who} eats the young of ${other}`,
        reason: `Young of ${formatMm(finding.values['young'], units)} fit a mouth of ${formatMm(finding.values['gape'], units)}. ${
          finding.severity === 'conflict' ? 'Raise them by themselves.' : 'Some live in dense moss; for numbers, breed it by itself.'
        }`,
      };
    case 'stocking.fin-nipping':
      return finding.severity === 'unknown'
        ? { title: `Fins of ${other} not known`, reason: `${who} nips long ones.` }
        : {
            title: `${who} nips the fins of ${other}`,
            reason: 'Long fins are torn and fungus; a large group of the nippers only lessens it.',
          };
    case 'stocking.temperament':
      switch (finding.kind) {
        case 'two-territories':
          return {
            title: `${who} and ${other} claim the same ground`,
            reason:
              finding.severity === 'conflict'
                ? `The floor is ${show('floor')} of what both want. Only a larger one, with sites out of sight of each other, holds both.`
                : 'The floor may do for both, with several sites out of sight of each other. Watch them.',
          };
        case 'drives-out':
          return { title: `${who} drives ${other} out`, reason: 'One holds ground, the other is shy, and both want the same stratum.' };
        case 'rival-fins':
          return { title: `${who} takes ${other} for a rival`, reason: 'Long fins in its stratum set it off.' };
        case 'hunter':
          return {
            title: `${who} and ${other} stress each other`,
            reason: 'A hunter tries what it cannot swallow; gills and fins are bitten both ways.',
          };
        case 'worries':
          return { title: `${who} worries ${other}`, reason: 'A nipper beside a shy animal: it stays in its hide and starves.' };
        default:
          return { title: `Temper of ${who} or ${other} not known`, reason: 'No figure is recorded.' };
      }
    case 'stocking.crossing':
      if (finding.severity === 'unknown')
        return {
          title: `Whether ${who} and ${other} cross is not known`,
          reason: 'They are of one genus; until it is known, keep them apart.',
        };
      return {
        title: `${who} and ${other} cross`,
        reason:
          finding.severity === 'conflict'
            ? 'One of them is to be bred: its line is lost. Another tank, with its own net.'
            : 'Young of both together are of no line. Keep them apart, or give none away as pure.',
      };
    case 'stocking.strata':
      return {
        title: `Crowded at the ${finding.kind === 'middle' ? 'middle' : finding.kind}`,
        reason: `${listed(finding.subjects.map((id) => nameOf(id, assessment)))} want ${show('ratio')} of this floor there. Spread kinds over bottom, middle and top.`,
      };
    case 'stocking.escape': {
      if (finding.severity === 'unknown')
        return { title: `Whether ${who} gets out is not known`, reason: 'Its sizes or habits are not recorded.' };
      if (finding.severity === 'fits') return { title: `${who} stays in`, reason: 'It passes none of the openings stated.' };
      const way = { lid: 'the lid', weir: 'the weir', intake: 'the intake' }[finding.kind?.split(':')[0] ?? ''] ?? 'an opening';
      const gap = `${formatMm(finding.values['short'], units)} × ${formatMm(finding.values['long'], units)}`;
      return finding.values['young']
        ? {
            title: `Young of ${who} go through ${way}`,
            reason: `They are ${formatMm(finding.values['young'], units)} long; the opening is ${gap}.`,
          }
        : { title: `${who} goes out through ${way}`, reason: `${formatMm(finding.values['body'], units)} thin; the opening is ${gap}.` };
    }
    case 'stocking.group-size': {
      if (finding.severity === 'unknown') return { title: `Group size of ${who} not known`, reason: 'No figure is recorded.' };
      if (finding.severity === 'fits')
        return { title: `Group of ${who} is large enough`, reason: `${show('count')}; at least ${show('groupMin')}.` };
      return {
        title: count('count') === 1 ? `A lone ${who} does not settle` : `Too few ${who}`,
        reason: `${show('count')} here; it wants at least ${show('groupMin')}. Short groups hide, pine or bully.`,
      };
    }
    case 'stocking.plant-damage': {
      const plants = listed(finding.subjects.slice(1).map((id) => nameOf(id, assessment)));
      const does = { eats: 'eats', uproots: 'pulls out', both: 'eats and pulls out' }[finding.kind ?? ''] ?? 'harms';
      return {
        title: `${who} ${does} ${plants}`,
        reason: 'Feed greens, choose tougher plants on wood and stone, or leave one of the two out.',
      };
    }
    case 'stocking.stings':
      return {
        title: `${who} stings ${other}`,
        reason: 'What is settled cannot move away: keep a hand’s width between them, and look again as they grow.',
      };
    case 'stocking.current':
      return finding.kind === 'too-strong'
        ? {
            title: `The current is too strong for ${who}`,
            reason: 'A fish of still water is driven about and does not feed. A smaller pump, a spray bar to the pane, or a sponge filter.',
          }
        : {
            title: `The water stands still for ${who}`,
            reason: 'It is built for a torrent and breathes by it. A pump or a stronger filter along the length of the tank.',
          };
    case 'stocking.diet':
      return finding.kind === 'wood'
        ? { title: `${who} has no wood to rasp`, reason: 'Wood is its food, and not only its shade: put in a soft, seasoned piece.' }
        : {
            title: `${who} takes only food that moves`,
            reason: 'Have a culture of fitting size running before it comes, and a second one beside it.',
          };
    case 'stocking.handling':
      switch (finding.kind) {
        case 'palytoxin':
          return {
            title: `${who} may hold a poison that kills people`,
            reason:
              'Never boil, scrub, cut or heat it or its rock; gloves and eyes covered, and no hand with a cut in the water. Ill after handling: call a doctor at once and say what it was.',
          };
        case 'deadly skin':
          return {
            title: `The skin of ${who} is deadly to swallow`,
            reason: 'Gloves without powder, hands washed, out of reach of children and pets. It kills a tank of fish as well.',
          };
        case 'skin':
          return { title: `The skin of ${who} is poisonous`, reason: 'Wash your hands after it, and keep them from eyes and mouth.' };
        case 'spines':
          return { title: `${who} has spines that sting`, reason: 'They hook into nets and fingers: take them with a beaker.' };
        case 'bite':
          return { title: `${who} bites`, reason: 'Its beak goes through skin: a net or a beaker, no fingers.' };
        default:
          return { title: `${who} pinches`, reason: 'Take it behind the claws, or with a net.' };
      }
    case 'stocking.slime':
      return finding.kind === 'skin'
        ? {
            title: `${who} is poison to fish that bite at it`,
            reason: `${listed(finding.subjects.slice(1).map((id) => nameOf(id, assessment)))}: what nips at its skin dies, and where it dies they all may.`,
          }
        : {
            title: `The slime of ${who} can poison a small water`,
            reason:
              'Frightened, hurt or dead it gives it off, and in so few litres the fish beside it die. Carbon at hand, and out with it at once when it dies.',
          };
    case 'stocking.hungry':
      switch (finding.kind) {
        case 'leavings':
          return {
            title: `${who} gets what the others leave`,
            reason:
              'It comes out when the lamps are off, and is fed by day: give something that sinks after dark, and look for it with a red light.',
          };
        case 'too-large':
          return {
            title: `${who} cannot take what is given`,
            reason: 'It is too large for its mouth, or not fine enough to be caught. It starves at a full table.',
          };
        case 'too-small':
          return { title: `${who} overlooks what is given`, reason: 'It is dust to a mouth of that size.' };
        case 'out-of-reach':
          return {
            title: `${who} does not get at what is given`,
            reason: 'It floats where it does not rise to, or sinks past where it lives.',
          };
        default:
          return { title: `${who} eats nothing of what is given`, reason: 'Nothing on the menu is food to it.' };
      }
    case 'stocking.light':
      switch (finding.kind) {
        case 'no-night':
          return {
            title: `${count('hours')} hours of light leave no night`,
            reason: 'Fish and shrimp do not rest, and algae get more than the plants can use. Eight to ten hours, by a timer.',
          };
        case 'starves':
          return { title: `${who} starves in the dark`, reason: 'It feeds by light. Eight to ten hours under a strong lamp.' };
        default:
          return {
            title: `${count('hours')} hours of light are too few for plants`,
            reason: 'They live on what they have stored, and melt. Eight hours, by a timer.',
          };
      }
    case 'stocking.feeding':
      return {
        title: `${who} starves beside ${other}`,
        reason: 'A slow picker gets nothing where quick feeders are. Keep it by itself or with its like, or feed it apart every day.',
      };
    case 'stocking.unidentified':
      return {
        title: `Which of ${show('kinds')} kinds this is, is not known`,
        reason: `${who}: judged so that it is safe for any of these: the larger size, the worse temper. Identify it on the Livestock bench to know more.`,
      };
    case 'stocking.not-chosen':
      return { title: 'Nothing lives here yet', reason: 'Name an animal, or the wild place to rebuild, on the Livestock bench.' };
  }
}
