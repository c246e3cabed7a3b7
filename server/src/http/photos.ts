import { MAX_PHOTO_BYTES, MAX_PHOTOS, message, messageWithoutValues } from '@lintrel/core';
import { lockJob } from '../db/locks';
import { findPhoto, insertPhoto } from '../db/photos';
import { inTransaction } from '../db/pool';
import { ApiError, notFound } from '../errors/errors';
import { knownId } from './jobs';
import { type Route, route } from './route';
import { uuidOf } from './validate';

/** How every JPEG begins. */
const JPEG = Buffer.from([0xff, 0xd8, 0xff]);

/** A cached copy is revalidated: permissions may have changed, but it need not be sent again. */
const KEPT_FOR = 'private, no-cache';

/** /api/jobs/:id/photos: what the entries of a log show. Sent before its entry, by an id the phone has given. */
export const photoRoutes: readonly Route[] = [
  route({
    method: 'PUT',
    path: '/jobs/:id/photos/:photo',
    right: 'run',
    reads: 'bytes',
    maxBytes: MAX_PHOTO_BYTES,
    answer: 'nothing',
    async work({ db: pool, params, request: { body } }) {
      const [id, photo] = [await knownId(pool, params.id), uuidOf(params.photo, 'photo')];
      const bytes: Buffer = Buffer.isBuffer(body) ? body : Buffer.alloc(0);
      if (!bytes.subarray(0, JPEG.length).equals(JPEG))
        throw new ApiError(415, 'no-photo', messageWithoutValues('server.no-jpeg'));
      const became = await inTransaction(pool, async (db) => {
        await lockJob(db, id);
        return insertPhoto(db, id, photo, bytes);
      });
      if (became === 'too-many')
        throw new ApiError(422, 'too-many', message('server.too-many-photos', { max: MAX_PHOTOS }));
      if (became === 'other') throw new ApiError(409, 'conflict', messageWithoutValues('server.other-photo'));
    },
  }),
  route({
    method: 'GET',
    path: '/jobs/:id/photos/:photo',
    right: 'look',
    answer: 'own',
    async work({ db, params, response }) {
      const bytes = await findPhoto(db, await knownId(db, params.id), uuidOf(params.photo, 'photo'));
      if (!bytes) throw notFound('photo');
      response
        .type('image/jpeg')
        .set({ 'Cache-Control': KEPT_FOR, ETag: `"${params.photo}"` })
        .send(bytes);
    },
  }),
];
