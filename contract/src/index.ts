export {
  ADDRESSES,
  addressOf,
  STALE,
  TAGS,
  USUAL_BODY,
  WHO,
  type Address,
  type AddressName,
  type Stale,
  type Tag,
} from './api/addresses.ts';
export * from './api/catalogue.ts';
export * from './archive.ts';
export { bedsChange, bedsChangeBody, bedsChanged, type BedsChange, type BedsChanged } from './bedsChange.ts';
export { bedsTableAnswer, bedsTableBody, type BedsTableBody } from './bedsTable/body.ts';
export { type CellFault, type UsualBed } from './bedsTable/cells.ts';
export {
  BED_COLUMNS,
  BED_FIELDS,
  type BedColumn,
  type BedColumnAnswers,
  type BedField,
} from './bedsTable/columns.ts';
export {
  bedColumnChoices,
  readBedsTable,
  type ReadBeds,
  type TableGarden,
} from './bedsTable/readBedsTable.ts';
export { bedRowsOf, textOfRows, withCell, type TableRows } from './bedsTable/rows.ts';
export { closestNames } from './closestNames.ts';
export * from './climate.ts';
export * from './deciding.ts';
export * from './entries.ts';
export * from './error.ts';
export * from './events.ts';
export * from './findings.ts';
export * from './garden.ts';
export * from './stored.ts';
export * from './runs.ts';
export * from './limited.ts';
export * from './limits.ts';
export * from './lists.ts';
export { nextNames } from './nextNames.ts';
export * from './parts.ts';
export * from './rawJson.ts';
export * from './refusalWords.ts';
export * from './pots.ts';
export * from './trees.ts';
export * from './round.ts';
export { asksOf, roomIn, type Ask } from './roomAsks.ts';
export * from './ownWeather.ts';
export * from './sharing.ts';
export * from './station.ts';
export * from './weatherFile/bodies.ts';
export { decodeText } from './weatherFile/decode.ts';
export {
  GivenUp,
  readWeatherFile,
  type ReadWeather,
  type RejectedRow,
} from './weatherFile/readWeatherFile.ts';
export { rowsOf, type FileRows } from './weatherFile/rows.ts';
export * from './weatherView.ts';
export * from './working.ts';
