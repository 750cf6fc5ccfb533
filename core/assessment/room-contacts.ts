import type { Organism } from '../catalogue/organism';
import type { Room } from '../design/room';
import { contactsOf, type Carried, type Contact } from '../health/contact';
import type { Holdings } from '../lots/holdings';
import { ON_THE_SHELF } from '../lots/model';

/** What may be where in a room and is not over, by where its lots are and what was seen. */
export function contactsInRoom(
  { lots, marks }: Pick<Room, 'lots' | 'marks'>,
  { stays, passages }: Pick<Holdings, 'stays' | 'passages'>,
  organisms: ReadonlyMap<string, Organism>,
): Contact[] {
  const carried = new Map<string, Carried>(
    Object.entries(lots).map(([id, { kind, organismId }]) => {
      const entry = organismId === null ? undefined : organisms.get(organismId);
      return [id, { kind, group: entry?.kind === 'animal' ? entry.group : null }];
    }),
  );
  return contactsOf({ stays, passages, marks: Object.values(marks), lots: carried, apart: ON_THE_SHELF });
}
