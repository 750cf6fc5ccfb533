import type { Plant } from '../../core/catalogue/organism';

/**
 * Plants by habit, in millimetres: x to both sides of the foot, y up from it. All strokes of a planting are one path: thousands of single ones
 * would cost more than the judgement.
 */
type Pen = (x: number, y: number) => string;
type Seed = (i: number) => number;
interface Sized {
  heightMm: number;
  widthMm: number;
  /** For a picture of a thumb's size: fewer leaves on a stem. */
  coarse?: boolean;
}

const round = (mm: number): string => String(Math.round(mm * 10) / 10);
const penAt =
  (ox: number, oy: number, down = false): Pen =>
  (x, y) =>
    `${round(ox + x)} ${round(oy + (down ? -y : y))}`;

/** A leaf from its base to its tip: a pointed oval, `belly` of its length wide. */
function leaf(p: Pen, x0: number, y0: number, x1: number, y1: number, belly: number): string {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const [mx, my] = [x0 + dx * 0.5, y0 + dy * 0.5];
  const [nx, ny] = [-dy * belly, dx * belly];
  return `M${p(x0, y0)}Q${p(mx + nx, my + ny)} ${p(x1, y1)}Q${p(mx - nx, my - ny)} ${p(x0, y0)}Z`;
}

/** A line there and back, so that nothing is filled between its ends. */
const line = (p: Pen, x0: number, y0: number, cx: number, cy: number, x1: number, y1: number): string =>
  `M${p(x0, y0)}Q${p(cx, cy)} ${p(x1, y1)}Q${p(cx, cy)} ${p(x0, y0)}Z`;

/** A line with leaves in pairs, shorter to the tip. */
function stem(p: Pen, { heightMm, widthMm, coarse }: Sized, seed: Seed): string {
  const sway = (seed(1) - 0.5) * Math.min(40, heightMm * 0.16);
  const tall = heightMm * (0.82 + 0.18 * seed(2));
  const at = (t: number): [number, number] => [sway * t * t * (1.6 - t), tall * t];
  let path = line(p, 0, 0, sway * 0.1, tall * 0.5, sway * 0.6, tall);
  const nodes = Math.max(3, Math.min(14, Math.round(tall / (coarse ? 34 : 17))));
  const reach = Math.min(Math.max(8, widthMm / 2), 26);
  for (let i = 1; i <= nodes; i++) {
    const t = i / nodes;
    const [x, y] = at(t);
    const long = reach * (t > 0.75 ? 1.3 - t * 0.75 : 0.62 + 0.3 * seed(i));
    for (const side of [-1, 1]) path += leaf(p, x, y, x + side * long, y + long * (0.42 + 0.3 * t), 0.16);
  }
  return path;
}

/** Leaves of a node: to which side, and how steeply up. */
const WHORL: readonly (readonly [number, number])[] = [
  [-1, 0.2],
  [1, 0.2],
  [-0.75, 0.75],
  [0.75, 0.75],
];

/** Stems of needles or fine fans, in whorls. */
function whorls(p: Pen, { heightMm, widthMm, coarse }: Sized, seed: Seed): string {
  const sway = (seed(1) - 0.5) * Math.min(50, heightMm * 0.2);
  const tall = heightMm * (0.82 + 0.18 * seed(2));
  let path = line(p, 0, 0, sway * 0.1, tall * 0.5, sway * 0.6, tall);
  const nodes = Math.max(4, Math.min(18, Math.round(tall / (coarse ? 36 : 13))));
  const reach = Math.min(Math.max(7, widthMm / 2), 24);
  for (let i = 1; i <= nodes; i++) {
    const t = i / nodes;
    const [x, y] = [sway * t * t * (1.6 - t), tall * t];
    const long = reach * (t > 0.8 ? 1.5 - t : 0.75 + 0.25 * seed(i));
    for (const [side, up] of coarse ? WHORL.slice(0, 2) : WHORL)
      path += leaf(p, x, y, x + side * long, y + up * long, coarse ? 0.09 : 0.05);
  }
  return path;
}

