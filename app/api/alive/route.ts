/** Whether this process answers, whatever its database does: one that does not is started anew. */
export const GET = () => Response.json({ alive: true }, { headers: { "cache-control": "no-store" } });
