import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { installProgram } from '../../platform/installProgram.ts';
import { forgetKeptQueries, keepWhile } from '../../platform/keptQueries.ts';
import { keys } from '../../platform/queryKeys.ts';
import { useUnits } from '../../platform/units.ts';
import { useDiagnoses } from '../diagnosis/index.ts';
import { useHold } from '../intake/index.ts';
import { useReadings } from '../measures/index.ts';
import { useGates, useSets } from '../practice/index.ts';
import { useDrillChoices, usePrescription } from '../prescription/index.ts';
import { useLessonDraft } from './lessonQueries.ts';

const SHARED: ReadonlySet<unknown> = new Set([keys.me[0], keys.library[0], keys.lessons[0], 'diagnoses']);

/** Every part of a lesson is at hand from its first minute, also on a screen that is opened when the signal has gone. */
export function useLessonAtHand(studentId: string, lessonId: string, isOver: boolean): void {
  const client = useQueryClient();
  const { lengths } = useUnits();
  useLessonDraft(studentId, lessonId, lengths);
  useGates(studentId);
  useHold(studentId);
  useSets(studentId);
  useReadings(studentId);
  const diagnoses = useDiagnoses(studentId);
  usePrescription(diagnoses.data?.[0]?.id);
  useDrillChoices(studentId);
  useEffect(() => void installProgram(), []);
  useEffect(() => {
    if (isOver) {
      void forgetKeptQueries();
      return;
    }
    return keepWhile(client, ([of, id]) => SHARED.has(of) || (of === 'students' && id === studentId));
  }, [client, studentId, isOver]);
}
