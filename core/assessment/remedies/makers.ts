import type { Family, FindingCode, FindingCodes } from '../../calculation/finding';
import { fertiliserRemedy } from './fertiliser';
import { flattenRemedy, wallRemedy } from './bank';
import { capRemedy, deepenRemedy, grainRemedy, matRemedy } from './bed';
import { blendRemedy } from './blend';
import { changesRemedy, feedRemedy, surfaceRemedy, topUpRemedy } from './care';
import { conditionerRemedy } from './conditioner';
import { coverRemedy, fastStemsRemedy, shadeRemedy, smallerRemedy, thinRemedy } from './cover';
import { coverSidesRemedy } from './cover-sides';
import { gearRemedy } from './gear';
import { groupRemedy } from './group';
import { growOnRemedy } from './grow-on';
import { guardRemedy } from './guard';
import { lawRemedy } from './law';
import { leavesRemedy } from './leaves';
import { lidRemedy } from './lid';
import { ballastRemedy, hidesRemedy, moveRemedy, steadyRemedy } from './pieces';
import { placeRemedy } from './place';
import { plantingRemedy } from './plants';
import { dimRemedy } from './lamps';
import { ratingRemedy } from './rating';
import { recipeRemedy } from './recipe';
import { removeRemedy } from './remove';
import { saltsRemedy } from './salts';
import { fanRemedy, setPointRemedy } from './set-point';
import { sexesRemedy } from './sexes';
import { inertRemedy, lampHoursRemedy, openLidRemedy } from './source';
import { carbonOutRemedy, leaveOutRemedy } from './treatment';
import { feedAllRemedy } from './menu';
import { plantLaterRemedy } from './start';
import { swapRemedy } from './swap';
import { vesselRemedy } from './vessel';
import type { RemedyMaker } from './remedy';

/**
 * Who puts changes forward for which finding. Apart from the domains, since judging a tank and telling of it need none of this: what a drag
 * asks for is without it, and the worker that tries changes out has it.
 */
const MAKERS: { readonly [F in Family]?: Readonly<Partial<Record<FindingCodes[F], readonly RemedyMaker[]>>> } = {
  biotope: {
    foreign: [swapRemedy],
  },
  hardscape: {
    'on-glass': [matRemedy],
    floats: [ballastRemedy],
    undermined: [steadyRemedy],
    topples: [steadyRemedy],
    outside: [moveRemedy],
    scraper: [moveRemedy],
    overlap: [moveRemedy],
    'mouth-closed': [moveRemedy],
    facing: [moveRemedy],
    hides: [hidesRemedy, coverRemedy],
  },
  plants: {
    outside: [plantingRemedy],
    buried: [plantingRemedy],
    'on-piece': [plantingRemedy],
    'no-hold': [plantingRemedy],
    'roots-reach': [thinRemedy],
    outgrows: [smallerRemedy],
    light: [thinRemedy, dimRemedy],
    algae: [lampHoursRemedy, fastStemsRemedy, dimRemedy, placeRemedy],
    closed: [thinRemedy],
    bright: [shadeRemedy, dimRemedy],
    poison: [thinRemedy],
    hungry: [fertiliserRemedy],
    'liquid-carbon': [fertiliserRemedy],
  },
  heat: {
    'too-warm': [fanRemedy, setPointRemedy, lampHoursRemedy, openLidRemedy],
    'too-cold': [setPointRemedy],
    'heater-rating': [ratingRemedy],
    'cooler-rating': [ratingRemedy],
    'stuck-heater': [gearRemedy],
  },
  stocking: {
    light: [lampHoursRemedy],
    'group-size': [groupRemedy],
    'sex-ratio': [sexesRemedy],
    escape: [guardRemedy],
    predation: [growOnRemedy, removeRemedy],
    'predation-young': [coverRemedy, removeRemedy],
    'fin-nipping': [removeRemedy],
    temperament: [vesselRemedy, removeRemedy],
    crossing: [removeRemedy],
    strata: [vesselRemedy],
    hungry: [feedAllRemedy],
  },
  substrate: {
    slope: [flattenRemedy, wallRemedy],
    step: [wallRemedy],
    cap: [capRemedy],
    depth: [deepenRemedy],
    roots: [deepenRemedy],
    'soil-share': [deepenRemedy],
    grain: [grainRemedy],
  },
  vessel: {
    lid: [lidRemedy],
    exposed: [coverSidesRemedy],
    footprint: [vesselRemedy],
    volume: [vesselRemedy],
    'not-stated': [vesselRemedy],
    space: [vesselRemedy],
    sun: [placeRemedy],
    footfall: [placeRemedy],
    load: [placeRemedy],
  },
  water: {
    parameter: [blendRemedy, saltsRemedy, recipeRemedy, inertRemedy, leavesRemedy],
    'not-stated': [blendRemedy, recipeRemedy],
    'soil-life': [inertRemedy],
    swing: [inertRemedy],
    'soil-against-lime': [inertRemedy],
    disinfectant: [conditionerRemedy],
    'conditioner-harm': [conditionerRemedy],
    copper: [conditionerRemedy],
    oxygen: [feedRemedy, surfaceRemedy, openLidRemedy],
    nitrate: [feedRemedy, changesRemedy],
    feed: [feedRemedy],
    evaporation: [topUpRemedy],
  },
  gear: {
    intake: [gearRemedy],
    capacity: [gearRemedy, feedRemedy],
    siphon: [gearRemedy],
    breathless: [gearRemedy],
    dawn: [surfaceRemedy, gearRemedy],
    'co2-night': [gearRemedy],
    'top-up': [gearRemedy],
    'bare-heater': [gearRemedy],
    scours: [gearRemedy],
    scraper: [gearRemedy],
  },
  startup: {
    'soil-moss': [plantLaterRemedy],
  },
  health: {
    'treatment-harm': [leaveOutRemedy],
    'treatment-clash': [leaveOutRemedy],
    'treatment-bound': [carbonOutRemedy],
  },
  law: {
    barred: [lawRemedy],
  },
  window: {
    clash: [removeRemedy],
  },
};

/** Those for one finding; none where nothing that can be planned helps. */
export function makersOf(code: FindingCode): readonly RemedyMaker[] {
  const dot = code.indexOf('.');
  const ofFamily: Readonly<Partial<Record<string, readonly RemedyMaker[]>>> = MAKERS[code.slice(0, dot) as Family] ?? {};
  return ofFamily[code.slice(dot + 1)] ?? [];
}
