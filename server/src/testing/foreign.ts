import { spawnSync } from 'node:child_process';

/** Another program with a SQLite of its own: Python's, which the database's build needs anyway. Throws where it is missing. */
function python(script: string, ...args: string[]): string {
  const done = spawnSync('python3', ['-c', script, ...args], { encoding: 'utf8' });
  if (done.status !== 0) throw new Error(`python3 did not do it: ${done.error?.message ?? done.stderr}`);
  return done.stdout.trim();
}

/** Opens a database as anybody's program would, reads a line and closes it. @returns the version of its SQLite */
export const readAndClose = (file: string): string =>
  python(
    `import sqlite3, sys
c = sqlite3.connect(sys.argv[1])
c.execute('SELECT count(*) FROM build').fetchone()
c.close()
print(sqlite3.sqlite_version)`,
    file,
  );

/**
 * Who holds a database open, as the operating system knows it: the shared bytes that SQLite locks (its `os_unix.c`: 510 bytes
 * behind 1 GiB and two), asked of the kernel by another process.
 */
export const holderOfLocks = (file: string): number =>
  Number(
    python(
      `import fcntl, struct, sys
f = open(sys.argv[1], 'r+b')
kind, _, _, _, pid = struct.unpack('hhqqi4x', fcntl.fcntl(f, fcntl.F_GETLK, struct.pack('hhqqi4x', fcntl.F_WRLCK, 0, (1 << 30) + 2, 510, 0)))
print(0 if kind == fcntl.F_UNLCK else pid)`,
      file,
    ),
  );

/** Copies what stands on the disk, from outside: a kill leaves just that. */
export function asAfterKill(folder: string, to: string): void {
  const done = spawnSync('cp', ['-r', folder, to]);
  if (done.status !== 0) throw new Error(String(done.stderr));
}