/** Ribbons from one foot, that lie over at the surface. */
function grass(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  let path = '';
  for (let i = 0; i < 8; i++) {
    const lean = ((i + 0.5) / 8 - 0.5) * Math.max(widthMm, 20) * 1.1;
    const tall = heightMm * (0.7 + 0.3 * seed(i));
    const bend = lean * (1 + 0.8 * seed(i + 20));
    const half = Math.max(0.9, Math.min(3.2, heightMm * 0.008));
    path += `M${p(lean * 0.12 - half, 0)}C${p(lean * 0.2 - half, tall * 0.5)} ${p(lean * 0.5, tall * 0.85)} ${p(bend, tall)}C${p(lean * 0.5 + half * 2, tall * 0.82)} ${p(lean * 0.2 + half, tall * 0.5)} ${p(lean * 0.12 + half, 0)}Z`;
  }
  return path;
}

/** Blades on stalks from one crown. */
function rosette(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  let path = '';
  for (let i = 0; i < 9; i++) {
    const lean = ((i + 0.5) / 9 - 0.5) * widthMm;
    const tall = heightMm * (1 - 0.55 * Math.abs(lean / widthMm)) * (0.78 + 0.22 * seed(i));
    const [kx, ky] = [lean * 0.35, tall * 0.42];
    path += line(p, 0, 0, lean * 0.08, ky * 0.7, kx, ky);
    path += leaf(p, kx, ky, lean * 0.96, tall, 0.17);
  }
  return path;
}

/** A creeping rhizome with undivided fronds. */
function fern(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  const half = widthMm * 0.32;
  let path = line(p, -half, 2, 0, 6, half, 3);
  for (let i = 0; i < 8; i++) {
    const x = -half + ((i + 0.4 * seed(i)) / 7.4) * 2 * half;
    const tall = heightMm * (0.55 + 0.45 * seed(i + 4));
    const lean = (x / half) * widthMm * 0.24 + (seed(i + 9) - 0.5) * 14;
    path += leaf(p, x, 4, x + lean, tall, 0.1);
  }
  return path;
}

/** Broad leaves on a rhizome, each on its stalk. */
function epiphyte(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  const half = widthMm * 0.3;
  let path = line(p, -half, 3, 0, 4, half, 5);
  for (let i = 0; i < 7; i++) {
    const x = -half + (i / 6) * 2 * half;
    const tall = heightMm * (0.6 + 0.4 * seed(i));
    const lean = (x / half) * widthMm * 0.22 + (seed(i + 7) - 0.5) * 12;
    const [kx, ky] = [x + lean * 0.45, tall * 0.5];
    path += line(p, x, 4, (x + kx) / 2, (4 + ky) / 2, kx, ky) + leaf(p, kx, ky, x + lean * 1.15, tall, 0.3);
  }
  return path;
}

/** Stalks to pads. */
function lily(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  let path = '';
  for (let i = 0; i < 6; i++) {
    const x = ((i + 0.25 + 0.5 * seed(i)) / 6 - 0.5) * widthMm;
    const tall = heightMm * (i % 3 === 1 ? 1 : 0.45 + 0.4 * seed(i + 3));
    const pad = Math.max(7, Math.min(0.16 * widthMm, 45));
    path += line(p, 0, 0, x * 0.15, tall * 0.65, x, tall);
    path += `M${p(x - pad, tall + 1)}Q${p(x - pad * 0.2, tall + pad * 0.34)} ${p(x + pad, tall + 2)}Q${p(x + pad * 0.2, tall - pad * 0.22)} ${p(x, tall)}Q${p(x - pad * 0.4, tall - pad * 0.2)} ${p(x - pad, tall + 1)}Z`;
  }
  return path;
}

