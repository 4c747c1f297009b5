import { spawn, type ChildProcess } from 'node:child_process';

/** A server besides the one that all journeys share, on a database file and a port of its own. */
export class OwnServer {
  private child: ChildProcess | null = null;
  readonly address: string;

  constructor(
    private readonly port: number,
    private readonly file: string,
  ) {
    this.address = `http://127.0.0.1:${port}`;
  }

  start(): void {
    this.child = spawn(process.execPath, ['dist/serve.cjs'], {
      env: { ...process.env, PORT: String(this.port), TINWHEEL_DB: this.file, NEXT_TELEMETRY_DISABLED: '1' },
      stdio: 'ignore',
    });
  }

  /** Until it answers at all, or only with success where that is asked for. */
  async answers(ok = true): Promise<void> {
    for (let i = 0; i < 200; i++) {
      if (
        await fetch(`${this.address}/api/trains`).then(
          (response) => response.ok || !ok,
          () => false,
        )
      )
        return;
      await new Promise((done) => setTimeout(done, 100));
    }
    throw new Error('The server does not answer.');
  }

  /** Ends it, and waits until it is gone. */
  async end(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    child.kill(signal);
    await gone;
  }
}
