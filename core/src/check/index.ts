export * from './plan-faults';
export type { PlanFault, PlanFaultMessages } from './plan-fault';