/** A lawn: short blades, close. */
function carpet(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  let path = '';
  const blades = Math.max(7, Math.min(22, Math.round(widthMm / 6)));
  for (let i = 0; i < blades; i++) {
    const x = ((i + seed(i)) / blades - 0.5) * widthMm;
    const tall = heightMm * (0.55 + 0.45 * seed(i + 5));
    path += line(p, x, 0, x + 2 * (seed(i + 2) - 0.5), tall * 0.6, x + 5 * (seed(i + 8) - 0.5), tall);
    for (const t of [0.35, 0.6, 0.85]) for (const side of [-1, 1]) path += leaf(p, x, tall * t, x + side * 5, tall * t + 3, 0.3);
  }
  return path;
}

/** A lawn of thin blades. */
function lawn(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  let path = '';
  const blades = Math.max(9, Math.min(26, Math.round(widthMm / 4)));
  for (let i = 0; i < blades; i++) {
    const x = ((i + seed(i)) / blades - 0.5) * widthMm * 0.9;
    const tall = heightMm * (0.6 + 0.4 * seed(i + 5));
    const lean = (seed(i + 2) - 0.5) * Math.min(24, tall * 0.5);
    path += leaf(p, x, 0, Math.max(-widthMm / 2, Math.min(widthMm / 2, x + lean)), tall, 0.035);
  }
  return path;
}

/** A cushion of little fronds over its holdfast. */
function moss(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  const half = widthMm / 2;
  let path = `M${p(-half, 0)}`;
  const lobes = 9;
  for (let i = 0; i < lobes; i++) {
    const [a, b] = [-half + (2 * half * (i + 0.5)) / lobes, -half + (2 * half * (i + 1)) / lobes];
    const dome = (x: number) => heightMm * Math.sqrt(Math.max(0.02, 1 - (x / half) ** 2));
    path += `Q${p(a, dome(a) * (1.05 + 0.3 * seed(i)))} ${p(b, i === lobes - 1 ? 0 : Math.max(0, dome(b) * 0.86))}`;
  }
  path += 'Z';
  for (let i = 0; i < 20; i++) {
    const x = ((i + seed(i)) / 20 - 0.5) * widthMm * 0.92;
    const y = heightMm * Math.sqrt(Math.max(0, 1 - (x / half) ** 2)) * (0.25 + 0.7 * seed(i + 40));
    path += line(p, x, y, x + 3 * (seed(i + 3) - 0.5), y + 4, x + 8 * (seed(i + 6) - 0.5), y + 6);
  }
  return path;
}

/** Leaves on the water, roots down from them. */
function floating(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  const half = Math.max(6, widthMm / 2);
  let path = '';
  // many small ones, leaves in pairs
  const heads = Math.max(1, Math.min(8, Math.round(widthMm / 26)));
  for (let k = 0; k < heads; k++) {
    const x = ((k + 0.5) / heads - 0.5) * widthMm;
    const reach = (widthMm / heads) * 0.52;
    for (const side of [-1, 1]) path += leaf(p, x, 0.5, x + side * reach * (0.8 + 0.2 * seed(k)), 2 + 4 * seed(k + 3), 0.26);
    path += leaf(p, x, 0.5, x + (seed(k + 5) - 0.5) * reach, 4 + Math.min(10, reach * 0.5), 0.3);
  }
  const roots = Math.max(3, Math.min(14, heads * 2));
  for (let i = 0; i < roots; i++) {
    const x = ((i + 0.5) / roots - 0.5) * half * 1.7;
    const deep = heightMm * (0.45 + 0.5 * seed(i + 11));
    path += line(p, x, 0, x, -deep * 0.5, x + 6 * (seed(i + 17) - 0.5), -deep);
  }
  return path;
}

/** Blades on a runner, each on its short stalk; where it drifts they hang as sheets. */
function blades(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  const half = widthMm * 0.42;
  let path = line(p, -half, 2, 0, -1, half, 2);
  for (let i = 0; i < 7; i++) {
    const x = ((i + 0.3 + 0.4 * seed(i)) / 7 - 0.5) * 2 * half;
    const tall = heightMm * (0.55 + 0.45 * seed(i + 4));
    const lean = (seed(i + 9) - 0.5) * Math.min(30, tall * 0.4);
    path += line(p, x, 2, x, tall * 0.08, x + lean * 0.1, tall * 0.16) + leaf(p, x + lean * 0.1, tall * 0.14, x + lean, tall, 0.17);
  }
  return path;
}

