import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import swc from '@swc/jest';

/**
 * Names the language itself provides. Jest runs each test in a realm of its own, where every use of a global is looked
 * up through a slow hook. Numerical code ran 14 times slower than outside. A file that reads these names once, at its
 * head, runs at full speed.
 */
const LANGUAGE_NAMES = [
  'Array',
  'BigInt',
  'Boolean',
  'Error',
  'Float32Array',
  'Float64Array',
  'Infinity',
  'Int32Array',
  'JSON',
  'Map',
  'Math',
  'NaN',
  'Number',
  'Object',
  'RangeError',
  'Set',
  'String',
  'Symbol',
  'TypeError',
  'Uint32Array',
  'Uint8Array',
  'WeakMap',
  'WeakSet',
];
const OWN_TEXT = readFileSync(new URL(import.meta.url));

/** What goes before a compiled file: one line, so that line numbers hold. */
export function headOf(source) {
  const names = LANGUAGE_NAMES.filter((name) => uses(source, name) && !declares(source, name));
  return names.length === 0 ? '' : `const { ${names.join(', ')} } = globalThis; `;
}

const uses = (source, name) => new RegExp(`\\b${name}\\b`).test(source);

/** Whether the file has a thing of its own by that name: imported, or declared at its outermost level. */
function declares(source, name) {
  const imported = new RegExp(`^import\\s[^;'"]*\\b${name}\\b[^;'"]*from`, 'm');
  const declared = new RegExp(`^(?:export\\s+)?(?:const|let|var|function|class)\\s+${name}\\b`, 'm');
  const unpacked = new RegExp(`^(?:const|let|var)\\s*[{[][^=]*\\b${name}\\b[^=]*=`, 'm');
  return imported.test(source) || declared.test(source) || unpacked.test(source);
}

export default {
  createTransformer(options) {
    const inner = swc.createTransformer(options);
    const headed = (source, compiled) => ({ ...compiled, code: headOf(source) + compiled.code });
    return {
      canInstrument: inner.canInstrument,
      getCacheKey: (...args) =>
        createHash('sha1')
          .update(OWN_TEXT)
          .update(inner.getCacheKey(...args))
          .digest('hex'),
      process: (source, path, more) => headed(source, inner.process(source, path, more)),
      processAsync: async (source, path, more) =>
        headed(source, await inner.processAsync(source, path, more)),
    };
  },
};
