import { Shown } from '../parts.tsx';
import { DoorPanel } from './DoorPanel.tsx';
import { KeptPanel } from './KeptPanel.tsx';
import { useCare } from './queries.ts';
import { RecordPanel } from './RecordPanel.tsx';
import { WaysInPanel } from './WaysInPanel.tsx';
import { CARE_WORDS, DATA_SCREEN_WORDS } from './words.ts';

/** What is kept where, how it is moved and forgotten, and who can get in. */
export function DataScreen() {
  const care = useCare();
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-4 p-4">
      <h1 className="text-3xl">{CARE_WORDS.title}</h1>
      <Shown query={care} what={DATA_SCREEN_WORDS.whatIsKept}>
        {(data) => (
          <div className="grid items-start gap-4 lg:grid-cols-2">
            <div className="flex flex-col gap-4">
              <KeptPanel care={data} />
              <DoorPanel contact={data.contact} />
            </div>
            <div className="flex flex-col gap-4">
              <RecordPanel care={data} />
              <WaysInPanel care={data} />
            </div>
          </div>
        )}
      </Shown>
    </div>
  );
}
