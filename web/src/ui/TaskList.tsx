import type { TaskView } from '@kibble/contract';
import type { BedTask, Finding } from '@kibble/core';
import { Link, useParams } from 'react-router';
import { BODY_TASKS } from '../words/bodyTasks.ts';
import { treeTaskText } from '../words/treeWords.ts';
import { useUnits, type Units } from '../words/units.ts';
import { dayMonth, stageWords } from '../words/words.ts';
import { onBed, useEnter } from './useEnter.ts';

/** What a task says, and the short answers to it with what each writes down. */
function words(
  task: BedTask,
  plantingId: number | null,
  units: Units,
): { text: string; answers: [string, Finding][]; link?: string; to?: string; tree?: boolean } {
  switch (task.code) {
    case 'are all standing':
      return {
        text: `Planted ${task.days} days ago: are all standing? Birds pull fresh ones out. Leave gaps unwatered.`,
        answers:
          plantingId === null
            ? []
            : [
                ['All standing', { kind: 'stand', plantingId, lost: 0 }],
                ['Some are lost', { kind: 'stand', plantingId, lost: 1 }],
              ],
      };
    case 'are they up':
      return {
        text: `Sown ${task.days} days ago. Have the seedlings come up? Until you say so, Kibble keeps the top of the soil moist.`,
        answers: plantingId === null ? [] : [['They are up', { kind: 'up', plantingId }]],
      };
    case 'put the mulch back':
      return {
        text: `The mulch was moved aside ${task.days === 0 ? 'today' : `${task.days} days ago`}: put it back.`,
        answers: [['It is back', { kind: 'mulch', what: 'put back' }]],
      };
    case 'look at the mulch':
      return {
        text: `The mulch is ${task.days} days old and rots away: look how thick it is, and top it up.`,
        answers: [['Looked at it', { kind: 'mulch', what: 'looked at' }]],
      };
    case 'mulch before the heat':
      return {
        text: task.soakFirst
          ? 'Heat is coming on bare ground: soak it first, then mulch. Mulch keeps dry ground dry.'
          : 'Heat is coming on bare ground: it is moist enough to mulch now.',
        answers: [],
        link: 'What mulch would save',
      };
    case 'shade before the heat':
      return {
        text: 'Heat is coming, and this crop runs to seed in it: hang shade cloth.',
        answers: [],
        link: 'What shade would save',
      };
    case 'soak before the heat':
      return {
        text: `Heat begins on ${dayMonth(task.from)}, and its next watering is planned for ${dayMonth(task.next)}. Watered the day before the heat, it goes into it full.`,
        answers: [
          [`Move it to ${dayMonth(task.to)}`, { kind: 'plan', what: 'move', date: task.next, to: task.to }],
        ],
      };
    case 'rinse against mites':
      return {
        text: 'Hot and dry: if you like, rinse the leaves this morning, also beneath, to cool them and keep mites off. Early only, so that they are dry within the hour.',
        answers: [],
      };
    case 'rinse dust':
    case 'wet bodies':
      return { text: BODY_TASKS[task.code], answers: [] };
    case 'do the spots join':
      return {
        text: `Day ${task.day} of the pulses: dig between two damp spots. Do they join? If they still do not on day 21, go back to fewer, longer runs.`,
        answers: [],
        link: 'Look into the ground',
        to: 'look',
      };
    case 'a little every day':
      return {
        text: `Watered on ${task.days} of the last seven days though it had enough: a little every day keeps roots shallow and air out. Leave it until the round asks.`,
        answers: [],
      };
    case 'probe it now':
      return {
        text: 'Its water has had time to sink: probe how deep it went.',
        answers: [],
        link: 'Probe it',
        to: 'depth',
      };
    case 'has it begun':
      return {
        text: `By the calendar it is ${stageWords(task.stage)} from about ${dayMonth(task.about)}. Have you seen it?`,
        answers:
          plantingId === null ? [] : [['I saw it today', { kind: 'stage', plantingId, stage: task.stage }]],
      };
    default:
      return {
        text: treeTaskText(task, units),
        answers: [],
        ...(task.code === 'move the water outward' ? { link: 'Where to, and print it', tree: true } : {}),
      };
  }
}

