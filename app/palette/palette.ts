import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, resource, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { RoomSession } from '../store/room-session';
import { LatinText } from '../ui/latin-text';
import { catalogueEntries } from './catalogue-entries';
import { Commands } from './commands';
import { paletteSearch, type PaletteEntry, type PaletteHit } from './entry';
import { settingEntries } from './setting-entries';

/** Everything that can be gone to, looked up or done, by name. */
@Component({
  selector: 'tr-palette',
  imports: [NzModalModule, LatinText],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-modal
      [nzVisible]="commands.asked()"
      nzTitle="Find or do"
      [nzFooter]="null"
      [nzWidth]="520"
      (nzOnCancel)="commands.asked.set(false)"
      (nzAfterClose)="act()"
    >
      <ng-container *nzModalContent>
        <input
          class="field"
          #queryBox
          role="combobox"
          aria-label="Find or do"
          placeholder="a bench, an animal, a plant, a finding, a setting …"
          aria-autocomplete="list"
          autocomplete="off"
          spellcheck="false"
          [attr.aria-controls]="found().length > 0 ? 'palette-list' : null"
          [attr.aria-expanded]="found().length > 0"
          [attr.aria-activedescendant]="found().length > 0 ? 'palette-' + at() : null"
          [value]="query()"
          (input)="search(queryBox.value)"
          (keydown)="keydown($event)"
        />
        @if (found().length > 0) {
          <ul id="palette-list" role="listbox" aria-label="Found">
            @for (hit of found(); track $index) {
              <li role="option" [id]="'palette-' + $index" [attr.aria-selected]="$index === at()" (mousedown)="run(hit.entry)">
                <tr-latin [text]="isKind(hit.entry) ? '*' + hit.entry.name + '*' : hit.entry.name" />
                <span class="kind">{{ also(hit) }}{{ hit.entry.kind }}</span>
              </li>
            }
          </ul>
        } @else {
          <p class="soft" role="status">Nothing goes by that name here.</p>
        }
      </ng-container>
    </nz-modal>
  `,
  styles: `
    ul {
      margin: 8px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      justify-content: space-between;
      align-items: baseline;
      gap: 16px;
      padding: 6px 10px;
      border-radius: 4px;
      cursor: pointer;
    }
    .kind {
      flex: none;
      max-width: 55%;
      overflow: hidden;
      color: var(--soft);
      font-size: 12px;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    li[aria-selected='true'] {
      background: var(--ink);
      color: var(--sheet);
    }
    li[aria-selected='true'] .kind {
      color: inherit;
    }
    p {
      margin: 10px 0 0;
    }
  `,
})
export class Palette {
  protected readonly commands = inject(Commands);
  private readonly library = inject(Library);
  private readonly preferences = inject(PreferencesStore);
  private readonly router = inject(Router);
  private readonly room = toSignal(inject(RoomSession).state$, { initialValue: null });
  private readonly queryBox = viewChild<string, ElementRef<HTMLInputElement>>('queryBox', { read: ElementRef });

  protected readonly query = signal('');
  protected readonly at = signal(0);

  /** Rooms and tanks of this browser, and the catalogue, as they are when the list is opened. */
  private readonly lists = resource({
    params: () => this.commands.asked() || undefined,
    loader: async () => {
      const rooms = await this.library.rooms();
      const tanks = (await Promise.all(rooms.map(({ id }) => this.library.summaries(id)))).flat();
      return { rooms, tanks };
    },
  });
  private readonly catalogue = toSignal(this.library.catalogue$, { initialValue: null });
  private readonly lookedUp = computed(() => {
    const [catalogue, room] = [this.catalogue(), this.room()?.document];
    if (!catalogue || !room) return [];
    return catalogueEntries(
      catalogue,
      room.own,
      (id) => void this.router.navigate(['/room', room.id, 'catalogue'], { queryParams: { entry: id } }),
    );
  });

  private readonly entries = computed((): PaletteEntry[] => {
    const { rooms, tanks } = this.lists.hasValue() ? this.lists.value() : { rooms: [], tanks: [] };
    return [
      ...this.commands.entries(),
      ...tanks.map(({ id, name }) => ({ name, kind: 'Tank', act: () => void this.router.navigate(['/tank', id]) })),
      ...rooms.map(({ id, name }) => ({ name, kind: 'Room', act: () => void this.router.navigate(['/room', id]) })),
      ...settingEntries(this.preferences),
      ...this.lookedUp(),
    ];
  });
  private readonly sought = computed(() => paletteSearch(this.entries()));
  protected readonly found = computed(() => this.sought()(this.query()));

  constructor() {
    effect(() => {
      if (this.commands.asked()) this.search('');
    });
    // the dialog takes the focus itself a frame after it opens; the box takes it from there
    effect(() => {
      const box = this.queryBox()?.nativeElement;
      if (box) requestAnimationFrame(() => requestAnimationFrame(() => box.focus()));
    });
  }

  protected isKind({ kind }: PaletteEntry): boolean {
    return kind === 'Animal' || kind === 'Plant';
  }

  /** What people call it, beside its Latin name. */
  protected also({ entry, by }: PaletteHit): string {
    const name = this.isKind(entry) ? (by ?? entry.words?.[0]) : null;
    return name ? `${name} · ` : '';
  }

  protected search(query: string): void {
    this.query.set(query);
    this.at.set(0);
  }

  protected keydown(event: KeyboardEvent): void {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const { length } = this.found();
    if (step !== 0 && length > 0) {
      event.preventDefault();
      this.at.update((at) => (at + step + length) % length);
    }
    const hit = this.found()[this.at()];
    if (event.key === 'Enter' && hit) {
      event.preventDefault();
      this.run(hit.entry);
    }
  }

  private chosen: PaletteEntry | null = null;

  protected run(entry: PaletteEntry): void {
    this.chosen = entry;
    this.commands.asked.set(false);
  }

  /** Only once the dialog is gone: it gives the focus back, which would take it from where the deed puts it. */
  protected act(): void {
    const { chosen } = this;
    this.chosen = null;
    chosen?.act();
  }
}
