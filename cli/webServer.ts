import { createServer, type Server } from "node:http";
import { writeNextSettings } from "./nextSettings";
import { ROOT } from "./state";

const PREFERRED_PORT = 4180;

function listen(server: Server, port: number): Promise<boolean> {
  return new Promise((resolve, reject) => {
    const refused = (error: NodeJS.ErrnoException) => {
      server.removeListener("listening", accepted);
      if (error.code === "EADDRINUSE" || error.code === "EACCES") resolve(false);
      else reject(error);
    };
    const accepted = () => {
      server.removeListener("error", refused);
      resolve(true);
    };
    server.once("error", refused);
    server.once("listening", accepted);
    server.listen(port, "127.0.0.1");
  });
}

export interface WebServer {
  address: string;
  close(): Promise<void>;
}

/** Serves the web application on loopback in this process, on the preferred port or the next free one. */
export async function serveWeb(options: {
  distDir: string;
  databaseUrl: string;
  isDevelopment?: boolean;
  preferredPort?: number;
}): Promise<WebServer> {
  process.env["HYPOPHON_DIST"] = options.distDir;
  process.env["DATABASE_URL"] = options.databaseUrl;
  Object.assign(process.env, { NODE_ENV: options.isDevelopment ? "development" : "production" });
  process.chdir(ROOT);
  if (options.isDevelopment) writeNextSettings();
  const server = createServer();
  const first = options.preferredPort ?? PREFERRED_PORT;
  let port = first;
  while (!(await listen(server, port))) {
    port += 1;
    if (port > first + 200) throw new Error(`No free port between ${first} and ${port}.`);
  }
  const { default: next } = await import("next");
  const application = next({
    dev: options.isDevelopment ?? false,
    dir: ROOT,
    hostname: "127.0.0.1",
    port,
    httpServer: server,
  });
  const handle = application.getRequestHandler();
  server.on("request", (request, response) => void handle(request, response));
  await application.prepare();
  return {
    address: `http://127.0.0.1:${port}`,
    close: () =>
      new Promise((resolve) => {
        server.closeAllConnections();
        server.close(() => resolve());
      }),
  };
}
