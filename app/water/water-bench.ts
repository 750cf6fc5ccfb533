import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { SourcesEditor } from '../parts/sources-editor';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { ChoiceField, type Choice } from '../ui/choice';
import { AnalysisFace } from './analysis-face';
import { AcclimateFace } from './acclimate-face';
import { ChangeFace } from './change-face';
import { ForecastFace } from './forecast-face';
import { Laboratory } from './laboratory';
import { Lying } from './lying';
import { Mixture } from './mixture';
import { ReadingsCard } from './readings';
import { RecipeCard } from './recipe-card';
import { WaterAxes } from './water-axes';

type Face = 'match' | 'forecast' | 'change' | 'acclimate' | 'analysis' | 'laboratory';
const FACES: readonly Choice<Face>[] = [
  { value: 'match', text: 'Match' },
  { value: 'forecast', text: 'Forecast' },
  { value: 'change', text: 'Change' },
  { value: 'acclimate', text: 'Acclimate' },
  { value: 'analysis', text: 'Analysis' },
  { value: 'laboratory', text: 'Laboratory' },
];

/** From the tap to the tank: everyone's ranges, the recipe, what moves the water, and what is dissolved in it. */
@Component({
  selector: 'tr-water-bench',
  imports: [
    SourcesEditor,
    ChoiceField,
    AcclimateFace,
    AnalysisFace,
    ChangeFace,
    ForecastFace,
    Laboratory,
    Lying,
    Mixture,
    ReadingsCard,
    RecipeCard,
    WaterAxes,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './water-bench.html',
  styleUrl: './water-bench.less',
})
export class WaterBench {
  protected readonly view = inject(TankView);
  protected readonly types = computed(() => [...(this.view.catalogue()?.waters.values() ?? [])]);
  protected readonly store = inject(TankSession);
  protected readonly faces = FACES;
  private readonly router = inject(Router);
  /** The face in the address, so that it can be linked to and comes back with the page. */
  readonly face = input<string>();
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'match');
  protected readonly sourceCount = computed(() => Object.keys(this.view.room()?.sources ?? {}).length);

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'match' ? null : face }, replaceUrl: true });
  }
}
