/** A stroke or a filled shape of a little drawing, 72 by 54. */
export interface Mark {
  d: string;
  fill?: Ink;
  line?: Ink;
  width?: number;
  /** Share of its colour that it has. */
  pale?: number;
}
type Ink = 'ink' | 'soft' | 'moss' | 'clay' | 'oxide' | 'water' | 'ochre' | 'sheet';

const dot = (x: number, y: number, r: number): string => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;
const dots = (at: readonly (readonly [number, number, number])[]): string => at.map(([x, y, r]) => dot(x, y, r)).join('');
/** A field of dots that looks strewn and is always the same. */
const strewn = (count: number, x: number, y: number, w: number, h: number, r: number): string =>
  dots(
    Array.from({ length: count }, (_, i) => [
      x + ((i * 0.618 * w + i * i * 1.7) % w),
      y + ((i * 0.377 * h + i * 3.1) % h),
      r * (0.7 + ((i * 7) % 5) / 8),
    ]),
  );
/** The pane, the surface, the bed. */
const WATER: Mark = { d: 'M6 8H66V48H6Z', fill: 'water', pale: 0.14 };
const SURFACE: Mark = { d: 'M6 14H66', line: 'water', width: 1.5 };
const BED: Mark = { d: 'M4 40Q20 36 36 39T68 38V50H4Z', fill: 'ochre', pale: 0.45 };
const STEM: Mark = { d: 'M36 50C35 38 37 26 36 10', line: 'moss', width: 1.6 };
const LEAVES: Mark = {
  d: 'M36 40Q24 38 20 28Q32 28 36 36ZM36 32Q48 30 52 20Q40 20 36 28ZM36 24Q26 22 23 14Q33 14 36 20Z',
  fill: 'moss',
  pale: 0.75,
};
const WOOD: Mark = { d: 'M4 40C18 30 26 34 38 26S58 16 68 18L67 25C56 25 50 32 42 35S22 44 8 49Z', fill: 'clay', pale: 0.6 };

