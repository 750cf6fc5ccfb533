import { lightFormat } from 'date-fns';
import type { CodesOf } from '../../calculation/finding';
import { CONDITIONS, type ConditionId } from '../../health/conditions';
import { TREATMENTS, type Binder, type TreatmentId } from '../../health/treatments';
import { listed, nameOf, sentence, type Worded, type Words } from './words';

const BINDER_WORD: Readonly<Record<Binder, string>> = {
  carbon: 'activated carbon',
  soil: 'the soil',
  lime: 'lime in the tank',
  humics: 'brown water',
  light: 'light',
};

/** Findings about disease, arrivals and treatments, in words. */
export function wordHealth({ code, finding, assessment, who, show }: Words<CodesOf<'health'>>): Worded {
  const [first = '', second = ''] = finding.kind?.split(' ') ?? [];
  switch (code) {
    case 'health.contact': {
      const condition = CONDITIONS[first as ConditionId];
      const [here] = (assessment.derived['health.contacts'].value ?? [])
        .filter((one) => one.place === assessment.world.design.id && one.condition === first)
        .sort((a, b) => a.steps - b.steps || (a.since < b.since ? -1 : 1));
      const brought = here?.broughtBy ? assessment.world.room.lots[here.broughtBy]?.name : undefined;
      const since = here ? lightFormat(new Date(`${here.since}T12:00`), 'd.M.yyyy') : '';
      const seen = here?.steps === 0 && !here.broughtBy;
      return {
        title: sentence(
          seen ? `${condition.name} was seen here` : `${condition.name} may have come in${brought ? ` with “${brought}”` : ''}`,
        ).slice(0, -1),
        reason: `${seen ? 'Noted on' : here && here.steps <= 1 ? 'Straight from where it was seen, on' : 'By way of another tank, on'} ${since}. It harms ${listed(finding.subjects.map((id) => nameOf(id, assessment)))}. Signs: ${condition.seen}. Over when: ${condition.clear}.${condition.people ? ` ${condition.people}` : ''}`,
      };
    }
    case 'health.arrival':
      return finding.kind === 'none'
        ? {
            title: `${who} came in without weeks apart`,
            reason: 'They were put straight among others. What they carry shows in four to six weeks, and by then all have it.',
          }
        : {
            title: `${who} came in after ${show('apart')} days apart`,
            reason: 'Four weeks are usual and three the least: most of what arrivals carry has not shown itself before.',
          };
    case 'health.treatment-harm': {
      const { name, people } = TREATMENTS[second as TreatmentId];
      const all = listed(finding.subjects.map((id) => nameOf(id, assessment)));
      const more = people ? ` ${people}` : '';
      switch (first) {
        case 'kills':
          return {
            title: `${name} kills ${who}`,
            reason: `It kills ${all}. Treat the others in a tank of their own; bed and media that it was in may go on killing.${more}`,
          };
        case 'harms':
          return {
            title: `${name} is hard on ${who}`,
            reason: `${all} bear it badly: in a tank of their own, or not at all. Ask a vet.${more}`,
          };
        default:
          return { title: `${name} spoils plants`, reason: `${all} suffer by it: treat without them.${more}` };
      }
    }
    case 'health.treatment-bound':
      return {
        title: `${TREATMENTS[second as TreatmentId].name} is taken up before it works`,
        reason: `By ${listed(first.split('+').map((binder) => BINDER_WORD[binder as Binder]))}: the dose is unknown then, and more is no answer. A bare tank is the place for it.`,
      };
    case 'health.treatment-filter':
      return {
        title: `${TREATMENTS[first as TreatmentId].name} kills the filter`,
        reason: 'The bacteria die with the disease: ammonia and nitrite come back within days.',
      };
    case 'health.treatment-clash':
      return {
        title: `${TREATMENTS[first as TreatmentId].name} and ${TREATMENTS[second as TreatmentId].name.toLowerCase()} together`,
        reason: 'They must not meet. First one, then carbon and large changes, and the other a week after its last dose at the earliest.',
      };
    case 'health.treatment-dose':
      return {
        title: `${TREATMENTS[second as TreatmentId].name}: dose not known`,
        reason:
          first === 'label'
            ? 'The dose is the label’s, for the litres that are in the tank. Type in what it says; without it there is none.'
            : 'How much water is in the tank is not known yet, and so no dose.',
      };
  }
}
