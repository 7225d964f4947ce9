import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';

// What jsdom lacks and the app's libraries need; the store asks for structuredClone as it is loaded.
Object.assign(globalThis, { TextEncoder, TextDecoder, structuredClone: (value) => deserialize(serialize(value)) });
await import('fake-indexeddb/auto');
