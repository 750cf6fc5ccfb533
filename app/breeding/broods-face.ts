import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { broodKindOf } from '../../core/assessment/plan/brood-days';
import { broodCount } from '../../core/assessment/wording/broods';
import { broodTimeline } from '../../core/breeding/timeline';
import { inOrder } from '../../core/design/design';
import { addBrood } from '../../core/design/edits/brood-edits';
import { pastFault } from '../../core/design/edits/lot-edits';
import { freshId } from '../../core/design/fresh-id';
import { Day, dayOf } from '../../core/schedule/day';
import { chosenKind } from '../store/chosen-kind';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { datedDay } from '../ui/day-text';
import { download } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { SelectField } from '../ui/select';
import { BroodLanes, type Lane } from './brood-lanes';
import { BroodSheet } from './brood-sheet';

/** The broods of a tank over time, and what each asks; or the days of one that may come. */
@Component({
  selector: 'tr-broods-face',
  imports: [BroodLanes, BroodSheet, LatinText, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length === 0 && lanes().length === 0) {
      <p class="soft">Nobody lives here yet: name the animal on the Livestock bench, and this says what a brood of it asks, day by day.</p>
    } @else {
      @if (lanes().length > 0) {
        <tr-brood-lanes [lanes]="lanes()" [chosen]="openId()" (choose)="opened.set($event)" />
      }
      @if (earlier().length > 0) {
        <p class="small soft earlier">
          Over:
          @for (one of earlier(); track one.id) {
            <button class="pick" type="button" [attr.aria-pressed]="one.id === openId()" (click)="opened.set(one.id)">
              {{ one.name }}</button><span class="soft"> {{ one.count }}</span
            >{{ $last ? '' : ' · ' }}
          }
        </p>
      }
      <div class="ask" data-control="broods">
        @if (kinds().length > 1) {
          <tr-select label="Of" [options]="kinds()" [value]="stockId()" (chosen)="choose($event)" />
        }
        <label
          >Laid, mated or first seen carrying on <br /><input
            type="date"
            class="field"
            [value]="laid()"
            (change)="set($any($event.target).value)"
          />
        </label>
        <button class="btn primary" type="button" [disabled]="locked()" (click)="keep()">Write this brood down</button>
        @if (lanes().length + earlier().length > 0) {
          <button class="pick" type="button" (click)="asTable()">Take them as a table</button>
        }
        @if (openId() !== null) {
          <button class="pick" type="button" (click)="opened.set('')">What would its days be?</button>
        }
        @if (fault(); as why) {
          <p class="error small wide" role="alert">{{ why }}</p>
        }
      </div>
      @if (organismId(); as of) {
        @if (unknownMode()) {
          <p class="soft">
            How <tr-latin [text]="latin()" /> breeds is not known: its days cannot be told. What you see can be written down.
          </p>
        }
        @if (openId() === null) {
          <p class="small soft">
            <em>{{ latin() }}</em>, if it were that day. Nothing of it is kept until you write it down.
          </p>
        }
        <tr-brood-sheet [id]="openId()" [organismId]="of" [laid]="laid()" (gone)="opened.set(null)" />
        <p class="small soft">
          Days to hatching and between broods are of the kind, at the warmth it breeds at; eggs in other water take longer or shorter, twice
          as long ten degrees below. From the yolk to the sexes it is common practice, and a range. What was seen puts right all that
          follows.
        </p>
      }
    }
  `,
  styles: `
    .ask {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 18px;
      margin: 10px 0;
      padding-top: 8px;
      border-top: 1px solid var(--rule);
    }
    .ask .field {
      width: 150px;
    }
    .wide {
      flex-basis: 100%;
    }
    .earlier {
      margin: 2px 0 0;
    }
  `,
})
export class BroodsFace {
  private readonly tank = inject(TankView);
  private readonly session = inject(TankSession);
  private readonly chosen = chosenKind(this.tank);
  protected readonly kinds = this.chosen.kinds;
  protected readonly stockId = this.chosen.stockId;
  private readonly today = dayOf(new Date());
  protected readonly laid = signal<Day>(this.today);
  protected readonly fault = signal<string | null>(null);
  protected readonly locked = computed(() => !!this.tank.readOnly());

  private readonly broods = computed(() => {
    const id = this.tank.design()?.id;
    return inOrder(this.tank.room()?.broods ?? {}).filter(([, { tankId }]) => tankId === id);
  });
  /** The brood that is opened: the latest until another is; none while one is tried. */
  protected readonly opened = linkedSignal<string | null, string | null>({ source: () => this.latest(), computation: (latest) => latest });
  private readonly latest = computed(
    () =>
      this.broods()
        .filter(([, { overOn }]) => overOn === null)
        .sort(([, a], [, b]) => (a.seen.laid! < b.seen.laid! ? 1 : -1))[0]?.[0] ?? null,
  );
  protected readonly openId = computed(() => {
    const id = this.opened();
    return id !== null && this.broods().some(([key]) => key === id) ? id : null;
  });

  protected readonly organismId = computed(() => {
    const brood = this.tank.room()?.broods[this.openId() ?? ''];
    return brood?.organismId ?? this.tank.design()?.stock[this.stockId() ?? '']?.organismId ?? null;
  });
  private readonly animalOf = (organismId: string) => {
    const organism = this.tank.catalogue()?.organisms.get(organismId);
    return organism?.kind === 'animal' ? organism : null;
  };
  protected readonly latin = computed(() => this.animalOf(this.organismId() ?? '')?.latin ?? '');
  protected readonly unknownMode = computed(() => this.animalOf(this.organismId() ?? '')?.traits.breeding.mode.value === null);

  private readonly drawn = computed(() =>
    this.broods().map(([id, brood]): Lane => {
      const animal = this.animalOf(brood.organismId);
      const kind = animal && broodKindOf(animal, brood.eggsAtC);
      const laid = brood.seen.laid!;
      return {
        id,
        name: datedDay(laid, this.today),
        count: broodCount(brood),
        stages: kind
          ? broodTimeline(kind, laid, brood.seen).map((one) => ({ ...one, seen: one.seen || one.stage === 'laid' }))
          : [{ stage: 'laid', from: laid, to: laid, seen: true }],
        over: brood.overOn,
      };
    }),
  );
  protected readonly lanes = computed(() => this.drawn().filter(({ over }) => over === null));
  protected readonly earlier = computed(() => this.drawn().filter(({ over }) => over !== null));

  protected choose(stockId: string | null): void {
    this.stockId.set(stockId);
    this.opened.set('');
  }

  protected set(day: string): void {
    if (!Day.safeParse(day).success) return;
    this.laid.set(day);
    this.opened.set('');
  }

  protected async asTable(): Promise<void> {
    const { broodsCsv } = await import('../../core/breeding/csv-out');
    download('broods.csv', broodsCsv(this.broods()), 'text/csv');
  }

  protected keep(): void {
    const [room, tankId] = [this.tank.room(), this.tank.design()?.id];
    const organismId = this.tank.design()?.stock[this.stockId() ?? '']?.organismId;
    if (!room || !tankId || !organismId) return;
    const why = pastFault(this.laid(), this.today);
    this.fault.set(why);
    if (why) return;
    const id = freshId();
    const brood = {
      tankId,
      organismId,
      motherId: null,
      fatherIds: [],
      seen: { laid: this.laid() },
      eggs: null,
      hatched: null,
      raised: null,
      reared: null,
      eggsAtC: null,
      lotId: null,
      overOn: null,
      note: '',
    };
    if (this.session.editRoom('A brood', addBrood(room, id, brood))) this.opened.set(id);
  }
}
