import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import swc from '@swc/core';

/**
 * Jest's own transform exports through getters, and an engine that reads a constant through one thousands of times a
 * simulated hour is several times slower. The core has no circular imports at load time, so its exports can be plain
 * properties, set when a module has run. Functions are set at once, as they would be hoisted.
 */
const own = readFileSync(fileURLToPath(import.meta.url), 'utf8');
/** In Jest's sandbox every look at a global goes through a trap; a module's own name for it does not. */
export const LOCAL =
  'const { Math, Number, Object, Float64Array, Set, Map, Array, Infinity, NaN, Error } = globalThis;';
const GETTERS = /_export\(exports, \{[\s\S]*?\n\}\);\n/;
const ONE =
  /Object\.defineProperty\(exports, "(\w+)", \{\s*enumerable: true,\s*get: function\(\) \{\s*return ([\w.]+);\s*\}\s*\}\);\n/g;

export default {
  getCacheKey(source, file) {
    return createHash('sha256').update(`${source}\0${file}\0${own}`).digest('hex');
  },
  process(source, file) {
    let { code } = swc.transformSync(source, {
      filename: file,
      jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
      module: { type: 'commonjs' },
      sourceMaps: false,
    });
    const names = [];
    const block = GETTERS.exec(code)?.[0] ?? '';
    for (const [, name, value] of block.matchAll(/get (\w+) \(\) \{\s*return ([\w.]+);/g)) names.push([name, value]);
    code = code.replace(GETTERS, '').replace(ONE, (_, name, value) => {
      names.push([name, value]);
      return '';
    });
    const hoisted = names.filter(([, v]) => new RegExp(`^(async )?function\\*? ${v}\\(`, 'm').test(code));
    const set = (list) => list.map(([name, v]) => `exports.${name} = ${v};`).join(' ');
    return {
      code: `"use strict"; ${LOCAL} ${set(hoisted)}\n${code}\n${set(names.filter((n) => !hoisted.includes(n)))}\n`,
    };
  },
};
