import type { Catalogue } from '../../catalogue/catalogue';
import { DEATH_CAUSES, SCORED, type Entry, type EntryKind } from '../../log/model';
import { formatQuantity, rounded, type UnitChoice } from '../../quantity/format';
import type { Kit, RoomKit } from '../../reading/doubt';
import { LOGGED_PARAMETERS, PARAMETER_META, type LoggedParameter } from '../../reading/parameter';

export const KIT_WORD: Readonly<Record<Kit, string>> = { drops: 'drops', strip: 'strip', meter: 'meter', laboratory: 'laboratory' };

export const CAUSE_WORD: Readonly<Record<(typeof DEATH_CAUSES)[number], string>> = {
  unknown: 'cause not known',
  age: 'old age',
  disease: 'disease',
  fight: 'a fight',
  jumped: 'jumped out',
  eaten: 'eaten',
  moult: 'a moult',
  spawning: 'spawning',
  water: 'the water',
  heat: 'heat',
  cold: 'cold',
  journey: 'the journey here',
  accident: 'an accident',
};

export const CLEANED_WORD: Readonly<Record<Extract<Entry, { kind: 'cleaning' }>['what'], string>> = {
  filter: 'Filter squeezed out',
  panes: 'Panes cleaned',
  bed: 'Bed siphoned',
  intake: 'Intake cleared',
  leaves: 'Dead leaves taken out',
  gear: 'Gear cleaned',
};

export const SCORE_WORD: Readonly<Record<(typeof SCORED)[number], string>> = {
  bold: 'Boldness',
  hiding: 'Hiding',
  gasping: 'Gasping',
  colour: 'Colour',
};
/** Nothing to plenty. */
export const SCORE_STEPS = ['none', 'little', 'some', 'much', 'full'] as const;

/** What kinds of entries are looked for together. */
export const LOG_GROUPS = ['tests', 'water', 'feeding', 'animals', 'work', 'notes'] as const;
export type LogGroup = (typeof LOG_GROUPS)[number];
export const GROUP_WORD: Readonly<Record<LogGroup, string>> = {
  tests: 'Tests',
  water: 'Water',
  feeding: 'Feeding',
  animals: 'Animals',
  work: 'Work',
  notes: 'Notes and pictures',
};
export const GROUP_OF: Readonly<Record<EntryKind, LogGroup>> = {
  reading: 'tests',
  change: 'water',
  'top-up': 'water',
  dose: 'water',
  feeding: 'feeding',
  eating: 'feeding',
  animals: 'animals',
  behaviour: 'animals',
  treatment: 'animals',
  trim: 'work',
  cleaning: 'work',
  task: 'work',
  note: 'notes',
  photo: 'notes',
  struck: 'notes',
};

/** What entries name, by its name. */
export interface LogNames {
  animal: (organismId: string) => string;
  kit: (kitId: string) => RoomKit | undefined;
}

export function logNamesOf(catalogue: Catalogue, kits: Readonly<Record<string, RoomKit>>): LogNames {
  return {
    animal: (id) => {
      const known = catalogue.organisms.get(id);
      return known ? `*${known.latin}*` : id;
    },
    kit: (id) => (Object.hasOwn(kits, id) ? kits[id] : undefined),
  };
}

/** “pH 6.5, KH 2 dKH”. */
export function wordValues(values: Partial<Record<LoggedParameter, number>>, units: UnitChoice): string {
  return LOGGED_PARAMETERS.filter((parameter) => values[parameter] !== undefined)
    .map((parameter) => `${PARAMETER_META[parameter].name} ${formatQuantity(PARAMETER_META[parameter].kind, values[parameter]!, units)}`)
    .join('; ');
}

const BECAME: Readonly<Record<Extract<Entry, { kind: 'animals' }>['became'], string>> = {
  came: 'came',
  left: 'left',
  born: 'born',
  died: 'died',
  lost: 'not found any more',
};
const LEFT = { nothing: 'all eaten', some: 'some was left', most: 'most was left' } as const;
const HOW = { done: 'done', otherwise: 'done otherwise', skipped: 'left out', later: 'put off' } as const;

/** An entry as a list says it; Latin names stand between asterisks. */
export function wordEntry(entry: Entry, names: LogNames, units: UnitChoice): { title: string; detail: string } {
  const say = (title: string, ...more: (string | null | false)[]) => ({ title, detail: more.filter((one) => !!one).join('; ') });
  const litres = (value: number) => formatQuantity('volume', value, units);
  switch (entry.kind) {
    case 'reading': {
      const kit = entry.kitId === null ? null : names.kit(entry.kitId);
      const how = entry.from === 'probe' ? 'probe' : (kit?.name ?? KIT_WORD[entry.kit]);
      return say(wordValues(entry.values, units), entry.simulated ? 'SIMULATED' : null, how, entry.from === 'file' && 'from a file');
    }
    case 'change': {
      const much = [
        entry.litres === null ? null : litres(entry.litres),
        entry.fraction === null ? null : `${Math.round(entry.fraction * 100)} %`,
      ];
      return say(`Water changed${much.some((one) => one) ? `, ${much.filter((one) => one !== null).join(', ')}` : ''}`);
    }
    case 'top-up':
      return say(`Topped up${entry.litres === null ? '' : `, ${litres(entry.litres)}`}`);
    case 'dose':
      return say(`${entry.what}${entry.amount === null ? '' : `, ${rounded(entry.amount, 2, units)} ${entry.unit}`}`, 'dosed');
    case 'feeding':
      return say(
        `Fed ${entry.what}${entry.grams === null ? '' : `, ${rounded(entry.grams, 2, units)} g`}`,
        entry.left !== null && LEFT[entry.left],
      );
    case 'eating':
      return say(`${names.animal(entry.organismId)} ${entry.ate ? 'seen eating' : 'did not eat'}`);
    case 'trim':
      return say(`Trimmed ${entry.what}`);
    case 'cleaning':
      return say(CLEANED_WORD[entry.what]);
    case 'animals':
      return say(
        `${entry.count === null ? '' : `${entry.count} `}${names.animal(entry.organismId)} ${BECAME[entry.became]}`,
        entry.cause !== null && CAUSE_WORD[entry.cause],
      );
    case 'treatment':
      return say(`${entry.what}: ${entry.phase === 'begun' ? 'begun' : entry.phase === 'again' ? 'given again' : 'ended'}`);
    case 'behaviour': {
      const scores = SCORED.filter((one) => entry.scores[one] !== undefined).map(
        (one) => `${SCORE_WORD[one].toLowerCase()} ${SCORE_STEPS[entry.scores[one]!]}`,
      );
      return say(
        `${entry.organismId === null ? 'All of them' : names.animal(entry.organismId)}${scores.length > 0 ? `: ${scores.join(', ')}` : ''}`,
      );
    }
    case 'task':
      return say(entry.title, HOW[entry.how]);
    case 'photo':
      return say('A picture');
    case 'note':
      return say(entry.note);
    case 'struck':
      return say('Struck out');
  }
}
