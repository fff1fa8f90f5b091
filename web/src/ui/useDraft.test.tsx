import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useDraft } from './useDraft.ts';

afterEach(() => {
  cleanup();
  localStorage.clear();
});

function Sheet() {
  const [litres, setLitres, sent] = useDraft('saved-4', '');
  return (
    <>
      <input aria-label="Poured" value={litres} onChange={(e) => setLitres(e.target.value)} />
      <button onClick={sent}>Write it down</button>
    </>
  );
}
const poured = (): HTMLInputElement => screen.getByLabelText('Poured');

test('what was typed is here again when the sheet is opened anew, until it was sent', () => {
  const { unmount } = render(<Sheet />);
  fireEvent.change(poured(), { target: { value: '18' } });
  unmount();
  const again = render(<Sheet />);
  expect(poured().value).toBe('18');
  fireEvent.click(screen.getByRole('button'));
  expect(poured().value).toBe('');
  again.unmount();
  render(<Sheet />);
  expect(poured().value).toBe('');
});

test('emptied by hand nothing is kept, and what cannot be read is no draft', () => {
  const { unmount } = render(<Sheet />);
  fireEvent.change(poured(), { target: { value: '18' } });
  fireEvent.change(poured(), { target: { value: '' } });
  expect(localStorage.length).toBe(0);
  unmount();
  localStorage.setItem('kibble.draft.saved-4', '{half');
  render(<Sheet />);
  expect(poured().value).toBe('');
});
