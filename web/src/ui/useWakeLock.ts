import { useEffect } from 'react';

/** The screen stays awake while something runs, where the device lets a page ask for it (only a secure one may). */
export function useWakeLock(on: boolean): void {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || over) return;
      lock = await navigator.wakeLock.request('screen');
      if (over) await lock.release();
    };
    // A device short of power says no; whoever looked away and back asks again.
    const tried = (): void => void hold().catch(() => undefined);
    tried();
    document.addEventListener('visibilitychange', tried);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', tried);
      void lock?.release().catch(() => undefined);
    };
  }, [on]);
}
