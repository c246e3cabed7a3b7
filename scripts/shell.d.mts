import type { ChildProcess, SpawnOptions } from 'node:child_process';

export function endGroup(child: ChildProcess): void;
export function start(
  command: string,
  args: readonly string[],
  options?: SpawnOptions & { readonly group?: boolean },
): { readonly child: ChildProcess; readonly ended: Promise<number> };
