import { TextDecoder, TextEncoder } from 'node:util';
import 'fake-indexeddb/auto';

// What jsdom lacks and the app's libraries need.
Object.assign(globalThis, { TextEncoder, TextDecoder, structuredClone });
