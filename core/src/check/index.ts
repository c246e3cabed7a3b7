export * from './plan-faults';
export type { PlanFaultMessages } from './plan-fault';
