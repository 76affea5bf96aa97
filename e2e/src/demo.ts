import type { Page } from 'puppeteer-core';
import { press, see } from './hands.ts';

interface Known {
  readonly id: string;
  readonly profile: { readonly firstName: string };
}

/** Goes into the demo as its coach; answers who is who, and throws for a name that nobody has. */
export async function enterDemo(page: Page, url: string): Promise<(firstName: string) => string> {
  await page.goto(url);
  await press(page, 'Enter as Ilse Varga (demo)');
  await see(page, 'Pain reported');
  const known = (await page.evaluate(() => fetch('/api/students').then((r) => r.json()))) as Known[];
  return (firstName) => {
    const found = known.find((s) => s.profile.firstName === firstName);
    if (!found) throw new Error(`nobody in the demo is called ${firstName}`);
    return found.id;
  };
}
