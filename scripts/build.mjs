import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { pathToFileURL } from 'node:url';
import { must, root } from './run.mjs';
import { ensurePackages } from './setup.mjs';

const app = path.join(root, 'app');
const dist = path.join(app, 'dist');
const stampFile = path.join(dist, '.build-stamp');
const sources = [
  'app/src',
  'app/public',
  'core/src',
  'app/app.json',
  'app/metro.config.js',
  'scripts/build.mjs',
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

/** Changes when anything does that the web build is made of. */
function sourceStamp() {
  const hash = createHash('sha256');
  for (const file of sources.flatMap(filesUnder))
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

/** The service worker keeps the application itself, so that it opens without a network; data it leaves alone. */
async function writeServiceWorker() {
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
    navigateFallbackDenylist: [/^\/api\//],
    maximumFileSizeToCacheInBytes: 4_000_000,
  });
  console.log(`The service worker keeps ${count} files, ${Math.round(size / 1024)} KB.`);
}

/** Brotli and gzip beside each file, once and for all. */
function compress() {
  for (const file of filesUnder('app/dist')) {
    if (!/\.(js|css|html|svg|json|webmanifest)$/.test(file)) continue;
    const bytes = fs.readFileSync(file);
    fs.writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    fs.writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
    );
  }
}

/** Builds the web application unless it is built from just these sources. */
export async function buildApp() {
  ensurePackages({ driver: false });
  const stamp = sourceStamp();
  if (fs.existsSync(stampFile) && fs.readFileSync(stampFile, 'utf8') === stamp) return;
  console.log('Building the application (about a minute; the first time two or three)…');
  fs.rmSync(dist, { recursive: true, force: true });
  copyFonts();
  must('npm', ['exec', '-w', 'app', '--', 'expo', 'export', '-p', 'web', '--output-dir', 'dist'], {
    EXPO_OFFLINE: '1',
    EXPO_NO_TELEMETRY: '1',
    CI: '1',
    EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
    EXPO_UNSTABLE_TREE_SHAKING: '1',
  });
  await writeServiceWorker();
  compress();
  fs.writeFileSync(stampFile, stamp);
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await buildApp();
