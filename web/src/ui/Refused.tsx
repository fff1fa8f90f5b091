import { refusal } from '../api/api.ts';

/** Why something was not taken, read out as it comes; nothing while nothing is refused. */
export function Refused({
  error,
  inline = false,
  className = '',
}: {
  error: unknown;
  /** Within a line of text. */
  inline?: boolean;
  className?: string;
}) {
  if (!error) return null;
  const Line = inline ? 'span' : 'p';
  return (
    <Line role="alert" className={`font-semibold text-brick ${className}`}>
      {refusal(error).message}
    </Line>
  );
}
