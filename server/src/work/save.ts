import { checkAgainst, type Checked, designFaults, finishReferences, saveJobSchema } from '@lintrel/core';
import type { CheckedSave } from '../db/jobs';
import { jsonFrom, type JsonRead } from './json';

/** Reads and checks a save as it was sent. */
export function checkedSave(bytes: Uint8Array): Checked<CheckedSave> | Extract<JsonRead, { ok: false }> {
  const json = jsonFrom(bytes);
  if (!json.ok) return json;
  const checked = checkAgainst(saveJobSchema, json.value);
  if (!checked.ok) return checked;
  const { revision, save = null, design } = checked.value;
  const faults = designFaults(design, null, ['design']);
  if (faults.length > 0) return { ok: false, faults };
  return {
    ok: true,
    value: {
      revision,
      save,
      title: design.title,
      kind: design.kind,
      design: JSON.stringify(design),
      finishes: finishReferences(design),
    },
  };
}

/** The save as JSON, as it was sent. */
export const saveText = ({ revision, save, design }: CheckedSave): string =>
  `{"revision":${revision},${save === null ? '' : `"save":${JSON.stringify(save)},`}"design":${design}}`;
