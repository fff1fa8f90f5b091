/** What the tab is called: the room, and before it a tap that runs. */
let room = 'Kibble';
let tap: string | null = null;
const draw = (): void => {
  document.title = tap === null ? room : `${tap} · ${room}`;
};
export function nameRoom(name: string): void {
  room = name;
  draw();
}
export function nameTap(words: string | null): void {
  tap = words;
  draw();
}
