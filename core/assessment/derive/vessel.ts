import type { Catalogue } from '../../catalogue/catalogue';
import { drainBack } from '../../vessel/drain-back';
import { filledMass, glassKg } from '../../vessel/filled-mass';
import { glassThicknessMm, type Edges } from '../../vessel/glass-thickness';
import type { Vessel } from '../../vessel/model';
import { surfacesOf, volumeCalculation, volumeToL } from '../../vessel/shape';
import { systemVolumeL } from '../../vessel/system-volume';
import { waterVolumeL } from '../../vessel/water-volume';
import { ASSUMED_GLASS_MM } from './assumed';
import { massOf } from '../../hardscape/mass';
import { missing, type Definitions, type Derived } from './node';

function edgesOf(vessel: Vessel): Edges {
  // a glued frame holds the upper edge as braces do
  const held = vessel.rim.value === 'braced' || vessel.rim.value === 'rim';
  return held && vessel.state.value !== 'rim-lost' ? 'four-edges' : 'free-top';
}

/** Mass of the bed and of what stands on it, kilograms, as far as densities are known. */
function solidsKg(up: Derived, catalogue: Catalogue): number {
  const pieces = (up['scene.pieces'].value ?? []).reduce((sum, piece) => sum + (massOf(piece, catalogue)?.kg ?? 0), 0);
  return pieces + (up['substrate.bed'].value?.kg ?? 0);
}

/** Rounded to a step of 1, 2 or 5 that is no larger than asked: a piece that is only moved about leaves the water as it was. */
function inSteps(value: number, most: number): number {
  const power = 10 ** Math.floor(Math.log10(most));
  const step = (most >= 5 * power ? 5 : most >= 2 * power ? 2 : 1) * power;
  return Number((Math.round(value / step) * step).toFixed(6));
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
    from: ['scene.occupancy', 'substrate.bed'],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }, up) => {
      const occupancy = up['scene.occupancy'].value;
      const bed = up['substrate.bed'].value;
      if (!vessel || !occupancy || !bed) return missing('no vessel is chosen');
      const spaceL = volumeToL(vessel, vessel.waterLevelMm);
      const inputs = { spaceL, displacedL: inSteps(occupancy.inWaterL + bed.grainL, spaceL / 2000) };
      const value = waterVolumeL(inputs.spaceL, inputs.displacedL);
      if (value <= 0) return { value: null, gap: 'outside-validity', note: 'more is displaced than the water space holds', inputs };
      return { value, inputs, note: 'Pieces and the grains of the bed are taken off; the pores of the bed hold water and count.' };
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
    from: ['vessel.water-volume', 'scene.pieces', 'substrate.bed'],
    reads: ({ design, catalogue }) => [design.vessel, catalogue],
    compute: ({ design, catalogue }, up) => {
      const waterL = up['vessel.water-volume'].value;
      if (!design.vessel || waterL === null) return missing('no vessel is chosen');
      const glass = design.vessel.glassMm.value;
      const { baseM2 } = surfacesOf(design.vessel, design.vessel.waterLevelMm);
      const inputs = {
        waterL,
        waterKgPerL: 1,
        glassKg: glassKg(design.vessel, glass ?? ASSUMED_GLASS_MM),
        stoneKg: solidsKg(up, catalogue),
        footprintM2: baseM2,
      };
      return {
        value: filledMass(waterL, inputs.waterKgPerL, inputs.glassKg, inputs.stoneKg, baseM2),
        inputs,
        note: `Water of the vessel, its glass${glass === null ? ` (taken as ${ASSUMED_GLASS_MM} mm)` : ''} bed and hardscape; stand and sump come on top.`,
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
