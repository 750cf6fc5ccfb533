import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { factsOf } from '../../core/assessment/plan/diagnosis';
import { CAUSE_WORDS, mindIn, SYMPTOM_GROUP_WORD, SYMPTOM_WORD, wordSpeaks } from '../../core/assessment/wording/diagnosis';
import { suspects } from '../../core/diagnosis/rank';
import { SYMPTOM_GROUPS, type SymptomGroup, type SymptomId } from '../../core/diagnosis/symptoms';
import { dayOf } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankView } from '../store/tank-view';

/** How many causes are shown at once. */
const SHOWN = 5;
/** Shares are no measurement: they are said in words. */
const likely = (share: number): string =>
  share >= 0.6 ? 'by far the likeliest' : share >= 0.3 ? 'likely' : share >= 0.12 ? 'may be' : 'less likely';

/** From what is seen to what it may be: ranked by this tank's figures, with what tells causes apart and what harms nothing meanwhile. */
@Component({
  selector: 'tr-diagnosis-face',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section data-control="signs" aria-labelledby="signs-heading">
      <h2 id="signs-heading">What do you see?</h2>
      <p class="small soft">
        Press all of it. What it may be follows from the signs and from this tank: its plan, its log, and its balance. It is no verdict, and
        it replaces no vet.
      </p>
      <div class="groups">
        @for (group of groups(); track group.id) {
          <fieldset>
            <legend>{{ group.name }}</legend>
            @for (sign of group.signs; track sign.id) {
              <button class="sign" type="button" [attr.aria-pressed]="seen().has(sign.id)" (click)="press(sign.id)">{{ sign.name }}</button>
            }
          </fieldset>
        }
      </div>
      @if (seen().size > 0) {
        <p>
          <button class="btn" type="button" (click)="seen.set(none)">Begin again</button>
          <button class="btn" type="button" (click)="note()">Write what I see into the log</button>
          @if (said(); as text) {
            <span role="status" class="small">{{ text }}</span>
          }
        </p>
      }
    </section>
    @if (found(); as list) {
      <section data-control="causes" aria-labelledby="causes-heading">
        <h2 id="causes-heading" role="status">
          {{ list.length === 0 ? 'Nothing that is known here brings these signs' : 'What it may be' }}
        </h2>
        <ol>
          @for (one of list; track one.id) {
            <li [attr.data-cause]="one.id">
              <h3>
                {{ one.name }} <span class="small soft">{{ one.likely }}</span>
              </h3>
              @if (one.for.length > 0) {
                <p class="small"><strong>For it here:</strong> {{ one.for.join(' ') }}</p>
              }
              @if (one.against.length > 0) {
                <p class="small"><strong>Against it:</strong> {{ one.against.join(' ') }}</p>
              }
              @if (one.leaves.length > 0) {
                <p class="small soft">It does not explain: {{ one.leaves.join(', ') }}.</p>
              }
              <p><strong>What tells it:</strong> {{ one.apart }}</p>
              <p><strong>Meanwhile:</strong> {{ one.aid }}</p>
              @if (one.mind) {
                <p class="mind">{{ one.mind }}</p>
              }
              @if (one.vet) {
                <p class="small"><strong>Vet:</strong> {{ one.vet }}</p>
              }
            </li>
          }
        </ol>
        @if (untested()) {
          <p class="small soft">{{ untested() }}</p>
        }
      </section>
    }
  `,
  styles: `
    section {
      margin-bottom: 20px;
    }
    .groups {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
      gap: 10px 24px;
      margin: 8px 0;
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      align-content: flex-start;
      gap: 5px;
      margin: 0;
      padding: 0;
      border: 0;
    }
    legend {
      margin-bottom: 3px;
      color: var(--soft);
      font-size: 12.5px;
    }
    .sign {
      min-height: 30px;
      padding: 3px 9px;
      border: 1px solid var(--rule);
      border-radius: 3px;
      background: none;
      color: var(--ink);
      font: inherit;
      font-size: 13.5px;
      cursor: pointer;
      &[aria-pressed='true'] {
        border-color: var(--ink);
        background: var(--ink);
        color: var(--paper);
      }
    }
    ol {
      max-width: 780px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-direction: column;
      gap: 3px;
      padding: 10px 0;
      border-top: 1px solid var(--rule);
    }
    .mind {
      color: var(--ochre);
    }
    @media (max-width: 719px) {
      .groups {
        grid-template-columns: 1fr;
      }
      .sign {
        min-height: 44px;
      }
    }
  `,
})
export class DiagnosisFace {
  private readonly view = inject(TankView);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  protected readonly none: ReadonlySet<SymptomId> = new Set();
  protected readonly seen = signal<ReadonlySet<SymptomId>>(this.none);
  protected readonly said = signal<string | null>(null);

  private readonly facts = computed(() => {
    const [assessment, log] = [this.view.told(), this.view.log()];
    return assessment && log ? factsOf(assessment, log.lines, this.today) : null;
  });

  /** Signs of animals that live here, and of all tanks. */
  protected readonly groups = computed(() => {
    const lives = this.facts()?.groups;
    const shelled = !lives || ['shrimp', 'crayfish', 'crab', 'snail'].some((one) => lives.has(one as never));
    return (Object.keys(SYMPTOM_GROUPS) as SymptomGroup[])
      .filter((id) => id !== 'shrimp' || shelled)
      .map((id) => ({
        id,
        name: SYMPTOM_GROUP_WORD[id],
        signs: SYMPTOM_GROUPS[id].map((sign) => ({ id: sign, name: SYMPTOM_WORD[sign] })),
      }));
  });

  protected readonly found = computed(() => {
    const facts = this.facts();
    if (!facts || this.seen().size === 0) return null;
    const units = this.units();
    return suspects([...this.seen()], facts)
      .slice(0, SHOWN)
      .map(({ cause, share, leaves, speaks }) => ({
        id: cause,
        ...CAUSE_WORDS[cause],
        likely: likely(share),
        for: speaks.filter(({ weight }) => weight > 0).map((one) => wordSpeaks(one, units)),
        against: speaks.filter(({ weight }) => weight < 0).map((one) => wordSpeaks(one, units)),
        leaves: leaves.map((sign) => SYMPTOM_WORD[sign].toLowerCase()),
        mind: mindIn(cause, facts),
      }));
  });

  /** What is not known of the tank, and would sharpen the list. */
  protected readonly untested = computed(() => {
    const facts = this.facts();
    if (!facts) return '';
    const missing = [
      ...(facts.ammoniaMgN === null ? ['ammonia'] : []),
      ...(facts.nitriteMgN === null ? ['nitrite'] : []),
      ...(facts.ph?.readDaysAgo === null || facts.ph === null ? ['pH'] : []),
      ...(facts.temperatureC?.readDaysAgo === null || facts.temperatureC === null ? ['temperature'] : []),
    ];
    return missing.length === 0
      ? ''
      : `Not read in the last two months: ${missing.join(', ')}. Written into the log, they sharpen this list.`;
  });

  protected press(sign: SymptomId): void {
    this.said.set(null);
    const seen = new Set(this.seen());
    if (!seen.delete(sign)) seen.add(sign);
    this.seen.set(seen);
  }

  protected async note(): Promise<void> {
    const seen = [...this.seen()].map((sign) => SYMPTOM_WORD[sign].toLowerCase()).join(', ');
    const written = await this.logs.write({ kind: 'note', note: `Seen: ${seen}.`.slice(0, 1000) });
    this.said.set(written.ok ? 'Written down.' : written.reason);
  }
}
