import { donorsAmong, type Donor } from '../../core/plants/donors';
import type { Design } from '../../core/design/design';
import type { Library } from './library';

/** The other tanks of a room: their names, and what of each plant they have to give. */
export interface Neighbours {
  names: ReadonlyMap<string, string>;
  donors: ReadonlyMap<string, readonly Donor[]>;
}
export const NO_NEIGHBOURS: Neighbours = { names: new Map(), donors: new Map() };

/** A tank that cannot be read gives nothing. */
export async function neighboursOf(library: Library, { id: own, roomId }: Pick<Design, 'id' | 'roomId'>): Promise<Neighbours> {
  const { designs } = await library.designs(roomId).catch(() => ({ designs: [] }));
  const others = designs.filter(({ id, archived }) => id !== own && !archived);
  return { names: new Map(others.map(({ id, name }) => [id, name])), donors: donorsAmong(others) };
}
