import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { Operation } from 'rfc6902';
import type { Severity } from '../../core/calculation/finding';
import { SEVERITY_WORD } from '../../core/assessment/wording';
import { assess, worst } from '../../core/assessment/assess';
import { Room } from '../../core/design/room';
import { MAX_FILE_BYTES } from '../../core/design/document';
import { SaveMark } from '../ui/save-mark';
import { UnitsMenu } from '../ui/units-menu';
import type { StoredDesign } from '../store/database';
import { DocumentStore, type DocumentState } from '../store/document-store';
import { Library } from '../store/library';
import { SeverityGlyph } from '../ui/severity-glyph';
import { ClimateEditor } from './climate-editor';
import { SourcesEditor } from './sources-editor';
import { YearChart } from '../ui/year-chart';

/** A room: its tanks, its year, the waters at hand. */
@Component({
  selector: 'tr-room-page',
  imports: [
    RouterLink,
    DatePipe,
    NzButtonModule,
    NzInputModule,
    SaveMark,
    UnitsMenu,
    SeverityGlyph,
    ClimateEditor,
    SourcesEditor,
    YearChart,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './room-page.html',
  styleUrl: './room-page.less',
})
export class RoomPage {
  readonly roomId = input<string>();
  private readonly library = inject(Library);
  private readonly router = inject(Router);
  private readonly title = inject(Title);
  protected readonly severityWord = SEVERITY_WORD;

  protected readonly refused = toSignal(this.library.refused$, { initialValue: null });
  protected readonly catalogue = toSignal(this.library.catalogue$);
  protected readonly rooms = signal<Room[]>([]);
  protected readonly tanks = signal<StoredDesign[]>([]);
  /** The tank deleted last. */
  protected readonly deleted = signal<StoredDesign | null>(null);
  protected readonly busy = signal(true);
  protected readonly problems = signal<string[]>([]);
  protected readonly state = signal<DocumentState<Room> | null>(null);
  protected readonly room = computed(() => this.state()?.document ?? null);
  private store: DocumentStore<Room> | null = null;

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
      this.state.set(this.store?.state ?? null);
      this.store?.state$.subscribe((state) => this.state.set(state));
      this.tanks.set(room ? await this.library.designs(room.id) : []);
    } catch (error) {
      this.problems.set([error instanceof Error ? error.message : String(error)]);
    }
    this.busy.set(false);
  }

  /** The worst finding of each tank, judged in the room as it is now; from the stored summary until the catalogue is there. */
  protected readonly verdicts = computed(() => {
    const catalogue = this.catalogue();
    const room = this.room();
    return new Map(
      this.tanks().map(({ id, design, worst: stored }) => {
        const judged = catalogue && room && worst(assess({ design, room, catalogue }).findings, design.accepted);
        return [id, judged ?? (stored as Severity | null) ?? 'unknown'] as const;
      }),
    );
  });

  protected lineOf({ design }: StoredDesign): string {
    const id = design.stock[design.brief.targetStockIds[0] ?? '']?.organismId;
    return this.catalogue()?.organisms.get(id ?? '')?.latin ?? 'nothing chosen yet';
  }

  protected async newRoom(name: string): Promise<void> {
    const room = await this.library.addRoom(name.trim() || 'My room');
    await this.router.navigate(['/room', room.id]);
  }

  protected async duplicate(tank: StoredDesign): Promise<void> {
    await this.library.duplicateDesign(tank.design);
    await this.refreshTanks();
  }

  /** Deletes at once; it can be put back until the page is left. */
  protected async remove(tank: StoredDesign): Promise<void> {
    await this.library.deleteDesign(tank.id);
    this.deleted.set(tank);
    await this.refreshTanks();
  }

  protected async putBack(tank: StoredDesign): Promise<void> {
    await this.library.saveDesign(tank.design, tank.worst);
    this.deleted.set(null);
    await this.refreshTanks();
  }

  private async refreshTanks(): Promise<void> {
    const room = this.room();
    if (room) this.tanks.set(await this.library.designs(room.id));
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

  protected rename(name: string): void {
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

  protected async open(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    if (file.size > MAX_FILE_BYTES)
      return this.problems.set([`${file.name}: the file is larger than a design can be. Nothing was changed.`]);
    const read = await this.library.importDesign(await file.text());
    if (!read.ok)
      return this.problems.set([...read.refusals.map(({ path, reason }) => `${file.name}: ${path}: ${reason}.`), 'Nothing was changed.']);
    this.problems.set([]);
    await this.router.navigate(['/tank', read.document.id, 'livestock']);
  }
}
