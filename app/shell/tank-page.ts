import {
  ChangeDetectionStrategy,
  Component,
  HostListener,
  OnDestroy,
  OnInit,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { tinykeys } from 'tinykeys';
import { SeverityGlyph } from '../ui/severity-glyph';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { TankStore } from '../store/tank-store';
import { BENCHES } from './benches';
import { Course } from './course';
import { FileDrop } from '../ui/file-drop';
import { exportDesign } from './design-file';
import { Files } from './files-drawer';
import { KeysHelp } from './keys-help';
import { Ledger } from './ledger';
import { Palette } from './palette';
import { SaveMark } from '../ui/save-mark';
import { TankView } from '../store/tank-view';
import { UnitsMenu } from '../ui/units-menu';
import { Why } from './why';
import { WhyDrawer } from './why-drawer';
import { WindowStrip } from './window-strip';

/** The frame round a tank: course, bench, ledger, window strip. */
@Component({
  selector: 'tr-tank-page',
  imports: [
    RouterOutlet,
    RouterLink,
    NzButtonModule,
    NzInputModule,
    FileDrop,
    Files,
    Course,
    Ledger,
    WindowStrip,
    WhyDrawer,
    KeysHelp,
    Palette,
    SaveMark,
    SeverityGlyph,
    UnitsMenu,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tank-page.html',
  styleUrl: './tank-page.less',
})
export class TankPage implements OnInit, OnDestroy {
  readonly tankId = input.required<string>();
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankStore);
  protected readonly preferences = inject(PreferencesStore);
  protected readonly library = inject(Library);
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
  protected readonly paletteOpen = signal(false);
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

  protected readonly worst = computed(() => this.view.open()[0]?.severity ?? 'fits');
  /** The ledger in a few words, for the bar that opens it on a small screen. */
  protected readonly pressing = computed(() => {
    const [conflicts, watches] = [this.view.countOf('conflict'), this.view.countOf('watch')];
    if (conflicts + watches === 0) return `${this.view.countOf('unknown')} unknown`;
    return [
      ...(conflicts > 0 ? [`${conflicts} conflict${conflicts > 1 ? 's' : ''}`] : []),
      ...(watches > 0 ? [`${watches} to watch`] : []),
    ].join(', ');
  });

  constructor() {
    effect(() => {
      const id = this.tankId();
      this.loading.set('busy');
      this.store
        .open(id)
        .then((found) => found !== null && this.loading.set(found ? 'open' : 'missing'))
        .catch((error: unknown) => this.loading.set({ error: error instanceof Error ? error.message : String(error) }));
    });
    effect(() => this.title.setTitle(`${this.view.design()?.name ?? 'Tank'} · Terroir`));
    effect(() => this.nameField()?.nativeElement.select());
  }

  ngOnInit(): void {
    const toBench = Object.fromEntries(
      BENCHES.map((bench) => [bench.key, unlessTyping(() => void this.router.navigate(['/tank', this.tankId(), bench.id]))]),
    );
    this.stopKeys = tinykeys(window, {
      ...toBench,
      '$mod+z': unlessTyping(() => this.undo()),
      '$mod+Shift+Z': unlessTyping(() => this.redo()),
      '$mod+y': unlessTyping(() => this.redo()),
      '$mod+k': (event) => {
        event.preventDefault();
        this.paletteOpen.set(true);
      },
      'Shift+?': unlessTyping(() => this.helpOpen.set(true)),
      '?': unlessTyping(() => this.helpOpen.set(true)),
    });
  }

  ngOnDestroy(): void {
    this.stopKeys();
    void this.store.close();
  }

  /** A write that is still under way is not left behind without a word. */
  @HostListener('window:beforeunload', ['$event'])
  protected beforeUnload(event: BeforeUnloadEvent): void {
    const save = this.view.state()?.save.kind;
    if (save === 'saving' || save === 'failed') event.preventDefault();
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

/** A shortcut that stands back while someone types, and inside dialogs. */
function unlessTyping(act: () => void): (event: KeyboardEvent) => void {
  return (event) => {
    const target = event.target as HTMLElement;
    if (
      target.closest('input:not([type=radio]):not([type=checkbox]):not([type=range]), textarea, select, [contenteditable], [role=dialog]')
    )
      return;
    event.preventDefault();
    act();
  };
}
