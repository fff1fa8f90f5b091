import { useState } from 'react';

/**
 * The version of a thing that a form was filled from. When the thing changes while the part the form shows does not
 * (another form of the same page was kept), the newer version is as good as the one that was seen.
 * @param part what of the thing the form shows
 */
export function useSeenVersion(
  version: number,
  part: unknown,
): { seen: number; saw: (version: number) => void } {
  const text = JSON.stringify(part);
  const [opened, setOpened] = useState({ version, text });
  return {
    seen: opened.text === text ? version : opened.version,
    saw: (next) => setOpened({ version: next, text }),
  };
}
