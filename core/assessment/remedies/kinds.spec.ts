import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import { box, find, judge, lowBarn, tank, weedyThicket } from '../../testing/tanks';
import { STOCK_SIZES_MM } from '../../vessel/stock-sizes';
import { bestBlend, blendRemedy } from './blend';
import { compare } from './compare';
import { coverSidesRemedy } from './cover-sides';
import { groupRemedy } from './group';
import { guardRemedy } from './guard';
import { lidRemedy } from './lid';
import type { Proposal, RemedyMaker } from './remedy';
import { ratingRemedy } from './rating';
import { removeRemedy } from './remove';
import { sexesRemedy } from './sexes';
import { placeRemedy } from './place';
import { fanRemedy, setPointRemedy } from './set-point';
import { vesselRemedy } from './vessel';

function propose(make: RemedyMaker, design: Design, key: string, room = lowBarn): Proposal[] {
  const assessment = judge(design, room);
  const finding = find(assessment, key);
  if (!finding) throw new Error(`no finding ${key}`);
  return make(assessment, finding);
}

function after(design: Design, proposal: Proposal | undefined): Design {
  if (!proposal) throw new Error('nothing was proposed');
  const applied = applyEdit(design, proposal.patch, Design);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusals));
  return applied.document;
}

const setPoints = (design: Design) =>
  Object.values(design.equipment).flatMap((device) => ('setPointC' in device ? [device.setPointC] : []));

describe('the set-point remedy', () => {
  it('adds a heater where there is none, inside the window', () => {
    const [proposal] = propose(setPointRemedy, weedyThicket, 'heat.too-cold:danios');
    expect(after(weedyThicket, proposal).equipment['heater']).toEqual({
      order: 2,
      kind: 'heater',
      setPointC: 22,
      powerW: null,
      sizeMm: null,
      placeMm: null,
    });
  });

  it('moves the heater there is', () => {
    const design = tank([['mikrogeophagus-ramirezi', 2]], { heaterC: 24 });
    const changed = after(design, propose(setPointRemedy, design, 'heat.too-cold:s0')[0]);
    expect(setPoints(changed)).toEqual([28]);
    expect(Object.keys(changed.equipment)).toEqual(['heater']);
  });

  it('turns down a heater that is itself the trouble', () => {
    const design = tank([['danio-margaritatus', 8]], { heaterC: 30 });
    const [proposal] = propose(setPointRemedy, design, 'heat.too-warm:s0');
    expect(proposal?.kind).toBe('heater');
    expect(setPoints(after(design, proposal))).toEqual([24]);
  });

  it('adds a cooler against a warm room', () => {
    const design = tank([['ambystoma-mexicanum', 1]]);
    const [proposal] = propose(setPointRemedy, design, 'heat.too-warm:s0');
    expect(proposal?.kind).toBe('cooler');
    expect(setPoints(after(design, proposal))).toEqual([17]);
  });

  it('has nothing to offer where the ranges do not meet, nor for other findings', () => {
    const clash = tank([
      ['ambystoma-mexicanum', 1],
      ['mikrogeophagus-ramirezi', 2],
    ]);
    expect(propose(setPointRemedy, clash, 'heat.too-cold:s1')).toEqual([]);
    expect(propose(setPointRemedy, weedyThicket, 'vessel.lid:danios')).toEqual([]);
  });
});

describe('the group remedy', () => {
  it('fills the group up, counting those of its kind elsewhere in the tank', () => {
    const design = tank([
      ['paracheirodon-axelrodi', 3],
      ['paracheirodon-axelrodi', 2, 'spawn'],
    ]);
    const changed = after(design, propose(groupRemedy, design, 'stocking.group-size:s0')[0]);
    expect(changed.stock['s0']?.count).toBe(8);
    expect(changed.stock['s1']?.count).toBe(2);
  });
});

describe('the lid remedy', () => {
  it('offers glass and mesh', () => {
    const lids = propose(lidRemedy, weedyThicket, 'vessel.lid:danios').map((proposal) => after(weedyThicket, proposal).vessel?.lid.value);
    expect(lids).toEqual(['glass', 'mesh']);
  });
});

