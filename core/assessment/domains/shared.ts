import { PARAMETERS, type Parameter } from '../../catalogue/parameter';

/** Parameters of water that have one value all year; warmth goes by the season. */
export type WaterParameter = Exclude<Parameter, 'temperatureC'>;
export const WATER_PARAMETERS = PARAMETERS.filter((parameter): parameter is WaterParameter => parameter !== 'temperatureC');

/** Salinity from which the tank is one of salt water. */
export const SALT_FROM = 5;
