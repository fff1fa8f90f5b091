import type { PlaceKindId } from '@kibble/core';
import type { ComponentProps, ComponentType } from 'react';
import { SoilCore } from './ground/Drawing.tsx';
import type { GroundForm as Told } from './ground/Form.tsx';
import { later } from '../ui/later.tsx';

const GroundForm = later<ComponentProps<typeof Told>>(
  async () => (await import('./ground/Form.tsx')).GroundForm,
);

/** How a kind of place is drawn and told. A new kind is its own folder and a line here: see docs/adding-a-place.md. */
interface PlaceFace {
  Drawing: ComponentType<ComponentProps<typeof SoilCore>>;
  Form: ComponentType<ComponentProps<typeof Told>>;
}
/** Pots stand on shelves of their own: see `rooms/pots`. */
type BedKind = Exclude<PlaceKindId, 'vessel'>;
const FACES: Readonly<Record<BedKind, PlaceFace>> = {
  ground: { Drawing: SoilCore, Form: GroundForm },
};

/** A place drawn as its kind is. */
export function PlaceDrawing({ kind, ...of }: { kind: PlaceKindId } & ComponentProps<PlaceFace['Drawing']>) {
  const { Drawing } = FACES[kind as BedKind];
  return <Drawing {...of} />;
}

/** What is told of a place of a kind. */
export function PlaceForm({ kind, ...of }: { kind: PlaceKindId } & ComponentProps<PlaceFace['Form']>) {
  const { Form } = FACES[kind as BedKind];
  return <Form {...of} />;
}
