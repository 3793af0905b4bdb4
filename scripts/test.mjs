import fs from 'node:fs';
import path from 'node:path';
import { root, run, runBeside } from './run.mjs';
import { ensureTestPrograms, ensurePackages } from './setup.mjs';

const results = path.join(root, 'test-results.json');

/** Runs some of the tests. @returns how many passed and failed */
function test(...args) {
  fs.rmSync(results, { force: true });
  const code = run('npx', ['jest', ...args, '--forceExit', '--json', '--outputFile', results]);
  if (!fs.existsSync(results)) return { passed: 0, failed: 1 };
  const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
    fs.readFileSync(results, 'utf8'),
  );
  // A suite that does not even start has no test that could fail.
  const broken = testResults.filter(
    (suite) => suite.status === 'failed' && suite.assertionResults.length === 0,
  ).length;
  const failed = numFailedTests + broken;
  const unseen = failed === 0 && (numFailedTestSuites > 0 || code !== 0) ? 1 : 0;
  return { passed: numPassedTests, failed: failed + unseen };
}

/** Runs all checks on a fresh machine too; the last line is what a machine reads. */
ensurePackages();
ensureTestPrograms();

// Two cores are the least there is: one thing on each.
const lint = runBeside('npm', ['run', '-s', 'lint']);
const built = await runBeside('node', ['scripts/build.mjs']);
const types = await runBeside('npm', ['run', '-s', 'types']);
const checks = [await lint, built, types];

console.log('\n— tests');
const counts = [
  {
    passed: checks.filter((code) => code === 0).length,
    failed: checks.filter((code) => code !== 0).length,
  },
  test('--selectProjects', 'core', 'app', 'cli', 'demo', 'server', '--maxWorkers=2'),
  // One at a time: a browser, a server and a test share two cores.
  test('--selectProjects', 'e2e', '--runInBand'),
];
const passed = counts.reduce((sum, count) => sum + count.passed, 0);
const failed = counts.reduce((sum, count) => sum + count.failed, 0);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
