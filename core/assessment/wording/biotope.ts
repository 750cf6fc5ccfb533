import type { CodesOf } from '../../calculation/finding';
import { PARAMETER_META, type Parameter } from '../../catalogue/parameter';
import { REGIONS } from '../../catalogue/region';
import { formatSpan } from '../../quantity/format';
import { listed, MONTHS, nameOf, type Worded, type Words } from './words';

/** How true a tank is to its wild place, in words. */
export function wordBiotope({ code, finding, assessment, units, who, show, count }: Words<CodesOf<'biotope'>>): Worded {
  const { design, catalogue } = assessment.world;
  const place = catalogue.biotopes.get(design.brief.biotopeId ?? '');
  const there = place?.name ?? design.brief.biotopeId ?? 'the place';
  const span = (low: string, high: string) => {
    const [a, b] = [finding.values[low], finding.values[high]];
    return a && b ? formatSpan(a.quantity, [a.value, b.value], units) : 'not known';
  };
  switch (code) {
    case 'biotope.not-known':
      return { title: 'The place of this tank is not known here', reason: `“${there}” is in neither the catalogue nor this room.` };
    case 'biotope.foreign':
      switch (finding.kind) {
        case 'here':
          return { title: `${who} lives in this place`, reason: `It is recorded from ${there}.` };
        case 'region':
          return {
            title: finding.severity === 'fits' ? `${who} is of these waters` : `${who} is not recorded from this place`,
            reason: `It is native to ${basin(place)}, the waters ${there} belongs to.`,
          };
        case 'realm':
          return {
            title: `${who} is from another basin`,
            reason: `It is from the same part of the world as ${there}, but not from ${basin(place)}.`,
          };
        case 'foreign':
          return { title: `${who} is foreign to this place`, reason: `Nothing of it lives near ${there}.` };
        default:
          return { title: `Where ${who} is native is not known`, reason: `Whether it belongs in ${there} cannot be said.` };
      }
    case 'biotope.water': {
      const { name } = PARAMETER_META[finding.kind as Parameter];
      if (finding.severity === 'unknown')
        return { title: `${name} against the place is not known`, reason: `Either the plan or ${there} has no figure for it.` };
      return finding.severity === 'fits'
        ? { title: `${name} is that of the place`, reason: `${show('planned')} against ${span('placeLow', 'placeHigh')}.` }
        : { title: `${name} ${show('planned')} is not that of the place`, reason: `${there} has ${span('placeLow', 'placeHigh')}.` };
    }
    case 'biotope.season': {
      if (finding.severity === 'unknown')
        return {
          title: 'The seasons against the place are not known',
          reason: 'The room’s temperature by month, the vessel or the year of the place is not stated.',
        };
      if (finding.severity === 'fits')
        return { title: 'The year runs as in the place', reason: `Month by month the tank keeps to ${there}.` };
      const month = MONTHS[count('month')] ?? '';
      return {
        title: `${month} is ${show('by')} ${finding.kind} than in the place`,
        reason: `The tank has ${span('tankLow', 'tankHigh')} then, ${there} ${span('placeLow', 'placeHigh')}.`,
      };
    }
    case 'biotope.bottom':
      if (finding.severity === 'unknown')
        return { title: 'The bottom is not laid yet', reason: `${there} has ${place?.bottom.value ?? 'one not known'}.` };
      return finding.severity === 'fits'
        ? { title: 'The bottom is of what lies there', reason: `${there} has ${place?.bottom.value ?? 'one not known'}.` }
        : {
            title: `${capital(listed(finding.subjects.map((id) => nameOf(id, assessment))))} ${finding.subjects.length > 1 ? 'do' : 'does'} not lie in this place`,
            reason: `${there} has ${place?.bottom.value ?? 'a bottom not known'}.`,
          };
  }
}

const basin = (place: { region: keyof typeof REGIONS } | undefined) => (place ? REGIONS[place.region].name : 'its waters');
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
