import { positive } from '../units/guard.ts';

/** Water in so many cans, parts of one among them. @param options cans, above 0 to 100,000; what one holds, L. @returns L. Source: arithmetic. */
export const litresOfCans = (options: { cans: number; canLitres: number }): number =>
  positive('cans', options.cans, 100_000) * positive('canLitres', options.canLitres, 10_000, 'L');
