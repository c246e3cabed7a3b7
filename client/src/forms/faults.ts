import { faultText } from '@lintrel/core';
import type { FieldPath, FieldValues, UseFormSetError } from 'react-hook-form';
import { RequestError } from '@/api/http';

/** Puts the server's faults at the fields they belong to; returns the message for those that have no field. */
export function placeFaults<V extends FieldValues>(
  error: Error,
  setError: UseFormSetError<V>,
  fields: readonly string[],
): string | null {
  if (!(error instanceof RequestError) || !error.body.fields) return error.message;
  const elsewhere = error.body.fields.filter(({ path }) => !fields.includes(path));
  for (const fault of error.body.fields)
    if (fields.includes(fault.path)) setError(fault.path as FieldPath<V>, { message: faultText(fault) });
  return elsewhere.length > 0 ? elsewhere.map(({ path, message }) => `${path}: ${message}`).join('; ') : null;
}
