import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import type { BedView, GardenView } from '@kibble/contract';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { Provider } from 'react-redux';
import { GardenContext } from '../../state/gardenRound.ts';
import { store } from '../../api/store.ts';
import { SettingsLog } from './SettingsLog.tsx';

const setting = (id: number, from: string, kind: string, value: unknown) => ({
  id,
  from,
  setting: { kind, value },
});
const bed = {
  id: 3,
  settings: [
    setting(1, '2026-05-10', 'mulched', null),
    setting(2, '2026-05-10', 'area', 20),
    setting(3, '2026-05-10', 'tap', null),
    setting(7, '2026-07-01', 'tap', 4),
    setting(9, '2026-07-10', 'mulched', { material: 'straw', depthMm: 80 }),
  ],
} as unknown as BedView;
const garden = { id: 1, today: '2026-07-14', taps: [{ id: 4, name: 'Shed' }] } as unknown as GardenView;
const sent = jest.fn<(url: string, body: string) => void>();

beforeEach(() => {
  sent.mockClear();
  globalThis.fetch = (async (input: Request) => {
    sent(input.url, await input.text());
    // As Kibble signs what it answers: anything else counts as offline.
    return new Response(JSON.stringify({ ids: [9] }), {
      headers: {
        'Content-Type': 'application/json',
        'Kibble-House': '0123456789abcdef01234567',
        'Idempotency-Key': input.headers.get('Idempotency-Key') ?? '',
      },
    });
  }) as typeof fetch;
});
afterEach(cleanup);
const show = (of: BedView) =>
  render(
    <Provider store={store}>
      <GardenContext value={garden}>
        <SettingsLog bed={of} />
      </GardenContext>
    </Provider>,
  );

test('what became another is listed, newest first, in words; how it began is not', () => {
  show(bed);
  expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual([
    expect.stringMatching(/since 10 Jul.*straw, 80.mm/),
    expect.stringMatching(/since 1 Jul.*drawing from Shed/),
  ]);
});

test('each can be taken back', async () => {
  show(bed);
  const [first] = screen.getAllByRole('button', { name: 'Take back' });
  if (first) fireEvent.click(first);
  await waitFor(() => expect(sent).toHaveBeenCalled());
  expect(sent.mock.calls[0]?.[0]).toMatch(/\/api\/gardens\/1\/entries\/undo$/);
  expect(JSON.parse(sent.mock.calls[0]?.[1] ?? '')).toEqual({ ids: [9] });
});

test('the day of each can be put right; a day to come is refused before it is sent', async () => {
  show(bed);
  const [first] = screen.getAllByRole('button', { name: 'Another day' });
  if (first) fireEvent.click(first);
  const field = screen.getByLabelText('It has been so since');
  expect((field as HTMLInputElement).value).toBe('2026-07-10');
  fireEvent.change(field, { target: { value: '2026-07-20' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/today or earlier; got 2026-07-20/);
  expect(sent).not.toHaveBeenCalled();
  fireEvent.change(field, { target: { value: '2026-07-05' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() => expect(sent).toHaveBeenCalled());
  expect(sent.mock.calls[0]?.[0]).toMatch(/\/api\/settings\/9\/move$/);
  expect(JSON.parse(sent.mock.calls[0]?.[1] ?? '')).toEqual({ on: '2026-07-05' });
  await waitFor(() => expect(screen.queryByLabelText('It has been so since')).toBeNull());
});

test('a bed that never changed says nothing', () => {
  const { container } = show({ ...bed, settings: bed.settings.slice(0, 3) });
  expect(container.textContent).toBe('');
});
