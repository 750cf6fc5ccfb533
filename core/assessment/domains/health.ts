import { arrivalFindings, contactFindings, treatmentFindings, type Arrival, type Patient } from '../../health/findings';
import type { Binder } from '../../health/treatments';
import { holdingsOf } from '../../lots/holdings';
import { inOrder } from '../../quantity/in-order';
import { daysFrom, type Day } from '../../schedule/day';
import { domain } from '../domain';
import type { Definitions, Derived, World } from '../derive/node';
import { contactsInRoom } from '../room-contacts';
import { wordHealth } from '../wording/health';

declare module '../../calculation/finding' {
  interface FindingCodes {
    health: 'contact' | 'arrival' | 'treatment-harm' | 'treatment-bound' | 'treatment-filter' | 'treatment-clash' | 'treatment-dose';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    'leave-out': true;
    'carbon-out': true;
  }
}

/** Water browner than this takes up what is dosed, mg/L of organic carbon. Common practice. */
const BROWN_MG_PER_L = 4;

const healthNodes: Pick<Definitions, 'lots.holdings' | 'health.contacts'> = {
  'lots.holdings': {
    calculationId: null,
    from: [],
    reads: ({ room }) => [room.lots, room.moves],
    compute: ({ room }) => ({ value: holdingsOf(room.lots, room.moves) }),
  },
  'health.contacts': {
    calculationId: null,
    from: ['lots.holdings'],
    reads: ({ room, catalogue }) => [room.lots, room.marks, catalogue],
    compute: ({ room, catalogue }, up) => {
      const told = up['lots.holdings'].value;
      return { value: told ? contactsInRoom(room, told, catalogue.organisms) : [] };
    },
  },
};

/** Animals that came to this tank from outside the room, or from where they were apart. */
function arrivalsIn({ design, room }: World, derived: Derived): Arrival[] {
  const told = derived['lots.holdings'].value;
  if (!told || design.brief.purpose === 'quarantine') return [];
  const animals = (lotId: string) => room.lots[lotId]?.kind === 'animal';
  return told.passages.flatMap(({ lotId, to, from, day, why }): Arrival[] => {
    if (to !== design.id || !animals(lotId) || why === 'born') return [];
    // who is alone there puts nobody at risk
    const others = told.stays.some(
      (stay) => stay.place === to && stay.lotId !== lotId && animals(stay.lotId) && stay.from <= day && (stay.to === null || day < stay.to),
    );
    if (!others) return [];
    const came = told.passages.find((passage) => passage.lotId === lotId && passage.why === 'arrived');
    // bred here
    if (!came) return [];
    const organismId = room.lots[lotId]!.organismId;
    const stock = Object.entries(design.stock).find(([, entry]) => entry.organismId === organismId);
    return [{ lotId, subject: stock?.[0] ?? organismId ?? lotId, day, apartDays: from === null ? null : daysFrom(came.day, day) }];
  });
}

const lastDayOf = ({ moves, marks }: World['room']): Day | null =>
  [...Object.values(moves), ...Object.values(marks)].reduce<Day | null>(
    (last, { day }) => (last === null || day > last ? day : last),
    null,
  );

function bindersIn({ design }: World, derived: Derived): Binder[] {
  const lying = derived['water.lying'].value;
  const brown = derived['water.organic-carbon'].value ?? 0;
  return [
    ...(design.care.media.carbonG > 0 ? (['carbon'] as const) : []),
    ...(lying?.soil ? (['soil'] as const) : []),
    ...(lying?.lime ? (['lime'] as const) : []),
    ...(brown > BROWN_MG_PER_L ? (['humics'] as const) : []),
  ];
}

/** What walks in with arrivals, and what is put in against it. */
export const health = domain({
  family: 'health',
  nodes: healthNodes,
  findings: (world, derived) => {
    const { design } = world;
    const patients: Patient[] = (derived['stock.members'].value ?? []).flatMap(({ id, organism }) =>
      organism ? [{ id, group: organism.kind === 'animal' ? organism.group : ('plant' as const) }] : [],
    );
    const here = (derived['health.contacts'].value ?? []).filter(({ place }) => place === design.id);
    return [
      ...contactFindings(here, patients, design.brief.purpose === 'quarantine'),
      ...arrivalFindings(arrivalsIn(world, derived), lastDayOf(world.room)),
      ...treatmentFindings(inOrder(design.treatments), {
        patients,
        binders: Object.keys(design.treatments).length > 0 ? bindersIn(world, derived) : [],
        hasFilter: Object.values(design.equipment).some(({ kind }) => kind === 'filter'),
        netL: derived['vessel.water-volume'].value,
      }),
    ];
  },
  words: wordHealth,
  at: {
    contact: ['stocking', 'health', 'health'],
    arrival: ['stocking', 'health', 'health'],
    'treatment-harm': ['stocking', 'treatments', 'health'],
    'treatment-bound': ['stocking', 'treatments', 'health'],
    'treatment-filter': ['stocking', 'treatments', 'health'],
    'treatment-clash': ['stocking', 'treatments', 'health'],
    'treatment-dose': ['stocking', 'treatments', 'health'],
  },
  remedyWords: {
    'leave-out': () => 'Leave the treatment out',
    'carbon-out': () => 'Take the carbon out first',
  },
  noRemedy: {
    contact: 'Keep them apart, look at them every day, and say on the room’s page when it is over.',
    arrival: 'Put the next ones into a tank of their own first; watch these closely for six weeks.',
    'treatment-filter': 'Treat in a tank of their own, or test for ammonia every day.',
    'treatment-dose': 'Type in what the label says.',
  },
});
