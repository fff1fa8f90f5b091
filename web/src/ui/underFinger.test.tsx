import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState, type MouseEvent as Click } from 'react';
import { ECHO_MS, echoesTick, useUnderFinger } from './underFinger.ts';

/** Rows that leave when they are ticked, so that the next one comes to lie under the finger. */
function Rows({ onTick }: { onTick: (id: number) => void }) {
  const [rows, setRows] = useState([1, 2, 3]);
  const under = useUnderFinger(rows);
  return (
    <ol>
      {rows.map((id) => (
        <li key={id} data-tick={`row ${id}`}>
          <button
            type="button"
            disabled={under === `row ${id}`}
            onClick={(e) => {
              if (echoesTick(e)) return;
              onTick(id);
              setRows((all) => all.filter((row) => row !== id));
            }}
          >
            {id}
          </button>
        </li>
      ))}
    </ol>
  );
}

/** A finger's click: it has a place and a count; a key's click has neither. */
const tapAt = (row: string, x: number, y: number): Promise<void> =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name: row }), { clientX: x, clientY: y, detail: 1 });
  });

beforeEach(() => {
  // The page is not laid out here: what lies under any spot is the first row that is left.
  document.elementFromPoint = () => document.querySelector('li');
});
afterEach(cleanup);

test('the second half of a double tap does nothing to the row that came under the finger', async () => {
  const ticked: number[] = [];
  render(<Rows onTick={(id) => ticked.push(id)} />);
  await tapAt('1', 300, 100);
  await tapAt('2', 303, 104);
  expect(ticked).toEqual([1]);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: '2' }).disabled).toBe(true);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: '3' }).disabled).toBe(false);
  await tapAt('3', 300, 180);
  expect(ticked).toEqual([1, 3]);
});

test('what was held is let go when the rows change after something else was touched', async () => {
  render(<Rows onTick={() => undefined} />);
  await tapAt('1', 300, 300);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: '2' }).disabled).toBe(true);
  await act(async () => {
    fireEvent(document.body, new MouseEvent('pointerdown', { clientX: 10, clientY: 10, bubbles: true }));
    fireEvent.click(screen.getByRole('button', { name: '3' }), { detail: 0 });
  });
  expect(screen.getByRole<HTMLButtonElement>('button', { name: '2' }).disabled).toBe(false);
});

test('the same spot counts again when the finger has had time to go, another spot and a key at once', () => {
  const click = (clientX: number, timeStamp: number, detail = 1): boolean =>
    echoesTick({ clientX, clientY: 500, timeStamp, detail } as Click);
  const at = 10_000_000;
  expect(click(500, at)).toBe(false);
  expect(click(500, at + ECHO_MS - 1)).toBe(true);
  expect(click(500, at + ECHO_MS - 1, 0)).toBe(false);
  expect(click(500, at + ECHO_MS)).toBe(false);
  expect(click(600, at + ECHO_MS + 20)).toBe(false);
});

test('who has touched something else in between, and comes back at once, means it', () => {
  const click = (timeStamp: number): boolean =>
    echoesTick({ clientX: 40, clientY: 40, timeStamp, detail: 1 } as Click);
  const touch = (clientX: number): boolean =>
    fireEvent(document.body, new MouseEvent('pointerdown', { clientX, clientY: 40, bubbles: true }));
  const at = 20_000_000;
  expect(click(at)).toBe(false);
  touch(42);
  expect(click(at + 100)).toBe(true);
  touch(400);
  expect(click(at + 200)).toBe(false);
});
