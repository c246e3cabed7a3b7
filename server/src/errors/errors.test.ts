import { message } from '@lintrel/core';
import { ApiError, invalid, notFound, toApiError } from './errors';

it.each([
  [{ code: '22P05' }, 422, 'invalid'],
  [{ code: '23503' }, 409, 'conflict'],
  [{ code: '57P01' }, 503, 'database'],
  [{ code: '08006' }, 503, 'database'],
  [{ code: 'ECONNREFUSED' }, 503, 'database'],
  [new Error('timeout exceeded when trying to connect'), 503, 'database'],
  [{ type: 'entity.too.large', status: 413 }, 413, 'too-large'],
  [{ type: 'entity.parse.failed', status: 400 }, 400, 'not-json'],
  [{ status: 418 }, 418, 'bad-request'],
  [{ status: 503 }, 500, 'internal'],
  [new TypeError('x is undefined'), 500, 'internal'],
  ['a text that was thrown', 500, 'internal'],
  [null, 500, 'internal'],
])('%j becomes %d %s', (error, status, code) => expect(toApiError(error)).toMatchObject({ status, code }));

it('never tells what went wrong inside', () =>
  expect(toApiError(new Error('password=hunter2')).message).not.toMatch(/hunter2/));
it('passes its own refusals on', () => {
  const error = new ApiError(409, 'in-use', message('server.finish-in-use', { jobs: ['Juniper'] }));
  expect(toApiError(error)).toBe(error);
});
it('says one fault in full and counts several', () => {
  expect(invalid([{ path: 'a', code: 'field.missing', values: {} }]).message).toBe('a: is missing');
  expect(
    invalid([
      { path: 'a', code: 'field.missing', values: {} },
      { path: 'b', code: 'field.unknown', values: {} },
    ]),
  ).toMatchObject({
    message: '2 values need correcting.',
    details: {
      fields: [
        { path: 'a', message: 'is missing' },
        { path: 'b', code: 'field.unknown' },
      ],
    },
  });
  expect(notFound('job')).toMatchObject({ status: 404, message: 'There is no such job.' });
});
