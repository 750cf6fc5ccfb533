import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Material } from '../../core/catalogue/material';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { massOf } from '../../core/hardscape/mass';
import { formatQuantity, formatSpan, rounded } from '../../core/quantity/format';
import { MEQ_PER_DEGREE_ALKALINITY } from '../../core/quantity/unit';
import { a440Of, platinumCobalt } from '../../core/water/water-colour';
import { freshId } from '../../core/design/fresh-id';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';
import { AddFrom } from '../ui/add-from';

/** What an addition begins with: litres of a bed, grams of the rest. */
const FIRST_AMOUNT: Readonly<Record<Material['use'], number>> = {
  substrate: 1,
  stone: 1000,
  wood: 500,
  botanical: 10,
  shell: 200,
  made: 500,
};
const ACTION_WORD: Readonly<Record<Material['action']['kind'], string>> = {
  none: 'leaves the water as it is',
  exchanges: 'takes up lime, holds the pH',
  dissolves: 'gives off lime',
  leaches: 'gives off tint and humic acids',
};

/** Soil, stone, wood and leaves: what lies in the water and moves it. */
@Component({
  selector: 'tr-lying',
  imports: [AddFrom, QuantityField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="lying-heading">Materials in the water</h2>
    @if (built().length > 0) {
      <p class="small">
        Built in, and counted:
        @for (line of built(); track line.name) {
          <a class="pick" [routerLink]="['/tank', view.design()?.id, line.bench]">{{ line.name }}</a>{{ $last ? '.' : ', ' }}
        }
      </p>
    }
    @if (rows().length > 0) {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Material</th>
              <th scope="col">Amount</th>
              <th scope="col">Used up</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.id) {
              <tr>
                <td>
                  {{ row.name }} <span class="small soft block">{{ row.does }}</span>
                </td>
                <td class="field">
                  <tr-quantity
                    [label]="'Amount of ' + row.name"
                    [hideLabel]="true"
                    [kind]="row.kind"
                    [inUnit]="row.kind === 'mass' ? 'g' : null"
                    [limits]="[0.1, 1000000]"
                    [value]="row.amount"
                    [disabled]="!!readOnly()"
                    (quantity)="set(row.id, 'amount', $event)"
                  />
                </td>
                <td class="field">
                  @if (row.wears) {
                    <tr-quantity
                      [label]="'Share of its strength gone, ' + row.name"
                      [hideLabel]="true"
                      kind="fraction"
                      [value]="row.spent"
                      [disabled]="!!readOnly()"
                      (quantity)="set(row.id, 'spent', $event)"
                    />
                  }
                </td>
                <td class="end">
                  <button
                    class="btn"
                    type="button"
                    [attr.aria-label]="'Remove ' + row.name"
                    [disabled]="readOnly()"
                    (click)="remove(row.id)"
                  >
                    Remove
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <ul>
        @for (line of effects(); track line.text) {
          <li>
            <button type="button" class="pick" (click)="why.node(line.node)">{{ line.text }}</button>
          </li>
        }
      </ul>
    } @else {
      <p class="soft small">
        Nothing loose. Leaves and cones, a bag of coral in the filter, stones without a place of their own go here; the bed and the pieces
        have their benches.
      </p>
    }
    <div class="adders">
      <tr-add-from label="Put in" none="a material …" [options]="groups()" [disabled]="readOnly()" (added)="add($event)" />
      <tr-quantity
        label="Organic carbon, if you measured it"
        kind="concentration"
        [limits]="[0, 200]"
        [value]="measured()"
        [disabled]="!!readOnly()"
        [optional]="true"
        (quantity)="measure($event)"
        (cleared)="measure(null)"
      />
      @if (measured() !== null) {
        <button class="btn" type="button" [disabled]="readOnly()" (click)="measure(null)">Back to the estimate</button>
      }
    </div>
  `,
  styles: `
    h2 {
      margin-bottom: 4px;
    }
    .block {
      display: block;
    }
    .field {
      width: 112px;
    }
    .end {
      width: 1%;
    }
    ul {
      margin: 8px 0;
      padding-left: 18px;
    }
    .adders {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 14px;
      margin-top: 8px;
      label {
        display: grid;
        gap: 2px;
      }
      tr-quantity {
        width: 220px;
      }
    }
  `,
})
export class Lying {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly why = inject(Why);
  protected readonly readOnly = this.view.readOnly;
  protected readonly measured = computed(() => this.view.design()?.water.organicCarbonMgPerL.value ?? null);

  protected readonly rows = computed(() =>
    inOrder(this.view.design()?.water.additions ?? {}).map(([id, { materialId, amount, spent }]) => {
      const material = this.view.catalogue()?.materials.get(materialId);
      const action = material?.action.kind ?? 'none';
      return {
        id,
        name: material?.name ?? materialId,
        does: material ? ACTION_WORD[action] : 'not in the catalogue: not counted',
        kind: material?.use === 'substrate' ? ('volume' as const) : ('mass' as const),
        amount,
        spent,
        wears: action === 'exchanges' || action === 'leaches',
      };
    }),
  );

  /** Layers of the bed and pieces that act on the water, each with its amount. */
  protected readonly built = computed(() => {
    const derived = this.view.derived();
    const catalogue = this.view.catalogue();
    const units = this.units();
    if (!derived || !catalogue) return [];
    const bed = (derived['substrate.bed'].value?.layers ?? []).flatMap(({ material, litres }) =>
      material && material.action.kind !== 'none'
        ? [{ name: `${material.name.toLowerCase()} ${formatQuantity('volume', litres, units)}`, bench: 'substrate' }]
        : [],
    );
    const grams = new Map<string, number>();
    for (const piece of derived['scene.pieces'].value ?? []) {
      const material = piece.item.materialId === null ? undefined : catalogue.materials.get(piece.item.materialId);
      const mass = massOf(piece, catalogue);
      if (material && mass && material.action.kind !== 'none') grams.set(material.name, (grams.get(material.name) ?? 0) + mass.kg * 1000);
    }
    const pieces = [...grams].map(([name, g]) => ({
      name: `${name.toLowerCase()} ${formatQuantity('mass', g, units)}`,
      bench: 'hardscape',
    }));
    return [...bed, ...pieces];
  });

  protected readonly groups = computed(() => {
    const there = new Set(Object.values(this.view.design()?.water.additions ?? {}).map(({ materialId }) => materialId));
    const all = [...(this.view.catalogue()?.materials.values() ?? [])].filter(({ id }) => !there.has(id));
    return (
      [
        ['Beds, in a bag', 'substrate'],
        ['Stone', 'stone'],
        ['Wood', 'wood'],
        ['Leaves and cones', 'botanical'],
        ['Shells', 'shell'],
      ] as const
    ).flatMap(([group, use]) => all.filter((material) => material.use === use).map(({ id, name }) => ({ value: id, text: name, group })));
  });

  /** What comes of it all; each line opens its computation. */
  protected readonly effects = computed(() => {
    const derived = this.view.derived();
    const units = this.units();
    if (!derived) return [];
    const soil = derived['water.soil'].value;
    const lime = derived['water.lime'].value;
    const carbon = derived['water.organic-carbon'];
    return [
      ...(soil
        ? [
            {
              node: 'water.soil' as const,
              text:
                soil.weeksLeft === null
                  ? `Soil holds pH ${rounded(soil.setPh, 1, this.units())} and is not used up by this water`
                  : `Soil takes ${formatQuantity('alkalinity', soil.takenMeqPerL / MEQ_PER_DEGREE_ALKALINITY, units)} and lasts about ${Math.round(soil.weeksLeft)} weeks`,
            },
          ]
        : []),
      ...(lime
        ? [
            {
              node: 'water.lime' as const,
              text: `Lime adds ${formatSpan('alkalinity', [(2 * lime.band[0]) / MEQ_PER_DEGREE_ALKALINITY, (2 * lime.band[1]) / MEQ_PER_DEGREE_ALKALINITY], units)} and as much GH`,
            },
          ]
        : []),
      ...(carbon.value !== null && carbon.value > 0.05
        ? [
            {
              node: 'water.organic-carbon' as const,
              text: `Organic carbon ${carbon.interval ? formatSpan('concentration', carbon.interval, units) : formatQuantity('concentration', carbon.value, units)}, about ${Math.round(platinumCobalt(a440Of(carbon.value)))} mg Pt/L of colour`,
            },
          ]
        : []),
    ];
  });

  protected add(materialId: string): void {
    const material = this.view.catalogue()?.materials.get(materialId);
    const additions = this.view.design()?.water.additions ?? {};
    if (!material) return;
    const id = Object.hasOwn(additions, material.id) ? freshId() : material.id;
    const value = { order: nextOrder(additions), materialId: material.id, amount: FIRST_AMOUNT[material.use], spent: 0 };
    this.store.edit(`Put in ${material.name.toLowerCase()}`, [{ op: 'add', path: pointer('water', 'additions', id), value }]);
  }

  protected set(id: string, part: 'amount' | 'spent', value: number): void {
    this.store.edit('Materials in the water', [{ op: 'replace', path: pointer('water', 'additions', id, part), value }]);
  }

  protected remove(id: string): void {
    this.store.edit('Remove from the water', [{ op: 'remove', path: pointer('water', 'additions', id) }]);
  }

  protected measure(value: number | null): void {
    this.store.edit('Organic carbon', [
      { op: 'replace', path: pointer('water', 'organicCarbonMgPerL'), value: { value, basis: 'measured' } },
    ]);
  }
}
