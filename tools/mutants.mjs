// Changes one thing after another in a part of the core and runs the specs that see it: what no spec notices is printed.
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

const places = process.argv.slice(2);
if (places.length === 0 || places.some((place) => !place.startsWith('core/') || !existsSync(join(root, place.replace(/:[\d:-]+$/, ''))))) {
  console.error('Say which part of the core: npm run mutants -- core/window, or core/window/judge.ts, or core/window/judge.ts:20-40');
  process.exit(1);
}
const globs = places.map((place) =>
  existsSync(join(root, place)) && statSync(join(root, place)).isDirectory() ? `${place.replace(/\/$/, '')}/**/*.ts` : place,
);
const { status } = spawnSync(
  process.execPath,
  [
    join(root, 'node_modules/@stryker-mutator/core/bin/stryker.js'),
    'run',
    '--mutate',
    [...globs, '!**/*.spec.ts', '!core/testing/**'].join(','),
  ],
  { cwd: root, stdio: 'inherit' },
);
process.exit(status ?? 1);
