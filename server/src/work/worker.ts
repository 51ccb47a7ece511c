import { parentPort } from 'node:worker_threads';
import { type JobName, JOBS } from './jobs.js';

const port = parentPort!;

async function work(id: number, name: JobName, ask: unknown): Promise<void> {
  try {
    const value: unknown = await JOBS[name](ask as never);
    port.postMessage({ id, value });
  } catch (error) {
    const e = error instanceof Error ? error : new Error(String(error));
    port.postMessage({ id, failed: { kind: e.name, message: e.message, stack: e.stack ?? '' } });
  }
}

/** One job after another, as they are sent; a job that throws is told, and the next goes on. */
port.on('message', ({ id, name, ask }: { id: number; name: JobName; ask: unknown }) => void work(id, name, ask));
