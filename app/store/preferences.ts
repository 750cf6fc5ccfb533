import { Injectable, effect, signal } from '@angular/core';
import { RECIPE_SCHOOLS, type RecipeSchool } from '../../core/water/recipe-school';
import { METRIC, type UnitChoice } from '../../core/quantity/format';
import * as z from 'zod';

const Preferences = z.object({
  theme: z.enum(['loam', 'night']),
  school: z.enum(RECIPE_SCHOOLS).default('least-ro'),
  singleKeys: z.boolean().default(true),
  units: z.object({
    length: z.enum(['mm', 'cm', 'in']),
    volume: z.enum(['L', 'gal']),
    mass: z.enum(['kg', 'lb']).default('kg'),
    temperature: z.enum(['°C', '°F']),
    conductivity: z.union([z.literal('µS/cm'), z.object({ tdsFactor: z.number().min(0.3).max(1) })]),
    decimal: z.enum(['.', ',']).default(() => decimalOf(navigator.language)),
  }),
});

const KEY = 'terroir:preferences';

/** The decimal mark of a language: the comma, or else the point. */
export function decimalOf(language: string): ',' | '.' {
  const part = new Intl.NumberFormat(language).formatToParts(1.5).find(({ type }) => type === 'decimal');
  return part?.value === ',' ? ',' : '.';
}

function load(): { theme: 'loam' | 'night'; school: RecipeSchool; singleKeys: boolean; units: UnitChoice } {
  try {
    const parsed = Preferences.safeParse(JSON.parse(localStorage.getItem(KEY) ?? ''));
    if (parsed.success) return parsed.data;
  } catch {
    // nothing kept, or no storage: start from the defaults
  }
  const theme = matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'loam';
  return { theme, school: 'least-ro', singleKeys: true, units: { ...METRIC, decimal: decimalOf(navigator.language) } };
}

/** Theme and units: of this browser, not of a document. */
@Injectable({ providedIn: 'root' })
export class PreferencesStore {
  private readonly initial = load();
  readonly theme = signal(this.initial.theme);
  readonly units = signal<UnitChoice>(this.initial.units);
  /** How water is built up. */
  readonly school = signal<RecipeSchool>(this.initial.school);
  /** Whether a single key, with no other held down, goes to a bench: who speaks to the computer may not want that. */
  readonly singleKeys = signal(this.initial.singleKeys);

  constructor() {
    effect(() => {
      const kept = { theme: this.theme(), school: this.school(), singleKeys: this.singleKeys(), units: this.units() };
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
