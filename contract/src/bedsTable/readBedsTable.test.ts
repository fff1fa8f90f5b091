import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, feetToM, inchesToMm, METHODS, TEXTURE_CLASSES } from '@kibble/core';
import type { UnitSystem } from '../garden.ts';
import type { BedColumnAnswers } from './columns.ts';
import { readBedsTable, type ReadBeds, type TableGarden } from './readBedsTable.ts';
import { bedRowsOf, textOfRows, withCell, type TableRows } from './rows.ts';

const GARDEN: TableGarden = {
  today: '2026-07-02',
  units: 'metric',
  bedNames: ['Old bed'],
  tapNames: ['Yard tap'],
  ownCrops: [],
};
const USUAL = {
  textureClass: 'loam',
  method: 'drip',
  plantedOn: '2026-07-02',
  startWetness: 'not known',
} as const;

function table(text: string): TableRows {
  const rows = bedRowsOf(text);
  if ('problem' in rows) throw new Error(rows.problem);
  return rows;
}
const read = (text: string, units: UnitSystem = 'metric', answers: BedColumnAnswers = {}): ReadBeds =>
  readBedsTable(table(text), { ...GARDEN, units }, USUAL, answers);
const reasons = ({ faulty }: ReadBeds): string[] =>
  faulty.flatMap(({ line, faults }) => faults.map(({ heading, reason }) => `${line} ${heading}: ${reason}`));

test('a spreadsheet’s rows become beds with their sides, soil, crop, day, way of watering, tap and mulch', () => {
  const found = read(
    'Bed\tPart\tLength (m)\tWidth (cm)\tSoil\tCrop\tPlanted\tWatered by\tTap\tMulch (cm)\n' +
      'N1\tNorth\t30\t75\tSandy Loam\tTomatoes\t3 May\tdrip tape\tyard tap\t5 straw\n',
  );
  expect(found.problem).toBeNull();
  expect(found.faulty).toEqual([]);
  expect(found.beds).toHaveLength(1);
  expect(found.beds[0]).toMatchObject({
    line: 2,
    tap: 'Yard tap',
    takenAs: [],
    body: {
      name: 'N1',
      place: 'North',
      lengthM: 30,
      widthM: 0.75,
      areaM2: 22.5,
      textureClass: 'sandy loam',
      mulchMaterial: 'straw',
      mulchMm: 50,
      planting: { cropId: 'tomato', plantedOn: '2026-05-03' },
      delivery: { method: 'drip', measured: false },
    },
  });
  expect(found.newTaps).toEqual([]);
});

describe('units', () => {
  test.each([
    ['Length (ft)', 'Width (in)', '100', '30', feetToM(100), inchesToMm(30) / 1000],
    ['length_m', 'width cm', '12', '80', 12, 0.8],
    ['Length', 'Width', "100'", '30"', feetToM(100), inchesToMm(30) / 1000],
    ['Length', 'Width', '12,5 m', '1,2', 12.5, 1.2],
  ])('%s and %s with %s and %s', (a, b, length, width, lengthM, widthM) => {
    const body = read(`Name;${a};${b}\nX;${length};${width}`).beds[0]?.body;
    expect(body?.lengthM).toBeCloseTo(lengthM, 6);
    expect(body?.widthM).toBeCloseTo(widthM, 6);
  });

  test('a width that no bed has in the usual unit is taken in the smaller one, and shown as assumed', () => {
    // Common practice: market garden beds are 75 cm or 30 in wide.
    const metric = read('Name,Length,Width\nA,30,75\nB,30,80');
    expect(metric.columns.find(({ field }) => field === 'width')).toMatchObject({
      unit: 'cm',
      unitAssumed: true,
    });
    const us = read('Name,Length,Width\nA,100,30\nB,100,30', 'us');
    expect(us.beds[0]?.body.widthM).toBeCloseTo(0.762, 6);
    const told = read('Name,Length,Width\nA,100,30', 'us', { units: { width: 'ft' } });
    expect(told.beds[0]?.body.widthM).toBeCloseTo(9.144, 6);
  });

  test('both sides in one cell, the longer is the length', () => {
    const body = read('Name,Size\nA,4 x 8 ft').beds[0]?.body;
    expect(body?.lengthM).toBeCloseTo(feetToM(8), 6);
    expect(body?.widthM).toBeCloseTo(feetToM(4), 6);
    expect(read('Name,Area\nA,4 x 8', 'us').beds[0]?.body.areaM2).toBeCloseTo(feetToM(4) * feetToM(8), 6);
    expect(reasons(read('Name,Size\nA,about ten'))).toEqual([
      '2 Size: Length × width must be two sides, such as 10 x 1.2; got “about ten”.',
    ]);
  });

  test('a refusal is in the unit of its column', () => {
    expect(reasons(read('Name,Length (ft),Width (ft)\nA,40,900', 'us'))).toEqual([
      '2 Width (ft): Width of the bed must be from 0.16 to 328.08 ft; got “900”.',
    ]);
  });
});

