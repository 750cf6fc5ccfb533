import type { PaletteEntry } from '../palette/entry';

/** What can be done to the open tank. */
export interface TankActs {
  undo(): void;
  redo(): void;
  rename(): void;
  duplicate(): void;
  remove(): void;
  newTank(): void;
  exportDesign(): void;
  files(): void;
  sheet(): void;
  keys(): void;
  units(): void;
  catalogue(): void;
  rooms(): void;
}

const NAMES: readonly { name: string; act: keyof TankActs; words: readonly string[] }[] = [
  { name: 'Undo', act: 'undo', words: ['take back', 'revert'] },
  { name: 'Redo', act: 'redo', words: ['do again'] },
  { name: 'Rename this tank', act: 'rename', words: ['rename', 'name'] },
  { name: 'Duplicate this tank', act: 'duplicate', words: ['duplicate', 'copy', 'clone', 'variant'] },
  { name: 'Delete this tank', act: 'remove', words: ['delete', 'remove', 'throw away'] },
  { name: 'New tank in this room', act: 'newTank', words: ['new tank', 'add tank', 'begin', 'create'] },
  { name: 'Export this design', act: 'exportDesign', words: ['save', 'save as', 'download', 'export', 'share'] },
  {
    name: 'Files and earlier states',
    act: 'files',
    words: ['backup', 'history', 'versions', 'snapshot', 'import', 'open file', 'restore', 'files'],
  },
  { name: 'Summary to print', act: 'sheet', words: ['print', 'sheet', 'paper', 'pdf', 'report'] },
  { name: 'Keys', act: 'keys', words: ['help', 'shortcuts', 'keyboard', 'hotkeys'] },
  { name: 'Units and theme', act: 'units', words: ['units', 'settings', 'preferences', 'options'] },
  { name: 'Catalogue of this room', act: 'catalogue', words: ['catalogue', 'catalog', 'encyclopedia', 'look up', 'species list'] },
  { name: 'All rooms', act: 'rooms', words: ['rooms', 'home', 'overview', 'fish room', 'start'] },
];

export function tankCommands(acts: TankActs): PaletteEntry[] {
  return NAMES.map(({ name, act, words }) => ({ name, words, kind: 'Do', act: () => acts[act]() }));
}
