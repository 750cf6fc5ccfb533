import { ChangeDetectionStrategy, Component, computed, inject, signal, untracked } from '@angular/core';
import { companyOf, plannedNode, windowNodeOf } from '../../core/assessment/derive';
import { causesOf } from '../../core/assessment/causes';
import { emptyOwnCatalogue, saltsKnown } from '../../core/design/own-catalogue';
import { wordFinding } from '../../core/assessment/wording';
import { SEVERITY_WORD } from '../../core/calculation/finding';
import { PARAMETER_META, PARAMETERS } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { sourceLabel } from '../../core/design/room';
import { formatNumber, formatQuantity, formatSpan } from '../../core/quantity/format';
import { buildWork } from '../../core/assessment/plan/build';
import { toGet } from '../../core/assessment/plan/to-get';
import { buildSheetText } from '../../core/assessment/wording/build-sheet';
import { CAUTION_WORD, wordBuildStep, wordWait } from '../../core/assessment/wording/build';
import { wordAmount, wordGet } from '../../core/assessment/wording/to-get';
import { timeOf } from '../../core/build/order';
import { plural } from '../../core/quantity/plural';
import { additionOrder } from '../../core/stocking/addition-order';
import { conditionerOf } from '../../core/water/conditioners';
import { Section } from '../section/section';
import { Library } from '../store/library';
import { NO_NEIGHBOURS, neighboursOf } from '../store/neighbours';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { formatGrams } from '../water/grams';
import { fullDay } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { SeverityGlyph } from '../ui/severity-glyph';

