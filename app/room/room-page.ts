import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { Operation } from 'rfc6902';

import { Room } from '../../core/design/room';
import { DocumentStore, type DocumentState } from '../store/document-store';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import type { TankSummary } from '../store/summary';
import { download, fileStem } from '../ui/download';
import { FileDrop } from '../ui/file-drop';
import { SaveMark } from '../ui/save-mark';
import { UnitsMenu } from '../ui/units-menu';
import { YearChart } from '../ui/year-chart';
import { ClimateEditor } from './climate-editor';
import { KitEditor } from './kit-editor';
import { OnHandEditor } from './on-hand-editor';
import { SourcesEditor } from './sources-editor';
import { TankCard } from './tank-card';

/** What was deleted or put away last, and how to have it back. */
interface Gone {
  said: string;
  putBack: () => Promise<void>;
}

/** A room: its tanks, its year, the waters, kit and stock at hand. */
@Component({
  selector: 'tr-room-page',
  imports: [
    RouterLink,
    NzButtonModule,
    NzInputModule,
    FileDrop,
    SaveMark,
    UnitsMenu,
    TankCard,
    ClimateEditor,
    SourcesEditor,
    KitEditor,
    OnHandEditor,
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
  private readonly title = inject(Title);

  protected readonly refused = toSignal(this.library.refused$, { initialValue: null });
  protected readonly catalogue = toSignal(this.library.catalogue$);
  protected readonly rooms = signal<Room[]>([]);
  protected readonly tanks = signal<TankSummary[]>([]);
  protected readonly standing = computed(() => this.tanks().filter(({ archived }) => !archived));
  protected readonly archived = computed(() => this.tanks().filter(({ archived }) => archived));
  protected readonly gone = signal<Gone | null>(null);
  protected readonly busy = signal(true);
  protected readonly problems = signal<string[]>([]);
  protected readonly state = signal<DocumentState<Room> | null>(null);
  protected readonly room = computed(() => this.state()?.document ?? null);
  private store: DocumentStore<Room> | null = null;

  /** What an empty room is waiting for. */
  protected readonly firstSteps = computed(() => {
    const room = this.room();
    if (!room) return [];
    return [
      { done: room.climateC !== null, text: 'State the room’s year', at: 'year-heading', why: 'without it no season can be judged' },
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
    this.library.writtenElsewhere$.pipe(takeUntilDestroyed()).subscribe((id) => {
      const known = id === this.room()?.id || this.tanks().some((tank) => tank.id === id);
      if (known && this.state()?.save.kind === 'saved') void this.load(this.roomId(), () => true);
    });
    effect(() => this.title.setTitle(`${this.room()?.name ?? 'Rooms'} · Terroir`));
    // cards are shown from their summaries; those judged in another state of the room are judged again behind them
    effect(() => {
      const [room, tanks, catalogue, units] = [this.room(), this.tanks(), this.catalogue(), this.units()];
      if (!room || !catalogue || tanks.length === 0) return;
      void this.library.judgeAgain(room, tanks, units).then((fresh) => {
        if (fresh.length === 0) return;
        const renewed = new Map(fresh.map((summary) => [summary.id, summary]));
        this.tanks.update((list) => list.map((tank) => (tank.savedAt === renewed.get(tank.id)?.savedAt ? renewed.get(tank.id)! : tank)));
      });
    });
  }

  private async load(id: string | undefined, isCurrent: () => boolean): Promise<void> {
    this.busy.set(true);
    try {
      await this.library.layDemoOnce();
      const rooms = await this.library.rooms();
      if (!isCurrent()) return;
      this.rooms.set(rooms);
      const room = id ? await this.library.room(id) : (rooms[0] ?? null);
      if (!isCurrent()) return;
      if (id && !room) this.problems.set(['No such room here. It may live in another browser.']);
      this.store = room && new DocumentStore<Room>(room, null, Room, (document) => this.library.saveRoom(document));
      this.tanks.set(room ? await this.library.summaries(room.id) : []);
      this.state.set(this.store?.state ?? null);
      this.store?.state$.subscribe((state) => this.state.set(state));
    } catch (error) {
      this.problems.set([error instanceof Error ? error.message : String(error)]);
    }
    this.busy.set(false);
  }

  protected async newRoom(name: string): Promise<void> {
    const room = await this.library.addRoom(name.trim() || 'My room');
    await this.router.navigate(['/room', room.id]);
  }

  protected async deleteRoom(room: Room): Promise<void> {
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
  }

  private async refreshTanks(): Promise<void> {
    const room = this.room();
    if (room) this.tanks.set(await this.library.summaries(room.id));
  }

  protected async newTank(): Promise<void> {
    const room = this.room();
    if (!room) return;
    const design = await this.library.addDesign(room.id, `Tank ${this.tanks().length + 1}`);
    await this.router.navigate(['/tank', design.id, 'livestock']);
  }

  protected async layDemo(): Promise<void> {
    await this.library.layDemo();
    await this.router.navigate(['/room', 'low-barn']);
    await this.load('low-barn', () => true);
  }

  protected edit(label: string, patch: readonly Operation[]): void {
    this.store?.edit(label, patch);
  }

  protected renameRoom(name: string): void {
    if (name.trim() !== this.room()?.name) this.edit('Rename', [{ op: 'replace', path: '/name', value: name.trim() }]);
  }

  protected undo(): void {
    this.store?.undo();
  }

  protected redo(): void {
    this.store?.redo();
  }

  protected retry(): void {
    this.store?.retry();
  }

  protected scrollTo(id: string): void {
    const heading = document.getElementById(id);
    heading?.scrollIntoView({ block: 'start' });
    heading?.parentElement?.querySelector<HTMLElement>('input, button')?.focus({ preventScroll: true });
  }

  protected async exportRoom(room: Room): Promise<void> {
    download(`${fileStem(room.name)}.terroir.zip`, await this.library.exportRoom(room), 'application/zip');
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
