import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

// npm runs every script of the project in its root.
const root = process.cwd();

/** A server on one port and one folder that can be killed and started again, at another time of day. */
export class RestartableServer {
  readonly address: string;
  private child: ChildProcess | null = null;
  /** What the process that was started last wrote to its error output. */
  said = '';
  /** What its environment has besides. */
  environment: Record<string, string> = {};

  private constructor(
    private readonly port: number,
    readonly folder: string,
  ) {
    this.address = `http://127.0.0.1:${port}`;
  }

  /** @param folder for its data; else a new one */
  static async create(
    folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-e2e-')),
  ): Promise<RestartableServer> {
    return new RestartableServer(await freePort(), folder);
  }

  /** @param now ISO moment at which its clock stands, or from which it runs; else the machine's */
  async start(now?: string, clock: 'stands' | 'runs' = 'stands'): Promise<void> {
    const child = spawn('node', ['server/dist/main.mjs'], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: {
        ...process.env,
        SLATE_DATA: this.folder,
        PORT: String(this.port),
        ...this.environment,
        ...(now ? { SLATE_NOW: now, SLATE_NOW_RUNS: clock === 'runs' ? 'yes' : 'no' } : {}),
      },
    });
    this.child = child;
    this.said = '';
    child.stderr.on('data', (bytes: Buffer) => {
      this.said += bytes.toString();
      process.stderr.write(bytes);
    });
    // A drill or a bench that breaks off must not leave a server behind.
    const dropIt = () => child.kill('SIGKILL');
    process.once('exit', dropIt);
    child.once('exit', () => process.off('exit', dropIt));
    await new Promise<void>((resolve, reject) => {
      child.once('close', (code) => {
        reject(new Error(`The server ended with ${code ?? 'a signal'}`));
      });
      child.stdout.on('data', (bytes: Buffer) => {
        if (bytes.toString().includes('is at')) resolve();
      });
    });
  }

  get isRunning(): boolean {
    return this.child !== null && this.child.exitCode === null && this.child.signalCode === null;
  }

  /** Of the process that runs. */
  get pid(): number {
    return this.child?.pid ?? 0;
  }

  /** Takes its folder away. */
  remove(): void {
    fs.rmSync(this.folder, { recursive: true, force: true });
  }

  /** SIGKILL leaves it no time for anything, as when the power fails. */
  async end(signal: NodeJS.Signals): Promise<void> {
    const { child } = this;
    this.child = null;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    await new Promise((resolve) => {
      child.once('exit', resolve);
      child.kill(signal);
    });
  }
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => {
        resolve(port);
      });
    });
  });
}
