import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { pathToFileURL } from 'node:url';
import { must, root } from './run.mjs';
import { ensurePackages } from './setup.mjs';

const app = path.join(root, 'app');
const bare = path.join(root, 'bench', 'bare');
const sources = [
  'app/src',
  'app/public',
  'core/src',
  'app/app.json',
  'app/metro.config.js',
  'scripts/build.mjs',
  'package-lock.json',
];
const bareSources = [
  'bench/bare/src',
  'bench/bare/app.json',
  'bench/bare/metro.config.js',
  'package-lock.json',
];

function filesUnder(place) {
  const full = path.join(root, place);
  if (fs.statSync(full).isFile()) return [full];
  return fs
    .readdirSync(full, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => path.join(entry.parentPath, entry.name))
    .filter((file) => !file.startsWith(path.join(app, 'public', 'fonts')))
    .sort();
}

/** Changes when anything does that a web build is made of. */
function sourceStamp(places) {
  const hash = createHash('sha256');
  for (const file of places.flatMap(filesUnder))
    hash.update(file.slice(root.length)).update(fs.readFileSync(file));
  return hash.digest('hex');
}

const families = [
  {
    name: 'Atkinson Hyperlegible Next',
    package: '@fontsource/atkinson-hyperlegible-next',
    file: 'atkinson-hyperlegible-next',
    weights: [400, 700],
  },
  { name: 'Bitter', package: '@fontsource/bitter', file: 'bitter', weights: [600] },
];

/** Latin and extended Latin of the two families, from their packages, with the style sheet that names them. */
function copyFonts() {
  const folder = path.join(app, 'public', 'fonts');
  fs.mkdirSync(folder, { recursive: true });
  const rules = families.flatMap((family) => {
    const from = path.join(root, 'node_modules', family.package);
    const ranges = JSON.parse(fs.readFileSync(path.join(from, 'unicode.json'), 'utf8'));
    const { version } = JSON.parse(fs.readFileSync(path.join(from, 'package.json'), 'utf8'));
    return family.weights.flatMap((weight) =>
      ['latin', 'latin-ext'].map((subset) => {
        const file = `${family.file}-${subset}-${weight}-normal.woff2`;
        const served = `${family.file}-${subset}-${weight}-${version}.woff2`;
        fs.copyFileSync(path.join(from, 'files', file), path.join(folder, served));
        return `@font-face{font-family:"${family.name}";font-weight:${weight};font-display:swap;src:url("/fonts/${served}") format("woff2");unicode-range:${ranges[subset]}}`;
      }),
    );
  });
  fs.writeFileSync(path.join(folder, 'fonts.css'), rules.join('\n') + '\n');
}

/** What is reckoned beside the page, each in one file of its own. */
async function buildWorkers(dist) {
  const { build } = await import('esbuild');
  const folder = path.join(app, 'src', 'workers');
  await build({
    absWorkingDir: root,
    entryPoints: fs.readdirSync(folder).map((file) => path.join(folder, file)),
    outdir: path.join(dist, 'workers'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'warning',
  });
}

/** The service worker keeps the application itself, so that it opens without a network; data it leaves alone. */
async function writeServiceWorker(dist) {
  const { generateSW } = await import('workbox-build');
  const { count, size } = await generateSW({
    globDirectory: dist,
    globPatterns: ['**/*.{js,css,html,svg,woff2,webmanifest}'],
    swDest: path.join(dist, 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
    skipWaiting: true,
    clientsClaim: true,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/(?:api|read)\//],
    maximumFileSizeToCacheInBytes: 4_000_000,
  });
  console.log(`The service worker keeps ${count} files, ${Math.round(size / 1024)} KB.`);
}

/** Brotli and gzip beside each file, once and for all. */
function compress(dist) {
  for (const file of filesUnder(path.relative(root, dist))) {
    if (!/\.(js|css|html|svg|json|webmanifest)$/.test(file)) continue;
    const bytes = fs.readFileSync(file);
    fs.writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    fs.writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
    );
  }
}

/** Builds what lies in a folder for the web, unless it is built from just these sources. */
async function buildWeb(folder, places, before = () => undefined, after = () => undefined) {
  const dist = path.join(folder, 'dist');
  const stampFile = path.join(dist, '.build-stamp');
  const stamp = sourceStamp(places);
  if (fs.existsSync(stampFile) && fs.readFileSync(stampFile, 'utf8') === stamp) return;
  console.log(`Building ${path.relative(root, folder)} (about a minute; the first time two or three)…`);
  fs.rmSync(dist, { recursive: true, force: true });
  before();
  const settings = {
    EXPO_OFFLINE: '1',
    EXPO_NO_TELEMETRY: '1',
    CI: '1',
    EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
    EXPO_UNSTABLE_TREE_SHAKING: '1',
  };
  must('npx', ['expo', 'export', '-p', 'web', '--output-dir', 'dist'], settings, folder);
  await after(dist);
  await writeServiceWorker(dist);
  compress(dist);
  fs.writeFileSync(stampFile, stamp);
}

/** Builds the web application. */
export async function buildApp() {
  ensurePackages({ driver: false });
  await buildWeb(app, sources, copyFonts, buildWorkers);
}

/** Builds the bare application that the real one is measured beside. */
export const buildBare = () => buildWeb(bare, bareSources);

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await buildApp();
