import type { Bench } from '../../core/calculation/finding';

export interface BenchEntry {
  id: Bench;
  name: string;
  /** The key that opens it. */
  key: string;
  /** Band colour of the course and the ink that reads on it. */
  band: string;
  ink: string;
  nightBand: string;
  nightInk: string;
  open: boolean;
}

const DARK = '#25231d';
const LIGHT = '#fbf9f3';

const bench = (id: Bench, name: string, key: string, band: string, ink: string, nightBand: string, open = false): BenchEntry => ({
  id,
  name,
  key,
  band,
  ink,
  nightBand,
  nightInk: '#ece6d8',
  open,
});

/** The benches in work order: water over silt over subsoil. At night the bands darken with the room. */
export const BENCHES: readonly BenchEntry[] = [
  bench('livestock', 'Livestock', '1', '#dfe9e4', DARK, '#2f3f3b', true),
  bench('vessel', 'Vessel', '2', '#cfe1e2', DARK, '#2a3d40', true),
  bench('water', 'Water', '3', '#b9d5d8', DARK, '#24393e', true),
  bench('substrate', 'Substrate', '4', '#e3d6b2', DARK, '#4a4230', true),
  bench('hardscape', 'Hardscape', '5', '#d9c28d', DARK, '#463b25', true),
  bench('plants', 'Plants', '6', '#d3b27c', DARK, '#433420'),
  bench('equipment', 'Equipment', '7', '#c79a66', DARK, '#402e1c', true),
  bench('stocking', 'Stocking', '8', '#c08d5f', DARK, '#3b281a', true),
  bench('startup', 'Start-up', '9', '#8f5a39', LIGHT, '#352317'),
  bench('care', 'Care', '0', '#7d5035', LIGHT, '#2f1f16', true),
  bench('breeding', 'Breeding', '-', '#5d4031', LIGHT, '#291b14'),
];
