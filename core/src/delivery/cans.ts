import { positive } from '../units/guard.ts';

/** Litres in so many cans, parts of one among them. Source: arithmetic. */
export const litresOfCans = (options: { cans: number; canLitres: number }): number =>
  positive('cans', options.cans, 100_000) * positive('canLitres', options.canLitres, 10_000, 'L');
