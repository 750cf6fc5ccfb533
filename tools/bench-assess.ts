import { catalogueData } from '../catalogue';
import demo from '../catalogue/demo/low-barn.json';
import { assess } from '../core/assessment/assess';
import type { DeriveCache } from '../core/assessment/derive';
import { helpFor } from '../core/assessment/remedies/offer';
import { indexCatalogue } from '../core/catalogue/catalogue';
import { Room } from '../core/design/room';
import { largeTank } from '../core/testing/large-tank';

/** What the bench runs inside the browser: times in milliseconds. */
export function runBench(): Record<string, number[]> {
  const catalogue = indexCatalogue(catalogueData);
  const room = Room.parse(demo.room);
  const design = largeTank(catalogue);
  const time = (runs: number, act: (i: number) => unknown) =>
    Array.from({ length: runs }, (_, i) => {
      const start = performance.now();
      act(i);
      return performance.now() - start;
    });
  time(200, () => assess({ design, room, catalogue }));
  const cache: DeriveCache = new Map();
  return {
    'assess, nothing kept': time(400, () => assess({ design, room, catalogue })),
    'assess after an edit': time(400, (i) => {
      const vessel = design.vessel && { ...design.vessel, waterLevelMm: 300 + (i % 200) };
      return assess({ design: { ...design, vessel }, room, catalogue }, cache);
    }),
    'remedies of every finding': time(15, () => {
      const assessment = assess({ design, room, catalogue });
      return assessment.findings.map((finding) => helpFor(assessment, finding));
    }),
  };
}

(globalThis as unknown as { runBench: typeof runBench }).runBench = runBench;
