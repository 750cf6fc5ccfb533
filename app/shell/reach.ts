import type { Router } from '@angular/router';

/** A place on a bench: its face, and the control on it. */
export interface BenchPlace {
  bench: string;
  face?: string | undefined;
  control?: string | null | undefined;
}

/** Goes to a place on a bench of a tank, and puts the focus there. */
export async function goTo(router: Router, tankId: string, { bench, face, control }: BenchPlace): Promise<void> {
  await router.navigate(['/tank', tankId, bench], { queryParams: face ? { face } : {} });
  if (control) reach(control);
}

/** Brings a control into sight and puts the focus in it, as soon as its bench is there and it can be used. */
function reach(control: string, triesLeft = 30): void {
  const place = document.querySelector<HTMLElement>(`main [data-control="${control}"]`);
  const field = place?.querySelector<HTMLElement>('input:checked, input:not([disabled]), select:not([disabled]), button:not([disabled])');
  if (!field && triesLeft > 0) {
    setTimeout(() => reach(control, triesLeft - 1), 50);
    return;
  }
  place?.scrollIntoView({ block: 'center', behavior: matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth' });
  field?.focus({ preventScroll: true });
}
