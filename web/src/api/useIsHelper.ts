import { useWhoQuery } from './api.ts';

/** Whether this device was connected for the round only: what a helper may not do is not offered. */
export const useIsHelper = (): boolean => useWhoQuery(null).data?.rights === 'round only';
