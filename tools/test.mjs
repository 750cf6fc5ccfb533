// Everything that is checked, on a fresh machine too. The last line is "N passed, N failed".
import { spawn } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureChromium, ensureInstalled, root } from './prepare.mjs';

ensureInstalled();
process.env.CHROME_BIN = ensureChromium();
const bin = (...path) => join(root, 'node_modules', ...path);
const jasmine = ['--import', 'tsx', bin('jasmine', 'bin', 'jasmine.js')];

let passed = 0;
let failed = 0;
/** What failed, told once more at the end: the steps print a good deal after one another. */
const failures = [];

/**
 * Runs one step; `count` reads the specs it ran out of its output, otherwise the step itself counts as one.
 * What it printed is shown when it ends, since two steps run side by side.
 */
async function step(name, args, count) {
  const started = Date.now();
  const child = spawn(process.execPath, args, {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  let output = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk));
  const status = await new Promise((resolve) => child.on('close', resolve));
  const counted = count?.(output) ?? null;
  if (counted && counted.total > 0) {
    passed += counted.total - counted.failed;
    failed += counted.failed;
    if (status !== 0 && counted.failed === 0) failed += 1;
  } else if (status === 0 && !count) passed += 1;
  else failed += 1;
  if (status !== 0) failures.push(`== ${name}\n${whatFailed(output)}`);
  console.log(`\n== ${name}\n${output}`);
  console.log(`== ${name}: ${status === 0 ? 'ok' : 'FAILED'}, ${((Date.now() - started) / 1000).toFixed(1)} s`);
}

/** The part of a step's output that says what went wrong: from Jasmine's list on, Karma's own lines, or the end of it. */
function whatFailed(output) {
  const list = output.indexOf('\nFailures:');
  if (list >= 0) return output.slice(list).slice(0, 4000);
  const lines = output.split('\n');
  const at = lines.findIndex((line) => / FAILED$/.test(line));
  return (at >= 0 ? lines.slice(at, at + 30) : lines.slice(-30)).join('\n');
}

const specs = (output) => {
  const match = [...output.matchAll(/(\d+) specs?, (\d+) failures?/g)].at(-1);
  return match && { total: Number(match[1]), failed: Number(match[2]) };
};
const karma = (output) => {
  const done = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
  return done && { total: Number(done[1]), failed: Number(done[3] ?? 0) };
};

// building has to be done before anything is looked at in the browser, and nothing may change under it
ensureBuilt();

const paths = ['app', 'core', 'server', 'tools', 'e2e', 'catalogue'];
/** What only computes; what takes longest comes first. */
const reading = [
  () => step('unit specs in Chromium', [bin('@angular', 'cli', 'bin', 'ng.js'), 'test'], karma),
  () => step('core specs in Node', [...jasmine, '--config=core/jasmine.json'], specs),
  () => step('types: core, without DOM', [bin('typescript', 'bin', 'tsc'), '-p', 'core/tsconfig.json', '--noEmit']),
  () => step('format', [bin('prettier', 'bin', 'prettier.cjs'), '--check', '--log-level', 'warn', ...paths, 'public']),
  () => step('types: server, tools, e2e', [bin('typescript', 'bin', 'tsc'), '-p', 'tsconfig.node.json', '--noEmit']),
  () => step('lint', [bin('eslint', 'bin', 'eslint.js'), '.']),
  () => step('tool specs in Node', [...jasmine, '--config=tools/jasmine.json'], specs),
  () => step('import rule', [bin('dependency-cruiser', 'bin', 'dependency-cruise.mjs'), '--config', '.dependency-cruiser.cjs', ...paths]),
];
/** The browser specs file by file, the larger ones first, each in a browser of its own. */
const browsing = readdirSync(join(root, 'e2e'))
  .filter((name) => name.endsWith('.spec.ts'))
  .map((name) => ({ name, size: readFileSync(join(root, 'e2e', name), 'utf8').length }))
  .sort((a, b) => b.size - a.size)
  .map(
    ({ name }) =>
      () =>
        step(`browser specs, ${name}`, [...jasmine, '--config=e2e/jasmine.json', `e2e/${name}`], specs),
  );

/** Takes one step after another, of the first of these lists that has any left. */
async function lane(...lists) {
  for (;;) {
    const next = lists.find((list) => list.length > 0)?.shift();
    if (!next) return;
    await next();
  }
}
// one for each of two cores: a third beside them starves the browsers and wins no time
await Promise.all([lane(browsing, reading), lane(reading, browsing)]);

if (failures.length > 0) console.log(`\n${failures.join('\n\n')}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
