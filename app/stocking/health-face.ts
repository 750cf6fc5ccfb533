import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { CONDITIONS, ConditionId } from '../../core/health/conditions';
import { inspectionOf } from '../../core/health/arrival';
import { LABEL_UNITS, type Treatment } from '../../core/health/model';
import { labelDose, TREATMENTS, TreatmentId } from '../../core/health/treatments';
import { LOT_MEASURE } from '../../core/lots/model';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { addMark, pastFault } from '../../core/design/edits/lot-edits';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { dayOf, daysFrom } from '../../core/schedule/day';
import { NO_STEP, type PlannedStep } from '../../core/schedule/step';
import { freshId } from '../../core/design/fresh-id';
import { PlanStart } from '../parts/plan-start';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { AddFrom } from '../ui/add-from';
import { Check } from '../ui/check';
import { ChoiceField, type Choice } from '../ui/choice';
import { datedDay } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

const STATES: readonly Choice<'seen' | 'over'>[] = [
  { value: 'seen', text: 'seen' },
  { value: 'over', text: 'over' },
];
const UNITS: readonly Choice<(typeof LABEL_UNITS)[number]>[] = LABEL_UNITS.map((value) => ({ value, text: value }));
const LEAVES_WORD: Readonly<Record<string, string>> = {
  copper: 'Copper stays in bed and media.',
  'snail-poison': 'It stays in bed and media, and kills snails for months.',
  'moult-poison': 'It stays in bed and media, and kills what moults for months.',
};

