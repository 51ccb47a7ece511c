import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { AppError } from '../errors.js';

/** Writes and sums in a minute that no person reaches: twenty a second, all the time. */
export const MOST_A_MINUTE = 1200;

/** Refuses more than so many requests a minute with 429 and when to come back. Reads of the yard are not counted. */
export function atMost(aMinute: number): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: aMinute,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // One person, one machine: all of it together.
    keyGenerator: () => 'all',
    skip: (request) => request.method === 'GET' || request.method === 'HEAD',
    handler: (_request, _response, next) =>
      next(new AppError(429, 'too-many', '', `≤ ${aMinute} a minute`, 'Too many requests in a minute. Wait a little.', 10)),
  });
}
