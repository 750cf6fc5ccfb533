import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import type { WaterType } from '../../core/catalogue/water-source';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { sourceLabel, type Room, type RoomSource } from '../../core/design/room';
import { unitOf } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { QuantityField } from '../ui/quantity-field';
import { SourceReport } from './source-report';
import { READINGS, addSource, setDisinfectant, setReading, type Reading } from '../../core/design/edits/source-edits';
import { freshId } from '../../core/design/fresh-id';
import { SelectField } from '../ui/select';
import { type Choice } from '../ui/choice';

function originOf(source: RoomSource): string {
  const bases = READINGS.map((reading) => source[reading].basis);
  if (bases.includes('measured')) return bases.every((basis) => basis === 'measured') ? 'measured' : 'partly measured';
  return bases.includes('invented') ? 'invented for the demo' : 'typical values: test yours';
}

type Disinfectant = NonNullable<RoomSource['disinfectant']['value']>;

/** Waters at hand in the room, with their readings. */
@Component({
  selector: 'tr-sources-editor',
  imports: [SelectField, QuantityField, SourceReport],
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
                  <tr-select
                    [label]="'Disinfectant of ' + source.name"
                    [hideLabel]="true"
                    none="not stated"
                    [options]="options"
                    [value]="source.entry.disinfectant.value"
                    (chosen)="patch.emit(disinfect(source.id, $event))"
                  />
                </td>
                <td class="end">
                  <button
                    class="btn"
                    type="button"
                    [attr.aria-expanded]="source.id === opened()"
                    [attr.aria-label]="'Report of ' + source.name"
                    (click)="opened.set(source.id === opened() ? null : source.id)"
                  >
                    Report
                  </button>
                  <button class="btn" type="button" [attr.aria-label]="'Remove ' + source.name" (click)="patch.emit(out(source.id))">
                    Remove
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (openedSource(); as source) {
        @defer (on immediate) {
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
        <button class="btn" type="button" [title]="type.note" (click)="patch.emit(add(type))">{{ type.name }}</button>
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
  /** Kinds of water to begin from. */
  readonly types = input.required<readonly WaterType[]>();
  readonly patch = output<Operation[]>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly readings = READINGS;
  protected readonly meta = PARAMETER_META;
  protected readonly options: readonly Choice<Disinfectant>[] = [
    { value: 'none', text: 'none' },
    { value: 'chlorine', text: 'chlorine' },
    { value: 'chloramine', text: 'chloramine' },
  ];
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
    return addSource(this.room(), type, freshId());
  }

  protected set(id: string, reading: Reading, value: number | null): Operation[] {
    return setReading(id, reading, value);
  }

  protected out(id: string): Operation[] {
    return [{ op: 'remove', path: pointer('sources', id) }];
  }

  protected disinfect(id: string, stated: Disinfectant | null): Operation[] {
    return setDisinfectant(id, stated);
  }
}
