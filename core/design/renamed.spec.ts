import { lowBarn, shellBed, weedyThicket } from '../testing/tanks';
import { Design } from './design';
import { renamed } from './renamed';
import { Room } from './room';

describe('a room under other ids', () => {
  it('has its lots in the same tanks, and its gear of the same ones', () => {
    const design: Design = {
      ...shellBed,
      equipment: {
        ...shellBed.equipment,
        air: {
          order: 9,
          kind: 'air',
          lPerMin: 3,
          checkValve: null,
          below: null,
          battery: false,
          powerW: 3,
          sizeMm: null,
          placeMm: null,
          ofTankId: weedyThicket.id,
        },
      },
    };
    const ids = new Map([
      [weedyThicket.id, 'new-thicket'],
      [shellBed.id, 'new-shells'],
    ]);
    const { room, designs } = renamed(lowBarn, [weedyThicket, design], 'new-room', ids);
    expect(Room.safeParse(room).success).toBeTrue();
    const places = (of: Room) => Object.values(of.moves).flatMap(({ from, to }) => [from, to]);
    expect(places(lowBarn)).toContain(weedyThicket.id);
    expect(places(room)).toEqual(places(lowBarn).map((id) => (id === null ? null : (ids.get(id) ?? id))));
    expect(Object.values(room.marks).map(({ place }) => place)).toContain('new-thicket');
    expect(designs.map(({ id, roomId }) => [id, roomId])).toEqual([
      ['new-thicket', 'new-room'],
      ['new-shells', 'new-room'],
    ]);
    const air = designs[1]!.equipment['air'];
    expect(air?.kind === 'air' && air.ofTankId).toBe('new-thicket');
    for (const one of designs) expect(Design.safeParse(one).success).toBeTrue();
  });
});
