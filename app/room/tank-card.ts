import { SEVERITY_WORD } from '../../core/calculation/finding';
import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal, viewChild, type ElementRef } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { TankSummary } from '../store/summary';
import { moment } from '../ui/day-text';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';
import { TankFigureDrawing } from '../ui/tank-figure';

/** One tank of the room: how it looks, its worst finding, when it was saved. */
@Component({
  selector: 'tr-tank-card',
  imports: [RouterLink, LatinText, SeverityGlyph, TankFigureDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a [routerLink]="['/tank', tank().id, 'livestock']">
      <tr-tank-figure [figure]="tank().judged?.figure ?? null" />
      <strong>{{ tank().name }}</strong>
      <em>{{ tank().judged ? (tank().judged!.target ?? 'nothing chosen yet') : '…' }}</em>
      @if (tank().judged; as judged) {
        <span class="state"><tr-severity [severity]="judged.worst" [silent]="true" /> {{ verdict() }}</span>
        @if (judged.says) {
          <span class="says small"><tr-latin [text]="judged.says" /></span>
        }
      } @else {
        <span class="state soft">being judged …</span>
      }
      <span class="soft small">saved {{ saved() }}</span>
    </a>
    @if (renaming()) {
      <input
        class="field"
        #name
        maxlength="80"
        [attr.aria-label]="'New name of ' + tank().name"
        [value]="tank().name"
        (keydown.enter)="name.blur()"
        (keydown.escape)="renaming.set(false)"
        (blur)="finish(name.value)"
      />
    } @else {
      <span class="deeds">
        @if (!tank().archived) {
          <button type="button" class="pick small" [attr.aria-label]="'Rename ' + tank().name" (click)="renaming.set(true)">Rename</button>
          <button type="button" class="pick small" [attr.aria-label]="'Duplicate ' + tank().name" (click)="duplicate.emit()">
            Duplicate
          </button>
        }
        <button
          type="button"
          class="pick small"
          [attr.aria-label]="(tank().archived ? 'Bring back ' : 'Archive ') + tank().name"
          (click)="archive.emit(!tank().archived)"
        >
          {{ tank().archived ? 'Bring back' : 'Archive' }}
        </button>
        <button type="button" class="pick small" [attr.aria-label]="'Delete ' + tank().name" (click)="remove.emit()">Delete</button>
      </span>
    }
  `,
  styles: `
    a {
      display: grid;
      gap: 3px;
      padding: 8px 14px 12px;
      border: 1px solid var(--rule);
      border-top: 5px solid #b9d5d8;
      border-bottom: 5px solid #c79a66;
      background: var(--sheet);
      color: var(--ink);
      text-decoration: none;
      &:hover {
        border-inline-color: var(--edge);
        color: var(--ink);
      }
    }
    strong {
      overflow: hidden;
      font: 600 17px var(--display);
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    em {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .state {
      display: flex;
      align-items: center;
      gap: 8px;
    }
    .deeds {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 11px;
      padding: 4px 0;
    }
  `,
})
export class TankCard {
  readonly tank = input.required<TankSummary>();
  readonly rename = output<string>();
  readonly duplicate = output<void>();
  readonly archive = output<boolean>();
  readonly remove = output<void>();
  protected readonly renaming = signal(false);
  private readonly name = viewChild<ElementRef<HTMLInputElement>>('name');

  constructor() {
    effect(() => this.name()?.nativeElement.select());
  }

  protected readonly saved = computed(() => moment(new Date(this.tank().savedAt)));
  protected readonly verdict = computed(() => {
    const judged = this.tank().judged;
    if (!judged) return '';
    const parts = [
      ...(judged.conflicts > 0 ? [`${judged.conflicts} conflict${judged.conflicts > 1 ? 's' : ''}`] : []),
      ...(judged.watches > 0 ? [`${judged.watches} to watch`] : []),
    ];
    return parts.length > 0 ? parts.join(', ') : SEVERITY_WORD[judged.worst];
  });

  protected finish(name: string): void {
    if (!this.renaming()) return;
    this.renaming.set(false);
    if (name.trim() !== '' && name.trim() !== this.tank().name) this.rename.emit(name.trim());
  }
}
