import { useLocation } from 'react-router';

/** Whether the room was come to in order to add the first of what it holds. */
export function useBegin(): boolean {
  const { state } = useLocation() as { state: { begin?: boolean } | null };
  return state?.begin === true;
}
