import { chmodSync, existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

const FILE = 0o600;
const FOLDER = 0o700;
/** What of a data folder is Kibble's own: its file with what SQLite lays beside it, its log, its lock. */
const OWN = /^kibble\.(sqlite|lock|owner)|kibble\.log/;
const FOLDERS = ['copies', 'incoming', 'sharing', 'program', 'three-poplars'];

/** What cannot be closed to others (a disk that knows no rights, a folder that is somebody else's) keeps nobody from the garden. */
function own(path: string, mode: number): void {
  if ((statSync(path).mode & 0o777) === mode) return;
  try {
    chmodSync(path, mode);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code !== 'EPERM' && code !== 'ENOTSUP' && code !== 'EROFS') throw error;
  }
}

function folder(path: string): void {
  if (!existsSync(path)) return;
  own(path, FOLDER);
  for (const name of readdirSync(path)) {
    const at = join(path, name);
    if (statSync(at).isDirectory()) folder(at);
    else own(at, FILE);
  }
}

/**
 * Makes a data folder readable by its owner alone: what is there already, from before this was so, and what is laid
 * there from now on. Other files that lie in the folder are left as they are.
 */
export function ownerOnly(path: string): void {
  process.umask(0o077);
  own(path, FOLDER);
  for (const name of readdirSync(path)) if (OWN.test(name)) own(join(path, name), FILE);
  for (const name of FOLDERS) folder(join(path, name));
}
