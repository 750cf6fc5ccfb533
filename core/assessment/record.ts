import type { Design } from '../design/design';
import { readingsIn } from '../log/series';
import type { Line } from '../log/timeline';
import { READ_PARAMETERS, type ReadParameter } from '../reading/parameter';
import { dayAfter } from '../schedule/day';
import type { StartKit, StartPlan, StartTest } from '../startup/model';
import { N_MASS } from '../tank/state';
import type { Reading } from '../water/reading';

/** Of nitrate's mass, what is nitrogen. */
const N_OF_NITRATE = N_MASS / 62.005;
/** Longest start that tests are taken for; later ones are of a tank that runs. */
const START_DAYS = 200;

/** Entries of the log stand among the readings of a design under ids of their own. */
const idOf = (lineId: string): string => `log:${lineId}`.slice(0, 80);

export const lineIdOf = (readingId: string): string | null => (readingId.startsWith('log:') ? readingId.slice(4) : null);

/**
 * A design as its log has it: the readings that it is judged by and the tests of its start are those that were written down. The design on
 * the disk keeps neither; of a parameter that was read often only the newest stands for each water that was planned. Nothing that a
 * stand-in made up is judged by.
 */
export function withRecord(design: Design, lines: readonly Line[]): Design {
  const readings = newestOf(lines);
  const tests = design.startup ? testsOf(lines, design.startup) : {};
  const hasTests = Object.keys(tests).length > 0;
  if (Object.keys(readings).length === 0 && !hasTests) return design;
  return {
    ...design,
    readings: { ...design.readings, ...readings },
    startup: design.startup && hasTests ? { ...design.startup, tests: { ...design.startup.tests, ...tests } } : design.startup,
  };
}

function newestOf(lines: readonly Line[]): Record<string, Reading> {
  const newest = new Map<string, Reading & { id: string }>();
  let order = 1e6;
  for (const line of lines) {
    const { entry: reading } = line;
    // most of a long log are readings of probes, of no water that was planned: told apart without a list of them
    if (reading.kind !== 'reading' || line.struck || reading.simulated || reading.of === '') continue;
    order += 1;
    for (const parameter of READ_PARAMETERS) {
      const value = reading.values[parameter];
      if (value === undefined) continue;
      newest.set(`${parameter} ${reading.of}`, {
        id: `${idOf(line.id)}:${parameter}`.slice(0, 80),
        order,
        parameter,
        value,
        kit: reading.kit,
        ...(reading.kitId === null ? {} : { kitId: reading.kitId }),
        day: line.day,
        of: reading.of,
      });
    }
  }
  return Object.fromEntries([...newest.values()].map(({ id, ...reading }) => [id, reading]));
}

function testsOf(lines: readonly Line[], { begun, challengedOn }: StartPlan): Record<string, StartTest> {
  const until = dayAfter(begun, START_DAYS);
  const kitOf = (kit: string): StartKit => (kit === 'strip' || kit === 'laboratory' ? kit : 'drops');
  let order = 1e6;
  const inStart = lines.filter(({ day }) => day >= begun && day <= until);
  const found = readingsIn(inStart).flatMap(({ line, reading }): [string, StartTest][] => {
    const { ammoniaMgNPerL, nitriteMgNPerL, nitrateMgPerL } = reading.values;
    if (reading.simulated) return [];
    // nitrate alone is a test of the start until it is over, and of the routine from then on
    const ofStart = ammoniaMgNPerL !== undefined || nitriteMgNPerL !== undefined;
    if (!ofStart && (nitrateMgPerL === undefined || (challengedOn !== null && line.day > challengedOn))) return [];
    const nitrateMgN = nitrateMgPerL === undefined ? null : Math.min(200, nitrateMgPerL * N_OF_NITRATE);
    const test = {
      order: ++order,
      day: line.day,
      kit: kitOf(reading.kit),
      ammoniaMgN: ammoniaMgNPerL ?? null,
      nitriteMgN: nitriteMgNPerL ?? null,
      nitrateMgN,
    };
    return [[idOf(line.id), test]];
  });
  return Object.fromEntries(found);
}

/** Readings of a design that stand in its log, by the line that they are of. */
export function lineOfReading(design: Design, parameter: ReadParameter, reading: Reading): string | null {
  const found = Object.entries(design.readings).find(([, one]) => one === reading);
  const line = found && lineIdOf(found[0]);
  return line ? line.replace(new RegExp(`:${parameter}$`), '') : null;
}
