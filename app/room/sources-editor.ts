import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { Operation } from 'rfc6902';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { WaterType } from '../../core/catalogue/water-source';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { sourceLabel, type Room, type RoomSource } from '../../core/design/room';
import { unitOf } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { QuantityField } from '../ui/quantity-field';
import { SourceReport } from './source-report';
import { READINGS, addSource, setDisinfectant, setReading, type Reading } from './source-edits';

function originOf(source: RoomSource): string {
  const bases = READINGS.map((reading) => source[reading].basis);
  if (bases.includes('measured')) return bases.every((basis) => basis === 'measured') ? 'measured' : 'partly measured';
  return bases.includes('invented') ? 'invented for the demo' : 'class figures: measure yours';
}

/** Waters at hand in the room, with their readings. */
@Component({
  selector: 'tr-sources-editor',
  imports: [NzButtonModule, QuantityField, SourceReport],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (sources().length > 0) {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Source</th>
              @for (reading of readings; track reading) {
                <th scope="col">{{ meta[reading].name === 'Conductivity' ? 'EC' : meta[reading].name }} {{ unit(reading) }}</th>
              }
              <th scope="col">Disinfectant</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (source of sources(); track source.id) {
              <tr>
                <td>
                  {{ source.name }}
                  <span class="small soft">{{ source.origin }}</span>
                </td>
                @for (reading of readings; track reading) {
                  <td class="reading">
                    <tr-quantity
                      [label]="meta[reading].name + ' of ' + source.name"
                      [hideLabel]="true"
                      [bare]="true"
                      [kind]="meta[reading].kind"
                      [limits]="meta[reading].limits"
                      [value]="source.entry[reading].value"
                      [optional]="true"
                      (quantity)="patch.emit(set(source.id, reading, $event))"
                      (cleared)="patch.emit(set(source.id, reading, null))"
                    />
                  </td>
                }
                <td>
                  <select [attr.aria-label]="'Disinfectant of ' + source.name" (change)="disinfect(source.id, $any($event.target).value)">
                    @for (option of options; track option.value) {
                      <option [value]="option.value" [selected]="option.value === (source.entry.disinfectant.value ?? '')">
                        {{ option.name }}
                      </option>
                    }
                  </select>
                </td>
                <td class="end">
                  <button
                    nz-button
                    type="button"
                    [attr.aria-expanded]="source.id === opened()"
                    [attr.aria-label]="'Report of ' + source.name"
                    (click)="opened.set(source.id === opened() ? null : source.id)"
                  >
                    Report
                  </button>
                  <button nz-button type="button" [attr.aria-label]="'Take out ' + source.name" (click)="patch.emit(out(source.id))">
                    Out
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (openedSource(); as source) {
        @defer {
          <tr-source-report [id]="source.id" [source]="source.entry" (patch)="patch.emit($event)" />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
    } @else {
      <p class="soft">No water is at hand yet. Add what comes out of your tap; then type your own readings over the class figures.</p>
    }
    <p class="add">
      <span class="soft small">Add:</span>
      @for (type of types(); track type.id) {
        <button nz-button type="button" [title]="type.note" (click)="patch.emit(add(type))">{{ type.name }}</button>
      }
    </p>
  `,
  styles: `
    .reading {
      width: 74px;
    }
    td {
      padding-inline: 3px;
    }
    td:first-child {
      line-height: 1.25;
    }
    td:first-child .small {
      display: block;
    }
    .end {
      width: 1%;
      white-space: nowrap;
    }
    .add {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px;
      margin-top: 8px;
    }
  `,
})
export class SourcesEditor {
  readonly room = input.required<Room>();
  readonly catalogue = input.required<Catalogue>();
  readonly patch = output<Operation[]>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly readings = READINGS;
  protected readonly meta = PARAMETER_META;
  protected readonly options = [
    { value: '', name: 'not stated' },
    { value: 'none', name: 'none' },
    { value: 'chlorine', name: 'chlorine' },
    { value: 'chloramine', name: 'chloramine' },
  ];
  protected readonly types = computed(() => [...this.catalogue().waters.values()]);
  protected readonly sources = computed(() =>
    inOrder(this.room().sources).map(([id, entry]) => ({
      id,
      name: sourceLabel(entry),
      entry,
      origin: originOf(entry),
    })),
  );

  /** The source whose report is open. */
  protected readonly opened = signal<string | null>(null);
  protected readonly openedSource = computed(() => this.sources().find(({ id }) => id === this.opened()));

  protected unit(reading: Reading): string {
    return unitOf(PARAMETER_META[reading].kind, this.units()).unit;
  }

  protected add(type: WaterType): Operation[] {
    return addSource(this.room(), type, crypto.randomUUID().slice(0, 8));
  }

  protected set(id: string, reading: Reading, value: number | null): Operation[] {
    return setReading(id, reading, value);
  }

  protected out(id: string): Operation[] {
    return [{ op: 'remove', path: pointer('sources', id) }];
  }

  protected disinfect(id: string, value: string): void {
    const stated = this.options.find((option) => option.value === value && value !== '')?.value as
      'none' | 'chlorine' | 'chloramine' | undefined;
    this.patch.emit(setDisinfectant(id, stated ?? null));
  }
}
