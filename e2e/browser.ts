/** Debian's Chromium, with nothing that would call out. */
export const browser = {
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  timezoneId: 'Europe/Paris',
  trace: 'off' as const,
  // What a walk sets in the way of a request is not seen by a worker; the walks without network let it in.
  serviceWorkers: 'block' as const,
  launchOptions: {
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  },
};
