import { LIT_HOURS, lightFindings } from './light';
import { predationFinding } from './predation';
import { catalogue } from '../testing/tanks';
import type { Animal } from '../catalogue/organism';

const polyp = [{ id: 'polyp', basis: 'practice' as const }];
const said = (hours: number | null, plants = ['fern'], byLight = polyp, lived = true) =>
  lightFindings(hours, plants, byLight, lived).map(({ kind, severity, subjects }) => `${kind} ${severity} ${subjects.join()}`);

describe('hours of light', () => {
  it('are said to be too many only where something rests, and too few only where something lives by them', () => {
    expect(said(24)).toEqual(['no-night watch ']);
    expect(said(24, [], [], false)).toEqual([]);
    expect(said(2)).toEqual(['starves watch polyp', 'too-short watch fern']);
    expect(said(0)).toEqual(['starves conflict polyp', 'too-short watch fern']);
    expect(said(2, [], [])).toEqual([]);
  });

  it('draw nothing while they are usual, or not stated', () => {
    for (const hours of [null, LIT_HOURS[0], 6, 8, 10, 12, LIT_HOURS[1]]) expect(said(hours)).toEqual([]);
  });

  it('are the worse the further off they are', () => {
    const excess = (hours: number) => Math.max(...lightFindings(hours, ['fern'], polyp, true).map((finding) => finding.excess ?? 0));
    expect(excess(24)).toBeGreaterThan(excess(16));
    expect(excess(1)).toBeGreaterThan(excess(4));
  });
});

describe('a hunter of the night', () => {
  const of = (id: string) => ({ id, animal: catalogue.organisms.get(id) as Animal, count: 6, phase: 'keep' as const, strainId: null });
  const between = (hunter: string, prey: string) => predationFinding(of(hunter) as never, of(prey) as never);

  it('takes sleepers that would slip it by day, and no others', () => {
    expect(between('microglanis-iheringi', 'paracheirodon-innesi')).toEqual(
      jasmine.objectContaining({ severity: 'conflict', kind: 'asleep' }),
    );
    // deeper than its mouth by far
    expect(between('microglanis-iheringi', 'puntigrus-tetrazona')).toBeNull();
    // the same mouth, by day
    const byDay = { ...of('microglanis-iheringi') };
    byDay.animal = { ...byDay.animal, traits: { ...byDay.animal.traits, activity: { value: 'day', basis: 'practice' } } };
    expect(predationFinding(byDay as never, of('paracheirodon-innesi') as never)?.severity).toBe('watch');
  });
});
