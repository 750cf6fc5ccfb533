import type { UnitChoice } from '../../core/quantity/format';
import type { PreferencesStore } from '../store/preferences';
import type { PaletteEntry } from './entry';

type Setting = { [K in keyof UnitChoice]: { kind: K; unit: UnitChoice[K]; name: string; words: readonly string[] } }[keyof UnitChoice];

const UNITS: readonly Setting[] = [
  { kind: 'length', unit: 'cm', name: 'Lengths in centimetres', words: ['cm', 'metric', 'units'] },
  { kind: 'length', unit: 'mm', name: 'Lengths in millimetres', words: ['mm', 'metric', 'units'] },
  { kind: 'length', unit: 'in', name: 'Lengths in inches', words: ['inch', 'imperial', 'US units', 'feet'] },
  { kind: 'volume', unit: 'L', name: 'Volumes in litres', words: ['litre', 'liters', 'metric'] },
  { kind: 'volume', unit: 'gal', name: 'Volumes in US gallons', words: ['gallon', 'gal', 'imperial', 'US units'] },
  { kind: 'mass', unit: 'kg', name: 'Weights in kilograms', words: ['kg', 'metric', 'gram'] },
  { kind: 'mass', unit: 'lb', name: 'Weights in pounds', words: ['lb', 'pound', 'imperial'] },
  { kind: 'temperature', unit: '°C', name: 'Temperatures in °C', words: ['celsius', 'centigrade'] },
  { kind: 'temperature', unit: '°F', name: 'Temperatures in °F', words: ['fahrenheit'] },
  { kind: 'conductivity', unit: 'µS/cm', name: 'Conductivity in µS/cm', words: ['microsiemens', 'EC', 'conductivity'] },
  { kind: 'conductivity', unit: { tdsFactor: 0.5 }, name: 'Conductivity as TDS, × 0.5', words: ['TDS', 'ppm', 'TDS pen'] },
  { kind: 'conductivity', unit: { tdsFactor: 0.64 }, name: 'Conductivity as TDS, × 0.64', words: ['TDS', 'ppm'] },
  { kind: 'conductivity', unit: { tdsFactor: 0.7 }, name: 'Conductivity as TDS, × 0.7', words: ['TDS', 'ppm'] },
  { kind: 'decimal', unit: '.', name: 'Decimal point, 7.5', words: ['point', 'dot'] },
  { kind: 'decimal', unit: ',', name: 'Decimal comma, 7,5', words: ['comma'] },
];

/** Units, light and keys, each set at a press. */
export function settingEntries(preferences: Pick<PreferencesStore, 'setUnit' | 'theme' | 'singleKeys'>): PaletteEntry[] {
  const set = ({ kind, unit }: Setting) => preferences.setUnit(kind, unit);
  return [
    {
      kind: 'Setting',
      name: 'Night room',
      words: ['dark', 'dark mode', 'dark theme', 'theme', 'black'],
      act: () => preferences.theme.set('night'),
    },
    {
      kind: 'Setting',
      name: 'Loam, the light theme',
      words: ['light theme', 'light mode', 'day theme', 'theme'],
      act: () => preferences.theme.set('loam'),
    },
    ...UNITS.map((setting): PaletteEntry => ({ kind: 'Setting', name: setting.name, words: setting.words, act: () => set(setting) })),
    {
      kind: 'Setting',
      name: 'Single keys on or off',
      words: ['shortcuts', 'hotkeys', 'keyboard'],
      act: () => preferences.singleKeys.update((on) => !on),
    },
  ];
}
