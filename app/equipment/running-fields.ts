import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { inOrder } from '../../core/design/design';
import { CLEANED, filterBalance } from '../../core/assessment/spare-media';
import { pointer } from '../../core/design/edit';
import { Medium, MEDIUM_META } from '../../core/equipment/media';
import { FilterForm, newRuns, type Device } from '../../core/equipment/model';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { JudgeFeed } from '../store/judge-feed';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { Check } from '../ui/check';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

const FORM_WORD: Readonly<Record<FilterForm, string>> = {
  sponge: 'sponge, on air',
  mat: 'mat across the tank',
  internal: 'internal',
  'hang-on': 'on the rim',
  canister: 'canister',
  sump: 'trickle or sump',
  undergravel: 'under the gravel',
};

type RunNumber = 'lPerH' | 'mostHeadM' | 'liftM' | 'hoseM' | 'boreMm' | 'gapMm' | 'outletMm';

interface Measure {
  part: RunNumber;
  kind: 'volume' | 'length';
  label: string;
  /** Of what is shown; canonical units are millimetres and litres. */
  limits: readonly [number, number];
  /** In canonical units. */
  times: number;
  /** Gaps and bores are measured in millimetres whatever lengths are shown in. */
  inUnit: string | null;
  may: boolean;
}
const MEASURES: readonly Measure[] = [
  { part: 'lPerH', kind: 'volume', label: 'Label, an hour', limits: [1, 200_000], times: 1, inUnit: null, may: true },
  { part: 'mostHeadM', kind: 'length', label: 'Most head', limits: [50, 50_000], times: 1000, inUnit: null, may: true },
  { part: 'liftM', kind: 'length', label: 'Lifts it', limits: [0, 50_000], times: 1000, inUnit: null, may: false },
  { part: 'hoseM', kind: 'length', label: 'Hose', limits: [0, 100_000], times: 1000, inUnit: null, may: false },
  { part: 'boreMm', kind: 'length', label: 'Hose inside', limits: [1, 200], times: 1, inUnit: 'mm', may: true },
  { part: 'gapMm', kind: 'length', label: 'Gaps of the intake', limits: [0.01, 100], times: 1, inUnit: 'mm', may: true },
  { part: 'outletMm', kind: 'length', label: 'Nozzle inside', limits: [1, 300], times: 1, inUnit: 'mm', may: true },
];
const YES_NO = [
  { value: 'yes' as const, text: 'yes' },
  { value: 'no' as const, text: 'no' },
];

type Filter = Extract<Device, { kind: 'filter' }>;

