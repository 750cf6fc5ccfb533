import { find, judge, piece, tank } from '../testing/tanks';

describe('what a kind cannot be fed without', () => {
  const rasper = tank([['panaqolus-maccus', 1]]);

  it('is wood that lies in the tank, for what rasps it', () => {
    expect(find(judge(rasper), 'stocking.diet:s0')).toEqual(jasmine.objectContaining({ severity: 'watch', kind: 'wood' }));
    const wooded = { ...rasper, scene: { root: piece('branch', { order: 1, materialId: 'bog-wood' }) } };
    expect(find(judge(wooded), 'stocking.diet:s0')).toBeUndefined();
    const stony = { ...rasper, scene: { stone: piece('angular-stone', { order: 1, materialId: 'granite' }) } };
    expect(find(judge(stony), 'stocking.diet:s0')?.severity).toBe('watch');
  });

  it('is food that moves, for what takes no other', () => {
    expect(find(judge(tank([['dario-dario', 3]])), 'stocking.diet:s0')?.kind).toBe('live food');
    expect(find(judge(tank([['danio-margaritatus', 10]])), 'stocking.diet:s0')).toBeUndefined();
  });
});
