import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Router } from '@angular/router';
import { logNamesOf } from '../../core/assessment/wording/log';
import { wordSign } from '../../core/assessment/wording/record';
import type { Sign } from '../../core/log/signs';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';

/** What the log of the tank shows, among the findings of its plan. */
@Component({
  selector: 'tr-log-signs',
  imports: [LatinText, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (sign of rows(); track sign.key) {
      <article [attr.data-sign]="sign.code">
        <tr-severity [severity]="sign.weight" />
        <div>
          <h3><tr-latin [text]="sign.title" /></h3>
          <p>{{ sign.then }} <span class="soft">By its log.</span></p>
          <p class="small">
            <button type="button" class="link" [attr.aria-label]="'Go to it: ' + sign.plain" (click)="go()">Go to it</button>
          </p>
        </div>
      </article>
    }
  `,
  styles: `
    article {
      display: flex;
      gap: 10px;
      padding: 9px 0;
      border-top: 1px solid var(--rule);
      tr-severity {
        flex: none;
        align-self: flex-start;
        margin-top: 4px;
      }
    }
    h3 {
      font: 700 14px/1.35 var(--text);
    }
    p {
      margin-top: 2px;
      font-size: 13px;
    }
    .link {
      padding: 0;
      border: 0;
      background: none;
      color: var(--soft);
      text-decoration: underline;
      text-underline-offset: 2px;
      cursor: pointer;
    }
  `,
})
export class LogSigns {
  readonly signs = input.required<readonly Sign[]>();
  /** Left for a bench. */
  readonly went = output();
  private readonly view = inject(TankView);
  private readonly router = inject(Router);
  private readonly units = inject(PreferencesStore).units;

  protected readonly rows = computed(() => {
    const catalogue = this.view.catalogue();
    if (!catalogue) return [];
    const names = logNamesOf(catalogue, this.view.room()?.kits ?? {});
    return this.signs().map((sign) => {
      const worded = wordSign(sign, names, this.units());
      const key = `${sign.code} ${sign.parameter ?? ''} ${sign.subjects.join(' ')}`;
      return { ...worded, plain: worded.title.replaceAll('*', ''), key, code: sign.code, weight: sign.weight };
    });
  });

  protected go(): void {
    void this.router.navigate(['/tank', this.view.design()?.id, 'care'], { queryParams: { face: 'told' } });
    this.went.emit();
  }
}
