import * as z from 'zod';

/** Great realms of fresh waters and seas. */
export const Realm = z.enum([
  'south-america',
  'north-america',
  'africa',
  'eurasia',
  'south-asia',
  'south-east-asia',
  'east-asia',
  'australasia',
  'sea',
]);
export type Realm = z.infer<typeof Realm>;

/** Waters that kinds are native to, coarse: a basin, a group of them, or a coast. */
export const REGIONS = {
  amazon: { name: 'Amazon', realm: 'south-america' },
  negro: { name: 'Rio Negro', realm: 'south-america' },
  orinoco: { name: 'Orinoco', realm: 'south-america' },
  guianas: { name: 'Guianas', realm: 'south-america' },
  xingu: { name: 'Xingu and Araguaia', realm: 'south-america' },
  'la-plata': { name: 'La Plata, Paraguay, Guapore', realm: 'south-america' },
  'north-andes': { name: 'Pacific Colombia', realm: 'south-america' },
  'central-america': { name: 'Mexico and Central America', realm: 'north-america' },
  antilles: { name: 'Antilles, fresh waters', realm: 'north-america' },
  'eastern-america': { name: 'Eastern North America', realm: 'north-america' },
  'west-africa': { name: 'Western Africa', realm: 'africa' },
  congo: { name: 'Congo and lower Guinea', realm: 'africa' },
  tanganyika: { name: 'Lake Tanganyika', realm: 'africa' },
  malawi: { name: 'Lake Malawi', realm: 'africa' },
  'east-africa': { name: 'Eastern and southern Africa', realm: 'africa' },
  madagascar: { name: 'Madagascar', realm: 'africa' },
  europe: { name: 'Europe and Mediterranean', realm: 'eurasia' },
  'north-waters': { name: 'Cool waters of the north', realm: 'eurasia' },
  'india-lanka': { name: 'Peninsular India and Sri Lanka', realm: 'south-asia' },
  ganges: { name: 'Ganges and Brahmaputra', realm: 'south-asia' },
  myanmar: { name: 'Myanmar', realm: 'south-east-asia' },
  indochina: { name: 'Thailand and Indochina', realm: 'south-east-asia' },
  sunda: { name: 'Malay Peninsula, Sumatra, Borneo, Java', realm: 'south-east-asia' },
  philippines: { name: 'Philippines', realm: 'south-east-asia' },
  sulawesi: { name: 'Sulawesi', realm: 'south-east-asia' },
  china: { name: 'China, Taiwan, Korea', realm: 'east-asia' },
  japan: { name: 'Japan', realm: 'east-asia' },
  'new-guinea': { name: 'New Guinea and northern Australia', realm: 'australasia' },
  australia: { name: 'Australia and New Zealand', realm: 'australasia' },
  islands: { name: 'Pacific islands, streams and pools', realm: 'australasia' },
  'western-atlantic': { name: 'Western Atlantic and Caribbean', realm: 'sea' },
  'eastern-atlantic': { name: 'Eastern Atlantic and Mediterranean', realm: 'sea' },
  'indo-pacific': { name: 'Indo-Pacific and Red Sea', realm: 'sea' },
  worldwide: { name: 'Worldwide', realm: 'sea' },
} as const satisfies Record<string, { name: string; realm: Realm }>;

export type RegionId = keyof typeof REGIONS;
export const RegionId = z.enum(Object.keys(REGIONS) as [RegionId, ...RegionId[]]);

/** Native to this water, to its realm, or to neither; what is at home worldwide is at home everywhere. */
export function nativeness(regions: readonly RegionId[], place: RegionId): 'region' | 'realm' | 'foreign' {
  if (regions.includes(place) || regions.includes('worldwide')) return 'region';
  return regions.some((region) => REGIONS[region].realm === REGIONS[place].realm) ? 'realm' : 'foreign';
}
