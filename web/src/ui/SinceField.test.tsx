import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { SinceField } from './SinceField.tsx';

afterEach(cleanup);
const TODAY = '2026-07-14';
const bed = { startOn: '2026-05-10' };

test('today to begin with: the days before stay; one press says that it was so from the first day, one that it was not', () => {
  const onChange = jest.fn<(day: string) => void>();
  const { rerender } = render(<SinceField bed={bed} today={TODAY} value={TODAY} onChange={onChange} />);
  expect(
    screen.getByText('What holds here since that day; figures of the days before stay as they are.'),
  ).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /never otherwise/ }));
  expect(onChange).toHaveBeenLastCalledWith('2026-05-10');
  rerender(<SinceField bed={bed} today={TODAY} value="2026-05-10" onChange={onChange} />);
  expect(screen.getByText(/every figure since then is worked out anew/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Only since today' }));
  expect(onChange).toHaveBeenLastCalledWith(TODAY);
});

test('an emptied day is today; no day to come can be chosen', () => {
  const onChange = jest.fn<(day: string) => void>();
  render(<SinceField bed={bed} today={TODAY} value="2026-07-01" onChange={onChange} />);
  const field = screen.getByLabelText('It has been so since');
  expect(field.getAttribute('max')).toBe(TODAY);
  fireEvent.change(field, { target: { value: '' } });
  expect(onChange).toHaveBeenLastCalledWith(TODAY);
});
