import { useDraftsQuery, useDropDraftMutation, useKeepDraftMutation } from '../../api/api.ts';
import type { TimerRow } from './timerRows.ts';

const KEY = 'timer-set';

/** What was last typed into the tap timer, kept by the server so that the plan can be held against it. */
export function useTimer(gardenId: number) {
  const { data } = useDraftsQuery(gardenId);
  const [keep] = useKeepDraftMutation();
  const [drop] = useDropDraftMutation();
  const body = data?.find((d) => d.key === KEY)?.body;
  return {
    typed: body && Array.isArray(body.rows) ? (body.rows as TimerRow[]) : null,
    on: typeof body?.on === 'string' ? body.on : null,
    set: (rows: TimerRow[], on: string) => keep({ gardenId, key: KEY, body: { on, rows } }),
    forget: () => drop({ gardenId, key: KEY }),
  };
}
