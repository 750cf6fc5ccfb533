import type { PaletteEntry } from '../palette/entry';

/** What can be done in the open room. */
export interface RoomActs {
  newTank(): void;
  newRoom(): void;
  openFile(): void;
  exportRoom(): void;
  undo(): void;
  redo(): void;
  catalogue(): void;
  round(): void;
  units(): void;
  /** Brings a part of the page into sight, by the id of its heading. */
  show(heading: string): void;
}

type Act = Exclude<keyof RoomActs, 'show'>;

const NAMES: readonly { name: string; act: Act; words: readonly string[] }[] = [
  { name: 'New tank', act: 'newTank', words: ['add tank', 'begin', 'create'] },
  { name: 'New room', act: 'newRoom', words: ['add room', 'fish room'] },
  { name: 'Open a design or room file', act: 'openFile', words: ['import', 'open file', 'load'] },
  { name: 'Export this room', act: 'exportRoom', words: ['save', 'download', 'export', 'share'] },
  { name: 'Undo', act: 'undo', words: ['take back', 'revert'] },
  { name: 'Redo', act: 'redo', words: ['do again'] },
  { name: 'Catalogue of this room', act: 'catalogue', words: ['catalogue', 'catalog', 'encyclopedia', 'look up', 'species list'] },
  {
    name: 'The round: what all tanks want today',
    act: 'round',
    words: ['round', 'tasks', 'to do', 'chores', 'cans', 'labels', 'caretaker', 'holiday', 'away', 'tank sitter'],
  },
  { name: 'Units and theme', act: 'units', words: ['units', 'settings', 'preferences', 'options'] },
];

const PARTS: readonly { name: string; heading: string; words: readonly string[] }[] = [
  { name: 'Water at hand', heading: 'water-heading', words: ['sources', 'tap', 'rain water', 'RO', 'osmosis', 'well'] },
  { name: 'Room temperature by month', heading: 'year-heading', words: ['climate', 'room temperature', 'season', 'air'] },
  {
    name: 'Mixing kit and air',
    heading: 'kit-heading',
    words: ['scale', 'meter', 'pH meter', 'TDS meter', 'bucket', 'barrel', 'altitude', 'CO2 of the air'],
  },
  { name: 'Power', heading: 'power-heading', words: ['electricity', 'current', 'cost', 'kWh', 'watts', 'lines', 'circuits'] },
  {
    name: 'Living stock',
    heading: 'lots-heading',
    words: ['lots', 'moves', 'transfer', 'livestock', 'inventory of fish', 'surplus', 'wanted', 'shipping', 'losses', 'count'],
  },
  {
    name: 'A copy of everything: save, remind, take back',
    heading: 'copies-heading',
    words: ['backup', 'back up', 'restore', 'copy', 'folder', 'all rooms', 'save everything'],
  },
  { name: 'Stock on hand', heading: 'hand-heading', words: ['inventory', 'salts', 'stones', 'wood', 'on hand', 'what I have'] },
];

export function roomCommands(acts: RoomActs): PaletteEntry[] {
  return [
    ...NAMES.map(({ name, act, words }): PaletteEntry => ({ name, words, kind: 'Do', act: () => acts[act]() })),
    ...PARTS.map(({ name, heading, words }): PaletteEntry => ({ name, words, kind: 'Room', act: () => acts.show(heading) })),
  ];
}
