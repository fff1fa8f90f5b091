import { GivenUp } from '@kibble/contract';
import { FileGone, Readings, type ReadAs, type Understood } from './readings.ts';

/** What the thread is asked. */
export type FileTask =
  | { do: 'take'; id: string; bytes: Uint8Array; as: ReadAs; progress: Int32Array }
  | { do: 'read'; id: string; as: ReadAs; progress: Int32Array }
  | { do: 'days'; id: string; from: number; count: number }
  | { do: 'forget'; id: string };
/** What it answers; that a file is gone or was given up crosses as plain data. */
export type FileDone = { understood: Understood } | { days: string } | { none: 'gone' | 'given up' } | null;

const readings = new Readings();

/** One task of the thread that reads files of weather, and keeps what it read between tasks. */
export default function filesThread(task: FileTask): FileDone {
  try {
    switch (task.do) {
      case 'take':
        return { understood: readings.take(task.id, task.bytes, task.as, task.progress) };
      case 'read':
        return { understood: readings.read(task.id, task.as, task.progress) };
      case 'days':
        return { days: readings.days(task.id, task.from, task.count) };
      case 'forget':
        readings.forget(task.id);
        return null;
    }
  } catch (error) {
    if (error instanceof FileGone) return { none: 'gone' };
    if (error instanceof GivenUp) return { none: 'given up' };
    throw error;
  }
}