/** The design on paper: what to have at the tank while it is being built. */
@Component({
  selector: 'tr-sheet',
  imports: [Section, LatinText, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sheet.html',
  styleUrl: './sheet.less',
})
export class Sheet {
  protected readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly today = fullDay(new Date());

  /** What comes out of other tanks of the room. */
  private readonly neighbours = signal(NO_NEIGHBOURS);
  private readonly library = inject(Library);

  constructor() {
    const design = untracked(this.view.design);
    if (design) void neighboursOf(this.library, design).then((found) => this.neighbours.set(found));
  }

  protected readonly facts = computed(() => {
    const [design, derived] = [this.view.design(), this.view.derived()];
    if (!design || !derived) return [];
    const units = this.units();
    const volume = (litres: number | null) => (litres === null ? 'not known' : formatQuantity('volume', litres, units));
    const { vessel } = design;
    const mass = derived['vessel.filled-mass'].value;
    const devices = inOrder(design.equipment).map(
      ([, device]) =>
        `${device.kind}${'setPointC' in device ? ` at ${formatQuantity('temperature', device.setPointC, units)}` : ''}${device.powerW === null ? '' : `, ${device.powerW} W`}`,
    );
    return [
      [
        'Vessel',
        vessel
          ? `${vessel.shape.replace('-', ' ')}, inside ${[vessel.lengthMm, vessel.widthMm, vessel.heightMm].map((mm) => formatNumber('length', mm, units)).join(' × ')} ${units.length}, water ${formatQuantity('length', vessel.waterLevelMm, units)} deep`
          : 'not chosen',
      ],
      ['Water', `${volume(derived['vessel.water-volume'].value)}; whole system ${volume(derived['vessel.system-volume'].value)}`],
      ['Filled weight', mass ? `${formatQuantity('mass', mass.kg * 1000, units)}, with bed and hardscape` : 'not known'],
      ['Equipment', devices.join('; ') || 'none'],
    ] as const;
  });

  protected readonly pour = computed(() => {
    const derived = this.view.derived();
    const litres = derived?.['vessel.system-volume'].value ?? null;
    const poured = derived?.['water.poured'].value ?? [];
    const whole = poured.reduce((sum, { share }) => sum + share, 0);
    return poured.map(({ source, share }) => ({
      name: sourceLabel(source),
      share: formatQuantity('fraction', share / whole, this.units()),
      volume: litres === null ? 'volume not known' : formatQuantity('volume', (litres * share) / whole, this.units()),
    }));
  });

  /** What is weighed in, treated with and put in, a line each. */
  protected readonly prepared = computed(() => {
    const design = this.view.design();
    const litres = this.view.derived()?.['vessel.system-volume'].value ?? null;
    if (!design) return [];
    const fed = this.view.derived()?.['gear.co2'].value;
    const { salts, conditioner, additions, co2 } = design.water;
    const { materials } = this.view.catalogue() ?? {};
    const known = saltsKnown(this.view.room()?.own ?? emptyOwnCatalogue());
    return [
      ...inOrder(salts).map(([, { saltId, mgPerL }]) => {
        const grams = litres === null ? '' : `: ${formatGrams((mgPerL * litres) / 1000, this.units())} in all`;
        return `${known.get(saltId)?.name ?? saltId}, ${Math.round(mgPerL)} mg/L${grams}`;
      }),
      ...(conditioner
        ? [`Tap water treated: ${(conditionerOf(conditioner)?.name ?? conditioner).toLowerCase()}; the label gives the dose`]
        : []),
      ...inOrder(additions).map(([, { materialId, amount }]) => {
        const material = materials?.get(materialId);
        return `${material?.name ?? materialId}: ${material?.use === 'substrate' ? formatQuantity('volume', amount, this.units()) : formatGrams(amount, this.units())}`;
      }),
      ...(co2 && fed ? [`CO₂ fed to about ${Math.round(fed.mgPerL)} mg/L by day`] : []),
    ];
  });

  private readonly rows = computed(() => {
    const assessment = this.view.assessment();
    const { donors } = this.neighbours();
    return assessment ? toGet(assessment, donors, this.tankName) : [];
  });
  private readonly tankName = (id: string): string => this.neighbours().names.get(id) ?? 'another tank';
  private readonly steps = computed(() => {
    const assessment = this.view.assessment();
    return assessment ? buildWork(assessment, this.tankName) : [];
  });

  /** All that is to be got, with what is at hand. */
  protected readonly get = computed(() => {
    const units = this.units();
    return this.rows().map((row, i) => ({
      at: i,
      name: row.name.charAt(0).toUpperCase() + row.name.slice(1),
      needs: wordAmount(row.needs, row.measure, units),
      hand: [
        ...(row.atHand > 1e-9 ? [wordAmount(row.atHand, row.measure, units)] : []),
        ...row.borrowed.map(({ from, amount }) => `${wordAmount(amount, row.measure, units)} from ${from}`),
      ].join(', '),
      get: wordGet(row, units),
      note: row.group === 'plants' ? row.prepare.join('; ') : row.note,
    }));
  });

  /** The work, step by step, with boxes to tick by hand. */
  protected readonly work = computed(() => {
    const design = this.view.design();
    if (!design) return [];
    return this.steps().map((step) => ({
      id: step.id,
      ...wordBuildStep(step, this.units(), design.build),
      wait: wordWait(step.waitHours),
      cautions: step.cautions.map((caution) => CAUTION_WORD[caution]),
      done: design.build.ticks[step.id]?.day ?? null,
      instead: design.build.ticks[step.id]?.instead ?? '',
    }));
  });
  protected readonly time = computed(() => {
    const { minutes, days } = timeOf(this.steps());
    return `About ${Math.round(minutes / 30) / 2} hours of work, ${plural(days, 'day')} with the waits.`;
  });

  protected readonly values = computed(() => {
    const derived = this.view.derived();
    if (!derived) return [];
    return PARAMETERS.map((parameter) => {
      const { name, kind } = PARAMETER_META[parameter];
      const planned = plannedNode(derived, parameter).value;
      const window = windowNodeOf(derived, parameter).value;
      return {
        name,
        planned: planned === null ? 'not known' : formatQuantity(kind, planned, this.units()),
        window: window?.optimum ? formatSpan(kind, window.optimum, this.units()) : 'none shared, or not known',
      };
    });
  });

  protected readonly stock = computed(() => {
    const names = new Map(this.view.members().map(({ id, organism, organismId }) => [id, organism?.latin ?? organismId]));
    const entries = this.view.design()?.stock ?? {};
    return additionOrder(companyOf(this.view.members())).map(({ id, week }) => ({
      id,
      name: names.get(id),
      week,
      count: entries[id]?.count,
      female: entries[id]?.female,
      phase: entries[id]?.phase,
    }));
  });

  protected readonly findings = computed(() => {
    const assessment = this.view.assessment();
    if (!assessment) return [];
    const accepted = assessment.world.design.accepted;
    return causesOf(assessment)
      .filter(({ severity }) => severity !== 'fits')
      .map(({ head: finding, parts }) => ({
        finding,
        also: parts.map((part) => wordFinding(part, assessment, this.units()).title),
        word: SEVERITY_WORD[finding.severity],
        accepted: accepted[finding.key] ?? null,
        ...wordFinding(finding, assessment, this.units()),
      }));
  });

  protected text(): void {
    const design = this.view.design();
    if (design) download(`${fileStem(design.name)}.md`, buildSheetText(design, this.rows(), this.steps(), this.units()), 'text/markdown');
  }

  protected print(): void {
    window.print();
  }
}
