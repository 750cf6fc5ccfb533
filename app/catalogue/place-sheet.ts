import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { BASIS_WORD } from '../../core/assessment/wording';
import type { Biotope } from '../../core/catalogue/biotope';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { PARAMETER_META, PARAMETERS } from '../../core/catalogue/parameter';
import { REGIONS } from '../../core/catalogue/region';
import type { Fact } from '../../core/quantity/fact';
import { formatSpan } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { YearChart } from '../ui/year-chart';
import { UNKNOWN } from './fields';

/** A wild place as the catalogue has it: its year, its water, its bottom, who lives there. */
@Component({
  selector: 'tr-place-sheet',
  imports: [YearChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      {{ place().description }} <span class="soft">{{ place().locality.value ?? 'Where it is, is not stated' }}. {{ region() }}.</span>
    </p>
    <div class="pictures">
      <dl>
        @for (row of rows(); track row.name) {
          <dt>{{ row.name }}</dt>
          <dd>
            {{ row.text }} <span class="soft small">{{ row.basis }}</span>
          </dd>
        }
      </dl>
      <div>
        <tr-year-chart
          title="Water"
          kind="temperature"
          [spans]="place().waterC.value"
          [around]="air()"
          [bars]="place().rainMm.value"
          barTitle="Rain, mm"
        />
        @if (air()) {
          <p class="small soft">Ribbon: the water. Dashed: the air.</p>
        }
      </div>
    </div>
    <h2>Who lives there</h2>
    <ul>
      @for (one of residents(); track one.id) {
        <li>
          <button type="button" class="pick" (click)="pick.emit(one)">
            <em>{{ one.latin }}</em>
          </button>
          <span class="soft small"> {{ one.common[0] }}</span>
        </li>
      } @empty {
        <li class="soft">Nothing of the catalogue is recorded there.</li>
      }
      @for (name of place().otherTaxa ?? []; track name) {
        <li>
          <em>{{ name }}</em> <span class="soft small">not in the catalogue</span>
        </li>
      }
    </ul>
  `,
  styles: `
    .pictures {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(260px, 1fr);
      gap: 20px;
      margin: 12px 0;
    }
    h2 {
      font-size: 15px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 3px 14px;
      margin: 0;
      align-content: start;
    }
    dt {
      color: var(--soft);
    }
    dd {
      margin: 0;
    }
    ul {
      margin: 4px 0 0;
      padding: 0;
      list-style: none;
      columns: 260px 2;
    }
    li {
      min-height: 26px;
      break-inside: avoid;
    }
    @media (max-width: 719px) {
      .pictures {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class PlaceSheet {
  readonly place = input.required<Biotope>();
  readonly catalogue = input.required<Catalogue>();
  readonly pick = output<{ id: string; kind: 'animal' | 'plant' }>();
  private readonly units = inject(PreferencesStore).units;

  protected readonly air = computed(() => this.place().airC?.value?.map((c): [number, number] => [c, c]) ?? null);
  protected readonly region = computed(() => REGIONS[this.place().region].name);
  protected readonly residents = computed(() => this.place().organismIds.flatMap((id) => this.catalogue().organisms.get(id) ?? []));
  protected readonly rows = computed(() => {
    const place = this.place();
    const said = <T>(name: string, fact: Fact<T>, show: (value: T) => string = String) => ({
      name,
      text: fact.value === null ? UNKNOWN : show(fact.value),
      basis: fact.value === null ? '' : BASIS_WORD[fact.basis].split(';')[0]!.toLowerCase(),
    });
    const materials = place.materialIds.map((id) => this.catalogue().materials.get(id)?.name ?? id).join(', ');
    return [
      ...PARAMETERS.map((parameter) => {
        const { name, kind } = PARAMETER_META[parameter];
        const fact = place.water[parameter];
        return fact ? said(name, fact, (span) => formatSpan(kind, [span[0], span[1]], this.units())) : { name, text: UNKNOWN, basis: '' };
      }),
      said('Depth', place.depthM, ([low, high]) => `${low}–${high} m`),
      said('Bottom', place.bottom),
      ...(materials ? [{ name: 'Lies there', text: materials, basis: '' }] : []),
      said('Cover', place.cover),
      said('Current', place.current),
      said('Light', place.light),
    ];
  });
}
