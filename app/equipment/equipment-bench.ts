import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceField, type Choice } from '../ui/choice';
import { CurrentFace } from './current-face';
import { DayFace } from './day-face';
import { GearFace } from './gear-face';
import { YearFace } from './year-face';

type Face = 'gear' | 'current' | 'day' | 'year';
const FACES: readonly Choice<Face>[] = [
  { value: 'gear', text: 'Gear' },
  { value: 'current', text: 'Current' },
  { value: 'day', text: 'The day' },
  { value: 'year', text: 'The year' },
];
const HINT: Readonly<Record<Face, string>> = {
  gear: 'what is plugged in, what runs through it, what it uses',
  current: 'where the water goes, and where it stands',
  day: 'light, breath and feeding, hour by hour',
  year: 'warmth by month, and what happens when something fails',
};

/** What keeps the tank alive: gear, current, its day and its year. */
@Component({
  selector: 'tr-equipment-bench',
  imports: [ChoiceField, CurrentFace, DayFace, GearFace, YearFace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './equipment-bench.html',
  styleUrl: './equipment-bench.less',
})
export class EquipmentBench {
  private readonly router = inject(Router);
  protected readonly faces = FACES;
  /** The face in the address, so that it can be linked to and comes back with the page. */
  readonly face = input<string>();
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'gear');
  protected readonly hint = computed(() => HINT[this.shown()]);

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'gear' ? null : face }, replaceUrl: true });
  }
}
