import { dailyIntegral } from '../light/daily-integral';
import { lightAt } from '../light/field';
import { bar, spot } from '../light/lamp-shapes';
import { growth } from '../plants/growth';
import { uptake } from '../tank/uptake';
import { luxToPpfd } from '../light/spectrum';
import { throughWater } from '../light/through-water';
import { createRegistry, listed } from '../calculation/registry';
import { evaporation } from '../equipment/evaporation';
import { heatLossCalculation } from '../equipment/heat-loss';
import { hoursToEdgeCalculation } from '../equipment/hours-to-edge';
import { settlingTemperature } from '../equipment/settling-temperature';
import { bowFrontVolume } from '../vessel/bow-front-volume';
import { boxVolume } from '../vessel/box-volume';
import { cylinderVolume } from '../vessel/cylinder-volume';
import { drainBackVolume } from '../vessel/drain-back';
import { filledMassCalculation } from '../vessel/filled-mass';
import { glassThickness } from '../vessel/glass-thickness';
import { jarVolume } from '../vessel/jar-volume';
import { systemVolume } from '../vessel/system-volume';
import { waterVolume } from '../vessel/water-volume';
import { buoyancyCalculation } from '../hardscape/buoyancy';
import { energy } from '../equipment/energy';
import { jetSpeed } from '../equipment/jet';
import { filterCapacity } from '../equipment/media';
import { co2Feed } from '../equipment/co2-feed';
import { powerCut } from '../equipment/power-cut';
import { pumpFlow } from '../equipment/pump-flow';
import { turnover } from '../equipment/turnover';
import { visible } from '../scene/sight';
import { territories } from '../stocking/territories';
import { contrast } from '../light/contrast';
import { daylight } from '../light/daylight';
import { hideFitCalculation } from '../hardscape/hide-fit';
import { waterlogging } from '../hardscape/waterlogging';
import { solidVolume } from '../scene/solid-volume';
import { cap } from '../substrate/cap';
import { capsuleGrid } from '../substrate/capsule-grid';
import { fillCalculation } from '../substrate/fill';
import { movingCurrent } from '../substrate/grain-moves';
import { grainShare } from '../substrate/grain-share';
import { slopeStabilityCalculation } from '../substrate/slope-stability';
import { bodyMass } from '../stocking/body-mass';
import { breath } from '../stocking/breath';
import { growth as animalGrowth } from '../stocking/growth';
import { labelDoseCalculation } from '../health/treatments';
import { cycle } from '../startup/cycle';
import { work } from '../care/work';
import { bothSexes, youngToRaise } from '../breeding/chances';
import { colonyGrowth } from '../breeding/colony';
import { removalCount } from '../breeding/counting';
import { crossCalculation } from '../breeding/cross';
import { inbreeding } from '../breeding/inbreeding';
import { shipping } from '../lots/shipping';
import { usualFeed } from '../stocking/usual-feed';
import { swallowHazardCalculation } from '../substrate/swallow-hazard';
import { throat } from '../substrate/throat';
import { settledWater } from '../tank/settled-water';
import { blend } from '../water/blend';
import { waterColour } from '../water/water-colour';
import { seawaterPh } from '../chemistry/seawater-ph';
import { leastConductivity } from '../water/least-conductivity';
import { acclimation, floating } from '../water/acclimation';
import { changeSeries, changesToReach, evaporationTrap, steadyNitrate } from '../water/change-series';
import { evaporationDrift } from '../water/evaporation-drift';
import { brackishStepsCalculation } from '../water/brackish-steps';
import { carbonateSystem } from '../chemistry/carbonate-system';
import { composition } from '../water/composition';
import { conductivity } from '../chemistry/conductivity';
import { conductivityCompensation } from '../water/conductivity-at-25';
import { dechlorination } from '../water/dechlorination';
import { dosing } from '../water/dosing';
import { equilibriumPh } from '../water/equilibrium-ph';
import { freeAmmoniaFraction } from '../chemistry/free-ammonia-fraction';
import { ghFromIons, khFromIons } from '../water/hardness-from-ions';
import { humicPh } from '../water/humic-ph';
import { nitriteChloride } from '../water/nitrite-chloride';
import { oxygenSaturation } from '../chemistry/oxygen-saturation';
import { practicalSalinity } from '../water/practical-salinity';
import { mixStrength } from '../water/own-mix';
import { recipe } from '../water/recipe';
import { salinityFromGravity } from '../water/salinity-from-specific-gravity';
import { saturationIndex } from '../chemistry/saturation-index';
import { seaSalt } from '../water/sea-salt';
import { seawaterDensityCalculation } from '../water/seawater-density';

/** Every calculation there is; a new one is added here by hand. */
export const calculations = createRegistry([
  listed(boxVolume),
  listed(cylinderVolume),
  listed(jarVolume),
  listed(bowFrontVolume),
  listed(waterVolume),
  listed(systemVolume),
  listed(drainBackVolume),
  listed(filledMassCalculation),
  listed(glassThickness),
  listed(fillCalculation),
  listed(grainShare),
  listed(slopeStabilityCalculation),
  listed(swallowHazardCalculation),
  listed(cap),
  listed(capsuleGrid),
  listed(movingCurrent),
  listed(throat),
  listed(solidVolume),
  listed(buoyancyCalculation),
  listed(waterlogging),
  listed(hideFitCalculation),
  listed(contrast),
  listed(dailyIntegral),
  listed(daylight),
  listed(spot),
  listed(bar),
  listed(throughWater),
  listed(lightAt),
  listed(growth),
  listed(uptake),
  listed(luxToPpfd),
  listed(evaporation),
  listed(heatLossCalculation),
  listed(settlingTemperature),
  listed(hoursToEdgeCalculation),
  listed(pumpFlow),
  listed(jetSpeed),
  listed(turnover),
  listed(energy),
  listed(filterCapacity),
  listed(powerCut),
  listed(co2Feed),
  listed(bodyMass),
  listed(breath),
  listed(territories),
  listed(visible),
  listed(usualFeed),
  listed(shipping),
  listed(cycle),
  listed(work),
  listed(animalGrowth),
  listed(labelDoseCalculation),
  listed(bothSexes),
  listed(youngToRaise),
  listed(colonyGrowth),
  listed(removalCount),
  listed(inbreeding),
  listed(crossCalculation),
  listed(settledWater),
  listed(blend),
  listed(ghFromIons),
  listed(khFromIons),
  listed(carbonateSystem),
  listed(equilibriumPh),
  listed(humicPh),
  listed(dosing),
  listed(saturationIndex),
  listed(composition),
  listed(mixStrength),
  listed(recipe),
  listed(conductivity),
  listed(conductivityCompensation),
  listed(seawaterDensityCalculation),
  listed(practicalSalinity),
  listed(salinityFromGravity),
  listed(seaSalt),
  listed(oxygenSaturation),
  listed(freeAmmoniaFraction),
  listed(nitriteChloride),
  listed(dechlorination),
  listed(brackishStepsCalculation),
  listed(evaporationDrift),
  listed(changeSeries),
  listed(changesToReach),
  listed(evaporationTrap),
  listed(steadyNitrate),
  listed(acclimation),
  listed(floating),
  listed(leastConductivity),
  listed(seawaterPh),
  listed(waterColour),
]);