/** Who came from where, what may have come along, and what is put in against it. */
@Component({
  selector: 'tr-health-face',
  imports: [AddFrom, Check, ChoiceField, PlanStart, QuantityField, RouterLink, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './health-face.html',
  styleUrl: './health-face.less',
})
export class HealthFace {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly today = dayOf(new Date());
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly states = STATES;
  protected readonly labelUnits = UNITS;
  protected readonly conditions: readonly Choice<ConditionId>[] = ConditionId.options.map((value) => ({
    value,
    text: CONDITIONS[value].name,
  }));
  protected readonly treatmentChoices: readonly Choice<TreatmentId>[] = TreatmentId.options.map((value) => ({
    value,
    text: `${TREATMENTS[value].name}: ${TREATMENTS[value].against}`,
  }));
  protected readonly roomId = computed(() => this.view.room()?.id ?? null);
  protected readonly isQuarantine = computed(() => this.view.design()?.brief.purpose === 'quarantine');

  /** Lots that are in this tank, by the room's list. */
  protected readonly lots = computed(() => {
    const [room, design, derived] = [this.view.room(), this.view.design(), this.view.derived()];
    if (!room || !design) return [];
    return (derived?.['lots.holdings'].value?.holdings ?? [])
      .filter(({ place }) => place === design.id)
      .map(({ lotId, amount, error, since }) => {
        const lot = room.lots[lotId]!;
        const counted = LOT_MEASURE[lot.kind] === 'count';
        const days = daysFrom(since, this.today);
        return {
          lotId,
          name: lot.name,
          kind: lot.organismId ? (this.view.catalogue()?.organisms.get(lot.organismId)?.latin ?? lot.organismId) : '',
          amount: counted ? `${amount}${error > 0 ? ` ± ${error}` : ''}` : formatQuantity('volume', amount, this.units()),
          since: `${datedDay(since, this.today)}${days >= 7 ? `, ${Math.floor(days / 7)} ${days < 14 ? 'week' : 'weeks'}` : ''}`,
          from: [lot.from, lot.line, lot.generation].filter(Boolean).join(', '),
          ate: lot.ateOn ? datedDay(lot.ateOn, this.today) : '',
        };
      });
  });

  protected readonly contacts = computed(() => {
    const [room, design, derived] = [this.view.room(), this.view.design(), this.view.derived()];
    if (!room || !design) return [];
    const here = (derived?.['health.contacts'].value ?? []).filter(({ place, lotId }) => place === design.id && lotId === null);
    return here.map(({ condition, since, steps, broughtBy }) => {
      const { name, clear, people } = CONDITIONS[condition];
      return {
        condition,
        name,
        clear,
        people,
        how:
          steps === 0 && broughtBy === null
            ? `seen here on ${datedDay(since, this.today)}`
            : `came with “${(broughtBy && room.lots[broughtBy]?.name) ?? 'others'}” on ${datedDay(since, this.today)}`,
      };
    });
  });

  protected readonly inspection = computed(() =>
    inspectionOf(this.view.members().flatMap(({ organism }) => (organism?.kind === 'animal' ? [organism.group] : []))),
  );

  protected readonly noted = signal<ConditionId | null>(null);
  protected readonly state = signal<'seen' | 'over'>('seen');
  protected readonly day = signal<string>(this.today);
  protected readonly fault = signal<string | null>(null);

  protected note(condition: ConditionId | null, state: 'seen' | 'over', day: string): void {
    const [room, design] = [this.view.room(), this.view.design()];
    if (!room || !design || condition === null) return;
    const fault = pastFault(day, this.today);
    this.fault.set(fault);
    if (fault) return;
    const done = this.store.editRoom(
      state === 'seen' ? `Seen: ${CONDITIONS[condition].name}` : `Over: ${CONDITIONS[condition].name}`,
      addMark(room, freshId(), { day, condition, state, lotId: null, place: design.id, note: '' }),
    );
    if (done) this.noted.set(null);
  }

  protected setQuarantine(on: boolean): void {
    this.store.edit(on ? 'A quarantine tank' : 'No quarantine tank', [
      { op: 'replace', path: '/brief/purpose', value: on ? 'quarantine' : 'keep' },
    ]);
  }

  protected readonly treatments = computed(() => {
    const design = this.view.design();
    const netL = this.view.derived()?.['vessel.water-volume'].value ?? null;
    const units = this.units();
    return inOrder(design?.treatments ?? {}).map(([id, plan]) => {
      const { name, against, people, leaves, stains, takesOxygen, never } = TREATMENTS[plan.treatmentId];
      const dose = plan.label && netL !== null ? labelDose(plan.label.amount, plan.label.perL, netL) : null;
      return {
        id,
        plan,
        name,
        against,
        dose:
          dose === null || !plan.label
            ? 'No dose without the label.'
            : `${rounded(dose, dose < 10 ? 1 : 0, units)} ${plan.label.unit} for the ${formatQuantity('volume', netL!, units)} that are in the tank`,
        minds: [
          ...(stains ? ['It stains silicone, bed and hands.'] : []),
          ...(takesOxygen ? ['It costs oxygen: air on.'] : []),
          ...(leaves ? [LEAVES_WORD[leaves] ?? ''] : []),
          ...(never.length > 0 ? [`Never with ${never.map((other) => TREATMENTS[other].name.toLowerCase()).join(', ')}.`] : []),
          ...(people ? [people] : []),
        ].join(' '),
        leaves,
        steps: this.stepsOf(plan, dose),
      };
    });
  });

  private stepsOf(plan: Treatment, dose: number | null): PlannedStep[] {
    if (dose === null || !plan.label) return [];
    const values = { amount: dose, unit: LABEL_UNITS.indexOf(plan.label.unit) };
    return Array.from({ length: plan.times }, (_, i) => ({
      ...NO_STEP,
      after: i * plan.everyDays,
      code: 'treat' as const,
      subjects: [plan.treatmentId],
      values,
    }));
  }

  protected addTreatment(treatmentId: TreatmentId): void {
    const design = this.view.design();
    if (!design) return;
    const value: Treatment = { order: nextOrder(design.treatments), treatmentId, day: this.today, times: 1, everyDays: 7, label: null };
    this.store.edit('Treatment', [{ op: 'add', path: pointer('treatments', freshId()), value }]);
  }

  protected set(id: string, part: 'times' | 'everyDays' | 'day', value: number | string): void {
    if (part === 'day' && !/^\d{4}-\d{2}-\d{2}$/.test(String(value))) return;
    this.store.edit('Treatment', [{ op: 'replace', path: pointer('treatments', id, part), value }]);
  }

  protected setLabel(id: string, { label }: Treatment, part: Partial<NonNullable<Treatment['label']>>): void {
    this.store.edit('Label', [
      { op: 'replace', path: pointer('treatments', id, 'label'), value: { amount: 1, unit: 'mL', perL: 10, ...label, ...part } },
    ]);
  }

  protected remove(id: string): void {
    this.store.edit('No treatment', [{ op: 'remove', path: pointer('treatments', id) }]);
  }
}
