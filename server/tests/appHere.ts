import type { Express } from 'express';
import { kibbleApp } from '../src/app.ts';
import { WeatherFiles } from '../src/files/weatherFiles.ts';
import { InProcessPlanner } from '../src/planner/planner.ts';
import { PlanStore } from '../src/planner/planStore.ts';
import type { Services } from '../src/http/services.ts';

/** What is tested here hangs on what is due, not on how sure it is: a few members tell a window as quickly as may be. */
const FEW_MEMBERS = 12;

/** The application with its plans made in the thread that answers, by few members unless told. For tests. */
export function appHere(
  services: Omit<Services, 'plans' | 'files' | 'live' | 'checking'> & Partial<Pick<Services, 'files'>>,
  members: number | undefined = FEW_MEMBERS,
): Express {
  const { wall, log } = services;
  const plans = new PlanStore(new InProcessPlanner({ members }), wall, log);
  const app = kibbleApp({ ...services, plans, files: services.files ?? WeatherFiles.here() });
  app.locals.plans = plans;
  return app;
}

/** Done when nothing that an application's views have left to be saved waits any more: its file may be closed then. */
export const settled = (app: Express | undefined): Promise<void> =>
  (app?.locals.plans as PlanStore | undefined)?.settled() ?? Promise.resolve();
