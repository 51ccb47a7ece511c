import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { engineName } from './engine.js';
import { YardError } from './errors.js';
import { startServer } from './server.js';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
const set = (name: string): string | undefined => process.env[name]?.trim() || undefined;

function port(): number {
  const text = set('PORT') ?? '4080';
  const value = Number(text);
  if (!/^\d+$/.test(text) || !(value <= 65535)) {
    console.error(`PORT must be a whole number from 0 to 65535, not "${text}".`);
    process.exit(1);
  }
  return value;
}

try {
  const backups = set('POZZO_BACKUPS');
  const running = await startServer({
    port: port(),
    host: set('HOST') ?? '127.0.0.1',
    dataFolder: resolve(set('POZZO_DATA') ?? resolve(root, '.pozzo')),
    webFolder: resolve(root, 'web/dist/browser'),
    demo: process.env['POZZO_DEMO'] === '1',
    worker: new URL('./work/worker.js', import.meta.url),
    engine: engineName(dirname(fileURLToPath(import.meta.resolve('@pozzo/core')))),
    hosts: (set('POZZO_HOSTS') ?? '')
      .split(',')
      .map((h) => h.trim())
      .filter(Boolean),
    backupFolder: backups ? resolve(backups) : undefined,
  });
  console.log(`Pozzo is at ${running.url}`);
  const stop = (): void => {
    void running.stop().then(() => process.exit(0));
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
} catch (error) {
  const code = (error as { code?: string }).code;
  console.error(
    code === 'EADDRINUSE'
      ? `Port ${set('PORT') ?? 4080} is taken. Stop what uses it, or set PORT to another number.`
      : error instanceof YardError
        ? error.message
        : `Pozzo could not start: ${(error as Error).message}`,
  );
  process.exit(1);
}
