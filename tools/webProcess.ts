import { spawn, type ChildProcess } from "node:child_process";
import { createServer, type AddressInfo } from "node:net";
import { join } from "node:path";
import type { DatabaseUrls } from "../host/postgres";
import { ROOT } from "../host/state";

/** A port that nobody listens on. */
export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

/** A web process of its own on a database; killed without a word it starts again on the same port. */
export class WebProcess {
  private child: ChildProcess | null = null;
  address = "";

  /** The next free port is taken where the port asked for is not free. */
  constructor(
    private readonly urls: DatabaseUrls,
    private readonly port: number,
    private readonly nodeArgs: readonly string[] = [],
    private readonly own: { args?: readonly string[]; environment?: Record<string, string> } = {},
  ) {}

  get pid(): number {
    return this.child!.pid!;
  }

  /** Resolves when it answers. */
  async start(): Promise<void> {
    const child = spawn(
      process.execPath,
      [...this.nodeArgs, join(ROOT, ".build", "cli", "host.mjs"), "start", ...(this.own.args ?? [])],
      {
        cwd: ROOT,
        env: {
          ...process.env,
          ...{ HYPOPHON_ROOT: ROOT, HYPOPHON_PORT: String(this.port), HYPOPHON_LOG: "silent" },
          ...{ DATABASE_URL: this.urls.web, DATABASE_OWNER_URL: this.urls.owner },
          ...this.own.environment,
        },
        stdio: ["ignore", "pipe", "pipe"],
      },
    );
    this.child = child;
    let said = "";
    this.address = await new Promise<string>((resolve, reject) => {
      child.stdout.on("data", (text: Buffer) => {
        said += text.toString();
        const running = /running at (\S+)\n/.exec(said);
        if (running) resolve(running[1]!);
      });
      child.stderr.on("data", (text: Buffer) => (said += text.toString()));
      child.once("error", reject);
      child.once("exit", () => reject(new Error(`The web process ended: ${said.trim()}`)));
    });
    child.removeAllListeners("exit");
  }

  /** Ends it, without a word unless told otherwise. */
  async kill(signal: NodeJS.Signals = "SIGKILL"): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once("exit", resolve));
    child.kill(signal);
    await ended;
  }
}
