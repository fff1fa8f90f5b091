import type { ErrorCode } from '@kibble/contract';

/** In a person's words, by why there is no page; nothing that was asked is repeated in it. */
const WORDS: Readonly<Partial<Record<ErrorCode, string>>> = {
  'not-found': 'There is no page at this address.',
  'wrong-address': 'Kibble answers only at its own address, and this is another.',
  'not-allowed': 'Kibble takes this only from its own pages.',
  'wrong-type': 'Kibble takes nothing at this address.',
};

/** What a browser is shown where there is no page: Kibble's own words and a way on. */
export const errorPage = (code: ErrorCode): string => `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Kibble</title></head>
<body><h1>No page</h1><p>${WORDS[code] ?? 'Kibble cannot show this page just now. Please try again in a moment.'}</p><p><a href="/">Go to your garden</a></p></body>
</html>
`;
