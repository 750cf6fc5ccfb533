import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { plural } from '../../core/quantity/plural';
import type { TakenRoom } from '../store/database';
import { Copies, type Looked, type Made } from '../store/copies';
import { REMIND_DAYS, copyState, remindEvery, type CopyState } from '../store/copy-mark';
import { ChoiceField, type Choice } from '../ui/choice';
import { moment } from '../ui/day-text';

/** What became of a room that was taken out of a copy. */
export interface TakenBack {
  roomId: string;
  said: string;
  /** What stood in its place. */
  before: TakenRoom | null;
}

const EVERY: readonly Choice<number>[] = REMIND_DAYS.map((value) => ({ value, text: value === 0 ? 'never' : `after ${value} days` }));

/** All rooms as one file: made by hand or into a folder, and taken back. */
@Component({
  selector: 'tr-copies-card',
  imports: [ChoiceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p data-copy-state [class.late]="state()?.due">{{ standing() }}</p>
    <div class="row">
      <button class="btn primary" type="button" [disabled]="busy()" (click)="make('file')">Save a copy as a file</button>
      @if (folder(); as name) {
        <button class="btn" type="button" [disabled]="busy()" (click)="make('folder')">Copy into “{{ name }}”</button>
        <button class="pick small" type="button" (click)="forget()">another place</button>
      } @else if (copies.canFolder) {
        <button class="btn" type="button" [disabled]="busy()" (click)="choose()">Choose a folder for copies</button>
      }
      <label class="open-file"
        >Look into a copy
        <input type="file" accept=".zip,application/zip" (change)="look($any($event.target).files); $any($event.target).value = ''"
      /></label>
    </div>
    <tr-choice label="Remind me" [options]="every" [value]="state()?.everyDays ?? 14" (chosen)="remind($event)" />
    @if (said(); as text) {
      <p role="status">{{ text }}</p>
    }
    @for (one of problems(); track $index) {
      <p class="error" role="alert">{{ one }}</p>
    }
    @if (found(); as f) {
      <div class="scroll" data-copy>
        <p>
          Made {{ f.at }}. Nothing is changed yet.
          @if (f.damaged.length > 0) {
            <span class="late">Damaged, and not to be had: {{ f.damaged.join(', ') }}.</span>
          }
        </p>
        <table>
          <thead>
            <tr>
              <th scope="col">Room</th>
              <th scope="col" class="num">Tanks</th>
              <th scope="col" class="num">Lines of log</th>
              <th scope="col">Here</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (one of f.rooms; track one.room.id) {
              <tr>
                <th scope="row">{{ one.room.name }}</th>
                <td class="num">{{ one.room.tanks }}</td>
                <td class="num">{{ one.room.entries }}</td>
                <td>{{ one.here === 'not here' ? 'not here' : 'a room of this name is here' }}</td>
                <td>
                  <button class="btn" type="button" [attr.aria-label]="'Take in beside: ' + one.room.name" (click)="take(one, 'beside')">
                    {{ one.here === 'not here' ? 'Take in' : 'Take in beside' }}
                  </button>
                  @if (one.here !== 'not here') {
                    <button
                      class="btn danger"
                      type="button"
                      [attr.aria-label]="'In place of what is here: ' + one.room.name"
                      (click)="take(one, 'instead')"
                    >
                      In place of what is here
                    </button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 820px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      margin: 8px 0;
    }
    .late {
      color: var(--ochre);
    }
    [data-copy] {
      margin-top: 12px;
    }
    td .btn {
      margin-right: 6px;
    }
  `,
})
export class CopiesCard {
  /** A room came out of a copy. */
  readonly taken = output<TakenBack>();
  /** A copy was made. */
  readonly made = output();
  protected readonly copies = inject(Copies);
  protected readonly every = EVERY;
  protected readonly state = signal<CopyState | null>(null);
  protected readonly folder = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly said = signal<string | null>(null);
  protected readonly problems = signal<readonly string[]>([]);
  protected readonly found = signal<{ at: string; rooms: readonly Looked[]; damaged: readonly string[] } | null>(null);

  constructor() {
    void this.refresh();
  }

  private async refresh(): Promise<void> {
    const [state, folder] = await Promise.all([copyState(), this.copies.folder()]);
    this.state.set(state);
    this.folder.set(folder?.name ?? null);
  }

  protected standing(): string {
    const state = this.state();
    if (!state) return '';
    if (state.at === null)
      return 'No copy was made yet. All rooms, tanks and logs live in this browser alone: when its data is cleared, or the device is lost, they are gone.';
    const when = `The last copy went to ${state.where}, ${moment(new Date(state.at), true)}`;
    return state.changed ? `${when}; something was written since.` : `${when}; nothing was written since.`;
  }

  protected async make(how: 'file' | 'folder'): Promise<void> {
    this.busy.set(true);
    const made: Made = how === 'file' ? await this.copies.toFile() : await this.copies.toFolder(true);
    this.busy.set(false);
    this.said.set(made.ok ? `A copy of everything went to ${made.where}.` : null);
    this.problems.set(made.ok ? made.left : [made.reason]);
    await this.refresh();
    if (made.ok) this.made.emit();
  }

  protected async choose(): Promise<void> {
    try {
      if (await this.copies.chooseFolder()) await this.make('folder');
    } catch (error) {
      this.problems.set([`No folder was taken: ${error instanceof Error ? error.message : String(error)}`]);
    }
  }

  protected async forget(): Promise<void> {
    await this.copies.forgetFolder();
    await this.refresh();
  }

  protected async remind(everyDays: number): Promise<void> {
    await remindEvery(everyDays);
    await this.refresh();
  }

  protected async look(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const looked = await this.copies.look(file);
    this.said.set(null);
    this.problems.set(looked.ok ? [] : [...looked.reasons, 'Nothing was changed.']);
    this.found.set(looked.ok ? { ...looked, at: moment(new Date(looked.at), true) } : null);
  }

  protected async take({ room }: Looked, how: 'beside' | 'instead'): Promise<void> {
    this.busy.set(true);
    const back = await this.copies.takeBack(room, how);
    this.busy.set(false);
    this.problems.set(back.ok ? [] : back.reasons);
    if (!back.ok) return;
    this.found.set(null);
    const what = `“${room.name}” with ${plural(room.tanks, 'tank')} is back from the copy`;
    this.taken.emit({
      roomId: back.roomId,
      before: back.before,
      said: `${what}${how === 'instead' ? ', in place of what was here' : ''}.`,
    });
  }
}
