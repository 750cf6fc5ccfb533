import type { Finding, Severity } from '../calculation/finding';
import type { Animal } from '../catalogue/organism';
import { weakestBasis } from '../quantity/fact';
import { GROWN, monthsTo } from './growth';
import { meantToBreed, shareToday, youngDepthMm, type Companion } from './company';

const NEAR = 0.8;
/** What does not go down whole is bitten apart by a hunter so many times as long. Common practice. */
const BITES_APART = 2;
/** Length over length at which claws take a grown animal for sure, and at which they may. Common practice. */
const CLAWS = { sure: 2, may: 1.2 };
/** A crab reaches as far as a prawn this many times as long as its shell is wide. Common practice. */
const CRAB_REACH = 2.5;
/** A snail hunter overcomes snails up to this share of its own length, several at it together. Common practice. */
const SNAIL_HUNTER = 1.3;
/** Snails up to this share of its length are cracked, or drawn out of their shells, by what lives on them. Common practice. */
const CRACKS = 0.8;

/** Whether it takes grown ones of this kind: what it hunts, and what it eats beside its food. */
function takes({ traits: { hunts, eats } }: Animal, prey: Animal): boolean | null {
  const also = (prey.group === 'snail' && eats.value?.includes('snails')) || (prey.group === 'shrimp' && eats.value?.includes('shrimp'));
  if (also || hunts.value?.includes(prey.group)) return true;
  return hunts.value === null ? null : false;
}

/**
 * A hunter against a grown body. Whole: prey no deeper than the mouth is wide is swallowed (Hambright 1991, Trans. Am. Fish. Soc. 120:500;
 * Nilsson & Brönmark 2000, Oikos 88:539); within a fifth of it, the smaller ones are, and at night, asleep, all of them. Piecemeal: shrimp are bitten apart, snails cracked or
 * drawn out, and claws take what is slower and smaller. Common practice.
 * @returns null when nothing is said against the two
 */
export function predationFinding(hunter: Companion, prey: Companion): Finding | null {
  const grown = grownPredationFinding(hunter, prey);
  // what is eaten grown is eaten sooner or later, whatever it is bought at
  if (grown?.severity === 'conflict' || grown?.severity === 'unknown') return grown;
  return todayFinding(hunter, prey) ?? grown;
}

/** Young ones of a kind that lives with them grown, put in before they are too large for a mouth that is there. */
function todayFinding(hunter: Companion, prey: Companion): Finding | null {
  const [mine, theirs] = [shareToday(hunter), shareToday(prey)];
  if (hunter.animal.id === prey.animal.id || theirs >= 1 || takes(hunter.animal, prey.animal) !== true) return null;
  const { gape } = hunter.animal.sizeMm;
  const { depth, length } = prey.animal.sizeMm;
  if (gape.value === null || depth.value === null || length.value === null) return null;
  const ratio = (gape.value * mine) / (depth.value * theirs);
  if (ratio < NEAR) return null;
  // from this length on they are as safe as grown ones
  const safeMm = Math.min(length.value, (length.value * gape.value * mine) / (NEAR * depth.value));
  const growthMonths = prey.animal.traits.growthMonths.value;
  const months =
    growthMonths === null ? null : monthsTo(Math.min(safeMm, GROWN * length.value), length.value * theirs, length.value, growthMonths);
  return {
    key: `stocking.predation:${hunter.id}:${prey.id}`,
    code: 'stocking.predation',
    bench: 'stocking',
    severity: ratio > 1 ? 'conflict' : 'watch',
    excess: ratio - NEAR,
    subjects: [hunter.id, prey.id],
    values: {
      gape: { quantity: 'length', value: gape.value * mine },
      depth: { quantity: 'length', value: depth.value * theirs },
      today: { quantity: 'length', value: length.value * theirs },
      safe: { quantity: 'length', value: safeMm },
      ...(months === null ? {} : { months: { quantity: 'count', value: Math.max(1, Math.ceil(months)) } }),
    },
    evidence: [],
    basis: weakestBasis([hunter.animal.traits.hunts.basis, gape.basis, depth.basis]),
    kind: 'today',
  };
}

function grownPredationFinding(hunter: Companion, prey: Companion): Finding | null {
  if (hunter.animal.id === prey.animal.id) return null;
  const taken = takes(hunter.animal, prey.animal);
  if (taken === false) return null;
  const { sizeMm, traits } = hunter.animal;
  const base = {
    key: `stocking.predation:${hunter.id}:${prey.id}`,
    code: 'stocking.predation',
    bench: 'stocking',
    subjects: [hunter.id, prey.id],
    evidence: [],
    basis: weakestBasis([traits.hunts.basis, sizeMm.gape.basis, prey.animal.sizeMm.depth.basis]),
  } as const;
  if (taken === null) return { ...base, severity: 'unknown', excess: null, values: {} };
  const whole = swallowsWhole(hunter.animal, prey.animal);
  const asleep = huntsSleepers(hunter.animal, prey.animal);
  if (whole && asleep && whole.ratio >= NEAR)
    return { ...base, severity: 'conflict', excess: whole.ratio - NEAR, values: whole.values, kind: 'asleep' };
  if (whole && whole.ratio > 1) return { ...base, severity: 'conflict', excess: whole.ratio - NEAR, values: whole.values, kind: 'whole' };
  const apart = takesApart(hunter.animal, prey.animal);
  const [mine, theirs] = [sizeMm.length.value, prey.animal.sizeMm.length.value];
  const lengths: Finding['values'] =
    mine === null || theirs === null ? {} : { length: { quantity: 'length', value: mine }, prey: { quantity: 'length', value: theirs } };
  if (apart) return { ...base, severity: apart.severity, excess: apart.excess, values: lengths, kind: apart.kind };
  if (whole)
    return whole.ratio < NEAR ? null : { ...base, severity: 'watch', excess: whole.ratio - NEAR, values: whole.values, kind: 'whole' };
  return mine === null || theirs === null ? { ...base, severity: 'unknown', excess: null, values: {} } : null;
}

