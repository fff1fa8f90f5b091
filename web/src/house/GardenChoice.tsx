import type { GardenName } from '@kibble/contract';
import { useNavigate } from 'react-router';
import { Choice } from '../ui/Choice.tsx';

/** The gardens kept here: choosing one goes to its round. */
export function GardenChoice({ gardens, id }: { gardens: readonly GardenName[]; id: number }) {
  const navigate = useNavigate();
  return (
    <div className="mb-2">
      <span aria-hidden className="text-quiet">
        Garden
      </span>
      <Choice
        label="Garden"
        manner="unseen"
        className="w-full min-w-0 font-semibold"
        value={id}
        onChange={({ target }) => void navigate(`/garden/${target.value}/round`)}
      >
        {gardens.map((garden) => (
          <option key={garden.id} value={garden.id}>
            {garden.name}
          </option>
        ))}
      </Choice>
    </div>
  );
}
