import { positive, within } from '../units/guard.ts';

/**
 * Rain a roof sends to its barrel.
 * @param options plan area of the roof m² (above 0), rain mm (0–1000), share that runs off (0–1; tiles and metal about 0.8–0.9)
 * @returns litres
 * Source: arithmetic, 1 mm on 1 m² is 1 L; runoff shares are common practice.
 */
export function roofHarvest(options: { roofM2: number; rainMm: number; runoffCoefficient: number }): number {
  const roof = positive('roofM2', options.roofM2, 1_000_000, 'm²');
  const rain = within('rainMm', options.rainMm, 0, 1000, 'mm');
  return roof * rain * within('runoffCoefficient', options.runoffCoefficient, 0, 1);
}
