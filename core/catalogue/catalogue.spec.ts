import { catalogueData } from '../../catalogue';
import { CatalogueData, indexCatalogue } from './catalogue';
import { coverageOf, factsOf } from './coverage';
import { AnimalGroup, rangeFor, type Organism } from './organism';
import { Realm, REGIONS } from './region';

const copy = () => JSON.parse(JSON.stringify(catalogueData)) as CatalogueData;
const issues = (data: unknown) => {
  const parsed = CatalogueData.safeParse(data);
  return parsed.success ? [] : parsed.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
};

describe('the catalogue', () => {
  it('is sound as shipped', () => {
    expect(issues(catalogueData)).toEqual([]);
  });

  it('leaves nothing out as shipped: what is not known of a kind says so, since it is read without being filled up', () => {
    expect(CatalogueData.parse(catalogueData)).toEqual(catalogueData);
  });

  it('covers every group, habitat and realm', () => {
    const { organisms, waters, biotopes } = indexCatalogue(catalogueData);
    const animals = [...organisms.values()].filter((entry) => entry.kind === 'animal');
    expect(animals.length).toBeGreaterThanOrEqual(130);
    expect(organisms.size - animals.length).toBeGreaterThanOrEqual(80);
    expect(waters.size).toBeGreaterThanOrEqual(4);
    expect(biotopes.size).toBeGreaterThanOrEqual(30);
    expect(new Set(animals.map((entry) => entry.group))).toEqual(new Set(AnimalGroup.options));
    expect(new Set([...biotopes.values()].map(({ habitat }) => habitat))).toEqual(new Set(['fresh', 'brackish', 'marine']));
    expect(new Set([...biotopes.values()].map(({ region }) => REGIONS[region].realm))).toEqual(new Set(Realm.options));
  });

  it('refuses a value without basis', () => {
    const data = copy() as unknown as { organisms: { sizeMm: { length: Record<string, unknown> } }[] };
    delete data.organisms[0]!.sizeMm.length['basis'];
    expect(issues(data).join()).toContain('organisms.0.sizeMm.length.basis');
  });

  it('refuses a published value without a source', () => {
    const data = copy();
    data.organisms[0]!.origin = { value: 'somewhere', basis: 'published' };
    expect(issues(data).join()).toContain('organisms.0.origin.source: a published value must name its source');
  });

  it('refuses unordered ranges and optima outside the tolerance', () => {
    const unordered = copy();
    unordered.organisms[0]!.ranges.keep!.ph = { value: { tolerance: [7, 5], optimum: [null, null] }, basis: 'practice' };
    expect(issues(unordered).join()).toContain('the low edge is above the high edge');
    const outside = copy();
    outside.organisms[0]!.ranges.keep!.ph = { value: { tolerance: [5, 7], optimum: [4, 6] }, basis: 'practice' };
    expect(issues(outside).join()).toContain('the optimum reaches outside the tolerance');
    const physics = copy();
    physics.organisms[0]!.ranges.keep!.ph = { value: { tolerance: [5, 70], optimum: [6, 7] }, basis: 'practice' };
    expect(issues(physics).join()).toContain('an edge lies outside');
  });

  it('refuses dangling references and doubles', () => {
    const dangling = copy();
    dangling.biotopes[0]!.organismIds.push('no-such-fish');
    expect(issues(dangling).join()).toContain('no organism "no-such-fish"');
    const material = copy();
    material.biotopes[0]!.materialIds.push('no-such-stone');
    expect(issues(material).join()).toContain('no material "no-such-stone"');
    const double = copy();
    double.organisms.push(double.organisms[0]!);
    expect(issues(double).join()).toContain('stands twice');
  });

  it('forwards a retired entry to its successor', () => {
    const data = copy();
    data.organisms[1]!.retiredTo = data.organisms[0]!.id;
    expect(indexCatalogue(data).organisms.get(data.organisms[1]!.id)?.id).toBe(data.organisms[0]!.id);
  });

  it('falls back from a phase without a range of its own', () => {
    const danio = indexCatalogue(catalogueData).organisms.get('danio-margaritatus') as Organism;
    expect(rangeFor(danio, 'spawn', 'temperatureC')?.value?.optimum).toEqual([21, 25]);
    expect(rangeFor(danio, 'keep', 'temperatureC')?.value?.optimum).toEqual([20, 25]);
    expect(rangeFor(danio, 'spawn', 'ghDh')).toEqual(rangeFor(danio, 'keep', 'ghDh'));
    expect(rangeFor(danio, 'larvae', 'temperatureC')).toEqual(rangeFor(danio, 'spawn', 'temperatureC'));
  });

  it('names its kinds well, and links them to kinds that are there', () => {
    const ids = new Set(catalogueData.organisms.map(({ id }) => id));
    const commons = catalogueData.organisms.map(({ common }) => common[0]!.toLowerCase());
    expect(commons.length - new Set(commons).size).toBe(0);
    for (const { id, latin, lookAlikes, strainOf } of catalogueData.organisms) {
      expect(id).withContext(latin).toBe(latin.toLowerCase().replace(/["’.]/g, '').replaceAll(' ', '-'));
      for (const name of lookAlikes ?? [])
        expect(name)
          .withContext(id)
          .toMatch(/^[A-Z][a-z]+ ([a-z-]+|sp\. ".+")$/);
      expect(lookAlikes ?? [])
        .withContext(id)
        .not.toContain(latin);
      if (strainOf) expect(ids).toContain(strainOf);
    }
  });

  it('has comfort inside survival, broods and days in order, and bodies that can be', () => {
    for (const entry of catalogueData.organisms) {
      if (entry.kind !== 'animal') continue;
      const { length, depth, gape } = entry.sizeMm;
      if (length.value && gape.value)
        expect(gape.value)
          .withContext(entry.id)
          .toBeLessThan(length.value * 0.3);
      if (length.value && depth.value && entry.group === 'fish')
        expect(depth.value)
          .withContext(entry.id)
          .toBeLessThan(length.value * 1.2);
      if (entry.traits.youngMm.value && length.value)
        expect(entry.traits.youngMm.value)
          .withContext(entry.id)
          .toBeLessThan(length.value * 0.5);
      const temperature = entry.ranges.keep!.temperatureC?.value;
      expect(temperature).withContext(entry.id).toBeTruthy();
      expect(temperature!.optimum[1]! - temperature!.optimum[0]!)
        .withContext(entry.id)
        .toBeGreaterThan(1);
    }
  });

  it('knows where almost everything is from, and says how it knows each thing', () => {
    const facts = catalogueData.organisms.flatMap((entry) => factsOf(entry));
    expect(facts.length).toBeGreaterThan(10_000);
    expect(facts.filter(({ basis }) => basis === 'invented' || basis === 'measured')).toEqual([]);
    expect(catalogueData.organisms.filter(({ regions }) => regions.value === null).length).toBe(0);
  });

  it('counts what it covers', () => {
    const shrimp = coverageOf(catalogueData).find(({ group }) => group === 'shrimp')!;
    expect(shrimp.entries).toBe(catalogueData.organisms.filter(({ group }) => group === 'shrimp').length);
    expect(Object.values(shrimp.basis).reduce((sum, count) => sum + count, 0) + shrimp.unknown).toBe(shrimp.facts);
    expect(shrimp.gaps[0]![0]).toContain('gape');
  });
});

describe('the years of the places', () => {
  const place = (id: string) => catalogueData.biotopes.find((one) => one.id === id)!;
  /** Months wetter than both their neighbours, and wetter than the mean of the year. */
  const rains = (id: string) => {
    const rain = place(id).rainMm.value!;
    const mean = rain.reduce((sum, mm) => sum + mm, 0) / 12;
    return rain.filter((mm, i) => mm >= mean && mm > rain[(i + 11) % 12]! && mm >= rain[(i + 1) % 12]!).length;
  };

  // recalled: near the equator the rains come twice, with the sun
  it('have two rains where the sun passes twice, and one where it does not', () => {
    for (const id of [
      'peat-swamp-selangor',
      'guiana-forest-creek',
      'gabon-brook',
      'middle-congo-margin',
      'zanzibar-pool',
      'sri-lanka-shade-stream',
    ])
      expect(rains(id)).withContext(id).toBe(2);
    for (const id of ['ganges-brook', 'pantanal-lagoon', 'xingu-rapids']) expect(rains(id)).withContext(id).toBe(1);
  });

  it('have water that follows the air, at most two months behind', () => {
    let known = 0;
    for (const { id, waterC, airC } of catalogueData.biotopes) {
      const [water, air] = [waterC.value, airC?.value];
      if (!water || !air || Math.max(...air) - Math.min(...air) < 4) continue;
      known += 1;
      const coldest = (values: readonly number[]) => values.indexOf(Math.min(...values));
      const behind = (coldest(water.map(([low, high]) => low + high)) - coldest(air) + 12) % 12;
      expect(Math.min(behind, 12 - behind))
        .withContext(id)
        .toBeLessThanOrEqual(2);
    }
    expect(known).toBeGreaterThan(20);
  });
});
