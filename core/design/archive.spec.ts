import { DESIGN_SCHEMA } from './design';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import fixture from './fixtures/design-v1.json';
import { lowBarn, peatPocket, weedyThicket } from '../testing/tanks';
import { ARCHIVE_LIMITS } from './archive-limits';
import { readRoomArchive, writeRoomArchive, type RoomArchive } from './archive';
import { readDesignFile } from './document';
import type { Entry } from '../log/model';
import { readJson } from './outside-json';

const PHOTO = { designId: weedyThicket.id, id: 'of the bed/1', jpeg: Uint8Array.of(0xff, 0xd8, 0xff, 0xe0, 1, 2, 3) };
const ENTRY: Entry = {
  kind: 'change',
  id: 'one',
  at: '2026-03-29T08:15:00+02:00',
  written: '2026-03-29T06:16:00Z',
  note: 'first',
  corrects: null,
  litres: 12,
  fraction: null,
};
const STRUCK: Entry = { kind: 'struck', id: 'two', at: ENTRY.at, written: '2026-03-29T07:00:00Z', note: '', corrects: 'one' };
const ARCHIVE: RoomArchive = {
  room: lowBarn,
  designs: [peatPocket, weedyThicket],
  photos: [PHOTO],
  logs: [{ designId: weedyThicket.id, entries: [ENTRY, STRUCK] }],
  cited: { catalogue: 'test', entries: [] },
};
const whole = writeRoomArchive(ARCHIVE);

/** The reasons of a refusal, one text. */
const reasons = (bytes: Uint8Array) => {
  const read = readRoomArchive(bytes);
  return read.ok ? 'accepted' : read.refusals.map(({ path, reason }) => `${path}: ${reason}`).join('\n');
};

/** The archive with some of its files changed, checksums as they were unless renewed. */
function tampered(change: (files: Record<string, Uint8Array>) => void): Uint8Array {
  const files = unzipSync(whole);
  change(files);
  return zipSync(files);
}
const edited = (files: Record<string, Uint8Array>, path: string, change: (text: string) => string) => {
  files[path] = strToU8(change(strFromU8(files[path]!)));
};

