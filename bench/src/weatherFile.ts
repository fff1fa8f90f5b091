import { readWeatherFile, rowsOf } from '@kibble/contract';
import { medianMs } from './measure.ts';

const ROWS = 100_000;

/** A file of a hundred thousand hours: taken apart, and read. ms, as the thread that reads files does it. */
export function weatherFileMs(): { apart: number; read: number } {
  const hours = Array.from({ length: ROWS }, (_, h) => {
    const at = new Date(Date.UTC(2010, 0, 1, h)).toISOString().slice(0, 16);
    return `${at},${(10 + (h % 24) / 2).toFixed(1)},0.1,${(1 + (h % 7) / 3).toFixed(2)},${40 + (h % 50)}`;
  });
  const text = ['timestamp,temperature (°C),rain (mm),wind (m/s),humidity (%)', ...hours].join('\n');
  const rows = rowsOf(text);
  return {
    apart: medianMs(() => rowsOf(text), 3),
    read: medianMs(() => readWeatherFile(rows, { latitudeDeg: 47 }), 3),
  };
}
