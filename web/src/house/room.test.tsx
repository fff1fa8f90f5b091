import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { Component, useLayoutEffect, type ReactNode } from 'react';
import { roomOf } from './room.tsx';

afterEach(cleanup);

test('a room is drawn as soon as it is here, and at once when it was fetched before', async () => {
  const load = jest.fn(() => Promise.resolve(() => <p>the round</p>));
  const { fetch, Element } = roomOf(load);
  const { unmount } = render(<Element />);
  expect(screen.queryByText('the round')).toBeNull();
  await screen.findByText('the round');
  unmount();
  await fetch();
  render(<Element />);
  expect(screen.getByText('the round')).toBeTruthy();
  expect(load).toHaveBeenCalledTimes(1);
});

test('a room that comes between the picture and what follows it is drawn all the same', async () => {
  let come: (room: () => ReactNode) => void = () => undefined;
  const coming = new Promise<() => ReactNode>((resolve) => (come = resolve));
  const { fetch, Element } = roomOf(() => coming);
  void fetch();
  function Meanwhile() {
    // Runs before the room's own effect: by then the room has come.
    useLayoutEffect(() => come(() => <p>the garden</p>));
    return <Element />;
  }
  render(<Meanwhile />);
  await screen.findByText('the garden');
});

class Guard extends Component<{ children: ReactNode }, { fault: string | null }> {
  override state = { fault: null };
  static getDerivedStateFromError(error: Error) {
    return { fault: error.message };
  }
  override render(): ReactNode {
    return this.state.fault ?? this.props.children;
  }
}

test('a room that cannot be fetched is a fault of its own, and is fetched anew when it is gone to again', async () => {
  const told = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  let way = false;
  const { Element } = roomOf(() =>
    way ? Promise.resolve(() => <p>here</p>) : Promise.reject(new Error('no way')),
  );
  const gone = (
    <Guard>
      <Element />
    </Guard>
  );
  const { unmount } = render(gone);
  await screen.findByText('no way');
  unmount();
  way = true;
  render(gone);
  await screen.findByText('here');
  told.mockRestore();
});
