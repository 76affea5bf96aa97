import { NavLink, Outlet, useParams } from 'react-router';
import { Shown } from '../../platform/parts.tsx';
import { HAND_WORDS, PainPause, useStudent } from '../intake/index.ts';
import { STUDENT_FRAME_WORDS } from './words.ts';

// In the order of the work, so that the row reads as the way a student goes.
export const ROOMS: readonly [path: string, name: string][] = [
  ['', STUDENT_FRAME_WORDS.student],
  ['lesson', STUDENT_FRAME_WORDS.lesson],
  ['intake', STUDENT_FRAME_WORDS.intake],
  ['bench', STUDENT_FRAME_WORDS.bench],
  ['diagnosis', STUDENT_FRAME_WORDS.reasons],
  ['drills', STUDENT_FRAME_WORDS.drill],
  ['ladder', STUDENT_FRAME_WORDS.ladder],
  ['checkins', STUDENT_FRAME_WORDS.checkIns],
  ['progress', STUDENT_FRAME_WORDS.progress],
];

/** A student's name over the row of rooms. */
export function StudentFrame() {
  const { id = '' } = useParams();
  const student = useStudent(id);
  return (
    <Shown query={student} what={STUDENT_FRAME_WORDS.theStudent}>
      {(s) => (
        <>
          <div className="no-print flex flex-wrap items-end gap-x-4 border-b-[1.5px] border-base-300 bg-base-200 px-4 pt-1">
            <div className="flex min-h-11 items-center gap-3 text-lg font-semibold">
              <h1 className="text-lg">
                {s.profile.firstName} {s.profile.familyName}
              </h1>
              <span className="text-sm font-normal">
                {HAND_WORDS[s.profile.handedness]}, {s.ageYears}
              </span>
            </div>
            <nav aria-label={STUDENT_FRAME_WORDS.rooms} className="flex flex-wrap">
              {ROOMS.map(([path, name]) => (
                <NavLink
                  key={path}
                  to={`/students/${id}${path ? `/${path}` : ''}`}
                  end={path === ''}
                  className={({ isActive }) =>
                    `flex min-h-11 items-center border-b-4 px-3 ${isActive ? 'border-primary font-semibold' : 'border-transparent hover:border-base-300'}`
                  }
                >
                  {name}
                </NavLink>
              ))}
            </nav>
          </div>
          <PainPause studentId={id} />
          <Outlet context={{ student: s }} />
        </>
      )}
    </Shown>
  );
}
