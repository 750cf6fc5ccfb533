/** Shares of the depth of the water where the strata end. Common practice. */
export const STRATA = { bottom: [0, 0.25], middle: [0.25, 0.74], top: [0.74, 1] } as const;
export type FlowStratum = keyof typeof STRATA;
