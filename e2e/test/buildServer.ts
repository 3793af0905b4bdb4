import { execFileSync } from 'node:child_process';

/** What is tested is the server as it ships. */
export default function buildServer(): void {
  execFileSync('node', ['scripts/buildServer.mjs'], { stdio: 'inherit' });
}
