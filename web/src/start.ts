import './styles.css';
import { asksOf } from '@kibble/contract';
import { fileOf } from './house/roomFiles.ts';

const { pathname } = window.location;

// The room, and what it is to show, are fetched beside what draws them, not after it. A room that cannot be fetched is told
// where it would be drawn.
fileOf(pathname)?.().catch(() => undefined);
for (const { address } of asksOf(pathname)) {
  const link = document.createElement('link');
  Object.assign(link, { rel: 'preload', as: 'fetch', crossOrigin: 'anonymous', href: address });
  document.head.append(link);
}
void import('./main.tsx');
