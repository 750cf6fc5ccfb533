import { saltsKnown } from '../../design/own-catalogue';
import { conditionerOf } from '../../water/conditioners';
import { saltName } from '../../water/salts';
import type { RemedyWords } from './words';
import { formatMm } from './words';

// What each remedy does, as a button says it, by the domain whose findings it mends.

export const WATER_REMEDIES = {
  recipe: ({ show, names, remedy, assessment }) => {
    const litres = names.filter((_, i) => remedy.values[`litres${i}`]).map((name, i) => `${show(`litres${i}`)} ${name}`);
    const grams = names
      .slice(litres.length)
      .map((id, i) => `${remedy.values[`grams${i}`]?.value ?? 0} g ${saltName(id, saltsKnown(assessment.world.room.own))}`)
      .filter((text) => !text.startsWith('0 g'));
    return `Recipe for ${show('litres')}: ${[...litres, ...grams].join(' + ')}${remedy.values['wants'] ? ' (to be bought)' : ''}`;
  },
  blend: ({ show, names, remedy }) =>
    names.map((name, i) => `${show(`share${i}`)} ${name}`).join(' + ') + (remedy.values['noSalts'] ? ', without the salts' : ''),
  salts: ({ show, remedy, assessment }) => {
    const by = remedy.values['grams']?.value ?? 0;
    const which = remedy.subjects.map((id) => saltName(id, saltsKnown(assessment.world.room.own))).join(' and ');
    const tank = remedy.values['tank']?.value;
    return `${Math.abs(by)} g ${by > 0 ? 'more' : 'less'} ${which} to ${show('litres')}${tank ? ` (${Math.abs(tank)} g in the tank)` : ''}`;
  },
  conditioner: ({ remedy }) => `Condition with: ${(conditionerOf(remedy.subjects[0] ?? '')?.name ?? '').toLowerCase()}`,
  leaves: ({ remedy }) => `Put in ${remedy.values['grams']?.value ?? 0} g of dry leaves`,
  surface: ({ remedy }) => (remedy.subjects[0] === 'air-stone' ? 'Put in an air stone' : 'Let the filter ripple the surface'),
  changes: ({ show }) => `Change ${show('fraction')} once a week`,
  feed: ({ remedy }) => `Feed ${remedy.values['feed']?.value ?? 0} g of dry food a day`,
  'inert-bed': ({ names }) => `Bed of ${names[0]} instead`,
  'other-stone': ({ names }) => `${names[0]} instead of that stone`,
  'open-lid': () => 'Mesh instead of the closed lid',
  'top-up': ({ names }) => `Top up with ${names[0] ?? 'pure water'}`,
} satisfies RemedyWords;

export const HEAT_REMEDIES = {
  heater: ({ show, remedy }) => (remedy.values['moved'] ? `Set heater to ${show('setPoint')}` : `Heater at ${show('setPoint')}`),
  cooler: ({ show, remedy }) => (remedy.values['moved'] ? `Set cooler to ${show('setPoint')}` : `Cooler at ${show('setPoint')}`),
  fan: ({ show }) => `Fan over the water from ${show('setPoint')}`,
  rating: ({ show, remedy }) => `${remedy.subjects[0] === 'cooler' ? 'Cooler' : 'Heater'} of ${show('power')}`,
} satisfies RemedyWords;

export const GEAR_REMEDIES = {
  'intake-sponge': () => 'A sponge over the intake',
  'more-media': ({ show }) => `${show('litres')} of coarse foam in it`,
  'ripe-media': () => 'Media that have run in another tank for eight weeks',
  'check-valve': () => 'A check valve in the air line',
  'battery-air': () => 'An air pump with a battery',
  'co2-by-day': () => 'CO₂ on and off with the lamps',
  'smaller-reservoir': ({ show }) => `A top-up vessel of ${show('litres')}`,
  'two-heaters': ({ show }) => `Two heaters of ${show('each')} instead of one`,
  controller: () => 'A controller that cuts the heater off',
  'gear-off-pane': () => 'Hang it off that pane',
  'nozzle-up': () => 'Turn the nozzle up',
  'heater-cage': () => 'A cage around the heater',
} satisfies RemedyWords;

