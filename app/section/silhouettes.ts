import type { Form } from '../../core/catalogue/organism';

/**
 * Generic body forms in a unit box: x from nose (0) to tail (1), y from back (0) to belly (1). Commands and numbers alternate as in SVG.
 * What stands upright has its length from top to bottom.
 */
const BODIES: Partial<Record<Form, string>> = {
  'slender-fish': 'M0 .52 C .12 .16 .38 .02 .74 .36 L 1 .06 Q .9 .5 1 .96 L .74 .64 C .4 1 .12 .86 0 .52 Z',
  'deep-fish':
    'M0 .55 C .1 .28 .28 .12 .42 .12 L .52 0 L .66 .18 Q .74 .3 .78 .4 L 1 .16 Q .92 .52 1 .88 L .78 .62 Q .7 .84 .58 .92 L .5 1 L .4 .92 C .24 .92 .08 .8 0 .55 Z',
  'small-cichlid':
    'M0 .58 Q .06 .36 .2 .28 L .28 .22 Q .34 .04 .5 .05 L .82 0 L .79 .28 L .84 .4 L 1 .2 Q .95 .54 1 .88 L .84 .68 L .77 .78 L .74 1 L .56 .88 L .47 .9 L .42 1 L .34 .9 Q .1 .86 0 .58 Z',
  'disc-fish':
    'M0 .5 C .08 .36 .2 .26 .34 .2 L .62 0 L .6 .24 Q .74 .34 .78 .44 L 1 .3 Q .94 .5 1 .7 L .78 .56 Q .74 .66 .6 .76 L .62 1 L .34 .8 C .2 .74 .08 .64 0 .5 Z',
  'hatchet-fish': 'M0 .22 Q .3 .08 .62 .12 L .8 .2 L 1 .02 Q .94 .24 1 .46 L .8 .32 Q .7 .5 .6 .7 Q .48 1 .34 .98 Q .14 .8 0 .22 Z',
  catfish:
    'M.02 .78 Q .05 .4 .22 .28 L .3 .24 L .34 0 L .4 .04 L .46 .24 Q .6 .3 .66 .38 L .7 .28 L .73 .42 L .8 .5 L 1 .12 Q .94 .58 1 .96 L .8 .76 L .68 .82 L .62 .98 L .55 .87 L .46 .9 L .36 1 L .3 .92 Q .12 .98 .06 .9 L .02 1 L .03 .88 L 0 .96 Z',
  loach:
    'M0 .56 Q .03 .2 .14 .22 Q .3 .16 .5 .18 L .56 .02 L .64 .2 Q .78 .24 .88 .34 L 1 .14 Q .97 .5 1 .86 L .88 .68 Q .5 .9 .14 .84 Q .02 .82 0 .56 Z',
  goby: 'M0 .56 Q .02 .28 .16 .24 L .28 .22 L .32 0 L .44 .22 L .5 .24 L .54 .06 L .74 .3 Q .82 .38 .84 .42 L 1 .22 Q .96 .56 1 .88 L .84 .68 Q .7 .78 .56 .84 L .4 .86 L .34 1 L .24 .88 Q .02 .86 0 .56 Z',
  pipefish:
    'M0 .42 L .12 .36 Q .16 .05 .22 .2 L .36 .22 L .42 0 L .56 .24 L .94 .42 L 1 .24 L 1 .8 L .94 .62 L .5 .8 L .22 .82 Q .16 .9 .12 .62 L 0 .58 Z',
  seahorse:
    'M.5 .02 L .62 0 L .72 .05 Q .9 .08 .86 .16 L .7 .2 Q .95 .32 .92 .46 Q .88 .62 .66 .72 Q .5 .8 .56 .9 Q .64 .98 .78 .94 Q .7 1 .52 .99 Q .3 .95 .34 .82 Q .4 .7 .46 .6 Q .3 .52 .34 .4 Q .38 .28 .46 .22 L .4 .17 L .02 .19 L .02 .14 L .38 .09 Z',
  shrimp:
    'M.1 .3 L .24 .22 Q .34 .05 .46 .1 Q .6 0 .72 .16 Q .84 .3 .9 .52 L .98 .48 Q 1 .64 .99 .82 L .9 .7 Q .8 .57 .74 .53 L .72 .72 L .7 .54 L .67 .74 L .65 .55 L .62 .76 L .6 .56 L .57 .76 L .55 .57 L .53 .98 L .515 .58 L .47 1 L .465 .58 L .41 1 L .42 .57 L .35 .98 L .375 .56 L .3 .9 L .33 .54 Q .22 .52 .19 .44 L .01 .78 L .17 .41 L 0 .04 L .155 .36 Z',
  snail:
    'M0 .98 Q 0 .84 .1 .78 L .05 .6 L .09 .59 L .15 .76 L .17 .59 L .21 .6 L .22 .76 Q .24 .3 .56 .06 Q .86 0 .94 .34 Q 1 .7 .78 .86 L 1 .98 Z M.4 .52 Q .44 .2 .66 .24 Q .86 .32 .8 .55 Q .7 .74 .56 .62 Q .5 .48 .63 .43 Q .56 .52 .61 .58 Q .7 .64 .75 .5 Q .79 .35 .64 .3 Q .48 .27 .44 .54 Z',
  crayfish:
    'M0 .3 Q .06 .08 .18 .16 L .23 .28 L .08 .34 L .2 .4 Q .26 .46 .3 .44 L .27 .3 L .35 .24 Q .46 .1 .58 .2 Q .74 .16 .86 .4 L .97 .34 Q 1 .6 .98 .86 L .86 .7 Q .76 .62 .68 .66 L .66 .8 L .63 .67 L .6 .98 L .57 .68 L .53 1 L .51 .68 L .46 1 L .45 .66 L .39 .96 L .39 .62 Q .32 .6 .28 .56 L .14 .6 Q .02 .56 0 .3 Z',
  crab: 'M.5 .26 Q .6 .26 .62 .22 L .63 .1 L .66 .22 Q .74 .28 .76 .4 L .84 .3 Q .8 .1 .92 .02 L .9 .16 L 1 .12 Q 1 .34 .88 .4 L .78 .52 L .92 .56 L .98 .92 L .9 .66 L .77 .61 L .84 .74 L .86 1 L .8 .78 L .68 .7 Q .5 .8 .32 .7 L .2 .78 L .14 1 L .16 .74 L .23 .61 L .1 .66 L .02 .92 L .08 .56 L .22 .52 L .12 .4 Q 0 .34 0 .12 L .1 .16 L .08 .02 Q .2 .1 .16 .3 L .24 .4 Q .26 .28 .34 .22 L .37 .1 L .38 .22 Q .4 .26 .5 .26 Z',
  hermit:
    'M0 .9 L .05 .62 L .14 .58 L .06 .44 L .1 .42 L .2 .56 L .26 .5 Q .3 .2 .56 .06 Q .9 0 1 .36 Q .98 .68 .72 .78 Q .52 .86 .42 .8 L .42 1 L .36 .82 L .28 1 L .27 .8 L .18 .98 L .18 .76 L .08 .98 Z M.5 .6 Q .5 .3 .7 .28 Q .6 .4 .58 .62 Z M.7 .62 Q .7 .44 .84 .36 Q .8 .5 .78 .62 Z',
  bivalve: 'M0 .6 Q .06 .14 .38 .06 Q .8 0 1 .5 Q .94 .94 .5 .98 Q .08 1 0 .6 Z',
  frog: 'M0 .5 Q .05 .24 .2 .2 Q .3 0 .38 .2 Q .52 .2 .6 .38 Q .74 .28 .82 .42 Q .84 .5 .76 .6 L .84 .76 L 1 .8 L .98 1 L .78 .96 L .68 .78 Q .6 .82 .54 .76 Q .42 .84 .34 .78 L .33 .9 L .4 1 L .22 1 L .24 .8 Q .02 .72 0 .5 Z',
  gorgonian:
    'M.46 1 L .47 .72 L .3 .62 L .06 .3 L .1 .28 L .3 .5 L .46 .6 L .45 .5 L .28 .3 L .22 .04 L .27 .03 L .33 .26 L .45 .4 L .44 .12 L .48 0 L .53 .12 L .53 .4 L .66 .24 L .72 .02 L .77 .03 L .72 .28 L .55 .52 L .55 .6 L .74 .46 L .9 .24 L .94 .26 L .78 .54 L .55 .72 L .56 1 Z',
  polyps:
    'M0 1 L .04 .4 Q .1 0 .16 .4 L .2 .7 L .24 .3 Q .3 0 .36 .3 L .4 .7 L .46 .2 Q .52 0 .58 .2 L .62 .7 L .66 .36 Q .72 0 .78 .36 L .82 .7 L .86 .44 Q .92 .1 .98 .44 L 1 1 Z',
  sponge:
    'M.3 1 L .24 .6 Q .1 .5 .12 .2 Q .18 .06 .28 .14 Q .34 .3 .38 .5 L .44 .1 Q .52 0 .6 .08 L .6 .48 L .74 .22 Q .84 .12 .92 .24 Q .92 .5 .72 .66 L .68 1 Z',
  cucumber: 'M0 .6 Q .04 .1 .3 .12 Q .7 .06 .94 .24 L 1 .1 L .99 .4 L 1 .62 L .96 .8 Q .6 1 .2 .92 Q .02 .9 0 .6 Z',
  star: 'M0 .9 Q .2 .5 .42 .6 Q .5 0 .58 .6 Q .8 .5 1 .9 Q .8 .8 .58 1 L .42 1 Q .2 .8 0 .9 Z',
  salamander:
    'M0 .52 Q .02 .3 .1 .28 Q .16 .24 .2 .34 Q .36 .22 .54 .32 Q .62 .3 .68 .2 Q .86 .06 1 .5 Q .86 .8 .66 .66 L .62 .7 L .66 .84 L .71 1 L .6 1 L .57 .82 L .54 .72 Q .4 .8 .3 .72 L .28 .86 L .25 1 L .15 1 L .21 .82 L .2 .68 Q .1 .74 .05 .68 Q 0 .62 0 .52 Z',
};

