import { register } from 'tsx/esm/api';

// A worker thread does not inherit the loader of TypeScript: it is registered here, before the worker itself is loaded.
register();
const { default: answer } = await import('./refit-worker.ts');

export default answer;
