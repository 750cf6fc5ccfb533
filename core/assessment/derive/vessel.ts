import type { Catalogue } from '../../catalogue/catalogue';
import type { Design } from '../../design/design';
import { drainBack } from '../../vessel/drain-back';
import { filledMass, glassKg } from '../../vessel/filled-mass';
import { glassThicknessMm, type Edges } from '../../vessel/glass-thickness';
import type { Vessel } from '../../vessel/model';
import { surfacesOf, volumeCalculation, volumeToL } from '../../vessel/shape';
import { systemVolumeL } from '../../vessel/system-volume';
import { waterVolumeL } from '../../vessel/water-volume';
import { ASSUMED_GLASS_MM } from './assumed';
import { missing, type Definitions } from './node';

function edgesOf(vessel: Vessel): Edges {
  return vessel.rim.value === 'braced' && vessel.state.value !== 'rim-lost' ? 'four-edges' : 'free-top';
}

/** Volume of what stands in the water, litres. Bounding solids for boxes, exact for ellipsoids; embedding is not yet taken off. */
function displacedL(design: Design): number {
  let sum = 0;
  for (const item of Object.values(design.scene)) {
    if (item.kind === 'plant') continue;
    for (const { shape, sizeMm } of item.solids) {
      sum += ((shape === 'ellipsoid' ? Math.PI / 6 : 1) * sizeMm[0] * sizeMm[1] * sizeMm[2]) / 1e6;
    }
  }
  return sum;
}

/** Mass of the stone in the plan, kilograms, as far as its density is known. */
function stoneKg(design: Design, catalogue: Catalogue): number {
  let sum = 0;
  for (const { kind, classId, solids } of Object.values(design.scene)) {
    const material = kind === 'hardscape' ? catalogue.materials.get(classId) : undefined;
    if (material?.use !== 'stone') continue;
    for (const { shape, sizeMm } of solids)
      sum += (((shape === 'ellipsoid' ? Math.PI / 6 : 1) * sizeMm[0] * sizeMm[1] * sizeMm[2]) / 1e9) * (material.densityKgPerM3.value ?? 0);
  }
  return sum;
}

type VesselNodes =
  | 'vessel.gross-volume'
  | 'vessel.water-volume'
  | 'vessel.system-volume'
  | 'vessel.drain-back'
  | 'vessel.filled-mass'
  | 'vessel.glass-needed';

/** What the vessel holds, weighs and wants. */
export const vesselNodes: Pick<Definitions, VesselNodes> = {
  'vessel.gross-volume': {
    calculationId: 'vessel.box-volume',
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => {
      if (!vessel) return missing('no vessel is chosen');
      const { id, inputs } = volumeCalculation(vessel, vessel.heightMm);
      return { value: volumeToL(vessel, vessel.heightMm), calculationId: id, inputs };
    },
  },
  'vessel.water-volume': {
    calculationId: 'vessel.water-volume',
    from: [],
    reads: ({ design }) => [design.vessel, design.scene],
    compute: ({ design }) => {
      const { vessel } = design;
      if (!vessel) return missing('no vessel is chosen');
      const inputs = { spaceL: volumeToL(vessel, vessel.waterLevelMm), displacedL: displacedL(design) };
      const value = waterVolumeL(inputs.spaceL, inputs.displacedL);
      if (value <= 0) return { value: null, gap: 'outside-validity', note: 'more is displaced than the water space holds', inputs };
      return { value, inputs, note: 'The bed is not taken off yet: it often takes a fifth or more.' };
    },
  },
  'vessel.system-volume': {
    calculationId: 'vessel.system-volume',
    from: ['vessel.water-volume'],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }, up) => {
      const displayL = up['vessel.water-volume'].value;
      if (!vessel || displayL === null) return missing(up['vessel.water-volume'].note ?? 'no vessel is chosen');
      const plumbingL = Object.values(vessel.plumbing).reduce((sum, { litres }) => sum + litres, 0);
      const inputs = { displayL, sumpL: vessel.sump?.runningL ?? 0, plumbingL };
      return { value: systemVolumeL(displayL, inputs.sumpL, plumbingL), inputs, note: 'Doses, changes and heat go by this volume.' };
    },
  },
  'vessel.drain-back': {
    calculationId: 'vessel.drain-back',
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => {
      if (!vessel?.sump) return missing('there is no sump');
      const { capacityL, runningL, stopsAtMm } = vessel.sump;
      const inputs = {
        levelL: volumeToL(vessel, vessel.waterLevelMm),
        stopL: volumeToL(vessel, Math.min(stopsAtMm, vessel.waterLevelMm)),
        pipesL: Object.values(vessel.plumbing).reduce((sum, { litres, drains }) => sum + (drains ? litres : 0), 0),
        sumpFreeL: capacityL - runningL,
      };
      return { value: drainBack(inputs.levelL, inputs.stopL, inputs.pipesL, inputs.sumpFreeL), inputs };
    },
  },
  'vessel.filled-mass': {
    calculationId: 'vessel.filled-mass',
    from: ['vessel.water-volume'],
    reads: ({ design, catalogue }) => [design.vessel, design.scene, catalogue],
    compute: ({ design, catalogue }, up) => {
      const waterL = up['vessel.water-volume'].value;
      if (!design.vessel || waterL === null) return missing('no vessel is chosen');
      const glass = design.vessel.glassMm.value;
      const { baseM2 } = surfacesOf(design.vessel, design.vessel.waterLevelMm);
      const inputs = {
        waterL,
        waterKgPerL: 1,
        glassKg: glassKg(design.vessel, glass ?? ASSUMED_GLASS_MM),
        stoneKg: stoneKg(design, catalogue),
        footprintM2: baseM2,
      };
      return {
        value: filledMass(waterL, inputs.waterKgPerL, inputs.glassKg, inputs.stoneKg, baseM2),
        inputs,
        note: `Water of the vessel, its glass${glass === null ? ` (taken as ${ASSUMED_GLASS_MM} mm)` : ''} and the stone in the plan; bed, stand and sump come on top.`,
      };
    },
  },
  'vessel.glass-needed': {
    calculationId: 'vessel.glass-thickness',
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => {
      if (!vessel) return missing('no vessel is chosen');
      if (vessel.shape === 'cylinder' || vessel.shape === 'jar' || vessel.shape === 'bow-front')
        return { value: null, gap: 'outside-validity', note: 'curved glass is outside the plate theory used here' };
      const inputs = {
        lengthMm: Math.max(vessel.lengthMm, vessel.widthMm),
        heightMm: vessel.heightMm,
        edges: edgesOf(vessel),
      };
      const value = glassThicknessMm(inputs.lengthMm, inputs.heightMm, inputs.edges);
      return value === null
        ? { value: null, gap: 'outside-validity', inputs, note: 'the pane is more than twice as high as it is long' }
        : { value, inputs, note: 'Information only, never a certificate.' };
    },
  },
};
