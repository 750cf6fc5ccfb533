import { FOODS } from '../../core/catalogue/food';
import type { Design } from '../../core/design/design';
import { inOrder } from '../../core/design/design';
import type { NewEntry } from '../../core/log/model';
import type { LoggedParameter } from '../../core/reading/parameter';
import { LOGGED_PARAMETERS } from '../../core/reading/parameter';

/** What can be written down, as it is pressed. */
export const PAD = [
  'tested',
  'changed',
  'fed',
  'ate',
  'looked',
  'died',
  'born',
  'moved',
  'topped',
  'dosed',
  'cleaned',
  'trimmed',
  'treated',
  'picture',
  'note',
] as const;
export type PadKey = (typeof PAD)[number];
export const PAD_WORD: Readonly<Record<PadKey, string>> = {
  tested: 'Tested',
  changed: 'Changed water',
  fed: 'Fed',
  ate: 'Seen eating',
  looked: 'Looked at them',
  died: 'Died or lost',
  born: 'Born',
  moved: 'Came or left',
  topped: 'Topped up',
  dosed: 'Dosed',
  cleaned: 'Cleaned',
  trimmed: 'Trimmed',
  treated: 'Treated',
  picture: 'Picture',
  note: 'Note',
};

/** What the pad begins from. */
export interface PadGround {
  /** Of a change as it is planned, litres; null while nobody has said. */
  changeL: number | null;
  foods: readonly string[];
  organismIds: readonly string[];
  mark: string;
}

export const foodsOf = (design: Design): string[] => {
  const menu = inOrder(design.care.menu).map(([, { foodId }]) => FOODS[foodId].name);
  return menu.length > 0 ? menu : ['dry feed'];
};

/** The draft that a press begins; null where a press asks first. */
export function draftOf(key: PadKey, { changeL, foods, organismIds, mark }: PadGround): NewEntry {
  const [only] = organismIds;
  switch (key) {
    case 'tested':
      return { kind: 'reading', of: mark, from: 'hand', simulated: false, kit: 'drops', kitId: null, values: {} };
    case 'changed':
      return { kind: 'change', litres: changeL, fraction: null };
    case 'fed':
      return { kind: 'feeding', what: foods[0] ?? 'dry feed', grams: null, left: null };
    case 'ate':
      return { kind: 'eating', organismId: only ?? '', ate: true };
    case 'looked':
      return { kind: 'behaviour', organismId: organismIds.length === 1 ? only! : null, scores: {} };
    case 'died':
      return { kind: 'animals', became: 'died', organismId: only ?? '', count: 1, cause: 'unknown' };
    case 'born':
      return { kind: 'animals', became: 'born', organismId: only ?? '', count: null, cause: null };
    case 'moved':
      return { kind: 'animals', became: 'came', organismId: only ?? '', count: null, cause: null };
    case 'topped':
      return { kind: 'top-up', litres: null };
    case 'dosed':
      return { kind: 'dose', what: '', amount: null, unit: 'mL' };
    case 'cleaned':
      return { kind: 'cleaning', what: 'filter' };
    case 'trimmed':
      return { kind: 'trim', what: 'plants' };
    case 'treated':
      return { kind: 'treatment', what: '', phase: 'begun' };
    case 'picture':
      return { kind: 'photo', photoId: '' };
    case 'note':
      return { kind: 'note', note: '' };
  }
}

/** Which form shows an entry; null for what is not put right by a form. */
export function padKeyOf(entry: NewEntry): PadKey | null {
  switch (entry.kind) {
    case 'reading':
      return 'tested';
    case 'change':
      return 'changed';
    case 'feeding':
      return 'fed';
    case 'eating':
      return 'ate';
    case 'behaviour':
      return 'looked';
    case 'animals':
      return entry.became === 'born' ? 'born' : entry.became === 'died' || entry.became === 'lost' ? 'died' : 'moved';
    case 'top-up':
      return 'topped';
    case 'dose':
      return 'dosed';
    case 'cleaning':
      return 'cleaned';
    case 'trim':
      return 'trimmed';
    case 'treatment':
      return 'treated';
    case 'note':
      return 'note';
    default:
      return null;
  }
}

/** Tested in most tanks, first. */
const USUAL: readonly LoggedParameter[] = ['temperatureC', 'ph', 'khDh', 'ghDh', 'nitrateMgPerL'];
const SALT: readonly LoggedParameter[] = ['temperatureC', 'salinity', 'ph', 'khDh', 'nitrateMgPerL', 'phosphateMgPerL'];

/** What has fields of its own on the pad: what was tested here before, else what is usually; the rest is a choice away. */
export function testedHere(before: readonly LoggedParameter[], salty: boolean): LoggedParameter[] {
  const usual = before.length >= 3 ? before : [...new Set([...before, ...(salty ? SALT : USUAL)])];
  return LOGGED_PARAMETERS.filter((parameter) => usual.includes(parameter));
}
