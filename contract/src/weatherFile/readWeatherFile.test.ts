import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { decodeText } from './decode.ts';
import { GivenUp, readWeatherFile } from './readWeatherFile.ts';

const seattle = readFileSync('node_modules/vega-datasets/data/seattle-weather.csv', 'utf8');

describe('a real record', () => {
  test('four years of Seattle, as the file is', () => {
    const read = readWeatherFile(seattle);
    expect(read.problem).toBeNull();
    expect(read.rejected).toEqual([]);
    expect(read.days).toHaveLength(1461);
    expect(read.days[0]).toEqual({ date: '2012-01-01', tMinC: 5, tMaxC: 12.8, rainMm: 0, windMs: 4.7 });
    expect(read.columns.map((c) => [c.heading, c.field, c.unit])).toEqual([
      ['date', 'date', 'year first'],
      ['precipitation', 'rainMm', 'mm'],
      ['temp_max', 'tMaxC', '°C'],
      ['temp_min', 'tMinC', '°C'],
      ['wind', 'windMs', 'm/s'],
    ]);
    expect(read.columns.filter((c) => c.unitAssumed)).toHaveLength(4);
    expect(read.ignored).toEqual(['weather']);
  });
});

describe('names and units', () => {
  test('Fahrenheit, inches and miles per hour, named in the headings', () => {
    const read = readWeatherFile('Date,TMIN (°F),TMAX (°F),Rain (in),Wind (mph)\n2026-07-01,50,86,0.5,10\n');
    expect(read.problem).toBeNull();
    expect(read.days[0]?.tMinC).toBeCloseTo(10, 9);
    expect(read.days[0]?.tMaxC).toBeCloseTo(30, 9);
    expect(read.days[0]?.rainMm).toBeCloseTo(12.7, 9);
    expect(read.days[0]?.windMs).toBeCloseTo(4.4704, 9);
    expect(read.columns.every((c) => !c.unitAssumed)).toBe(true);
  });

  test('units after an underscore, km/h, watts and humidity', () => {
    const read = readWeatherFile(
      'day;temp_min_f;temp_max_f;rain_mm;wind_kmh;rh_min_pct;rh_max_pct;solar_w/m2\n2026/7/1;50;86;3;36;30;90;250\n',
    );
    expect(read.problem).toBeNull();
    expect(read.days[0]).toMatchObject({ date: '2026-07-01', rhMinPct: 30, rhMaxPct: 90 });
    expect(read.days[0]?.tMaxC).toBeCloseTo(30, 9);
    expect(read.days[0]?.windMs).toBeCloseTo(10, 9);
    // 250 W/m² through a day is 21.6 MJ/m²: 250 × 86,400 s.
    expect(read.days[0]?.solarMJ).toBeCloseTo(21.6, 9);
  });

  test('an assumed unit can be put right', () => {
    const read = readWeatherFile('date,tmin,tmax,rain\n2026-07-01,50,86,1\n', {
      units: { tMinC: '°F', tMaxC: '°F', rainMm: 'in' },
    });
    expect(read.days[0]?.tMaxC).toBeCloseTo(30, 9);
    expect(read.days[0]?.rainMm).toBeCloseTo(25.4, 9);
  });
});

describe('what cannot be read is named by line and reason', () => {
  const row = (line: string): string =>
    readWeatherFile(`date,tmin,tmax,rain,wind\n${line}\n2026-07-02,10,20,0,2\n`).rejected[0]?.reason ?? '';

  test.each([
    ['2026-13-01,10,20,0,2', 'date must be written YYYY-MM-DD; got "2026-13-01"'],
    ['01/07/2026,10,20,0,2', 'date must be written YYYY-MM-DD; got "01/07/2026"'],
    ['2026-07-01,25,20,0,2', 'lowest temperature (25 °C) is above the highest (20 °C)'],
    ['2026-07-01,10,99,0,2', 'highest temperature must be from -60 to 60 °C; got 99 °C'],
    ['2026-07-01,10,20,-4,2', 'rain must be from 0 to 1000 mm; got -4 mm'],
    ['2026-07-01,ten,20,0,2', 'lowest temperature must be a number; got "ten"'],
    ['2026-07-01,,20,0,2', 'lowest temperature is missing'],
  ])('%s', (line, reason) => expect(row(line)).toBe(reason));

  test('a missing column is said with what the file has', () => {
    expect(readWeatherFile('when,hot,cold\n2026-07-01,20,10\n').problem).toMatch(
      /No column found for date.*it has: when, hot, cold/,
    );
    expect(readWeatherFile('').problem).toMatch(/it has: nothing/);
  });

  test('wind left blank is simply not known', () => {
    expect(readWeatherFile('date,tmin,tmax,rain,wind\n2026-07-01,10,20,0,\n').days[0]).toEqual({
      date: '2026-07-01',
      tMinC: 10,
      tMaxC: 20,
      rainMm: 0,
    });
  });
});

