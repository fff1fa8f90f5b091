import { afterAll, afterEach, beforeAll, expect, test } from '@jest/globals';
import type { CoreView, PotView } from '@kibble/contract';
import { VESSEL_KINDS } from '@kibble/core';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { useForm } from 'react-hook-form';
import { VESSEL_FACES, VesselGlyph } from '../drawing/VesselGlyph.tsx';
import { vesselsText } from '../words/potWords.ts';
import { emptyBed, type TypedBed } from './ground/Fields.tsx';
import { KindChoice } from './KindChoice.tsx';
import { FACES, PlaceDrawing, PlaceForm } from './index.tsx';

/** docs/adding-a-place.md, the web's part of it: a line in a table, and a kind has its drawing, its form and its words. */
const core = { depletionMm: 4 } as CoreView;
const Tub = ({ core: { depletionMm } }: { core: CoreView }) => <p>A tub with {depletionMm} mm gone</p>;

beforeAll(() => {
  FACES.tub = { choice: 'a tub', Drawing: Tub, Form: () => <p>How large is the tub?</p> };
  VESSEL_KINDS.pocket = { one: 'pocket', many: 'pockets', choice: 'a pocket on a wall' };
  VESSEL_FACES.pocket = { Glyph: ({ shootPx }) => <text>a pocket, {shootPx} px</text>, shootPx: 40 };
});
afterAll(() => {
  delete FACES.tub;
  delete VESSEL_KINDS.pocket;
  delete VESSEL_FACES.pocket;
});
afterEach(cleanup);

function Form() {
  const form = useForm<TypedBed>({ defaultValues: { ...emptyBed('2026-05-01'), kind: 'tub' } });
  return (
    <>
      <KindChoice {...form.register('kind')} />
      <PlaceForm kind="tub" form={form} />
    </>
  );
}

test('a place of a new kind is drawn and declared as its face has it, and its kind is chosen as it is added', async () => {
  render(<PlaceDrawing kind="tub" core={core} width={40} height={80} depthMm={300} title="Tub" />);
  expect(screen.getByText('A tub with 4 mm gone')).toBeTruthy();
  render(<Form />);
  expect(screen.getByText('How large is the tub?')).toBeTruthy();
  await waitFor(() => expect(screen.getByRole('combobox', { name: 'It is' }).textContent).toContain('a tub'));
});

test('while there is one kind nobody is asked which', () => {
  const { tub, ...others } = FACES;
  delete FACES.tub;
  render(<KindChoice name="kind" />);
  expect(Object.keys(others)).toEqual(['ground']);
  expect(screen.queryByRole('combobox')).toBeNull();
  if (tub) FACES.tub = tub;
});

test('a new kind of vessel is drawn by its glyph, smaller on a shelf, and counted by its name', () => {
  const pot = { kind: 'pocket' } as PotView;
  const { container } = render(
    <svg>
      <VesselGlyph pot={pot} x={0} y={0} pxPerM={10} share={0.5} />
    </svg>,
  );
  expect(container.textContent).toBe('a pocket, 20 px');
  expect(vesselsText([pot])).toBe('1 pocket');
  expect(vesselsText([pot, pot])).toBe('2 pockets');
  expect(vesselsText([pot, { kind: 'tray' } as PotView])).toBe('2 pots');
});
