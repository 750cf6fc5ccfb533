import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { KIT_WORD } from '../../core/assessment/wording/log';
import { inOrder } from '../../core/design/design';
import { addKit, calibrated, dropKit } from '../../core/design/edits/kit-edits';
import { rounded } from '../../core/quantity/format';
import { Kit, kitStateOn, RoomKit } from '../../core/reading/doubt';
import { LOGGED_PARAMETERS, PARAMETER_META, type LoggedParameter } from '../../core/reading/parameter';
import { dayOf } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { ChoiceField, type Choice } from '../ui/choice';
import { datedDay } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

/** What the room tests with: each kit's step, error, date and calibration, by which its readings are ranges. */
@Component({
  selector: 'tr-kits-card',
  imports: [ChoiceField, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="kits-heading">Kits and meters</h2>
    @if (rows().length === 0) {
      <p class="soft small">
        No kit of this room is named yet: readings are taken to be as far off as such kits usually are. Name yours, and each reading is a
        range by its own step, error and date.
      </p>
    } @else {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Kit</th>
              <th scope="col">Reads</th>
              <th scope="col">Step or error</th>
              <th scope="col">Good until</th>
              <th scope="col">Calibrated</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.id) {
              <tr [attr.data-kit]="row.id">
                <th scope="row">
                  <strong>{{ row.name }}</strong><br /><span class="soft">{{ row.kind }}</span>
                </th>
                <td>{{ row.reads }}</td>
                <td>{{ row.off }}</td>
                <td [class.due]="row.expired">{{ row.until }}</td>
                <td [class.due]="row.overdue">
                  {{ row.calibrated }}
                  @if (row.meter) {
                    &ngsp;<button
                      class="pick small"
                      type="button"
                      [disabled]="locked()"
                      [attr.aria-label]="'Calibrated today: ' + row.name"
                      (click)="calibrate(row.id, row.name)"
                    >
                      today
                    </button>
                  }
                </td>
                <td class="end">
                  <button
                    class="pick small"
                    type="button"
                    [disabled]="locked()"
                    [attr.aria-label]="'Take out ' + row.name"
                    (click)="drop(row.id, row.name)"
                  >
                    take out
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    }
    @if (draft(); as d) {
      <form (submit)="$event.preventDefault(); add()">
        <label>
          <span class="small soft">Called</span>
          <input class="field" maxlength="60" placeholder="KH drops" [value]="d.name" #name (input)="put({ name: name.value })" />
        </label>
        <tr-choice label="It is" [options]="kinds" [value]="d.kit" (chosen)="kind($event)" />
        <tr-select label="It reads" none="choose" [options]="unread()" [value]="null" (chosen)="reads($event)" />
        @if (d.reads.length > 0) {
          <p class="small wide">
            Reads {{ readsText() }}.
            <button class="pick" type="button" (click)="put({ reads: [] })">None of these</button>
          </p>
        }
        @if (d.kit === 'drops') {
          <tr-quantity
            label="A drop stands for"
            kind="number"
            placeholder="read by colour"
            [limits]="[0.001, 100]"
            [value]="d.step"
            [optional]="true"
            (quantity)="put({ step: $event })"
            (cleared)="put({ step: null })"
          />
        }
        <tr-quantity
          label="Error either way"
          kind="number"
          placeholder="as usual"
          [limits]="[0.0001, 1000]"
          [value]="d.error"
          [optional]="true"
          (quantity)="put({ error: $event })"
          (cleared)="put({ error: null })"
        />
        <label>
          <span class="small soft">Good until</span>
          <input class="field" type="date" [value]="d.expires ?? ''" #until (input)="put({ expires: until.value || null })" />
        </label>
        @if (d.kit === 'meter') {
          <label>
            <span class="small soft">Calibrated on</span>
            <input
              class="field"
              type="date"
              [max]="today"
              [value]="d.calibratedOn ?? ''"
              #on
              (input)="put({ calibratedOn: on.value || null })"
            />
          </label>
          <tr-quantity
            label="Every so many days"
            kind="count"
            placeholder="not stated"
            [limits]="[1, 730]"
            [value]="d.calibrateEveryDays"
            [optional]="true"
            (quantity)="put({ calibrateEveryDays: $event })"
            (cleared)="put({ calibrateEveryDays: null })"
          />
        }
        <span class="acts">
          <button class="btn primary" type="submit" [disabled]="locked()">Keep this kit</button>
          <button class="btn" type="button" (click)="draft.set(null)">Leave it</button>
        </span>
        @if (fault(); as why) {
          <p class="error small wide" role="alert">{{ why }}</p>
        }
      </form>
    } @else {
      <p class="under"><button class="btn" type="button" [disabled]="locked()" (click)="begin()">Name a kit or meter</button></p>
    }
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 10px 14px;
      margin-top: 10px;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    tr-quantity {
      width: 128px;
    }
    .wide {
      flex-basis: 100%;
    }
    .acts {
      display: flex;
      gap: 6px;
    }
    .under {
      margin-top: 8px;
    }
    .due {
      color: var(--ochre);
      font-weight: 600;
    }
    td,
    th {
      vertical-align: top;
    }
  `,
})
export class KitsCard {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly today = dayOf(new Date());
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly kinds = Kit.options.map((value): Choice<Kit> => ({ value, text: KIT_WORD[value] }));
  protected readonly draft = signal<Omit<RoomKit, 'order'> | null>(null);
  protected readonly fault = signal<string | null>(null);

  protected readonly rows = computed(() =>
    inOrder(this.view.room()?.kits ?? {}).map(([id, kit]) => {
      const { expired, calibrationOverdueDays } = kitStateOn(kit, this.today);
      const never = kit.calibrateEveryDays !== null && kit.calibratedOn === null;
      const off = [
        kit.step === null ? null : `a drop is ${rounded(kit.step, 3, this.units())}`,
        kit.error === null ? null : `± ${rounded(kit.error, 3, this.units())}`,
      ].filter((one) => one !== null);
      return {
        id,
        name: kit.name,
        kind: KIT_WORD[kit.kit],
        meter: kit.kit === 'meter',
        reads: kit.reads.map((one) => PARAMETER_META[one].name).join(', '),
        off: off.join(', ') || 'as usual',
        expired,
        until: kit.expires === null ? 'not stated' : `${datedDay(kit.expires, this.today)}${expired ? ', past' : ''}`,
        overdue: never || calibrationOverdueDays > 0,
        calibrated:
          kit.calibrateEveryDays === null
            ? kit.calibratedOn === null
              ? ''
              : datedDay(kit.calibratedOn, this.today)
            : `${kit.calibratedOn === null ? 'never' : datedDay(kit.calibratedOn, this.today)}, every ${kit.calibrateEveryDays} days`,
      };
    }),
  );
  protected readonly unread = computed(() =>
    LOGGED_PARAMETERS.filter((one) => !this.draft()?.reads.includes(one)).map((value): Choice<LoggedParameter> => ({
      value,
      text: PARAMETER_META[value].name,
    })),
  );
  protected readonly readsText = computed(() => (this.draft()?.reads ?? []).map((one) => PARAMETER_META[one].name).join(', '));

  protected begin(): void {
    this.fault.set(null);
    this.draft.set({
      name: '',
      kit: 'drops',
      reads: [],
      step: null,
      error: null,
      expires: null,
      calibratedOn: null,
      calibrateEveryDays: null,
    });
  }

  protected put(part: Partial<RoomKit>): void {
    this.draft.update((draft) => draft && { ...draft, ...part });
  }

  protected kind(kit: Kit): void {
    this.put({
      kit,
      ...(kit === 'drops' ? {} : { step: null }),
      ...(kit === 'meter' ? {} : { calibratedOn: null, calibrateEveryDays: null }),
    });
  }

  protected reads(parameter: LoggedParameter | null): void {
    const draft = this.draft();
    if (draft && parameter) this.put({ reads: [...draft.reads, parameter] });
  }

  protected add(): void {
    const [draft, room] = [this.draft(), this.view.room()];
    if (!draft || !room) return;
    const read = RoomKit.safeParse({ ...draft, order: 0 });
    if (!read.success) return this.fault.set(`Not kept: ${read.error.issues.map(({ message }) => message).join('; ')}.`);
    this.fault.set(null);
    if (this.store.editRoom(`Kit ${draft.name}`, addKit(room, draft))) this.draft.set(null);
  }

  protected calibrate(id: string, name: string): void {
    this.store.editRoom(`${name} calibrated`, calibrated(id, this.today));
  }

  protected drop(id: string, name: string): void {
    this.store.editRoom(`Take out ${name}`, dropKit(id));
  }
}
