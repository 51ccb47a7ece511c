import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';

/** What happens to what goes over the line. */
export type Mood = 'well' | 'loses-asks' | 'loses-answers' | 'slow' | 'cut';

/** Stands between pages and a server, and loses, delays or cuts what goes over it. */
export class UnsteadyLine {
  mood: Mood = 'well';
  private readonly server: Server;
  private count = 0;

  /** @param to address of the server, which may come and go */
  constructor(private readonly to: () => string) {
    this.server = createServer((ask, answer) => {
      void (async () => {
        const { mood } = this;
        const every = ++this.count;
        const api = ask.url!.startsWith('/api/');
        if (mood === 'cut' || (mood === 'loses-asks' && api && every % 2)) return void ask.socket.destroy();
        // Slow ones are overtaken: of three, each waits for another time.
        if (mood === 'slow' && api) await sleep([900, 50, 400][every % 3]);
        const on = request(`${this.to()}${ask.url}`, { method: ask.method, headers: ask.headers }, (back) => {
          if (mood === 'loses-answers' && api && every % 2) return void ask.socket.destroy();
          answer.writeHead(back.statusCode!, back.headers);
          back.pipe(answer);
        });
        on.on('error', () => ask.socket.destroy());
        ask.pipe(on);
      })();
    });
  }

  async open(): Promise<string> {
    await new Promise<void>((done) => this.server.listen(0, '127.0.0.1', done));
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }
  async close(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((done) => this.server.close(done));
  }
}
