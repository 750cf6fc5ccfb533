import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import type { Assessment } from '../../core/assessment/assess';
import { planOf } from '../../core/assessment/remedies/recipe';
import { recipePlan, type Blame, type RecipeWay } from '../../core/assessment/recipe-plan';
import { nameOf } from '../../core/assessment/wording';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { pointer } from '../../core/design/edit';
import { formatNumber, formatQuantity, formatSpan } from '../../core/quantity/format';
import { mixingOrder, type MixingStep } from '../../core/water/mixing-order';
import { emptyOwnCatalogue, saltsKnown } from '../../core/design/own-catalogue';
import { saltName } from '../../core/water/salts';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { ChoiceField } from '../ui/choice';
import { LatinText } from '../ui/latin-text';
import { formatGrams } from './grams';

/** What to pour and weigh for one batch, out of what the room has. */
@Component({
  selector: 'tr-recipe-card',
  imports: [ChoiceField, LatinText],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './recipe-card.html',
  styleUrl: './recipe-card.less',
})
export class RecipeCard {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly preferences = inject(PreferencesStore);
  private readonly units = this.preferences.units;
  protected readonly schools = computed(() => {
    const hasMix = Object.keys(this.view.room()?.own.mixes ?? {}).length > 0;
    return [
      { value: 'least-ro' as const, text: 'least RO' },
      { value: 'ro-only' as const, text: 'RO, salts' },
      ...(hasMix ? [{ value: 'own-mix' as const, text: 'RO, my mix' }] : []),
    ];
  });
  protected readonly readOnly = this.view.readOnly;
  private readonly picked = signal(0);
  protected readonly othersShown = signal(false);

  private readonly salts = computed(() => saltsKnown(this.view.room()?.own ?? emptyOwnCatalogue()));

  /** Worked out for the tank as it is kept, not for what is under the finger. */
  private readonly kept = linkedSignal<Assessment | undefined, Assessment | undefined>({
    source: this.view.assessment,
    computation: (assessment, before) => {
      const isPreview = assessment && (assessment.world.design !== this.view.design() || assessment.world.room !== this.view.room());
      return isPreview ? before?.value : assessment;
    },
  });

  private readonly plan = computed(() => {
    const assessment = this.kept();
    return assessment ? recipePlan(assessment, this.preferences.school()) : null;
  });

  protected readonly card = computed(() => {
    const plan = this.plan();
    const assessment = this.kept();
    const units = this.units();
    const way = plan?.ways[Math.min(this.picked(), plan.ways.length - 1)] ?? plan?.ways[0];
    if (!plan || !assessment) return null;
    const litres = formatQuantity('volume', plan.litres, units);
    if (!way) return { litres, way: null };
    const name = (id: string) => nameOf(id, assessment);
    const { batch } = way;
    const salts = this.salts();
    const salty = plan.water === 'salt';
    const gives = salty
      ? [
          ['Salinity', formatQuantity('salinity', ((plan.target.salinity?.[0] ?? 0) + (plan.target.salinity?.[1] ?? 0)) / 2, units)],
          ['KH', formatQuantity('alkalinity', batch.reaches.khDh, units)],
        ]
      : [
          ['GH', formatSpanOf('hardness', batch.reaches.ghDh, batch.band.ghDh, units)],
          ['KH', formatSpanOf('alkalinity', batch.reaches.khDh, batch.band.khDh, units)],
        ];
    return {
      litres,
      way,
      kitStated: plan.kitStated,
      scale: formatGrams(plan.scaleG, this.units()),
      poured: batch.litres
        .filter((part) => part.litres > 0)
        .map((part) => ({ name: name(part.sourceId), amount: formatQuantity('volume', part.litres, units) })),
      weighed: batch.grams.map((part) => ({
        name: (salts.get(part.saltId)?.name ?? part.saltId).replace(/ \(.*\)$/, ''),
        formula: / \((.*)\)$/.exec(salts.get(part.saltId)?.name ?? '')?.[1] ?? '',
        amount: part.grams > 0 ? formatGrams(part.grams, this.units()) : `under ${formatGrams(plan.scaleG, this.units())}`,
        wanted: way.wants.includes(part.saltId),
      })),
      gives: [
        ...gives,
        ...(way.overSoil
          ? [
              [
                'Over the soil',
                `GH ${formatNumber('hardness', way.overSoil.ghDh, units)}, KH ${formatNumber('alkalinity', way.overSoil.khDh, units)} are left`,
              ],
            ]
          : []),
        ['pH', way.ph ? `${formatNumber('ph', way.ph.ph, units)} (${formatSpan('ph', way.ph.band, units)})` : 'set by the soil'],
        ['Conductivity', formatQuantity('conductivity', batch.reaches.ec25UsPerCm, units)],
      ],
      blame: way.blame.map((one) => this.blamed(one)),
      wantsAcid: plan.wantsAcid,
      leftOut: plan.conductivityLeftOut
        ? `The conductivity quoted is not aimed at: water this hard conducts at least ${formatQuantity('conductivity', plan.conductivityLeftOut.leastUsPerCm, units)}, and at most ${formatQuantity('conductivity', plan.conductivityLeftOut.highUsPerCm, units)} is quoted.`
        : null,
      cautions: batch.grams.flatMap(({ saltId, grams }) => (grams > 0 ? (salts.get(saltId)?.caution ?? []) : [])),
      short: this.short(way),
      order: this.order(way).map((step) => this.said(step, name)),
      used: this.isUsed(way),
      others: plan.ways.map((other, i) => ({ i, text: this.inALine(other, name), on: other === way })),
    };
  });

