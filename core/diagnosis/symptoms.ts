/** What a keeper sees, by where it is seen. */
export const SYMPTOM_GROUPS = {
  breath: ['gasping', 'gasping-dawn', 'fast-gills', 'brown-gills', 'one-gill'],
  skin: [
    'white-grains',
    'gold-dust',
    'cotton',
    'ragged-fins',
    'torn-victims',
    'red-sores',
    'scales-out',
    'swollen',
    'cloudy-skin',
    'head-holes',
    'pale',
  ],
  bearing: [
    'clamped',
    'scraping',
    'darting',
    'listless',
    'hiding',
    'not-eating',
    'hollow',
    'thin-but-eats',
    'white-droppings',
    'red-threads',
    'bent',
  ],
  shrimp: ['failed-moult', 'milky-muscle', 'twitching', 'green-fuzz', 'white-tufts', 'no-young', 'shell-pitted', 'snails-shut'],
  deaths: ['one-by-one', 'many-at-once', 'after-change', 'newcomers', 'shrimp-first', 'vanish', 'young-vanish'],
  plants: ['old-yellow', 'new-pale', 'holes', 'melting', 'leggy', 'eaten-leaves'],
  algae: ['green-water', 'brown-dust', 'hair-algae', 'black-tufts', 'blue-green-slime'],
  water: ['milky', 'film', 'rotten-eggs', 'flat-worms', 'tiny-polyps'],
} as const;
export type SymptomGroup = keyof typeof SYMPTOM_GROUPS;
export type SymptomId = (typeof SYMPTOM_GROUPS)[SymptomGroup][number];
export const SYMPTOMS: readonly SymptomId[] = Object.values(SYMPTOM_GROUPS).flat();
