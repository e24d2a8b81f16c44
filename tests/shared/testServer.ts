import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { readCase } from "#shared/schemas/case";

/**
 * A server of the production build on a port and a database of its own; it can be stopped and started again on the same
 * data.
 */
export class TestServer {
  private child: ChildProcess | null = null;
  port = 0;
  /** what it said on its error output since it was started last */
  log = "";

  /** @param file  of its database; its own where none is given */
  constructor(readonly file = join(mkdtempSync(join(tmpdir(), "pasear-")), "cases.db")) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(settings: Record<string, string> = {}): Promise<void> {
    this.port ||= await freePort();
    this.log = "";
    this.child = spawn(process.execPath, [".output/server/index.mjs"], {
      env: {
        ...process.env,
        HOST: "127.0.0.1",
        PORT: String(this.port),
        DATABASE_URL: `file:${this.file}`,
        ...settings,
      },
      stdio: ["ignore", "ignore", "pipe"],
    });
    this.child.stderr!.on("data", (said: Buffer) => {
      this.log += said.toString();
    });
    for (let i = 0; i < 600; i++) {
      if ((await fetch(`${this.url}/api/ready`).catch(() => null))?.ok) return;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error("the server did not come up");
  }
  /** Asks it to stop, as an operating system does. @returns its exit code */
  async stop(): Promise<number | null> {
    const child = this.child!;
    const ended = new Promise<number | null>((resolve) => child.once("exit", resolve));
    child.kill("SIGTERM");
    const code = await ended;
    this.child = null;
    return code;
  }
  /** Memory it has now, in MB. */
  memory(): number {
    const status = readFileSync(`/proc/${this.child!.pid}/status`, "utf8");
    return Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024;
  }
  /** Ends it at once, as a crash would. */
  async kill(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((resolve) => child.once("exit", resolve));
    child.kill("SIGKILL");
    await ended;
    this.child = null;
  }
  async end(): Promise<void> {
    await this.kill();
    rmSync(dirname(this.file), { recursive: true, force: true });
  }

  async cases(): Promise<{ id: string; title: string; revision: number; summary: object | null }[]> {
    return (await fetch(`${this.url}/api/cases`)).json();
  }
  /** Keeps a new case. @returns its id */
  async make(document: object): Promise<string> {
    const made = await fetch(`${this.url}/api/cases`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ case: document }),
    });
    return ((await made.json()) as { id: string }).id;
  }
  async put(id: string, body: unknown): Promise<Response> {
    return fetch(`${this.url}/api/cases/${id}`, {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
  }
  async case(title: string): Promise<{ id: string; revision: number; case: Record<string, unknown> }> {
    const found = (await this.cases()).find((c) => c.title === title);
    if (!found) throw new Error(`no case ${title}`);
    const kept = await (await fetch(`${this.url}/api/cases/${found.id}`)).json();
    if (!readCase(kept.case).ok) throw new Error(`what is kept of ${title} is no case`);
    return kept;
  }
}

async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const s = createServer();
    s.listen(0, "127.0.0.1", () => {
      const { port } = s.address() as { port: number };
      s.close(() => resolve(port));
    });
  });
}
