import {
  ChangeDetectionStrategy,
  Component,
  OnDestroy,
  OnInit,
  computed,
  effect,
  inject,
  input,
  resource,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { NavigationEnd, Router, RouterLink, RouterOutlet } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { tinykeys } from 'tinykeys';
import { causesOf } from '../../core/assessment/causes';
import { FRAME } from '../../core/assessment/frame';
import { plain, wordFinding } from '../../core/assessment/wording';
import { SEVERITY_WORD } from '../../core/calculation/finding';
import { PageHeader } from '../parts/page-header';
import type { PaletteEntry } from '../palette/entry';
import { SeverityGlyph } from '../ui/severity-glyph';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { viewShown } from '../store/first-view';
import { RoomSession } from '../store/room-session';
import { TankSession } from '../store/tank-session';
import { BENCH_LIST } from './benches';
import { Course } from './course';
import { FileDrop } from '../ui/file-drop';
import { exportDesign } from './design-file';
import { Files } from './files-drawer';
import { KeysHelp } from './keys-help';
import { Ledger } from './ledger';
import { Commands } from '../palette/commands';
import { SaveMark } from '../ui/save-mark';
import { TankRecord } from '../store/tank-record';
import { TankView } from '../store/tank-view';
import { focusMain } from '../ui/focus-main';
import { historyKeys, unlessTyping } from '../ui/keys';
import { benchEntries, heldBy } from './bench-entries';
import { goTo } from './reach';
import { tankCommands, type TankActs } from './tank-commands';
import { Why } from '../store/why';
import { WhyDrawer } from './why-drawer';
import { WindowStrip } from './window-strip';

/** The frame round a tank: course, bench, ledger, window strip. */
@Component({
  selector: 'tr-tank-page',
  imports: [
    RouterOutlet,
    RouterLink,
    FileDrop,
    Files,
    Course,
    Ledger,
    WindowStrip,
    WhyDrawer,
    KeysHelp,
    SaveMark,
    SeverityGlyph,
    PageHeader,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tank-page.html',
  styleUrl: './tank-page.less',
})
export class TankPage implements OnInit, OnDestroy {
  readonly tankId = input.required<string>();
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankSession);
  protected readonly rooms = inject(RoomSession);
  protected readonly preferences = inject(PreferencesStore);
  protected readonly library = inject(Library);
  private readonly benches = inject(BENCH_LIST);
  private readonly router = inject(Router);
  private readonly title = inject(Title);

  protected readonly unjudged = toSignal(this.store.unjudged$, { initialValue: null });
  protected readonly refused = toSignal(this.library.refused$, { initialValue: null });
  protected readonly loading = signal<'busy' | 'open' | 'missing' | { error: string }>('busy');
  protected readonly renaming = signal(false);
  protected readonly filesOpen = signal(false);
  protected readonly ledgerOpen = signal(false);
  /** Why a file that was dropped here was refused. */
  protected readonly notTaken = signal<readonly string[]>([]);
  protected readonly helpOpen = signal(false);
  protected readonly commands = inject(Commands);
  protected readonly why = inject(Why);
  private readonly nameField = viewChild<ElementRef<HTMLInputElement>>('nameField');
  private stopKeys: () => void = () => undefined;

  protected readonly loadError = computed(() => {
    const state = this.loading();
    return typeof state === 'object' ? state.error : null;
  });
  protected readonly target = computed(() => {
    const design = this.view.design();
    const id = design?.brief.targetStockIds[0];
    return this.view.members().find((member) => member.id === id)?.organism?.latin ?? null;
  });

  /** The bench in sight, by the address. */
  private readonly bench = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      startWith(null),
      map(() => this.router.url.split(/[/?#]/)[3] ?? ''),
    ),
    { initialValue: '' },
  );
  protected readonly worst = computed(() => this.view.open()[0]?.severity ?? 'fits');
  private readonly record = inject(TankRecord);
  /** The ledger in a few words, for the bar that opens it on a small screen. */
  protected readonly pressing = computed(() => {
    const [conflicts, watches] = [this.view.countOf('conflict'), this.view.countOf('watch')];
    const logged = this.record.signs().length;
    if (conflicts + watches + logged === 0) return `${this.view.countOf('unknown')} unknown`;
    return [
      ...(conflicts > 0 ? [`${conflicts} conflict${conflicts > 1 ? 's' : ''}`] : []),
      ...(watches > 0 ? [`${watches} to watch`] : []),
      ...(logged > 0 ? [`${logged} by its log`] : []),
    ].join(', ');
  });

  constructor() {
    effect(() => {
      const id = this.tankId();
      this.loading.set('busy');
      this.store
        .open(id)
        .then((found) => {
          if (found === null) return;
          this.loading.set(found ? 'open' : 'missing');
          viewShown();
        })
        .catch((error: unknown) => this.loading.set({ error: error instanceof Error ? error.message : String(error) }));
    });
    effect(() => {
      const bench = this.benches.find(({ id }) => id === this.bench())?.name;
      this.title.setTitle([this.view.design()?.name ?? 'Tank', bench, 'Terroir'].filter(Boolean).join(' · '));
    });
    // another bench begins at its top; where the key that brought it has left the focus nowhere, the focus goes along
    effect(() => {
      if (this.bench() === '') return;
      document.querySelector('main')?.scrollTo(0, 0);
      if (document.activeElement === document.body) focusMain();
    });
    effect(() => this.nameField()?.nativeElement.select());
    this.commands.offer(() => [...this.benchEntries(), ...this.findingEntries(), ...tankCommands(this.acts)]);
  }

  ngOnInit(): void {
    // by where the key is, since not every keyboard has its figures without Shift
    const toBench = Object.fromEntries(
      this.benches.map(({ key, id }) => [
        codeOf(key),
        unlessTyping(() => {
          if (this.preferences.singleKeys()) void goTo(this.router, this.tankId(), { bench: id });
        }),
      ]),
    );
    this.stopKeys = tinykeys(window, {
      ...toBench,
      ...historyKeys(
        () => this.undo(),
        () => this.redo(),
      ),
      'Shift+?': unlessTyping(() => this.helpOpen.set(true)),
      '?': unlessTyping(() => this.helpOpen.set(true)),
    });
  }

  ngOnDestroy(): void {
    this.stopKeys();
    void this.store.close();
  }

  private readonly header = viewChild(PageHeader);
  private readonly acts: TankActs = {
    undo: () => this.undo(),
    redo: () => this.redo(),
    rename: () => this.renaming.set(true),
    duplicate: () => void this.duplicate(),
    remove: () => void this.remove(),
    newTank: () => void this.newTank(),
    exportDesign: () => this.exportDesign(),
    files: () => this.filesOpen.set(true),
    sheet: () => void this.router.navigate(['/tank', this.tankId(), 'sheet']),
    keys: () => this.helpOpen.set(true),
    units: () => this.header()?.units().visible.set(true),
    catalogue: () => void this.router.navigate(['/room', this.view.room()?.id, 'catalogue']),
    rooms: () => void this.router.navigate(['/']),
  };

  /** The benches with what stands on each, once somebody has looked for something. */
  private readonly parts = resource({
    params: () => this.commands.asked() || undefined,
    loader: () => heldBy(this.benches),
  });
  private readonly benchEntries = computed(() =>
    benchEntries(this.benches, this.parts.hasValue() ? this.parts.value() : [], (place) => void goTo(this.router, this.tankId(), place)),
  );

  /** What is wrong or not known, by its words. */
  private readonly findingEntries = computed((): PaletteEntry[] => {
    const assessment = this.view.told();
    if (!this.commands.asked() || !assessment) return [];
    const units = this.preferences.units();
    const accepted = this.view.design()?.accepted ?? {};
    return causesOf(assessment)
      .filter(({ head }) => head.severity !== 'fits' && !Object.hasOwn(accepted, head.key))
      .map(({ head }) => ({
        name: plain(wordFinding(head, assessment, units).title),
        kind: SEVERITY_WORD[head.severity],
        act: () => void goTo(this.router, this.tankId(), FRAME.placeOf(head)),
      }));
  });

  private async duplicate(): Promise<void> {
    await this.store.current?.design?.settled();
    const copy = await this.library.duplicateDesign(this.tankId());
    if (copy) await this.router.navigate(['/tank', copy.id, 'livestock']);
  }

  /** Deletes at once and goes to its room, where it can be put back. */
  private async remove(): Promise<void> {
    const [id, name, roomId] = [this.tankId(), this.view.design()?.name, this.view.room()?.id];
    await this.store.close();
    const taken = await this.library.deleteDesign(id);
    await this.router.navigate(roomId ? ['/room', roomId] : ['/']);
    if (taken) this.library.gone.set({ said: `“${name}” is deleted.`, putBack: () => this.library.putBackDesign(taken) });
  }

  private async newTank(): Promise<void> {
    const roomId = this.view.room()?.id;
    if (roomId) await this.router.navigate(['/tank', (await this.library.addDesign(roomId)).id, 'livestock']);
  }

  /** Keeps what is here as a tank of its own and goes there. */
  protected async keepCopy(): Promise<void> {
    const copy = await this.store.keepCopy();
    if (copy) await this.router.navigate(['/tank', copy.id, 'livestock']);
  }

  protected async keepRoomCopy(): Promise<void> {
    const copy = await this.rooms.keepCopy();
    if (copy) this.library.said.set(`What was done here is kept as the room “${copy.name}”.`);
  }

  protected undo(): void {
    this.store.undo();
  }

  protected redo(): void {
    this.store.redo();
  }

  protected rename(name: string): void {
    if (name.trim() !== this.view.design()?.name) this.store.edit('Rename', [{ op: 'replace', path: '/name', value: name.trim() }]);
    this.renaming.set(false);
  }

  protected exportDesign(): void {
    exportDesign(this.view);
  }

  protected async takeIn(files: FileList): Promise<void> {
    const [file] = files;
    if (!file) return;
    const { takeIn } = await import('../store/take-in');
    const taken = await takeIn(this.library, file);
    this.notTaken.set(taken.ok ? [] : taken.reasons);
    if (!taken.ok) return;
    const [page, id] = taken.at;
    await this.router.navigate(page === 'tank' ? ['/tank', id, 'livestock'] : ['/room', id]);
  }
}

/** Where a bench's key is on the board. */
function codeOf(key: string): string {
  return key === '-' ? 'Minus' : /^\d$/.test(key) ? `Digit${key}` : key;
}
