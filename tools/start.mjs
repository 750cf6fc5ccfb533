// Installs what is missing, builds what is stale, serves on loopback. Node alone is enough to run this file.
import { spawnSync } from 'node:child_process';
import { ensureBuilt, ensureInstalled, root } from './prepare.mjs';

ensureInstalled();
ensureBuilt();
const served = spawnSync(process.execPath, ['--import', 'tsx', 'server/main.ts'], { cwd: root, stdio: 'inherit' });
process.exit(served.status ?? 1);
