import { catalogueData } from '../../catalogue/index';
import { indexCatalogue } from '../../core/catalogue/catalogue';
import { emptyRoom } from '../../core/design/room';
import { METRIC } from '../../core/quantity/format';
import { signal } from '@angular/core';
import { benchEntries, heldBy } from '../shell/bench-entries';
import { BENCHES } from '../shell/benches';
import { tankCommands, type TankActs } from '../shell/tank-commands';
import { roomCommands } from '../room/room-commands';
import { catalogueEntries } from './catalogue-entries';
import { paletteSearch, type PaletteEntry } from './entry';
import { settingEntries } from './setting-entries';

const nothing = () => undefined;
const preferences = { setUnit: nothing, theme: signal<'loam' | 'night'>('loam'), singleKeys: signal(true) };

/** What is typed, and what has to stand first: its name, or its kind and a part of its name. */
const IN_A_TANK: readonly (readonly [string, string, RegExp?])[] = [
  // benches and what stands on them
  ['water', 'Bench', /^Water$/],
  ['hardscape', 'Bench'],
  ['breeding', 'Bench'],
  ['heater', 'Equipment', /^Heater$/],
  ['filter', 'Equipment', /^Filter$/],
  ['light', 'Plants', /^Light$/],
  ['chiller', 'Equipment', /^Cooler/],
  ['power cut', 'Equipment', /fails/],
  ['sand', 'Substrate', /^Layers/],
  ['gravel', 'Substrate', /^Layers/],
  ['slope', 'Substrate', /^Slope/],
  ['driftwood', 'Hardscape', /^Pieces/],
  ['cave', 'Hardscape', /^Pieces/],
  ['hiding place', 'Hardscape', /^Shelter/],
  ['lid', 'Vessel', /^Lid$/],
  ['sump', 'Vessel', /^Sump/],
  ['dimensions', 'Vessel', /^Form/],
  ['weight', 'Vessel', /^Stand/],
  ['ph', 'Water', /ranges/],
  ['remineralise', 'Water', /^Recipe$/],
  ['tap water', 'Water', /^Sources$/],
  ['forecast', 'Water', /^Forecast$/],
  ['nitrate', 'Water', /^Forecast$/],
  ['laboratory', 'Water', /^Laboratory$/],
  ['calculator', 'Water', /^Laboratory$/],
  ['acclimate', 'Water', /^Acclimate$/],
  ['drip', 'Water', /^Acclimate$/],
  ['water change', 'Water', /^Change$/],
  ['tank mates', 'Stocking', /^The company/],
  ['calendar', 'Care', /days/],
  ['reminder', 'Care', /days/],
  ['feeding', 'Care', /routine/],
  ['cycling', 'Start-up'],
  ['fry', 'Breeding'],
  ['biotope', 'Livestock', /^Wild place$/],
  ['add fish', 'Livestock', /^Animals/],
  // what can be done
  ['new tank', 'Do', /^New tank/],
  ['rename', 'Do', /^Rename/],
  ['duplicate', 'Do', /^Duplicate/],
  ['copy', 'Do', /^Duplicate/],
  ['delete', 'Do', /^Delete/],
  ['save', 'Do', /^Export/],
  ['backup', 'Do', /^Files/],
  ['print', 'Do', /print$/],
  ['help', 'Do', /^Keys$/],
  ['undo', 'Do', /^Undo$/],
  ['units', 'Do', /^Units/],
  // settings
  ['dark', 'Setting', /^Night room$/],
  ['fahrenheit', 'Setting', /°F/],
  ['inches', 'Setting', /inches/],
  ['gallons', 'Setting', /gallons/],
  ['tds', 'Setting', /TDS/],
  ['shortcuts', 'Do', /^Keys$/],
  // the catalogue
  ['betta', 'Animal', /^Betta/],
  ['guppies', 'Animal', /^Poecilia reticulata/],
  ['pea puffer', 'Animal', /^Carinotetraodon travancoricus/],
  ['german blue ram', 'Animal', /^Mikrogeophagus ramirezi/],
  ['ram', 'Animal', /^Mikrogeophagus/],
  ['crystal red', 'Animal', /^Caridina logemanni/],
  ['galaxy rasbora', 'Animal', /^Danio margaritatus/],
  ['axolotl', 'Animal', /^Ambystoma mexicanum/],
  ['java moss', 'Plant', /^Taxiphyllum barbieri/],
  ['java fern', 'Plant', /^Microsorum pteropus/],
  ['cherry shrimp', 'Animal', /^Neocaridina davidi/],
  ['catappa', 'Water', /^Materials/],
  ['slate', 'Material', /^Slate/],
  ['carbon', 'Water', /^Materials/],
  ['gypsum', 'Salt'],
];
const IN_A_ROOM: readonly (readonly [string, string, RegExp?])[] = [
  ['new tank', 'Do', /^New tank/],
  ['backup', 'Room', /^A copy of everything/],
  ['restore', 'Room', /^A copy of everything/],
  ['import', 'Do', /^Open/],
  ['tap', 'Room', /^Water at hand/],
  ['climate', 'Room', /temperature/],
  ['inventory', 'Room', /^Stock on hand/],
  ['ph meter', 'Room', /kit/],
];

describe('what people type', () => {
  const catalogue = catalogueEntries(indexCatalogue(catalogueData), emptyRoom('room', 'Room').own, nothing);
  let tank: (query: string) => readonly { entry: PaletteEntry }[];
  let room: typeof tank;
  beforeAll(async () => {
    const acts = new Proxy({}, { get: () => nothing }) as TankActs;
    const shared = [...settingEntries(preferences), ...catalogue];
    tank = paletteSearch([...benchEntries(BENCHES, await heldBy(BENCHES), nothing), ...tankCommands(acts), ...shared]);
    room = paletteSearch([...roomCommands(new Proxy({}, { get: () => nothing }) as never), ...shared]);
  });

  for (const [where, table] of [
    ['a tank', IN_A_TANK],
    ['a room', IN_A_ROOM],
  ] as const)
    for (const [typed, kind, name] of table)
      it(`in ${where}, “${typed}” finds its thing first`, () => {
        const found = (where === 'a tank' ? tank : room)(typed);
        const said = found.slice(0, 4).map(({ entry }) => `${entry.kind}: ${entry.name}`);
        expect(found[0]?.entry.kind).withContext(said.join(' | ')).toBe(kind);
        if (name) expect(found[0]?.entry.name).withContext(said.join(' | ')).toMatch(name);
      });

  it('says by which name a thing was found, and nothing for nonsense', () => {
    const [first] = paletteSearch(catalogue)('siamese fighting fish');
    expect(first?.by?.toLowerCase()).toContain('fighting fish');
    expect(paletteSearch(catalogue)('qqqqzzzz')).toEqual([]);
  });

  it('sets each unit once asked', () => {
    const set: string[] = [];
    const entries = settingEntries({
      ...preferences,
      setUnit: (kind, unit) => void set.push(`${kind} ${JSON.stringify(unit)}`),
    });
    for (const entry of entries) entry.act();
    expect(new Set(set).size).toBe(set.length);
    for (const kind of Object.keys(METRIC))
      expect(set.some((one) => one.startsWith(`${kind} `)))
        .withContext(kind)
        .toBeTrue();
    expect(preferences.singleKeys()).toBeFalse();
  });
});
