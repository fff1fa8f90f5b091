import {
  addDays,
  canHaveTimer,
  rectangleArea,
  typedFigure,
  USUAL_FLOW_LPM,
  type Method,
  type StartMethod,
  type TextureClass,
} from '@kibble/core';
import type { BedBody, UnitSystem } from '../garden.ts';
import { LIMITS, PLANNED_DAYS, rangeWords, withinLimit, type LimitedField } from '../limits.ts';
import { FIRST_DAY } from '../parts.ts';
import type { DateOrder } from '../weatherFile/columns.ts';
import { BED_COLUMNS, inUnit, type BedColumn, type BedField } from './columns.ts';
import type { CropNamed } from './crops.ts';
import { dayIn } from './days.ts';
import { isNone, MULCHES, plainWord, SHAPES, SOILS, STARTS, WAYS, yesOrNo } from './words.ts';

/** What beds are taken to be where their rows do not say. */
export interface UsualBed {
  textureClass: TextureClass;
  method: Method;
  plantedOn: string;
  startWetness: BedBody['startWetness'];
  /** What is remembered of the last month, where the ground is not known. */
  lately?: BedBody['lately'];
}

/** What a cell is read with. */
export interface Reading {
  columns: ReadonlyMap<BedField, BedColumn>;
  order: DateOrder;
  today: string;
  units: UnitSystem;
  cropOf: (text: string) => CropNamed | { like: string[] };
  usual: UsualBed;
}

/** What is wrong with a row, in one of its cells. */
export interface CellFault {
  field: BedField;
  /** The column's place in the row; null where the table has no such column. */
  at: number | null;
  heading: string;
  text: string;
  reason: string;
}

/** A row read cell by cell: it remembers what it found wrong, and what was taken as something else. */
export class RowReader {
  readonly faults: CellFault[] = [];
  readonly takenAs: string[] = [];
  readonly lacking = new Set<keyof UsualBed>();

  readonly #row: readonly string[];
  readonly #reading: Reading;

  constructor(row: readonly string[], reading: Reading) {
    this.#row = row;
    this.#reading = reading;
  }

