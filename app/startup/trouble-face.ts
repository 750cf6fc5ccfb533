import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { AnimalGroup } from '../../core/catalogue/organism';
import { TREATMENTS } from '../../core/health/treatments';
import {
  treatmentHits,
  TROUBLE_LOOKS,
  TROUBLE_PLACES,
  troublesSeen,
  type TroubleLook,
  type TroublePlace,
} from '../../core/health/troubles';
import { TankView } from '../store/tank-view';
import type { Choice } from '../ui/choice';
import { SelectField } from '../ui/select';
import { TROUBLE_FIGURES } from './trouble-figures';

const any = <T extends string>(values: readonly T[], first: string): readonly Choice<T | null>[] => [
  { value: null, text: first },
  ...values.map((value) => ({ value, text: value })),
];
const MOVES: readonly Choice<boolean | null>[] = [
  { value: null, text: 'either' },
  { value: true, text: 'yes, by itself' },
  { value: false, text: 'no' },
];
const GROUP_WORD: Readonly<Record<AnimalGroup, string>> = {
  fish: 'fish',
  shrimp: 'shrimp',
  crayfish: 'crayfish',
  crab: 'crabs',
  snail: 'snails',
  bivalve: 'clams',
  amphibian: 'amphibians',
  cnidarian: 'corals and anemones',
  sponge: 'sponges',
  echinoderm: 'urchins and stars',
};
const PLANTS_WORD = { 'bear it': null, suffer: 'plants suffer', die: 'plants die' } as const;
const FILTER_WORD = { spares: null, weakens: 'the filter is weakened', kills: 'the filter dies' } as const;
/** From this salinity it is salt water, g/kg. */
const SALT_FROM = 5;

/** What turns up in a young tank, told by what is seen; whom it harms here, and what is done about it. */
@Component({
  selector: 'tr-trouble-face',
  imports: [RouterLink, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section data-control="trouble" aria-label="Trouble at the start">
      <div class="fields">
        <tr-select label="Seen on or in" [options]="places" [value]="place()" (chosen)="place.set($event)" />
        <tr-select label="It is" [options]="looks" [value]="look()" (chosen)="look.set($event)" />
        <tr-select label="It moves" [options]="moveWords" [value]="moves()" (chosen)="moves.set($event)" />
      </div>
      <p class="small soft" role="status">{{ said() }}</p>
      <ul class="found">
        @for (one of found(); track one.id) {
          <li [attr.data-trouble]="one.id">
            <svg viewBox="0 0 72 54" aria-hidden="true">
              @for (mark of one.figure; track $index) {
                <path
                  [attr.d]="mark.d"
                  [style.fill]="mark.fill ? 'var(--' + mark.fill + ')' : 'none'"
                  [style.stroke]="mark.line ? 'var(--' + mark.line + ')' : 'none'"
                  [style.strokeWidth]="mark.width ?? 1"
                  [style.opacity]="mark.pale ?? 1"
                />
              }
            </svg>
            <div>
              <h2>{{ one.name }}</h2>
              <p>{{ one.seen }}</p>
              <p><strong>Why:</strong> {{ one.why }}</p>
              <p [class.bad]="one.hits">
                <strong>Harm:</strong> {{ one.harm }}
                @if (one.hits) {
                  <strong> {{ one.hits }}</strong>
                }
              </p>
              <ul class="ways">
                @for (way of one.ways; track way.does) {
                  <li>
                    {{ way.does }} <span class="soft">{{ way.besides }}</span>
                    @if (way.hits) {
                      <strong class="bad"> {{ way.hits }}</strong>
                    }
                  </li>
                }
              </ul>
              @if (one.travels) {
                <p class="small soft">
                  It travels with plants, media and nets: write it down under
                  <a [routerLink]="['/tank', view.design()?.id, 'stocking']" [queryParams]="{ face: 'health' }">Stocking, Health</a>, and
                  the other tanks of the room are told.
                </p>
              }
            </div>
          </li>
        }
      </ul>
      <p class="small soft">
        Told by what is seen, as practitioners tell it; a lens tells more. A treatment is dosed by its label and the net litres, under
        Stocking, Health; what makes animals ill is a vet’s to name.
      </p>
    </section>
  `,
  styleUrl: './trouble-face.less',
})
export class TroubleFace {
  protected readonly view = inject(TankView);
  protected readonly places = any<TroublePlace>(TROUBLE_PLACES, 'anywhere');
  protected readonly looks = any<TroubleLook>(TROUBLE_LOOKS, 'of any colour');
  protected readonly moveWords = MOVES;
  protected readonly place = signal<TroublePlace | null>(null);
  protected readonly look = signal<TroubleLook | null>(null);
  protected readonly moves = signal<boolean | null>(null);

  private readonly groups = computed(
    () => new Set(this.view.members().flatMap(({ organism }) => (organism?.kind === 'animal' ? [organism.group] : []))),
  );
  private readonly salt = computed(() => {
    const salinity = this.view.derived()?.['planned.salinity'].value ?? null;
    return salinity === null ? null : salinity >= SALT_FROM;
  });

  protected readonly found = computed(() => {
    const groups = this.groups();
    const here = (of: readonly AnimalGroup[]) => of.filter((group) => groups.has(group)).map((group) => GROUP_WORD[group]);
    return troublesSeen({ place: this.place(), look: this.look(), moves: this.moves(), salt: this.salt() }).map((one) => {
      const [killed, young] = [here(one.kills), here(one.takesYoung)];
      return {
        ...one,
        figure: TROUBLE_FIGURES[one.id] ?? [],
        travels: one.condition !== undefined,
        hits: [
          ...(killed.length > 0 ? [`Here it kills ${killed.join(', ')}.`] : []),
          ...(young.length > 0 ? [`Here it takes the young of ${young.join(', ')}.`] : []),
        ].join(' '),
        ways: one.ways.map(({ does, besides, treatment }) => {
          if (!treatment) return { does, besides, hits: '' };
          const { kills, harms } = treatmentHits(treatment, groups);
          const { plants, filter } = TREATMENTS[treatment];
          const hits = [
            ...(kills.length > 0 ? [`it kills your ${kills.map((group) => GROUP_WORD[group]).join(', ')}`] : []),
            ...(harms.length > 0 ? [`it harms your ${harms.map((group) => GROUP_WORD[group]).join(', ')}`] : []),
            ...[PLANTS_WORD[plants], FILTER_WORD[filter]].flatMap((word) => (word ? [word] : [])),
          ].join('; ');
          return { does, besides, hits: hits === '' ? '' : `Here: ${hits}.` };
        }),
      };
    });
  });

  protected readonly said = computed(() => {
    const { length } = this.found();
    const asked = this.place() !== null || this.look() !== null || this.moves() !== null;
    if (!asked) return 'Say what you see, and what it can be is left.';
    return length === 0
      ? 'Nothing that is known here looks like that: say less of it.'
      : length === 1
        ? 'It is most likely this.'
        : `It can be one of ${length}.`;
  });
}
