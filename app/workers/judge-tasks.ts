import type { Assessment } from '../../core/assessment/assess';
import { tankDay, type DayKind, type TankDay } from '../../core/assessment/day';
import { currentMapOf } from '../../core/assessment/current-map';
import { lightMapOf, type LightMap } from '../../core/assessment/light-map';
import { plantingPlans, type PlantingPlan, type PlantingWish } from '../../core/assessment/plan/planting';
import { startForecast, startForecastIf } from '../../core/assessment/plan/start';
import type { ThenDone } from '../../core/startup/ensemble';
import type { StartForecast } from '../../core/startup/ensemble';
import { readRecord, type RecordRead } from '../../core/assessment/plan/record';
import { roundOf, type TankRound } from '../../core/assessment/round';
import type { Line } from '../../core/log/timeline';
import type { Day } from '../../core/schedule/day';
import { routines, type Routine } from '../../core/assessment/plan/routine';
import { additionsOf, type AddedThen } from '../../core/assessment/plan/additions';
import { carrying, type Carries } from '../../core/assessment/plan/carrying';
import { companions, type CompanionWish } from '../../core/assessment/plan/companions';
import { tubHours, type Tub } from '../../core/assessment/plan/kept-water';
import { topUps, type TopUp } from '../../core/assessment/plan/top-up';
import { sightMapsOf, type SightMap } from '../../core/assessment/sight-map';
import { spareOf } from '../../core/assessment/spare-media';
import type { Spare } from '../../core/equipment/donors';
import { compare } from '../../core/assessment/remedies/compare';
import { helpFor, type Help } from '../../core/assessment/remedies/offer';
import { wordCompanions, wordWhyNot, type WordedCompanions, type WordedWhyNot } from '../../core/assessment/wording/companions';
import { wordSpawning, type WordedSpawning } from '../../core/assessment/wording/spawning';
import { wordWeighing, type WordedWeighing } from '../../core/assessment/wording/weighing';
import { wordFinding } from '../../core/assessment/wording';
import { SEVERITY_WORD, type Finding, type Severity } from '../../core/calculation/finding';
import type { UnitChoice } from '../../core/quantity/format';
import type { Operation } from 'rfc6902';
import { judgedSummary } from '../store/judge-card';
import type { TankSummary } from '../store/summary';

/** One finding as it is and as a change would leave it, in words. */
export interface ComparedFinding {
  key: string;
  title: string;
  then: string | null;
  before: Severity | null;
  after: Severity | null;
  beforeWord: string;
  afterWord: string;
}

/** What is worked out away from the hand: each by name, with what it is asked and what it answers. */
export interface Tasks {
  /** Remedies of what is open, by finding key. */
  helps: { input: null; output: ReadonlyMap<string, Help> };
  /** What a patch would change in the judgement, finding by finding. */
  compare: {
    input: { remedyId: string; patch: readonly Operation[]; units: UnitChoice };
    output: { remedyId: string; findings: readonly ComparedFinding[] };
  };
  /** The verdict on a tank as its card shows it. */
  card: { input: { units: UnitChoice }; output: NonNullable<TankSummary['judged']> };
  /** Media that it can give to another tank. */
  spare: { input: null; output: readonly Spare[] };
  /** Who else could live here. */
  companions: { input: { wish: CompanionWish; units: UnitChoice }; output: WordedCompanions };
  /** What one kind would bring, and what would turn it. */
  whyNot: { input: { organismId: string; units: UnitChoice }; output: WordedWhyNot | null };
  /** How many of a kind it carries. */
  carrying: { input: { stockId: string }; output: Carries | null };
  /** What each addition does to filter and air. */
  additions: { input: null; output: readonly AddedThen[] };
  /** How the start of the tank goes. */
  start: { input: null; output: StartForecast | null };
  /** How it goes if something is done. */
  startIf: { input: ThenDone; output: StartForecast | null };
  /** What its log shows. */
  record: { input: { lines: readonly Line[]; today: Day; now: number }; output: RecordRead };
  /** What it asks of its keeper in the days that come. */
  round: { input: { lines: readonly Line[]; today: Day; days: number; units: UnitChoice }; output: TankRound };
  /** What a kind lacks for spawning. */
  spawning: { input: { stockId: string; units: UnitChoice }; output: WordedSpawning | null };
  /** What a verdict on company hangs on. */
  weigh: { input: { key: string; units: UnitChoice }; output: WordedWeighing | null };
  /** Who sees whom. */
  sight: { input: null; output: readonly SightMap[] };
  current: { input: null; output: ReturnType<typeof currentMapOf> };
  day: { input: DayKind; output: TankDay | null };
  lightMap: { input: 'section' | 'plan'; output: LightMap | null };
  plantings: { input: PlantingWish; output: readonly PlantingPlan[] };
  routines: { input: null; output: readonly Routine[] };
  topUps: { input: null; output: TopUp | null };
  tubHours: { input: { tub: Tub; coolsC: number; usualOxygenMgPerL: number }; output: ReturnType<typeof tubHours> };
}
export type TaskName = keyof Tasks;

