export { syntheticFlora } from "./synthetic";
export { perturb, drawDay, SimulatedPlant } from "./plants";
export { Scout } from "./scout";
