import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { readinessOf } from '../../core/assessment/plan/readiness';
import { startTankOf } from '../../core/assessment/plan/start';
import { startOptions, type StartIf } from '../../core/assessment/plan/start-if';
import { lineIdOf } from '../../core/assessment/record';
import { waterMark } from '../../core/assessment/water-mark';
import { stepNamesOf, wordStep } from '../../core/assessment/wording/steps';
import { wordToShow } from '../../core/assessment/wording/readiness';
import { pointer } from '../../core/design/edit';
import { pastFault } from '../../core/design/edits/lot-edits';
import { rounded } from '../../core/quantity/format';
import { dayAfter, dayOf, daysFrom } from '../../core/schedule/day';
import { NO_STEP, type PlannedStep } from '../../core/schedule/step';
import type { StartForecast } from '../../core/startup/ensemble';
import { stuck } from '../../core/startup/findings';
import type { HandCheck, Inoculum, StartKit, StartMethod, StartPlan } from '../../core/startup/model';
import type { ToShow } from '../../core/startup/readiness';
import { RouterLink } from '@angular/router';
import { PlanStart } from '../parts/plan-start';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { BandChart } from '../ui/band-chart';
import { Check } from '../ui/check';
import type { Choice } from '../ui/choice';
import { datedDay } from '../ui/day-text';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

const METHODS: readonly Choice<StartMethod>[] = [
  { value: 'dosed', text: 'dosed ammonia' },
  { value: 'food', text: 'fish food' },
  { value: 'soil', text: 'the ammonia of fresh soil' },
  { value: 'planted', text: 'planted densely, fed little' },
  { value: 'media', text: 'grown-in media, stocked lightly' },
];
const SCHOOL: Readonly<Record<StartMethod, string>> = {
  dosed: 'Quickest to measure and to stop; costs alkalinity, and too much of it holds the bacteria back.',
  food: 'Needs nothing bought; slower, and what rots clouds the water.',
  soil: 'Nothing to dose; large changes for weeks, and no animal near it while the soil gives ammonia.',
  planted: 'Plants take the ammonia, so that tests show little: the filter may still be young when they are cut back.',
  media: 'Fast and sure, if the media ran on a load like this one and never dried; what they carry comes along.',
};
const INOCULA: readonly Choice<Inoculum>[] = [
  { value: 'none', text: 'nothing' },
  { value: 'bottled', text: 'bottled bacteria' },
  { value: 'old-soil', text: 'old soil' },
  { value: 'media', text: 'grown-in media' },
  { value: 'whole-move', text: 'all of a tank that ran: its soil, wood and filter' },
];
const KITS: readonly Choice<StartKit>[] = [
  { value: 'drops', text: 'drops' },
  { value: 'strip', text: 'strip' },
  { value: 'laboratory', text: 'laboratory' },
];
/** Below it nitrifiers are slow. Common practice. */
const ACID_PH = 6.5;
/** Share that is changed in one go before animals come. Common practice. */
const LARGE_CHANGE = 0.5;
/** Kits that read the ion and not its nitrogen. */
const AS_ION = { ammonia: 14.007 / 18.038, nitrite: 14.007 / 46.005, nitrate: 14.007 / 62.005 } as const;
type Analyte = keyof typeof AS_ION;
const IF_WORD: Readonly<Record<StartIf, string>> = {
  warmer: 'warmer',
  media: 'grown-in media',
  plants: 'more plants',
  change: 'half changed',
  light: 'more light',
  less: 'half the ammonia',
  more: 'twice the ammonia',
  alkalinity: 'KH up by 2',
};
const NEW_PLAN: Omit<StartPlan, 'begun'> = {
  method: 'dosed',
  doseMgNPerLPerDay: 0.5,
  inoculum: 'none',
  inoculumL: 0,
  challengedOn: null,
  seen: {},
  tests: {},
};

