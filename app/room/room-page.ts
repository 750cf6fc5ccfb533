import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  Injector,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink } from '@angular/router';
import type { Operation } from 'rfc6902';
import { debounceTime, defer } from 'rxjs';
import { tinykeys } from 'tinykeys';
import type { Room } from '../../core/design/room';
import { Commands } from '../palette/commands';
import { PageHeader } from '../parts/page-header';
import { storeBlocked$ } from '../store/database';
import { Library, type Gone, type RoomName } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { downloadRoom } from '../store/room-file';
import { viewShown } from '../store/first-view';
import { waterTypes } from '../store/shipped-catalogue';
import { historyOf, RoomSession } from '../store/room-session';
import type { TankSummary } from '../store/summary';
import { FileDrop } from '../ui/file-drop';
import { SaveMark } from '../ui/save-mark';
import { historyKeys } from '../ui/keys';
import { YearChart } from '../ui/year-chart';
import { ClimateEditor } from '../parts/climate-editor';
import { CopiesCard, type TakenBack } from './copies-card';
import { KitEditor } from './kit-editor';
import { PowerCard } from './power-card';
import { roomCommands } from './room-commands';
import { LivingStock } from './living-stock';
import { OnHandEditor } from './on-hand-editor';
import { SourcesEditor } from '../parts/sources-editor';
import { TankCard } from './tank-card';

