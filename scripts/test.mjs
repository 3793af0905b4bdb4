import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runBeside } from './run.mjs';
import { ensurePackages } from './setup.mjs';

const results = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-tests-'));

const ofCheck = (code) => ({ passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 });

/** Runs the tests of some projects. @returns how many passed and failed, the files in which some failed, and how many passed in others */
async function test(projects, args, options) {
  const file = path.join(results, `${projects[0]}.json`);
  const jest = [
    'jest',
    '--selectProjects',
    ...projects,
    ...args,
    '--forceExit',
    '--json',
    '--outputFile',
    file,
  ];
  const code = await runBeside('npx', jest, options);
  if (!fs.existsSync(file)) return { passed: 0, failed: 1, failedFiles: [], passedElsewhere: 0 };
  const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = JSON.parse(
    fs.readFileSync(file, 'utf8'),
  );
  // A suite that does not even start has no test that could fail.
  const broken = testResults.filter(
    (suite) => suite.status === 'failed' && suite.assertionResults.length === 0,
  ).length;
  const failed = numFailedTests + broken;
  const unseen = failed === 0 && (numFailedTestSuites > 0 || code !== 0) ? 1 : 0;
  const failedSuites = testResults.filter(({ status }) => status === 'failed');
  const failedFiles = failedSuites.map(({ name }) => name);
  const passedBeside = failedSuites
    .flatMap(({ assertionResults }) => assertionResults)
    .filter(({ status }) => status === 'passed').length;
  const passedElsewhere = numPassedTests - passedBeside;
  fs.rmSync(file);
  return { passed: numPassedTests, failed: failed + unseen, failedFiles, passedElsewhere };
}

/** Where more files than this have a failed test, it is not by chance. */
const mostAlone = 3;

/**
 * Runs again, once and alone, the tests of files in which one failed while the other checks took most of two cores.
 * What fails alone has failed; what passes alone is told, because it may hang on an order of events.
 */
async function testAlone(projects, { passed, failed, failedFiles, passedElsewhere }) {
  if (failedFiles.length === 0 || failedFiles.length > mostAlone) return { passed, failed };
  console.log(`\n${failed} failed beside the other checks; alone once more:\n${failedFiles.join('\n')}`);
  const alone = await test(projects, ['--runInBand', '--runTestsByPath', ...failedFiles]);
  return { passed: passedElsewhere + alone.passed, failed: alone.failed };
}

const givesWay = { givesWay: true };
const withoutBrowser = ['core', 'app', 'cli', 'demo', 'server'];

/** Lint, types and all tests without a browser. They fill what the browser tests leave of two cores. */
async function checkWithoutBrowser() {
  const lint = ofCheck(await runBeside('npm', ['run', '-s', 'lint'], givesWay));
  const types = ofCheck(await runBeside('npm', ['run', '-s', 'types'], givesWay));
  return { checks: [lint, types], tests: await test(withoutBrowser, ['--maxWorkers=2'], givesWay) };
}

/** Both kinds of tests beside each other, those in a browser one at a time; then those that failed alone. */
async function checkAll(built) {
  const others = checkWithoutBrowser();
  const builtWell = ofCheck(await built);
  const inBrowser = await test(['e2e'], ['--runInBand']);
  const { checks, tests } = await others;
  return [builtWell, ...checks, await testAlone(['e2e'], inBrowser), await testAlone(withoutBrowser, tests)];
}

/** Runs all checks on a fresh machine too; the last line is what a machine reads. */
ensurePackages({ driver: false });
const prepared = runBeside('node', ['scripts/prepareTests.mjs']);
const built = runBeside('node', ['scripts/build.mjs']);
const isReady = (await prepared) === 0;
const counts = isReady ? await checkAll(built) : [ofCheck(await built), ofCheck(1)];
fs.rmSync(results, { recursive: true });
const passed = counts.reduce((sum, count) => sum + count.passed, 0);
const failed = counts.reduce((sum, count) => sum + count.failed, 0);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