/** A runner with forked fronds. */
function alga(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  let path = `M${p(-widthMm * 0.4, 2)}Q${p(0, -2)} ${p(widthMm * 0.4, 2)}`;
  for (let i = 0; i < 6; i++) {
    const x = ((i + 0.5) / 6 - 0.5) * widthMm * 0.8;
    const tall = heightMm * (0.6 + 0.4 * seed(i));
    const lean = x * 0.35 + (seed(i + 3) - 0.5) * 16;
    path += `M${p(x, 2)}Q${p(x + lean * 0.2, tall * 0.5)} ${p(x + lean, tall)}`;
    for (let k = 1; k < 5; k++) {
      const t = k / 5;
      const [fx, fy] = [x + lean * t * t, tall * t];
      const long = Math.max(4, tall * 0.2 * (1.1 - t * 0.6));
      path += `M${p(fx, fy)}q${round(-long * 0.4)} ${round(long * 0.5)} ${round(-long * 0.8)} ${round(long)}M${p(fx, fy)}q${round(long * 0.4)} ${round(long * 0.4)} ${round(long * 0.85)} ${round(long * 0.85)}`;
    }
  }
  return path;
}

/** Over the water, of what is drawn of a mangrove. */
const CROWN_MM = 60;

/** Prop roots in the water, a trunk and leathery leaves over it; the foot is at the surface. */
function mangrove(p: Pen, { heightMm, widthMm }: Sized, seed: Seed): string {
  const down = Math.min(heightMm * 0.45, 220);
  // the tree outgrows the frame: its crown is drawn where it can be seen
  const up = Math.min(Math.max(40, heightMm - down), CROWN_MM);
  let path = '';
  for (let i = 0; i < 7; i++) {
    const x = ((i + 0.5) / 7 - 0.5) * widthMm * 0.8;
    path += line(p, 0, 6 + 4 * seed(i), x * 0.95, 0, x, -down * (0.75 + 0.25 * seed(i + 2)));
  }
  path += line(p, 0, 0, 0, up / 2, (seed(3) - 0.5) * 10, up);
  for (let i = 0; i < 7; i++) {
    const y = up * (0.4 + 0.6 * (i / 6));
    const side = i % 2 === 0 ? 1 : -1;
    path += leaf(p, 0, y, side * Math.min(70, Math.max(18, widthMm * 0.3)), y + 12, 0.24);
  }
  return path;
}

const HABITS: Readonly<Record<Plant['form'], (p: Pen, of: Sized, seed: Seed) => string>> = {
  stem,
  grass,
  carpet,
  rosette,
  lily,
  moss,
  floating,
  'rhizome-fern': fern,
  macroalga: alga,
  mangrove,
};
/** Habits whose outlines are filled; the rest are strokes. */
const FILLED: ReadonlySet<Plant['form']> = new Set([
  'stem',
  'grass',
  'rosette',
  'lily',
  'moss',
  'floating',
  'rhizome-fern',
  'carpet',
  'mangrove',
]);

export const isFilled = (plant: Plant): boolean => FILLED.has(plant.form) || FLAT.has(genusOf(plant));