/** A room: its tanks, its year, the waters, kit and stock at hand. */
@Component({
  selector: 'tr-room-page',
  imports: [
    RouterLink,
    FileDrop,
    SaveMark,
    PageHeader,
    TankCard,
    ClimateEditor,
    CopiesCard,
    SourcesEditor,
    KitEditor,
    LivingStock,
    OnHandEditor,
    PowerCard,
    YearChart,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './room-page.html',
  styleUrl: './room-page.less',
})
export class RoomPage {
  readonly roomId = input<string>();
  private readonly library = inject(Library);
  private readonly units = inject(PreferencesStore).units;
  private readonly router = inject(Router);
  protected readonly commands = inject(Commands);
  private readonly title = inject(Title);

  protected readonly refused = toSignal(this.library.refused$, { initialValue: null });
  protected readonly waters = toSignal(defer(() => waterTypes()));
  protected readonly rooms = signal<RoomName[]>([]);
  protected readonly tanks = signal<TankSummary[]>([]);
  protected readonly standing = computed(() => this.tanks().filter(({ archived }) => !archived));
  protected readonly archived = computed(() => this.tanks().filter(({ archived }) => archived));
  protected readonly gone = this.library.gone;
  protected readonly busy = signal(true);
  /** Why a copy of everything is due; null while none is. */
  protected readonly copyDue = signal<string | null>(null);
  private readonly injector = inject(Injector);
  protected readonly problems = signal<string[]>([]);
  protected readonly session = inject(RoomSession);
  protected readonly state = toSignal(this.session.state$, { initialValue: null });
  protected readonly history = computed(() => historyOf(this.state()));
  protected readonly room = computed(() => this.state()?.document ?? null);
  protected readonly said = this.library.said;
  protected readonly blocked = toSignal(storeBlocked$, { initialValue: false });

  private readonly newRoomName = viewChild<ElementRef<HTMLInputElement>>('newName');
  private readonly fileInput = viewChild<ElementRef<HTMLInputElement>>('file');
  private readonly header = viewChild(PageHeader);

  /** What an empty room is waiting for. */
  protected readonly firstSteps = computed(() => {
    const room = this.room();
    if (!room) return [];
    return [
      {
        done: room.climateC !== null,
        text: 'State the room’s temperature by month',
        at: 'year-heading',
        why: 'without it no season can be judged',
      },
      { done: Object.keys(room.sources).length > 0, text: 'Add the water at hand', at: 'water-heading', why: 'without it no chemistry' },
      { done: this.tanks().length > 0, text: 'Begin a tank', at: 'tanks-heading', why: 'name its animal, or the wild place' },
    ];
  });
  protected readonly begun = computed(() => this.firstSteps().every(({ done }) => done));

  constructor() {
    effect((onCleanup) => {
      const id = this.roomId();
      let current = true;
      onCleanup(() => (current = false));
      void this.load(id, () => current);
    });
    const stopKeys = tinykeys(
      window,
      historyKeys(
        () => this.session.undo(),
        () => this.session.redo(),
      ),
    );
    inject(DestroyRef).onDestroy(() => {
      stopKeys();
      this.gone.set(null);
      void this.session.close();
    });
    this.commands.offer(() =>
      roomCommands({
        newTank: () => void this.newTank(),
        newRoom: () => this.newRoomName()?.nativeElement.focus(),
        openFile: () => this.fileInput()?.nativeElement.click(),
        exportRoom: () => void (this.room() && this.exportRoom(this.room()!)),
        undo: () => this.session.undo(),
        redo: () => this.session.redo(),
        catalogue: () => void this.router.navigate(['/room', this.room()?.id, 'catalogue']),
        round: () => void this.router.navigate(['/room', this.room()?.id, 'round']),
        units: () => this.header()?.units().visible.set(true),
        show: (heading) => this.scrollTo(heading),
      }),
    );
    // the open room looks after itself; here it is the lists that follow
    this.library.writtenElsewhere$.pipe(debounceTime(60), takeUntilDestroyed()).subscribe(() => void this.refreshLists());
    effect(() => this.title.setTitle(`${this.room()?.name ?? 'Rooms'} · Terroir`));
    // cards are shown from their summaries; those judged in another state of the room are judged again behind them
    effect(() => {
      const [room, tanks, units] = [this.room(), this.tanks(), this.units()];
      if (!room || tanks.length === 0) return;
      void this.library.judgeAgain(room, tanks, units).then((fresh) => {
        if (fresh.length === 0) return;
        const renewed = new Map(fresh.map((summary) => [summary.id, summary]));
        this.tanks.update((list) => list.map((tank) => (tank.savedAt === renewed.get(tank.id)?.savedAt ? renewed.get(tank.id)! : tank)));
      });
    });
  }

  private async load(id: string | undefined, isCurrent: () => boolean): Promise<void> {
    this.busy.set(true);
    this.problems.set([]);
    try {
      await this.library.layDemoOnce();
      const rooms = await this.library.rooms();
      if (!isCurrent()) return;
      this.rooms.set(rooms);
      const wanted = id ?? rooms[0]?.id;
      const room = wanted === undefined ? null : await this.session.open(wanted);
      if (room === 'overtaken' || !isCurrent()) return;
      if (id && !room) this.problems.set(['No such room here. It may live in another browser, or at another address of this one.']);
      this.tanks.set(wanted ? await this.library.summaries(wanted) : []);
    } catch (error) {
      this.problems.set([error instanceof Error ? error.message : String(error)]);
    }
    this.busy.set(false);
    viewShown();
    void this.askForCopy().catch(() => undefined);
    // a link to a part of the page
    const part = this.router.parseUrl(this.router.url).fragment;
    if (part) setTimeout(() => this.scrollTo(part));
  }

  protected async newRoom(name: string): Promise<void> {
    const room = await this.library.addRoom(name.trim() || 'My room');
    await this.router.navigate(['/room', room.id]);
  }

  protected async deleteRoom(room: RoomName): Promise<void> {
    const taken = await this.library.deleteRoom(room.id);
    if (!taken) return;
    const tanks = taken.tanks.length;
    await this.router.navigate(['/']);
    await this.load(undefined, () => true);
    this.gone.set({
      said: `The room “${room.name}” with ${tanks} tank${tanks === 1 ? '' : 's'} is deleted.`,
      putBack: async () => {
        await this.library.putBackRoom(taken);
        await this.router.navigate(['/room', room.id]);
        await this.load(room.id, () => true);
      },
    });
  }

  protected async duplicate(tank: TankSummary): Promise<void> {
    await this.library.duplicateDesign(tank.id);
    await this.refreshTanks();
  }

  protected async rename(tank: TankSummary, name: string): Promise<void> {
    await this.library.editDesign(tank.id, [{ op: 'replace', path: '/name', value: name }]);
    await this.refreshTanks();
  }

  protected async archive(tank: TankSummary, archived: boolean): Promise<void> {
    const set = async (value: boolean) => {
      await this.library.editDesign(tank.id, [{ op: 'replace', path: '/archived', value }]);
      await this.refreshTanks();
    };
    await set(archived);
    this.gone.set(archived ? { said: `“${tank.name}” is archived.`, putBack: () => set(false) } : null);
  }

  /** Deletes at once; it can be put back until the page is left. */
  protected async remove(tank: TankSummary): Promise<void> {
    const taken = await this.library.deleteDesign(tank.id);
    await this.refreshTanks();
    if (!taken) return;
    this.gone.set({
      said: `“${tank.name}” is deleted.`,
      putBack: async () => {
        await this.library.putBackDesign(taken);
        await this.refreshTanks();
      },
    });
  }

  protected async putBack(gone: Gone): Promise<void> {
    this.gone.set(null);
    await gone.putBack();
    await this.refreshLists();
  }

  private async refreshTanks(): Promise<void> {
    const room = this.room();
    if (room) this.tanks.set(await this.library.summaries(room.id));
  }

  private async refreshLists(): Promise<void> {
    this.rooms.set(await this.library.rooms());
    await this.refreshTanks();
  }

  protected async newTank(): Promise<void> {
    const room = this.room();
    if (!room) return;
    const design = await this.library.addDesign(room.id);
    await this.router.navigate(['/tank', design.id, 'livestock']);
  }

  protected async layDemo(): Promise<void> {
    const before = await this.library.layDemo();
    await this.router.navigate(['/room', 'low-barn']);
    await this.load('low-barn', () => true);
    if (!before) return;
    this.gone.set({
      said: 'The demo stands as it was at the start.',
      putBack: async () => {
        await this.library.putBackOver(before);
        await this.load('low-barn', () => true);
      },
    });
  }

  protected edit(label: string, patch: readonly Operation[]): void {
    this.session.edit(label, patch);
  }

  protected renameRoom(name: string): void {
    if (name.trim() !== this.room()?.name) this.edit('Rename', [{ op: 'replace', path: '/name', value: name.trim() }]);
  }

  /** Keeps what is here as a room of its own and goes there. */
  protected async keepCopy(): Promise<void> {
    const copy = await this.session.keepCopy();
    if (copy) await this.router.navigate(['/room', copy.id]);
  }

  protected scrollTo(id: string): void {
    const heading = document.getElementById(id);
    heading?.scrollIntoView({ block: 'start' });
    heading?.parentElement?.querySelector<HTMLElement>('input, button')?.focus({ preventScroll: true });
  }

  /** Everything lives in this browser alone: said now and then. */
  private async askForCopy(): Promise<void> {
    const { askForCopy } = await import('../store/ask-for-copy');
    const { made, due } = await askForCopy(() => import('../store/copies').then(({ Copies }) => this.injector.get(Copies)));
    if (made) this.said.set(made);
    this.copyDue.set(due);
  }

  protected async laterCopy(): Promise<void> {
    const { askInAWeek } = await import('../store/ask-for-copy');
    await askInAWeek();
    this.copyDue.set(null);
  }

  /** A room came back from a copy; what stood in its place can be had again until the page is left. */
  protected async tookBack({ roomId, said, before }: TakenBack): Promise<void> {
    await this.router.navigate(['/room', roomId]);
    await this.load(roomId, () => true);
    if (!before) return this.said.set(said);
    this.gone.set({
      said,
      putBack: async () => {
        await this.library.putInstead(roomId, before);
        await this.load(roomId, () => true);
      },
    });
  }

  protected async exportRoom(room: Room): Promise<void> {
    this.problems.set(await downloadRoom(this.library, room));
  }

  protected async open(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const { takeIn } = await import('../store/take-in');
    const taken = await takeIn(this.library, file);
    this.problems.set(taken.ok ? [] : taken.reasons);
    if (!taken.ok) return;
    const [page, id] = taken.at;
    if (page === 'tank') await this.router.navigate(['/tank', id, 'livestock']);
    else {
      await this.router.navigate(['/room', id]);
      await this.load(id, () => true);
    }
  }
}
