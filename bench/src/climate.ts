import { climateTowns } from '../../core/tests/climateTowns.ts';
import { quantile } from '../../core/tests/quantile.ts';
import { climateAt, stationsLeftOut } from '../../core/src/weather/climate/climateAt.ts';
import type { Station } from '../../core/src/weather/climate/stationTable.ts';
import type { ClimateDoubt, ClimateMonth } from '../../core/src/weather/climate/types.ts';

/**
 * How near the climate of a place comes: each reference station as the others say it is, and twenty towns that are no stations.
 */
interface Judged {
  station: Station;
  said: { months: readonly ClimateMonth[]; doubt: ClimateDoubt };
}

const sum = (list: readonly number[]): number => list.reduce((total, each) => total + each, 0);
const yearTimes = ({ station, said }: Judged): number =>
  sum(said.months.map(({ rainMm }) => rainMm)) / sum(station.rainMm);

/** How far off each figure of a kind is, and whether it is within what was said of it. */
const KINDS: readonly {
  name: string;
  digits: number;
  of: (judged: Judged) => { off: number; held: boolean }[];
}[] = [
  {
    name: 'highs and lows of a month, °C',
    digits: 1,
    of: ({ station, said }) =>
      said.months.flatMap(({ highC, lowC }, m) =>
        [highC - (station.highC[m] ?? 0), lowC - (station.lowC[m] ?? 0)].map((off) => ({
          off: Math.abs(off),
          held: Math.abs(off) <= said.doubt.tempC,
        })),
      ),
  },
  {
    name: 'rain of a year, share',
    digits: 2,
    of: (judged) => {
      const times = yearTimes(judged);
      return [
        {
          off: Math.abs(times - 1),
          held: Math.abs(Math.log(times)) <= Math.log(1 + judged.said.doubt.rainShare),
        },
      ];
    },
  },
  {
    name: 'wet days of a month',
    digits: 1,
    of: ({ station, said }) =>
      said.months.map(({ wetDays }, m) => {
        const off = Math.abs(wetDays - (station.wetDays[m] ?? 0));
        return { off, held: off <= said.doubt.wetDays };
      }),
  },
];

function report(title: string, all: readonly Judged[]): void {
  console.log(`${title}                 median   9 of 10   within what is said`);
  for (const { name, digits, of } of KINDS) {
    const found = all.flatMap(of);
    const offs = found.map(({ off }) => off);
    const held = found.filter((each) => each.held).length / found.length;
    const figures = [0.5, 0.9].map((share) => quantile(offs, share).toFixed(digits).padStart(9));
    console.log(`  ${name.padEnd(34)}${figures.join('')}${`${Math.round(100 * held)} %`.padStart(14)}`);
  }
}

const leftOut = stationsLeftOut();
report(`${leftOut.length} stations, each left out`, leftOut);
console.log('  furthest off by the year’s rain:');
const byRain = leftOut
  .map((judged) => ({ name: judged.station.name, times: yearTimes(judged) }))
  .sort((a, b) => Math.abs(Math.log(b.times)) - Math.abs(Math.log(a.times)));
console.log(
  `  ${byRain
    .slice(0, 8)
    .map(({ name, times }) => `${name} × ${times.toFixed(1)}`)
    .join(', ')}`,
);
report(
  `${climateTowns.length} towns that are no stations`,
  climateTowns.map((station) => ({ station, said: climateAt(station) })),
);
