import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { ApiError, type Refusal } from '../errors/errors';

/**
 * Rate limit per minute and address.
 * @param failedAlone counts only refused requests: a successful one was no guess
 */
export const rateLimiter = (aMinute: number, refusal: Refusal, failedAlone = false): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: aMinute,
    skipSuccessfulRequests: failedAlone,
    legacyHeaders: false,
    handler: (_request, _response, next) => next(new ApiError(429, 'busy', refusal)),
  });
