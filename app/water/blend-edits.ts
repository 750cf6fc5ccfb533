import type { Operation } from 'rfc6902';
import { inOrder, type Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { Room } from '../../core/design/room';

/** Gives one source a share of the whole; the others keep their proportions in what is left. */
export function setShare(design: Design, room: Room, sourceId: string, share: number): Operation[] {
  const sources = inOrder(room.sources).map(([id]) => id);
  const poured = (id: string) =>
    Object.values(design.water.parts)
      .filter((part) => part.sourceId === id)
      .reduce((sum, part) => sum + part.share, 0);
  const others = sources.filter((id) => id !== sourceId);
  const rest = others.reduce((sum, id) => sum + poured(id), 0);
  const left = 1 - share;
  const round = (value: number) => Math.round(value * 1000) / 1000;
  const shares = sources.map((id) => {
    if (id === sourceId) return [id, share] as const;
    // nothing else was poured yet: the first other source takes what is left
    return [id, rest > 0 ? (left * poured(id)) / rest : id === others[0] ? left : 0] as const;
  });
  const parts = Object.fromEntries(
    shares.filter(([, value]) => value > 0.0005).map(([id, value], i) => [id, { order: i + 1, sourceId: id, share: round(value) }]),
  );
  return [{ op: 'replace', path: pointer('water', 'parts'), value: parts }];
}
