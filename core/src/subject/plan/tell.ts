import type { Standing } from '../../deck/index.js';
import type { Message } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';
import type { PlanCode } from './kinds.js';

/** Says what is wrong with a thing on the deck, and what other thing it is about. */
export type Tell = (code: PlanCode, verdict: Verdict, t: Standing, m: Message, also?: Standing) => void;
