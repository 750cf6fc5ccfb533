import type { Device } from '../../equipment/model';

/** Devices in words, in the order in which they are asked for. */
export const DEVICE_WORD: Readonly<Record<Device['kind'], string>> = {
  heater: 'heater',
  cooler: 'cooler',
  fan: 'fan',
  controller: 'controller',
  filter: 'filter',
  pump: 'pump',
  air: 'air pump',
  lamp: 'lamp',
  skimmer: 'skimmer',
  uv: 'UV lamp',
  reactor: 'reactor',
  'top-up': 'top-up',
  alarm: 'alarm',
};
export const DEVICE_KINDS = Object.keys(DEVICE_WORD) as Device['kind'][];