/** Most findings whose remedies are tried out; a crowded tank has hundreds, and the worst come first. */
const MOST_HELPED = 60;

function* helps(assessment: Assessment): Generator<null, ReadonlyMap<string, Help>> {
  const found = new Map<string, Help>();
  const wanting = assessment.findings.filter(({ severity }) => severity !== 'fits');
  const pressing = wanting.filter(({ severity }) => severity !== 'unknown').slice(0, MOST_HELPED);
  for (const finding of [...pressing, ...wanting.filter(({ severity }) => severity === 'unknown').slice(0, MOST_HELPED)]) {
    found.set(finding.key, helpFor(assessment, finding));
    yield null;
  }
  return found;
}

function compared(assessment: Assessment, { remedyId, patch, units }: Tasks['compare']['input']): Tasks['compare']['output'] {
  const changed = compare(assessment, patch);
  const word = (finding: Finding | null) => (finding ? SEVERITY_WORD[finding.severity].toLowerCase() : 'gone');
  const findings = (changed?.differences ?? []).map(({ key, before, after }) => ({
    key,
    title: wordFinding((before ?? after)!, before ? assessment : changed!.after, units).title,
    then: after ? wordFinding(after, changed!.after, units).title : null,
    before: before?.severity ?? null,
    after: after?.severity ?? null,
    beforeWord: word(before),
    afterWord: word(after),
  }));
  return { remedyId, findings };
}

function* searched(assessment: Assessment, { wish, units }: Tasks['companions']['input']): Generator<number, WordedCompanions> {
  return wordCompanions(yield* companions(assessment, wish), assessment, units);
}

/** How each is done. One that is long yields now and then, so that it can be called off: nothing, or the share that is done. */
export const TASKS: {
  readonly [K in TaskName]: (
    assessment: Assessment,
    input: Tasks[K]['input'],
  ) => Tasks[K]['output'] | Generator<number | null, Tasks[K]['output']>;
} = {
  helps,
  compare: compared,
  card: (assessment, { units }) => judgedSummary(assessment, units),
  spare: (assessment) => spareOf(assessment),
  companions: searched,
  whyNot: (assessment, { organismId, units }) => wordWhyNot(assessment, organismId, units),
  record: (assessment, { lines, today, now }) => readRecord(assessment, lines, today, now),
  round: (assessment, { lines, today, days, units }) => roundOf(assessment, lines, today, days, units),
  carrying: (assessment, { stockId }) => carrying(assessment, stockId),
  additions: (assessment) => additionsOf(assessment),
  start: (assessment) => startForecast(assessment),
  startIf: (assessment, then) => startForecastIf(assessment, then),
  spawning: (assessment, { stockId, units }) => wordSpawning(assessment, stockId, units),
  weigh: (assessment, { key, units }) => wordWeighing(assessment, key, units),
  sight: (assessment) => sightMapsOf(assessment),
  current: (assessment) => currentMapOf(assessment),
  day: ({ world, derived }, kind) => tankDay(world, derived, kind),
  lightMap: (assessment, view) => lightMapOf(assessment, view),
  plantings: (assessment, wish) => plantingPlans(assessment, wish),
  routines: (assessment) => routines(assessment),
  topUps: (assessment) => topUps(assessment),
  tubHours: (_, { tub, coolsC, usualOxygenMgPerL }) => tubHours(tub, coolsC, usualOxygenMgPerL),
};
