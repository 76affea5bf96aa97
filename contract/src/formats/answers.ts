import type { Diagnosis, NextLook } from '@inchstep/core/diagnosis';
import { roundTo } from '@inchstep/core/foundation';
import type { Measured } from '@inchstep/core/measures';
import type { Plan } from '@inchstep/core/practice';
import type { Prescribed, Prescription } from '@inchstep/core/prescription';
import {
  bindingText,
  cautionText,
  contradictionText,
  DRILL_WORDS,
  giveText,
  leaveText,
  nextLookText,
  partText,
  refusalText,
  weighedText,
} from '../words/index.ts';

const three = (value: number): number => roundTo(value, 3);

/** `inchstep.measures/1` */
export function measuresAnswer(measured: Measured) {
  return {
    format: 'inchstep.measures/1' as const,
    measures: measured.measures.map((m) => ({
      id: m.id,
      station: m.station,
      value: three(m.value),
      sd: three(m.sd),
      lo95: three(m.lo95),
      hi95: three(m.hi95),
      verdict: m.verdict,
      severity: three(m.severity),
    })),
    landmarks: measured.landmarks().map((l) => ({
      station: l.station,
      id: l.id,
      xIn: three(l.at[0]),
      yIn: three(l.at[1]),
      zIn: three(l.at[2]),
      covIn2: l.covIn2.map((row) => row.map((value) => roundTo(value, 5))),
    })),
    views: measured.views,
    needs: measured.needs,
    suspects: measured.suspects.map(({ mark, offBySds }) => ({
      view: mark.view,
      station: mark.station,
      landmark: mark.landmark,
      offBySds: roundTo(offBySds, 1),
    })),
  };
}

const lookAnswer = (look: NextLook) => ({
  kind: look.kind,
  id: look.id,
  gainBits: three(look.gainBits),
  text: nextLookText(look),
});

/** `inchstep.diagnosis/1` */
export function diagnosisAnswer(diagnosis: Diagnosis) {
  const weighed = (entries: Diagnosis['roots'][number]['for']) =>
    entries.map((entry) => ({
      finding: entry.finding,
      weight: three(entry.weight),
      text: weighedText(entry),
    }));
  return {
    format: 'inchstep.diagnosis/1' as const,
    enough: diagnosis.enough,
    roots: diagnosis.roots.map((root) => ({
      fault: root.fault,
      probability: three(root.probability),
      strength: root.strength,
      explains: root.explains,
      for: weighed(root.for),
      against: weighed(root.against),
    })),
    workOn: diagnosis.workOn,
    leaveAlone: diagnosis.leaveAlone.map(({ fault, probability, why }) => ({
      fault,
      probability: three(probability),
      why: leaveText(why),
    })),
    blockers: diagnosis.blockers,
    contradictions: diagnosis.contradictions.map((both) => ({ ...both, text: contradictionText(both) })),
    nextLook: diagnosis.nextLook && lookAnswer(diagnosis.nextLook),
    nextLooks: diagnosis.nextLooks.map(lookAnswer),
    faults: Object.fromEntries(Object.entries(diagnosis.faults).map(([id, p]) => [id, three(p)])),
  };
}

const prescribed = (drill: Prescribed) => ({
  id: drill.id,
  role: drill.role,
  score: three(drill.score),
  reasons: drill.parts.map(partText),
  cautions: drill.cautions.map(cautionText),
  setup: drill.setup.map(({ id, valueIn }) => ({ id, valueIn: roundTo(valueIn, 1) })),
  cue: DRILL_WORDS[drill.id]?.cue ?? '',
  watch: drill.watch,
});

/** `inchstep.prescription/1` */
export function prescriptionAnswer(prescription: Prescription) {
  return {
    format: 'inchstep.prescription/1' as const,
    workOn: prescription.workOn,
    drills: prescription.drills.map(prescribed),
    alternatives: prescription.alternatives.map(prescribed),
    rejected: prescription.rejected.map((refusal) => ({
      id: refusal.id,
      code: refusal.code,
      text: refusalText(refusal),
    })),
    blockers: prescription.blockers,
    firstThings: prescription.firstThings,
    beside: prescription.beside,
    wouldOpen: prescription.wouldOpen,
  };
}

/** `inchstep.plan/1` */
export const planAnswer = ({ gives, binding, ...plan }: Plan) => ({
  format: 'inchstep.plan/1' as const,
  ...plan,
  binding: binding.map(({ rule, about, days }) => ({
    rule,
    about,
    days,
    text: bindingText({ rule, about, days }),
  })),
  gives: gives.map((give) => ({ ...give, text: giveText(give) })),
});
