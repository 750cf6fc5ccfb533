import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Operation } from 'rfc6902';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { OnHandKind, type OnHand, type Room } from '../../core/design/room';
import { freshId } from '../../core/design/fresh-id';
import { QuantityField } from '../ui/quantity-field';

/** What each kind of thing is usually counted in. */
const MEASURE: Readonly<Record<OnHandKind, OnHand['measure']>> = {
  animal: 'count',
  plant: 'count',
  soil: 'volume',
  media: 'volume',
  wood: 'count',
  stone: 'mass',
  salt: 'mass',
  gear: 'count',
};
const KIND_WORD: Readonly<Record<OnHandKind, string>> = {
  animal: 'animals',
  plant: 'plants',
  soil: 'soil',
  media: 'mature media',
  wood: 'wood',
  stone: 'stone',
  salt: 'salts',
  gear: 'gear',
};

/** What the room has in stock: re-use comes before buying. */
@Component({
  selector: 'tr-on-hand-editor',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Kind</th>
              <th scope="col">How much</th>
              <th scope="col">Note</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.id) {
              <tr>
                <td>
                  <input
                    class="field"
                    #name
                    maxlength="80"
                    [attr.aria-label]="'Name of ' + row.entry.name"
                    [value]="row.entry.name"
                    (change)="set(row.id, 'name', name.value)"
                  />
                </td>
                <td>{{ words[row.entry.kind] }}</td>
                <td class="amount">
                  <tr-quantity
                    [kind]="row.entry.measure"
                    [label]="'Amount of ' + row.entry.name"
                    [hideLabel]="true"
                    [limits]="[0, 10000000]"
                    [value]="row.entry.amount"
                    (quantity)="set(row.id, 'amount', $event)"
                  />
                </td>
                <td>
                  <input
                    class="field"
                    #note
                    maxlength="200"
                    placeholder="from which tank, how old"
                    [attr.aria-label]="'Note on ' + row.entry.name"
                    [value]="row.entry.note"
                    (change)="set(row.id, 'note', note.value)"
                  />
                </td>
                <td class="end">
                  <button class="btn" type="button" [attr.aria-label]="'Delete ' + row.entry.name" (click)="remove(row.id)">Delete</button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    } @else {
      <p class="soft">
        Nothing noted. Old soil, mature media, wood, plants and surplus animals are worth a line: re-use comes before buying.
      </p>
    }
    <p class="adders">
      @for (kind of kinds; track kind) {
        <button class="btn" type="button" (click)="add(kind)">Add {{ words[kind] }}</button>
      }
    </p>
  `,
  styles: `
    .amount {
      width: 130px;
    }
    .end {
      text-align: right;
    }
    .adders {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-top: 10px;
    }
  `,
})
export class OnHandEditor {
  readonly room = input.required<Room>();
  readonly patch = output<Operation[]>();
  protected readonly kinds = OnHandKind.options;
  protected readonly words = KIND_WORD;
  protected readonly rows = computed(() => inOrder(this.room().onHand).map(([id, entry]) => ({ id, entry })));

  protected add(kind: OnHandKind): void {
    const { onHand } = this.room();
    const names = new Set(Object.values(onHand).map(({ name }) => name));
    const stem = KIND_WORD[kind].charAt(0).toUpperCase() + KIND_WORD[kind].slice(1);
    let name = stem;
    for (let i = 2; names.has(name); i++) name = `${stem} ${i}`;
    const measure = MEASURE[kind];
    const value: OnHand = {
      order: nextOrder(onHand),
      kind,
      name,
      measure,
      amount: measure === 'mass' ? 1000 : 1,
      note: '',
      substance: null,
    };
    this.patch.emit([{ op: 'add', path: pointer('onHand', freshId()), value }]);
  }

  protected set(id: string, part: 'name' | 'amount' | 'note', value: string | number): void {
    const clean = typeof value === 'string' ? value.trim() : value;
    if (this.room().onHand[id]?.[part] !== clean) this.patch.emit([{ op: 'replace', path: pointer('onHand', id, part), value: clean }]);
  }

  protected remove(id: string): void {
    this.patch.emit([{ op: 'remove', path: pointer('onHand', id) }]);
  }
}