/** Where the eye sits: shares of length and depth, and its radius as a share of depth. */
const EYES: Partial<Record<Form, readonly [x: number, y: number, radius: number]>> = {
  'slender-fish': [0.1, 0.42, 0.11],
  'deep-fish': [0.12, 0.46, 0.06],
  'small-cichlid': [0.12, 0.48, 0.06],
  'disc-fish': [0.1, 0.44, 0.03],
  'hatchet-fish': [0.1, 0.26, 0.06],
  catfish: [0.12, 0.54, 0.07],
  loach: [0.06, 0.42, 0.12],
  goby: [0.08, 0.44, 0.07],
  pipefish: [0.16, 0.4, 0.12],
  seahorse: [0.6, 0.11, 0.012],
  crayfish: [0.32, 0.34, 0.05],
  frog: [0.1, 0.4, 0.06],
  shrimp: [0.2, 0.33, 0.06],
  salamander: [0.05, 0.4, 0.05],
};

/** Forms whose length is their height. */
const UPRIGHT: ReadonlySet<Form> = new Set<Form>(['seahorse', 'gorgonian', 'sponge']);

/** How wide and high an animal of this length and depth is drawn. */
export const drawnSize = (form: Form, lengthMm: number, depthMm: number): { wideMm: number; highMm: number } =>
  UPRIGHT.has(form) ? { wideMm: depthMm, highMm: lengthMm } : { wideMm: lengthMm, highMm: depthMm };

