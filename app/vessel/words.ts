import type { Opening, Side, Vessel, VesselShape, VesselState } from '../../core/vessel/model';
import type { SizeField } from '../../core/vessel/resize';
import type { Choice } from '../ui/choice';

/** What can be said of a vessel, in the words of its fields. */
type Stated<K extends keyof Vessel> = Vessel[K] extends { value: infer T } ? T : never;
const NOT_STATED = { value: null, text: 'not stated' };

export const SHAPES: readonly Choice<VesselShape>[] = [
  { value: 'box', text: 'box' },
  { value: 'cube', text: 'cube' },
  { value: 'cylinder', text: 'cylinder' },
  { value: 'jar', text: 'jar' },
  { value: 'bow-front', text: 'bow front' },
];
export const STATED_AS: readonly Choice<Vessel['statedAs']>[] = [
  { value: 'inside', text: 'inside' },
  { value: 'outside', text: 'outside' },
];
export const LIDS: readonly Choice<Stated<'lid'>>[] = [
  NOT_STATED,
  { value: 'none', text: 'open' },
  { value: 'mesh', text: 'mesh' },
  { value: 'glass', text: 'glass' },
];
export const RIMS: readonly Choice<Stated<'rim'>>[] = [
  NOT_STATED,
  { value: 'rimless', text: 'rimless' },
  { value: 'rim', text: 'rim' },
  { value: 'braced', text: 'rigid all round' },
];
export const BACKGROUNDS: readonly Choice<Stated<'background'>>[] = [
  NOT_STATED,
  { value: 'none', text: 'bare' },
  { value: 'dark', text: 'dark film' },
  { value: 'light', text: 'light film' },
  { value: 'structured', text: 'structured' },
];
export const SUNS: readonly Choice<Stated<'sun'>>[] = [
  NOT_STATED,
  { value: 'none', text: 'none: away from windows' },
  { value: 'some', text: 'some: by a window' },
  { value: 'direct', text: 'direct: falls on it' },
];
export const FOOTFALLS: readonly Choice<Stated<'footfall'>>[] = [
  NOT_STATED,
  { value: 'quiet', text: 'quiet' },
  { value: 'some', text: 'some' },
  { value: 'busy', text: 'busy' },
];
export const STANDS: readonly Choice<Stated<'stand'>>[] = [
  NOT_STATED,
  { value: 'stand', text: 'tank stand' },
  { value: 'rack', text: 'rack' },
  { value: 'furniture', text: 'furniture' },
  { value: 'floor', text: 'floor' },
];
export const FLOORS: readonly Choice<Stated<'floor'>>[] = [
  NOT_STATED,
  { value: 'ground', text: 'solid ground' },
  { value: 'suspended', text: 'suspended' },
];
export const STATES: readonly Choice<VesselState | null>[] = [
  NOT_STATED,
  { value: 'new', text: 'new' },
  { value: 'used', text: 'used' },
  { value: 'repaired', text: 'repaired' },
  { value: 'drilled', text: 'drilled' },
  { value: 'home-built', text: 'home-built' },
  { value: 'rim-lost', text: 'rim lost' },
];
export const OPENINGS: Readonly<Record<Opening['at'], string>> = { lid: 'gap in the lid', weir: 'weir slots', intake: 'filter intake' };
export const SIDES: readonly Choice<Side>[] = [
  { value: 'front', text: 'front' },
  { value: 'left', text: 'left' },
  { value: 'right', text: 'right' },
  { value: 'back', text: 'back' },
];

/** What a size is called on a form. */
export function sizeName(shape: VesselShape, field: SizeField): string {
  if (field === 'lengthMm')
    return { box: 'Length', cube: 'Edge', cylinder: 'Diameter', jar: 'Belly, across', 'bow-front': 'Length' }[shape];
  return {
    widthMm: shape === 'bow-front' ? 'Depth, middle' : 'Front to back',
    sideMm: 'Depth, ends',
    heightMm: 'Height',
    waterLevelMm: 'Water level',
    baseMm: 'Base, across',
    bellyHeightMm: 'Belly, height',
    neckMm: 'Neck, across',
  }[field];
}
