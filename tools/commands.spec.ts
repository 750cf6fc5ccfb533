import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { catalogueData } from '../catalogue';
import { BASIS_WORD, plain, wordFinding } from '../core/assessment/wording';
import { METRIC } from '../core/quantity/format';
import { judge, lowBarn, weedyThicket } from '../core/testing/tanks';
import { documents } from './docs';

const root = fileURLToPath(new URL('..', import.meta.url));

function run(tool: string, args: string[], input?: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', `tools/${tool}.ts`, ...args], {
    cwd: root,
    encoding: 'utf8',
    input: input ?? '',
  });
  return { status, out: stdout, err: stderr };
}

describe('calc', () => {
  const id = 'water.free-ammonia-fraction';

  it('lists and describes', () => {
    expect(run('calc', ['list']).out).toContain(id);
    const described = JSON.parse(run('calc', ['describe', id]).out) as { source: { citation: string }[]; inputs: { properties: object } };
    expect(described.source[0]?.citation).toContain('Emerson');
    expect(Object.keys(described.inputs.properties)).toEqual(['temperatureC', 'ph', 'salinity']);
  });

  it('answers in JSON, and gives a gap outside validity', () => {
    const answer = run('calc', [id, '{"temperatureC":25,"ph":8,"salinity":0}']);
    expect(answer.status).toBe(0);
    expect((JSON.parse(answer.out) as { fraction: number }).fraction).toBeCloseTo(0.05366, 5);
    expect(JSON.parse(run('calc', [id, '{"temperatureC":35,"ph":8,"salinity":0}']).out)).toEqual({
      fraction: null,
      gap: 'outside-validity',
      reason: 'temperature outside 0–30 °C',
    });
  });

  it('answers line by line, a bad line with its error, and goes on', () => {
    const lines = [
      '{"temperatureC":25,"ph":7,"salinity":0}',
      'not json',
      '',
      '{"temperatureC":25}',
      '{"temperatureC":20,"ph":8,"salinity":0}',
    ];
    const answers = run('calc', [id, '-'], lines.join('\n'));
    expect(answers.status).toBe(0);
    const parsed = answers.out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { fraction?: number; error?: string });
    expect(parsed.map((answer) => (answer.error ? 'error' : 'answer'))).toEqual(['answer', 'error', 'error', 'answer']);
    expect(parsed[2]?.error).toMatch(/ph: /);
    const mixed = run(
      'calc',
      ['-'],
      '{"id":"vessel.box-volume","input":{"lengthMm":600,"widthMm":300,"heightMm":360}}\n{"id":"no.such","input":{}}\n',
    );
    expect(mixed.out).toBe('{"litres":64.8}\n{"error":"no calculation \\"no.such\\"; see: npm run -s calc -- list"}\n');
  });

  for (const [args, message] of [
    [[], /usage/],
    [['no.such', '{}'], /no calculation "no.such"/],
    [[id], /usage/],
    [[id, 'oops'], /not JSON/],
    [[id, '{"temperatureC":"hot","ph":8,"salinity":0}'], /temperatureC/],
    [[id, '{"temperatureC":25,"ph":8,"salinity":0,"x":1}'], /x/],
    [[id, '[]'], /expected object/],
    [[id, '{}', 'more'], /usage/],
  ] as [string[], RegExp][]) {
    it(`exits 2 with a message on ${JSON.stringify(args)}`, () => {
      const answer = run('calc', args);
      expect(answer.status).toBe(2);
      expect(answer.out).toBe('');
      expect(answer.err).toMatch(message);
    });
  }
});

describe('assess', () => {
  const folder = mkdtempSync(join(tmpdir(), 'terroir-assess-'));
  const file = join(folder, 'thicket.json');
  const content = JSON.stringify({
    terroir: 'design',
    design: weedyThicket,
    room: lowBarn,
    cited: { catalogue: catalogueData.edition, entries: [] },
  });
  beforeAll(() => writeFileSync(file, content));
  afterAll(() => rmSync(folder, { recursive: true }));

  it('prints every finding in the words of the screen', () => {
    const { out, status } = run('assess', [file]);
    expect(status).toBe(0);
    const assessment = judge(weedyThicket);
    for (const finding of assessment.findings) {
      const { title, reason } = wordFinding(finding, assessment, METRIC);
      expect(out).toContain(plain(title));
      expect(out).toContain(`${plain(reason)} ${BASIS_WORD[finding.basis]}.`);
    }
    expect(out).toContain('> Glass lid: watch → fits');
  });

  it('gives the whole assessment as JSON', () => {
    const { findings, derived } = JSON.parse(run('assess', [file, '--json']).out) as {
      findings: { key: string }[];
      derived: { node: string }[];
    };
    expect(findings.map(({ key }) => key)).toEqual(judge(weedyThicket).findings.map(({ key }) => key));
    expect(derived.map(({ node }) => node)).toContain('planned.ghDh');
  });

  it('exits 2 with place and reason on what is no design', () => {
    const cut = join(folder, 'cut.json');
    writeFileSync(cut, content.slice(0, 300));
    expect(run('assess', [cut])).toEqual(jasmine.objectContaining({ status: 2, out: '' }));
    expect(run('assess', [cut]).err).toMatch(/not whole JSON/);
    expect(run('assess', [join(folder, 'none.json')]).err).toMatch(/cannot be read/);
    expect(run('assess', []).status).toBe(2);
  });
});

describe('the documents', () => {
  for (const [path, text] of Object.entries(documents())) {
    it(`${path} says what the code says`, () =>
      expect(readFileSync(root + path, 'utf8') === text)
        .withContext('run npm run docs')
        .toBeTrue());
  }
});
