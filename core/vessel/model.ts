import * as z from 'zod';
import { factOf } from '../quantity/fact';

const Millimetres = z.number().min(20).max(5000);
const Key = z.string().min(1).max(80);

export const LidKind = z.enum(['none', 'mesh', 'glass']);
export type LidKind = z.infer<typeof LidKind>;

/** What the vessel has been through; until a leak test is logged none of these is trusted. */
export const VesselState = z.enum(['new', 'used', 'repaired', 'drilled', 'home-built', 'rim-lost']);
export type VesselState = z.infer<typeof VesselState>;

/** Filled, left standing, looked at. */
export const LeakTest = z.strictObject({
  dry: z.boolean(),
  /** Days it stood full; null when nobody noted it. */
  days: z.number().min(0).max(365).nullable(),
  /** Once more with the filter running. */
  filterRan: z.boolean().nullable(),
});
export type LeakTest = z.infer<typeof LeakTest>;

export const Side = z.enum(['front', 'back', 'left', 'right']);
export type Side = z.infer<typeof Side>;

/** A way out of the vessel: an animal passes where its body does. */
export const Opening = z.strictObject({
  order: z.number().finite(),
  at: z.enum(['lid', 'weir', 'intake']),
  shortMm: z.number().min(0.1).max(2000),
  longMm: z.number().min(0.1).max(5000),
  /** Holes of the mesh or sponge in front of it; null when there is none. */
  guardMm: z.number().min(0.05).max(200).nullable(),
});
export type Opening = z.infer<typeof Opening>;

/** A strip of glass across the top, front to back. */
export const Brace = z.strictObject({
  order: z.number().finite(),
  /** From the left pane to its middle. */
  atMm: z.number().min(0).max(5000),
  widthMm: z.number().min(5).max(1000),
});

/** Water outside the display: a filter chamber, a pipe, a reservoir in the loop. */
export const Plumbing = z.strictObject({
  order: z.number().finite(),
  kind: z.enum(['chamber', 'pipe']),
  litres: z.number().min(0).max(5000),
  /** Whether it empties into the sump when the pump stops. */
  drains: z.boolean(),
});

export const Sump = z.strictObject({
  /** To its rim. */
  capacityL: z.number().positive().max(5000),
  /** While the pump runs. */
  runningL: z.number().min(0).max(5000),
  /** Level in the display, from its inside bottom, at which nothing more runs back. */
  stopsAtMm: z.number().min(0).max(5000),
});

const shared = {
  /** Greatest inside length, left to right. */
  lengthMm: Millimetres,
  /** Greatest inside depth, front to back. */
  widthMm: Millimetres,
  /** Inside bottom to the top edge. */
  heightMm: Millimetres,
  /** Inside bottom to the water surface. */
  waterLevelMm: z.number().min(10).max(5000),
  /** Which sizes the user holds fast when the glass turns out thicker. Documents always store inside sizes. */
  statedAs: z.enum(['inside', 'outside']),
  glassMm: factOf(z.number().min(1).max(60)),
  rim: factOf(z.enum(['rimless', 'rim', 'braced'])),
  braces: z.record(Key, Brace),
  lid: factOf(LidKind),
  openings: z.record(Key, Opening),
  /** From where it is looked at. */
  viewingSides: z
    .array(Side)
    .min(1, 'it is seen from one side at least')
    .max(4)
    .refine((sides) => new Set(sides).size === sides.length, { message: 'a side stands twice' }),
  /** What is behind the sides that are not looked through. */
  background: factOf(z.enum(['none', 'dark', 'light', 'structured'])),
  sun: factOf(z.enum(['none', 'some', 'direct'])),
  footfall: factOf(z.enum(['quiet', 'some', 'busy'])),
  stand: factOf(z.enum(['stand', 'rack', 'furniture', 'floor'])),
  floor: factOf(z.enum(['ground', 'suspended'])),
  /** Free height above the rim. */
  clearanceMm: factOf(z.number().min(0).max(5000)),
  sump: Sump.nullable(),
  plumbing: z.record(Key, Plumbing),
  state: factOf(VesselState),
  leakTest: factOf(LeakTest),
};

