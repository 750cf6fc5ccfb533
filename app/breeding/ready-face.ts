import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Severity } from '../../core/calculation/finding';
import { NEED_STATE_WORD, type WordedNeed } from '../../core/assessment/wording/spawning';
import { chosenKind } from '../store/chosen-kind';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { LatinText } from '../ui/latin-text';
import { SelectField } from '../ui/select';
import { SeverityGlyph } from '../ui/severity-glyph';

const GLYPH: Readonly<Record<WordedNeed['state'], Severity>> = { met: 'fits', watch: 'watch', missing: 'conflict', unknown: 'unknown' };
/** Where each is mended. */
const BENCH: Readonly<Partial<Record<WordedNeed['need'], string>>> = {
  sexes: 'livestock',
  age: 'livestock',
  room: 'vessel',
  site: 'hardscape',
  water: 'water',
  warmth: 'equipment',
  light: 'equipment',
  food: 'stocking',
  company: 'stocking',
};

/** What a kind wants before it spawns, and what lacks. */
@Component({
  selector: 'tr-ready-face',
  imports: [LatinText, RouterLink, SelectField, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length === 0) {
      <p class="soft">Nobody lives here yet: name the animal on the Livestock bench, and this says what it wants to spawn.</p>
    } @else {
      @if (kinds().length > 1) {
        <tr-select label="Of" [options]="kinds()" [value]="stockId()" (chosen)="stockId.set($event)" />
      }
      @if (told(); as t) {
        <section data-control="ready" aria-labelledby="ready-heading">
          <h2 id="ready-heading">
            <em>{{ t.latin }}</em>
          </h2>
          <p class="lead" role="status">{{ t.lead }}</p>
          <ol>
            @for (need of t.needs; track need.need) {
              <li [attr.data-need]="need.need" [attr.data-state]="need.state">
                <tr-severity [severity]="need.glyph" [silent]="true" />
                <div>
                  <h3>
                    {{ need.name }} <span class="state soft">{{ need.said }}</span>
                  </h3>
                  @if (need.wants) {
                    <p class="soft small">{{ need.wants }}</p>
                  }
                  @for (line of need.lines; track line) {
                    <p><tr-latin [text]="line" /></p>
                  }
                  @if (need.to && need.state !== 'met') {
                    <p class="small">
                      <a [routerLink]="need.to" [attr.aria-label]="'Go to it: ' + need.name">Go to it</a>
                    </p>
                  }
                </div>
              </li>
            }
          </ol>
          <p class="trigger">
            <strong>What sets it off:</strong> {{ t.trigger ?? 'not known of this kind' }}.
            <span class="soft small">Change water and warmth by the steps of the Water bench, within what all who live here bear.</span>
          </p>
        </section>
      } @else {
        <p class="soft">Looking …</p>
      }
    }
  `,
  styles: `
    h2 {
      margin: 8px 0 2px;
    }
    .lead {
      font-size: 15px;
    }
    ol {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0 28px;
      margin: 8px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      gap: 10px;
      padding: 9px 0;
      border-top: 1px solid var(--rule);
      tr-severity {
        flex: none;
        align-self: flex-start;
        margin-top: 3px;
      }
    }
    h3 {
      font: 700 15px/1.35 var(--text);
    }
    .state {
      font-weight: 400;
    }
    li p {
      margin-top: 2px;
    }
    .trigger {
      margin-top: 12px;
      padding-top: 10px;
      border-top: 2px solid var(--ink);
    }
    @media (max-width: 719px) {
      ol {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class ReadyFace {
  private readonly tank = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  private readonly chosen = chosenKind(this.tank);
  protected readonly kinds = this.chosen.kinds;
  protected readonly stockId = this.chosen.stockId;
  private readonly question = computed(() => {
    const stockId = this.stockId();
    return stockId === null ? null : { stockId, units: this.units() };
  });
  private readonly found = workedOut(this.tank, 'spawning', this.question);

  protected readonly told = computed(() => {
    const found = this.found();
    if (!found || found.stockId !== this.stockId()) return null;
    const [tankId, roomId] = [this.tank.design()?.id, this.tank.room()?.id];
    return {
      ...found,
      latin: this.kinds().find(({ value }) => value === found.stockId)?.text ?? '',
      needs: found.needs.map((need) => ({
        ...need,
        glyph: GLYPH[need.state],
        said: NEED_STATE_WORD[need.state],
        to: need.need === 'homes' ? ['/room', roomId] : BENCH[need.need] ? ['/tank', tankId, BENCH[need.need]] : null,
      })),
    };
  });
}
