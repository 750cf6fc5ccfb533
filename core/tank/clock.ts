/** From one hour of the clock to another; a whole day where both are the same. */
export const hoursFromTo = (onHour: number, offHour: number): number => (((offHour - onHour) % 24) + 24) % 24 || 24;
export const isBetween = (hour: number, onHour: number, offHour: number): boolean =>
  (((hour - onHour) % 24) + 24) % 24 < hoursFromTo(onHour, offHour);
