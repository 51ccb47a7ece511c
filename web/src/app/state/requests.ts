import { Injectable } from '@angular/core';
import { newId } from './new-id';

/** Most saves without an answer that are named; the server takes no more. */
const MOST = 50;

/**
 * Names of saves: one a state of a document, the same however often it is sent, and those sent since the last answer.
 */
@Injectable({ providedIn: 'root' })
export class Requests {
  private readonly names = new Map<string, { revision: number; name: string }>();
  private readonly sent = new Map<string, string[]>();

  /** Name of the save of this state of a build. */
  of(id: string, revision: number): string {
    const known = this.names.get(id);
    if (known?.revision === revision) return known.name;
    const name = newId();
    this.names.set(id, { revision, name });
    return name;
  }
  /** A state that already has a name (kept from before). */
  name(id: string, revision: number, name: string, unanswered: readonly string[]): void {
    this.names.set(id, { revision, name });
    this.sent.set(id, [...unanswered].slice(-MOST));
  }
  /** Saves sent and not answered, but for this one. */
  unanswered(id: string, but: string): readonly string[] {
    return (this.sent.get(id) ?? []).filter((n) => n !== but);
  }
  sending(id: string, name: string): void {
    this.sent.set(id, [...this.unanswered(id, name), name].slice(-MOST));
  }
  answered(id: string): void {
    this.sent.delete(id);
  }
}
