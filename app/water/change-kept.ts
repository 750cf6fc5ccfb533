import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { keptMoves, leastKept } from '../../core/assessment/plan/kept-water';
import { stepLimits, type Shifted } from '../../core/assessment/plan/shift';
import { time } from '../../core/assessment/wording/acclimation';
import { gramsOf } from '../../core/assessment/derive/load';
import { breathOf } from '../../core/stocking/breath';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { formatQuantity } from '../../core/quantity/format';
import { NO_STEP, type PlannedStep } from '../../core/schedule/step';
import { USUAL_OXYGEN_MG_PER_L } from '../../core/water/life-findings';
import { PlanStart } from '../parts/plan-start';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { QuantityField } from '../ui/quantity-field';
import { mixedTests, settledTests, testedIn } from './planned-tests';
import { TestedWaterFields } from './tested-water';

/** A rescape or a move: how much old water to keep, what the animals meet, how long a tub holds them, and the order of work. */
@Component({
  selector: 'tr-change-kept',
  imports: [PlanStart, QuantityField, TestedWaterFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Rescape or move</h2>
    <p>Their old water as it tests today; the rest of the tank is filled with the water of this plan.</p>
    <tr-tested-water suffix=", old" [water]="old()" [shown]="fields()" (typed)="type($event)" />
    @if (kept(); as k) {
      <div class="fields">
        <tr-quantity label="Old water kept" kind="fraction" [limits]="[0, 1]" [value]="k.share" (quantity)="share.set($event)" />
        <tr-quantity label="Tub holds" kind="volume" [limits]="[1, 500]" [value]="tubL()" (quantity)="tubL.set($event)" />
        <tr-quantity label="Room on the day" kind="temperature" [limits]="[0, 40]" [value]="roomC()" (quantity)="roomTyped.set($event)" />
        <label class="tick"
          ><input type="checkbox" [checked]="airStone()" (change)="airStone.set($any($event.target).checked)" /> air stone in the tub</label
        >
      </div>
      <p role="status">
        <strong>{{ k.litres }}</strong> is kept. {{ k.least }}
      </p>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">They meet</th>
              <th scope="col" class="value">From</th>
              <th scope="col" class="value">To</th>
              <th scope="col" class="value">At once</th>
              <th scope="col" class="value">Borne in a day</th>
            </tr>
          </thead>
          <tbody>
            @for (move of k.moves; track move.name) {
              <tr>
                <th scope="row">{{ move.name }}</th>
                <td class="value">{{ move.from }}</td>
                <td class="value">{{ move.to }}</td>
                <td class="value" [class.error]="!move.fits">{{ move.step }}{{ move.fits ? '' : ', too much' }}</td>
                <td class="value">{{ move.limit }}</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (tub(); as t) {
        <p>{{ t }}</p>
      }
      <p class="small">
        Keep the filter running in old water, or its media wet: an hour dry and the filter starts anew. Active soil is lifted, not rinsed;
        what is stirred up goes with the first drain.
      </p>
      @if (donors().length > 0) {
        <fieldset>
          <legend>Taken from what is on hand in the room</legend>
          @for (donor of donors(); track donor.id) {
            <tr-quantity
              [label]="donor.label"
              [kind]="donor.kind"
              [limits]="[0, donor.amount]"
              [value]="taken()[donor.id] ?? 0"
              (quantity)="take(donor.id, $event)"
            />
          }
          <button type="button" class="pick" [disabled]="view.readOnly() || !anyTaken()" (click)="debit()">
            Strike it off the room’s list
          </button>
        </fieldset>
      }
      <tr-plan-start plan="Rescape or move" [steps]="steps()" label="On" />
    } @else {
      <p>Choose a vessel and pour water first: then what is kept can be weighed against it.</p>
    }
  `,
  styles: `
    p {
      margin: 6px 0;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 14px;
      margin: 8px 0;
      tr-quantity {
        width: 132px;
      }
    }
    .tick {
      min-height: var(--touch);
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 14px;
      margin: 8px 0;
      padding: 8px 10px;
      border: 1px solid var(--rule);
      tr-quantity {
        width: 180px;
      }
    }
    legend {
      width: auto;
      margin: 0;
      padding: 0 4px;
      border: 0;
      color: var(--soft);
      font-size: 12.5px;
    }
  `,
})
export class ChangeKept {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  /** Null takes the least that is needed. */
  protected readonly share = signal<number | null>(null);
  protected readonly tubL = signal(20);
  protected readonly airStone = signal(false);
  protected readonly roomTyped = signal<number | null>(null);
  protected readonly taken = signal<Readonly<Record<string, number>>>({});
  private readonly typed = signal<Partial<Record<Shifted | 'temperatureC', number>>>({});

  protected readonly fields = computed<readonly Shifted[]>(() => {
    const derived = this.view.derived();
    return derived ? testedIn(derived) : [];
  });
  protected readonly old = computed(() => ({ ...(this.view.derived() ? settledTests(this.view.derived()!) : {}), ...this.typed() }));
  protected readonly roomC = computed(() => {
    const climate = this.view.room()?.climateC?.[new Date().getMonth()];
    return this.roomTyped() ?? (climate ? (climate[0] + climate[1]) / 2 : 20);
  });
  private readonly animals = computed(() => this.view.members().filter(({ organism }) => organism?.kind === 'animal'));

  private readonly weighed = computed(() => {
    const derived = this.view.derived();
    const litres = derived?.['vessel.system-volume'].value ?? null;
    if (!derived || litres === null || this.fields().length === 0) return null;
    const fresh = mixedTests(derived);
    const limits = stepLimits(this.animals());
    const warm = derived['planned.temperatureC'].value ?? 24;
    const gas = derived['water.gas'].value ?? 1200;
    const shown = new Set<string>(this.fields());
    const old = Object.fromEntries(Object.entries(this.old()).filter(([key]) => shown.has(key)));
    const least = leastKept(old, fresh, limits, warm, gas);
    const share = this.share() ?? least;
    return { litres, least, share, moves: keptMoves(old, fresh, share, limits, warm, gas), warm };
  });

  protected readonly kept = computed(() => {
    const weighed = this.weighed();
    if (!weighed) return null;
    const units = this.units();
    return {
      share: weighed.share,
      litres: formatQuantity('volume', weighed.share * weighed.litres, units),
      least:
        weighed.least === 0
          ? 'None of it is needed: the new water is as good as the old.'
          : `At least ${formatQuantity('fraction', weighed.least, units)} keeps every step within a day’s; four fifths is usual for shrimp.`,
      moves: weighed.moves
        .filter(({ step, limit }) => step > 0.02 * limit)
        .map(({ parameter, from, to, step, limit, fits }) => {
          const { name, kind } = PARAMETER_META[parameter];
          const show = (value: number) => formatQuantity(kind, value, units);
          return { name, from: show(from), to: show(to), step: show(step), limit: show(limit), fits };
        }),
    };
  });

  private readonly cools = computed(() => stepLimits(this.animals()).steps.temperatureC);
  private readonly askedOfTub = computed(() => {
    const weighed = this.weighed();
    if (!weighed) return null;
    const breath = this.animals().reduce(
      (sum, { organism, count }) => sum + (organism?.kind === 'animal' ? breathOf(organism, gramsOf(organism)) * count : 0),
      0,
    );
    // a tub as high as it is wide
    const surfaceM2 = (this.tubL() / 1000) ** (2 / 3);
    const tub = {
      litres: this.tubL(),
      surfaceM2,
      waterC: weighed.warm,
      roomC: this.roomC(),
      animalsMgO2PerDay: breath,
      airStone: this.airStone(),
    };
    return { tub, coolsC: this.cools(), usualOxygenMgPerL: USUAL_OXYGEN_MG_PER_L };
  });
  private readonly hours = workedOut(this.view, 'tubHours', this.askedOfTub);

  protected readonly tub = computed(() => {
    const hours = this.hours();
    if (!hours) return null;
    const cools = formatQuantity('temperatureStep', this.cools(), this.units());
    const heat = hours.heat === null ? 'keeps its warmth' : `is ${cools} colder after about ${time(hours.heat * 60)}`;
    const oxygen = hours.oxygen === null ? 'has oxygen enough' : `runs short of oxygen after about ${time(hours.oxygen * 60)}`;
    return `The tub ${heat} and ${oxygen}. Cover it, and work against these hours.`;
  });

  /** Media and soil of the room that a tank can start on. */
  protected readonly donors = computed(() =>
    inOrder(this.view.room()?.onHand ?? {})
      .filter(([, { kind, amount }]) => (kind === 'media' || kind === 'soil') && amount > 0)
      .map(([id, { name, amount, measure }]) => ({
        id,
        amount,
        label: `${name}, of ${measure === 'volume' ? formatQuantity('volume', amount, this.units()) : amount}`,
        kind: measure === 'volume' ? ('volume' as const) : measure === 'mass' ? ('mass' as const) : ('count' as const),
      })),
  );
  protected readonly anyTaken = computed(() => Object.values(this.taken()).some((amount) => amount > 0));

  protected readonly steps = computed<PlannedStep[]>(() => {
    const weighed = this.weighed();
    const assessment = this.view.assessment();
    if (!weighed || !assessment) return [];
    const fresh = weighed.litres * (1 - weighed.share);
    const poured = assessment.derived['water.poured'].value ?? [];
    const whole = poured.reduce((sum, { share }) => sum + share, 0) || 1;
    const hours = [this.hours()?.heat, this.hours()?.oxygen].filter((value) => value !== null && value !== undefined);
    const old = { litres: weighed.share * weighed.litres };
    const step = (code: PlannedStep['code'], rest: Partial<PlannedStep> = {}): PlannedStep => ({ ...NO_STEP, after: 0, code, ...rest });
    return [
      step('kept-water', { values: old }),
      step('move-plants'),
      step('lower-water'),
      step('catch', { values: hours.length > 0 ? { hours: Math.min(...hours) } : {} }),
      step('save-media'),
      step('rebuild'),
      step('refill', {
        values: old,
        pourL: Object.fromEntries(poured.map(({ id, share }) => [id, (fresh * share) / whole])),
        saltsG: Object.fromEntries(
          inOrder(assessment.world.design.water.salts).map(([, { saltId, mgPerL }]) => [saltId, (mgPerL * fresh) / 1000]),
        ),
        expects: Object.fromEntries(
          weighed.moves.filter(({ parameter }) => parameter !== 'ph').map(({ parameter, to }) => [parameter, to]),
        ),
      }),
      step('release'),
      { ...step('watch'), after: 1, expects: { ammonia: 0, nitrite: 0 } },
    ];
  });

  protected type({ parameter, value }: { parameter: Shifted | 'temperatureC'; value: number }): void {
    this.typed.update((typed) => ({ ...typed, [parameter]: value }));
  }

  protected take(id: string, amount: number): void {
    this.taken.update((taken) => ({ ...taken, [id]: amount }));
  }

  /** The donor gives what this tank takes. */
  protected debit(): void {
    const onHand = this.view.room()?.onHand ?? {};
    const patch = Object.entries(this.taken()).flatMap(([id, amount]): Operation[] => {
      const there = onHand[id];
      return there && amount > 0
        ? [{ op: 'replace', path: pointer('onHand', id, 'amount'), value: Math.max(0, there.amount - amount) }]
        : [];
    });
    if (this.store.editRoom('Taken for a rescape', patch)) this.taken.set({});
  }
}
