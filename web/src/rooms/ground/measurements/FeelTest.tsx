import { feelKey, TEXTURES } from '@kibble/core';
import { Ball, Crumbs, Ribbon, Rub } from '../drawings.tsx';
import { Pick, Pictures, Says, Step, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';

const YES_NO = ['yes', 'no'] as const;
const LENGTHS = ['under 25 mm', '25 to 50 mm', 'over 50 mm'] as const;
const RUBS = ['gritty', 'smooth', 'neither'] as const;
export const HORIZON_OPTIONS = [
  ['top', 'the topsoil'],
  ['below', 'below a spade’s depth'],
] as const;

function Steps() {
  const { reader } = useTest();
  const ball = reader.text('ball');
  const ribbon = reader.text('ribbon');
  return (
    <>
      <Step
        n={1}
        title="Take a handful from root depth, pick out stones, and wet it until it feels like putty."
      >
        <Pick name="horizon" label="It comes from" options={HORIZON_OPTIONS} fallback="top" />
      </Step>
      <Step n={2} title="Squeeze it in your fist and open your hand.">
        <Pictures
          name="ball"
          legend="Does it stay in a ball?"
          options={[
            { value: 'yes', words: 'It stays a ball', picture: <Ball /> },
            { value: 'no', words: 'It falls apart', picture: <Crumbs /> },
          ]}
        />
      </Step>
      {ball === 'yes' ? (
        <Step n={3} title="Press it out between thumb and forefinger, and let what comes hang over.">
          <Pictures
            name="ribbon"
            legend="Does a ribbon form?"
            options={[
              { value: 'yes', words: 'A ribbon forms', picture: <Ribbon mm={30} /> },
              { value: 'no', words: 'It only crumbles', picture: <Ribbon mm={0} /> },
            ]}
          />
          {ribbon === 'yes' ? (
            <Pictures
              name="length"
              legend="How long before it breaks?"
              options={[
                { value: 'under 25 mm', words: 'Under 25 mm (1 in)', picture: <Ribbon mm={14} /> },
                { value: '25 to 50 mm', words: '25 to 50 mm (1–2 in)', picture: <Ribbon mm={36} /> },
                { value: 'over 50 mm', words: 'Over 50 mm (2 in)', picture: <Ribbon mm={58} /> },
              ]}
            />
          ) : null}
        </Step>
      ) : null}
      {ball === 'yes' && ribbon === 'yes' ? (
        <Step n={4} title="Put a pinch in your palm, wet it well, and rub.">
          <Pictures
            name="rub"
            legend="What do you feel most?"
            options={[
              { value: 'gritty', words: 'Grit', picture: <Rub texture="sand" /> },
              { value: 'smooth', words: 'Smooth as flour', picture: <Rub texture="silt" /> },
              { value: 'neither', words: 'Neither stands out', picture: <Rub texture="loam" /> },
            ]}
          />
        </Step>
      ) : null}
    </>
  );
}

function Result({ input }: { input: Reading<'feel'> }) {
  const texture = feelKey(input.answers);
  const { sandPct, clayPct, feel } = TEXTURES[texture];
  return (
    <Says figure={<span className="font-serif">{texture}</span>}>
      {feel} Taken as about {sandPct} % sand and {clayPct} % clay until a jar says better.
    </Says>
  );
}

export const feelTest: TestPage = {
  kind: 'feel',
  title: 'Feel the soil',
  about:
    'Texture decides how much water the ground holds and how fast it takes it in: no plan is right without it.',
  needs: 'a handful of soil, a little water',
  Steps,
  read: (r) => {
    const horizon = r.choice('horizon', ['top', 'below'] as const, 'Where it comes from', 'top');
    const ball = r.choice('ball', YES_NO, 'Ball or not');
    if (!horizon || !ball) return null;
    if (ball === 'no')
      return { kind: 'feel', horizon, answers: { ball: false, ribbon: false, rub: 'gritty' } };
    const ribbon = r.choice('ribbon', YES_NO, 'Ribbon or not');
    if (ribbon === 'no')
      return { kind: 'feel', horizon, answers: { ball: true, ribbon: false, rub: 'gritty' } };
    const ribbonLength = r.choice('length', LENGTHS, 'Length of the ribbon');
    const rub = r.choice('rub', RUBS, 'What you feel');
    if (!ribbon || !ribbonLength || !rub) return null;
    return { kind: 'feel', horizon, answers: { ball: true, ribbon: true, ribbonLength, rub } };
  },
  Result: Result as TestPage['Result'],
};