describe('words', () => {
  const crop = (text: string) => read(`Name,Area,Crop\nA,10,"${text}"`);
  test.each([
    ['Radishes', 'radish'],
    ['cherry tomatoes', 'tomato'],
    ['Tomato, Sungold', 'tomato'],
    ["Tomatoes 'Sungold'", 'tomato'],
    ['Eggplant', 'aubergine'],
    ['Zucchini', 'courgette'],
    ['Arugula', 'rocket'],
    ['Leeks', 'leek'],
    ['Strawberries', 'strawberry'],
    ['lettuce', 'lettuce'],
  ])('%s is %s, and nothing is remarked on', (text, id) => {
    const { beds } = crop(text);
    expect(beds[0]?.body.planting?.cropId).toBe(id);
    expect(beds[0]?.takenAs).toEqual([]);
  });
  test('a slip of the pen is forgiven and shown; what is unknown is refused with what it may be', () => {
    expect(crop('Brocolli').beds[0]).toMatchObject({
      body: { planting: { cropId: 'broccoli' } },
      takenAs: ['“Brocolli” is taken as broccoli'],
    });
    expect(reasons(crop('lettus'))).toEqual([]);
    expect(reasons(crop('plum tomahto paste'))[0]).toMatch(/^2 Crop: Crop must be a plant that Kibble knows/);
    expect(reasons(crop('cabbag e'))[0] ?? '').not.toMatch(/undefined/);
  });
  test('every plant of the catalogue is found by its own name', () => {
    for (const { id, name } of CATALOGUE)
      expect([name, crop(name).beds[0]?.body.planting?.cropId]).toEqual([name, id]);
  });
  test('nothing planted is said by an empty cell or by a word', () => {
    for (const none of ['', '-', 'none', 'fallow', 'empty']) {
      expect(crop(none).beds[0]?.body.planting).toBeNull();
      expect(crop(none).beds[0]?.lacking).not.toContain('plantedOn');
    }
  });
  test('every soil and way of watering is known by its own name; growers’ words are known too', () => {
    for (const soil of TEXTURE_CLASSES)
      expect(read(`Name,Area,Soil\nA,10,${soil}`).beds[0]?.body.textureClass).toBe(soil);
    for (const method of METHODS)
      expect(read(`Name,Area,Irrigation\nA,10,${method}`).beds[0]?.body.delivery.method).toBe(method);
    expect(read('Name,Area,Soil\nA,10,heavy').beds[0]?.body.textureClass).toBe('clay loam');
    expect(read('Name,Area,Watered by\nA,10,T-tape').beds[0]?.body.delivery.method).toBe('drip');
    expect(reasons(read('Name,Area,Soil\nA,10,peat'))[0]).toMatch(
      /^2 Soil: Soil must be one of sand, .*got “peat”/,
    );
  });
  test('a timer is refused where somebody must be there', () => {
    expect(reasons(read('Name,Area,Watered by,Timer\nA,10,watering can,yes'))).toEqual([
      '2 Timer: Somebody must be there for a watering can, so it can have no timer; got “yes”.',
    ]);
    expect(read('Name,Area,Watered by,Timer\nA,10,drip,yes').beds[0]?.body.delivery.timer).toBe(true);
  });
});

describe('days', () => {
  const planted = (text: string, answers: BedColumnAnswers = {}): ReadBeds =>
    read(`Name,Area,Crop,Date\nA,10,kale,"${text}"`, 'metric', answers);
  test.each([
    ['2026-05-03', '2026-05-03'],
    ['3.5.2026', '2026-05-03'],
    ['13/5/26', '2026-05-13'],
    ['5/13/2026', '2026-05-13'],
    ['May 3', '2026-05-03'],
    ['3rd May 2025', '2025-05-03'],
    // Common practice: garlic of autumn stands until the summer after.
    ['Oct 20', '2025-10-20'],
    ['Sept 20', '2025-09-20'],
    ['Aug 20', '2026-08-20'],
  ])('%s is %s', (text, date) => {
    expect(planted(text).beds[0]?.body.planting?.plantedOn).toBe(date);
  });
  test('days that could be read two ways are asked about, and read as answered', () => {
    expect(planted('3/5/2026').dates).toEqual({ order: 'day first', asked: true });
    const told = planted('3/5/2026', { units: { plantedOn: 'month first' } });
    expect(told.dates?.asked).toBe(false);
    expect(told.beds[0]?.body.planting?.plantedOn).toBe('2026-03-05');
  });
  test('what is no day, and a day more than a year ahead, are refused', () => {
    expect(reasons(planted('soon'))).toEqual([
      '2 Date: Planting date must be a day such as 2026-05-03 or 3 May 2026; got “soon”.',
    ]);
    expect(reasons(planted('2028-05-03'))[0]).toMatch(/must be 2027-07-03 \(a year from today\) or earlier/);
    expect(reasons(planted('2026-02-30'))).toHaveLength(1);
  });
});

