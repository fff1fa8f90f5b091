import type { ComponentProps, ComponentType } from 'react';
import { SoilCore } from './ground/Drawing.tsx';
import type { GroundForm as Declared } from './ground/Form.tsx';
import { later } from '../ui/later.tsx';

const GroundForm = later<ComponentProps<typeof Declared>>(
  async () => (await import('./ground/Form.tsx')).GroundForm,
);

/** How a kind of place of the rounds is called by whoever adds one, how it is drawn, and the form it is declared in. */
export interface PlaceFace {
  choice: string;
  Drawing: ComponentType<ComponentProps<typeof SoilCore>>;
  Form: ComponentType<ComponentProps<typeof Declared>>;
}
const GROUND: PlaceFace = { choice: 'a bed of ground', Drawing: SoilCore, Form: GroundForm };

/** By the name of the kind. A new kind is its own folder and a line here: see docs/adding-a-place.md. Pots stand on shelves of their own. */
export const FACES: Record<string, PlaceFace> = { ground: GROUND };

/** A kind without a face of its own is shown as ground is: what the plan says of it is true of any. */
const faceOf = (kind: string): PlaceFace => (Object.hasOwn(FACES, kind) ? FACES[kind] : undefined) ?? GROUND;

/** A place drawn as its kind is. */
export function PlaceDrawing({ kind, ...of }: { kind: string } & ComponentProps<PlaceFace['Drawing']>) {
  const { Drawing } = faceOf(kind);
  return <Drawing {...of} />;
}

/** What is declared of a place of a kind. */
export function PlaceForm({ kind, ...of }: { kind: string } & ComponentProps<PlaceFace['Form']>) {
  const { Form } = faceOf(kind);
  return <Form {...of} />;
}
