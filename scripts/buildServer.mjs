import fs from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './run.mjs';
import { ensurePackages } from './setup.mjs';

const dist = path.join(root, 'server', 'dist');

/** Data goes in too: node would want to be told in the source what kind it is. */
const isInside = /^@slate-path\/|\.json$/;

/** Our own packages go into the bundle; those from the registry are loaded from where they are installed. */
const registryOutside = {
  name: 'registry-outside',
  setup({ onResolve }) {
    onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) =>
      kind === 'entry-point' || isInside.test(name) ? undefined : { path: name, external: true },
    );
  },
};

/** Writes only what differs: a server that is starting beside this may be reading it. */
function write({ path: file, contents }) {
  if (fs.existsSync(file) && fs.readFileSync(file).equals(contents)) return;
  fs.mkdirSync(path.dirname(file), { recursive: true });
  fs.writeFileSync(`${file}.new`, contents);
  fs.renameSync(`${file}.new`, file);
}

/**
 * The server, its worker and its readers as plain JavaScript, in a third of a second: without a compiler in each of its
 * threads it starts in half the time and with a third less memory.
 */
export async function buildServer() {
  ensurePackages();
  const esbuild = await import('esbuild');
  const { outputFiles } = await esbuild.build({
    absWorkingDir: root,
    entryPoints: {
      main: 'server/src/main.ts',
      worker: 'server/src/jobs/worker.ts',
      reader: 'server/src/jobs/reader.ts',
    },
    bundle: true,
    splitting: true,
    write: false,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    outdir: dist,
    outExtension: { '.js': '.mjs' },
    plugins: [registryOutside],
    sourcemap: 'linked',
    logLevel: 'warning',
  });
  outputFiles.forEach(write);
  const made = new Set(outputFiles.map(({ path: file }) => file));
  for (const name of fs.readdirSync(dist)) {
    const file = path.join(dist, name);
    if (!made.has(file) && !name.endsWith('.new')) fs.rmSync(file);
  }
  await esbuild.stop();
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await buildServer();
