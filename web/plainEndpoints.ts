import { build } from 'esbuild';
import type { Plugin } from 'vite';

const ENDPOINTS = /\/contract\/src\/(care|rooms\/\w+)\/\w*[eE]ndpoints\.ts$/;

/** Replaces each endpoint by its method and address, so that pages load neither schemas nor the schema library. */
export const plainEndpoints: Plugin = {
  name: 'plain-endpoints',
  enforce: 'pre',
  load: async (id) => {
    if (!ENDPOINTS.test(id)) return null;
    const all = Object.entries(await exportsOf(id));
    return all
      .map(([name, { method, path }]) => `export const ${name} = ${JSON.stringify({ method, path })};`)
      .join('\n');
  },
};

interface Plain {
  readonly method: string;
  readonly path: string;
}

async function exportsOf(file: string): Promise<Record<string, Plain>> {
  const { outputFiles } = await build({
    entryPoints: [file],
    bundle: true,
    write: false,
    platform: 'node',
    format: 'esm',
    // CommonJS packages need `require`.
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire('file:///');" },
  });
  const text = outputFiles[0]?.text ?? '';
  return import(`data:text/javascript;base64,${Buffer.from(text).toString('base64')}`);
}
