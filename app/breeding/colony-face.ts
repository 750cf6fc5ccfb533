import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { colonyCourse, growthPerWeek, thinningPerWeek, weekOf, type ColonyLife } from '../../core/breeding/colony';
import { plural } from '../../core/quantity/plural';
import { rounded } from '../../core/quantity/format';
import { chosenKind } from '../store/chosen-kind';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { BandChart } from '../ui/band-chart';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

const WEEKS = 104;
/** Nobody knows it closer than this: a tenth of the young either way, each week. */
const DOUBT = 0.1;
const middle = ([low, high]: readonly [number, number]): number => (low + high) / 2;

/** How a colony grows, when the tank is full, and what keeps it there. */
@Component({
  selector: 'tr-colony-face',
  imports: [BandChart, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length === 0) {
      <p class="soft">Nobody lives here yet: name the animal on the Livestock bench, and this says how a colony of it grows.</p>
    } @else {
      @if (kinds().length > 1) {
        <tr-select label="Of" [options]="kinds()" [value]="stockId()" (chosen)="stockId.set($event)" />
      }
      <div class="face" data-control="colony">
        <form (submit)="$event.preventDefault()" aria-label="What the colony lives by">
          <tr-quantity
            kind="count"
            label="Grown ones to begin with"
            [limits]="[1, 10000]"
            [value]="adults()"
            (quantity)="adults.set($event)"
          />
          <tr-quantity
            kind="count"
            label="Eggs or young of a brood"
            [limits]="[1, 100000]"
            [value]="clutch()"
            (quantity)="clutch.set($event)"
          />
          <tr-quantity
            kind="fraction"
            inUnit="%"
            label="Of them hatch or are born alive"
            [limits]="[0, 1]"
            [value]="hatch()"
            (quantity)="hatch.set($event)"
          />
          <tr-quantity
            kind="number"
            label="Weeks from brood to brood"
            [limits]="[0.5, 200]"
            [value]="interval()"
            (quantity)="interval.set($event)"
          />
          <tr-quantity
            kind="number"
            label="Weeks from hatching to the first brood"
            [limits]="[1, 520]"
            [value]="youth()"
            (quantity)="youth.set($event)"
          />
          <tr-quantity
            kind="fraction"
            inUnit="%"
            label="Of the young live through a week"
            [limits]="[0, 1]"
            [value]="young()"
            (quantity)="young.set($event)"
          />
          <tr-quantity
            kind="fraction"
            inUnit="%"
            label="Of the grown live through a week"
            [limits]="[0.5, 1]"
            [value]="old()"
            (quantity)="old.set($event)"
          />
          <tr-quantity
            kind="count"
            label="The tank carries"
            [limits]="[1, 100000]"
            [optional]="true"
            placeholder="no ceiling"
            [value]="ceiling()"
            (quantity)="ceiling.set($event)"
            (cleared)="ceiling.set(null)"
          />
          <p class="small soft">
            Brood and times are of the kind, as the catalogue has them; what the tank carries is what “How many” at Stocking finds. What
            lives through a week is a guess: cover, food and what else swims there decide it. These figures are to try with, and are not
            kept.
          </p>
        </form>
        <div class="told">
          @if (told(); as t) {
            <h2>{{ t.lead }}</h2>
            <p>{{ t.then }}</p>
            <tr-band-chart
              [title]="t.latin + ' in grown ones'"
              kind="count"
              [times]="t.times"
              [band]="t.band"
              [marks]="t.marks"
              [timeText]="timeText"
              step="week"
              [cursor]="cursor()"
              (moved)="cursor.set($event)"
            />
            <p class="small soft">{{ t.key }}</p>
          } @else {
            <p class="soft">
              State what is missing: a brood, the weeks between, the weeks to the first brood. The catalogue does not know them of this
              kind.
            </p>
          }
        </div>
      </div>
    }
  `,
  styles: `
    .face {
      display: grid;
      grid-template-columns: 270px minmax(0, 1fr);
      gap: 28px;
      margin-top: 8px;
    }
    form {
      display: grid;
      gap: 8px;
      align-content: start;
    }
    h2 {
      margin-bottom: 2px;
    }
    tr-band-chart {
      display: block;
      margin-top: 10px;
    }
    @media (max-width: 719px) {
      .face {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ColonyFace {
  private readonly tank = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  private readonly chosen = chosenKind(this.tank);
  protected readonly kinds = this.chosen.kinds;
  protected readonly stockId = this.chosen.stockId;
  private readonly entry = computed(() => {
    const id = this.stockId();
    return id === null ? null : (this.tank.design()?.stock[id] ?? null);
  });
  private readonly breeding = computed(() => {
    const organism = this.tank.catalogue()?.organisms.get(this.entry()?.organismId ?? '');
    return organism?.kind === 'animal' ? organism.traits.breeding : null;
  });
  private readonly question = computed(() => {
    const stockId = this.stockId();
    return stockId === null ? null : { stockId };
  });
  private readonly carries = workedOut(this.tank, 'carrying', this.question);

  protected readonly adults = linkedSignal(() => this.entry()?.count ?? null);
  protected readonly clutch = linkedSignal(() => this.ofKind('brood', 1));
  protected readonly interval = linkedSignal(() => this.ofKind('intervalDays', 7));
  protected readonly youth = linkedSignal(() => this.ofKind('maturityDays', 7));
  protected readonly hatch = signal(0.9);
  protected readonly young = signal(0.75);
  protected readonly old = signal(0.985);
  protected readonly ceiling = linkedSignal(() => {
    const found = this.carries();
    return found && found.stockId === this.stockId() ? (found.reaches.find(({ count }) => count > 0)?.count ?? null) : null;
  });
  protected readonly cursor = signal<number | null>(null);
  protected readonly timeText = (week: number): string => (week === 0 ? 'today' : `in ${plural(week, 'week')}`);

  private ofKind(what: 'brood' | 'intervalDays' | 'maturityDays', days: number): number | null {
    const value = this.breeding()?.[what].value;
    return value ? Math.max(1, Math.round(middle(value) / days)) : null;
  }

  protected readonly told = computed(() => {
    const [adults, clutch, intervalWeeks, juvenileWeeks] = [this.adults(), this.clutch(), this.interval(), this.youth()];
    if (adults === null || clutch === null || intervalWeeks === null || juvenileWeeks === null) return null;
    const females = this.entry()?.female;
    const sexRatio = females === undefined ? 0.5 : females / Math.max(1, this.entry()!.count);
    const ceiling = this.ceiling();
    const life = (young: number): ColonyLife => ({
      clutch,
      sexRatio,
      eggSurvival: this.hatch(),
      intervalWeeks,
      juvenileWeeks,
      juvenileWeeklySurvival: Math.min(1, Math.max(0, young)),
      adultWeeklySurvival: this.old(),
    });
    const lives = [this.young() - DOUBT, this.young(), this.young() + DOUBT].map(life);
    const courses = lives.map((one) => colonyCourse(one, adults, WEEKS, ceiling));
    const [less, usual, more] = courses.map(({ load }) => load) as [Float64Array, Float64Array, Float64Array];
    const [slow, rate, fast] = lives.map(growthPerWeek) as [number, number, number];
    const full = ceiling === null ? null : weekOf(courses[1]!, 0.9 * ceiling);
    const units = this.units();
    const doubles = (growth: number): string => `${rounded(Math.LN2 / Math.log(growth), 0, units)} weeks`;
    const outOf = (heads: number): string =>
      heads >= 1.5
        ? `about ${rounded(heads, 0, units)} have to go each week`
        : `one has to go about every ${plural(Math.round(1 / heads), 'week')}`;
    const lead =
      rate <= 1.0005 ? 'As it is, this colony does not hold itself.' : `While there is room it doubles in about ${doubles(rate)}.`;
    const between =
      slow <= 1.0005
        ? `If a tenth fewer of the young live through each week it dwindles; if a tenth more do, it doubles in ${doubles(fast)}.`
        : `With a tenth fewer or more of the young alive each week: ${doubles(slow)} or ${doubles(fast)}.`;
    const then =
      ceiling === null || rate <= 1.0005
        ? ''
        : full === null
          ? ` It is not full within two years.`
          : ` The tank is full in about ${plural(full, 'week')}; to hold it at half of that, ${outOf(thinningPerWeek(ceiling / 2, rate))}, and they want a home.`;
    return {
      latin: this.kinds().find(({ value }) => value === this.stockId())?.text ?? '',
      lead,
      then: `${between}${then}`,
      times: Array.from({ length: WEEKS + 1 }, (_, week) => week),
      // a colony that grew fast may stand below a slow one later on
      band: {
        low: usual.map((load, week) => Math.min(load, less[week]!, more[week]!)),
        usual,
        high: usual.map((load, week) => Math.max(load, less[week]!, more[week]!)),
      },
      marks: full === null ? [] : [{ time: full, text: 'full' }],
      key: 'Young count by what they eat and breathe, a small part of a grown one each. Line: as stated. Band: a tenth of the young more or fewer alive each week. Near what the tank carries fewer of each brood live; how they are lost, by hunger or by mouths, the figures do not say.',
    };
  });
}
