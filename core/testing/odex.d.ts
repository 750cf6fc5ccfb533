/** The package ships its source as types, which strict mode refuses; this is what is used of it. */
export declare class Solver {
  constructor(dimension: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  solve(derivative: (x: number, y: number[]) => number[], from: number, start: number[], to: number): { y: number[] };
}
