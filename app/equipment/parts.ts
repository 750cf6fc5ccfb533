import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Heater', words: ['warmth', 'heating', 'heat', 'thermostat', 'set point'], control: 'gear' },
  { name: 'Cooler and fan', words: ['chiller', 'cooler', 'fan', 'cooling'], control: 'gear' },
  { name: 'Filter', words: ['sponge', 'mat filter', 'canister'], control: 'gear' },
  { name: 'Pump', words: ['powerhead', 'flow', 'current', 'air pump', 'air stone'], control: 'gear' },
  { name: 'Lamp', words: ['light', 'lighting', 'LED', 'photoperiod'], control: 'gear' },
  { name: 'The tank’s year', words: ['season', 'climate', 'temperature by month'], control: 'climate' },
  { name: 'When something fails', words: ['power cut', 'failure', 'stuck heater', 'alarm', 'outage'], control: 'failures' },
];
