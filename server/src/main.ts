import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { startServer } from './server.js';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');

function port(): number {
  const text = process.env['PORT'] ?? '4080';
  const value = Number(text);
  if (!Number.isInteger(value) || value < 0 || value > 65535) {
    console.error(`PORT must be a whole number from 0 to 65535, not "${text}".`);
    process.exit(1);
  }
  return value;
}

try {
  const running = await startServer({
    port: port(),
    host: process.env['HOST'] ?? '127.0.0.1',
    dataFolder: resolve(process.env['POZZO_DATA'] ?? resolve(root, '.pozzo')),
    webFolder: resolve(root, 'web/dist/browser'),
    demo: process.env['POZZO_DEMO'] === '1',
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
      ? `Port ${process.env['PORT'] ?? 4080} is taken. Stop what uses it, or set PORT to another number.`
      : `Pozzo could not start: ${(error as Error).message}`,
  );
  process.exit(1);
}
