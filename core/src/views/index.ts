export * from './build-up';
export * from './lay-table';
export * from './openings';
export * from './table-csv';
export * from './compare';
export * from './picture';
export * from './rehearsal';
export * from './section';
export { sprayArrows, type SprayArrow } from './spray';
