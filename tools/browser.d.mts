import type { Browser } from 'puppeteer-core';

export function chromiumPath(): string | undefined;
export function openBrowser(more?: readonly string[]): Promise<{ browser: Browser; close(): Promise<void> }>;
