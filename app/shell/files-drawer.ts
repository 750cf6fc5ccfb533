import { ChangeDetectionStrategy, Component, effect, inject, model, signal, viewChildren } from '@angular/core';
import { Router } from '@angular/router';
import { A11yModule } from '@angular/cdk/a11y';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { Section } from '../section/section';
import { Library } from '../store/library';
import type { Snapshot } from '../store/database';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { moment } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { standaloneSvg, svgToPng } from '../ui/svg-file';
import { exportDesign } from './design-file';

const WHY: Readonly<Record<Snapshot['why'], string>> = {
  opened: 'when it was opened',
  kept: 'kept by you',
  'before-restore': 'before going back',
};

/** What goes in and out: the design as a file, its drawing, a sheet to print, and earlier states to go back to. */
@Component({
  selector: 'tr-files',
  imports: [A11yModule, NzDrawerModule, Section],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-drawer
      nzPlacement="right"
      [nzVisible]="visible()"
      nzWidth="min(420px, 100vw)"
      [nzClosable]="false"
      (nzOnClose)="visible.set(false)"
    >
      <ng-container *nzDrawerContent>
        @if (visible()) {
          <div role="dialog" aria-modal="true" cdkTrapFocus cdkTrapFocusAutoCapture aria-labelledby="files-heading">
            <p class="head">
              <strong id="files-heading">Files and earlier states</strong>
              <button class="btn" type="button" (click)="visible.set(false)">Close</button>
            </p>
            <h3>This design</h3>
            <p class="buttons">
              <button class="btn" type="button" (click)="exportFile()">Export as a file</button>
              <button class="btn" type="button" (click)="toSheet()">Summary to print</button>
              <button class="btn" type="button" [disabled]="view.members().length === 0" (click)="speciesList()">
                Species list (Darwin Core)
              </button>
            </p>
            <p class="small soft">
              The file carries the room and every catalogue entry it uses. The whole room is exported on the room’s page.
            </p>
            <h3>Drawing</h3>
            @if (view.design()?.vessel) {
              @for (one of drawings; track one.view) {
                <tr-section [view]="one.view" [inset]="false" />
                <p class="buttons">
                  <button class="btn" type="button" (click)="svg(one.view)">{{ one.name }} as SVG</button>
                  <button class="btn" type="button" (click)="png(one.view)">{{ one.name }} as PNG</button>
                </p>
              }
            } @else {
              <p class="soft">There is no vessel to draw yet.</p>
            }
            @if (problem(); as text) {
              <p class="error" role="alert">{{ text }}</p>
            }
            <h3>Earlier states</h3>
            <p class="buttons">
              <button class="btn" type="button" [disabled]="view.readOnly()" (click)="keep()">Keep this state</button>
            </p>
            <ul>
              @for (snapshot of snapshots(); track snapshot.id) {
                <li>
                  <span>
                    {{ when(snapshot.at) }}
                    <span class="soft small">{{ why[snapshot.why] }}, edit {{ snapshot.design.rev }}</span>
                  </span>
                  <button
                    class="btn"
                    type="button"
                    [disabled]="view.readOnly() || snapshot.design.rev === view.design()?.rev"
                    [attr.aria-label]="'Go back to edit ' + snapshot.design.rev"
                    (click)="restore(snapshot)"
                  >
                    Go back
                  </button>
                </li>
              } @empty {
                <li class="soft">None yet. One is kept each time the tank is opened, and whenever you ask for it.</li>
              }
            </ul>
            <p class="small soft">
              Going back is an edit like any other: undo takes it back. The last 20 are kept, and every one that you kept yourself.
            </p>
          </div>
        }
      </ng-container>
    </nz-drawer>
  `,
  styles: `
    .head {
      display: flex;
      align-items: center;
      justify-content: space-between;
      margin-bottom: 12px;
      strong {
        font: 600 18px var(--display);
      }
    }
    h3 {
      margin: 16px 0 6px;
      &:first-child {
        margin-top: 0;
      }
    }
    .buttons {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 6px 0;
    }
    ul {
      margin: 8px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 8px;
      padding: 5px 0;
      border-top: 1px solid var(--rule);
    }
  `,
})
export class Files {
  readonly visible = model(false);
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly library = inject(Library);
  private readonly router = inject(Router);
  private readonly sections = viewChildren(Section);
  protected readonly drawings = [
    { view: 'section', name: 'Section' },
    { view: 'plan', name: 'Plan' },
  ] as const;
  protected readonly why = WHY;
  protected readonly when = (at: string) => moment(new Date(at), true);
  protected readonly snapshots = signal<Snapshot[]>([]);
  protected readonly problem = signal<string | null>(null);

  constructor() {
    effect(() => {
      if (this.visible()) void this.refresh();
    });
    // the keyboard goes with the eye
  }

  private async refresh(): Promise<void> {
    const id = this.view.design()?.id;
    if (id) this.snapshots.set(await this.library.snapshots(id));
  }

  protected exportFile(): void {
    exportDesign(this.view);
  }

  protected toSheet(): void {
    const id = this.view.design()?.id;
    this.visible.set(false);
    if (id) void this.router.navigate(['/tank', id, 'sheet']);
  }

  private drawing(view: 'section' | 'plan'): { text: string; stem: string } | null {
    const svg = this.sections()
      .find((section) => section.view() === view)
      ?.element();
    const design = this.view.design();
    return svg && design ? { text: standaloneSvg(svg, design.name), stem: `${fileStem(design.name)}-${view}` } : null;
  }

  /** What is kept, as occurrence records of living specimens. */
  protected async speciesList(): Promise<void> {
    const design = this.view.design();
    if (!design) return;
    const { keptAsOccurrences } = await import('../../core/biotope/darwin-core');
    const kept = this.view.members().map(({ id, organismId, organism, count }) => ({
      id,
      organismId,
      latin: organism?.latin ?? organismId,
      count,
      ...(design.stock[id]?.candidateIds ? { remarks: 'not identified' } : {}),
    }));
    download(`${fileStem(design.name)}-species.csv`, keptAsOccurrences(design.id, kept), 'text/csv');
  }

  protected svg(view: 'section' | 'plan'): void {
    const drawing = this.drawing(view);
    if (drawing) download(`${drawing.stem}.svg`, drawing.text, 'image/svg+xml');
  }

  protected async png(view: 'section' | 'plan'): Promise<void> {
    const drawing = this.drawing(view);
    if (!drawing) return;
    try {
      download(`${drawing.stem}.png`, await svgToPng(drawing.text));
      this.problem.set(null);
    } catch (error) {
      this.problem.set(`No picture: ${error instanceof Error ? error.message : 'the browser refused'}. The SVG still works.`);
    }
  }

  protected async keep(): Promise<void> {
    const design = this.view.state()?.document;
    if (!design) return;
    await this.library.keepSnapshot(design, 'kept');
    await this.refresh();
  }

  protected async restore({ design }: Snapshot): Promise<void> {
    await this.store.restore(design);
    await this.refresh();
  }
}
