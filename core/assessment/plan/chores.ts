import { minutesPerWeek, type Chores } from '../../care/work';
import { surfacesOf } from '../../vessel/shape';
import type { Assessment } from '../assessment';
import { ASSUMED_CARE } from '../derive/assumed';

/** Plants that are cut back, as a share of their area in a week, by how they grow. Common practice. */
const TRIMMED = { slow: 0.02, moderate: 0.1, fast: 0.35 } as const;
/** Fed twice a day while nobody has said. Common practice: once or twice. */
const FEEDINGS_A_WEEK = 10;

/** What a tank asks of its keeper in a week, by its plan; changes so many times as large as they are planned. */
export function choresOf({ world: { design }, derived }: Assessment, changeTimes = 1): Chores {
  const litres = derived['vessel.system-volume'].value ?? derived['vessel.water-volume'].value ?? 0;
  const change = design.care.change ?? { fraction: ASSUMED_CARE.change.fraction, everyDays: ASSUMED_CARE.change.days };
  const menu = Object.values(design.care.menu);
  const { wallM2 } = design.vessel ? surfacesOf(design.vessel, design.vessel.waterLevelMm) : { wallM2: 0 };
  const trimmedM2 = (derived['plants.standing'].value ?? []).reduce((sum, { plant, count, grown }) => {
    const across = (plant.sizeMm.width.value ?? 0) / 1000;
    return sum + across * across * count * grown * TRIMMED[plant.traits.growth.value ?? 'moderate'];
  }, 0);
  const fed = menu.length > 0 ? menu.reduce((sum, { timesAWeek }) => sum + timesAWeek, 0) : design.care.feedHours.length * 7;
  return {
    // beyond the whole tank at once it is changed more often
    changesPerWeek: (7 / change.everyDays) * Math.max(1, change.fraction * changeTimes),
    litresPerChange: litres * Math.min(1, change.fraction * changeTimes),
    feedingsPerWeek: fed > 0 ? fed : Object.keys(design.stock).length > 0 ? FEEDINGS_A_WEEK : 0,
    panesM2: wallM2,
    filters: Object.values(design.equipment).filter(({ kind }) => kind === 'filter').length,
    trimmedM2,
    dosesPerWeek:
      Object.values(design.care.doses).reduce((sum, { everyDays }) => sum + 7 / everyDays, 0) + Object.keys(design.care.fertiliser).length,
  };
}

/** Hours a week that a tank takes with nitrate kept where it should be: larger changes where it stands higher. */
export function hoursPerWeekOf(assessment: Assessment): number {
  const nitrate = assessment.findings.find(({ code }) => code === 'water.nitrate')?.values;
  const times = nitrate?.['nitrate'] && nitrate['edge'] ? Math.max(1, nitrate['nitrate'].value / nitrate['edge'].value) : 1;
  return Object.values(minutesPerWeek(choresOf(assessment, times))).reduce((sum, one) => sum + one, 0) / 60;
}
