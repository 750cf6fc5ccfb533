import { severityRank, type Finding } from '../../calculation/finding';
import { emptyCare } from '../../care/model';
import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import { METRIC } from '../../quantity/format';
import { box, catalogue, judge, lowBarn, peatPocket, tank, weedyThicket } from '../../testing/tanks';
import { largeTank } from '../../testing/large-tank';
import { assess, type Assessment } from '../assess';
import { plain, wordRemedy, wordShortfall } from '../wording';
import { bestBlend } from './blend';
import { helpFor, newConflicts } from './offer';
import { forRevision, type Remedy, type RemedyKind } from './remedy';
import { makersOf } from './makers';

/** What is wrong with a remedy, by doing it: null when it keeps its promise. */
function broken(assessment: Assessment, finding: Finding, remedy: Pick<Remedy, 'patch' | 'opens'>): string | null {
  const applied = applyEdit(assessment.world.design, remedy.patch, Design);
  if (!applied.ok) return `refused: ${JSON.stringify(applied.refusals)}`;
  const next = assess({ ...assessment.world, design: applied.document });
  const after = next.findings.find(({ key }) => key === finding.key);
  if (after) {
    const drop = severityRank(finding.severity) - severityRank(after.severity);
    if (drop < 0 || (drop === 0 && !((after.excess ?? Infinity) < (finding.excess ?? -Infinity))))
      return `does not help: ${finding.severity} ${finding.excess} -> ${after.severity} ${after.excess}`;
  }
  const declared = new Set(remedy.opens.map(({ key }) => key));
  const opened = newConflicts(new Map(assessment.findings.map((f) => [f.key, f])), next.findings).filter(({ key }) => !declared.has(key));
  return opened.length > 0 ? `opens ${opened.map(({ key }) => key).join()}` : null;
}

const tanks = {
  peat: peatPocket,
  thicket: weedyThicket,
  lone: tank([['paracheirodon-axelrodi', 1]], { vessel: box(300, 300, 300, 'none') }),
  clash: tank([
    ['ambystoma-mexicanum', 1],
    ['mikrogeophagus-ramirezi', 2],
  ]),
  hot: tank([['danio-margaritatus', 12, 'spawn']], { heaterC: 30 }),
  axolotl: tank([['ambystoma-mexicanum', 1]], { vessel: box(600, 300, 360) }),
  bees: tank(
    [
      ['caridina-logemanni', 20, 'spawn'],
      ['neocaridina-davidi', 3],
    ],
    { heaterC: 21 },
  ),
  dry: tank([['boraras-maculatus', 12]], { vessel: null, shares: {} }),
  overfed: {
    ...tank([['danio-margaritatus', 12]]),
    care: { ...emptyCare(), surface: 'still' as const, feed: { gPerDay: 2, proteinPct: 45 }, change: { fraction: 0.05, everyDays: 14 } },
  },
  lakeside: tank([['julidochromis-ornatus', 2, 'spawn']], { shares: { ro: 1 } }),
  blackwater: tank([['parosphromenus-harveyi', 2, 'spawn']], { shares: { ro: 1 } }),
  large: largeTank(catalogue, { species: 8, items: 5, plants: 6 }),
};

