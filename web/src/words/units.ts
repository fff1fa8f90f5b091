import {
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  feetToM,
  fluidOuncesToMl,
  gallonsToLitres,
  inchesToMm,
  kgToPounds,
  litresToGallons,
  m2ToSquareFeet,
  mlToFluidOunces,
  mmToInches,
  mphToMs,
  msToMph,
  mToFeet,
  poundsToKg,
  squareFeetToM2,
} from '@kibble/core';
import type { Quantity, UnitSystem } from '@kibble/contract';
import { createContext, useContext } from 'react';

/** How a quantity is written and typed in one system of units. */
export interface Unit {
  unit: string;
  /** Decimals shown. */
  decimals: number;
  fromSi: (value: number) => number;
  toSi: (value: number) => number;
}

const same = (v: number): number => v;
const plain = (unit: string, decimals: number): Unit => ({ unit, decimals, fromSi: same, toSi: same });

const METRIC: Readonly<Record<Quantity, Unit>> = {
  area: plain('m²', 1),
  depth: plain('mm', 0),
  temperature: plain('°C', 0),
  wind: plain('m/s', 1),
  flow: plain('L/min', 1),
  volume: plain('L', 0),
  minutes: plain('min', 0),
  percent: plain('%', 0),
  degrees: plain('°', 1),
  height: plain('m', 0),
  count: plain('', 0),
  humidity: plain('%', 0),
  solar: plain('MJ/m²', 1),
  seconds: plain('s', 0),
  length: plain('m', 2),
  span: { unit: 'cm', decimals: 1, fromSi: (m) => m * 100, toSi: (cm) => cm / 100 },
  drip: plain('L/h', 1),
  rate: plain('mm/h', 1),
  share: { unit: '%', decimals: 0, fromSi: (v) => v * 100, toSi: (v) => v / 100 },
  millilitres: plain('mL', 0),
  litresFine: plain('L', 1),
  weight: plain('kg', 3),
  dose: plain('mL/L', 2),
  ph: plain('', 1),
};
const US: Readonly<Record<Quantity, Unit>> = {
  ...METRIC,
  area: { unit: 'sq ft', decimals: 0, fromSi: m2ToSquareFeet, toSi: squareFeetToM2 },
  depth: { unit: 'in', decimals: 2, fromSi: mmToInches, toSi: inchesToMm },
  temperature: { unit: '°F', decimals: 0, fromSi: celsiusToFahrenheit, toSi: fahrenheitToCelsius },
  wind: { unit: 'mph', decimals: 0, fromSi: msToMph, toSi: mphToMs },
  flow: { unit: 'gal/min', decimals: 1, fromSi: litresToGallons, toSi: gallonsToLitres },
  volume: { unit: 'gal', decimals: 0, fromSi: litresToGallons, toSi: gallonsToLitres },
  height: { unit: 'ft', decimals: 0, fromSi: mToFeet, toSi: feetToM },
  length: { unit: 'ft', decimals: 1, fromSi: mToFeet, toSi: feetToM },
  span: {
    unit: 'in',
    decimals: 1,
    fromSi: (m) => mmToInches(m * 1000),
    toSi: (inches) => inchesToMm(inches) / 1000,
  },
  drip: { unit: 'gal/h', decimals: 1, fromSi: litresToGallons, toSi: gallonsToLitres },
  rate: { unit: 'in/h', decimals: 2, fromSi: mmToInches, toSi: inchesToMm },
  millilitres: { unit: 'fl oz', decimals: 1, fromSi: mlToFluidOunces, toSi: fluidOuncesToMl },
  litresFine: { unit: 'gal', decimals: 2, fromSi: litresToGallons, toSi: gallonsToLitres },
  weight: { unit: 'lb', decimals: 2, fromSi: kgToPounds, toSi: poundsToKg },
};
const SYSTEMS: Readonly<Record<UnitSystem, Readonly<Record<Quantity, Unit>>>> = { metric: METRIC, us: US };

export interface Units {
  system: UnitSystem;
  of: (quantity: Quantity) => Unit;
  /** The number alone, rounded for reading. */
  number: (quantity: Quantity, si: number) => string;
  /** Number and unit. */
  text: (quantity: Quantity, si: number) => string;
}

/** Making a formatter is dear, using one is not. */
const formatters = new Map<number, Intl.NumberFormat>();
function formatter(decimals: number): Intl.NumberFormat {
  const known = formatters.get(decimals);
  if (known) return known;
  const made = new Intl.NumberFormat(undefined, {
    minimumFractionDigits: 0,
    maximumFractionDigits: decimals,
  });
  formatters.set(decimals, made);
  return made;
}

export function unitsOf(system: UnitSystem): Units {
  const table = SYSTEMS[system];
  const number = (quantity: Quantity, si: number): string => {
    const { decimals, fromSi } = table[quantity];
    const value = fromSi(si);
    return formatter(decimals).format(value);
  };
  return {
    system,
    of: (quantity) => table[quantity],
    number,
    text: (quantity, si) => {
      const { unit } = table[quantity];
      const glue = unit.startsWith('°') ? '' : '\u00a0';
      return `${number(quantity, si)}${glue}${unit}`;
    },
  };
}

export const UnitsContext = createContext<Units>(unitsOf('metric'));
export const useUnits = (): Units => useContext(UnitsContext);

export { minutesText } from '@kibble/core';