test('a day that stands twice with other figures is refused the second time, with the same it is taken once', () => {
  const read = readWeatherFile('date,tmin,tmax,rain\n2026-07-01,10,20,0\n2026-07-01,11,21,0\n');
  expect(read.days).toHaveLength(1);
  expect(read.rejected).toEqual([
    { line: 3, reason: '2026-07-01 stands already on line 2, with other figures' },
  ]);
  const same = readWeatherFile('date,tmin,tmax,rain\n2026-07-01,10,20,0\n2026-07-01,10,20,0\n');
  expect(same).toMatchObject({ repeated: 1, rejected: [] });
  expect(same.days).toHaveLength(1);
});

describe('files as they come', () => {
  const june = (
    row: (day: string, i: number) => string,
    end = '\n',
    heading = 'date,tmin,tmax,rain',
  ): string =>
    [
      heading,
      ...Array.from({ length: 30 }, (_, i) => row(`2026-06-${String(i + 1).padStart(2, '0')}`, i)),
    ].join(end);

  test('commas before the decimals, semicolons between the columns', () => {
    const read = readWeatherFile(
      june((day) => `${day};11,5;24,75;0,4`, '\n', 'date;tmin (°C);tmax (°C);rain (mm)'),
    );
    expect(read.problem).toBeNull();
    expect(read.days[0]).toMatchObject({ tMinC: 11.5, tMaxC: 24.75, rainMm: 0.4 });
  });

  test('commas for both are refused with the reason, and with what would help', () => {
    const read = readWeatherFile(june((day) => `${day},11,5,24,7,0,4`));
    expect(read.problem).toMatch(/comma before their decimals.*semicolons/);
    expect(readWeatherFile(june((day) => `${day},"11,5","24,7","0,4"`)).days[0]?.tMinC).toBe(11.5);
  });

  test('line ends of every kind, also mixed, lose no row', () => {
    for (const end of ['\n', '\r\n', '\r'])
      expect(readWeatherFile(june((day) => `${day},11,24,0`, end)).days).toHaveLength(30);
    const mixed = june((day) => `${day},11,24,0`).split('\n');
    const text = mixed.map((line, i) => line + (i % 3 === 0 ? '\r\n' : i % 3 === 1 ? '\n' : '\r')).join('');
    expect(readWeatherFile(text).days).toHaveLength(30);
  });

  test.each([
    // A winter night of 20 °F is −7 °C: read as 20 °C it would be no winter at 47° north, and so the other way.
    ['a winter in Fahrenheit', '2026-01', 18, 34, '°F', 'in'],
    ['a winter in Celsius', '2026-01', -6, 3, '°C', 'mm'],
    ['a summer in Fahrenheit', '2026-07', 57, 84, '°F', 'in'],
    ['a summer in Celsius', '2026-07', 14, 29, '°C', 'mm'],
  ])('%s without a unit is told by the season of the place', (_, month, low, high, scale, depth) => {
    const rows = Array.from(
      { length: 28 },
      (__, i) => `${month}-${String(i + 1).padStart(2, '0')},${low},${high},1`,
    );
    const read = readWeatherFile(['date,tmin,tmax,rain', ...rows].join('\n'), { latitudeDeg: 47 });
    expect(read.question).toBeNull();
    expect(read.columns.map((c) => c.unit)).toEqual(['year first', scale, scale, depth]);
  });

  test('in the south the seasons are the other way about', () => {
    const rows = Array.from({ length: 28 }, (_, i) => `2026-01-${String(i + 1).padStart(2, '0')},57,84,1`);
    const read = readWeatherFile(['date,tmin,tmax,rain', ...rows].join('\n'), { latitudeDeg: -38 });
    expect(read.columns[1]?.unit).toBe('°F');
  });

  test('an hourly file gives each day its ends, its rain in all and its mean wind; a day half there is refused', () => {
    const hours = (day: string, count: number): string[] =>
      Array.from(
        { length: count },
        (_, h) => `${day} ${String(h).padStart(2, '0')}:00,${10 + h},0.5,${h % 2 ? 2 : 4},${90 - h}`,
      );
    const read = readWeatherFile(
      [
        'timestamp,temperature (°C),rain (mm),wind (m/s),humidity (%)',
        ...hours('2026-06-01', 24),
        ...hours('2026-06-02', 9),
      ].join('\n'),
    );
    expect(read.hourly).toBe(true);
    expect(read.days).toEqual([
      { date: '2026-06-01', tMinC: 10, tMaxC: 33, rainMm: 12, windMs: 3, rhMinPct: 67, rhMaxPct: 90 },
    ]);
    expect(read.rejected).toEqual([
      { line: 26, reason: '2026-06-02 has only 9 readings; a day takes at least 18' },
    ]);
  });

  test('days beyond the calendar of a garden are refused by their line', () => {
    const read = readWeatherFile('date,tmin,tmax,rain\n9999-01-01,10,20,0\n2026-06-01,10,20,0\n');
    expect(read.days).toHaveLength(1);
    expect(read.rejected).toEqual([
      { line: 2, reason: 'date must lie from 1800-01-01 to 2100-12-31; got 9999-01-01' },
    ]);
  });
});

