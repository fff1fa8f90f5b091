/** What a browser could not fetch of the program it does not ask for again until the page is begun anew. */
let lacking = false;
export const noteLack = (): void => {
  lacking = true;
};

/** With a way home again a page that lacks a part is begun anew; what was typed and what waits stands there again. */
export function beginAnewIfLacking(): boolean {
  if (lacking) window.location.reload();
  return lacking;
}
