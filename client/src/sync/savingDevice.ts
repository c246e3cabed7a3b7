import { jobSchema, type SaveJob } from '@lintrel/core';
import { request } from '@/api/http';
import { newId } from '@/device/newId';
import { later, store } from './device';
import type { SavingDevice } from './saving';

/** What savers of this page use. */
export const savingDevice: SavingDevice = {
  store,
  put: (job: string, body: SaveJob) => request('PUT', `/jobs/${job}`, jobSchema, body),
  later,
  newId,
};
