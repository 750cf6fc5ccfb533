import { FOODS, type FoodId } from '../../catalogue/food';
import type { Finding, FindingCode, FindingValue } from '../../calculation/finding';
import type { Remedy, RemedyKind } from '../remedies/remedy';
import { formatQuantity, formatSpan, rounded, type UnitChoice } from '../../quantity/format';
import { inOrder } from '../../design/design';
import { sourceLabel } from '../../design/room';
import type { Assessment } from '../assessment';

/** What is wrong, then why. Latin names stand between asterisks: *Danio*. */
export interface Worded {
  title: string;
  reason: string;
}

/** A finding on its way into words: the numbers with their units, the names of whom it is about. */
export interface Words<C extends FindingCode = FindingCode> {
  code: C;
  finding: Finding;
  assessment: Assessment;
  units: UnitChoice;
  who: string;
  other: string;
  /** A value of the finding with its unit. */
  show: (name: string) => string;
  /** A value of the finding as a bare number. */
  count: (name: string) => number;
}

/** What a remedy has to say of itself: its values with their units, the names of whom it is about. */
export interface SayRemedy {
  remedy: Remedy;
  assessment: Assessment;
  names: readonly string[];
  units: UnitChoice;
  show: (name: string) => string;
}
export type RemedyWords = Readonly<Partial<Record<RemedyKind, (say: SayRemedy) => string>>>;

export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

export function formatValue(value: FindingValue | undefined, units: UnitChoice): string {
  return value ? formatQuantity(value.quantity, value.value, units) : 'not known';
}

/** Mouths, gaps and panes are said in millimetres, whatever lengths are shown in. */
export function formatMm(value: FindingValue | undefined, units: UnitChoice): string {
  return value ? `${rounded(value.value, value.value < 10 ? 1 : 0, units)} mm` : 'not known';
}

export function listed(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** The name of a subject: Latin between asterisks for organisms, plain for sources and gear. */
export function nameOf(id: string, { world, derived }: Assessment): string {
  const member = derived['stock.members'].value?.find((candidate) => candidate.id === id);
  if (member) return member.organism ? `*${member.organism.latin}*` : `“${member.organismId}” (not in the catalogue)`;
  if (Object.hasOwn(world.design.equipment, id)) return world.design.equipment[id]?.kind ?? id;
  const piece = Object.hasOwn(world.design.scene, id) ? world.design.scene[id] : undefined;
  if (piece?.kind === 'hardscape') return pieceName(id, world);
  if (piece) return `*${world.catalogue.organisms.get(piece.classId)?.latin ?? piece.classId}*`;
  const layer = Object.hasOwn(world.design.substrate.layers, id) ? world.design.substrate.layers[id] : undefined;
  if (layer) return (world.catalogue.materials.get(layer.materialId)?.name ?? layer.materialId).toLowerCase();
  const kind = world.catalogue.organisms.get(id);
  if (kind) return `*${kind.latin}*`;
  const known = world.catalogue.materials.get(id) ?? world.catalogue.pieces.get(id);
  if (known) return known.name.toLowerCase();
  if (Object.hasOwn(FOODS, id)) return FOODS[id as FoodId].name;
  const source = Object.hasOwn(world.room.sources, id) ? world.room.sources[id] : undefined;
  return source ? sourceLabel(source) : id;
}

const pieceNames = new WeakMap<object, ReadonlyMap<string, string>>();

/** What a piece is called: its class, with a number where there are several of it. */
export function pieceName(id: string, { design, catalogue }: Assessment['world']): string {
  let names = pieceNames.get(design.scene);
  if (!names) {
    const alike = new Map<string, string[]>();
    for (const [key, item] of inOrder(design.scene))
      if (item.kind === 'hardscape') alike.set(item.classId, [...(alike.get(item.classId) ?? []), key]);
    names = new Map(
      [...alike].flatMap(([classId, keys]) => {
        const name = (catalogue.pieces.get(classId)?.name ?? classId).toLowerCase();
        return keys.map((key, i): [string, string] => [key, keys.length < 2 ? name : `${name} ${i + 1}`]);
      }),
    );
    pieceNames.set(design.scene, names);
  }
  return names.get(id) ?? id;
}

/** Drops the marks around Latin names, for places that cannot show italics. */
export function plain(text: string): string {
  return text.replaceAll('*', '');
}

export function optimumText(finding: Finding, units: UnitChoice): string {
  const low = finding.values['optimumLow'];
  const high = finding.values['optimumHigh'];
  if (low && high) return formatSpan(low.quantity, [low.value, high.value], units);
  return low ? `from ${formatValue(low, units)}` : high ? `up to ${formatValue(high, units)}` : 'a range not known';
}

export function toleranceText(finding: Finding, units: UnitChoice): string {
  const [low, high] = [finding.values['toleranceLow'], finding.values['toleranceHigh']];
  if (low && high) return formatSpan(low.quantity, [low.value, high.value], units);
  return low ? `from ${formatValue(low, units)}` : high ? `up to ${formatValue(high, units)}` : 'more';
}

export function bandText(finding: Finding, units: UnitChoice): string {
  const low = finding.values['plannedLow'];
  const high = finding.values['plannedHigh'];
  return low && high ? formatSpan(low.quantity, [low.value, high.value], units) : '';
}

export function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${text.endsWith('.') ? '' : '.'}`;
}