  protected pick(i: number): void {
    this.picked.set(i);
    this.othersShown.set(false);
  }

  protected use(way: RecipeWay): void {
    const { parts, salts } = planOf(way);
    const patch: Operation[] = [
      { op: 'replace', path: pointer('water', 'parts'), value: parts },
      { op: 'replace', path: pointer('water', 'salts'), value: salts },
    ];
    this.store.edit('Use the recipe', patch);
  }

  private isUsed(way: RecipeWay): boolean {
    const water = this.view.design()?.water;
    const plan = planOf(way);
    return JSON.stringify([plan.parts, plan.salts]) === JSON.stringify([water?.parts, water?.salts]);
  }

  private blamed({ parameter, side, memberIds, by }: Blame): string {
    const assessment = this.view.assessment()!;
    const { name, kind } = PARAMETER_META[parameter];
    const whose = memberIds.map((id) => nameOf(id, assessment)).join(', ');
    return `${name} stays ${formatQuantity(kind, by, this.units())} too ${side}${whose ? `; the edge is set by ${whose}` : ''}.`;
  }

  /** Salts of which the room has less than a batch takes. */
  private short({ batch }: RecipeWay): string[] {
    const onHand = Object.values(this.view.room()?.onHand ?? {});
    return batch.grams.flatMap(({ saltId, grams }) => {
      const have = onHand.filter(({ substance }) => substance === saltId).reduce((sum, { amount }) => sum + amount, 0);
      return have > 0 && have < grams ? [`Only ${formatGrams(have, this.units())} of ${saltName(saltId, this.salts())} on hand.`] : [];
    });
  }

  private order({ batch }: RecipeWay): MixingStep[] {
    const room = this.view.room();
    const treat = batch.litres.some(({ sourceId, litres }) => litres > 0 && room?.sources[sourceId]?.disinfectant.value !== 'none');
    return mixingOrder(
      batch.litres,
      batch.grams.flatMap(({ saltId, grams }) => {
        const salt = this.salts().get(saltId);
        return salt ? [{ salt, grams }] : [];
      }),
      treat,
    );
  }

  private said(step: MixingStep, name: (id: string) => string): string {
    switch (step.kind) {
      case 'pour':
        return `Pour ${step.sourceIds.map(name).join(' and ')}, at the tank’s temperature.`;
      case 'condition':
        return 'Condition what came from the tap, and give it its time.';
      case 'dissolve':
        return step.salt.solubilityGPerL < 10
          ? `Stir in ${formatGrams(step.grams, this.units())} ${saltName(step.salt.id, this.salts())}; it takes an hour or more to go clear.`
          : `Dissolve ${formatGrams(step.grams, this.units())} ${saltName(step.salt.id, this.salts())} in a cup first, then stir in until clear.`;
      case 'stir-and-measure':
        return 'Air it over night, then measure before you trust it.';
    }
  }

  private inALine({ batch, recipe, wants }: RecipeWay, name: (id: string) => string): string {
    const units = this.units();
    const parts = [
      ...batch.litres
        .filter(({ litres }) => litres > 0)
        .map(({ sourceId, litres }) => `${formatQuantity('volume', litres, units)} ${name(sourceId)}`),
      ...batch.grams.map(({ saltId, grams }) => `${formatGrams(grams, this.units())} ${saltName(saltId, this.salts())}`),
    ];
    const misses =
      recipe.missed.length > 0 ? `, misses ${recipe.missed.map(({ parameter }) => PARAMETER_META[parameter].name).join(' and ')}` : '';
    return `${parts.join(' + ')}${misses}${wants.length > 0 ? ' (to be bought)' : ''}`;
  }
}

function formatSpanOf(
  kind: 'hardness' | 'alkalinity',
  value: number,
  band: readonly [number, number],
  units: Parameters<typeof formatNumber>[2],
): string {
  const span = formatSpan(kind, band, units);
  const plain = formatQuantity(kind, value, units);
  return span === plain ? plain : `${plain} (${span})`;
}
