import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { plannedNode, type Derived } from '../../core/assessment/derive';
import { PARAMETERS } from '../../core/catalogue/parameter';
import { placeholdersFor, swapPlan, type Filter } from '../../core/assessment/plan/swap';
import { wordStep } from '../../core/assessment/wording/steps';
import type { Animal } from '../../core/catalogue/organism';
import { companyFindings } from '../../core/stocking/findings';
import { PlanStart } from '../parts/plan-start';
import { saltsKnown } from '../../core/design/own-catalogue';
import { saltName } from '../../core/water/salts';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { LatinText } from '../ui/latin-text';
import { SelectField } from '../ui/select';

const FILTERS: readonly { value: Filter; text: string }[] = [
  { value: 'new', text: 'new, from nothing' },
  { value: 'fresh-soil', text: 'new, on fresh active soil' },
  { value: 'mature-media', text: 'with media of a running tank' },
];

/** Most kinds offered to go in first. */
const MOST_FIRST = 16;

const plannedValues = (derived: Derived) =>
  Object.fromEntries(PARAMETERS.map((parameter) => [parameter, plannedNode(derived, parameter).value]));

/** Hardy animals now, delicate ones later: dates, and the checks that each stage waits for. */
@Component({
  selector: 'tr-change-swap',
  imports: [SelectField, LatinText, PlanStart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Mature the tank for delicate animals</h2>
    <p>
      Hardy animals live in it first; those it is for follow when biofilm and micro-life have grown. Each stage waits for a measured check.
    </p>
    <div class="fields">
      <tr-select label="Filter" [options]="filters" [value]="filter()" (chosen)="filter.set($event!)" />
      <tr-select label="First" none="nobody: fishless" [options]="firsts()" [value]="first()" (chosen)="first.set($event)" />
      <tr-select label="Then" [options]="thens()" [value]="target()?.id ?? null" (chosen)="then.set($event)" />
    </div>
    @if (plan(); as p) {
      <p role="status">
        <strong>{{ p.weeks }}</strong> from filling to the animals it is for. {{ p.together }}
      </p>
      <ol>
        @for (step of p.told; track $index) {
          <li>
            <span class="soft">day {{ step.day }}</span> <strong class="what"><tr-latin [text]="step.title" /></strong>
            <span class="small">{{ step.detail }}</span>
          </li>
        }
      </ol>
      <tr-plan-start plan="Ripened for delicate animals" [steps]="p.steps" label="Filled on" />
      <p class="small soft">
        Some stock at once on grown-in media and test every day. One success proves nothing: above all animals that graze starve in a clean
        tank.
      </p>
    } @else {
      <p>Choose under Livestock whom the tank is for.</p>
    }
  `,
  styles: `
    p {
      margin: 6px 0;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
      margin: 8px 0;
    }
    tr-select {
      max-width: 230px;
    }
    ol {
      margin: 8px 0 10px;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 4px 0;
      border-top: 1px solid var(--rule);
      .what {
        margin-right: 10px;
      }
      .soft:first-child {
        display: inline-block;
        min-width: 58px;
      }
    }
  `,
})
export class ChangeSwap {
  protected readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly filters = FILTERS;
  protected readonly filter = signal<Filter>('new');
  protected readonly first = signal<string | null>(null);
  protected readonly then = signal<string | null>(null);

  protected readonly wanted = computed(() =>
    this.view
      .members()
      .flatMap(({ id, organism, count }) => (organism?.kind === 'animal' ? [{ id, name: organism.latin, animal: organism, count }] : [])),
  );
  protected readonly target = computed(() => this.wanted().find(({ id }) => id === this.then()) ?? this.wanted()[0] ?? null);
  protected readonly hardy = computed<readonly Animal[]>(() => {
    const target = this.target();
    const derived = this.view.derived();
    const [organisms, planned] = [this.view.catalogue()?.organisms.values() ?? [], derived && plannedValues(derived)];
    return placeholdersFor(organisms, planned ?? {}, {
      litres: derived?.['vessel.gross-volume'].value ?? null,
      planted: this.view.members().some(({ organism }) => organism?.kind === 'plant'),
    })
      .filter(({ id }) => id !== target?.animal.id)
      .slice(0, MOST_FIRST);
  });

  protected readonly firsts = computed(() => this.hardy().map(({ id, latin }) => ({ value: id, text: latin })));
  protected readonly thens = computed(() => this.wanted().map(({ id, name }) => ({ value: id, text: name })));

  protected readonly plan = computed(() => {
    const target = this.target();
    const assessment = this.view.assessment();
    if (!target || !assessment) return null;
    const animal = this.hardy().find(({ id }) => id === this.first()) ?? null;
    const count = animal?.traits.groupMin.value ?? 1;
    const placeholder = animal && { id: animal.id, animal, count };
    const said = placeholder
      ? companyFindings(
          [
            { id: 'first', animal: placeholder.animal, count, female: undefined, phase: 'keep' as const },
            { id: 'then', animal: target.animal, count: target.count, female: undefined, phase: 'spawn' as const },
          ],
          null,
          [],
        ).filter(({ severity, subjects }) => subjects.length === 2 && (severity === 'conflict' || severity === 'watch'))
      : [];
    const swap = swapPlan({
      filter: this.filter(),
      placeholder,
      target: { id: target.id, animal: target.animal, count: target.count },
      together: said.length === 0,
    });
    const names = {
      source: (id: string) => id,
      salt: (id: string) => saltName(id, saltsKnown(assessment.world.room.own)),
      subject: (id: string) => `*${id === target.id ? target.animal.latin : (assessment.world.catalogue.organisms.get(id)?.latin ?? id)}*`,
    };
    return {
      steps: swap.steps,
      weeks: `${swap.weeks[0]} to ${swap.weeks[1]} weeks`,
      together: !placeholder
        ? ''
        : said.length === 0
          ? 'They may stay: nothing is said against the two together.'
          : 'The first have to go before the others come: they do not go together.',
      told: swap.steps.map((step) => ({ day: step.after, ...wordStep(step, names, this.units()) })),
    };
  });
}
