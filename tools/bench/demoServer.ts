import { randomUUID } from "node:crypto";
import { localPostgres, WEB_ROLE } from "../../host/postgres";
import { TEST_STATE_DIR } from "../../host/state";
import { MIGRATIONS } from "../../host/databases";
import { webBuild } from "../../host/webBuild";
import { serveWeb } from "../../host/webServer";
import { migrateDatabase } from "../../db/migrate";

/** Does something with the program as it is built for use, with the demo shoot in a database of its own. */
export async function withDemo(run: (address: string, url: string) => Promise<void>): Promise<void> {
  const postgres = await localPostgres(TEST_STATE_DIR);
  const name = `bench_${randomUUID().slice(0, 8)}`;
  try {
    const urls = await postgres.freshDatabaseUrls(name);
    await migrateDatabase(urls.owner, MIGRATIONS, WEB_ROLE);
    const web = await serveWeb({ distDir: await webBuild(), databaseUrl: urls.web, preferredPort: 4580 });
    await fetch(`${web.address}/api/demo`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    });
    await run(web.address, urls.web);
    await web.close();
  } finally {
    await postgres.dropDatabase(name);
    await postgres.release();
  }
}
