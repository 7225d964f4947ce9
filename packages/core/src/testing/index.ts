export * from './straight-line/index.ts';
export { componentView, readingView, systemView } from './views.ts';
