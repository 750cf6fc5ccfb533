import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Form and size', words: ['dimensions', 'length', 'tank size', 'volume', 'litres', 'aquarium'], control: 'size' },
  { name: 'Glass', words: ['thickness', 'pane', 'acrylic'], control: 'glass' },
  { name: 'Water level', words: ['fill', 'freeboard', 'fill height'], control: 'size' },
  { name: 'Lid', words: ['cover', 'hood', 'jumping'], control: 'lid' },
  { name: 'Openings', words: ['gap', 'hole', 'escape', 'guard', 'ways out'], control: 'openings' },
  { name: 'Stand', words: ['cabinet', 'rack', 'shelf', 'furniture', 'weight', 'load'], control: 'stand' },
  { name: 'Sides it is seen from', words: ['viewing', 'background', 'covered sides'], control: 'sides' },
  { name: 'Sun', words: ['window', 'daylight'], control: 'sun' },
  { name: 'Footfall', words: ['traffic', 'vibration'], control: 'footfall' },
  { name: 'Sump', words: ['refugium', 'chamber', 'overflow', 'plumbing', 'pipe', 'drain'], control: 'sump' },
  { name: 'Leak test', words: ['leak', 'condition', 'silicone', 'second-hand tank'], control: 'leak-test' },
];