/** The water space of a vessel. Cylinder and jar stand upright; a jar bulges from its base to its belly and closes to its neck. */
export const Vessel = z
  .discriminatedUnion('shape', [
    z.strictObject({ shape: z.literal('box'), ...shared }),
    z.strictObject({ shape: z.literal('cube'), ...shared }),
    z.strictObject({ shape: z.literal('cylinder'), ...shared }),
    z.strictObject({ shape: z.literal('jar'), ...shared, baseMm: Millimetres, bellyHeightMm: Millimetres, neckMm: Millimetres }),
    /** `widthMm` is at the middle of the bow, `sideMm` at the two ends. */
    z.strictObject({ shape: z.literal('bow-front'), ...shared, sideMm: Millimetres }),
  ])
  .superRefine((vessel, context) => {
    const fault = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    if (vessel.waterLevelMm > vessel.heightMm) fault('waterLevelMm', 'the water level is above the top edge');
    if (vessel.shape !== 'box' && vessel.shape !== 'bow-front' && vessel.lengthMm !== vessel.widthMm)
      fault('widthMm', `a ${vessel.shape} is as wide as it is long`);
    if (vessel.shape === 'cube' && vessel.heightMm !== vessel.lengthMm) fault('heightMm', 'a cube is as high as it is long');
    if (vessel.shape === 'jar') {
      if (vessel.baseMm > vessel.lengthMm) fault('baseMm', 'the base is wider than the belly');
      if (vessel.neckMm > vessel.lengthMm) fault('neckMm', 'the neck is wider than the belly');
      if (vessel.bellyHeightMm >= vessel.heightMm) fault('bellyHeightMm', 'the belly is above the top edge');
    }
    if (vessel.shape === 'bow-front') {
      if (vessel.sideMm >= vessel.widthMm) fault('sideMm', 'the middle of a bow stands out further than its ends');
      else if (vessel.widthMm - vessel.sideMm > vessel.lengthMm / 2) fault('sideMm', 'the bow is deeper than a half circle');
    }
    for (const [id, brace] of Object.entries(vessel.braces))
      if (brace.atMm > vessel.lengthMm) fault(`braces.${id}.atMm`, 'the brace lies outside the vessel');
    if (vessel.sump && vessel.sump.runningL > vessel.sump.capacityL) fault('sump', 'the sump holds less than runs in it');
  });
export type Vessel = z.infer<typeof Vessel>;
export type VesselShape = Vessel['shape'];
export type JarVessel = Extract<Vessel, { shape: 'jar' }>;

const unstated = { value: null, basis: 'measured' } as const;

/** A box of which nothing but its inside size is known. */
export function newBox(lengthMm: number, widthMm: number, heightMm: number): Extract<Vessel, { shape: 'box' }> {
  return {
    shape: 'box',
    lengthMm,
    widthMm,
    heightMm,
    waterLevelMm: Math.max(10, heightMm - 40),
    statedAs: 'inside',
    glassMm: unstated,
    rim: unstated,
    braces: {},
    lid: unstated,
    openings: {},
    viewingSides: ['front'],
    background: unstated,
    sun: unstated,
    footfall: unstated,
    stand: unstated,
    floor: unstated,
    clearanceMm: unstated,
    sump: null,
    plumbing: {},
    state: unstated,
    leakTest: unstated,
  };
}

/** The same vessel in another form, its greatest sizes kept as far as the form allows. */
export function reshaped(vessel: Vessel, shape: VesselShape): Vessel {
  const { shape: _, ...all } = vessel;
  const own = Object.fromEntries(Object.entries(all).filter(([key]) => key in shared)) as Omit<Extract<Vessel, { shape: 'box' }>, 'shape'>;
  const across = Math.min(vessel.lengthMm, vessel.widthMm);
  const level = (heightMm: number) => Math.min(vessel.waterLevelMm, Math.max(10, heightMm - 20));
  switch (shape) {
    case 'box':
      return { ...own, shape };
    case 'cube':
      return { ...own, shape, lengthMm: across, widthMm: across, heightMm: across, waterLevelMm: level(across), braces: {} };
    case 'cylinder':
      return { ...own, shape, lengthMm: across, widthMm: across, braces: {} };
    case 'jar':
      return {
        ...own,
        shape,
        lengthMm: across,
        widthMm: across,
        braces: {},
        baseMm: Math.max(20, Math.round(across * 0.7)),
        neckMm: Math.max(20, Math.round(across * 0.6)),
        bellyHeightMm: Math.max(20, Math.min(Math.round(vessel.heightMm * 0.4), vessel.heightMm - 1)),
      };
    case 'bow-front':
      return { ...own, shape, sideMm: Math.max(20, Math.round(vessel.widthMm - Math.min(vessel.widthMm * 0.25, vessel.lengthMm / 4))) };
  }
}
