import { CONTRAST, contrastOf } from '../light/contrast';
import type { Animal } from '../catalogue/organism';
import type { Standing } from './standing';

/** What a practised eye sees in a planting. Notes, never findings: taste is not judged. */
export interface PlantingNote {
  kind: 'tall-before-low' | 'alike' | 'leaves-water';
  /** Who it is about: the tall and the low, the animal and the plant, or the plant alone. */
  subjects: readonly string[];
}

/** A tall one hides a low one: half as high again, nearer the front, in the same stretch of the length. */
const TALLER = 1.5;
const TALLER_BY_MM = 50;
const BEFORE_MM = 30;
/** A colour that anyone would name: this far from grey, of 255. */
const COLOURFUL = 70;

const reach = ({ item, widthMm }: Standing): number => item.spreadMm + widthMm / 2;
const onFloor = ({ hold }: Standing): boolean => hold === 'rooted' || hold === 'loose';

function hides(tall: Standing, low: Standing): boolean {
  return (
    tall.heightMm > TALLER * low.heightMm &&
    tall.heightMm > low.heightMm + TALLER_BY_MM &&
    tall.footMm[1] < low.footMm[1] - BEFORE_MM &&
    Math.abs(tall.footMm[0] - low.footMm[0]) < Math.max(reach(tall), reach(low)) * 0.6
  );
}

function isColourful(hex: string): boolean {
  const channels = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
  return Math.max(...channels) - Math.min(...channels) > COLOURFUL;
}

/** One note for each two kinds, the clearest first. */
export function plantingNotes(
  standing: readonly Standing[],
  animals: readonly { id: string; animal: Animal }[],
  waterMm: number,
): PlantingNote[] {
  const notes: PlantingNote[] = [];
  const said = new Set<string>();
  const say = (kind: PlantingNote['kind'], about: string, subjects: readonly string[]) => {
    if (said.has(`${kind} ${about}`)) return;
    said.add(`${kind} ${about}`);
    notes.push({ kind, subjects });
  };
  const floor = standing.filter(onFloor);
  for (const tall of floor)
    for (const low of floor)
      if (tall.plant.id !== low.plant.id && hides(tall, low)) say('tall-before-low', `${tall.plant.id} ${low.plant.id}`, [tall.id, low.id]);
  for (const { id, animal } of animals) {
    const body = animal.bodyColours.value?.[0];
    if (!body || !isColourful(body)) continue;
    for (const planting of standing) {
      const leaf = planting.plant.traits.leafColours?.value?.[0];
      if (!leaf) continue;
      const apart = contrastOf(body, leaf);
      if (apart < (CONTRAST.lost + CONTRAST.clear) / 2) say('alike', `${id} ${planting.plant.id}`, [id, planting.id]);
    }
  }
  for (const planting of standing) {
    const { hold, plant, footMm, heightMm } = planting;
    const reaches = onFloor(planting) && heightMm >= waterMm - footMm[2] - 1;
    if (reaches && hold === 'rooted' && (plant.form === 'grass' || plant.form === 'stem')) say('leaves-water', plant.id, [planting.id]);
  }
  return notes;
}
