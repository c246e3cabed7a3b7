// What is known of other processes, without touching them.
import { existsSync, readdirSync, readFileSync, readlinkSync, realpathSync } from 'node:fs';

const read = (path) => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return '';
  }
};

const linkOf = (path) => {
  try {
    return readlinkSync(path);
  } catch {
    return null;
  }
};

/** Words a process was started with, and the folder it works in; null where there is none, or it is not for us to know. */
export function processOf(pid) {
  if (!Number.isInteger(pid) || pid <= 0) return null;
  const words = read(`/proc/${pid}/cmdline`)
    .split('\0')
    .filter((word) => word !== '');
  return words.length > 0 ? { pid, words, folder: linkOf(`/proc/${pid}/cwd`) } : null;
}

/** The process that listens on a port; null if none, or unknown. */
export function whoListens(port) {
  const wanted = port.toString(16).toUpperCase().padStart(4, '0');
  const sockets = new Set(
    ['/proc/net/tcp', '/proc/net/tcp6'].flatMap((table) =>
      read(table)
        .split('\n')
        .map((line) => line.trim().split(/\s+/))
        .filter((fields) => fields[1]?.endsWith(`:${wanted}`) && fields[3] === '0A')
        .map((fields) => `socket:[${fields[9]}]`),
    ),
  );
  if (sockets.size === 0 || !existsSync('/proc')) return null;
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    let files = [];
    try {
      files = readdirSync(`/proc/${pid}/fd`);
    } catch {
      // Gone meanwhile, or owned by another user.
    }
    if (files.some((file) => sockets.has(linkOf(`/proc/${pid}/fd/${file}`)))) return processOf(Number(pid));
  }
  return null;
}

/**
 * The PostgreSQL server of a data folder, verified by its command and files: a pid in a file may be stale.
 * @param pid from the data folder's own file
 */
export function databaseIn(data, pid) {
  const found = processOf(pid);
  if (!found || found.folder !== realpathSync(data)) return null;
  return /^postgres/.test(read(`/proc/${pid}/comm`)) ? found : null;
}
