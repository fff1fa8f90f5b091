import { startTransition, useEffect, useState, type ReactNode } from 'react';

/** Whether the page's first picture stands. */
let stands = false;

/**
 * What lies below the first screen, or is not to be seen on it: left out of the page's first picture, so that the picture
 * comes sooner, and drawn as soon as it stands. Later pictures are drawn whole.
 * @param now it is of the first screen after all
 */
export function AfterFirst({ now = false, children }: { now?: boolean; children: ReactNode }) {
  const [here, setHere] = useState(stands || now);
  useEffect(() => {
    if (here) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      // A task after the frame: the picture has been painted by then.
      timer = setTimeout(() => {
        stands = true;
        startTransition(() => setHere(true));
      });
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [here]);
  return here || now ? children : null;
}
