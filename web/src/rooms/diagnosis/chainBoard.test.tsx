import { diagnose, FAULTS } from '@inchstep/core/diagnosis';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { workInline } from '../../testing/inlineWorker.ts';
import { referenceFile } from '../../testing/referenceFile.ts';
import { ChainBoard, twoLines } from './ChainBoard.tsx';
import { layChain } from './chainLayout.ts';

beforeEach(() => {
  workInline({ lay: layChain });
});
afterEach(cleanup);

const file = {
  ...referenceFile(),
  measures: [
    { id: 'lead_knee_in_top', value: 5.2, sd: 0.3 },
    { id: 'turn_top', value: 71, sd: 2 },
  ],
};
const diagnosis = diagnose(file);
const board = async () => {
  render(<ChainBoard diagnosis={diagnosis} school={file.school} />);
  return within(await screen.findByRole('region', { name: 'Chain board' }));
};

describe('the chain board', () => {
  test('begins with the root picked and counts what it would explain', async () => {
    const chain = await board();
    expect(diagnosis.roots[0]?.fault).toBe('lead_knee_collapse');
    const root = chain.getByRole('button', { pressed: true });
    expect(root.textContent).toContain('Lead knee');
    expect(chain.getByRole('status').textContent).toBe('Lead knee falls in would explain 2 of 2 findings');
  });
  test('by keys: Enter or space picks another, and again lets go', async () => {
    const chain = await board();
    const other = chain
      .getAllByRole('button', { pressed: false })
      .find((b) => b.textContent?.includes('over-turn')) as HTMLElement;
    expect(other.getAttribute('tabindex')).toBe('0');
    fireEvent.keyDown(other, { key: 'Enter' });
    expect(other.getAttribute('aria-pressed')).toBe('true');
    expect(chain.getByRole('status').textContent).toMatch(/^Hips over-turn would explain \d of 2/);
    fireEvent.keyDown(other, { key: 'a' });
    expect(other.getAttribute('aria-pressed')).toBe('true');
    fireEvent.keyDown(other, { key: ' ' });
    expect(other.getAttribute('aria-pressed')).toBe('false');
    expect(chain.getByRole('status').textContent).toBe('');
  });
  test('what the picked fault does not explain is dimmed', async () => {
    const chain = await board();
    const dim = (name: string) =>
      Number(
        chain
          .getAllByRole('button')
          .find((b) => b.textContent?.includes(name))
          ?.getAttribute('opacity'),
      );
    expect(dim('Lead knee')).toBe(1);
    fireEvent.click(
      chain.getAllByRole('button').find((b) => b.textContent?.includes('over-turn')) as Element,
    );
    expect(dim('over-turn')).toBe(1);
    expect(dim('Lead knee')).toBeLessThan(1);
  });
  test('all faults on asking, and the same in a list with their odds and causes', async () => {
    const chain = await board();
    const few = chain.getAllByRole('button').length;
    fireEvent.click(chain.getByRole('checkbox', { name: 'All faults' }));
    const many = () =>
      within(screen.getByRole('region', { name: 'Chain board' })).getAllByRole('button').length;
    await waitFor(() => expect(many()).toBe(FAULTS.length));
    expect(few).toBeLessThan(FAULTS.length);
    const rows = within(document.querySelector('details') as HTMLElement).getAllByRole('listitem', {
      hidden: true,
    });
    expect(rows).toHaveLength(FAULTS.length);
    expect(rows[0]?.textContent).toMatch(/Found: lead knee/);
  });
});

describe('a name in a box', () => {
  test('stays whole, goes on two lines, or is cut where even that is too narrow', () => {
    expect(twoLines('Sway', 10)).toEqual(['Sway']);
    expect(twoLines('Hips over-turn', 10)).toEqual(['Hips', 'over-turn']);
    expect(twoLines('Creeps to the ball going back', 14)).toEqual(['Creeps to the', 'ball going ba…']);
    expect(twoLines('Unbreakable', 6)).toEqual(['Unbrea', 'kable']);
  });
});
