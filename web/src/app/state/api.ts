import { Injectable } from '@angular/core';
import type { RigDocument } from '@pozzo/core';
import type { BuildSummary } from './builds.feature';
import type { StoredBuild } from './document.feature';

/** The server said no. `status` 0 means that it could not be reached. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly body: Record<string, unknown> = {},
  ) {
    super(message);
  }

  get offline(): boolean {
    return this.status === 0 || this.status >= 502;
  }
}

/** The server's builds. Thin: one method a route. */
@Injectable({ providedIn: 'root' })
export class Api {
  list(): Promise<{ builds: BuildSummary[] }> {
    return this.call('GET', '/builds');
  }
  get(id: string): Promise<StoredBuild> {
    return this.call('GET', `/builds/${encodeURIComponent(id)}`);
  }
  add(id: string, document: RigDocument): Promise<StoredBuild> {
    return this.call('POST', '/builds', { id, document });
  }
  save(id: string, version: number, document: RigDocument): Promise<{ version: number; updatedAt: string }> {
    return this.call('PUT', `/builds/${encodeURIComponent(id)}`, { version, document });
  }
  remove(id: string): Promise<void> {
    return this.call('DELETE', `/builds/${encodeURIComponent(id)}`);
  }
  restore(id: string): Promise<StoredBuild> {
    return this.call('POST', `/builds/${encodeURIComponent(id)}/restore`, {});
  }

  private async call<T>(method: string, path: string, body?: unknown): Promise<T> {
    let response: Response;
    try {
      response = await fetch(`/api/v1${path}`, {
        method,
        headers: body === undefined ? {} : { 'content-type': 'application/json' },
        body: body === undefined ? undefined : JSON.stringify(body),
      });
    } catch {
      throw new ApiError(0, 'The server is away.');
    }
    if (response.status === 204) return undefined as T;
    const data = (await response.json().catch(() => ({}))) as Record<string, unknown>;
    if (!response.ok) {
      const error = data['error'] as { message?: string } | undefined;
      throw new ApiError(response.status, error?.message ?? `The server answered ${response.status}.`, data);
    }
    return data as T;
  }
}
