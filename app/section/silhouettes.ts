import type { Form } from '../../core/catalogue/organism';

/** Generic body forms in a unit box: x from nose (0) to tail (1), y from back (0) to belly (1). Commands and numbers alternate as in SVG. */
const BODIES: Partial<Record<Form, string>> = {
  'slender-fish': 'M0 .52 C .12 .16 .38 .02 .74 .36 L 1 .06 Q .9 .5 1 .96 L .74 .64 C .4 1 .12 .86 0 .52 Z',
  'deep-fish':
    'M0 .55 C .1 .28 .28 .12 .42 .12 L .52 0 L .66 .18 Q .74 .3 .78 .4 L 1 .16 Q .92 .52 1 .88 L .78 .62 Q .7 .84 .58 .92 L .5 1 L .4 .92 C .24 .92 .08 .8 0 .55 Z',
  'small-cichlid':
    'M0 .58 C .08 .32 .2 .2 .3 .16 Q .5 -.04 .74 .18 L .8 .36 L 1 .18 Q .93 .54 1 .9 L .8 .7 Q .68 .98 .5 .94 C .26 1 .08 .88 0 .58 Z',
  shrimp:
    'M0 .26 L .15 .24 Q .3 .02 .5 .06 Q .74 .08 .86 .46 L 1 .56 L .97 .9 L .82 .72 Q .7 .58 .6 .6 L .57 .98 L .545 .62 L .5 .62 L .46 1 L .44 .62 L .4 .62 L .35 .98 L .34 .62 L .3 .6 L .25 .86 L .24 .56 Q .12 .54 .11 .4 Z',
  snail: 'M0 .94 Q .04 .62 .2 .68 Q .18 .1 .58 .04 Q .98 .06 .96 .52 Q .94 .82 .72 .86 L 1 .98 L 0 1 Z',
  salamander:
    'M0 .5 Q .02 .2 .13 .22 L .16 .06 L .21 .24 Q .4 .2 .58 .26 Q .8 .18 1 .44 Q .82 .66 .62 .7 L .64 .98 L .58 .98 L .55 .72 L .34 .74 L .35 1 L .29 1 L .27 .74 Q .05 .8 0 .5 Z',
};

/** Where the eye sits: shares of length and depth, and its radius as a share of depth. */
const EYES: Partial<Record<Form, readonly [x: number, y: number, radius: number]>> = {
  'slender-fish': [0.1, 0.42, 0.11],
  'deep-fish': [0.12, 0.46, 0.06],
  'small-cichlid': [0.13, 0.46, 0.08],
  shrimp: [0.14, 0.36, 0.06],
  salamander: [0.05, 0.4, 0.05],
};

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
  let isX = true;
  const outline = body.replace(/-?\d*\.?\d+/g, (number) => {
    const scaled = Number(number) * (isX ? lengthMm : depthMm);
    isX = !isX;
    return scaled.toFixed(2);
  });
  const eye = EYES[form];
  if (!eye) return outline;
  const [x, y, r] = [eye[0] * lengthMm, eye[1] * depthMm, eye[2] * depthMm];
  const at = (dx: number, dy: number) => `${(x + dx * r).toFixed(2)} ${(y + dy * r).toFixed(2)}`;
  return `${outline} M${at(-1, 0)} Q ${at(-1, -1)} ${at(0, -1)} Q ${at(1, -1)} ${at(1, 0)} Q ${at(1, 1)} ${at(0, 1)} Q ${at(-1, 1)} ${at(-1, 0)} Z`;
}

/**
 * The outline of a plant by habit, in millimetres: x to both sides of its foot, y up from it.
 * One path for the whole plant: thousands of single strokes would cost more than the judgement.
 */
export function plantPath(form: Form, heightMm: number, widthMm: number, seed: (i: number) => number): string {
  const paths: string[] = [];
  const p = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`;
  if (form === 'stem') {
    for (let i = 0; i < 5; i++) {
      const x = (seed(i) - 0.5) * widthMm;
      const tall = heightMm * (0.72 + 0.28 * seed(i + 7));
      const sway = (seed(i + 13) - 0.5) * 26;
      paths.push(`M${p(x, 0)} C ${p(x + sway, tall * 0.35)} ${p(x - sway, tall * 0.7)} ${p(x + sway * 0.6, tall)}`);
      for (let y = 22; y < tall - 4; y += 15) {
        const side = 5.5 + 3 * seed(i + y);
        paths.push(`M${p(x + sway * 0.2 - side, y + 5)} Q ${p(x + sway * 0.2, y - 3)} ${p(x + sway * 0.2 + side, y + 5)}`);
      }
    }
  } else if (form === 'rosette' || form === 'rhizome-fern') {
    const leaves = form === 'rosette' ? 9 : 11;
    for (let i = 0; i < leaves; i++) {
      const lean = ((i + 0.5) / leaves - 0.5) * widthMm;
      const tall = heightMm * (1 - 0.5 * Math.abs(lean / widthMm)) * (0.8 + 0.2 * seed(i));
      const blade = form === 'rosette' ? 0.07 * heightMm : 0.045 * heightMm;
      paths.push(
        `M${p(0, 0)} Q ${p(lean * 0.15, tall * 0.5)} ${p(lean * 0.6, tall * 0.7)} Q ${p(lean * 0.6 - blade, tall * 0.92)} ${p(lean, tall)} Q ${p(lean * 0.6 + blade, tall * 0.7)} ${p(lean * 0.5, tall * 0.6)}`,
      );
    }
  } else if (form === 'moss') {
    for (let i = 0; i < 46; i++) {
      const x = ((i + seed(i)) / 46 - 0.5) * widthMm;
      const tall = heightMm * (1 - 0.85 * ((2 * x) / widthMm) ** 2) * (0.55 + 0.45 * seed(i + 5));
      paths.push(`M${p(x, 0)} Q ${p(x + 6 * (seed(i + 9) - 0.5), tall * 0.6)} ${p(x + 14 * (seed(i + 3) - 0.5), tall)}`);
    }
  } else {
    for (let i = 0; i < 4; i++) {
      const x = (seed(i) - 0.5) * widthMm * 2;
      paths.push(`M${p(x - 9, 1)} Q ${p(x, 8)} ${p(x + 9, 1)} Q ${p(x, -3)} ${p(x - 9, 1)} M${p(x, 0)} l -2 -14 M${p(x, 0)} l 3 -11`);
    }
  }
  return paths.join(' ');
}
