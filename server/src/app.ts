import { authRoutes } from './platform/authRoutes.ts';
import { careRoutes } from './platform/care/index.ts';
import type { Context } from './platform/context.ts';
import { type App, type HttpOptions, makeHttp, serveWeb } from './platform/http.ts';
import { captureRoutes } from './rooms/capture/index.ts';
import { checkinRoutes, openLink } from './rooms/checkins/index.ts';
import { diagnosisRoutes } from './rooms/diagnosis/index.ts';
import { intakeRoutes } from './rooms/intake/index.ts';
import { measureRoutes } from './rooms/measures/index.ts';
import { cameraKey, practiceRoutes } from './rooms/practice/index.ts';
import { prescriptionRoutes } from './rooms/prescription/index.ts';
import { progressRoutes } from './rooms/progress/index.ts';

const ROUTES = [
  authRoutes,
  intakeRoutes,
  captureRoutes,
  measureRoutes,
  diagnosisRoutes,
  prescriptionRoutes,
  practiceRoutes,
  checkinRoutes,
  progressRoutes,
  careRoutes,
];

/** The whole server, not yet listening; tests and the demo inject requests into it. */
export async function buildApp(ctx: Context, options: HttpOptions = {}): Promise<App> {
  const app = await makeHttp(
    ctx,
    { link: (token) => openLink(ctx, token), camera: (token) => cameraKey(ctx, token) },
    options,
  );
  for (const routes of ROUTES) routes(app, ctx);
  await serveWeb(app);
  return app;
}
