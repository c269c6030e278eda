import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname ?? '.', '..');

/** The built server on a data folder of its own, which a test can stop and start again. */
export class TestServer {
  readonly port: number;
  readonly seeded: boolean;
  readonly data = mkdtempSync(join(tmpdir(), 'inner-rung-e2e-'));
  #child: ChildProcess | undefined;

  /** `seeded` with the demo's class, or empty as on a trainer's first day. */
  constructor(port: number, seeded = true) {
    this.port = port;
    this.seeded = seeded;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const child = spawn(
      process.execPath,
      [
        join(root, 'server/dist/main.mjs'),
        ...['--data', this.data, '--port', String(this.port)],
        ...(this.seeded ? ['--seed', join(root, 'demo/dist/scenario.mjs')] : []),
      ],
      { env: { ...process.env, INNER_RUNG_ROOT: root }, stdio: ['ignore', 'pipe', 'inherit'] },
    );
    this.#child = child;
    await new Promise<void>((ready, failed) => {
      child.stdout?.on('data', (text: Buffer) => String(text).includes('http://') && ready());
      child.on('exit', (code) => failed(new Error(`the server ended with ${code}`)));
    });
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill(signal);
    await gone;
  }
}