const kept = new Map<string, string>();

/** The outline of an animal, scaled to millimetres, with its eye as a hole (fill rule evenodd). One string for all of a kind. */
export function bodyPath(form: Form, lengthMm: number, depthMm: number): string {
  const key = `${form} ${lengthMm} ${depthMm}`;
  const known = kept.get(key);
  if (known !== undefined) return known;
  const path = outlineOf(form, lengthMm, depthMm);
  kept.set(key, path);
  return path;
}

function outlineOf(form: Form, lengthMm: number, depthMm: number): string {
  const body = BODIES[form] ?? BODIES['slender-fish']!;
  const { wideMm, highMm } = drawnSize(form, lengthMm, depthMm);
  let isX = true;
  const outline = body.replace(/-?\d*\.?\d+/g, (number) => {
    const scaled = Number(number) * (isX ? wideMm : highMm);
    isX = !isX;
    return scaled.toFixed(2);
  });
  const eye = EYES[form];
  if (!eye) return outline;
  const [x, y, r] = [eye[0] * wideMm, eye[1] * highMm, eye[2] * highMm];
  const at = (dx: number, dy: number) => `${(x + dx * r).toFixed(2)} ${(y + dy * r).toFixed(2)}`;
  return `${outline} M${at(-1, 0)} Q ${at(-1, -1)} ${at(0, -1)} Q ${at(1, -1)} ${at(1, 0)} Q ${at(1, 1)} ${at(0, 1)} Q ${at(-1, 1)} ${at(-1, 0)} Z`;
}
