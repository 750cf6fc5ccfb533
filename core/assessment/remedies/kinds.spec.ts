import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import { box, find, judge, lowBarn, tank, weedyThicket } from '../../testing/tanks';
import { STOCK_SIZES_MM } from '../../vessel/stock-sizes';
import { bestBlend, blendRemedy } from './blend';
import { groupRemedy } from './group';
import { lidRemedy } from './lid';
import type { Proposal, RemedyMaker } from './remedy';
import { removeRemedy } from './remove';
import { setPointRemedy } from './set-point';
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
      order: 1,
      kind: 'heater',
      setPointC: 22,
      powerW: null,
      sizeMm: null,
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
    expect(after(design, propose(vesselRemedy, design, 'vessel.not-stated')[0]).vessel?.lengthMm).toBe(450);
    const nobody = tank([], { vessel: null });
    expect(propose(vesselRemedy, nobody, 'vessel.not-stated')).toEqual([]);
  });

  it('says nothing when no usual box is enough', () => {
    const design = tank([['puntigrus-tetrazona', 400]], { vessel: box(400, 250, 250) });
    expect(propose(vesselRemedy, design, 'vessel.volume:s0')).toEqual([]);
  });
});

describe('the last resort', () => {
  it('takes a plant out with all of its kind', () => {
    const plant = {
      order: 50,
      kind: 'plant' as const,
      classId: 'cryptocoryne-cordata',
      solids: [],
      positionMm: [0, 0, 0] as [number, number, number],
      turnDeg: [0, 0, 0] as [number, number, number],
      embedMm: 0,
    };
    const planted = tank([['danio-erythromicron', 8]]);
    const both: Design = {
      ...planted,
      scene: { a: plant, b: { ...plant, order: 51 } },
      stock: { s0: { ...planted.stock['s0']!, organismId: 'pterapogon-kauderni' } },
    };
    const assessment = judge(both);
    const clash = assessment.findings.find(({ code }) => code === 'window.clash');
    if (!clash) return fail('these ranges were thought not to meet');
    const changed = after(both, removeRemedy(assessment, clash)[0]);
    expect(changed.scene).toEqual({});
  });

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
    const parts = bestBlend(judge(tank([['danio-margaritatus', 8]])))!.parts;
    const ro = parts.find(({ id }) => id === 'ro')?.share ?? 0;
    expect(ro).toBeGreaterThan(0);
    expect(ro).toBeLessThan(0.6);
  });
});
