import type { GardenView } from '@kibble/contract';

/** Rows that cannot be read any more: named, kept on file, and in nobody's way. */
export function SetAside({ garden }: { garden: GardenView }) {
  if (garden.setAside.length === 0) return null;
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="set-aside">
      <h2 id="set-aside" className="mb-1 text-2xl">
        Set aside
      </h2>
      <p className="text-quiet">
        These entries cannot be read any more. They stay in the file as they are; everything else goes on
        without them.
      </p>
      <ul>
        {garden.setAside.map((row) => (
          <li key={`${row.what}${row.id}`} className="border-t border-rule py-1">
            {row.what}, number {row.id}: {row.why}.
          </li>
        ))}
      </ul>
    </section>
  );
}
