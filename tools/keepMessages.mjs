/**
 * Loaded first in a test's process: messages that come while its modules are still loading are handed to whoever listens later.
 * When one of two processes asks the light runner for its settings, the other is sent them as well, and never again: a process
 * that was not listening yet would wait for them for ever.
 */
if (process.send && process.env.TINYPOOL_WORKER_ID) {
  const early = [];
  const keep = (message) => early.push(message);
  process.on("newListener", (event, listener) => {
    if (event === "message" && listener !== keep)
      for (const message of early) setImmediate(() => listener.call(process, message));
  });
  process.on("message", keep);
}
