import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { powerCutPlan, type CutRow } from '../../core/assessment/measures';
import { MONTHS } from '../../core/assessment/wording';
import type { Failure, FailureKind, Reach } from '../../core/equipment/failures';
import { formatQuantity, formatSpan } from '../../core/quantity/format';
import { ClimateEditor } from '../parts/climate-editor';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { QuantityField } from '../ui/quantity-field';
import { YearChart } from '../ui/year-chart';

const FAILURES: Readonly<Record<FailureKind, string>> = {
  'heater-off': 'Heater fails cold',
  'heater-stuck': 'Heater sticks on',
  'cooler-off': 'Cooler fails',
  'power-cut': 'Power goes',
};

const MEASURES: Readonly<Record<CutRow['measure'], string>> = {
  'as it is': 'Nothing',
  wrapped: 'Blankets all around, lid closed',
  'battery air': 'An air pump with a battery',
  unfed: 'Not fed since the day before',
};

/** The tank's year in its room, its heat, and what happens when something fails. */
@Component({
  selector: 'tr-year-face',
  imports: [QuantityField, YearChart, ClimateEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './year-face.html',
  styleUrl: './equipment-bench.less',
})
export class YearFace {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankSession);
  protected readonly why = inject(Why);
  private readonly units = inject(PreferencesStore).units;
  private readonly kinds = computed(() => Object.values(this.view.design()?.equipment ?? {}).map(({ kind }) => kind));
  protected readonly year = computed(() => this.view.derived()?.['heat.year'].value ?? null);
  protected readonly window = computed(() => this.view.derived()?.['window.temperatureC'].value?.optimum ?? null);
  protected readonly humidity = computed(() => {
    const percent = this.view.room()?.humidityPct.value ?? null;
    return percent === null ? null : percent / 100;
  });
  protected readonly assumed = computed(() => this.view.derived()?.['heat.body'].note ?? null);

  protected readonly months = computed(() => {
    const balance = this.view.derived()?.['heat.balance'].value;
    const units = this.units();
    return balance?.map((month, i) => ({
      name: MONTHS[i]?.slice(0, 3),
      room: formatSpan('temperature', month.roomC, units),
      tank: formatSpan('temperature', month.tankC, units),
      heater: Math.max(...month.heaterW) > 0 ? formatSpan('power', ordered(month.heaterW), units) : '–',
      cooler: Math.max(...month.coolerW) > 0 ? formatSpan('power', ordered(month.coolerW), units) : '–',
      evaporation: formatQuantity('volumePerDay', Math.max(...month.evaporationLPerDay), units),
    }));
  });
  protected readonly cooled = computed(() => this.kinds().includes('cooler'));
  protected readonly heated = computed(() => this.kinds().includes('heater'));

  protected readonly failures = computed(() => {
    const list = this.view.derived()?.['heat.failures'].value ?? [];
    return list.map((failure) => ({
      name: FAILURES[failure.kind],
      when: `${MONTHS[failure.month]}, room ${this.temperature(failure.airC)}`,
      comfort: this.reach(failure.comfort),
      survival: this.reach(failure.survival),
      settles: this.settles(failure),
    }));
  });

  /** What oxygen does when the current is gone. */
  protected readonly breath = computed(() => {
    const cut = this.view.told()?.derived['gear.cut'].value;
    if (!cut) return null;
    const show = (mgPerL: number) => formatQuantity('concentration', mgPerL, this.units());
    return cut.hours === null
      ? `Power goes: oxygen settles at about ${show(cut.endsMgPerL)}, enough to breathe`
      : `Power goes: oxygen is down to ${show(cut.leastMgPerL)} after about ${hoursText(cut.hours)}`;
  });

  /** A power cut, and what each measure buys. */
  protected readonly cut = computed(() => {
    const told = this.view.told();
    const rows = told ? powerCutPlan(told) : null;
    const text = (hours: number | null) => (hours === null ? 'long' : hoursText(hours));
    return rows?.map(({ measure, oxygenHours, warmthHours }) => ({
      name: MEASURES[measure],
      oxygen: text(oxygenHours),
      warmth: text(warmthHours),
      first:
        oxygenHours === null && warmthHours === null ? '–' : (oxygenHours ?? Infinity) <= (warmthHours ?? Infinity) ? 'oxygen' : 'warmth',
    }));
  });

  protected setHumidity(value: number | null): void {
    this.store.editRoom('Humidity', [
      { op: 'replace', path: '/humidityPct', value: { value: value === null ? null : value * 100, basis: 'measured' } },
    ]);
  }

  private temperature(c: number): string {
    return formatQuantity('temperature', c, this.units());
  }

  private reach(reach: Reach | null): string {
    if (!reach) return 'edge not known';
    const edge = this.temperature(reach.edgeC);
    if (reach.hours === null && reach.band[0] === null) return `never (${edge})`;
    if (reach.hours === 0) return `already past ${edge}`;
    const span = reach.band.map((hours) => (hours === null ? 'never' : hoursText(hours)));
    return `${span[0] === span[1] ? span[0] : `${span[0]} – ${span[1]}`} to ${edge}`;
  }

  private settles({ settlesC }: Failure): string {
    return settlesC === null ? 'beyond 45 °C or frost' : this.temperature(settlesC);
  }
}

const ordered = ([a, b]: readonly [number, number]): [number, number] => [Math.min(a, b), Math.max(a, b)];

function hoursText(hours: number): string {
  if (hours < 1) return `${Math.max(1, Math.round(hours * 60))} min`;
  return hours < 72 ? `${Math.round(hours)} h` : `${Math.round(hours / 24)} days`;
}