describe('the vessel remedy', () => {
  it('takes the smallest usual box in which nobody is short', () => {
    const design = tank([['puntigrus-tetrazona', 10]], { vessel: box(400, 250, 250, 'mesh') });
    const vessel = after(design, propose(vesselRemedy, design, 'vessel.footprint:s0')[0]).vessel!;
    const size = [vessel.lengthMm, vessel.widthMm, vessel.heightMm] as const;
    expect(size).toEqual([800, 350, 400]);
    const smaller = STOCK_SIZES_MM.slice(
      0,
      STOCK_SIZES_MM.findIndex((other) => other.every((mm, i) => mm === size[i])),
    );
    for (const [length, width, height] of smaller) {
      const codes = judge({ ...design, vessel: box(length, width, height) }).findings.filter(
        ({ severity }) => severity === 'watch' || severity === 'conflict',
      );
      expect(codes.some(({ code }) => code === 'vessel.footprint' || code === 'vessel.volume'))
        .withContext(`${length} × ${width}`)
        .toBeTrue();
    }
  });

  it('keeps the lid, and wants another leak test', () => {
    const design = tank([['puntigrus-tetrazona', 10]], { vessel: box(400, 250, 250, 'mesh') });
    const vessel = after(design, propose(vesselRemedy, design, 'vessel.volume:s0')[0]).vessel!;
    expect(vessel.lid.value).toBe('mesh');
    expect(vessel.leakTest.value).toBeNull();
  });

  it('chooses a first vessel too, but not for an empty tank', () => {
    const design = tank([['danio-margaritatus', 8]], { vessel: null });
    expect(after(design, propose(vesselRemedy, design, 'vessel.not-stated')[0]).vessel?.lengthMm).toBe(400);
    const nobody = tank([], { vessel: null });
    expect(propose(vesselRemedy, nobody, 'vessel.not-stated')).toEqual([]);
  });

  it('says nothing when no usual box is enough', () => {
    const design = tank([['puntigrus-tetrazona', 400]], { vessel: box(400, 250, 250) });
    expect(propose(vesselRemedy, design, 'vessel.volume:s0')).toEqual([]);
  });
});

describe('the last resort', () => {
  it('takes a target out of the targets as well, if both are targets', () => {
    const design = tank([
      ['ambystoma-mexicanum', 1],
      ['mikrogeophagus-ramirezi', 2],
    ]);
    const both = { ...design, brief: { ...design.brief, targetStockIds: ['s0', 's1'] } };
    const proposals = propose(removeRemedy, both, 'window.clash:temperatureC:s0:s1');
    expect(proposals.map(({ subjects }) => subjects)).toEqual([['s0'], ['s1']]);
    expect(after(both, proposals[0]).brief.targetStockIds).toEqual(['s1']);
  });
});

describe('the blend remedy', () => {
  it('is silent without sources whose readings are known, and for an empty tank', () => {
    const bare = { ...lowBarn, sources: { tap: { ...lowBarn.sources['tap']!, khDh: { value: null, basis: 'measured' as const } } } };
    const design = tank([['danio-margaritatus', 8]]);
    expect(bestBlend(judge(design, bare))).toBeNull();
    expect(propose(blendRemedy, tank([], { shares: {} }), 'water.not-stated')).toEqual([]);
  });

  it('pours a first water', () => {
    const design = tank([['danio-margaritatus', 8]], { shares: {} });
    const changed = after(design, propose(blendRemedy, design, 'water.not-stated')[0]);
    const shares = Object.values(changed.water.parts).map(({ share }) => share);
    expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  });

  it('takes no RO where the tap suits everyone', () => {
    const design = tank([['neolamprologus-multifasciatus', 6]]);
    expect(bestBlend(judge(design))?.parts.map(({ id }) => id)).toEqual(['tap']);
  });

  it('takes the least RO that serves as well', () => {
    const parts = bestBlend(judge(tank([['danio-margaritatus', 8, 'spawn']])))!.parts;
    const ro = parts.find(({ id }) => id === 'ro')?.share ?? 0;
    expect(ro).toBeGreaterThan(0);
    expect(ro).toBeLessThan(0.6);
  });
});

describe('comparing before with after', () => {
  it('lists every verdict that changes, what is mended first', () => {
    const [proposal] = propose(setPointRemedy, weedyThicket, 'heat.too-cold:danios');
    const compared = compare(judge(weedyThicket), proposal!.patch)!;
    const said = compared.differences.map(
      ({ key, before, after: then }) => `${key} ${before?.severity ?? 'none'} ${then?.severity ?? 'none'}`,
    );
    expect(said).toContain('heat.too-cold:danios watch fits');
    expect(said).toContain('heat.heater-rating:heater none unknown');
    expect(said.indexOf('heat.too-cold:danios watch fits')).toBeLessThan(said.indexOf('heat.heater-rating:heater none unknown'));
  });
  it('is nothing for a patch that cannot be applied', () => {
    expect(compare(judge(weedyThicket), [{ op: 'test', path: '/rev', value: 99 }])).toBeNull();
  });
});

