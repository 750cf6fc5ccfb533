import type { Operation } from 'rfc6902';
import type { WaterType } from '../../core/catalogue/water-source';
import { nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { Room, RoomSource } from '../../core/design/room';

/** The readings of a source that can be typed in. */
export const READINGS = ['ghDh', 'khDh', 'ph', 'ec25UsPerCm', 'salinity'] as const;
export type Reading = (typeof READINGS)[number];

/** A water of a generic class, to be measured and corrected. */
export function addSource(room: Room, type: WaterType, newId: string): Operation[] {
  const { id: _, note: _note, ...readings } = type;
  const names = new Set(Object.values(room.sources).map(({ name }) => name));
  let name = type.name;
  for (let i = 2; names.has(name); i++) name = `${type.name} ${i}`;
  const source: RoomSource = { ...readings, order: nextOrder(room.sources), name };
  return [{ op: 'add', path: pointer('sources', newId), value: source }];
}

/** The user's own reading stands in place of what was common for this kind of water. */
export function setReading(sourceId: string, reading: Reading, value: number): Operation[] {
  return [{ op: 'replace', path: pointer('sources', sourceId, reading), value: { value, basis: 'measured' } }];
}

export function setDisinfectant(sourceId: string, value: 'none' | 'chlorine' | 'chloramine' | null): Operation[] {
  return [{ op: 'replace', path: pointer('sources', sourceId, 'disinfectant'), value: { value, basis: 'measured' } }];
}