describe('remedies', () => {
  const seen = new Set<RemedyKind>();
  for (const [name, design] of Object.entries(tanks)) {
    it(`of the ${name} tank keep their promise`, () => {
      const assessment = judge(design);
      let offered = 0;
      for (const finding of assessment.findings) {
        for (const remedy of helpFor(assessment, finding).remedies) {
          offered += 1;
          seen.add(remedy.kind);
          expect(broken(assessment, finding, remedy))
            .withContext(remedy.id)
            .toBeNull();
          expect(remedy.patch[0]).withContext(remedy.id).toEqual(forRevision(design.rev));
          const { action, effect } = wordRemedy(remedy, finding, assessment, METRIC);
          expect(`${action} ${effect}`).not.toMatch(/undefined|NaN|not known/);
        }
      }
      expect(offered).toBeGreaterThan(0);
    });
  }

  it('between them use every kind', () => {
    for (const [, design] of Object.entries(tanks)) {
      const assessment = judge(design);
      for (const finding of assessment.findings) for (const { kind } of helpFor(assessment, finding).remedies) seen.add(kind);
    }
    expect([...seen].sort()).toEqual([
      'blend',
      'conditioner',
      'cooler',
      'cover',
      'feed',
      'float',
      'group',
      'heater',
      'hides',
      'leaves',
      'lid',
      'open-lid',
      'rating',
      'recipe',
      'remove',
      'surface',
      'vessel',
    ]);
  });

  it('that are fake are found out', () => {
    const assessment = judge(weedyThicket);
    const lid = assessment.findings.find(({ code }) => code === 'vessel.lid')!;
    const rename = { patch: [{ op: 'replace' as const, path: '/name', value: 'Mended' }], opens: [] };
    expect(broken(assessment, lid, rename)).toMatch(/does not help/);
    const boil = {
      patch: [
        {
          op: 'add' as const,
          path: '/equipment/h',
          value: { order: 1, kind: 'heater', setPointC: 34, powerW: null, sizeMm: null, placeMm: null },
        },
      ],
      opens: [],
    };
    const cold = assessment.findings.find(({ code }) => code === 'heat.too-cold')!;
    expect(broken(assessment, cold, boil)).toMatch(/opens heat.too-warm/);
    // a maker of such things is not listened to
    const fake = () => [{ kind: 'lid' as const, patch: rename.patch, values: {}, subjects: [] }];
    expect(helpFor(assessment, lid, [fake]).remedies).toEqual([]);
    expect(helpFor(assessment, lid, [...makersOf(lid.code), fake]).remedies.length).toBe(helpFor(assessment, lid).remedies.length);
  });

  it('made for another revision are refused', () => {
    const assessment = judge(weedyThicket);
    const lid = assessment.findings.find(({ code }) => code === 'vessel.lid')!;
    const [remedy] = helpFor(assessment, lid).remedies;
    expect(applyEdit({ ...weedyThicket, rev: 5 }, remedy!.patch, Design).ok).toBeFalse();
  });

  it('take an animal out only where two cannot be kept together, and spare the target', () => {
    const clash = judge(tanks.clash);
    for (const finding of clash.findings) {
      for (const remedy of helpFor(clash, finding).remedies) {
        expect(remedy.kind === 'remove')
          .withContext(finding.key)
          .toBe(finding.severity === 'conflict' && finding.subjects.length === 2);
        if (remedy.kind === 'remove') expect(remedy.subjects).toEqual(['s1']);
      }
    }
  });
});

describe('the blend for the peat pocket', () => {
  const assessment = judge(peatPocket);
  const ph = assessment.findings.find(({ key }) => key === 'water.parameter:ph:pair')!;
  const gh = assessment.findings.find(({ key }) => key === 'water.parameter:ghDh:pair')!;

  it('is nearly all RO, clears the hardness, and says what it cannot reach', () => {
    const ro = bestBlend(assessment)?.parts.find(({ source }) => source.kind === 'ro')?.share ?? 0;
    expect(ro).toBeGreaterThanOrEqual(0.95);
    expect(helpFor(assessment, gh).remedies[0]?.after?.severity).toBe('fits');
    expect(helpFor(assessment, gh).shortfall).toBeNull();
    const help = helpFor(assessment, ph);
    // water without lime is made acid by the filter alone, and nobody can say how acid
    expect(help.remedies[0]?.after?.severity).toBe('fits');
    const { plannedLow, plannedHigh } = help.remedies[0]!.after!.values;
    expect(plannedHigh!.value - plannedLow!.value).toBeGreaterThan(0.8);
  });

  it('leaves acid to the leaves once it is poured', () => {
    const after = judge({
      ...peatPocket,
      water: {
        ...peatPocket.water,
        parts: { ro: { order: 1, sourceId: 'ro', share: 0.97 }, tap: { order: 2, sourceId: 'tap', share: 0.03 } },
      },
    });
    expect(after.findings.filter(({ severity }) => severity === 'conflict')).toEqual([]);
    const left = after.findings.find(({ key }) => key === ph.key)!;
    expect(left.severity).toBe('watch');
    const help = helpFor(after, left);
    const leaves = help.remedies.find(({ kind }) => kind === 'leaves')!;
    expect(wordRemedy(leaves, left, after, METRIC).action).toMatch(/^Put in \d+ g of dry leaves$/);
    expect(help.shortfall).toBeNull();
    const steeped = applyEdit(after.world.design, leaves.patch, Design);
    const before = after.derived['planned.ph'].value!;
    expect(steeped.ok && judge(steeped.document).derived['planned.ph'].value! < before - 0.3).toBeTrue();
  });

  it('says when no remedy is known at all', () => {
    const bare = assess({ design: peatPocket, room: { ...lowBarn, sources: { tap: lowBarn.sources['tap']! } }, catalogue });
    const help = helpFor(
      bare,
      bare.findings.find(({ key }) => key === gh.key)!,
    );
    expect(help.remedies).toEqual([]);
    expect(plain(wordShortfall(help, gh, METRIC) ?? '')).toMatch(/Another source, or salts weighed in/);
  });
});
