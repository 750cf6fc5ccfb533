import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, input, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink } from '@angular/router';
import type { Operation } from 'rfc6902';
import { walked, type TankRound } from '../../core/assessment/round';
import { dayOf } from '../../core/schedule/day';
import { PageHeader } from '../parts/page-header';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { RoomRounds } from '../store/room-rounds';
import { historyOf, RoomSession } from '../store/room-session';
import type { TankSummary } from '../store/summary';
import { ChoiceField, type Choice } from '../ui/choice';
import { SaveMark } from '../ui/save-mark';
import { AwayFace } from './away-face';
import { LabelsFace } from './labels-face';
import { RoundFace } from './round-face';

type Face = 'today' | 'labels' | 'away';
const FACES: readonly Choice<Face>[] = [
  { value: 'today', text: 'Today' },
  { value: 'labels', text: 'Labels for cans' },
  { value: 'away', text: 'While I am away' },
];
/** How far ahead all tanks are asked. */
const DAYS = 35;

/** The way through the room: what every tank asks for today, what to carry, and a sheet for who does it in its keeper’s place. */
@Component({
  selector: 'tr-round-page',
  imports: [AwayFace, ChoiceField, LabelsFace, PageHeader, RoundFace, RouterLink, SaveMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tr-page-header class="no-print" [history]="history()" (undo)="session.undo()" (redo)="session.redo()">
      @if (room(); as r) {
        <nav aria-label="Room">
          <a [routerLink]="['/room', r.id]">{{ r.name }}</a>
        </nav>
      }
      <ng-container ngProjectAs="[state]">
        @if (state(); as s) {
          <tr-save-mark [save]="s.save" (retry)="session.retry()" (reload)="session.reload()" />
        }
      </ng-container>
    </tr-page-header>
    <main [attr.aria-busy]="busy()">
      @if (problem(); as why) {
        <p class="alarm" role="alert">{{ why }}</p>
      }
      <div class="head no-print">
        <h1>The round</h1>
        <tr-choice
          class="faces"
          label="Face of this page"
          [hideLabel]="true"
          [options]="faces"
          [value]="shown()"
          (chosen)="choose($event)"
        />
      </div>
      @if (busy()) {
        <p class="soft no-print" role="status">{{ rounds().length }} of {{ tanks().length }} tanks asked …</p>
      }
      @if (room(); as r) {
        @switch (shown()) {
          @case ('today') {
            <tr-round-face
              [room]="r"
              [rounds]="ordered()"
              [failed]="failed()"
              (again)="ask($event)"
              (patch)="edit($event.label, $event.patch)"
            />
          }
          @case ('labels') {
            <tr-labels-face [room]="r" [rounds]="ordered()" />
          }
          @case ('away') {
            <tr-away-face [room]="r" [rounds]="ordered()" (patch)="edit($event.label, $event.patch)" />
          }
        }
      }
    </main>
  `,
  styles: `
    main {
      max-width: 1080px;
      margin: 0 auto;
      padding: 14px 18px 60px;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 4px 12px;
      margin-bottom: 10px;
    }
    .faces {
      margin-left: auto;
    }
    @media print {
      .no-print {
        display: none;
      }
      main {
        max-width: none;
        padding: 0;
      }
    }
  `,
})
export class RoundPage {
  readonly roomId = input.required<string>();
  /** The face in the address. */
  readonly face = input<string>();
  private readonly library = inject(Library);
  private readonly router = inject(Router);
  private readonly asking = inject(RoomRounds);
  private readonly units = inject(PreferencesStore).units;
  protected readonly session = inject(RoomSession);
  protected readonly state = toSignal(this.session.state$, { initialValue: null });
  protected readonly history = computed(() => historyOf(this.state()));
  protected readonly room = computed(() => this.state()?.document ?? null);
  protected readonly faces = FACES;
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'today');
  protected readonly problem = signal<string | null>(null);
  protected readonly tanks = signal<readonly TankSummary[]>([]);
  protected readonly rounds = signal<readonly TankRound[]>([]);
  /** Tanks that could not be asked, by name. */
  protected readonly failed = signal<readonly string[]>([]);
  protected readonly busy = signal(true);
  private readonly today = dayOf(new Date());

  protected readonly ordered = computed(() => {
    const found = this.rounds().map((round) => ({ id: round.designId, name: round.name, round }));
    return walked(found, this.room()?.walk ?? []).map(({ round }) => round);
  });

  constructor() {
    const title = inject(Title);
    effect((onCleanup) => {
      const [id, units] = [this.roomId(), this.units()];
      let current = true;
      onCleanup(() => (current = false));
      void this.load(id, units, () => current);
    });
    inject(DestroyRef).onDestroy(() => void this.session.close());
    effect(() => title.setTitle(`The round, ${this.room()?.name ?? 'room'} · Terroir`));
  }

  private async load(id: string, units: ReturnType<typeof this.units>, isCurrent: () => boolean): Promise<void> {
    this.busy.set(true);
    this.rounds.set([]);
    try {
      await this.library.layDemoOnce();
      const room = await this.session.open(id);
      if (room === 'overtaken' || !isCurrent()) return;
      if (!room) {
        this.problem.set('No such room here. It may live in another browser, or at another address of this one.');
        return this.busy.set(false);
      }
      if (room.state.document.invented) await this.library.layDemoLogsOnce();
      const tanks = walked(
        (await this.library.summaries(id)).filter(({ archived }) => !archived),
        room.state.document.walk,
      );
      if (!isCurrent()) return;
      this.tanks.set(tanks);
      for (const tank of tanks) {
        const round = await this.asking.of(tank.id, room.state.document, this.today, DAYS, units);
        if (!isCurrent()) return;
        if (round) this.rounds.update((all) => [...all, round]);
        else this.failed.update((all) => [...all, tank.name]);
      }
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    }
    this.busy.set(false);
  }

  /** One tank again, after something was written down of it. */
  protected async ask(designId: string): Promise<void> {
    const room = this.room();
    if (!room) return;
    const round = await this.asking.of(designId, room, this.today, DAYS, this.units());
    if (round) this.rounds.update((all) => all.map((one) => (one.designId === designId ? round : one)));
  }

  protected edit(label: string, patch: readonly Operation[]): void {
    this.session.edit(label, patch);
  }

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'today' ? null : face }, replaceUrl: true });
  }
}
