import { severityRank, type Finding, type Severity } from '../calculation/finding';
import type { Assessment } from './assessment';
import { animalOf } from './derive';

/** Two kinds side by side: everything that is said of them together, worst first. */
export interface Pair {
  a: string;
  b: string;
  /** `fits` when nothing is said against them and both are known. */
  severity: Severity;
  findings: readonly Finding[];
}

/** Every pair of the animals in a tank, open findings only. Nothing is judged here: it is a reading of the findings. */
export function pairsOf({ world, derived, findings }: Assessment): Pair[] {
  const animals = (derived['stock.members'].value ?? []).filter((member) => animalOf(member) || !member.organism);
  const accepted = world.design.accepted;
  return animals.flatMap(({ id: a, organism: first }, i) =>
    animals.slice(i + 1).map(({ id: b, organism: second }): Pair => {
      const of = findings.filter(
        ({ key, subjects, severity }) =>
          subjects.length === 2 && subjects.includes(a) && subjects.includes(b) && severity !== 'fits' && !Object.hasOwn(accepted, key),
      );
      const [worst] = of.toSorted((one, other) => severityRank(other.severity) - severityRank(one.severity));
      return { a, b, severity: worst?.severity ?? (first && second ? 'fits' : 'unknown'), findings: of };
    }),
  );
}
