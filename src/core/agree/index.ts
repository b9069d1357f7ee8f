export {
  daySchema, measureUnits, measureUnitSchema, personSchema, projectSchema, projectStatuses,
  type MeasureUnit, type Person, type Project,
} from './model';
export { reachLinesOf, tightestReach, type ReachLines } from './reachLines';
