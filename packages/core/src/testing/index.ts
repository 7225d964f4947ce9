export * from './straight-line/index.ts';
export { componentView, HEAT_PUMP_PLATE, readingView, systemView } from './views.ts';
export { stateTable, type StateCell } from './state-table.ts';
