import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type Logger, pino } from 'pino';
import type { DataSource } from 'typeorm';
import { seedDemo } from './demo.js';
import { createApp } from './http/app.js';
import { BuildStore } from './store/builds.js';
import { openDatabase } from './store/database.js';

export interface ServerOptions {
  readonly port: number;
  readonly host: string;
  readonly dataFolder: string;
  readonly webFolder?: string;
  readonly demo?: boolean;
  readonly log?: Logger;
}

export interface RunningServer {
  readonly url: string;
  /** Lets running requests end, then closes the database. */
  stop(): Promise<void>;
}

export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const log = options.log ?? pino({ level: process.env['POZZO_LOG'] ?? 'info' });
  const source: DataSource = await openDatabase(options.dataFolder);
  const store = new BuildStore(source);
  if (options.demo) await seedDemo(store);
  const app = createApp({ store, log, webFolder: options.webFolder });
  const server: Server = createServer(app);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(options.port, options.host, () => resolve());
  }).catch(async (error: unknown) => {
    await source.destroy();
    throw error;
  });
  const { port } = server.address() as AddressInfo;
  return {
    url: `http://${options.host.includes(':') ? `[${options.host}]` : options.host}:${port}`,
    stop: async () => {
      await new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 3000).unref();
      });
      await source.destroy();
    },
  };
}
