/** Letters of a secret in a row: no name of Kibble's own addresses has so many. */
const SECRET = /[\w-]{20,}/g;

/**
 * An address as it may stand in the log: whoever reads the log must not be able to open what is opened by its address
 * alone, also where that was written in another way and led nowhere.
 */
export const loggedUrl = (url: string): string =>
  url.startsWith('/assets/') ? url : url.replaceAll(SECRET, '…').slice(0, 300);
