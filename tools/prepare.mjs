import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { packBuild } from './pack.mjs';

export const root = fileURLToPath(new URL('..', import.meta.url));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

function run(command, args) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, NG_CLI_ANALYTICS: 'false' } });
  if (error || status !== 0) {
    console.error(`${command} ${args.join(' ')} failed${error ? `: ${error.message}` : ''}`);
    process.exit(1);
  }
}

/** Installs the packages of the lock file when they are not there yet, or others are. */
export function ensureInstalled() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Terroir needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const stamp = join(root, 'node_modules', '.terroir-lock');
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages (about a minute) …');
  run(npm, ['ci', '--no-audit', '--no-fund']);
  writeFileSync(stamp, lock);
}

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((latest, name) => Math.max(latest, newest(join(path, name))), stat.mtimeMs);
}

/** Builds the app when there is no build, or a source is newer than it. */
export function ensureBuilt() {
  const built = join(root, 'dist', 'app', 'index.html');
  const sources = [
    'app',
    'core',
    'catalogue',
    'public',
    'angular.json',
    'ngsw-config.json',
    'package-lock.json',
    'tsconfig.json',
    'tsconfig.app.json',
  ];
  if (existsSync(built) && statSync(built).mtimeMs >= Math.max(...sources.map((name) => newest(join(root, name))))) return;
  console.log('Building …');
  mkdirSync(join(root, 'dist'), { recursive: true });
  run(process.execPath, [join(root, 'node_modules', '@angular', 'cli', 'bin', 'ng.js'), 'build', '--progress=false']);
  packBuild();
}

/** Finds Chromium, or installs Debian's where that is allowed; else says what to do. */
export function ensureChromium() {
  const wanted = process.env.CHROME_BIN ?? '/usr/bin/chromium';
  if (existsSync(wanted)) return wanted;
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (mayInstall) {
    console.log('Installing Chromium …');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    try {
      execFileSync('apt-get', ['update', '-qq'], { stdio: 'inherit', env });
      execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { stdio: 'inherit', env });
    } catch {
      // the message below says what to do
    }
    if (existsSync('/usr/bin/chromium')) return '/usr/bin/chromium';
  }
  console.error(
    `No Chromium at ${wanted}. Install it (Debian: apt-get install chromium) or point CHROME_BIN at one, then run npm test again.`,
  );
  process.exit(1);
}
