import type { Animal } from '../../catalogue/organism';
import { catalogue, judge, lowBarn, tank } from '../../testing/tanks';
import { rolesOf } from '../../stocking/roles';
import { assess, type Assessment } from '../assess';
import { companions, TRIED_ID, tried, whyNot, type Companions, type CompanionWish } from './companions';

const anyone: CompanionWish = { stratum: null, role: null, atHand: false };
function searched(assessment: Assessment, wish: Partial<CompanionWish> = {}): { found: Companions; shares: number[] } {
  const shares: number[] = [];
  const search = companions(assessment, { ...anyone, ...wish });
  for (let step = search.next(); ; step = search.next()) {
    if (step.done) return { found: step.value, shares };
    shares.push(step.value);
  }
}
const ids = ({ offers }: Companions) => offers.map(({ organismId }) => organismId);
const animal = (id: string) => catalogue.organisms.get(id) as Animal;

const galaxies = judge(tank([['danio-margaritatus', 10]], { heaterC: 24 }));

describe('who else could live here', () => {
  const { found, shares } = searched(galaxies);

  it('looks at every animal but the lines of a kind and those that are here, and says how far it is', () => {
    const kinds = [...catalogue.organisms.values()].filter(
      (entry) => entry.kind === 'animal' && !entry.retiredTo && entry.strainOf === undefined && entry.id !== 'danio-margaritatus',
    );
    expect(found.looked).toBe(kinds.length);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares[0]).toBe(0);
  });

  it('offers nothing of salt water, nothing that eats them, and nothing of torrents and cold', () => {
    for (const id of ['amphiprion-ocellaris', 'ambystoma-mexicanum', 'pterapogon-kauderni', 'symphysodon-aequifasciatus'])
      expect(ids(found)).not.toContain(id);
    expect(found.passed[0]!.count).toBeGreaterThan(50);
    expect(found.passed.reduce((sum, { count }) => sum + count, 0) + found.offers.length).toBeLessThanOrEqual(found.looked);
  });

  it('offers nothing that the whole judgement has two things against, and says the one that it has', () => {
    expect(found.offers.length).toBeGreaterThan(0);
    for (const { organismId, count, says } of found.offers) {
      const again = whyNot(galaxies, animal(organismId));
      expect(again.count).toBe(count);
      expect(again.brings.map(({ key }) => key)).toEqual(says.map(({ key }) => key));
      expect(says.length).toBeLessThanOrEqual(1);
    }
  });

  it('puts what simply fits first, then what is to be watched, then what has one thing in its way', () => {
    const rank = { fits: 0, unknown: 0, watch: 1, conflict: 2 };
    const ranks = found.offers.map(({ says, atHand }) => (atHand > 0 ? 0 : rank[says[0]?.severity ?? 'fits']));
    expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
  });

  it('puts sets together that bring no more than their members do', () => {
    for (const { members } of found.sets) {
      expect(members.length).toBeGreaterThan(1);
      const after = tried(galaxies, members);
      expect(after.findings.filter(({ severity, key }) => severity === 'conflict' && key.includes(TRIED_ID))).toEqual([]);
    }
  });

  const NO_LOTS = { lots: {}, moves: {}, marks: {} };
  it('keeps to a stratum, a role, and to what is at hand', () => {
    for (const { strata } of searched(galaxies, { stratum: 'bottom' }).found.offers) expect(strata).toContain('bottom');
    for (const { roles } of searched(galaxies, { role: 'clean-up' }).found.offers) expect(roles).toContain('clean-up');
    expect(searched(assess({ ...galaxies.world, room: { ...lowBarn, onHand: {}, ...NO_LOTS } }), { atHand: true }).found.looked).toBe(0);
    const room = {
      ...lowBarn,
      ...NO_LOTS,
      onHand: {
        a: { order: 1, kind: 'animal' as const, name: 'Ramshorn snails', measure: 'count' as const, amount: 12, note: '', substance: null },
      },
    };
    const here = assess({ ...galaxies.world, room });
    const mine = searched(here, { atHand: true }).found;
    expect(mine.looked).toBe(1);
    for (const { atHand, count } of mine.offers) expect([atHand, count]).toEqual([12, 12]);
  });

  it('takes what of the living stock is to go for at hand', () => {
    const lot = {
      order: 1,
      kind: 'animal' as const,
      organismId: 'planorbella-duryi',
      name: 'Reds',
      from: '',
      parentId: null,
      line: '',
      generation: '',
      ateOn: null,
      home: '',
    };
    const room = {
      ...lowBarn,
      onHand: {},
      ...NO_LOTS,
      lots: { a: { ...lot, surplus: 9 }, b: { ...lot, organismId: 'neocaridina-davidi', surplus: 0 } },
    };
    const mine = searched(assess({ ...galaxies.world, room }), { atHand: true }).found;
    expect(mine.looked).toBe(1);
    expect(mine.offers.map(({ organismId, atHand }) => [organismId, atHand])).toEqual([['planorbella-duryi', 9]]);
  });

  it('keeps a strict place to what lives there', () => {
    const strict = judge({
      ...galaxies.world.design,
      brief: { ...galaxies.world.design.brief, biotopeId: 'spring-pond-shan', fidelity: 'strict' },
    });
    const { offers, passed } = searched(strict).found;
    expect(passed[0]?.by).toBe('place');
    for (const { native } of offers) expect(native).toBeTrue();
  });
});

describe('why not this one', () => {
  it('says everything it would bring, worst first', () => {
    const { brings, after } = whyNot(galaxies, animal('ambystoma-mexicanum'));
    expect(brings[0]?.severity).toBe('conflict');
    expect(brings.map(({ code }) => code)).toContain('stocking.predation');
    expect(after.world.design.stock[TRIED_ID]?.organismId).toBe('ambystoma-mexicanum');
  });
  it('is nothing for one that is already there in company with its kind', () => {
    const { brings } = whyNot(galaxies, animal('danio-margaritatus'));
    expect(brings.filter(({ severity }) => severity === 'conflict')).toEqual([]);
  });
  it('does not count what was said before', () => {
    const bare = judge(tank([['danio-margaritatus', 2]]));
    const said = new Set(bare.findings.filter(({ severity }) => severity !== 'unknown').map(({ key }) => key));
    for (const { key, excess, severity } of whyNot(bare, animal('neocaridina-davidi')).brings)
      if (said.has(key)) expect(severity === 'conflict' || excess! > 0).toBeTrue();
  });
});

describe('what a companion is taken for', () => {
  it('goes by how it feeds and lives', () => {
    expect(rolesOf(animal('neocaridina-davidi'))).toContain('clean-up');
    expect(rolesOf(animal('paracheirodon-innesi'))).toContain('dither');
    expect(rolesOf(animal('ambystoma-mexicanum'))).not.toContain('dither');
    expect(rolesOf(animal('botia-almorhae'))).toContain('snails');
  });
});
