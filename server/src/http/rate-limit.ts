import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { ApiError } from '../errors/errors';

/**
 * Lets one address ask so often in a minute.
 * @param failedAlone counts only what was refused: whoever gets in has not guessed
 */
export const rateLimiter = (aMinute: number, says: string, failedAlone = false): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: aMinute,
    skipSuccessfulRequests: failedAlone,
    legacyHeaders: false,
    handler: (_request, _response, next) => next(new ApiError(429, 'busy', says)),
  });
