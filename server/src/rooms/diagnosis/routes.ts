import * as wire from '@inchstep/contract/endpoints';
import type { Context } from '../../platform/context.ts';
import { authorOf } from '../../platform/guard.ts';
import type { App } from '../../platform/http.ts';
import { mount } from '../../platform/mount.ts';
import { chooseWork, diagnosisNow, listDiagnoses, makeDiagnosis, unchooseWork } from './service.ts';

export function diagnosisRoutes(app: App, ctx: Context): void {
  mount(app, wire.diagnosis.listDiagnoses, async ({ params: p }) => listDiagnoses(ctx, p.id));
  mount(app, wire.diagnosis.diagnose, async (request) =>
    makeDiagnosis(ctx, request.params.id, request.body, authorOf(request)),
  );
  mount(app, wire.diagnosis.diagnosisNow, async ({ params: p }) => diagnosisNow(ctx, p.id));
  mount(app, wire.diagnosis.chooseWork, async ({ params: p, body }) =>
    chooseWork(ctx, p.id, body.workOn, body.note),
  );
  mount(app, wire.diagnosis.unchooseWork, async ({ params: p }) => unchooseWork(ctx, p.id));
}
