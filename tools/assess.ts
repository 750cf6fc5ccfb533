import { readFileSync } from 'node:fs';
import { catalogueData } from '../catalogue';
import { assess } from '../core/assessment/assess';
import { helpFor } from '../core/assessment/remedies/offer';
import { BASIS_WORD, plain, wordFinding, wordRemedy, wordShortfall } from '../core/assessment/wording';
import { SEVERITY_WORD } from '../core/calculation/finding';
import { indexCatalogue } from '../core/catalogue/catalogue';
import { withOwn } from '../core/design/own-catalogue';
import { readDesignFile } from '../core/design/document';
import { METRIC } from '../core/quantity/format';

function fail(message: string): never {
  console.error(message);
  process.exit(2);
}

const args = process.argv.slice(2);
const asJson = args.includes('--json');
const [path, ...rest] = args.filter((arg) => arg !== '--json');
if (!path || rest.length > 0) fail('usage: npm run -s assess -- <design file> [--json]');

let text: string;
try {
  text = readFileSync(path, 'utf8');
} catch {
  fail(`${path}: cannot be read`);
}
const read = readDesignFile(text);
if (!read.ok) fail(read.refusals.map(({ path: place, reason }) => `${path}: ${place}: ${reason}`).join('\n'));

const { design, room } = read.document;
const assessment = assess({ design, room, catalogue: withOwn(indexCatalogue(catalogueData), room.own) });
const worded = assessment.findings.map((finding) => {
  const help = helpFor(assessment, finding);
  return {
    key: finding.key,
    severity: finding.severity,
    ...wordFinding(finding, assessment, METRIC),
    basis: finding.basis,
    accepted: design.accepted[finding.key] ?? null,
    remedies: help.remedies.map((remedy) => wordRemedy(remedy, finding, assessment, METRIC)),
    shortfall: wordShortfall(help, finding, METRIC),
    excess: finding.excess,
    values: finding.values,
  };
});

if (asJson) {
  const derived = Object.values(assessment.derived).map(({ node, calculationId, value, interval, gap, note }) => ({
    node,
    calculationId,
    value,
    interval,
    gap,
    note,
  }));
  // a field of thousands of squares is no reading: its length says that it is there
  const brief = (_: string, value: unknown) =>
    value instanceof Float32Array || value instanceof Int32Array || value instanceof Int16Array ? `${value.length} values` : value;
  console.log(JSON.stringify({ design: design.name, room: room.name, findings: worded, derived }, brief, 2));
} else {
  console.log(`${design.name}, in ${room.name}\n`);
  for (const { severity, title, reason, remedies, shortfall, basis, accepted } of worded) {
    console.log(`${SEVERITY_WORD[severity].toUpperCase().padEnd(9)} ${plain(title)}`);
    console.log(`          ${plain(reason)} ${BASIS_WORD[basis]}.`);
    if (accepted) console.log(`          accepted: ${accepted}`);
    for (const { action, effect, opens } of remedies)
      console.log(`          > ${plain(action)}: ${plain(effect)}${opens ? ` (opens: ${plain(opens)})` : ''}`);
    if (shortfall) console.log(`          ${shortfall}`);
  }
}
