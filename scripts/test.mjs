import fs from 'node:fs';
import path from 'node:path';
import { buildApp } from './build.mjs';
import { root, run } from './run.mjs';
import { ensureTestPrograms, ensurePackages } from './setup.mjs';

const results = path.join(root, 'test-results.json');

/** Runs all checks on a fresh machine too; the last line is what a machine reads. */
ensurePackages();
ensureTestPrograms();
await buildApp();

let passed = 0;
let failed = 0;
for (const check of ['lint', 'types']) {
  console.log(`\n— ${check}`);
  if (run('npm', ['run', '-s', check]) === 0) passed += 1;
  else failed += 1;
}

console.log('\n— tests');
fs.rmSync(results, { force: true });
// One at a time: a browser, a server and a test share two cores.
const code = run('npx', ['jest', '--runInBand', '--forceExit', '--json', '--outputFile', results]);
if (fs.existsSync(results)) {
  const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
    fs.readFileSync(results, 'utf8'),
  );
  // A suite that does not even start has no test that could fail.
  const broken = testResults.filter(
    (suite) => suite.status === 'failed' && suite.assertionResults.length === 0,
  ).length;
  passed += numPassedTests;
  failed += numFailedTests + broken;
  if (numFailedTestSuites > 0 && failed === 0) failed += numFailedTestSuites;
} else {
  failed += 1;
}
if (code !== 0 && failed === 0) failed += 1;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
