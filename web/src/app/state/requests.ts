import { Injectable } from '@angular/core';
import { newId } from './new-id';
import type { RecordKey } from './outbox';

/** Most saves without an answer that are named; the server takes no more. */
const MOST = 50;

const keyOf = ({ kind, id }: RecordKey): string => `${kind}/${id}`;

/**
 * Names of saves: one a state of a document, the same however often it is sent, and those sent since the last answer.
 */
@Injectable({ providedIn: 'root' })
export class Requests {
  private readonly names = new Map<string, { revision: number; name: string }>();
  private readonly sent = new Map<string, string[]>();

  /** Name of the save of this state of a record. */
  of(of: RecordKey, revision: number): string {
    const known = this.names.get(keyOf(of));
    if (known?.revision === revision) return known.name;
    const name = newId();
    this.names.set(keyOf(of), { revision, name });
    return name;
  }
  /** A state that already has a name (kept from before). */
  name(of: RecordKey, revision: number, name: string, unanswered: readonly string[]): void {
    this.names.set(keyOf(of), { revision, name });
    this.sent.set(keyOf(of), [...unanswered].slice(-MOST));
  }
  /** Saves sent and not answered, but for this one. */
  unanswered(of: RecordKey, but: string): readonly string[] {
    return (this.sent.get(keyOf(of)) ?? []).filter((n) => n !== but);
  }
  sending(of: RecordKey, name: string): void {
    this.sent.set(keyOf(of), [...this.unanswered(of, name), name].slice(-MOST));
  }
  answered(of: RecordKey): void {
    this.sent.delete(keyOf(of));
  }
}
