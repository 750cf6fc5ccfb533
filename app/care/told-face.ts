import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { logNamesOf } from '../../core/assessment/wording/log';
import { wordShares, wordSign } from '../../core/assessment/wording/record';
import { SEVERITY_WORD } from '../../core/calculation/finding';
import { dayOf } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { datedDay } from '../ui/day-text';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';

/** What the log shows, read against the plan: what goes wrong, from when on, why it may be, and what to do next. */
@Component({
  selector: 'tr-told-face',
  imports: [LatinText, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section data-control="told" aria-labelledby="told-heading">
      <h2 id="told-heading">What the log says</h2>
      @if (simulated()) {
        <p class="small"><strong>SIMULATED</strong> readings are among them.</p>
      }
      @if (!read()) {
        <p class="soft" role="status">
          {{ log()?.lines?.length === 0 ? 'Nothing is written down yet.' : 'Reading the log against the plan …' }}
        </p>
      } @else if (signs().length === 0) {
        <p>
          Nothing in the last half year stands out: nothing goes one way further than its kit may be off and the plan says, no level changed
          at once, nothing that is tested by habit is overdue. That is no all-clear: only what was written down is read.
        </p>
      }
      <ol>
        @for (sign of signs(); track sign.key) {
          <li [attr.data-sign]="sign.code">
            <tr-severity [severity]="sign.weight" />
            <div>
              <h3><tr-latin [text]="sign.title" /></h3>
              <p class="small soft">{{ sign.word }}{{ sign.since ? ', since about ' + sign.since : '' }}</p>
              <p>{{ sign.detail }}</p>
              <p><strong>Next:</strong> {{ sign.then }}</p>
            </div>
          </li>
        }
      </ol>
    </section>
    @if (shares(); as s) {
      <section data-control="refit" aria-labelledby="refit-heading">
        <h2 id="refit-heading">This tank, by its own readings</h2>
        <p class="small soft">
          The balance was followed since {{ s.begun }} with the changes as they were done, and set right by {{ s.tests }} readings. In
          brackets: where nine in ten lie. What was hardly tested stays as planned, with a wide bracket.
        </p>
        <dl>
          @for (one of s.shares; track one.what) {
            <dt>{{ one.what }}</dt>
            <dd [class.off]="one.off">{{ one.said }}</dd>
          }
        </dl>
      </section>
    }
  `,
  styles: `
    section {
      max-width: 760px;
      margin-bottom: 22px;
    }
    h2 {
      margin-bottom: 6px;
    }
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      align-items: flex-start;
      gap: 12px;
      padding: 10px 0;
      border-top: 1px solid var(--rule);
    }
    li > tr-severity {
      flex: none;
      padding-top: 2px;
    }
    li > div {
      display: flex;
      flex-direction: column;
      gap: 3px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 4px 16px;
      margin: 8px 0 0;
    }
    dd {
      margin: 0;
    }
    .off {
      font-weight: 600;
    }
  `,
})
export class ToldFace {
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  private readonly now = Date.now();
  protected readonly log = this.view.log;
  protected readonly read = workedOut(
    this.view,
    'record',
    computed(() => {
      const lines = this.log()?.lines;
      return lines && lines.length > 0 ? { lines, today: this.today, now: this.now } : null;
    }),
  );
  protected readonly simulated = computed(() => (this.log()?.lines ?? []).some(({ entry }) => entry.kind === 'reading' && entry.simulated));

  protected readonly signs = computed(() => {
    const catalogue = this.view.catalogue();
    if (!catalogue) return [];
    const names = logNamesOf(catalogue, this.view.room()?.kits ?? {});
    return (this.read()?.signs ?? []).map((sign) => ({
      ...wordSign(sign, names, this.units()),
      key: `${sign.code} ${sign.parameter ?? ''} ${sign.subjects.join(' ')}`,
      code: sign.code,
      weight: sign.weight,
      word: SEVERITY_WORD[sign.weight],
      since: sign.since === null ? null : datedDay(sign.since, this.today),
    }));
  });

  protected readonly shares = computed(() => {
    const refit = this.read()?.refit;
    return refit ? { begun: datedDay(refit.begun, this.today), tests: refit.tests, shares: wordShares(refit.share, this.units()) } : null;
  });
}
