import { strToU8, zipSync } from 'fflate';
import { demoDesigns, lowBarn } from '../testing/tanks';
import { readRoomArchive, writeRoomArchive } from './archive';
import { isCopy, readCopy, writeCopy } from './whole-copy';

const zip = writeRoomArchive({ room: lowBarn, designs: [...demoDesigns], photos: [], logs: [], cited: { catalogue: 'x', entries: [] } });
const AT = '2026-06-01T10:00:00.000Z';
const room = (id: string, name = id) => ({ id, name, tanks: demoDesigns.length, entries: 0, zip });
const copy = writeCopy({ at: AT, rooms: [room('low-barn', 'Low Barn'), room('attic')] });

describe('a copy of everything', () => {
  it('holds each room as its own archive, and gives them back as they were', () => {
    const read = readCopy(copy);
    if (!read.ok) return fail(read.refusals[0]!.reason);
    expect(read.document.at).toBe(AT);
    expect(read.document.damaged).toEqual([]);
    expect(read.document.rooms.map(({ id, name, tanks }) => [id, name, tanks])).toEqual([
      ['low-barn', 'Low Barn', demoDesigns.length],
      ['attic', 'attic', demoDesigns.length],
    ]);
    const back = readRoomArchive(read.document.rooms[0]!.zip);
    expect(back.ok && back.document.room).toEqual(lowBarn);
  });

  it('gives what is whole where one room is damaged, and says which is not', () => {
    const at = copy.length - Math.floor(zip.length / 2) - 600;
    const hurt = Uint8Array.from(copy);
    hurt.fill(0, at, at + 40);
    const read = readCopy(hurt);
    expect(read.ok && [read.document.rooms.map(({ id }) => id), read.document.damaged]).toEqual([['low-barn'], ['attic']]);
  });

  it('is refused where it is none, cut short, or of a newer Terroir', () => {
    const reasonOf = (bytes: Uint8Array) => {
      const read = readCopy(bytes);
      return read.ok ? '' : `${read.refusals[0]!.path}: ${read.refusals[0]!.reason}`;
    };
    expect(reasonOf(zip)).toContain('no copy of everything');
    expect(reasonOf(copy.subarray(0, copy.length - 100))).toContain('ends too early');
    const manifest = (more: object) =>
      zipSync({ 'copy.json': strToU8(JSON.stringify({ terroir: 'copy', schema: 1, at: AT, rooms: [], ...more })) });
    expect(reasonOf(manifest({ schema: 9 }))).toContain('newer Terroir');
    expect(reasonOf(manifest({ at: 'yesterday' }))).toMatch(/^copy.json: at/);
    expect(reasonOf(zipSync({ 'copy.json': strToU8('{') }))).toContain('not JSON');
  });

  it('is not taken for a room, which says where it belongs', () => {
    expect([isCopy(copy), isCopy(zip)]).toEqual([true, false]);
    const read = readRoomArchive(copy);
    expect(read.ok ? '' : read.refusals[0]!.reason).toContain('“A copy of everything”');
  });
});
