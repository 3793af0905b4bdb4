import { run } from './run.mjs';

/** Checked one after the other: the types of all of them at once need more memory than a process has. */
const parts = [['core', 'cli'], ['server', 'demo'], ['app'], ['e2e', 'bench']];
const others = ['.', ...parts.flat().flatMap((folder) => ['--ignore-pattern', `${folder}/`])];

const codes = [...parts, others].map((args) => run('npx', ['eslint', ...args, '--max-warnings', '0']));
process.exit(Math.max(...codes));
