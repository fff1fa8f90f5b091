import type { LeaveView, TaskView } from '@kibble/contract';
import type { BedTask } from '@kibble/core';
import { useState } from 'react';
import { TREE_TASK_SHORT } from '../../words/treeWords.ts';
import { leaveHead } from '../../words/words.ts';
import { TaskList } from '../../ui/TaskList.tsx';
import { LeaveList } from './LeaveList.tsx';

/** Tasks by what is to be done, a few words each. */
const SHORT: Readonly<Record<BedTask['code'], string>> = {
  'are all standing': 'Are all standing?',
  'are they up': 'Have the seedlings come up?',
  'put the mulch back': 'Put the mulch back',
  'look at the mulch': 'Look at the mulch',
  'mulch before the heat': 'Mulch before the heat',
  'shade before the heat': 'Shade before the heat',
  'soak before the heat': 'Go into the heat full',
  'rinse against mites': 'Rinse the leaves',
  'rinse dust': 'Rinse off dust',
  'wet bodies': 'Keep the bodies of succulents dry',
  'do the spots join': 'Do the spots join?',
  'a little every day': 'A little every day',
  'probe it now': 'Probe it now',
  'has it begun': 'Has it begun?',
  ...TREE_TASK_SHORT,
};

function grouped(tasks: readonly TaskView[]): [string, string[]][] {
  const groups = new Map<string, string[]>();
  for (const { task, bedName } of tasks) {
    const words = SHORT[task.code];
    groups.set(words, [...(groups.get(words) ?? []), bedName]);
  }
  return [...groups];
}

/** What else there is: beds that are left alone with the days they have in hand, and tasks, each a line that opens. */
export function Besides({ leave, tasks }: { leave: LeaveView[]; tasks: TaskView[] }) {
  const [open, setOpen] = useState<'leave' | 'tasks' | null>(null);
  const toggle = (which: 'leave' | 'tasks'): void => setOpen(open === which ? null : which);
  const more = (which: 'leave' | 'tasks', words: string) => (
    <button
      type="button"
      aria-expanded={open === which}
      className="no-print min-h-6 font-semibold underline underline-offset-4"
      onClick={() => toggle(which)}
    >
      {words}
    </button>
  );
  return (
    <div className="mt-3 grid gap-x-10 gap-y-3 md:grid-cols-2">
      {leave.length > 0 ? (
        <section aria-labelledby="leave-alone">
          <h2 id="leave-alone" className="text-lg">
            Leave alone today
          </h2>
          <p className="text-quiet">
            {leave.map((item, i) => (
              <span
                key={item.bedId}
                className={item.reason.code === 'too wet' ? 'font-semibold text-brick' : ''}
              >
                {i > 0 ? ' · ' : ''}
                {item.bedName} {shortLeave(item)}
              </span>
            ))}{' '}
            {more('leave', open === 'leave' ? 'fold' : 'why of each')}
          </p>
        </section>
      ) : null}
      {tasks.length > 0 ? (
        <section aria-labelledby="besides">
          <h2 id="besides" className="text-lg">
            Besides
          </h2>
          <p className="text-quiet">
            {grouped(tasks).map(([words, names], i) => (
              <span key={words}>
                {i > 0 ? ' · ' : ''}
                {words}
                {words.endsWith('?') ? ' ' : ': '}
                {names.length > 2 ? `${names.length} beds` : names.join(', ')}
              </span>
            ))}{' '}
            {more('tasks', open === 'tasks' ? 'fold' : 'what to do')}
          </p>
        </section>
      ) : null}
      {open === 'leave' ? (
        <div className="md:col-span-2">
          <LeaveList items={leave} />
        </div>
      ) : null}
      {open === 'tasks' ? (
        <div className="md:col-span-2">
          <TaskList tasks={tasks} named />
        </div>
      ) : null}
    </div>
  );
}

/** Days in hand as a number, other reasons in their words. */
function shortLeave({ reason, nextDate }: LeaveView): string {
  if (reason.code !== 'enough in store') return leaveHead(reason, nextDate);
  return nextDate ? `${reason.daysInHand} ${reason.daysInHand === 1 ? 'day' : 'days'}` : 'over a fortnight';
}