  text(field: BedField): string {
    const column = this.#reading.columns.get(field);
    return column ? (this.#row[column.at] ?? '').trim() : '';
  }

  fault(field: BedField, reason: string): void {
    const column = this.#reading.columns.get(field);
    this.faults.push({
      field,
      at: column?.at ?? null,
      heading: column?.heading ?? BED_COLUMNS[field].label,
      text: this.text(field),
      reason,
    });
  }

  /** A figure of a cell in SI, within what is allowed; null where the cell says none. */
  figure(field: BedField, limit: LimitedField, text = this.text(field)): number | null {
    if (text === '' || isNone(text)) return null;
    const column = this.#reading.columns.get(field);
    const { figures } = BED_COLUMNS[field];
    if (!column?.unit || !figures) return null;
    const toSi = inUnit(figures.kind, column.unit);
    const value = typedFigure(text, {
      kind: figures.kind,
      toSi,
      commaThousands: this.#reading.units === 'us',
      sideToSi: inUnit('length', BED_COLUMNS.length.figures?.usual[this.#reading.units] ?? 'm'),
    });
    if (withinLimit(limit, value)) return value;
    const { label, ...range } = LIMITS[limit];
    const words = rangeWords(range, (si) => si / toSi(1), column.unit);
    this.fault(field, `${label} must be ${words}; got “${text}”.`);
    return null;
  }

  /** One of a list of words; null where the cell is empty or says none of them. */
  word<T>(field: BedField, words: ReadonlyMap<string, T>, allowed: readonly string[]): T | null {
    const text = this.text(field);
    if (text === '') return null;
    const found = words.get(plainWord(text));
    if (found === undefined)
      this.fault(field, `${BED_COLUMNS[field].label} must be one of ${allowed.join(', ')}; got “${text}”.`);
    return found ?? null;
  }

  yes(field: BedField): boolean {
    const said = yesOrNo(this.text(field));
    if (said === null)
      this.fault(field, `${BED_COLUMNS[field].label} must be yes or no; got “${this.text(field)}”.`);
    return said ?? false;
  }

  letters(field: BedField, most: number): string {
    const text = this.text(field);
    if (text.length > most)
      this.fault(field, `${BED_COLUMNS[field].label} must be ${most} letters or fewer; got ${text.length}.`);
    return text;
  }

  /** What the row says, or else what is usual: and that it was. */
  or<K extends keyof UsualBed>(key: K, said: UsualBed[K] | null): UsualBed[K] {
    if (said !== null) return said;
    this.lacking.add(key);
    return this.#reading.usual[key];
  }

  /** The bed's sides and its area, m and m². */
  size(): { lengthM: number | null; widthM: number | null; areaM2: number } {
    const sizeText = this.text('size');
    const sides = sizeText.split(/\s*[x×*]\s*|\s+by\s+/i);
    let [lengthM, widthM] = [this.figure('length', 'bedLengthM'), this.figure('width', 'bedWidthM')];
    if (sizeText !== '' && sides.length !== 2)
      this.fault('size', `Length × width must be two sides, such as 10 x 1.2; got “${sizeText}”.`);
    else if (sizeText !== '') {
      const [first = '', second = ''] = sides;
      // “4 x 8 ft”: the one unit is both sides'.
      const unit = /[a-z'"′″]+\s*$/i.exec(second)?.[0] ?? '';
      const [a, b] = [
        this.figure('size', 'bedLengthM', /\d\s*$/.test(first) ? `${first}${unit}` : first),
        this.figure('size', 'bedLengthM', second),
      ];
      if (a !== null && b !== null) [lengthM, widthM] = [Math.max(a, b), Math.min(a, b)];
    }
    const area = this.figure('area', 'areaM2');
    const areaM2 = area ?? (lengthM !== null && widthM !== null ? rectangleArea(lengthM, widthM) : null);
    if (areaM2 === null && this.faults.length === 0) {
      const lacks = (['size', 'length', 'width', 'area'] as const).find(
        (field) => this.#reading.columns.has(field) && this.text(field) === '',
      );
      this.fault(lacks ?? 'width', 'Length and width, or the area, must be given; got nothing.');
    } else if (areaM2 !== null && area === null && !withinLimit('areaM2', areaM2)) {
      const unit = BED_COLUMNS.area.figures?.usual[this.#reading.units] ?? 'm²';
      const shown = (si: number): number => si / inUnit('area', unit)(1);
      this.fault(
        'width',
        `The area that length and width make must be ${rangeWords(LIMITS.areaM2, shown, unit)}; got ${shown(areaM2).toPrecision(2)} ${unit}.`,
      );
    }
    return { lengthM, widthM, areaM2: areaM2 ?? 0 };
  }

  /** What grows or will grow there; null for nothing. */
  planting(): BedBody['planting'] {
    const text = this.text('crop');
    if (isNone(text)) return null;
    const found = this.#reading.cropOf(text);
    if ('like' in found) {
      const like = found.like.length > 0 ? ` Did you mean ${found.like.join(' or ')}?` : '';
      this.fault('crop', `Crop must be a plant that Kibble knows, or empty; got “${text}”.${like}`);
      return null;
    }
    if (found.takenAs !== null) this.takenAs.push(found.takenAs);
    const started = this.word('startedAs', STARTS, [
      'seed',
      'plugs',
      'pots',
      'bare roots',
      'cloves',
      'tubers',
    ]);
    return {
      cropId: found.cropId,
      plantedOn: this.or('plantedOn', this.day()),
      share: 1,
      ...(started ? { method: started satisfies StartMethod } : {}),
    };
  }

  private day(): string | null {
    const text = this.text('plantedOn');
    const { order, today } = this.#reading;
    if (isNone(text)) return null;
    const date = dayIn(text, order, today);
    const latest = addDays(today, PLANNED_DAYS);
    if (date === null)
      this.fault('plantedOn', `Planting date must be a day such as 2026-05-03 or 3 May 2026; got “${text}”.`);
    else if (date < FIRST_DAY || date > latest)
      this.fault(
        'plantedOn',
        `Planting date must be ${latest} (a year from today) or earlier; got “${text}”.`,
      );
    return date;
  }

  mulch(): { mulchMaterial: BedBody['mulchMaterial']; mulchMm: number | null } {
    const text = this.text('mulch');
    if (isNone(text)) return { mulchMaterial: null, mulchMm: null };
    const material = MULCHES.get(
      plainWord(text.replace(/[\d.,]+\s*(mm|cm|inch(es)?|in\b|")?/gi, ' ').replace(/\bof\b/i, ' ')),
    );
    const figures = /[\d.,]+\s*(mm|cm|inch(es)?|in\b|")?/i.exec(text)?.[0].trim() ?? '';
    const letters = /[a-z]{3,}/i.test(text.replace(/inch(es)?/i, ''));
    if (letters && !material) {
      this.fault(
        'mulch',
        `Mulch must be a depth, or one of ${[...new Set(MULCHES.values())].join(', ')}; got “${text}”.`,
      );
      return { mulchMaterial: null, mulchMm: null };
    }
    const mulchMm = figures === '' ? USUAL_MULCH_MM : this.figure('mulch', 'mulchMm', figures);
    return mulchMm === null || mulchMm === 0
      ? { mulchMaterial: null, mulchMm: null }
      : { mulchMaterial: material ?? 'straw', mulchMm };
  }

  delivery(): BedBody['delivery'] {
    const method = this.or('method', this.word('method', WAYS, [...new Set(WAYS.values())]));
    const flow = this.figure('flow', 'litresPerMinute');
    const timer = this.yes('timer');
    if (timer && !canHaveTimer(method))
      this.fault(
        'timer',
        `Somebody must be there for a ${method}, so it can have no timer; got “${this.text('timer')}”.`,
      );
    return {
      method,
      litresPerMinute: flow ?? USUAL_FLOW_LPM[method],
      measured: flow !== null,
      ...(timer ? { timer } : {}),
    };
  }

  soil(): TextureClass {
    return this.or('textureClass', this.word('soil', SOILS, [...new Set(SOILS.values())]));
  }

  shape(): BedBody['form'] {
    return this.word('form', SHAPES, ['flat', 'raised', 'basin']) ?? 'flat';
  }
}

/** Depth of a mulch whose table names only what it is of, mm. Common practice: two inches. */
const USUAL_MULCH_MM = 50;
