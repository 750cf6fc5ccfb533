import { Injectable, effect, signal } from '@angular/core';
import { RECIPE_SCHOOLS, type RecipeSchool } from '../../core/assessment/recipe-plan';
import { METRIC, type UnitChoice } from '../../core/quantity/format';
import * as z from 'zod';

const Preferences = z.object({
  theme: z.enum(['loam', 'night']),
  school: z.enum(RECIPE_SCHOOLS).default('least-ro'),
  units: z.object({
    length: z.enum(['mm', 'cm', 'in']),
    volume: z.enum(['L', 'gal']),
    mass: z.enum(['kg', 'lb']).default('kg'),
    temperature: z.enum(['°C', '°F']),
    conductivity: z.union([z.literal('µS/cm'), z.object({ tdsFactor: z.number().min(0.3).max(1) })]),
  }),
});

const KEY = 'terroir:preferences';

function load(): { theme: 'loam' | 'night'; school: RecipeSchool; units: UnitChoice } {
  try {
    const parsed = Preferences.safeParse(JSON.parse(localStorage.getItem(KEY) ?? ''));
    if (parsed.success) return parsed.data;
  } catch {
    // nothing kept, or no storage: start from the defaults
  }
  return { theme: matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'loam', school: 'least-ro', units: METRIC };
}

/** Theme and units: of this browser, not of a document. */
@Injectable({ providedIn: 'root' })
export class PreferencesStore {
  private readonly initial = load();
  readonly theme = signal(this.initial.theme);
  readonly units = signal<UnitChoice>(this.initial.units);
  /** How water is built up. */
  readonly school = signal<RecipeSchool>(this.initial.school);

  constructor() {
    effect(() => {
      const kept = { theme: this.theme(), school: this.school(), units: this.units() };
      applyTheme(kept.theme);
      try {
        localStorage.setItem(KEY, JSON.stringify(kept));
      } catch {
        // a browser without storage forgets the choice; nothing else depends on it
      }
    });
  }

  toggleTheme(): void {
    this.theme.update((theme) => (theme === 'loam' ? 'night' : 'loam'));
  }

  setUnit<K extends keyof UnitChoice>(kind: K, unit: UnitChoice[K]): void {
    this.units.update((units) => ({ ...units, [kind]: unit }));
  }
}

/** The night sheet of the widgets is a file of its own, linked right after the main one. */
function applyTheme(theme: 'loam' | 'night'): void {
  document.documentElement.dataset['theme'] = theme;
  const id = 'zorro-night';
  const present = document.getElementById(id);
  if (theme === 'loam') {
    present?.remove();
    return;
  }
  if (present) return;
  const link = document.createElement('link');
  link.id = id;
  link.rel = 'stylesheet';
  link.href = 'zorro-night.css';
  const main = document.head.querySelector('link[rel="stylesheet"]');
  if (main) main.after(link);
  else document.head.append(link);
}
