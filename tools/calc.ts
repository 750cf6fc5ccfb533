import { createInterface } from 'node:readline';
import * as z from 'zod';
import { BadInput, evaluateUnknown, type Calculation } from '../core/calculation/calculation';
import { catalogueData } from '../catalogue';
import { calculations as fixed } from '../core/assessment/calculations';
import { createRegistry } from '../core/calculation/registry';
import { indexCatalogue } from '../core/catalogue/catalogue';
import { kindCalculations } from '../core/stocking/by-kind';
import { inputMeta } from '../core/calculation/input-words';

const calculations = createRegistry([...fixed.all, ...kindCalculations(indexCatalogue(catalogueData).organisms)]);

const USAGE = `usage: npm run -s calc -- list
       npm run -s calc -- describe <id>
       npm run -s calc -- <id> '<json>'      one answer
       npm run -s calc -- <id> -             one JSON a line in, one answer a line out
       npm run -s calc -- -                  the same, each line {"id": ..., "input": {...}}`;

function find(id: string): Calculation {
  const found = calculations.find(id);
  if (!found) throw new BadInput(`no calculation "${id}"; see: npm run -s calc -- list`);
  return found;
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new BadInput(`not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** The outputs themselves; a gap is every output null, with the reason. */
function answer(calc: Calculation, input: unknown): unknown {
  const outcome = evaluateUnknown(calc, input);
  if (!('gap' in outcome)) return outcome.value;
  const names = calc.outputs instanceof z.ZodObject ? Object.keys(calc.outputs.shape) : [];
  return { ...Object.fromEntries(names.map((name) => [name, null])), gap: outcome.gap, reason: outcome.reason };
}

const lineSchema = z.object({ id: z.string(), input: z.unknown() });

function answerLine(only: Calculation | null, line: string): unknown {
  const json = parse(line);
  if (only) return answer(only, json);
  const parsed = lineSchema.safeParse(json);
  if (!parsed.success) throw new BadInput('each line must be {"id": ..., "input": {...}}');
  return answer(find(parsed.data.id), parsed.data.input);
}

async function answerLines(only: Calculation | null): Promise<void> {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === '') continue;
    try {
      console.log(JSON.stringify(answerLine(only, line)));
    } catch (error) {
      if (!(error instanceof BadInput)) throw error;
      console.log(JSON.stringify({ error: error.message }));
    }
  }
}

async function main([first, second, ...rest]: string[]): Promise<void> {
  if (!first || rest.length > 0) throw new BadInput(USAGE);
  if (first === 'list') {
    for (const { id, title } of calculations.all) console.log(`${id.padEnd(34)} ${title}`);
  } else if (first === '-') await answerLines(null);
  else if (!second) throw new BadInput(USAGE);
  else if (first === 'describe') {
    const { id, title, formula, source, validity, uncertainty, inputs, outputs } = find(second);
    const schema = (type: z.ZodType) => z.toJSONSchema(type, { unrepresentable: 'any' });
    const names = [inputs, outputs].flatMap((type) => Object.keys(type instanceof z.ZodObject ? type.shape : {}));
    const words = Object.fromEntries(names.map((name) => [name, inputMeta(name).label]));
    const told = { id, title, formula, source, validity, uncertainty, words, inputs: schema(inputs), outputs: schema(outputs) };
    console.log(JSON.stringify(told, null, 2));
  } else if (second === '-') await answerLines(find(first));
  else console.log(JSON.stringify(answer(find(first), parse(second))));
}

main(process.argv.slice(2)).catch((error: unknown) => {
  if (!(error instanceof BadInput)) throw error;
  console.error(error.message);
  process.exitCode = 2;
});
