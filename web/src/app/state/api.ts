import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Backups, BuildPage, Documents, KindName, Revised, Revisions, Saved, Stored } from '@pozzo/core';
import { BackupsShape, BuildPageShape, ErrorShape, KINDS, pathOf, revisionShape, RevisionsShape, SavedShape, storedShape } from '@pozzo/core/page';
import { firstValueFrom, timeout } from 'rxjs';
import * as v from 'valibot';

/** Longest that an answer is waited for, ms. */
const PATIENCE_MS = 15_000;
const BACKUP_PATIENCE_MS = 600_000;

/** The server said no, or something that is not the server answered. `status` 0 means that it could not be reached. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly code = '',
    readonly body: Record<string, unknown> = {},
  ) {
    super(message);
  }

  /** It may well work later, just as it is: away, busy, full, or another program on the port. */
  get passing(): boolean {
    return this.status === 0 || this.status === 429 || this.status >= 502 || this.code === 'not-ours';
  }
  /** The server is ours and has something to say about why it cannot now. */
  get told(): boolean {
    return this.passing && this.status !== 0 && this.code !== 'not-ours';
  }
}

const NOT_OURS = 'What answers at this address is not Pozzo. Is another program on its port?';

/** A refusal, or an answer that did not come, as our error. */
export function asApiError(error: unknown): ApiError {
  if (error instanceof ApiError) return error;
  if (!(error instanceof HttpErrorResponse)) return new ApiError(0, 'The server does not answer.');
  if (error.status === 0) return new ApiError(0, 'The server is away.');
  const body: unknown = error.error;
  if (!v.is(ErrorShape, body)) return new ApiError(error.status, NOT_OURS, 'not-ours');
  return new ApiError(error.status, body.error.message, body.error.code, body);
}

/** Who does it, as typed on this device. */
export interface Whose {
  readonly by?: string;
}
/** What may stand with a save: its own name, and the saves before it that were never answered. */
export interface Sending extends Whose {
  readonly request: string;
  readonly unanswered: readonly string[];
}

/** Where a record is asked for. */
export const recordPath = (kind: KindName, id: string): string => `/${pathOf(kind)}/${encodeURIComponent(id)}`;
const shapeOf = <K extends KindName>(kind: K): v.GenericSchema<unknown, Documents[K]> => KINDS[kind].shape;

/** The server's records. Thin: one method a route; every answer is held to its shape. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  /** A page of the yard. */
  page(asked: { from: number; count: number; find?: string; deleted?: boolean }): Promise<BuildPage> {
    const q = new URLSearchParams({ from: String(asked.from), count: String(asked.count), find: asked.find ?? '', deleted: asked.deleted ? '1' : '0' });
    return this.call('GET', `/${KINDS.build.path}?${q.toString()}`, BuildPageShape);
  }
  get<K extends KindName>(kind: K, id: string): Promise<Stored<Documents[K]>> {
    return this.call('GET', recordPath(kind, id), storedShape(shapeOf(kind)));
  }
  add<K extends KindName>(kind: K, id: string, document: Documents[K], { by }: Whose = {}): Promise<Stored<Documents[K]>> {
    return this.call('POST', `/${pathOf(kind)}`, storedShape(shapeOf(kind)), { id, request: id, document, by });
  }
  save<K extends KindName>(kind: K, id: string, version: number, document: Documents[K], sending?: Sending): Promise<Saved> {
    return this.call('PUT', recordPath(kind, id), SavedShape, { version, document, ...sending });
  }
  async remove(kind: KindName, id: string, { by }: Whose = {}): Promise<void> {
    await this.call('DELETE', `${recordPath(kind, id)}${by ? `?by=${encodeURIComponent(by)}` : ''}`, v.null());
  }
  restore<K extends KindName>(kind: K, id: string, { by }: Whose = {}): Promise<Stored<Documents[K]>> {
    return this.call('POST', `${recordPath(kind, id)}/restore`, storedShape(shapeOf(kind)), { by });
  }
  revisions(kind: KindName, id: string, before?: number): Promise<Revisions> {
    return this.call('GET', `${recordPath(kind, id)}/revisions${before === undefined ? '' : `?before=${before}`}`, RevisionsShape);
  }
  revision<K extends KindName>(kind: K, id: string, version: number): Promise<Revised<Documents[K]>> {
    return this.call('GET', `${recordPath(kind, id)}/revisions/${version}`, revisionShape(shapeOf(kind)));
  }
  backups(): Promise<Backups> {
    return this.call('GET', '/backups', BackupsShape);
  }
  backUp(): Promise<{ builds: number; bytes: number }> {
    return this.call('POST', '/backups', v.object({ builds: v.number(), bytes: v.number() }), {}, BACKUP_PATIENCE_MS);
  }

  private async call<T extends v.GenericSchema>(method: string, path: string, shape: T, body?: object, patience = PATIENCE_MS): Promise<v.InferOutput<T>> {
    let data: unknown;
    try {
      data = await firstValueFrom(this.http.request<unknown>(method, `/api/v1${path}`, { body }).pipe(timeout(patience)));
    } catch (error) {
      throw asApiError(error);
    }
    const read = v.safeParse(shape, data ?? null);
    if (!read.success) throw new ApiError(200, NOT_OURS, 'not-ours');
    return read.output;
  }
}
