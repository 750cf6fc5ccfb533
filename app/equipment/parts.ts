import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Heater', words: ['warmth', 'heating', 'heat', 'thermostat', 'set point'], control: 'gear' },
  { name: 'Cooler and fan', words: ['chiller', 'cooler', 'fan', 'cooling'], control: 'gear' },
  { name: 'Filter', words: ['sponge', 'mat filter', 'canister'], control: 'running' },
  { name: 'Pump', words: ['powerhead', 'flow', 'current', 'turnover', 'intake'], control: 'running' },
  { name: 'Air pump', words: ['air stone', 'check valve', 'battery'], control: 'running' },
  { name: 'What it uses', words: ['energy', 'electricity', 'cost', 'kWh', 'watts'], control: 'energy' },
  { name: 'Lamp', words: ['light', 'lighting', 'LED', 'photoperiod'], control: 'gear' },
  { name: 'The tank’s year', words: ['season', 'climate', 'temperature by month'], control: 'climate', face: 'year' },
  { name: 'When something fails', words: ['power cut', 'failure', 'stuck heater', 'alarm', 'outage'], control: 'failures', face: 'year' },
  { name: 'The day', words: ['timer', 'photoperiod', 'feeding times', 'oxygen at dawn', 'hours'], control: 'clock', face: 'day' },
  { name: 'CO₂', words: ['carbon dioxide', 'bubbles', 'cylinder', 'bottle'], control: 'co2', face: 'day' },
  { name: 'Current', words: ['flow', 'jet', 'nozzle', 'dead spots', 'circulation'], face: 'current' },
];
