import type { Finding } from '../../core/calculation/finding';

/** The bench and the field where a finding can be put right. */
export function controlOf({ code, bench }: Finding): { bench: string; control: string | null } {
  const at = (where: string, control: string | null = null) => ({ bench: where, control });
  switch (code) {
    case 'substrate.step':
      return at('substrate', 'zones');
    case 'substrate.not-stated':
    case 'substrate.not-known':
    case 'substrate.slope':
    case 'substrate.under':
    case 'substrate.too-high':
    case 'substrate.cap':
    case 'substrate.soil-share':
    case 'substrate.grain':
    case 'substrate.depth':
    case 'substrate.roots':
    case 'substrate.capsules':
    case 'hardscape.on-glass':
      return at('substrate', 'layers');
    case 'hardscape.hides':
    case 'hardscape.topples':
    case 'hardscape.floats':
    case 'hardscape.overlap':
    case 'hardscape.outside':
    case 'hardscape.mouth-closed':
    case 'hardscape.facing':
    case 'hardscape.sticks':
    case 'hardscape.edges':
    case 'hardscape.scraper':
    case 'hardscape.undermined':
    case 'hardscape.not-known':
    case 'hardscape.open-room':
    case 'hardscape.contrast':
      return at('hardscape', 'pieces');
    case 'hardscape.reach':
      return at('equipment', 'gear');
    case 'vessel.lid':
      return at('vessel', 'lid');
    case 'stocking.escape':
      return at('vessel', 'openings');
    case 'vessel.not-stated':
    case 'vessel.footprint':
    case 'vessel.volume':
    case 'vessel.piece-fit':
    case 'vessel.space':
      return at('vessel', 'size');
    case 'vessel.glass':
      return at('vessel', 'glass');
    case 'vessel.leak-test':
      return at('vessel', 'leak-test');
    case 'vessel.load':
      return at('vessel', 'stand');
    case 'vessel.clearance':
      return at('vessel', 'clearance');
    case 'vessel.drain-back':
      return at('vessel', 'sump');
    case 'vessel.sun':
      return at('vessel', 'sun');
    case 'vessel.footfall':
      return at('vessel', 'footfall');
    case 'vessel.exposed':
      return at('vessel', 'sides');
    case 'vessel.gear-fit':
    case 'heat.heater-rating':
    case 'heat.cooler-rating':
    case 'heat.stuck-heater':
    case 'heat.power-cut':
    case 'heat.contrary':
    case 'heat.too-cold':
    case 'heat.too-warm':
      return at('equipment', 'gear');
    case 'heat.not-stated':
      return at('equipment', 'climate');
    case 'water.conditioner-harm':
    case 'water.disinfectant':
      return at('water', 'conditioner');
    case 'water.source-questioned':
    case 'water.copper':
      return at('water', 'sources');
    case 'water.soil-life':
    case 'water.soil-against-lime':
    case 'water.material-not-known':
      return at('water', 'lying');
    case 'water.oxygen':
    case 'water.nitrate':
    case 'water.feed':
    case 'stocking.light':
    case 'water.evaporation':
      return at('care', 'routine');
    case 'water.parameter':
      return at('water', 'recipe');
    case 'stocking.not-chosen':
      return at('livestock');
    case 'stocking.temperament':
    case 'stocking.crossing':
    case 'stocking.predation':
    case 'stocking.predation-young':
    case 'stocking.fin-nipping':
    case 'window.clash':
    case 'window.strain':
      return at('stocking', 'pairs');
    case 'stocking.group-size':
    case 'stocking.sex-ratio':
    case 'stocking.strata':
      return at('stocking', 'company');
    default:
      return at(bench);
  }
}

/** Brings a control into sight and puts the focus in it, as soon as its bench is there. */
export function reach(control: string, triesLeft = 30): void {
  const place = document.querySelector<HTMLElement>(`main [data-control="${control}"]`);
  if (!place) {
    if (triesLeft > 0) setTimeout(() => reach(control, triesLeft - 1), 50);
    return;
  }
  place.scrollIntoView({ block: 'center', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' });
  const field = place.querySelector<HTMLElement>('input:checked, input:not([disabled]), select:not([disabled]), button:not([disabled])');
  field?.focus({ preventScroll: true });
}
