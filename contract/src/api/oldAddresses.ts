import { del, post, type Address } from './addresses.ts';

/**
 * How entries were addressed before everything became one log. They stay valid until 1 December 2027, for phones that were
 * offline through the update and pages that were open: see the server's `oldAddresses`.
 */
export const OLD_ADDRESSES = {
  undoSettings: post('/api/settings/take-back', 'device'),
  addFinding: post('/api/gardens/:id/findings', 'helper', { of: 'garden' }),
  undoFinding: del('/api/findings/:id', 'helper', { of: 'finding' }),
  restoreFinding: post('/api/findings/:id/restore', 'helper', { of: 'finding' }),
  addPotEntries: post('/api/gardens/:id/pot-entries', 'helper', { of: 'garden' }),
  undoPotEntries: post('/api/gardens/:id/pot-entries/remove', 'helper', { of: 'garden' }),
  restorePotEntries: post('/api/gardens/:id/pot-entries/restore', 'helper', { of: 'garden' }),
  addPh: post('/api/gardens/:id/ph', 'device'),
  addWatering: post('/api/beds/:id/waterings', 'helper', { of: 'bed' }),
  addSkip: post('/api/beds/:id/skips', 'helper', { of: 'bed' }),
  addRain: post('/api/gardens/:id/rain', 'device'),
  undoEvent: del('/api/events/:id', 'helper', { of: 'event' }),
  restoreEvent: post('/api/events/:id/restore', 'helper', { of: 'event' }),
  sayWeather: post('/api/gardens/:id/weather/said', 'device'),
  unsayWeather: post('/api/gardens/:id/weather/said/take-back', 'device'),
  seeAlert: post('/api/gardens/:id/alerts/seen', 'device'),
} satisfies Record<string, Address>;