describe('a room as a file', () => {
  it('comes back as it went', () => {
    const read = readRoomArchive(whole);
    expect(read.ok ? read.document : read.refusals).toEqual(ARCHIVE);
  });

  it('is refused where an entry of a log is not sound, or its tank is missing', () => {
    const logged = (entry: object) => writeRoomArchive({ ...ARCHIVE, logs: [{ designId: weedyThicket.id, entries: [entry as Entry] }] });
    expect(reasons(logged({ ...ENTRY, litres: -1 }))).toContain('logs/002.json: entries.0.litres: less than nothing');
    expect(reasons(logged({ ...ENTRY, at: 'yesterday' }))).toContain('a time is written');
    expect(
      reasons(
        tampered((files) => {
          files['logs/009.json'] = files['logs/002.json']!;
        }),
      ),
    ).toContain('logs/009.json: is not named in the manifest');
  });

  it('is the same file for the same room', () => {
    expect(writeRoomArchive(ARCHIVE)).toEqual(whole);
  });

  it('is refused when it is damaged, cut short or no zip at all', () => {
    expect(reasons(new Uint8Array())).toMatch(/no manifest|not a whole zip/);
    expect(reasons(strToU8('hello'))).toMatch(/no manifest|not a whole zip/);
    expect(reasons(whole.subarray(0, whole.length / 2))).not.toBe('accepted');
    const bent = whole.slice();
    for (let i = 60; i < 260; i++) bent[i] = bent[i]! ^ 0xff;
    expect(reasons(bent)).not.toBe('accepted');
    for (let at = 0; at < whole.length; at += 97) {
      const one = whole.slice();
      one[at] = one[at]! ^ 0x55;
      // a changed byte is refused, or (in a date or a name) changes nothing that is read
      const read = readRoomArchive(one);
      if (read.ok) expect(read.document).toEqual(ARCHIVE);
    }
  });

  it('is refused when a file was changed, is missing or was put in', () => {
    expect(reasons(tampered((files) => edited(files, 'room.json', (text) => text.replace('Low Barn', 'Low Born'))))).toContain(
      'room.json: its checksum is wrong',
    );
    expect(reasons(tampered((files) => delete files['designs/001.json']))).toContain('named in the manifest and not there');
    expect(reasons(tampered((files) => (files['extra.js'] = strToU8('alert(1)'))))).toContain('extra.js: is not named in the manifest');
    expect(reasons(tampered((files) => edited(files, 'manifest.json', (text) => text.replace('"schema": 1', '"schema": 9'))))).toContain(
      'newer',
    );
  });

  it('is refused where a picture is none, too large, or of no design', () => {
    const pictured = (photos: RoomArchive['photos']) => reasons(writeRoomArchive({ ...ARCHIVE, photos }));
    expect(pictured([{ ...PHOTO, jpeg: strToU8('<svg onload=alert(1)>') }])).toContain(
      'photos/002/of%20the%20bed%2F1.jpg: is no JPEG picture',
    );
    const large = new Uint8Array(2_000_001);
    large.set(PHOTO.jpeg);
    expect(pictured([{ ...PHOTO, jpeg: large }])).toContain('larger than a kept picture');
    // a picture of a tank that is not in the file does not go along
    expect(pictured([{ ...PHOTO, designId: 'elsewhere' }])).toBe('accepted');
    const stray = writeRoomArchive({
      ...ARCHIVE,
      designs: [peatPocket, weedyThicket, { ...weedyThicket, id: 'third' }],
      photos: [{ ...PHOTO, designId: 'third' }],
    });
    const files = unzipSync(stray);
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as { sha256: Record<string, string> };
    delete files['designs/003.json'];
    delete manifest.sha256['designs/003.json'];
    files['manifest.json'] = strToU8(JSON.stringify(manifest));
    expect(reasons(zipSync(files))).toContain('designs/003.json, which is not there');
  });

  it('is refused when it swells: a bomb of zeros', () => {
    const bomb = zipSync({ 'manifest.json': new Uint8Array(ARCHIVE_LIMITS.bytes + 1) }, { level: 9 });
    expect(bomb.length).toBeLessThan(ARCHIVE_LIMITS.packedBytes);
    expect(reasons(bomb)).toContain('unpacks to more than a room can be');
  });

  it('is refused when it is larger than a room can be', () => {
    expect(reasons(new Uint8Array(ARCHIVE_LIMITS.packedBytes + 1))).toContain('larger than a room can be');
  });

  it('is refused when two designs have one id, or belong elsewhere', () => {
    expect(reasons(writeRoomArchive({ ...ARCHIVE, designs: [peatPocket, { ...weedyThicket, id: peatPocket.id }] }))).toContain(
      '"peat-pocket" is the id of designs/001.json too',
    );
    expect(reasons(writeRoomArchive({ ...ARCHIVE, designs: [{ ...peatPocket, roomId: 'elsewhere' }] }))).toContain(
      'not the room of this archive',
    );
  });

  it('names the file and the place of what is not sound', () => {
    const bad = { ...peatPocket, stock: { pair: { ...peatPocket.stock['pair']!, count: -2 } } };
    expect(reasons(writeRoomArchive({ ...ARCHIVE, designs: [bad] }))).toContain('designs/001.json: stock.pair.count');
  });

  it('brings designs of an earlier version up', () => {
    const old = { ...ARCHIVE, room: { ...fixture.room }, designs: [fixture.design] } as unknown as RoomArchive;
    const read = readRoomArchive(writeRoomArchive(old));
    expect(read.ok ? read.document.designs[0]?.schema : read.refusals).toBe(DESIGN_SCHEMA);
  });
});

describe('JSON from outside', () => {
  const said = (text: string) => {
    const read = readJson(text);
    return read.ok ? 'accepted' : read.refusals.map(({ path, reason }) => `${path}: ${reason}`).join('\n');
  };
  for (const [text, reason] of [
    ['{"a": 1,}', 'line 1'],
    ['{"a": 1', 'line 1'],
    ['', 'not whole JSON'],
    ['{"a": // no\n 1}', 'not whole JSON'],
    ['{"stock": {"a": 1, "b": 2, "a": 3}}', 'stock.a: is a duplicate'],
    ['{"x": {"__proto__": {"admin": true}}}', 'x.__proto__: this name is not allowed'],
    ['{"constructor": {"prototype": {}}}', 'constructor: this name is not allowed'],
    [`${'['.repeat(500)}${']'.repeat(500)}`, 'nested deeper'],
    [`${'{"a":'.repeat(300)}1${'}'.repeat(300)}`, 'nested deeper'],
    ['[1, NaN]', 'not whole JSON'],
  ] as const)
    it(`refuses ${text.slice(0, 44) || 'nothing'}`, () => {
      expect(said(text)).toContain(reason);
    });

  it('takes what is whole', () => {
    expect(said('{"a": [1, 2, {"b": null}], "c": "__proto__"}')).toBe('accepted');
  });

  it('in a design file cannot reach into the program', () => {
    const text = JSON.stringify(fixture).replace('"accepted":{', '"accepted":{"__proto__":"x",');
    const read = readDesignFile(text);
    expect(read.ok ? 'accepted' : read.refusals[0]).toEqual({ path: 'design.accepted.__proto__', reason: 'this name is not allowed' });
    expect(({} as Record<string, unknown>)['x']).toBeUndefined();
  });
});
