/**
 * Conversions between SI, used everywhere inside, and the units people and files use at the edges.
 * Factors are exact by definition (international inch, foot, mile; US liquid gallon = 231 cubic inches)
 * unless a comment says otherwise.
 */
export const MM_PER_INCH = 25.4;
export const LITRES_PER_US_GALLON = 3.785411784;
export const M2_PER_SQUARE_FOOT = 0.09290304;
export const M_PER_FOOT = 0.3048;

/** Degrees Fahrenheit to degrees Celsius. */
export const fahrenheitToCelsius = (f: number): number => ((f - 32) * 5) / 9;
/** Degrees Celsius to degrees Fahrenheit. */
export const celsiusToFahrenheit = (c: number): number => (c * 9) / 5 + 32;
/** Inches to millimetres. */
export const inchesToMm = (inches: number): number => inches * MM_PER_INCH;
/** Millimetres to inches. */
export const mmToInches = (mm: number): number => mm / MM_PER_INCH;
/** Kilometres per hour to metres per second. */
export const kmhToMs = (kmh: number): number => kmh / 3.6;
/** Metres per second to kilometres per hour. */
export const msToKmh = (ms: number): number => ms * 3.6;
/** Miles per hour to metres per second. */
export const mphToMs = (mph: number): number => mph * 0.44704;
/** Metres per second to miles per hour. */
export const msToMph = (ms: number): number => ms / 0.44704;
/** What so many litres of water weigh, kg: a litre a kilogram, 0.2 % more than at 20 °C. */
export const waterKg = (litres: number): number => litres;
/** US gallons to litres. */
export const gallonsToLitres = (gallons: number): number => gallons * LITRES_PER_US_GALLON;
/** Litres to US gallons. */
export const litresToGallons = (litres: number): number => litres / LITRES_PER_US_GALLON;
/** US fluid ounces: 128 to the gallon. */
export const fluidOuncesToMl = (ounces: number): number => (ounces * 1000 * LITRES_PER_US_GALLON) / 128;
/** Millilitres to US fluid ounces. */
export const mlToFluidOunces = (ml: number): number => (ml * 128) / (1000 * LITRES_PER_US_GALLON);
/** Pounds to kilograms: a pound is 0.45359237 kg. */
export const poundsToKg = (pounds: number): number => pounds * 0.45359237;
/** Kilograms to pounds. */
export const kgToPounds = (kg: number): number => kg / 0.45359237;
/** Square feet to square metres. */
export const squareFeetToM2 = (ft2: number): number => ft2 * M2_PER_SQUARE_FOOT;
/** Square metres to square feet. */
export const m2ToSquareFeet = (m2: number): number => m2 / M2_PER_SQUARE_FOOT;
/** Feet to metres. */
export const feetToM = (ft: number): number => ft * M_PER_FOOT;
/** Metres to feet. */
export const mToFeet = (m: number): number => m / M_PER_FOOT;
/** Solar radiation, W/m² as a day's mean, to MJ/m²/day: 86,400 s in a day. */
export const wattsToMJPerDay = (watts: number): number => watts * 0.0864;

/** Solar energy, kWh/m² a day, to MJ/m²/day. */
export const kwhToMJ = (kwh: number): number => kwh * 3.6;

/** Litres that stand `mm` deep over `m2`: 1 mm on 1 m² is 1 L. */
export const litresFromDepth = (mm: number, m2: number): number => mm * m2;
/** Depth in mm of `litres` spread evenly over `m2`. */
export const depthFromLitres = (litres: number, m2: number): number => litres / m2;
/** Cubic metres to cubic yards: a yard is 0.9144 m. */
export const m3ToCubicYards = (m3: number): number => m3 / 0.9144 ** 3;
/** Cubic metres to litres. */
export const m3ToLitres = (m3: number): number => m3 * 1000;
/** Area of a rectangular bed, m². */
export const rectangleArea = (lengthM: number, widthM: number): number => lengthM * widthM;
