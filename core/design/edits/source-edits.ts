import type { Operation } from 'rfc6902';
import { Analyte, type WaterType } from '../../catalogue/water-source';
import { nextOrder } from '../design';
import { pointer } from '../edit';
import type { Room, RoomSource } from '../room';
import type { WaterReport } from '../../water/report';

/** The readings of a source that can be typed in. */
export const READINGS = ['ghDh', 'khDh', 'ph', 'ec25UsPerCm', 'salinity'] as const;
export type Reading = (typeof READINGS)[number];

/** A water of a generic class, to be measured and corrected. */
export function addSource(room: Room, type: WaterType, newId: string): Operation[] {
  const { id: _, note: _note, ...readings } = type;
  const names = new Set(Object.values(room.sources).map(({ name }) => name));
  let name = type.name;
  for (let i = 2; names.has(name); i++) name = `${type.name} ${i}`;
  const source: RoomSource = { ...readings, order: nextOrder(room.sources), name, report: null };
  return [{ op: 'add', path: pointer('sources', newId), value: source }];
}

/** The user's own reading stands in place of what was common for this kind of water. */
export function setReading(sourceId: string, reading: Reading, value: number | null): Operation[] {
  return [{ op: 'replace', path: pointer('sources', sourceId, reading), value: { value, basis: 'measured' } }];
}

/** A single substance as it was measured, mg/L. */
export function setAnalyte(sourceId: string, analyte: Analyte, mgPerL: number): Operation[] {
  return [{ op: 'add', path: pointer('sources', sourceId, 'analysisMgPerL', analyte), value: { value: mgPerL, basis: 'measured' } }];
}

/** What a report says stands in place of what stood there; what it does not say stays. A simulated one says so. */
export function takeReport(sourceId: string, source: RoomSource, report: WaterReport): Operation[] {
  const basis = report.simulated ? ('invented' as const) : ('measured' as const);
  const fact = (value: number) => ({ value: Number(value.toPrecision(5)), basis });
  const whole = (['ghDh', 'khDh', 'ph', 'ec25UsPerCm', 'temperatureC'] as const).flatMap((reading): Operation[] => {
    const value = report.readings[reading];
    return value === undefined ? [] : [{ op: 'replace', path: pointer('sources', sourceId, reading), value: fact(value) }];
  });
  const named = Analyte.options.flatMap((analyte) => {
    const value = report.readings[analyte];
    return value === undefined ? [] : [[analyte, fact(value)] as const];
  });
  return [
    ...whole,
    {
      op: 'replace',
      path: pointer('sources', sourceId, 'analysisMgPerL'),
      value: { ...source.analysisMgPerL, ...Object.fromEntries(named) },
    },
    { op: 'replace', path: pointer('sources', sourceId, 'report'), value: { title: report.title, simulated: report.simulated } },
    ...(report.disinfectant === null
      ? []
      : [{ op: 'replace' as const, path: pointer('sources', sourceId, 'disinfectant'), value: { value: report.disinfectant, basis } }]),
  ];
}

export function setDisinfectant(sourceId: string, value: 'none' | 'chlorine' | 'chloramine' | null): Operation[] {
  return [{ op: 'replace', path: pointer('sources', sourceId, 'disinfectant'), value: { value, basis: 'measured' } }];
}
