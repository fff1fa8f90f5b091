import { useDraftsQuery, useDropDraftMutation, useKeepDraftMutation } from '../app/api.ts';

/** A tap that runs or rests: which bed, since when, for how long, and what it gives. */
export interface RunningTap {
  bedId: number;
  bedName: string;
  startedAt: number;
  /** Minutes of this run, or of this rest. */
  minutes: number;
  litresPerMinute: number;
  /** Runs asked for with rests between, which of them this is, and what ran before it. */
  runs: number;
  run: number;
  runMinutes: number;
  soakMinutes: number;
  ranMinutes: number;
  resting: boolean;
  /** By hand: seconds at each plant. */
  secondsEach: number | null;
  /** A timer on the tap shuts it: when its minutes are up it is written down without asking. */
  selfStops?: boolean;
}

const PREFIX = 'tap-runs:bed-';
/** How often another tab or device is asked. */
const ASK_MS = 5000;

const isTap = (body: Record<string, unknown>): boolean =>
  typeof body.startedAt === 'number' &&
  typeof body.minutes === 'number' &&
  typeof body.bedId === 'number' &&
  typeof body.runs === 'number';

/** Taps under way, kept by the server as the moment they were opened: no reload and no sleeping screen forgets one. */
export function useTaps(gardenId: number) {
  const { data } = useDraftsQuery(gardenId, { pollingInterval: ASK_MS, refetchOnFocus: true });
  const [keep] = useKeepDraftMutation();
  const [drop] = useDropDraftMutation();
  const taps = (data ?? [])
    .filter((d) => d.key.startsWith(PREFIX) && isTap(d.body))
    .map((d) => d.body as unknown as RunningTap)
    .sort((a, b) => a.startedAt - b.startedAt);
  return {
    taps,
    /** Opens a tap, or sets it to its next run or rest: the clock begins now. */
    open: (tap: Omit<RunningTap, 'startedAt'>) =>
      keep({ gardenId, key: `${PREFIX}${tap.bedId}`, body: { ...tap, startedAt: Date.now() } }).unwrap(),
    close: (bedId: number) => drop({ gardenId, key: `${PREFIX}${bedId}` }).unwrap(),
  };
}
