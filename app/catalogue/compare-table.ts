import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { PreferencesStore } from '../store/preferences';
import { factAt, showFact, type Field } from './fields';
import type { Item } from './shelf';

/** Up to four entries side by side, what differs marked. */
@Component({
  selector: 'tr-compare-table',
  imports: [],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="top">
      <h1>Side by side</h1>
      <label><input type="checkbox" [checked]="only()" (change)="only.set(!only())" /> only what differs</label>
    </div>
    <div class="scroll" tabindex="0" role="region" aria-label="Comparison">
      <table>
        <thead>
          <tr>
            <td></td>
            @for (item of items(); track item.id) {
              <th scope="col">
                <button type="button" class="pick" (click)="pick.emit(item.id)">
                  @if (item.latin) {
                    <em>{{ item.name }}</em>
                  } @else {
                    {{ item.name }}
                  }
                </button>
                <button class="btn out" type="button" [attr.aria-label]="'Take ' + item.name + ' out'" (click)="remove.emit(item.id)">
                  ×
                </button>
              </th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.path) {
            <tr [class.differs]="row.differs">
              <th scope="row">
                {{ row.name }}
                @if (row.differs) {
                  <span class="visually-hidden">, differs</span>
                }
              </th>
              @for (text of row.texts; track $index) {
                <td>{{ text }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    .top {
      display: flex;
      align-items: center;
      gap: 18px;
      margin-bottom: 6px;
    }
    table {
      min-width: 560px;
    }
    thead th {
      color: var(--ink);
      font-size: 14px;
      vertical-align: top;
    }
    .out {
      min-height: 22px;
      margin-left: 4px;
      padding: 0 7px;
    }
    tbody th {
      width: 130px;
      border-top: 1px solid var(--rule);
      border-left: 3px solid transparent;
    }
    .differs th {
      border-left-color: var(--ochre);
      color: var(--ink);
      font-weight: 600;
    }
    td {
      padding-block: 3px;
    }
  `,
})
export class CompareTable {
  readonly items = input.required<readonly Item[]>();
  readonly fields = input.required<readonly Field[]>();
  readonly pick = output<string>();
  readonly remove = output<string>();
  protected readonly only = signal(false);
  private readonly units = inject(PreferencesStore).units;

  protected readonly rows = computed(() =>
    this.fields()
      .map((field) => {
        const texts = this.items().map(({ entry }) => showFact(field, factAt(entry, field.path), this.units()));
        return { path: field.path, name: field.name, texts, differs: new Set(texts).size > 1 };
      })
      .filter(({ differs }) => differs || !this.only()),
  );
}
