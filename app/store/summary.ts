import type { Severity } from '../../core/calculation/finding';
import type { UnitChoice } from '../../core/quantity/format';
import type { Design } from '../../core/design/design';
import type { TankFigure } from '../section/figure';

/** What a list of tanks shows of one. */
export interface TankSummary {
  id: string;
  roomId: string;
  name: string;
  archived: boolean;
  savedAt: string;
  /** Null until it has been judged. */
  judged: {
    worst: Severity;
    /** The worst finding in words; Latin names between asterisks. */
    says: string | null;
    /** Open conflicts and things to watch. */
    conflicts: number;
    watches: number;
    target: string | null;
    figure: TankFigure | null;
    /** The revision of the room, the edition of the catalogue and the units it was judged and worded by. */
    by: string;
  } | null;
}

export function notJudged(design: Design, savedAt: string): TankSummary {
  return { id: design.id, roomId: design.roomId, name: design.name, archived: design.archived, savedAt, judged: null };
}

/** What a verdict rests on beside the design. */
export function judgedBy(room: { id: string; rev: number }, edition: string, units: UnitChoice): string {
  return `${room.id}@${room.rev}/${edition}/${JSON.stringify(units)}`;
}
