import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';

// What jsdom lacks and the app's libraries need; the store asks for structuredClone as it is loaded.
Object.assign(globalThis, { TextEncoder, TextDecoder, structuredClone: (value) => deserialize(serialize(value)) });
await import('fake-indexeddb/auto');

/** As much of a request as the router makes use of: where to, and how it is called off. */
globalThis.Request ??= class {
  constructor(url, { signal = null, method = 'GET' } = {}) {
    Object.assign(this, { url: String(url), signal, method, headers: new Headers() });
  }
};
globalThis.PointerEvent ??= class extends globalThis.MouseEvent {};
