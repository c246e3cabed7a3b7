export { onePersonMessage, onePersonPlan, named, sectionsPlanned } from './sections';
export { overheadMinutes, withOverhead, type OverheadMinutes } from './overhead-steps';
export { stepsOf } from './steps';
