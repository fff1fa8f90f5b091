import { existsSync } from 'node:fs';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { Refusal } from './errors.ts';
import { authorize, authorizeBody } from './http/authorize.ts';
import { errorHandler } from './http/errorHandler.ts';
import { Live } from './http/live.ts';
import { hostGuard } from './http/originGuard.ts';
import { pageFiles } from './http/pageFiles.ts';
import { apiRouter, notInCatalogue, type Handlers } from './http/register.ts';
import { requestLog } from './http/requestLog.ts';
import { signature } from './http/signature.ts';
import { bedRoutes } from './routes/beds.ts';
import { calendarRoutes } from './routes/calendar.ts';
import { draftRoutes } from './routes/drafts.ts';
import { gardenRoutes } from './routes/gardens.ts';
import { logRoutes } from './routes/log.ts';
import { oldAddresses } from './routes/oldAddresses.ts';
import { planRoutes } from './routes/plans.ts';
import { potRoutes } from './routes/pots.ts';
import { practiceRoutes } from './routes/practice.ts';
import { sharingRoutes } from './routes/sharing.ts';
import { tapRoutes } from './routes/taps.ts';
import { townRoutes } from './routes/towns.ts';
import { treeRoutes } from './routes/trees.ts';
import { weatherRoutes } from './routes/weather.ts';
import { weatherFileRoutes } from './routes/weatherFiles.ts';
import { yourDataRoutes } from './routes/yourData.ts';
import type { Services } from './http/services.ts';
import { momentary } from './services/acting.ts';
import { checkingHere } from './restoring/checking.ts';

/** A third of the time of the usual level, for a twentieth more letters: most who ask sit in the same house. */
const COMPRESSION_LEVEL = 4;

/** What answers each endpoint of the catalogue: an endpoint nobody answers is an error of the types. */
const handlersOf = (services: Services): Handlers => ({
  ...gardenRoutes(services),
  ...bedRoutes(services),
  ...planRoutes(services),
  ...logRoutes(services),
  ...oldAddresses(services),
  ...tapRoutes(services),
  ...draftRoutes(services),
  ...weatherRoutes(services),
  ...weatherFileRoutes(services),
  ...potRoutes(services),
  ...treeRoutes(services),
  ...townRoutes(services),
  ...sharingRoutes(services),
  ...calendarRoutes(services),
  ...practiceRoutes(services),
  ...yourDataRoutes(services),
});

/** The application: the API under /api and, when it is built, the interface from `webDir`. */
export function kibbleApp(
  given: Omit<Services, 'live' | 'checking'> & Partial<Pick<Services, 'live' | 'checking'>>,
  webDir?: string,
): Express {
  const { live = new Live(), checking = checkingHere() } = given;
  const services: Services = { ...given, live, checking, wall: momentary(given.wall) };
  const { sharing } = services;
  services.plans.onTouched = (touched, by) =>
    live.tell({
      gardenId: touched?.gardenId,
      pots: touched?.pots,
      beds: touched?.beds ? [...touched.beds] : undefined,
      by,
    });
  const app = express();
  app.disable('x-powered-by');
  app.enable('case sensitive routing');
  app.enable('strict routing');
  app.use(requestLog(services.log));
  app.use(hostGuard(() => sharing?.names() ?? []));
  app.use(signature(services.sequelize, given.wall, sharing));
  app.use(
    helmet({
      contentSecurityPolicy: { directives: { upgradeInsecureRequests: null } },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression({ level: COMPRESSION_LEVEL }));
  app.use(
    apiRouter(handlersOf(services), {
      authorize: authorize(sharing),
      authorizeBody: authorizeBody(sharing),
    }),
  );
  app.use(notInCatalogue);
  if (webDir && existsSync(webDir)) app.use(pageFiles(webDir));
  app.use((req) => {
    throw new Refusal('not-found', `There is no page ${req.path.slice(0, 200)}.`, 'address');
  });
  app.use(errorHandler(services.log));
  return app;
}