/** How the tank is started: its course as a band that learns from every test, and what is still to be shown before animals come. */
@Component({
  selector: 'tr-course-face',
  imports: [BandChart, Check, LatinText, PlanStart, QuantityField, RouterLink, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './course-face.html',
  styleUrl: './course-face.less',
})
export class CourseFace {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  protected readonly today = dayOf(new Date());
  protected readonly methods = METHODS;
  protected readonly inocula = INOCULA;
  protected readonly kits = KITS;
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly plan = computed(() => this.view.design()?.startup ?? null);
  protected readonly school = computed(() => SCHOOL[this.plan()?.method ?? 'dosed']);
  private readonly found = workedOut(this.view, 'start');
  protected readonly cursor = signal<number | null>(null);
  /** What is tried out before it is done. */
  protected readonly tried = signal<StartIf | null>(null);
  protected readonly options = computed(() => {
    const [assessment, plan] = [this.view.assessment(), this.plan()];
    const litres = assessment?.derived['vessel.system-volume'].value ?? null;
    const tank = assessment && plan && startTankOf(assessment, plan);
    if (!assessment || !plan || !tank || litres === null) return [];
    const day = Math.max(0, daysFrom(plan.begun, this.today));
    const pourL = Object.fromEntries((assessment.derived['water.poured'].value ?? []).map(({ id, share }) => [id, share]));
    return startOptions(tank, day, litres, pourL).map((option) => ({ ...option, word: IF_WORD[option.id] }));
  });
  private readonly option = computed(() => this.options().find(({ id }) => id === this.tried()) ?? null);
  private readonly then = computed(() => this.option()?.then ?? null, { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) });
  private readonly foundIf = workedOut(this.view, 'startIf', this.then);
  protected readonly triedSteps = computed((): PlannedStep[] => {
    const option = this.option();
    return option ? [option.step] : [];
  });

  protected readonly told = computed(() => {
    const [found, plan] = [this.found(), this.plan()];
    if (!found || !plan) return null;
    const { days, ammonia, nitrite, nitrate, done, sour, strange } = found;
    const tests = Object.values(plan.tests).sort((a, b) => (a.day < b.day ? -1 : 1));
    const on = (day: number | null) =>
      day === null ? `later than ${datedDay(dayAfter(plan.begun, days), this.today)}` : datedDay(dayAfter(plan.begun, day), this.today);
    const times = Array.from({ length: days + 1 }, (_, i) => i);
    const other = this.option() && this.foundIf();
    return {
      times,
      charts: [
        { title: 'Ammonia, mg N/L', band: ammonia, of: 'ammoniaMgN' as const, key: 'ammonia' as const },
        { title: 'Nitrite, mg N/L', band: nitrite, of: 'nitriteMgN' as const, key: 'nitrite' as const },
        { title: 'Nitrate, mg N/L', band: nitrate, of: 'nitrateMgN' as const, key: 'nitrate' as const },
      ].map(({ title, band: { usual, low, high }, of, key }) => ({
        title,
        beside: other ? [{ name: 'then', values: other[key].usual }] : [],
        band: { usual, low, high },
        points: tests.flatMap((test) => (test[of] === null ? [] : [{ time: daysFrom(plan.begun, test.day), value: test[of] }])),
      })),
      marks: [0, 14, 28, 42, 56, 70].filter((day) => day < days).map((day) => ({ time: day, text: day === 0 ? 'begun' : `day ${day}` })),
      // where it stands today
      events: [daysFrom(plan.begun, this.today)].filter((day) => day >= 0 && day <= days),
      iff: this.saidIf(found),
      when: `Ammonia and nitrite stay away from about ${on(done.usual)}; nine in ten such tanks get there between ${on(done.early)} and ${on(done.late)}.`,
      sour:
        sour.share < 0.1
          ? null
          : `In ${Math.round(sour.share * 100)} of 100 such tanks the alkalinity is used up${sour.day === null ? '' : `, about day ${sour.day}`}: the pH falls and all of it stalls. Change water, or give less.`,
      strange: strange.flatMap((i) => {
        const test = tests[i];
        return test
          ? [`The test of ${datedDay(test.day, this.today)} fits hardly any of them: test again, then look at the kit, KH and pH.`]
          : [];
      }),
    };
  });

  /** What is tried, against how it goes now. */
  private saidIf(found: StartForecast): string | null {
    const [option, other] = [this.option(), this.foundIf()];
    if (!option) return null;
    if (!other) return 'Followed the other way …';
    const [now, then] = [found.done.usual, other.done.usual];
    const sour = Math.round(100 * (other.sour.share - found.sour.share));
    const stalls = Math.abs(sour) < 5 ? '' : ` Alkalinity is used up in ${Math.abs(sour)} of 100 ${sour < 0 ? 'fewer' : 'more'}.`;
    if (now === null || then === null)
      return `${now === then ? 'It does not come through within the look either way.' : now === null ? `It comes through, about day ${then}.` : 'It does not come through within the look.'}${stalls}`;
    const days = Math.abs(then - now);
    const by =
      days === 0 ? 'on the same day, usually' : `${days === 1 ? 'a day' : `${days} days`} ${then < now ? 'sooner' : 'later'}, usually`;
    return `Dashed: ${option.word} from today on. They stay away ${by}.${stalls}`;
  }

  /** What does not move, and what is slow by nature. */
  protected readonly notes = computed(() => {
    const [plan, derived] = [this.plan(), this.view.derived()];
    if (!plan || !derived) return [];
    const still = stuck(plan);
    const ph = derived['planned.ph'].value;
    return [
      ...(still
        ? [
            `${still.what === 'nitrite' ? 'Nitrite' : 'Ammonia'} has not moved for ${still.days} days: test again with another kit, then KH and pH, warmth, chlorine in what is poured, and whether the filter runs.`,
          ]
        : []),
      ...(ph !== null && ph < ACID_PH
        ? [
            'Acid water: bacteria are slow and plants do much of it, and what ammonia stands burns little. Such tanks are started with plants, little food and patience; the band is wide.',
          ]
        : []),
    ];
  });

  protected timeText = (day: number): string => {
    const plan = this.plan();
    return plan ? `day ${day}, ${datedDay(dayAfter(plan.begun, day), this.today)}` : `day ${day}`;
  };

  protected readonly tests = computed(() => {
    const units = this.units();
    const say = (value: number | null) => (value === null ? '' : value === 0 ? 'none' : `${rounded(value, 2, units)}`);
    return Object.entries(this.plan()?.tests ?? {})
      .map(([id, test]) => ({
        id,
        day: test.day,
        said: datedDay(test.day, this.today),
        kit: test.kit,
        ammonia: say(test.ammoniaMgN),
        nitrite: say(test.nitriteMgN),
        nitrate: say(test.nitrateMgN),
      }))
      .sort((a, b) => (a.day < b.day ? 1 : -1));
  });

  /** What has to be measured before animals come; a forecast shows none of it. */
  protected readonly readiness = computed(() => {
    const assessment = this.view.assessment();
    const found = assessment && readinessOf(assessment, this.today);
    if (!found) return null;
    const said = (one: ToShow) => ({
      text: `${wordToShow(one, this.units())}${one.until && !one.done ? `: from ${datedDay(one.until, this.today)}` : ''}`,
      done: one.done,
    });
    return {
      all: found.all.map(said),
      kinds: found.kinds.map(({ id, name, count, toShow, ready }) => ({
        id,
        name,
        count,
        ready,
        toShow: toShow.map(said),
        left: [...found.all, ...toShow].filter(({ done }) => !done).length,
      })),
      byHand: [...new Set(found.kinds.flatMap(({ toShow }) => toShow.flatMap(({ byHand }) => byHand ?? [])))].map((check) => ({
        check,
        text: wordToShow({ what: check, done: false }, this.units()),
        day: this.plan()?.seen[check],
      })),
    };
  });

  /** What is on the list of Care from today on, the next few. */
  protected readonly next = computed(() => {
    const assessment = this.view.assessment();
    if (!assessment) return [];
    const names = stepNamesOf(assessment);
    return Object.entries(assessment.world.design.care.steps)
      .filter(([, { day }]) => day >= this.today)
      .sort(([, a], [, b]) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.order - b.order))
      .slice(0, 4)
      .map(([id, step]) => ({ id, day: datedDay(step.day, this.today), title: wordStep(step, names, this.units()).title }));
  });

  protected readonly steps = computed((): PlannedStep[] => {
    const found = this.found();
    if (!this.plan() || !found) return [];
    const usual = found.done.usual ?? found.days;
    const weekly = Array.from({ length: Math.max(1, Math.ceil(usual / 4)) }, (_, i): PlannedStep => ({
      ...NO_STEP,
      after: 3 + 4 * i,
      code: 'test',
      values: { week: Math.ceil((3 + 4 * i) / 7) },
    }));
    return [
      ...weekly.filter(({ after }) => after < usual),
      { ...NO_STEP, after: usual + 7, code: 'challenge', values: { ammoniaMgN: 1 } },
      { ...NO_STEP, after: usual + 8, code: 'ready', expects: { ammonia: 0, nitrite: 0 } },
      ...this.largeChange(usual + 12),
    ];
  });

  /** The large change before them, of the tank's own mix. */
  private largeChange(after: number): PlannedStep[] {
    const assessment = this.view.assessment();
    const litres = assessment?.derived['vessel.system-volume'].value ?? null;
    const poured = assessment?.derived['water.poured'].value ?? [];
    const whole = poured.reduce((sum, { share }) => sum + share, 0);
    if (litres === null || whole <= 0) return [];
    const pourL = Object.fromEntries(poured.map(({ id, share }) => [id, (LARGE_CHANGE * litres * share) / whole]));
    return [{ ...NO_STEP, after, code: 'change', pourL }];
  }

  // editing
  protected seen(check: HandCheck, on: boolean): void {
    const there = this.plan()?.seen[check] !== undefined;
    if (on === there) return;
    this.store.edit(on ? 'Seen' : 'Not seen', [
      on
        ? { op: 'add', path: pointer('startup', 'seen', check), value: this.today }
        : { op: 'remove', path: pointer('startup', 'seen', check) },
    ]);
  }
  protected begin(): void {
    this.store.edit('Start-up', [{ op: 'replace', path: '/startup', value: { begun: this.today, ...NEW_PLAN } }]);
  }
  protected set(part: 'begun' | 'method' | 'doseMgNPerLPerDay' | 'inoculum' | 'inoculumL', value: string | number | null): void {
    if (value === null || (part === 'begun' && !/^\d{4}-\d{2}-\d{2}$/.test(String(value)))) return;
    this.store.edit('Start-up', [{ op: 'replace', path: pointer('startup', part), value }]);
  }
  protected challenged(on: boolean): void {
    this.store.edit(on ? 'Challenge passed' : 'Challenge not passed', [
      { op: 'replace', path: '/startup/challengedOn', value: on ? this.today : null },
    ]);
  }
  protected drop(): void {
    this.store.edit('No start-up', [{ op: 'replace', path: '/startup', value: null }]);
  }

  protected readonly testDay = signal<string>(this.today);
  protected readonly kit = signal<StartKit>('drops');
  protected readonly asIon = signal<'nitrogen' | 'ion'>('ion');
  protected readonly reads: readonly Choice<'nitrogen' | 'ion'>[] = [
    { value: 'ion', text: 'NH₄, NO₂, NO₃' },
    { value: 'nitrogen', text: 'nitrogen (N)' },
  ];
  protected readonly ammonia = signal<number | null>(null);
  protected readonly nitrite = signal<number | null>(null);
  protected readonly nitrate = signal<number | null>(null);
  protected readonly fault = signal<string | null>(null);

  protected async addTest(): Promise<void> {
    const plan = this.plan();
    if (!plan) return;
    const day = this.testDay();
    const [ammonia, nitrite, nitrate] = [this.ammonia(), this.nitrite(), this.nitrate()];
    const fault =
      pastFault(day, this.today) ??
      (day < plan.begun
        ? 'That is before the start.'
        : ammonia === null && nitrite === null && nitrate === null
          ? 'Say what was read: 0 where the kit showed nothing.'
          : null);
    this.fault.set(fault);
    if (fault) return;
    const by = (what: Analyte) => (this.asIon() === 'ion' ? AS_ION[what] : 1);
    const values = {
      ...(ammonia === null ? {} : { ammoniaMgNPerL: ammonia * by('ammonia') }),
      ...(nitrite === null ? {} : { nitriteMgNPerL: nitrite * by('nitrite') }),
      // nitrate is logged as the ion
      ...(nitrate === null ? {} : { nitrateMgPerL: (nitrate * by('nitrate')) / AS_ION.nitrate }),
    };
    const [design, room] = [this.view.design(), this.view.room()];
    if (!design || !room) return;
    const at = day === this.today ? new Date() : new Date(`${day}T12:00:00`);
    const of = waterMark(design, room);
    const written = await this.logs.write(
      { kind: 'reading', of, from: 'hand', simulated: false, kit: this.kit(), kitId: null, values },
      at,
    );
    if (!written.ok) return this.fault.set(written.reason);
    this.ammonia.set(null);
    this.nitrite.set(null);
    this.nitrate.set(null);
  }
  /** Strikes a test out of the log, or takes it out of a plan that has it of its own. */
  protected async removeTest(id: string): Promise<void> {
    const line = lineIdOf(id);
    if (line !== null) await this.logs.strike(line);
    else this.store.edit('Test taken out', [{ op: 'remove', path: pointer('startup', 'tests', id) }]);
  }
}
