import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import swcJest from '@swc/jest';

/**
 * TypeScript to JavaScript by SWC, and one line more. Jest runs modules in a context of their own, where V8 looks up every global
 * anew at each use, forty times slower than a constant of the module: arithmetic spends most of its time on `Math`. So each module
 * begins with constants for those it uses. Only what no test replaces is among them: neither clocks nor anything of a browser.
 */

const LASTING = `
  Array ArrayBuffer BigInt Boolean Error Float64Array Infinity Int32Array Intl JSON Map Math NaN Number Object
  Promise Proxy RangeError Reflect RegExp Set String Symbol TypeError Uint32Array Uint8Array WeakMap WeakSet
  decodeURIComponent encodeURIComponent isFinite isNaN parseFloat parseInt structuredClone
`
  .trim()
  .split(/\s+/);

/** A name that a module declares or imports itself is not the global one; in doubt it is left as it is. */
const isOwn = (code, name) =>
  new RegExp(`\\b(?:const|let|var|function\\*?|class|as)\\s+${name}\\b|[{,]\\s*${name}\\s*(?:[,}=]|as\\b)`).test(
    code,
  ) || new RegExp(`^import\\b[^;]*\\b${name}\\b`, 'm').test(code);

const withConstants = (code) => {
  const used = LASTING.filter((name) => new RegExp(`(?<![.\\w$])${name}\\b(?!\\s*:)`).test(code) && !isOwn(code, name));
  return used.length === 0 ? code : `const { ${used.join(', ')} } = globalThis; ${code}`;
};

const own = createHash('sha1')
  .update(readFileSync(new URL(import.meta.url)))
  .digest('hex');

export default {
  createTransformer(options) {
    const swc = swcJest.createTransformer(options);
    const finish = (result) => ({ ...result, code: withConstants(result.code) });
    return {
      canInstrument: false,
      process: (...given) => finish(swc.process(...given)),
      processAsync: async (...given) => finish(await swc.processAsync(...given)),
      getCacheKey: (...given) =>
        createHash('sha1')
          .update(own)
          .update(swc.getCacheKey(...given))
          .digest('hex'),
    };
  },
};
