import type { Finding, FindingCode } from '../calculation/finding';

/** What a finding means for those it is about, gravest first. */
export const GRAVITIES = ['death', 'loss', 'stress', 'taste'] as const;
/** Certain death, likely loss, stress that wears, a matter of taste or looks. */
export type Gravity = (typeof GRAVITIES)[number];

/** By code: as a conflict, and as a watch. */
const BY_CODE: Readonly<Partial<Record<FindingCode, readonly [conflict: Gravity, watch: Gravity]>>> = {
  'gear.intake': ['loss', 'loss'],
  'gear.capacity': ['death', 'loss'],
  'gear.siphon': ['loss', 'loss'],
  'gear.reach': ['loss', 'loss'],
  'gear.breathless': ['loss', 'loss'],
  'gear.dawn': ['death', 'loss'],
  'gear.co2-night': ['loss', 'loss'],
  'gear.top-up': ['loss', 'loss'],
  'gear.bare-heater': ['loss', 'loss'],
  'gear.scours': ['stress', 'stress'],
  'gear.scraper': ['taste', 'taste'],
  'water.disinfectant': ['death', 'stress'],
  'water.oxygen': ['death', 'loss'],
  'water.copper': ['death', 'loss'],
  'water.conditioner-harm': ['death', 'loss'],
  'water.co2': ['death', 'loss'],
  'water.parameter': ['death', 'stress'],
  'water.salinity-acclimation': ['death', 'loss'],
  'water.nitrate': ['stress', 'stress'],
  'water.feed': ['death', 'stress'],
  'water.swing': ['stress', 'stress'],
  'water.evaporation': ['loss', 'stress'],
  'water.soil-life': ['loss', 'stress'],
  'water.soil-against-lime': ['stress', 'stress'],
  'water.lime-settles': ['taste', 'taste'],
  'water.source-questioned': ['stress', 'taste'],
  'water.conductivity-contradiction': ['taste', 'taste'],
  'heat.too-warm': ['death', 'stress'],
  'heat.too-cold': ['death', 'stress'],
  'heat.contrary': ['stress', 'stress'],
  'heat.heater-rating': ['loss', 'taste'],
  'heat.cooler-rating': ['loss', 'taste'],
  'heat.stuck-heater': ['loss', 'loss'],
  'heat.power-cut': ['loss', 'loss'],
  'window.clash': ['death', 'stress'],
  'window.strain': ['stress', 'stress'],
  'vessel.leak-test': ['death', 'loss'],
  'vessel.drain-back': ['loss', 'loss'],
  'vessel.lid': ['death', 'loss'],
  'vessel.depth': ['loss', 'stress'],
  'vessel.footprint': ['loss', 'stress'],
  'vessel.volume': ['loss', 'stress'],
  'vessel.space': ['loss', 'loss'],
  'vessel.load': ['loss', 'loss'],
  'vessel.glass': ['loss', 'loss'],
  'vessel.exposed': ['stress', 'stress'],
  'vessel.footfall': ['stress', 'stress'],
  'vessel.sun': ['taste', 'taste'],
  'substrate.grain': ['death', 'stress'],
  'substrate.cap': ['loss', 'loss'],
  'substrate.slope': ['stress', 'taste'],
  'substrate.depth': ['stress', 'stress'],
  'hardscape.topples': ['loss', 'loss'],
  'hardscape.undermined': ['loss', 'loss'],
  'hardscape.sticks': ['loss', 'loss'],
  'hardscape.edges': ['stress', 'stress'],
  'hardscape.hides': ['stress', 'stress'],
  'hardscape.contrast': ['taste', 'taste'],
  'hardscape.scraper': ['taste', 'taste'],
  'stocking.predation': ['death', 'loss'],
  'stocking.predation-young': ['loss', 'taste'],
  'stocking.feeding': ['death', 'loss'],
  'stocking.fin-nipping': ['loss', 'stress'],
  'stocking.temperament': ['loss', 'stress'],
  'stocking.sex-ratio': ['loss', 'stress'],
  'stocking.crossing': ['loss', 'taste'],
  'stocking.group-size': ['stress', 'stress'],
  'stocking.escape': ['death', 'loss'],
  'stocking.stings': ['loss', 'loss'],
  'stocking.plant-damage': ['taste', 'taste'],
  'stocking.current': ['stress', 'stress'],
  'stocking.diet': ['loss', 'loss'],
  'stocking.light': ['death', 'stress'],
  'stocking.handling': ['death', 'loss'],
  'stocking.slime': ['death', 'loss'],
  'stocking.hungry': ['death', 'stress'],
  'startup.too-soon': ['death', 'loss'],
  'startup.at-once': ['loss', 'loss'],
  'startup.outgrown': ['death', 'loss'],
  'startup.soil-moss': ['loss', 'loss'],
  'health.contact': ['death', 'loss'],
  'health.arrival': ['loss', 'loss'],
  'health.treatment-harm': ['death', 'loss'],
  'health.treatment-bound': ['loss', 'stress'],
  'health.treatment-filter': ['loss', 'loss'],
  'health.treatment-clash': ['death', 'loss'],
  'stocking.strata': ['stress', 'stress'],
};

const aboutPlant = ({ kind }: Finding): boolean => kind?.startsWith('plant:') ?? false;

/** How grave a finding is; what is said of a plant is never worse than its loss, and a place's truth is taste. */
export function gravityOf(finding: Finding): Gravity {
  if (finding.code.startsWith('biotope.')) return 'taste';
  // wrong hardness and pH wear animals away; wrong salt and warmth kill them
  if (finding.code === 'water.parameter' && finding.severity === 'conflict' && finding.parameter !== 'salinity')
    return aboutPlant(finding) ? 'taste' : 'loss';
  const [conflict, watch] = BY_CODE[finding.code] ?? (['stress', 'taste'] as const);
  const gravity = finding.severity === 'conflict' ? conflict : watch;
  if (!aboutPlant(finding)) return gravity;
  return finding.severity === 'conflict' ? 'loss' : 'taste';
}

/** 0 for certain death, higher for less. */
export const gravityRank = (gravity: Gravity): number => GRAVITIES.indexOf(gravity);
