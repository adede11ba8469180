import { createServer, request as ask } from "node:http";
import type { AddressInfo } from "node:net";

/** Hands each request to the next of several web processes, as any balancer does; keeps nobody at one of them. */
export async function balancerOf(targets: readonly string[]): Promise<{ address: string; close: () => void }> {
  let turn = 0;
  const server = createServer((incoming, outgoing) => {
    const { hostname, port } = new URL(targets[(turn += 1) % targets.length]!);
    const { url: path, method, headers } = incoming;
    const passed = ask({ hostname, port, path, method, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(outgoing);
    });
    passed.on("error", () => outgoing.destroy());
    outgoing.on("close", () => passed.destroy());
    incoming.pipe(passed);
  });
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}
