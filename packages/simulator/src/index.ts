export * from './demo-firm.ts';
export * from './history.ts';
export * from './random.ts';
export * from './wear.ts';
