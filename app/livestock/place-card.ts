import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { BASIS_WORD } from '../../core/assessment/wording';
import type { Biotope } from '../../core/catalogue/biotope';
import { rangeFor, type Animal } from '../../core/catalogue/organism';
import { PARAMETER_META, type Parameter } from '../../core/catalogue/parameter';
import { formatNumber, formatQuantity, formatSpan } from '../../core/quantity/format';
import { habitPath } from '../section/plant-forms';
import { steady } from '../section/steady';
import { TankView } from '../store/tank-view';
import { PreferencesStore } from '../store/preferences';
import { YearChart } from '../ui/year-chart';
import { PurposeFields } from './purpose-fields';

const COLUMNS: readonly Parameter[] = ['temperatureC', 'ph', 'ghDh'];

/** A wild place: its small section, its year, who lives there. */
@Component({
  selector: 'tr-place-card',
  imports: [PurposeFields, YearChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>{{ place().name }}</h2>
    <p>
      {{ place().description }} <span class="soft small">{{ place().locality.value }}. {{ basis() }}.</span>
    </p>
    <div class="pictures">
      <figure>
        <svg viewBox="0 0 250 150" aria-hidden="true">
          <rect width="250" height="150" fill="var(--paper)" />
          <rect y="26" width="250" height="124" [attr.fill]="place().waterColour" opacity="0.5" />
          <path d="M0 26H250" stroke="var(--water)" stroke-width="1.5" />
          @for (plant of plants(); track $index) {
            <g
              fill="none"
              stroke="#4d7a4a"
              stroke-width="2"
              stroke-linecap="round"
              [attr.transform]="'translate(' + plant.x + ' ' + plant.y + ') scale(1 -1)'"
            >
              <path [attr.d]="plant.path" />
            </g>
          }
          <path [attr.fill]="bottomColour()" d="M0 124Q60 116 120 122T250 118V150H0Z" />
        </svg>
        <figcaption class="small soft">{{ scene() }}</figcaption>
      </figure>
      <div>
        <tr-year-chart
          title="Water"
          kind="temperature"
          [spans]="place().waterC.value"
          [around]="tankYear()"
          [bars]="place().rainMm.value"
          barTitle="Rain, mm"
        />
        @if (tankYear()) {
          <p class="small soft">Dashed: this tank through its year, as planned.</p>
        }
      </div>
    </div>
    <p class="small">
      <strong>Its water</strong>&ngsp;<span class="soft">{{ water() }}</span>
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">Who lives there</th>
          <th scope="col">adult</th>
          @for (column of columns; track column.name) {
            <th scope="col">{{ column.name }}</th>
          }
          <th scope="col"><span class="visually-hidden">Actions</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of residents(); track row.id) {
          <tr [class.chosen]="row.id === chosenId()">
            <td>
              @if (row.animal) {
                <button type="button" class="pick" [attr.aria-pressed]="row.id === chosenId()" (click)="chosenId.set(row.id)">
                  <em>{{ row.latin }}</em>
                </button>
              } @else {
                <em>{{ row.latin }}</em>
              }
            </td>
            <td>{{ row.adult }}</td>
            @for (range of row.ranges; track $index) {
              <td>{{ range }}</td>
            }
            <td class="end">
              @if (!row.animal) {
                <button
                  class="btn"
                  type="button"
                  [disabled]="readOnly()"
                  [attr.aria-label]="'Plant one ' + row.latin"
                  (click)="plant.emit(row.id)"
                >
                  Plant one
                </button>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (chosen(); as animal) {
      <form (submit)="$event.preventDefault(); build.emit({ animal, count: count(), breed: breed() })">
        <button class="btn primary" type="submit" [disabled]="readOnly()">
          Build for <em>&nbsp;{{ animal.latin }}</em>
        </button>
        <tr-purpose-fields [(breed)]="breed" [(count)]="count" />
      </form>
    }
  `,
  styles: `
    .pictures {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 18px;
      margin: 10px 0;
    }
    figure {
      margin: 0;
    }
    figure svg {
      display: block;
      width: 100%;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
      margin-top: 10px;
    }
    .chosen td {
      background: var(--band);
    }
    .end {
      width: 1%;
    }
  `,
})
export class PlaceCard {
  readonly place = input.required<Biotope>();
  readonly readOnly = input(false);
  readonly build = output<{ animal: Animal; count: number; breed: boolean }>();
  readonly plant = output<string>();
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly columns = COLUMNS.map((parameter) => PARAMETER_META[parameter]);

  private readonly organisms = computed(() => {
    const catalogue = this.view.catalogue();
    return this.place().organismIds.flatMap((id) => catalogue?.organisms.get(id) ?? []);
  });
  protected readonly chosenId = linkedSignal<string | null>(() => this.organisms().find(({ kind }) => kind === 'animal')?.id ?? null);
  protected readonly chosen = computed(
    () => this.organisms().find((entry): entry is Animal => entry.kind === 'animal' && entry.id === this.chosenId()) ?? null,
  );
  protected readonly count = linkedSignal(() => this.chosen()?.traits.groupMin.value ?? 1);
  protected readonly breed = linkedSignal(() => (this.chosen(), false));

  /** The year of the tank as it is planned, to be held against the place's. */
  protected readonly tankYear = computed(() =>
    this.view.design()?.vessel ? (this.view.told()?.derived['heat.year'].value ?? null) : null,
  );

  protected readonly basis = computed(() => BASIS_WORD[this.place().waterC.basis]);

  protected readonly residents = computed(() =>
    this.organisms().map((entry) => ({
      id: entry.id,
      latin: entry.latin,
      animal: entry.kind === 'animal',
      adult:
        entry.kind === 'plant'
          ? 'plant'
          : entry.sizeMm.length.value === null
            ? '○'
            : formatQuantity('length', entry.sizeMm.length.value, { ...this.units(), length: this.units().length === 'in' ? 'in' : 'mm' }),
      ranges: COLUMNS.map((parameter) => {
        const span = rangeFor(entry, entry.kind === 'animal' ? 'spawn' : 'keep', parameter)?.value?.optimum;
        return span && span[0] !== null && span[1] !== null
          ? formatSpan(PARAMETER_META[parameter].kind, [span[0], span[1]], this.units())
          : '○';
      }),
    })),
  );

  protected readonly scene = computed(() => {
    const { depthM, bottom, cover, current, light } = this.place();
    const depth = depthM.value
      ? `${formatNumber('length', depthM.value[0] * 1000, { ...this.units(), length: 'cm' })}–${formatNumber('length', depthM.value[1] * 1000, { ...this.units(), length: 'cm' })} cm deep`
      : 'depth not known';
    return (
      [
        depth,
        bottom.value,
        cover.value && `cover: ${cover.value}`,
        current.value && `current: ${current.value}`,
        light.value && `light: ${light.value}`,
      ]
        .filter(Boolean)
        .join('; ') + '. A sketch, not to scale.'
    );
  });

  protected readonly water = computed(() =>
    (['ph', 'ghDh', 'khDh', 'ec25UsPerCm', 'salinity'] as const)
      .flatMap((parameter) => {
        const span = this.place().water[parameter]?.value;
        const { name, kind } = PARAMETER_META[parameter];
        return span ? [`${name} ${formatSpan(kind, [span[0], span[1]], this.units())}`] : [];
      })
      .join(' · '),
  );

  protected readonly bottomColour = computed(
    () => this.view.catalogue()?.materials.get(this.place().materialIds[0] ?? '')?.colour ?? '#d9c28d',
  );

  protected readonly plants = computed(() => {
    const kinds = this.organisms().filter((entry) => entry.kind === 'plant');
    return kinds.flatMap((entry, k) =>
      Array.from({ length: 7 }, (_, i) => {
        const height = entry.form === 'stem' ? 60 + 36 * steady(entry.id, i) : 34 + 20 * steady(entry.id, i);
        return {
          x: Math.round(12 + ((i + 0.5 * k + 0.3 * steady(entry.id, i + 9)) / 7) * 230),
          y: 122,
          path: habitPath(entry, { heightMm: height, widthMm: entry.form === 'stem' ? 22 : 44 }, [0, 0], (n) =>
            steady(entry.id, n + i * 31),
          ),
        };
      }),
    );
  });
}
