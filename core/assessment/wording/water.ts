import type { CodesOf } from '../../calculation/finding';
import type { Finding } from '../../calculation/finding';
import { PARAMETER_META, type Parameter } from '../../catalogue/parameter';
import { bandText, optimumText, sentence, toleranceText, type Worded, type Words } from './words';

/** That the feed was taken, where it was: such a finding hangs on it. */
const feedText = (finding: Finding): string =>
  finding.values['feed']
    ? ` This takes ${Number(finding.values['feed'].value.toPrecision(2))} g of dry feed a day, as none is stated: state yours.`
    : '';

/** Findings about the water, in words. */
export function wordWater({ code, finding, units, who, show, count }: Words<CodesOf<'water'>>): Worded {
  switch (code) {
    case 'water.parameter': {
      const { name } = PARAMETER_META[finding.parameter as Parameter];
      const span = optimumText(finding, units);
      if (finding.severity === 'unknown')
        return { title: `${name} for ${who} not known`, reason: `No range is recorded. The plan is ${show('planned')}.` };
      if (finding.severity === 'fits')
        return finding.kind
          ? {
              title: `${name} is borne by ${who}`,
              reason: `${show('planned')}; it likes ${span}, and lives well in ${toleranceText(finding, units)}.`,
            }
          : { title: `${name} suits ${who}`, reason: `${show('planned')}, inside ${span}.` };
      const doubt = finding.values['plannedLow'] && finding.values['plannedHigh'] && show('plannedLow') !== show('plannedHigh');
      const band = doubt ? ` It may settle anywhere in ${bandText(finding, units)}.` : '';
      const tooHigh = count('planned') > count('edge');
      const edge = count('edge');
      const past = [finding.values['toleranceLow']?.value, finding.values['toleranceHigh']?.value].includes(edge);
      const strength = past ? `it lives in ${toleranceText(finding, units)}` : `it is comfortable in ${span}`;
      return {
        title: `${name} ${show('planned')} is too ${tooHigh ? 'high' : 'low'} for ${who}`,
        reason: `The edge is ${show('edge')}: ${strength}.${band}`,
      };
    }
    case 'water.not-stated': {
      if (finding.kind === 'balance')
        return {
          title: 'What becomes of the water cannot be said',
          reason: sentence(finding.note ?? 'Feed and animals are out of proportion to the litres'),
        };
      if (!finding.parameter)
        return {
          title: 'Water not chosen',
          reason: 'Pour from the room’s sources on the Water bench; until then no water value is judged.',
        };
      const { name } = PARAMETER_META[finding.parameter as Parameter];
      return {
        title: `${name} not known`,
        reason: `${sentence(finding.note ?? 'A source has no reading')} Measure it, or it stays unjudged.`,
      };
    }
    case 'water.salinity-acclimation': {
      if (finding.severity === 'unknown') {
        const step = finding.values['step'] ? ` Move it by at most ${show('step')} a day.` : '';
        return { title: `Arrival salinity of ${who} not stated`, reason: `It lives between waters; ask in which it is kept now.${step}` };
      }
      if (finding.severity === 'fits')
        return { title: `${who} can go straight in`, reason: `It arrives at ${show('arrival')}; the tank is ${show('planned')}.` };
      return {
        title: `Shift ${who} over ${show('days')} days`,
        reason: `It arrives at ${show('arrival')} and the tank is ${show('planned')}; at most ${show('step')} a day.`,
      };
    }
    case 'water.disinfectant':
      if (finding.severity === 'unknown')
        return {
          title: `Chlorine or chloramine in ${who} not stated`,
          reason: 'Ask the supplier. Until then treat it as present: condition before use, with something that does for both.',
        };
      if (finding.kind === 'none') return { title: `${who} carries no disinfectant`, reason: 'As stated.' };
      if (finding.severity === 'fits')
        return {
          title: `${who} is conditioned`,
          reason: `${finding.note ? `It carries ${finding.note}` : 'Not stated, so treated for both'}; what is planned binds it.`,
        };
      return finding.kind === 'ammonia'
        ? {
            title: `Conditioning ${who} leaves ammonia`,
            reason: 'Chloramine is split and its ammonia stays: bind that too, or let a mature filter take it before animals meet it.',
          }
        : {
            title: `${who} carries ${finding.note ?? 'disinfectant'}`,
            reason: 'Condition every litre before animals meet it. Chloramine leaves ammonia behind.',
          };
    case 'water.conditioner-harm':
      return { title: `The conditioner harms ${who}`, reason: `${finding.note ?? ''} Take one without it.` };
    case 'water.source-questioned':
      return { title: `Readings of ${who} contradict each other`, reason: sentence(finding.note ?? '') };
    case 'water.conductivity-contradiction':
      return {
        title: `The conductivity quoted for ${who} contradicts its GH`,
        reason: `Water of ${show('gh')} conducts at least ${show('least')}; up to ${show('quoted')} is quoted. Go by GH and KH: conductivity, or TDS, is what comes of them.`,
      };
    case 'water.copper':
      return {
        title: `Copper ${show('copper')} is ${finding.severity === 'conflict' ? 'too much' : 'much'} for ${who}`,
        reason:
          finding.kind === 'bound'
            ? 'The conditioner holds it for about two days; what is in the pipes comes again with every change. Let the tap run, or use RO.'
            : `From ${show('edge')} shrimp and snails are said to suffer. Let the tap run before drawing, use RO, or a conditioner that binds metals.`,
      };
    case 'water.co2':
      if (finding.severity === 'fits')
        return {
          title: 'CO₂ fed with care',
          reason: `${show('co2')} by day. On an hour before the lamps, off an hour before they go out.`,
        };
      return {
        title: `${show('co2')} of CO₂ ${finding.severity === 'conflict' ? 'kills' : 'makes animals gasp'}`,
        reason: `Above ${show('edge')} watch them; air the water at night. A cylinder is secured upright, never in a room where people sleep.`,
      };
    case 'water.lime-settles':
      return {
        title: 'Lime settles out of this water',
        reason: `Saturation index ${show('index')}: crusts on heater and leaves, and GH and KH fall together. Less lime, or some RO.`,
      };
    case 'water.soil-life':
      if (!finding.values['weeks'])
        return { title: 'This water does not use the soil up', reason: `Its KH is already at the soil’s pH, about ${show('setPh')}.` };
      return finding.severity === 'fits'
        ? {
            title: `The soil lasts about ${show('weeks')} weeks`,
            reason: `${show('fewest')} to ${show('most')} depending on the product, until it no longer holds pH ${show('setPh')}.`,
          }
        : {
            title: `The buffering soil will be exhausted in about ${show('weeks')} weeks`,
            reason: `${show('fewest')} to ${show('most')} depending on the product: the KH of the change water uses it up. Mix with less KH, and it lasts.`,
          };
    case 'water.oxygen': {
      if (finding.kind === 'none-left')
        return {
          title: 'Nothing is left to breathe',
          reason: `What breathes and rots in it uses up all the oxygen that comes through the surface.${feedText(finding)} Fewer animals, less feed, a moving surface or an air stone.`,
        };
      if (finding.severity === 'fits')
        return {
          title: 'There is oxygen enough',
          reason: `About ${show('oxygen')} once it has settled (${show('low')} to ${show('high')}); ${show('edge')} is wanted.`,
        };
      const whose = finding.subjects.length > 0 ? ` for ${who}` : '';
      return {
        title: finding.severity === 'conflict' ? `Too little oxygen${whose}` : `Oxygen may run short${whose}`,
        reason: `About ${show('oxygen')} is left once it has settled, ${show('low')} to ${show('high')} is likely; ${show('edge')} is wanted.${feedText(finding)} Fewer animals, less feed, a moving surface or an air stone.`,
      };
    }
    case 'water.feed':
      return {
        title: `${finding.values['feed']?.value ?? 0} g of dry food a day is far too much`,
        reason: `Such animals are usually given about ${finding.values['usual']?.value ?? 0} g. What is left over rots, takes the air and ends as ammonia.`,
      };
    case 'water.nitrate':
      if (finding.severity === 'fits')
        return {
          title: 'Changes keep up with nitrate',
          reason: `It settles at about ${show('nitrate')} (${show('low')} to ${show('high')}); ${show('edge')} is the usual limit.`,
        };
      return {
        title: 'Nitrate climbs past what the changes take out',
        reason: `It settles at about ${show('nitrate')} (${show('low')} to ${show('high')}); ${show('edge')} is the usual limit.${feedText(finding)} More or larger changes, less feed, faster plants.`,
      };
    case 'water.evaporation':
      return {
        title: `Topping up makes the water ${show('by')} saltier than it is mixed`,
        reason: 'Vapour leaves its salts behind, and the top-up brings more. Top up with RO or rain water, or change more.',
      };
    case 'water.swing':
      return {
        title: 'Every change swings the pH',
        reason: `From ${show('before')} before a change to ${show('after')} after it, and back. Change with water of the tank’s own KH, or less at a time.`,
      };
    case 'water.soil-against-lime':
      return {
        title: 'Soil and lime work against each other',
        reason: 'What stone, coral or shells give off the soil takes up, until it is spent. Have one or the other.',
      };
    case 'water.material-not-known':
      return { title: `“${finding.note ?? ''}” is not in the catalogue`, reason: 'What it does to the water is not counted.' };
  }
}
