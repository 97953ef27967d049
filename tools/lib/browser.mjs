import { chromium } from '@playwright/test';

/** Debian's Chromium, kept from calling home. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
  ],
};

export function launchChromium() {
  return chromium.launch(CHROMIUM);
}