describe('names', () => {
  test('names that are left out go on from the one above', () => {
    const found = read('Name,Area\nA09,10\n,10\n,10\nB1,10\n,10');
    expect(found.beds.map(({ body }) => body.name)).toEqual(['A09', 'A10', 'A11', 'B1', 'B2']);
    expect(read('Length,Width\n10,1\n10,1').beds.map(({ body }) => body.name)).toEqual(['Bed 1', 'Bed 2']);
  });
  test('a name twice, or of a bed that is there, is refused on its line', () => {
    expect(reasons(read('Name,Area\nA,10\nB,10\na,10\nold bed,10'))).toEqual([
      '4 Name: Name must be another than the one on line 2; got “a”.',
      '5 Name: Name must be one that no bed of the garden has; got “old bed”. Write another name, or leave this row out.',
    ]);
  });
});

describe('the table as a whole', () => {
  test('without headings, without sizes or without rows it says what is lacking', () => {
    expect(read('12,1.2,loam\n12,1.2,loam').problem).toMatch(/^The first line must name the columns/);
    expect(read('Name,Soil\nA,loam').problem).toMatch(
      /^The table needs columns for the length and the width/,
    );
    expect(read('Name,Area').problem).toMatch(/no rows under its headings/);
    expect(bedRowsOf(`Name,Area\n${'A,1\n'.repeat(501)}`)).toEqual({
      problem: 'Rows must be 500 or fewer at once; got 501. Bring the rest in afterwards.',
    });
  });
  test('a column that is not known can be said to be one; one that is can be left out', () => {
    const text = 'Name,Area,Was wächst\nA,10,kale';
    expect(read(text).ignored).toEqual([{ at: 2, heading: 'Was wächst' }]);
    expect(read(text, 'metric', { fields: { '2': 'crop' } }).beds[0]?.body.planting?.cropId).toBe('kale');
    expect(
      read('Name,Area,Crop\nA,10,kale', 'metric', { fields: { '2': 'not used' } }).beds[0]?.body.planting,
    ).toBeNull();
  });
  test('empty rows keep the count of lines', () => {
    expect(read('Name,Area\n\nA,10\n\nB,x').faulty[0]?.line).toBe(5);
  });
  test('a size that is missing is named', () => {
    expect(reasons(read('Name,Length,Width\nA,10,'))).toEqual([
      '2 Width: Length and width, or the area, must be given; got nothing.',
    ]);
  });

  test('of 500 rows with 20 wrong ones each is named by its line and column, and corrected it is right', () => {
    const wrong = new Map([
      [3, ['Length (m)', '-4']],
      [4, ['Soil', 'peat']],
      [5, ['Crop', 'qqqq']],
      [6, ['Planted', 'soon']],
      [7, ['Watered by', 'magic']],
    ] as [number, [string, string]][]);
    const headings = ['Name', 'Length (m)', 'Soil', 'Crop', 'Planted', 'Watered by', 'Width (m)'];
    const good = ['', '30', 'loam', 'kale', '2026-05-03', 'drip', '0.8'];
    const expected: [number, string][] = [];
    const rows = Array.from({ length: 500 }, (_, i) => {
      const fault = i % 25 === 0 ? wrong.get(3 + ((i / 25) % 5)) : undefined;
      const row = good.map((cell, at) =>
        at === 0 ? `R${i}` : fault && fault[0] === headings[at] ? fault[1] : cell,
      );
      if (fault) expected.push([i + 2, fault[0]]);
      return row;
    });
    expect(expected).toHaveLength(20);
    const written = { headings, rows };
    const found = readBedsTable(table(textOfRows(written)), GARDEN, USUAL);
    expect(found.beds).toHaveLength(480);
    expect(found.faulty.map(({ line, faults }) => [line, faults[0]?.heading])).toEqual(expected);
    for (const { faults } of found.faulty) expect(faults).toHaveLength(1);
    const mended = found.faulty.reduce(
      (all, { line, faults: [fault] }) => withCell(all, line, fault?.at ?? 0, good[fault?.at ?? 0] ?? ''),
      written,
    );
    expect(readBedsTable(mended, GARDEN, USUAL).faulty).toEqual([]);
  });
});

describe('zones of a table', () => {
  test('numbers become zones with their stations, on the tap that is named beside them', () => {
    const found = read(
      'Name,Area,Watered by,Tap,Zone\nA1,10,drip,Yard tap,1\nA2,10,drip,,1\nB1,10,drip,Pump,North 2\nC1,10,can,Pump,',
    );
    expect(found.faulty).toEqual([]);
    expect(found.beds.map(({ tap }) => tap)).toEqual(['Zone 1', 'Zone 1', 'North 2', 'Pump']);
    expect(found.newTaps).toEqual(['Pump']);
    expect(found.newZones).toEqual([
      { name: 'Zone 1', from: 'Yard tap', station: 1 },
      { name: 'North 2', from: 'Pump', station: 2 },
    ]);
  });
});
