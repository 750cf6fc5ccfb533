import { CONDITIONS } from './conditions';
import { TREATMENTS } from './treatments';
import { treatmentHits, TROUBLES, troublesSeen, type TroubleSought } from './troubles';

const seen = (sought: Partial<TroubleSought>) =>
  troublesSeen({ place: null, look: null, moves: null, salt: false, ...sought }).map(({ id }) => id);

describe('trouble in a young tank', () => {
  it('is told by what is seen (common practice)', () => {
    const cases: readonly (readonly [Partial<TroubleSought>, string])[] = [
      [{ place: 'water', look: 'white or clear', moves: false }, 'cloud'],
      [{ place: 'water', look: 'green' }, 'green-water'],
      [{ place: 'surface', moves: false }, 'film'],
      [{ place: 'wood and stone', look: 'white or clear' }, 'wood-fur'],
      [{ place: 'glass', look: 'brown', moves: false }, 'diatoms'],
      [{ place: 'bed', look: 'blue-green or red', moves: false }, 'slime'],
      [{ place: 'plants', look: 'black' }, 'black-tufts'],
      [{ place: 'glass', look: 'white or clear', moves: true }, 'planaria'],
      [{ place: 'plants', look: 'green', moves: true }, 'hydra'],
      [{ place: 'plants', look: 'brown', moves: true }, 'dragonfly'],
      [{ place: 'bed', look: 'black', moves: false }, 'rot'],
      [{ place: 'surface', look: 'blue-green or red', moves: true }, 'midges'],
      [{ place: 'wood and stone', moves: true, salt: true }, 'glass-anemones'],
    ];
    for (const [sought, id] of cases) expect([id, seen(sought)]).toEqual([id, jasmine.arrayContaining([id])]);
  });

  it('of salt water is not told in fresh water, nor the other way round; of unknown water all is told', () => {
    expect(seen({ salt: false })).not.toContain('glass-anemones');
    expect(seen({ salt: true })).not.toContain('planaria');
    expect(seen({ salt: null }).length).toBe(TROUBLES.length);
  });

  it('has for each what to do first without harm to shrimp, snails or filter', () => {
    for (const { id, ways, places, looks } of TROUBLES) {
      expect([id, ways[0]!.treatment]).toEqual([id, undefined]);
      expect([id, places.length > 0 && looks.length > 0]).toEqual([id, true]);
      expect(ways.every(({ besides }) => besides.length > 5)).toBeTrue();
    }
    expect(new Set(TROUBLES.map(({ id }) => id)).size).toBe(TROUBLES.length);
  });

  it('says of a treatment whom it kills and whom it harms among those that live there', () => {
    expect(treatmentHits('fenbendazole', new Set(['shrimp', 'snail']))).toEqual({ kills: ['snail'], harms: [] });
    const copper = treatmentHits('copper', new Set(['shrimp', 'fish']));
    expect(copper.kills).toContain('shrimp');
    expect(copper.kills).not.toContain('fish');
    // what is said of a treatment in words does not contradict what is known of it
    for (const { id, ways } of TROUBLES)
      for (const { treatment, besides } of ways) {
        if (!treatment) continue;
        const { kills, harms } = TREATMENTS[treatment];
        if (/[Ss]hrimp bear it|[Ss]pares shrimp/.test(besides))
          expect([id, treatment, [...kills, ...harms].includes('shrimp')]).toEqual([id, treatment, false]);
        if (/[Kk]ills .*snails|snails die/.test(besides))
          expect([id, treatment, [...kills, ...harms].includes('snail')]).toEqual([id, treatment, true]);
      }
  });

  it('that travels to other tanks is a mark that is known', () => {
    const travelling = TROUBLES.flatMap(({ condition }) => (condition ? [condition] : []));
    expect(travelling).toEqual(['planaria', 'hydra', 'dragonfly-larvae', 'glass-anemones']);
    for (const condition of travelling)
      expect(CONDITIONS[condition].carriers.some((carrier) => carrier === 'plant' || carrier === 'media')).toBeTrue();
  });
});
