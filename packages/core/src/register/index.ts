export * from './reading.js';
export { type RegisterFit, MOST_OFFSET_MM, fitRegister } from './fit.js';
export * from './advice.js';
export { type ColourRun, runOf } from './run.js';
export { type StandInSetting, type TrueRegister, PRACTICE_NOISE, practiceRegister, standInCamera } from './stand-in.js';