describe('how days are written', () => {
  const rows = (dates: string[]): string =>
    ['date;tmin (°C);tmax (°C);rain (mm)', ...dates.map((date) => `${date};11,5;24,5;0`)].join('\n');
  test.each([
    ['points between the parts put the day first', ['01.07.2026', '02.07.2026'], '2026-07-01'],
    ['a day past the twelfth tells', ['01/07/2026', '13/07/2026'], '2026-07-01'],
    ['also where the month stands first', ['07/01/2026', '07/13/2026'], '2026-07-01'],
    ['a time behind it is none of its parts', ['01.07.2026 00:00', '14.07.2026 00:00'], '2026-07-01'],
    ['the year first', ['2026/7/1', '2026/7/2'], '2026-07-01'],
  ])('%s', (_, dates, first) => {
    const read = readWeatherFile(rows(dates));
    expect([read.problem, read.question, read.rejected]).toEqual([null, null, []]);
    expect(read.days[0]?.date).toBe(first);
  });
  test('what could be either is asked, and taken as it is answered', () => {
    const dates = ['01/07/2026', '02/07/2026'];
    expect(readWeatherFile(rows(dates)).question).toMatchObject({ field: 'date' });
    const days = (order: string) =>
      readWeatherFile(rows(dates), { units: { date: order } }).days.map(({ date }) => date);
    expect(days('day first')).toEqual(['2026-07-01', '2026-07-02']);
    expect(days('month first')).toEqual(['2026-01-07', '2026-02-07']);
  });
});

describe('rain without a unit', () => {
  const file = (rain: (i: number) => number): string =>
    [
      'date,tmin (°C),tmax (°C),rain',
      ...Array.from({ length: 28 }, (_, i) => `2026-06-${String(i + 1).padStart(2, '0')},11,24,${rain(i)}`),
    ].join('\n');
  test('figures that speak for inches beside °C are asked about; plain millimetres are not', () => {
    expect(
      readWeatherFile(
        file((i) => (i % 2 ? 0 : 0.15)),
        { latitudeDeg: 47 },
      ).question,
    ).toMatchObject({
      field: 'rainMm',
    });
    expect(
      readWeatherFile(
        file((i) => (i % 2 ? 0 : 4)),
        { latitudeDeg: 47 },
      ).question,
    ).toBeNull();
    const told = readWeatherFile(
      file((i) => (i % 2 ? 0 : 0.15)),
      { latitudeDeg: 47, units: { rainMm: 'in' } },
    );
    expect(told.question).toBeNull();
    expect(told.days[0]?.rainMm).toBeCloseTo(3.81, 2);
  });
});

