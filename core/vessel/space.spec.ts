import { box, find, judge, tank } from '../testing/tanks';
import { spaceFinding, standsIn } from './space';

describe('the place a tank is to stand at', () => {
  it('takes what fits by its outside, with a hand over the rim', () => {
    expect(standsIn([600, 300, 300], 6, [612, 312, 406])).toBeTrue();
    expect(standsIn([600, 300, 300], 6, [611, 312, 406])).toBeFalse();
    expect(standsIn([600, 300, 300], 6, [612, 312, 405])).toBeFalse();
  });

  it('is judged by the side that stands out furthest', () => {
    expect(spaceFinding(box(600, 300, 360), [500, 290, 900], 5)).toEqual(
      jasmine.objectContaining({ severity: 'conflict', kind: 'length', excess: 110 }),
    );
    expect(spaceFinding(box(600, 300, 360), [700, 400, 900], 5)?.severity).toBe('fits');
    expect(spaceFinding(box(600, 300, 360), undefined, 5)).toBeNull();
  });

  it('is said of a design, and tells how much room is above where nobody measured that', () => {
    const design = tank([['danio-margaritatus', 10]]);
    const placed = (spaceMm: [number, number, number]) =>
      judge({ ...design, vessel: box(600, 300, 360), brief: { ...design.brief, spaceMm } });
    expect(find(placed([500, 400, 900]), 'vessel.space')?.severity).toBe('conflict');
    expect(find(placed([700, 400, 420]), 'vessel.clearance')?.severity).toBe('conflict');
    expect(find(placed([700, 400, 520]), 'vessel.clearance')?.severity).toBe('watch');
    expect(find(placed([700, 400, 900]), 'vessel.clearance')?.severity).toBe('fits');
    expect(find(judge({ ...design, vessel: box(600, 300, 360) }), 'vessel.space')).toBeUndefined();
  });
});
