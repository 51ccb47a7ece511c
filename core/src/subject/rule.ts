import type { Assessment } from './assessment.js';
import type { Rig, RigDocument } from '../rig/schema.js';
import type { Message } from '../working/figure.js';
import type { Finding } from './finding.js';

/** A change worth trying: told in words, done on a draft of the document. */
export interface Candidate {
  readonly id: string;
  /** Words alone, or a sentence with figures that are told in the reader's units. */
  readonly title: string | Message;
  readonly change: (draft: RigDocument) => void;
  /** It bears on how much is carried: how many days go short is told with it. */
  readonly days?: boolean;
}

export type Rule = (finding: Finding, rig: Rig, doc: RigDocument, now: Assessment) => Candidate[];
