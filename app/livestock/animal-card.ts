import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { worst } from '../../core/assessment/assess';
import { plannedNode } from '../../core/assessment/derive';
import { previewAnimal } from '../../core/assessment/preview';
import { rangeFor, type Animal } from '../../core/catalogue/organism';
import { inOrder } from '../../core/design/design';
import { PARAMETER_META, PARAMETERS } from '../../core/catalogue/parameter';
import type { Fact } from '../../core/quantity/fact';
import { formatQuantity, formatSpan, unitOf } from '../../core/quantity/format';
import { bodyPath, drawnSize } from '../section/silhouettes';
import { TankView } from '../store/tank-view';
import { PreferencesStore } from '../store/preferences';
import { SeverityGlyph } from '../ui/severity-glyph';
import { PurposeFields } from './purpose-fields';

/** Most kinds offered as what it may be instead. */
const MOST_OTHERS = 7;

/** One animal: its outline at adult size, what it wants to keep and to breed, how it lives. */
@Component({
  selector: 'tr-animal-card',
  imports: [RouterLink, PurposeFields, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <div>
        <h2>
          <em>{{ animal().latin }}</em>
        </h2>
        <p class="soft">{{ animal().common.join(', ') }}</p>
      </div>
      @if (outline(); as o) {
        <svg [attr.viewBox]="o.viewBox" [style.width.px]="o.width" aria-hidden="true">
          <path
            [attr.d]="o.path"
            [attr.fill]="o.fill"
            [attr.stroke]="o.mark"
            fill-rule="evenodd"
            stroke-width="0.6"
            vector-effect="non-scaling-stroke"
          />
        </svg>
      }
    </div>
    <form (submit)="$event.preventDefault(); add.emit({ count: count(), breed: breed(), orElse: [...orElse()] })">
      <tr-purpose-fields [(breed)]="breed" [(count)]="count" />
      <button class="btn primary" type="submit" [disabled]="readOnly()">
        Add {{ count() }}{{ orElse().size > 0 ? ', not identified,' : '' }} to this tank
      </button>
      <a class="small link" [routerLink]="['/room', view.room()?.id, 'catalogue']" [queryParams]="{ entry: animal().id }"
        >in the catalogue</a
      >
    </form>
    @if (others().length > 0) {
      <details class="others">
        <summary class="small">Not sure of the species?</summary>
        <p class="small soft">Tick what else it may be. It is then judged so that it is safe for any of these, until you know.</p>
        @for (other of others(); track other.id) {
          <label class="tick"
            ><input type="checkbox" [checked]="orElse().has(other.id)" (change)="toggle(other.id)" /> <em>{{ other.latin }}</em></label
          >
        }
      </details>
    }
    <table>
      <thead>
        <tr>
          <th scope="col">Parameter</th>
          <th scope="col">keeping</th>
          <th scope="col">breeding</th>
          <th scope="col">tolerated</th>
          <th scope="col">{{ hereTitle() }}</th>
          <th scope="col">basis</th>
        </tr>
      </thead>
      <tbody>
        @for (row of ranges(); track row.name) {
          <tr>
            <td>
              {{ row.name }} <span class="soft small">{{ row.unit }}</span>
            </td>
            <td>{{ row.keep }}</td>
            <td>{{ row.breed }}</td>
            <td class="soft">{{ row.survives }}</td>
            <td class="here">
              @if (row.here; as here) {
                <tr-severity [severity]="here.severity" /> {{ here.value }}
              } @else {
                <tr-severity severity="unknown" />
              }
            </td>
            <td class="soft small">{{ row.basis }}</td>
          </tr>
        }
      </tbody>
    </table>
    <dl>
      @for (row of life(); track row.name) {
        <dt>{{ row.name }}</dt>
        <dd>
          {{ row.value }}
          @if (row.note) {
            <span class="soft small">{{ row.note }}</span>
          }
        </dd>
      }
    </dl>
    @for (caution of animal().cautions ?? []; track caution) {
      <p class="caution">{{ caution }}</p>
    }
  `,
  styles: `
    .head {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 16px;
    }
    svg {
      flex: none;
      max-height: 64px;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
      margin: 10px 0 12px;
    }
    .others {
      margin: -4px 0 10px;
    }
    .tick {
      display: inline-flex;
      align-items: center;
      gap: 4px;
      min-height: var(--touch);
      margin-right: 14px;
    }
    .here {
      white-space: nowrap;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 3px 14px;
      margin: 12px 0 8px;
    }
    dt {
      color: var(--soft);
    }
    dd {
      margin: 0;
    }
    .caution {
      padding-left: 8px;
      border-left: 2px solid var(--ochre);
    }
    .caution + .caution {
      margin-top: 4px;
    }
  `,
})
export class AnimalCard {
  readonly animal = input.required<Animal>();
  readonly readOnly = input(false);
  readonly add = output<{ count: number; breed: boolean; orElse: readonly string[] }>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly view = inject(TankView);
  protected readonly count = linkedSignal(() => this.animal().traits.groupMin.value ?? 1);
  // companions are kept, the first animal is what the tank is for
  private readonly isFirst = computed(() => Object.keys(this.view.design()?.stock ?? {}).length === 0);
  protected readonly breed = linkedSignal(() => (this.animal(), false));

  /** What it may be taken for: look-alikes first, then its genus. */
  protected readonly others = computed(() => {
    const animal = this.animal();
    const genus = animal.latin.split(' ')[0]!;
    const kinds = [...(this.view.catalogue()?.organisms.values() ?? [])].filter(
      (entry): entry is Animal => entry.kind === 'animal' && entry.id !== animal.id && entry.group === animal.group,
    );
    const alike = kinds.filter(({ latin }) => animal.lookAlikes?.includes(latin));
    const kin = kinds.filter((entry) => !alike.includes(entry) && entry.latin.startsWith(`${genus} `) && !entry.strainOf);
    return [...alike, ...kin].slice(0, MOST_OTHERS);
  });
  protected readonly orElse = linkedSignal<ReadonlySet<string>>(() => (this.animal(), new Set<string>()));

  protected toggle(id: string): void {
    this.orElse.update((set) => {
      const next = new Set(set);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected readonly outline = computed(() => {
    const { sizeMm, form, bodyColours } = this.animal();
    const [length, depth] = [sizeMm.length.value, sizeMm.depth.value];
    if (!length || !depth) return null;
    const { wideMm: long, highMm: deep } = drawnSize(form, length, depth);
    const [fill = '#8a8577', mark = '#25231d'] = bodyColours.value ?? [];
    return {
      path: bodyPath(form, length, depth),
      viewBox: `-1 -1 ${long + 2} ${deep + 2}`,
      width: Math.min(190, 60 + long * 1.4, (64 * (long + 2)) / (deep + 2)),
      fill,
      mark,
    };
  });

  /** The animal alone in this tank's water and year, before it is added. */
  private readonly preview = computed(() => {
    const [design, room, catalogue] = [this.view.design(), this.view.room(), this.view.catalogue()];
    return design && room && catalogue ? previewAnimal({ design, room, catalogue }, this.animal(), this.breed() ? 'spawn' : 'keep') : null;
  });
  protected readonly hereTitle = computed(() => {
    const [design, room] = [this.view.design(), this.view.room()];
    if (!design || !room || Object.keys(design.water.parts).length > 0) return 'as planned here';
    const [first] = inOrder(room.sources);
    return first ? `here, with ${first[1].name}` : 'here';
  });

  protected readonly ranges = computed(() => {
    const animal = this.animal();
    const units = this.units();
    const preview = this.preview();
    return PARAMETERS.map((parameter) => {
      const { name, kind } = PARAMETER_META[parameter];
      const node = preview && plannedNode(preview.derived, parameter);
      const severity = preview && worst(preview.findings.filter((finding) => finding.parameter === parameter));
      const shown =
        node?.value === null || !node
          ? null
          : parameter === 'temperatureC' && node.interval
            ? formatSpan(kind, node.interval, units)
            : formatQuantity(kind, node.value, units);
      const here = severity && shown !== null ? { severity, value: withoutUnit(shown) } : null;
      const keep = rangeFor(animal, 'keep', parameter);
      const breed = rangeFor(animal, 'spawn', parameter);
      const span = (edges: readonly [number | null, number | null] | undefined) =>
        edges && edges[0] !== null && edges[1] !== null ? withoutUnit(formatSpan(kind, [edges[0], edges[1]], units)) : '○ not known';
      return {
        name,
        unit: unitOf(kind, units).unit,
        here,
        keep: span(keep?.value?.optimum),
        breed: span(breed?.value?.optimum),
        survives: span(keep?.value?.tolerance),
        basis: keep ? keep.basis : '',
      };
    });
  });

  protected readonly life = computed(() => {
    const { sizeMm, traits, origin } = this.animal();
    const units = this.units();
    const row = <T>(name: string, fact: Fact<T>, show: (value: T) => string) => ({
      name,
      value: fact.value === null ? '○ not known' : show(fact.value),
      note: fact.note ?? '',
    });
    return [
      row('Adult', sizeMm.length, (mm) => formatQuantity('length', mm, { ...units, length: units.length === 'in' ? 'in' : 'mm' })),
      row('Group', traits.groupMin, (n) => (n === 1 ? 'one or more' : `at least ${n}`)),
      row('Temperament', traits.temperament, String),
      row('Lives', traits.strata, (strata) => strata.join(', ')),
      row('Jumps', traits.jumps, (jumps) => (jumps ? 'yes: cover the tank' : 'no')),
      row('Eats', traits.diet, String),
      row('Breeds', traits.breeding.mode, String),
      row('Where', traits.breeding.site, String),
      row('Spawning trigger', traits.breeding.trigger, String),
      row('From', origin, String),
    ];
  });
}

/** The numbers of a quantity whose unit stands in the row's head. */
function withoutUnit(text: string): string {
  return text.split(' ')[0] ?? text;
}
