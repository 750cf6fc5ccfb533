/** Sizes, plantings and stones that many kept tanks share. */
export const sizes = {
  jar: [220, 220, 240],
  nano: [300, 300, 300],
  tray: [450, 300, 300],
  twenty: [600, 300, 300],
  eighty: [800, 350, 400],
  metre: [1000, 400, 450],
  long: [1200, 450, 500],
  large: [1500, 500, 600],
} as const;

export const thicket = [
  ['hygrophila-polysperma', 6],
  ['cryptocoryne-wendtii', 5],
  ['taxiphyllum-barbieri', 4],
] as const;
export const blackwaterPlants = [
  ['microsorum-pteropus', 4],
  ['cryptocoryne-cordata', 4],
] as const;
export const hardPlants = [
  ['vallisneria-spiralis', 8],
  ['anubias-barteri-nana', 4],
  ['ceratophyllum-demersum', 4],
] as const;
export const floaters = [
  ['ceratophyllum-demersum', 4],
  ['taxiphyllum-barbieri', 4],
] as const;
export const rockwork = [
  ['stone-pile', 6, 'granite'],
  ['small-mouth-cave', 4],
] as const;
