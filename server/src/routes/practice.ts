import { practiceOpened, practiceView } from '@kibble/contract';
import { answer, Refusal } from '../errors.ts';
import { handlers } from '../http/register.ts';
import type { Services } from '../http/services.ts';
import { NotOpened } from '../practice/practiceHouse.ts';

/** The practice garden beside one's own, and the way back from it. */
export function practiceRoutes({ practice, home, log }: Services) {
  return handlers({
    practice: (_req, res) => {
      res.json(answer(practiceView, { can: practice !== undefined, home: home ?? null }));
    },
    openPractice: async (_req, res) => {
      if (!practice)
        throw new Refusal('not-found', 'There is no practice garden to open from here.', 'practice');
      try {
        res.json(answer(practiceOpened, { url: await practice.open() }));
      } catch (error) {
        if (!(error instanceof NotOpened)) throw error;
        log.error({ err: error }, 'the practice garden did not open');
        throw new Refusal(
          'busy',
          `The practice garden did not open: ${error.message}. Your own garden is as it was; try again in a moment.`,
          'practice',
        );
      }
    },
  });
}
