import { ChangeDetectionStrategy, Component, inject, input, output, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Commands } from '../palette/commands';
import { UnitsMenu } from '../ui/units-menu';

/**
 * The line over every page: where one is, whether the work is safe, back and forth in what was done, units, and the palette.
 * Where one is goes straight in, what stands before Undo as [state], what stands after Redo as [acts].
 */
@Component({
  selector: 'tr-page-header',
  imports: [RouterLink, UnitsMenu],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <header>
      <a class="brand" routerLink="/" aria-label="Terroir: all rooms">
        <img src="icon.svg" alt="" width="20" height="20" />
        <span>Terroir</span>
      </a>
      <ng-content />
      <span class="tools">
        <ng-content select="[state]" />
        @if (history(); as last) {
          <button class="btn" type="button" [disabled]="last.undo === null || readOnly()" [title]="last.undo ?? ''" (click)="undo.emit()">
            Undo
          </button>
          <button class="btn" type="button" [disabled]="last.redo === null || readOnly()" [title]="last.redo ?? ''" (click)="redo.emit()">
            Redo
          </button>
        }
        <ng-content select="[acts]" />
        <tr-units-menu />
        <button class="btn" type="button" aria-label="Ctrl K: find or do" (click)="commands.asked.set(true)">Ctrl K</button>
      </span>
    </header>
  `,
  styles: `
    :host {
      display: block;
      flex: none;
    }
    header {
      display: flex;
      align-items: center;
      gap: 6px 14px;
      min-height: 46px;
      padding: 0 16px;
      border-bottom: 1px solid var(--rule);
      white-space: nowrap;
    }
    .brand {
      display: flex;
      align-items: center;
      gap: 10px;
      color: var(--ink);
      font: 600 20px var(--display);
      text-decoration: none;
    }
    .tools {
      display: flex;
      flex: none;
      align-items: center;
      gap: 8px;
      margin-left: auto;
    }
    @media (max-width: 1023px) {
      header {
        flex-wrap: wrap;
        padding-block: 6px;
      }
    }
    @media (max-width: 719px) {
      .tools {
        flex: 1 1 100%;
        flex-wrap: wrap;
      }
      :host(.inner) .brand span {
        display: none;
      }
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
})
export class PageHeader {
  /** The names of what Undo and Redo would do; null for nothing, and for a page that has none. */
  readonly history = input<{ undo: string | null; redo: string | null } | null>(null);
  readonly readOnly = input(false);
  readonly undo = output();
  readonly redo = output();
  protected readonly commands = inject(Commands);
  readonly units = viewChild.required(UnitsMenu);
}
