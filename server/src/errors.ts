import type { Problem } from '@pozzo/core';

/** Why the server refuses, besides what is wrong with a document by itself. */
export type RefusalCode =
  | 'busy'
  | 'content-type'
  | 'damaged'
  | 'deep'
  | 'disk-full'
  | 'encoding'
  | 'folder-gone'
  | 'foreign'
  | 'host'
  | 'internal'
  | 'json'
  | 'locked'
  | 'log-cut'
  | 'no-backup'
  | 'path'
  | 'request'
  | 'stale'
  | 'stopping'
  | 'storage'
  | 'too-large'
  | 'too-long'
  | 'too-many'
  | 'twice'
  | 'type'
  | 'unknown';

/** What goes out with a refusal; a clash brings both documents besides. */
export interface RefusalBody {
  readonly error: Problem;
  readonly problems?: readonly Problem[];
  readonly [beside: string]: unknown;
}

/** Base of every error that the server answers with. */
export class AppError extends Error {
  constructor(
    readonly status: number,
    readonly code: RefusalCode,
    readonly path: string,
    readonly bound: string,
    message: string,
    /** When to try again, s; told in the answer's head. */
    readonly retryAfterS?: number,
  ) {
    super(message);
    this.name = new.target.name;
  }

  body(): RefusalBody {
    return { error: { code: this.code, path: this.path, bound: this.bound, message: this.message } };
  }
}

/** What came in does not hold: every problem is told, the first one as the error itself, by that problem's own code. */
export class InvalidError extends AppError {
  constructor(
    readonly problems: readonly Problem[],
    prefix = '',
  ) {
    const first = problems[0];
    super(400, first.code as RefusalCode, [prefix, first.path].filter(Boolean).join('.'), first.bound, first.message);
  }

  override body(): RefusalBody {
    return { ...super.body(), problems: this.problems };
  }
}

/** The yard cannot be opened or kept as it stands: a sentence for the person, with what can be done. */
export class YardError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'YardError';
  }
}
