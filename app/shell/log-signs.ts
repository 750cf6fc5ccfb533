import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Router } from '@angular/router';
import { logNamesOf } from '../../core/assessment/wording/log';
import { wordSign } from '../../core/assessment/wording/record';
import { pointer } from '../../core/design/edit';
import { keyOfSign, type Sign } from '../../core/log/signs';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { AcceptForm } from './accept-form';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';

/** What the log of the tank shows, among the findings of its plan. */
@Component({
  selector: 'tr-log-signs',
  imports: [AcceptForm, LatinText, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (sign of rows(); track sign.key) {
      <article [attr.data-sign]="sign.code">
        <tr-severity [severity]="sign.weight" />
        <div>
          <h3><tr-latin [text]="sign.title" /></h3>
          <p>{{ sign.then }} <span class="soft">By its log.</span></p>
          @if (sign.accepted !== null) {
            <p class="small">
              Accepted: “{{ sign.accepted }}” &ngsp;<button
                type="button"
                class="link"
                [attr.aria-label]="'Withdraw the acceptance of: ' + sign.plain"
                (click)="withdraw(sign.key)"
              >
                Withdraw
              </button>
            </p>
          } @else {
            <div class="actions small">
              <button type="button" class="link" [attr.aria-label]="'Go to it: ' + sign.plain" (click)="go()">Go to it</button>
              <tr-accept-form [disabled]="view.readOnly()" (accepted)="accept(sign.key, $event)" />
            </div>
          }
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
    .actions {
      display: flex;
      gap: 14px;
      margin-top: 2px;
    }
    .link {
      padding: 2px 0;
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
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly router = inject(Router);
  private readonly units = inject(PreferencesStore).units;

  protected readonly rows = computed(() => {
    const catalogue = this.view.catalogue();
    if (!catalogue) return [];
    const reasons = this.view.design()?.accepted ?? {};
    const names = logNamesOf(catalogue, this.view.room()?.kits ?? {});
    return this.signs().map((sign) => {
      const worded = wordSign(sign, names, this.units());
      const key = keyOfSign(sign);
      const accepted = Object.hasOwn(reasons, key) ? (reasons[key] ?? null) : null;
      return { ...worded, plain: worded.title.replaceAll('*', ''), key, accepted, code: sign.code, weight: sign.weight };
    });
  });

  protected accept(key: string, value: string): void {
    this.store.edit('Accept what the log shows', [{ op: 'add', path: pointer('accepted', key), value }]);
  }

  protected withdraw(key: string): void {
    this.store.edit('Take an acceptance back', [{ op: 'remove', path: pointer('accepted', key) }]);
  }

  protected go(): void {
    void this.router.navigate(['/tank', this.view.design()?.id, 'care'], { queryParams: { face: 'told' } });
    this.went.emit();
  }
}