/** What each trouble looks like, by its id. */
export const TROUBLE_FIGURES: Readonly<Record<string, readonly Mark[]>> = {
  cloud: [
    WATER,
    { d: 'M6 8H66V48H6Z', fill: 'soft', pale: 0.3 },
    { d: 'M14 20q6 -5 12 0t12 0t12 0M18 32q6 -5 12 0t12 0t12 0', line: 'sheet', width: 2, pale: 0.8 },
  ],
  dust: [WATER, BED, { d: strewn(34, 8, 18, 56, 20, 0.9), fill: 'clay', pale: 0.7 }],
  'green-water': [
    { d: 'M6 8H66V48H6Z', fill: 'moss', pale: 0.5 },
    { d: strewn(30, 9, 11, 54, 34, 0.8), fill: 'moss' },
  ],
  film: [
    { d: 'M6 16H66V48H6Z', fill: 'water', pale: 0.14 },
    { d: 'M6 16q5 -3 10 0t10 -1t10 1t10 -1t10 1t10 0v3H6Z', fill: 'soft', pale: 0.55 },
    { d: 'M20 17q4 -4 9 -1M40 17q5 -4 10 -1', line: 'ink', width: 0.8 },
  ],
  'wood-fur': [
    WOOD,
    { d: 'M16 36q-3 -8 2 -9q0 -6 6 -4q4 -6 8 0q6 -5 9 1q7 -4 7 3q-2 5 -8 4q-8 6 -14 5q-6 3 -10 0Z', fill: 'sheet' },
    { d: 'M16 36q-3 -8 2 -9q0 -6 6 -4q4 -6 8 0q6 -5 9 1q7 -4 7 3', line: 'soft', width: 1 },
  ],
  diatoms: [
    { d: 'M8 6V50M64 6V50', line: 'soft', width: 1 },
    BED,
    { d: strewn(60, 10, 10, 50, 28, 1.3), fill: 'clay', pale: 0.6 },
    { d: 'M30 12Q38 24 33 38H42Q46 24 39 12Z', fill: 'sheet' },
  ],
  'green-dust': [
    { d: 'M8 6H64V50H8Z', line: 'soft', width: 1 },
    {
      d: dots([
        [18, 16, 2],
        [30, 12, 1.6],
        [42, 20, 2.4],
        [54, 14, 1.8],
        [24, 28, 2.6],
        [38, 34, 2],
        [52, 30, 2.2],
        [16, 40, 1.7],
        [31, 43, 2.2],
        [48, 44, 1.8],
        [59, 40, 1.4],
      ]),
      fill: 'moss',
    },
  ],
  thread: [
    STEM,
    LEAVES,
    {
      d: 'M20 28C8 34 14 44 6 50M23 14C12 18 16 30 9 36M52 20C62 26 56 38 66 44M34 22C44 14 54 12 62 8M22 28C16 40 24 44 20 52M50 22C50 34 58 40 54 50',
      line: 'moss',
      width: 0.8,
    },
  ],
  slime: [
    BED,
    { d: 'M6 41Q14 30 24 36Q34 28 42 35Q54 29 66 39L64 43Q50 38 40 41T8 45Z', fill: 'water' },
    {
      d: dots([
        [20, 34, 1.6],
        [31, 31, 2],
        [44, 32, 1.5],
        [52, 34, 1.8],
      ]),
      fill: 'sheet',
    },
    { d: 'M62 36q6 -8 2 -14', line: 'water', width: 2.4 },
  ],
  'black-tufts': [
    STEM,
    LEAVES,
    {
      d: 'M20 28l-5 -3M20 28l-5 1M21 31l-5 2M52 20l5 -4M52 20l5 0M51 23l5 3M23 14l-5 -3M23 14l-4 2M28 37l-4 3M45 28l5 2',
      line: 'ink',
      width: 1.8,
    },
  ],
  melt: [
    STEM,
    { d: 'M36 40Q24 38 20 28Q32 28 36 36Z', fill: 'clay', pale: 0.5 },
    { d: 'M36 32Q48 30 52 20Q40 20 36 28Z', fill: 'soft', pale: 0.35 },
    { d: 'M52 20l-4 4l3 2l-5 3M20 28l5 3l-2 3l6 2', line: 'clay', width: 1.2 },
    { d: 'M36 12Q42 8 41 3Q35 5 36 12Z', fill: 'moss' },
  ],
  rot: [
    { d: 'M4 28H68V50H4Z', fill: 'ochre', pale: 0.45 },
    { d: 'M10 50Q14 36 26 38T42 44T52 50Z', fill: 'ink', pale: 0.8 },
    {
      d: dots([
        [28, 32, 1.6],
        [30, 24, 2],
        [27, 17, 2.4],
        [31, 9, 2.8],
      ]),
      line: 'ink',
      width: 0.9,
    },
  ],
  snails: [
    { d: 'M8 46H64', line: 'soft', width: 1 },
    { d: 'M12 45C12 30 26 24 32 34C38 26 30 20 24 26', line: 'clay', width: 2.4 },
    { d: 'M10 45Q22 40 38 45Z', fill: 'soft', pale: 0.7 },
    { d: 'M36 43l4 -5M38 43l6 -3', line: 'soft', width: 1 },
    { d: 'M50 40l4 -22l6 22Z', fill: 'clay', pale: 0.7 },
    { d: 'M51 34h7M52 28h5M53 23h3', line: 'sheet', width: 1 },
    { d: 'M48 45q8 -6 16 0Z', fill: 'soft', pale: 0.7 },
  ],
  worms: [
    BED,
    { d: 'M14 42C10 30 18 26 14 14M26 41C22 32 30 28 27 18M44 41C48 30 42 24 46 16', line: 'soft', width: 1.3 },
    { d: 'M56 40C52 30 60 28 57 20', line: 'oxide', width: 1.3 },
  ],
  swimmers: [
    WATER,
    {
      d: dots([
        [20, 20, 1.7],
        [34, 32, 1.7],
        [52, 18, 1.7],
      ]),
      fill: 'sheet',
    },
    {
      d: 'M20 20l-5 -4M20 20l-5 3M18 21l-1 6M34 32l-5 -4M34 32l-5 3M32 33l-1 6M52 18l-5 -4M52 18l-5 3M50 19l-1 6',
      line: 'ink',
      width: 0.8,
    },
    { d: 'M44 38q4 -5 8 0q-4 5 -8 0Z', fill: 'clay', pale: 0.8 },
  ],
  midges: [
    { d: 'M6 12H66V48H6Z', fill: 'water', pale: 0.14 },
    SURFACE,
    { d: 'M22 15v4q-2 8 2 14', line: 'ink', width: 1.8 },
    { d: 'M22 15l-4 -2M22 15l4 -2M20 24l-4 1M20 28l-4 1', line: 'ink', width: 0.8 },
    { d: 'M46 46q-6 -8 2 -12q6 -6 0 -12', line: 'oxide', width: 2.6 },
  ],
  planaria: [
    { d: 'M30 6L38 12L33 14C42 22 34 32 38 46Q30 44 29 34C28 26 30 20 27 14L22 12Z', fill: 'soft', pale: 0.75 },
    {
      d: dots([
        [28.5, 10, 0.9],
        [32, 10, 0.9],
      ]),
      fill: 'ink',
    },
  ],
  hydra: [
    { d: 'M36 50C35 42 37 34 36 26', line: 'moss', width: 3 },
    {
      d: 'M36 26C30 20 22 20 18 10M36 26C34 18 32 12 34 4M36 26C40 18 46 14 50 6M36 26C44 22 52 22 58 14M36 26C28 26 20 28 14 24',
      line: 'moss',
      width: 1.1,
    },
    { d: 'M28 51H44', line: 'soft', width: 1 },
  ],
  dragonfly: [
    { d: 'M20 20Q26 12 34 16L38 20Q48 22 60 34Q46 34 36 27L22 27Z', fill: 'clay', pale: 0.7 },
    {
      d: dots([
        [22, 18, 2.6],
        [27, 14, 2.4],
      ]),
      fill: 'ink',
    },
    { d: 'M32 26l-4 12M37 26l0 13M41 27l6 12M33 17l-2 -9M39 19l4 -9M60 34l6 0M60 34l5 4M60 34l4 7', line: 'ink', width: 1.1 },
  ],
  leeches: [
    { d: 'M10 44C12 20 26 10 36 12S52 30 62 26', line: 'clay', width: 6 },
    { d: 'M12 38l4 2M15 30l4 3M20 22l4 4M28 16l2 5M37 15l-1 4M44 20l-3 3M50 25l-2 3', line: 'sheet', width: 0.9 },
    { d: dots([[10, 45, 4]]), fill: 'clay' },
  ],
  'glass-anemones': [
    { d: 'M4 44Q20 34 36 42T68 40V52H4Z', fill: 'soft', pale: 0.6 },
    { d: 'M32 40L31 28H41L40 40Z', fill: 'clay', pale: 0.5 },
    {
      d: 'M32 28C26 22 22 20 18 10M34 28C32 20 30 14 30 6M38 28C39 20 42 14 42 6M40 28C46 22 50 18 54 10M31 29C24 28 20 26 14 22M41 29C48 28 54 24 58 22',
      line: 'clay',
      width: 1.3,
    },
  ],
  'bristle-worms': [
    { d: 'M8 42C18 20 30 40 40 24S58 12 66 16', line: 'oxide', width: 4.2 },
    {
      d: 'M10 36l-5 -2M14 30l-4 -4M19 28l0 -5M25 31l2 -5M31 31l5 -3M36 29l-2 6M41 22l5 3M46 17l3 5M52 14l1 6M58 13l1 6M12 40l4 4M18 34l3 5M25 36l1 5',
      line: 'soft',
      width: 0.8,
    },
  ],
  'red-flatworms': [
    { d: 'M4 46Q20 26 40 34T68 28V52H4Z', fill: 'soft', pale: 0.55 },
    {
      d: 'M14 38q2 -7 8 -5l-1 3l3 1q-4 6 -10 1ZM28 32q3 -7 9 -4l-2 3l4 1q-5 5 -11 0ZM46 33q3 -7 9 -4l-2 3l4 1q-5 5 -11 0ZM36 41q3 -7 9 -4l-2 3l4 1q-5 5 -11 0Z',
      fill: 'oxide',
    },
  ],
};