describe('the remedies of company and gear', () => {
  it('put a mesh over every way out, fine enough for the young of breeders', () => {
    const gap = (at: 'lid' | 'intake') => ({ order: 1, at, shortMm: 6, longMm: 40, guardMm: null });
    const openings = { a: gap('lid'), b: gap('intake') };
    const design = tank([['danio-margaritatus', 8]], { vessel: { ...box(600, 400, 360), openings } });
    const meshed = after(design, propose(guardRemedy, design, 'stocking.escape:s0')[0]);
    expect(Object.values(meshed.vessel!.openings).map(({ guardMm }) => guardMm)).toEqual([5, 5]);
    const breeding = tank([['neocaridina-davidi', 20, 'spawn']], { vessel: { ...box(600, 400, 360), openings } });
    const fine = after(breeding, propose(guardRemedy, breeding, 'stocking.escape:s0')[0]);
    expect(Object.values(fine.vessel!.openings).map(({ guardMm }) => guardMm)).toEqual([0.5, 0.5]);
  });

  it('rate a heater half above what it needs', () => {
    const weak = { ...tank([['mikrogeophagus-ramirezi', 2]], { heaterC: 28 }) };
    const design = { ...weak, equipment: { heater: { ...weak.equipment['heater']!, powerW: 10 } } } as Design;
    const need = find(judge(design), 'heat.heater-rating:heater')!;
    expect(need.severity).toBe('conflict');
    const [proposal] = propose(ratingRemedy, design, 'heat.heater-rating:heater');
    expect(after(design, proposal).equipment['heater']?.powerW).toBeGreaterThanOrEqual(need.values['wanted']!.value);
  });

  it('set sexes right', () => {
    const stock = (design: Design, key = 'stocking.sex-ratio:s0') => {
      const { count, female } = after(design, propose(sexesRemedy, design, key)[0]).stock['s0']!;
      return [count, female];
    };
    expect(stock(tank([['betta-splendens', 3, 'keep', 0]]))).toEqual([1, 0]);
    expect(stock(tank([['poecilia-reticulata', 9, 'keep', 3]]))).toEqual([18, 12]);
    expect(stock(tank([['danio-margaritatus', 8, 'spawn', 8]]))).toEqual([9, 8]);
    expect(stock(tank([['danio-margaritatus', 8, 'spawn', 0]]))).toEqual([9, 1]);
    expect(propose(sexesRemedy, tank([['betta-splendens', 2]]), 'stocking.sex-ratio:s0')).toEqual([]);
  });

  it('cover the sides a shy animal is seen from', () => {
    const vessel = { ...box(600, 400, 360), viewingSides: ['front', 'left', 'right'] as ('front' | 'left' | 'right')[] };
    const design = tank([['parosphromenus-harveyi', 2]], { vessel });
    const covered = after(design, propose(coverSidesRemedy, design, 'vessel.exposed:s0')[0]);
    expect(covered.vessel?.viewingSides).toEqual(['front']);
    expect(find(judge(covered), 'vessel.exposed:s0')).toBeUndefined();
  });

  it('make room for two that hold ground', () => {
    const design = tank([
      ['mikrogeophagus-ramirezi', 2, 'keep', 1],
      ['neolamprologus-multifasciatus', 6, 'keep', 3],
    ]);
    const larger = after(design, propose(vesselRemedy, design, 'stocking.temperament:s0:s1')[0]);
    expect(find(judge(larger), 'stocking.temperament:s0:s1')?.severity).toBe('watch');
  });
});

describe('the fan remedy', () => {
  // white clouds in a hot room: 28 to 31 °C in summer
  const hot: typeof lowBarn = {
    ...lowBarn,
    climateC: Array.from({ length: 12 }, (_, month) => (month > 4 && month < 9 ? [27, 30] : [18, 21])),
  };
  const open = (lid: 'none' | 'mesh' | 'glass') => {
    const design = tank([['tanichthys-albonubes', 10]]);
    return { ...design, vessel: { ...box(600, 300, 360), lid: { value: lid, basis: 'measured' as const } } };
  };

  it('blows over open water from just under the edge of comfort', () => {
    const [proposal] = propose(fanRemedy, open('mesh'), 'heat.too-warm:s0', hot);
    const changed = after(open('mesh'), proposal);
    const before = judge(open('mesh'), hot).derived['heat.year'].value!;
    const blown = judge(changed, hot).derived['heat.year'].value!;
    expect(before[6]![1] - blown[6]![1]).toBeGreaterThan(1);
    expect(blown[0]).toEqual(before[0]!);
  });

  it('is not offered under a closed lid', () => expect(propose(fanRemedy, open('glass'), 'heat.too-warm:s0', hot)).toEqual([]));
});

describe('the remedy of another place', () => {
  it('stands the tank out of the sun', () => {
    const design = tank([['danio-margaritatus', 10]]);
    const sunny = { ...design, vessel: { ...box(600, 300, 360), sun: { value: 'direct' as const, basis: 'measured' as const } } };
    const [proposal] = propose(placeRemedy, sunny, 'vessel.sun');
    const changed = after(sunny, proposal);
    expect(find(judge(changed), 'vessel.sun')).toBeUndefined();
  });
});