/** A fish that hunts at night among fish that sleep then: it takes its time. */
const huntsSleepers = (hunter: Animal, prey: Animal): boolean =>
  hunter.group === 'fish' && prey.group === 'fish' && hunter.traits.activity.value === 'night' && prey.traits.activity.value === 'day';

/** Mouth over body; null where one of the two is not known. */
function swallowsWhole(hunter: Animal, prey: Animal): { ratio: number; values: Finding['values'] } | null {
  const [gape, depth] = [hunter.sizeMm.gape.value, prey.sizeMm.depth.value];
  if (gape === null || depth === null) return null;
  return { ratio: gape / depth, values: { gape: { quantity: 'length', value: gape }, depth: { quantity: 'length', value: depth } } };
}

interface Apart {
  severity: Severity;
  excess: number;
  kind: 'claws' | 'bitten' | 'cracked' | 'overcome';
}

/** What is taken though it does not fit a mouth. */
function takesApart(hunter: Animal, prey: Animal): Apart | null {
  const [mine, theirs] = [hunter.sizeMm.length.value, prey.sizeMm.length.value];
  if (mine === null || theirs === null) return null;
  if (hunter.group === 'snail') return theirs <= SNAIL_HUNTER * mine ? { severity: 'conflict', excess: 1, kind: 'overcome' } : null;
  if (hunter.sizeMm.gape.value === null) {
    const ratio = ((hunter.form === 'crab' ? CRAB_REACH : 1) * mine) / theirs;
    if (ratio < CLAWS.may) return null;
    return { severity: ratio >= CLAWS.sure ? 'conflict' : 'watch', excess: ratio / CLAWS.may, kind: 'claws' };
  }
  if (prey.group === 'snail') return theirs <= CRACKS * mine ? { severity: 'watch', excess: 0.8, kind: 'cracked' } : null;
  if (prey.group === 'shrimp' && hunter.traits.hunts.value?.includes('shrimp'))
    return mine >= BITES_APART * theirs ? { severity: 'watch', excess: 0.9, kind: 'bitten' } : null;
  return null;
}

/** A colony of so many lives on by its young. Common practice. */
const COLONY = 15;
const LIVES_ON_BY_YOUNG = new Set(['bears young', 'carries eggs, young like adults', 'larvae in fresh water']);

/**
 * A mouth against young: of those that are to breed, and of a colony that keeps up its numbers by them. What is armoured is no food for a small
 * mouth.
 */
export function predationOnYoungFinding(eater: Companion, parent: Companion): Finding | null {
  const own = eater.animal.id === parent.animal.id;
  const { breeding, youngMm } = parent.animal.traits;
  const colony = !own && parent.count >= COLONY && LIVES_ON_BY_YOUNG.has(breeding.mode.value ?? '');
  const breeds = meantToBreed(parent.phase);
  if (!breeds && !colony) return null;
  if (eater.animal.group !== 'fish' && eater.animal.group !== 'amphibian') return null;
  const { gape } = eater.animal.sizeMm;
  const { eats } = eater.animal.traits;
  if (parent.animal.group === 'snail' && !eats.value?.includes('snails')) return null;
  if (eats.value && !eats.value.includes('young') && !eats.value.includes('eggs') && !eats.value.includes('shrimp')) return null;
  // parents that guard do not eat; those that do not are to be parted from their eggs
  if (own && (breeding.care.value !== 'none' || !eats.value?.some((what) => what === 'eggs' || what === 'young'))) return null;
  const base = {
    key: `stocking.predation-young:${eater.id}:${parent.id}`,
    code: 'stocking.predation-young',
    bench: 'stocking',
    subjects: own ? [parent.id] : [eater.id, parent.id],
    evidence: [],
    basis: weakestBasis([gape.basis, youngMm.basis]),
  } as const;
  if (own) return { ...base, severity: 'watch', excess: 0.5, values: {}, kind: 'own' };
  if (gape.value === null || youngMm.value === null) return breeds ? { ...base, severity: 'unknown', excess: null, values: {} } : null;
  const depth = youngDepthMm(youngMm.value);
  const armoured = parent.animal.group === 'crayfish' || parent.animal.group === 'crab' ? ARMOUR : 1;
  if (gape.value <= depth * armoured) return null;
  return {
    ...base,
    severity: parent.phase === 'larvae' ? 'conflict' : 'watch',
    excess: gape.value / depth - 1,
    values: { gape: { quantity: 'length', value: gape.value }, young: { quantity: 'length', value: youngMm.value } },
    kind: breeds ? 'brood' : 'colony',
  };
}

/** A mouth has to be so many times as wide as young with a shell and claws are deep. Common practice. */
const ARMOUR = 3;
