import { Slider } from 'radix-ui';

/** One of a row of whole numbers, drawn to or reached by the arrow keys. */
export function Slide({
  label,
  least,
  most,
  value,
  words,
  onChange,
  className = '',
}: {
  label: string;
  least: number;
  most: number;
  value: number;
  /** What the number means, read out. */
  words: string;
  onChange: (value: number) => void;
  className?: string;
}) {
  return (
    <Slider.Root
      className={`relative flex h-6 w-full touch-none items-center ${className}`}
      min={least}
      max={most}
      step={1}
      value={[value]}
      onValueChange={([at]) => at !== undefined && onChange(at)}
    >
      <Slider.Track className="relative h-0.5 flex-1 bg-ink">
        <Slider.Range className="absolute h-full bg-ink" />
      </Slider.Track>
      <Slider.Thumb aria-label={label} aria-valuetext={words} className="block size-6 rounded-full bg-ink" />
    </Slider.Root>
  );
}
