/** What whoever looks after the tanks must not do. Common practice: most losses while away are well meant. */
export const NEVER = [
  'Never give more than the packet, and never a second one because they beg. Hungry animals live; a foul tank kills in a night. A day forgotten stays forgotten.',
  'Never change water, rinse a filter or clean anything that is not on this sheet. Tap water kills what lives in a filter.',
  'Never put anything in: no medicine, no plant, no animal, no other food.',
  'Never use sprays, perfume, paint or glue in the room. Hands are rinsed of soap and cream before they touch water.',
  'Never put a hand into the water before the plugs of that tank are out. Water on the floor, or a tingle in the water: the breaker first, then nothing more, and call.',
] as const;

/** What is looked at every day, in a minute a tank. */
export const LOOK_AT = [
  'The thermometer stands between its marks.',
  'The filter bubbles or runs, the lamp is on by day, the level is at its mark.',
  'They come when they are fed, and nobody hangs gasping at the surface.',
  'The floor and the cabinet are dry.',
] as const;

/** What to do where it is not so. */
export const IF_SO = [
  ['The filter or the air stands still', 'Its plug, then the switch of its line. If it does not run within the hour: call. Do not feed.'],
  ['It is too warm', 'Lamp off, lid a hand open, windows shaded. No ice into the water. Call.'],
  ['It is too cold', 'Is the heater plugged in, and under water? A heater that stood dry stays out. Call.'],
  ['They gasp, or the water is cloudy or smells', 'No feed. More air if there is a stone to plug in. Call.'],
  ['One is dead', 'Out with the net of that tank, into a bag, into the freezer with the day on it. Write it down. Three in a tank: call.'],
  ['Water on the floor', 'The breaker first. Then call.'],
] as const;
