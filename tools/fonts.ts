import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import subsetFont from 'subset-font';

/**
 * Cuts the fonts to the signs the program writes and the weights it uses, into app/fonts. Any other sign that a person types comes from the
 * whole face, which a browser fetches only when it meets one.
 */
const root = fileURLToPath(new URL('../', import.meta.url));
const from = (face: string) => readFileSync(`${root}node_modules/@fontsource-variable/${face}.woff2`);

const letters = Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i)).join('');
const SIGNS = '°−–—·’‘µ₀₁₂₃₄₅²³¹×⁻⁺…±→←↑↓”“√≤≥≈½⅓‰′″§äöüßéèáàíóúñçøåÄÖÜÉØÅ\u00a0\u2009\u200a\u2011\u202f';

const FACES = [
  { name: 'text', of: 'atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal', axis: { min: 400, max: 700 } },
  // Latin names and formulas: in one weight
  { name: 'text-italic', of: 'atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-italic', axis: 400 },
  { name: 'display', of: 'fraunces/files/fraunces-latin-wght-normal', axis: 600 },
] as const;

mkdirSync(`${root}app/fonts`, { recursive: true });
for (const { name, of, axis } of FACES) {
  const cut = await subsetFont(from(of), letters + SIGNS, { targetFormat: 'woff2', variationAxes: { wght: axis } });
  writeFileSync(`${root}app/fonts/${name}.woff2`, cut);
  console.log(`${name}: ${(cut.length / 1000).toFixed(1)} kB`);
}
