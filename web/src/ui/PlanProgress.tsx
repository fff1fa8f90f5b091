import { useProgressQuery } from '../api/api.ts';

const ASK_MS = 300;

/** How far the plan of a large garden is; nothing while there is nothing to tell. */
export function PlanProgress({ gardenId }: { gardenId: number }) {
  const { data } = useProgressQuery(gardenId, { pollingInterval: ASK_MS, refetchOnMountOrArgChange: true });
  if (!data || data.of === 0) return null;
  return (
    <span role="status" className="inline-flex items-center gap-2 text-sm">
      <progress className="h-2 w-32 accent-ink" max={data.of} value={data.done} />
      {data.done} of {data.of} beds planned
    </span>
  );
}
