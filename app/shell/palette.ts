import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  model,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import Fuse from 'fuse.js';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { BENCHES } from './benches';

interface Command {
  name: string;
  act: () => void;
}

/** Everything that can be done, by name. */
@Component({
  selector: 'tr-palette',
  imports: [NzInputModule, NzModalModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-modal [nzVisible]="visible()" nzTitle="Find and do" [nzFooter]="null" [nzWidth]="440" (nzOnCancel)="visible.set(false)">
      <ng-container *nzModalContent>
        <input
          nz-input
          #queryBox
          role="combobox"
          aria-label="What to do"
          aria-controls="palette-list"
          aria-expanded="true"
          autocomplete="off"
          [attr.aria-activedescendant]="'palette-' + at()"
          [value]="query()"
          (input)="search(queryBox.value)"
          (keydown)="keydown($event)"
        />
        <ul id="palette-list" role="listbox" aria-label="Commands">
          @for (command of found(); track command.name) {
            <li role="option" [id]="'palette-' + $index" [attr.aria-selected]="$index === at()" (mousedown)="run(command)">
              {{ command.name }}
            </li>
          }
        </ul>
        @if (found().length === 0) {
          <p class="soft">Nothing is called that.</p>
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
      padding: 6px 10px;
      border-radius: 4px;
      cursor: pointer;
    }
    li[aria-selected='true'] {
      background: var(--ink);
      color: var(--sheet);
    }
  `,
})
export class Palette {
  readonly tankId = input.required<string>();
  readonly undo = output<void>();
  readonly redo = output<void>();
  readonly exportFile = output<void>();
  readonly files = output<void>();
  readonly help = output<void>();
  private readonly router = inject(Router);
  private readonly view = inject(TankView);
  private readonly preferences = inject(PreferencesStore);

  private readonly queryBox = viewChild<string, ElementRef<HTMLInputElement>>('queryBox', { read: ElementRef });

  readonly visible = model(false);
  protected readonly query = signal('');
  protected readonly at = signal(0);
  private readonly commands: readonly Command[] = [
    ...BENCHES.map((bench) => ({ name: `Go to ${bench.name}`, act: () => void this.router.navigate(['/tank', this.tankId(), bench.id]) })),
    { name: 'Go to the rooms', act: () => void this.router.navigate(['/']) },
    { name: 'Look it up in the catalogue', act: () => void this.router.navigate(['/room', this.view.room()?.id, 'catalogue']) },
    { name: 'Undo', act: () => this.undo.emit() },
    { name: 'Redo', act: () => this.redo.emit() },
    { name: 'Export this design', act: () => this.exportFile.emit() },
    { name: 'Summary to print', act: () => void this.router.navigate(['/tank', this.tankId(), 'sheet']) },
    { name: 'Files and earlier states', act: () => this.files.emit() },
    { name: 'Switch between Loam and Night room', act: () => this.preferences.toggleTheme() },
    { name: 'Show the keys', act: () => this.help.emit() },
  ];
  private readonly fuse = new Fuse(this.commands, { keys: ['name'], threshold: 0.4, ignoreLocation: true });
  protected readonly found = computed(() =>
    (this.query().trim() === '' ? this.commands : this.fuse.search(this.query()).map(({ item }) => item)).slice(0, 9),
  );

  constructor() {
    effect(() => {
      if (this.visible()) this.search('');
    });
    // the dialog takes the focus itself a frame after it opens; the box takes it from there
    effect(() => {
      const box = this.queryBox()?.nativeElement;
      if (box) requestAnimationFrame(() => requestAnimationFrame(() => box.focus()));
    });
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
    const command = this.found()[this.at()];
    if (event.key === 'Enter' && command) {
      event.preventDefault();
      this.run(command);
    }
  }

  protected run(command: Command): void {
    this.visible.set(false);
    command.act();
  }
}