export const PLANT_REMEDIES = {
  'plant-in': () => 'Move it inside the glass',
  'plant-off': () => 'Plant it beside',
  'lift-plant': ({ names }) => (names[1] ? `Tie it to the ${names[1]}` : 'Lay it on the bed'),
  'smaller-plant': ({ names }) => `${names[0] ?? 'A smaller kind'} instead`,
  'root-plant': () => 'Root it in the bed',
  'lamp-dim': ({ show }) => `Dim the lamps to ${show('dim')}`,
  'feeding-ring': ({ show }) => `A floating ring of ${show('across')} keeps a window open`,
  'thin-plant': ({ show, names }) => `Thin ${names[0] ?? 'it'} to ${show('count')}`,
  'move-to-light': () => 'Move it out of the shade',
  cover: ({ show, names, remedy }) => `${remedy.values['tied']?.value ? 'Tie on' : 'Put in'} ${show('count')} × ${names[0] ?? 'moss'}`,
  float: ({ show, names }) => `Let ${show('count')} × ${names[0] ?? 'floating plants'} drift`,
  'fast-stems': ({ show, names }) => `Plant ${show('count')} stems of ${names[0] ?? 'a fast kind'}`,
  fertilise: ({ remedy: { subjects, values } }) =>
    subjects[0] === 'capsules'
      ? `Put in ${values['dose']?.value ?? 0} root capsules a month`
      : `Give ${subjects[0] ?? ''} of ${values['dose']?.value ?? 0} mg/L a week`,
  'no-carbon': () => 'Give no liquid carbon',
  'take-plant': ({ names }) => `Leave out ${names[0] ?? 'it'}`,
} satisfies RemedyWords;

export const VESSEL_REMEDIES = {
  lid: ({ remedy }) => `${remedy.subjects[0] === 'mesh' ? 'Mesh' : 'Glass'} lid`,
  guard: ({ remedy, units }) => `Mesh of ${formatMm(remedy.values['mesh'], units)} over every opening`,
  vessel: ({ show }) => `Box of ${show('length')} × ${show('width')} × ${show('height')}`,
  'cover-sides': () => 'Dark film, seen from the front only',
  place: ({ remedy }) =>
    ({
      sun: 'Stand it out of the sun',
      footfall: 'Stand it off the way',
      floor: 'Stand it on a ground floor',
      stand: 'Put it on a stand made for it',
    })[remedy.subjects[0] ?? ''] ?? 'Stand it elsewhere',
} satisfies RemedyWords;

export const SUBSTRATE_REMEDIES = {
  flatten: ({ show }) => `Flatten the bank to ${show('slope')}`,
  wall: ({ show }) => `Hold it with a wall of ${show('height')}`,
  cap: ({ show, names }) => `${show('depth')} more ${names[0] ?? 'cap'} on it`,
  cloth: () => 'Lay a cloth between the two',
  deepen: ({ show, names }) => `${show('depth')} more ${names[0] ?? 'bed'}`,
  grain: ({ names }) => `Take ${names[0] ?? 'other grain'} instead`,
  bare: () => 'Leave the bottom bare',
} satisfies RemedyWords;

export const HARDSCAPE_REMEDIES = {
  mat: () => 'Lay a mat on the bottom',
  ballast: ({ show }) => `Tie on ${show('mass')} of stone`,
  screw: () => 'Screw it to a slab under the bed',
  embed: ({ show }) => `Bed it ${show('depth')} deep`,
  'lay-flat': () => 'Lay it flat',
  'on-floor': ({ remedy }) => `Stand ${remedy.values['count']?.value === 1 ? 'it' : 'them'} on the bottom, on a mat`,
  'move-in': ({ show, remedy }) => (remedy.values['count']?.value === 1 ? 'Move it in' : `Move ${show('count')} pieces in`),
  apart: ({ names }) => `Move the ${names[0] ?? 'piece'} aside`,
  stack: ({ names }) => `Stack the ${names[0] ?? 'piece'}`,
  'free-mouth': () => 'Set it free of the ground',
  'clear-mouth': ({ names }) => `Move the ${names[0] ?? 'piece'} away`,
  part: ({ show }) => `A stone of ${show('height')} between them`,
  turn: ({ show, names }) => `Turn the ${names[0] ?? 'piece'} by ${show('angle')}`,
  hides: ({ show, names }) => `Put in ${show('count')} × ${names[0] ?? 'hide'}`,
} satisfies RemedyWords;

export const STOCKING_REMEDIES = {
  group: ({ show }) => `Add ${show('added')}, to ${show('groupMin')}`,
  sexes: ({ remedy }) => {
    const change = remedy.values['change']?.value ?? 0;
    const one = remedy.subjects[0] === 'males' ? 'male' : 'female';
    return `${change > 0 ? 'Add' : 'Remove'} ${Math.abs(change)} ${one}${Math.abs(change) === 1 ? '' : 's'}`;
  },
  'grow-on': ({ show, names }) => `Grow ${names[0] ?? 'them'} on apart to ${show('length')}`,
  remove: ({ names }) => `Leave out ${names[0] ?? ''}`,
  'plant-later': () => 'Plant once the ammonia has fallen',
  'feed-all': ({ remedy, names }) => `Give ${names[1] ?? 'something'} besides, ${remedy.values['times']?.value ?? 1} times a week`,
  'lamp-hours': ({ remedy }) => `Light for ${remedy.values['hours']?.value ?? 0} h a day`,
} satisfies RemedyWords;

export const BIOTOPE_REMEDIES = {
  swap: ({ names }) => `Keep ${names[1] ?? ''} instead`,
} satisfies RemedyWords;
