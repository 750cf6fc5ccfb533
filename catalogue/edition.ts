/** Of the shipped catalogue: a verdict names the one it rests on. */
export const EDITION = '2026-12';