/** Genera with needles or fine fans about their stems, and algae of flat blades. */
const FINE = new Set([
  'Ceratophyllum',
  'Cabomba',
  'Myriophyllum',
  'Limnophila',
  'Najas',
  'Chara',
  'Nitella',
  'Egeria',
  'Elodea',
  'Hydrilla',
  'Pogostemon',
  'Stuckenia',
  'Tonina',
]);
const FLAT = new Set(['Ulva', 'Caulerpa', 'Udotea', 'Halymenia', 'Botryocladia']);
const GRASSY = new Set(['Eleocharis', 'Lilaeopsis', 'Helanthium', 'Eriocaulon']);
const genusOf = ({ latin }: Plant): string => latin.split(' ')[0]!;
function penFor(plant: Plant): (p: Pen, of: Sized, seed: Seed) => string {
  if (plant.form === 'rosette' && plant.traits.rooting.value === 'attach') return epiphyte;
  if (plant.form === 'stem' && FINE.has(genusOf(plant))) return whorls;
  if (plant.form === 'carpet' && GRASSY.has(genusOf(plant))) return lawn;
  return plant.form === 'macroalga' && FLAT.has(genusOf(plant)) ? blades : HABITS[plant.form];
}

/** Drift as they grow, leaves up and roots down; all else that is afloat hangs from the surface. */
const DRIFTS: ReadonlySet<Plant['form']> = new Set(['floating', 'mangrove']);

/** Where nobody wrote down what colour its leaf is. */
const LEAF = '#6f9a63';
const darker = (hex: string): string =>
  `#${[1, 3, 5]
    .map((at) =>
      Math.round(parseInt(hex.slice(at, at + 2), 16) * 0.72)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
/** The inks of a kind: its leaf, the edge of it, and its tips where they are of another colour. */
export function inksOf({ traits: { leafColours } }: Plant): { leaf: string; edge: string; tip: string | null } {
  const [leaf = LEAF, tip = null] = leafColours?.value ?? [];
  return { leaf, edge: darker(leaf), tip };
}

/** One plant from the front, its foot at a place. */
export function habitPath(plant: Plant, of: Sized, at: readonly [number, number], seed: Seed, afloat = false): string {
  return penFor(plant)(penAt(at[0], at[1], afloat && !DRIFTS.has(plant.form)), of, seed);
}

/** One plant from above, its middle at a place; y up. */
export function crownPath(plant: Plant, { widthMm }: Sized, at: readonly [number, number], seed: Seed): string {
  const p = penAt(at[0], at[1]);
  const r = Math.max(4, widthMm / 2);
  const turned = (share: number, far: number): [number, number] => [
    far * Math.cos(2 * Math.PI * share),
    far * Math.sin(2 * Math.PI * share),
  ];
  if (plant.form === 'moss' || plant.form === 'carpet') {
    const lobes = 9;
    let path = '';
    for (let i = 0; i < lobes; i++) {
      const [x, y] = turned(i / lobes, r * (0.85 + 0.15 * seed(i)));
      const [cx, cy] = turned((i + 0.5) / lobes, r * 1.12);
      const [nx, ny] = turned((i + 1) / lobes, r * (0.85 + 0.15 * seed((i + 1) % lobes)));
      path += i === 0 ? `M${p(x, y)}Q${p(cx, cy)} ${p(nx, ny)}` : `Q${p(cx, cy)} ${p(nx, ny)}`;
    }
    return `${path}Z`;
  }
  if (plant.form === 'floating') {
    let path = '';
    const pads = Math.max(4, Math.min(22, Math.round((r / 13) ** 2 * 2)));
    for (let i = 0; i < pads; i++) {
      const [x, y] = turned(i * 0.381966, r * 0.86 * Math.sqrt((i + 0.5) / pads));
      const [dx, dy] = turned(seed(i), Math.min(9, r * 0.4));
      path += leaf(p, x - dx, y - dy, x + dx, y + dy, 0.34);
    }
    return path;
  }
  const leaves = plant.form === 'stem' ? 6 : plant.form === 'grass' ? 9 : 8;
  const belly = plant.form === 'grass' ? 0.05 : plant.form === 'lily' ? 0.42 : 0.18;
  let path = '';
  for (let i = 0; i < leaves; i++) {
    const [x, y] = turned((i + 0.5 * seed(i)) / leaves, r * (0.75 + 0.25 * seed(i + 5)));
    path += leaf(p, 0, 0, x, y, belly);
  }
  return path;
}
