import type { Finding } from '../../calculation/finding';
import type { Surface } from '../../care/model';
import { inOrder } from '../../design/design';
import { pointer } from '../../design/edit';
import { settle } from '../../tank/settle';
import { NITRATE_PER_N } from '../../tank/at-rest';
import { usualFeedOfTank } from '../../stocking/usual-feed';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

const LIVELIER: Readonly<Record<Surface, Surface | null>> = { still: 'ripple', ripple: 'air-stone', 'air-stone': null };

/** A livelier surface, where oxygen runs short. */
export function surfaceRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'water.oxygen' && finding.code !== 'gear.dawn') return [];
  const next = [LIVELIER[design.care.surface ?? 'still'], 'air-stone' as const].filter((surface) => surface !== null);
  return [...new Set(next)]
    .filter((surface) => surface !== design.care.surface)
    .map((surface) => ({
      kind: 'surface',
      subjects: [surface],
      values: {},
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('care', 'surface'), value: surface }],
    }));
}

/** Less feed, where more is given than such animals are usually given, and it uses up the air or ends as nitrate. */
export function feedRemedy({ world: { design }, derived }: Assessment, finding: Finding): Proposal[] {
  if (
    finding.code !== 'water.oxygen' &&
    finding.code !== 'water.nitrate' &&
    finding.code !== 'water.feed' &&
    finding.code !== 'gear.capacity'
  )
    return [];
  const fed = design.care.feed.gPerDay;
  const scenario = derived['tank.ahead'].value?.scenario;
  const usual = usualFeedOfTank(derived['stock.load'].value?.usualFeedG ?? 0, scenario?.litres ?? 0);
  if (fed === null || usual <= 0 || fed <= usual) return [];
  const gPerDay = Number(usual.toPrecision(2));
  return [
    {
      kind: 'feed',
      subjects: [],
      values: { feed: { quantity: 'mass', value: gPerDay } },
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('care', 'feed', 'gPerDay'), value: gPerDay }],
    },
  ];
}

/** Weekly shares that are tried, least first. */
const SHARES = [0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];

/** The smallest weekly change that keeps nitrate under its limit. */
export function changesRemedy({ world: { design }, derived }: Assessment, finding: Finding): Proposal[] {
  const limit = finding.values['edge']?.value;
  const scenario = derived['tank.ahead'].value?.scenario;
  if (finding.code !== 'water.nitrate' || limit === undefined || !scenario) return [];
  const now = scenario.change ? scenario.change.fraction / scenario.change.everyDays : 0;
  const fraction = SHARES.find(
    (share) =>
      share / 7 > now && settle({ ...scenario, change: { fraction: share, everyDays: 7 } }).now.nitrateMgNPerL * NITRATE_PER_N <= limit,
  );
  if (fraction === undefined) return [];
  return [
    {
      kind: 'changes',
      subjects: [],
      values: { fraction: { quantity: 'fraction', value: fraction } },
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('care', 'change'), value: { fraction, everyDays: 7 } }],
    },
  ];
}

/** Water with nothing in it to top up with, where evaporation concentrates. */
export function topUpRemedy({ world: { design, room } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'water.evaporation') return [];
  const pure = inOrder(room.sources).find(([id, { kind }]) => kind === 'ro' && id !== design.care.topUp?.sourceId);
  if (!pure) return [];
  return [
    {
      kind: 'top-up',
      subjects: [pure[0]],
      values: {},
      patch: [
        forRevision(design.rev),
        { op: 'replace', path: pointer('care', 'topUp'), value: { sourceId: pure[0], everyDays: design.care.topUp?.everyDays ?? 7 } },
      ],
    },
  ];
}