test('days that no row tells of are counted, and the longest run of them named', () => {
  const dates = ['2026-06-01', '2026-06-02', '2026-06-04', '2026-06-10'];
  const read = readWeatherFile(['date,tmin,tmax,rain', ...dates.map((date) => `${date},10,20,0`)].join('\n'));
  expect(read.gaps).toEqual({ days: 6, runs: 2, longest: { from: '2026-06-05', days: 5 } });
});

describe('JSON', () => {
  test('a list of days, bare or under a name, as a station answers them', () => {
    const days = [
      { date: '2026-07-01', tMinC: 12, tMaxC: 25.5, rainMm: 0, windMs: 2, rhMinPct: 40, solarMJ: 24 },
      { date: '2026-07-02', tMinC: 13, tMaxC: 27, rainMm: 4.2, windMs: null },
    ];
    for (const text of [JSON.stringify(days), JSON.stringify({ station: 'shed', days })]) {
      const read = readWeatherFile(text);
      expect([read.problem, read.question, read.rejected]).toEqual([null, null, []]);
      expect(read.days).toEqual([
        { date: '2026-07-01', tMinC: 12, tMaxC: 25.5, rainMm: 0, windMs: 2, rhMinPct: 40, solarMJ: 24 },
        { date: '2026-07-02', tMinC: 13, tMaxC: 27, rainMm: 4.2 },
      ]);
      expect(read.columns.every(({ unitAssumed }) => !unitAssumed)).toBe(true);
    }
  });
  test('what is wrong is told by its entry, or of the file', () => {
    expect(
      readWeatherFile(
        '[{"date":"2026-07-01","tmin":9,"tmax":4,"rain":0},{"date":"2026-07-02","tmin":9,"tmax":14,"rain":0}]',
      ).rejected,
    ).toEqual([{ line: 1, reason: 'lowest temperature (9 °C) is above the highest (4 °C)' }]);
    expect(readWeatherFile('[{"date": ').problem).toMatch(/begins like JSON/);
    expect(readWeatherFile('{"a": 1}').problem).toMatch(/holds no list of days/);
    expect(readWeatherFile('[1, 2]').problem).toMatch(/holds no list of days/);
  });
});

describe('bytes', () => {
  const text = 'date;tmin (°C);tmax (°C);rain (mm)\n2026-07-01;11;24;0\n';
  const utf16 = (little: boolean, mark: boolean): Uint8Array => {
    const bytes = Buffer.from(mark ? `\uFEFF${text}` : text, 'utf16le');
    return little ? bytes : bytes.swap16();
  };
  test.each([
    ['UTF-8', Buffer.from(text)],
    ['UTF-8 with its mark', Buffer.from(`\uFEFF${text}`)],
    ['UTF-16, low byte first', utf16(true, true)],
    ['UTF-16, high byte first', utf16(false, true)],
    ['UTF-16 without a mark', utf16(true, false)],
    ['UTF-16 without a mark, high byte first', utf16(false, false)],
    ['the old western page', Buffer.from(text, 'latin1')],
  ])('%s', (_, bytes) => {
    const read = readWeatherFile(decodeText(bytes));
    expect(read.problem).toBeNull();
    expect(read.days).toEqual([{ date: '2026-07-01', tMinC: 11, tMaxC: 24, rainMm: 0 }]);
  });
});

describe('long files', () => {
  const long = [
    'timestamp,temperature (°C),rain (mm)',
    ...Array.from({ length: 100_000 }, (_, h) => {
      const at = new Date(Date.UTC(2010, 0, 1, h)).toISOString().slice(0, 16);
      return `${at},${10 + (h % 24) / 2},0.1`;
    }),
  ].join('\n');
  test('a hundred thousand hours are read whole, told on the way, and given up when asked', () => {
    const told: number[] = [];
    const read = readWeatherFile(long, {
      latitudeDeg: 47,
      onRows: (done) => {
        told.push(done);
        return true;
      },
    });
    // Eleven years and a half of whole days; of the last one sixteen hours are there.
    expect(read.days).toHaveLength(4166);
    expect(read.days[0]).toEqual({
      date: '2010-01-01',
      tMinC: 10,
      tMaxC: 21.5,
      rainMm: expect.closeTo(2.4, 9),
    });
    expect(told.length).toBeGreaterThan(40);
    expect(() => readWeatherFile(long, { latitudeDeg: 47, onRows: (done) => done < 10_000 })).toThrow(
      GivenUp,
    );
  });
});
