export * from './demo-firm.ts';
export * from './history.ts';
export * from './model-house.ts';
export * from './truths.ts';
export * from './probe-kit.ts';
export * from './random.ts';
export * from './wear.ts';
export * from './thread-fleet.ts';
