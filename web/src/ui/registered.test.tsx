import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useForm } from 'react-hook-form';
import { checkedBy, figure } from '../words/formSchema.ts';
import { unitsOf } from '../words/units.ts';
import { Check } from './Check.tsx';
import { Choice } from './Choice.tsx';
import { Field } from './Field.tsx';

interface Typed {
  litres: string;
  tap: string;
  stops: boolean;
}
const units = unitsOf('metric');

function Form({
  onSent,
  checked,
  stops = false,
}: {
  onSent: (typed: Typed) => void;
  checked: boolean;
  stops?: boolean;
}) {
  const form = useForm<Typed>({
    defaultValues: { litres: '5', tap: 'well', stops },
    ...(checked ? { resolver: checkedBy<Typed>({ litres: figure('litres', units) }) } : {}),
  });
  return (
    <form onSubmit={(e) => void form.handleSubmit(onSent)(e)}>
      <Field label="Litres" error={form.formState.errors.litres?.message} {...form.register('litres')} />
      <Choice label="Tap" {...form.register('tap')}>
        <option value="mains">the mains</option>
        <option value="well">a well</option>
      </Choice>
      <Check {...form.register('stops')}>It stops by itself</Check>
      <button type="button" onClick={() => form.setValue('tap', 'mains')}>
        Mains
      </button>
      <button type="submit">Send</button>
    </form>
  );
}

// What the browser has and the test's page lacks.
globalThis.ResizeObserver ??= class {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
};
afterEach(cleanup);

describe.each([false, true])('in a form, with a schema: %s', (checked) => {
  const sent = jest.fn<(typed: Typed) => void>();
  const shown = (stops = false) => {
    sent.mockClear();
    render(<Form onSent={sent} checked={checked} stops={stops} />);
  };
  const send = async (): Promise<Typed | undefined> => {
    fireEvent.click(screen.getByText('Send'));
    await waitFor(() => expect(sent).toHaveBeenCalled());
    return sent.mock.calls.at(-1)?.[0];
  };

  test('what it begins with is shown and sent', async () => {
    shown();
    expect(screen.getByLabelText('Tap').textContent).toContain('a well');
    expect(await send()).toEqual({ litres: '5', tap: 'well', stops: false });
  });
  test('a tick that it begins with is shown and sent', async () => {
    shown(true);
    expect(screen.getByRole('checkbox').getAttribute('aria-checked')).toBe('true');
    expect(await send()).toMatchObject({ stops: true });
  });
  test('a tick is sent, and taken off again', async () => {
    shown();
    const tick = screen.getByRole('checkbox', { name: 'It stops by itself' });
    fireEvent.click(tick);
    fireEvent.blur(tick);
    expect(tick.getAttribute('aria-checked')).toBe('true');
    expect(await send()).toMatchObject({ stops: true });
    fireEvent.click(tick);
    expect(await send()).toMatchObject({ stops: false });
  });
  test('a tick after a slip was refused is sent as well', async () => {
    shown();
    const litres = screen.getByLabelText('Litres');
    fireEvent.change(litres, { target: { value: 'zero' } });
    fireEvent.click(screen.getByText('Send'));
    if (checked) await waitFor(() => expect(screen.getByRole('alert')).toBeTruthy());
    fireEvent.change(litres, { target: { value: '4' } });
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    sent.mockClear();
    fireEvent.click(screen.getByRole('checkbox'));
    expect(await send()).toEqual({ litres: '4', tap: 'well', stops: true });
  });
  test('a choice that the form sets is shown and sent', async () => {
    shown();
    fireEvent.click(screen.getByText('Mains'));
    await waitFor(() => expect(screen.getByLabelText('Tap').textContent).toContain('the mains'));
    expect(await send()).toMatchObject({ tap: 'mains' });
  });
});