/** How the water runs through filters and pumps, what they hold, and what air pumps stand on. */
@Component({
  selector: 'tr-running-fields',
  imports: [Check, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './running-fields.html',
  styleUrls: ['../ui/scene-bench.less'],
  styles: `
    .fields {
      align-items: start;
    }
    .adders {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 6px 0;
    }
    h3 .pick {
      margin-left: 8px;
      font-family: 'Atkinson Hyperlegible Next Variable', sans-serif;
      font-size: 12.5px;
      font-weight: 400;
      text-align: left;
    }
    h3 {
      margin: 10px 0 4px;
      font-size: 15px;
    }
  `,
})
export class RunningFields {
  private readonly library = inject(Library);
  private readonly feed = inject(JudgeFeed);
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly why = inject(Why);
  protected readonly locked = computed(() => !!this.tank.readOnly());
  protected readonly measures = MEASURES;
  protected readonly yesNo = YES_NO;
  protected readonly forms = FilterForm.options.map((value) => ({ value, text: FORM_WORD[value] }));
  protected readonly media = Medium.options.map((value) => ({ value, text: MEDIUM_META[value].name }));

  protected readonly movers = computed(() => {
    const each = this.tank.told()?.derived['gear.flow'].value?.each ?? {};
    const nth = new Map<string, number>();
    return inOrder(this.tank.design()?.equipment ?? {}).flatMap(([id, device]) => {
      if (device.kind !== 'filter' && device.kind !== 'pump') return [];
      const n = (nth.get(device.kind) ?? 0) + 1;
      nth.set(device.kind, n);
      const flow = each[id];
      const show = (lPerH: number) => formatQuantity('volume', lPerH, this.units());
      return [
        {
          id,
          device,
          runs: device.runs ?? newRuns(),
          filter: device.kind === 'filter' ? device : null,
          name: `${device.kind === 'filter' ? 'Filter' : 'Pump'} ${n}`,
          says: flow
            ? `about ${show(flow.lPerH)} come through in an hour: ${show(flow.band[0])} clogged, ${show(flow.band[1])} clean`
            : null,
        },
      ];
    });
  });
  protected readonly airs = computed(() =>
    inOrder(this.tank.design()?.equipment ?? {}).flatMap(([id, device]) => (device.kind === 'air' ? [{ id, device }] : [])),
  );

  private readonly room = resource({
    params: () => this.tank.design()?.roomId,
    loader: ({ params }) => this.library.summaries(params),
  });
  /** Other tanks of the room, for air that comes from there. */
  protected readonly neighbours = computed(() =>
    (this.room.value() ?? [])
      .filter(({ id, archived }) => id !== this.tank.design()?.id && !archived)
      .map(({ id, name }) => ({ value: id, text: `the pump of ${name}` })),
  );

  protected setAirOf(id: string, tankId: string | null): void {
    const path = pointer('equipment', id, 'ofTankId');
    const has = this.airs().some((one) => one.id === id && one.device.ofTankId !== undefined);
    if (tankId === null && !has) return;
    this.store.edit('Where the air comes from', [tankId === null ? { op: 'remove', path } : { op: 'add', path, value: tankId }]);
  }

  /** What the filters carry, against what they are given. */
  protected readonly carried = computed(() => {
    const told = this.tank.told();
    const balance = told && filterBalance(told);
    if (!balance) return null;
    const mg = (value: number) => `${Math.round(value)} mg`;
    return `The media carry about ${mg(balance.carriesMgN)} of nitrogen a day before a test shows ammonia, and feed gives off ${mg(balance.loadMgN)}; cleaned thoroughly they carry about ${mg(balance.carriesMgN * CLEANED)}, so clean half at a time.`;
  });

  protected setBottled(id: string, on: boolean): void {
    const path = pointer('equipment', id, 'bottled');
    this.store.edit('Bacteria from a bottle', [on ? { op: 'add', path, value: true } : { op: 'remove', path }]);
  }

  protected readonly turnover = computed(() => {
    const { value, note } = this.tank.told()?.derived['tank.turnover'] ?? { value: null, note: undefined };
    return value === null ? null : { text: `goes round ${rounded(value, 1, this.units())} times an hour`, note: note ?? '' };
  });

  protected set(id: string, device: Device, part: RunNumber, value: number | null): void {
    if (device.kind !== 'filter' && device.kind !== 'pump') return;
    const runs = { ...(device.runs ?? newRuns()), [part]: value };
    this.store.edit('How the water runs', [{ op: 'replace', path: pointer('equipment', id, 'runs'), value: runs }]);
  }

  protected setPart(id: string, part: string, value: unknown, label: string): void {
    this.store.edit(label, [{ op: 'replace', path: pointer('equipment', id, part), value: value as never }]);
  }

  /** What other tanks of the room can give; null before anybody has asked. */
  protected readonly donors = signal<readonly { tankId: string; name: string; medium: Medium; litres: number; text: string }[] | null>(
    null,
  );
  protected readonly asking = signal(false);

  /** Looks at the other tanks of the room: what each could spare of its media. */
  protected async askDonors(): Promise<void> {
    const [design, room] = [this.tank.design(), this.tank.room()];
    if (!design || !room || this.asking()) return;
    this.asking.set(true);
    try {
      const { designs } = await this.library.designs(design.roomId);
      const found = [];
      for (const other of designs.filter(({ id, archived }) => id !== design.id && !archived)) {
        const spare = await firstValueFrom(this.feed.ask('spare', other, room, null, { whole: false }));
        for (const { medium, litres } of spare)
          found.push({
            tankId: other.id,
            name: other.name,
            medium,
            litres,
            text: `${formatQuantity('volume', litres, this.units())} of ${MEDIUM_META[medium].name} from ${other.name}`,
          });
      }
      this.donors.set(found);
    } finally {
      this.asking.set(false);
    }
  }

  protected take(
    id: string,
    { media }: Filter,
    { medium, litres, tankId, name }: { medium: Medium; litres: number; tankId: string; name: string },
  ): void {
    this.setPart(id, 'media', [...media, { medium, litres, fromTankId: tankId }], `Media from ${name}`);
  }

  protected addMedium(id: string, { media }: Filter): void {
    const free = Medium.options.find((medium) => !media.some((one) => one.medium === medium)) ?? 'coarse-foam';
    this.setPart(id, 'media', [...media, { medium: free, litres: 1 }], 'Media of a filter');
  }

  protected setMedium(id: string, { media }: Filter, i: number, more: Partial<Filter['media'][number]> | null): void {
    const next = media.flatMap((one, k) => (k !== i ? [one] : more ? [{ ...one, ...more }] : []));
    this.setPart(id, 'media', next, 'Media of a filter');
  }
}