/** Beds that are told the same, and have nothing to answer, are told it once. */
function together(tasks: TaskView[], units: Units): { item: TaskView; others: TaskView[] }[] {
  const groups: { item: TaskView; others: TaskView[] }[] = [];
  for (const item of tasks) {
    const { text, answers } = words(item.task, item.plantingId, units);
    const same = groups.find(
      (g) =>
        answers.length === 0 &&
        g.item.cropName === item.cropName &&
        words(g.item.task, g.item.plantingId, units).text === text,
    );
    if (same) same.others.push(item);
    else groups.push({ item, others: [] });
  }
  return groups;
}

/** Things to do or look at besides watering; answered with a tap, taken back with undo. */
export function TaskList({ tasks, named }: { tasks: TaskView[]; named: boolean }) {
  const { gardenId } = useParams();
  const units = useUnits();
  const { enterAndSay } = useEnter();
  if (tasks.length === 0) return null;
  const seen = (items: TaskView[]): Promise<void> =>
    enterAndSay(
      items.map(({ bedId, key }) => onBed(bedId, { kind: 'task done', key })),
      items.length === 1
        ? `${items[0]?.bedName ?? ''}: that is done.`
        : `That is done on ${items.length} beds.`,
    );
  const answer = async (task: TaskView, input: Finding): Promise<void> => {
    await enterAndSay([onBed(task.bedId, input)], `${task.bedName}: written down.`);
  };
  return (
    <section className="mt-4" aria-labelledby="tasks">
      <h2 id="tasks" className="mb-1 text-2xl">
        {named ? 'Besides watering' : 'To do here'}
      </h2>
      <ul>
        {together(tasks, units).map(({ item, others }) => {
          const { text, answers, link, to, tree } = words(item.task, item.plantingId, units);
          return (
            <li key={`${item.bedId}-${item.key}`} className="border-t border-rule py-1">
              {named ? (
                <>
                  <Link
                    className="font-semibold underline decoration-rule underline-offset-4"
                    to={`/garden/${gardenId}/beds/${item.bedId}`}
                  >
                    {item.bedName}
                  </Link>
                  {others.map((other) => (
                    <span key={other.bedId}>
                      ,{' '}
                      <Link
                        className="font-semibold underline decoration-rule underline-offset-4"
                        to={`/garden/${gardenId}/beds/${other.bedId}`}
                      >
                        {other.bedName}
                      </Link>
                    </span>
                  ))}
                  {'. '}
                </>
              ) : null}
              {item.cropName ? `${item.cropName}: ` : ''}
              {text}{' '}
              {answers.map(([label, input]) => (
                <button
                  key={label}
                  type="button"
                  className="mr-4 min-h-9 font-semibold underline underline-offset-4"
                  onClick={() => void answer(item, input).catch(() => undefined)}
                >
                  {label}
                </button>
              ))}
              {answers.length === 0 ? (
                <button
                  type="button"
                  className="no-print mr-4 min-h-9 font-semibold underline underline-offset-4"
                  onClick={() => void seen([item, ...others]).catch(() => undefined)}
                >
                  Done
                  <span className="sr-only">
                    : {[item, ...others].map(({ bedName }) => bedName).join(', ')}
                  </span>
                </button>
              ) : null}
              {link ? (
                <Link
                  className="underline underline-offset-4"
                  to={
                    tree
                      ? `/garden/${gardenId}/trees/${item.bedId}`
                      : to
                        ? `/garden/${gardenId}/ground/bed/${item.bedId}/${to}`
                        : `/garden/${gardenId}/beds/${item.bedId}#cover`
                  }
                >
                  {link}
                </Link>
              ) : null}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
