import type { Server } from 'node:http';
import type { Express } from 'express';

/** The address cannot be used, with one clear line that says why. */
export class ListenError extends Error {}

/** Longer than browsers and Node's fetch keep a connection, so that the client is the one who closes it: a
 *  request on a connection that the server closes at that moment would fail. */
const idleMs = 65_000;

/** Starts to listen; refuses with one clear line when the port is in use or not allowed. */
export function listen(app: Express, port: number, host: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = app.listen(port, host, (error?: Error) => {
      if (!error) {
        server.keepAliveTimeout = idleMs;
        resolve(server);
        return;
      }
      const code = (error as NodeJS.ErrnoException).code;
      const why =
        code === 'EADDRINUSE' ? 'is in use by another program' : `cannot be used (${error.message})`;
      reject(new ListenError(`Port ${port} ${why}. Give another one, as in PORT=${port + 1} npm start.`));
    });
  });
}
