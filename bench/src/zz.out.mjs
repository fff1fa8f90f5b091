var __defProp = Object.defineProperty;
var __export = (target, all) => {
  for (var name in all)
    __defProp(target, name, { get: all[name], enumerable: true });
};

// bench/src/zz.mts
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join as join2 } from "node:path";
import { stationApp } from "@kibble/simulators";
import { pino } from "pino";

// server/src/db/open.ts
import { mkdirSync as mkdirSync2 } from "node:fs";
import { dirname as dirname2 } from "node:path";
import { Sequelize as Sequelize2 } from "sequelize";

// server/src/db/copies.ts
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync
} from "node:fs";
import { dirname, join } from "node:path";

// server/src/db/raw.ts
import sqlite3 from "sqlite3";
async function openRaw(file, options = {}) {
  const mode = sqlite3.OPEN_READWRITE | (options.create ? sqlite3.OPEN_CREATE : 0);
  const database = await new Promise((done, failed) => {
    const made2 = new sqlite3.Database(file, mode, (error) => error ? failed(error) : done(made2));
  });
  database.configure("busyTimeout", options.patienceMs ?? 5e3);
  return {
    run: (sql, values = []) => new Promise((done, failed) => database.run(sql, values, (error) => error ? failed(error) : done())),
    all: (sql, values = []) => new Promise(
      (done, failed) => database.all(sql, values, (error, rows) => error ? failed(error) : done(rows))
    ),
    close: () => new Promise((done, failed) => database.close((error) => error ? failed(error) : done()))
  };
}
function sqliteCode(error) {
  for (let at = error; at; ) {
    if (typeof at.code === "string" && at.code.startsWith("SQLITE_")) return at.code;
    at = at.parent ?? at.cause;
  }
  return null;
}
var sqlText = (text6) => `'${text6.replaceAll("'", "''")}'`;

// server/src/db/copies.ts
var KEPT = 5;
var NAME = /^kibble-(\d{8}T\d{9}Z)-(update|nightly|restore|reset|asked)\.sqlite$/;
var copiesFolder = (file) => join(dirname(file), "copies");
var stamp = (at) => at.toISOString().replace(/[-:.]/g, "");
var unstamp = (text6) => text6.replace(/^(\d{4})(\d{2})(\d{2})T(\d{2})(\d{2})(\d{2})(\d{3})Z$/, "$1-$2-$3T$4:$5:$6.$7Z");
function copiesOf(file) {
  const folder = copiesFolder(file);
  if (file === ":memory:" || !existsSync(folder)) return [];
  return readdirSync(folder).flatMap((name) => {
    const [, at, reason] = NAME.exec(name) ?? [];
    if (!at || !reason) return [];
    const { size } = statSync(join(folder, name));
    return [{ name, madeAt: unstamp(at), reason, bytes: size }];
  }).sort((a, b) => a.madeAt < b.madeAt ? 1 : -1);
}
function flush(path) {
  const handle = openSync(path, "r");
  fsyncSync(handle);
  closeSync(handle);
}
async function copyInto(file, target) {
  const part = `${target}.part`;
  rmSync(part, { force: true });
  const database = await openRaw(file);
  try {
    await database.run(`VACUUM INTO ${sqlText(part)}`);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  } finally {
    await database.close();
  }
  flush(part);
  renameSync(part, target);
  flush(dirname(target));
}
async function makeCopy(file, reason, now) {
  if (file === ":memory:") return null;
  const folder = copiesFolder(file);
  mkdirSync(folder, { recursive: true });
  for (const name2 of readdirSync(folder))
    if (name2.endsWith(".part")) rmSync(join(folder, name2), { force: true });
  const name = `kibble-${stamp(now)}-${reason}.sqlite`;
  await copyInto(file, join(folder, name));
  const all = copiesOf(file);
  for (const old of all.filter((copy) => copy.reason === reason).slice(KEPT))
    rmSync(join(folder, old.name), { force: true });
  return all.find((copy) => copy.name === name) ?? null;
}

// server/src/db/inspect.ts
import { existsSync as existsSync2, statSync as statSync2 } from "node:fs";

// server/src/db/startRefusal.ts
var StartRefusal = class extends Error {
  constructor(message, options) {
    super(message, options);
    this.name = "StartRefusal";
  }
};
var WORDS = {
  EADDRINUSE: (what) => `Another program answers at ${what} already, perhaps another Kibble. Stop it, or choose another port: PORT=5190 npm start.`,
  EACCES: (what) => `Kibble may not write to ${what}. Give yourself the right to, or choose another folder with KIBBLE_DATA.`,
  EROFS: (what) => `${what} lies on a disk that can only be read. Choose another folder with KIBBLE_DATA.`,
  ENOSPC: (what) => `The disk of ${what} is full. Make room there and start again; nothing that was written down is lost.`,
  EPERM: (what) => `Kibble may not write to ${what}. Give yourself the right to, or choose another folder with KIBBLE_DATA.`,
  ENOENT: (what) => `${what} cannot be made: something on the way to it is not there. Choose another folder with KIBBLE_DATA.`,
  ENOTDIR: (what) => `${what} cannot be a folder: a file is in the way. Choose another folder with KIBBLE_DATA.`,
  EEXIST: (what) => `${what} cannot be a folder: a file is in the way. Choose another folder with KIBBLE_DATA.`,
  SQLITE_CANTOPEN: (what) => `${what} cannot be opened. Look whether the folder is there and may be written to, or choose another with KIBBLE_DATA.`,
  SQLITE_READONLY: (what) => `${what} may only be read, not written. Give yourself the right to write there, or choose another folder with KIBBLE_DATA.`,
  SQLITE_FULL: (what) => `The disk of ${what} is full. Make room there and start again; nothing that was written down is lost.`,
  SQLITE_IOERR: (what) => `The disk of ${what} does not answer as it should. It may be full or failing.`,
  SQLITE_NOTADB: (what) => `${what} is not a file of Kibble\u2019s, or it was damaged. Move it away and start again; the folder \u201Ccopies\u201D beside it holds the last copies, which Settings \u203A Your data puts back.`,
  SQLITE_CORRUPT: (what) => `${what} is damaged. Move it away and start again; the folder \u201Ccopies\u201D beside it holds the last copies, which Settings \u203A Your data puts back.`,
  SQLITE_BUSY: (what) => `${what} is in use by another program. Close it there and start again.`
};
function startWords(error, what) {
  if (error instanceof StartRefusal) return error.message;
  const code = sqliteCode(error) ?? error?.code;
  return (code && WORDS[code]?.(what)) ?? null;
}

// server/src/db/inspect.ts
var HOUSE_KINDS = { own: 1263092303, demo: 1263092292 };
var has = async (database, table) => (await database.all(`SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = ?`, [table])).length > 0;
async function kindOf(database) {
  const [head] = await database.all("PRAGMA application_id");
  const named = Object.keys(HOUSE_KINDS).find(
    (kind) => HOUSE_KINDS[kind] === head?.application_id
  );
  if (named) return named;
  if (head?.application_id !== 0)
    throw new StartRefusal("It belongs to another program: it bears another program\u2019s mark.");
  if (!await has(database, "gardens")) return null;
  const [demo] = await database.all("SELECT count(*) AS n FROM gardens WHERE isDemo = 1");
  const [all] = await database.all("SELECT count(*) AS n FROM gardens");
  return (demo?.n ?? 0) > 0 ? "demo" : (all?.n ?? 0) > 0 ? "own" : null;
}
async function inspectFile(file) {
  if (!existsSync2(file) || statSync2(file).size === 0) return { blank: true, kind: null, applied: [] };
  const database = await openRaw(file);
  try {
    const check = await database.all("PRAGMA quick_check(1)");
    if (check[0]?.quick_check !== "ok") {
      throw Object.assign(new Error(check[0]?.quick_check ?? "the check gave no answer"), {
        code: "SQLITE_CORRUPT"
      });
    }
    const tables = await database.all(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`
    );
    const kind = await kindOf(database);
    if (tables.length > 0 && kind === null && !tables.some((t2) => ["SequelizeMeta", "gardens"].includes(t2.name)))
      throw new StartRefusal("It belongs to another program: none of its tables is Kibble\u2019s.");
    const applied = await has(database, "SequelizeMeta") ? (await database.all("SELECT name FROM SequelizeMeta ORDER BY name")).map(
      (row) => row.name
    ) : [];
    const gardens = await has(database, "gardens") ? (await database.all("SELECT count(*) AS n FROM gardens"))[0]?.n ?? 0 : 0;
    return { blank: gardens === 0, kind, applied };
  } finally {
    await database.close();
  }
}

// server/src/db/migrate.ts
import { QueryTypes } from "sequelize";
import { Umzug } from "umzug";

// server/src/db/migrations/001-first-tables.ts
var first_tables_exports = {};
__export(first_tables_exports, {
  up: () => up
});
import { DataTypes } from "sequelize";
var key = () => ({ type: DataTypes.INTEGER, autoIncrement: true, primaryKey: true });
var text = () => ({ type: DataTypes.STRING, allowNull: false });
var textOrNull = () => ({ type: DataTypes.STRING, allowNull: true });
var number = () => ({ type: DataTypes.DOUBLE, allowNull: false });
var numberOrNull = () => ({ type: DataTypes.DOUBLE, allowNull: true });
var flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false });
var moment = () => ({ type: DataTypes.DATE, allowNull: true });
var belongsTo = (table, allowNull = false) => ({
  type: DataTypes.INTEGER,
  allowNull,
  references: { model: table, key: "id" },
  onDelete: "RESTRICT"
});
async function up(steps) {
  await steps.createTable("gardens", {
    id: key(),
    name: text(),
    latitudeDeg: number(),
    elevationM: number(),
    timeZone: text(),
    units: text(),
    clockMode: text(),
    practiceDate: textOrNull(),
    isDemo: flag(),
    stationUrl: textOrNull()
  });
  await steps.createTable("beds", {
    id: key(),
    gardenId: belongsTo("gardens"),
    position: { type: DataTypes.INTEGER, allowNull: false },
    name: text(),
    areaM2: number(),
    textureClass: text(),
    subsoilClass: textOrNull(),
    form: text(),
    underCover: flag(),
    mulchMaterial: textOrNull(),
    mulchMm: numberOrNull(),
    startOn: text(),
    startWetness: text(),
    archivedAt: moment()
  });
  await steps.createTable("plantings", {
    id: key(),
    bedId: belongsTo("beds"),
    cropId: text(),
    plantedOn: text(),
    endedOn: textOrNull(),
    method: textOrNull()
  });
  await steps.createTable("deliveries", {
    id: key(),
    bedId: belongsTo("beds"),
    method: text(),
    litresPerMinute: number(),
    measured: flag()
  });
  await steps.createTable("weather_days", {
    id: key(),
    gardenId: belongsTo("gardens"),
    date: text(),
    source: text(),
    tMinC: number(),
    tMaxC: number(),
    rainMm: number(),
    windMs: numberOrNull(),
    rhMinPct: numberOrNull(),
    rhMaxPct: numberOrNull(),
    solarMJ: numberOrNull()
  });
  await steps.addIndex("weather_days", ["gardenId", "source", "date"], { unique: true });
  await steps.createTable("events", {
    id: key(),
    gardenId: belongsTo("gardens"),
    bedId: belongsTo("beds", true),
    kind: text(),
    date: text(),
    at: { type: DataTypes.DATE, allowNull: false },
    litres: numberOrNull(),
    minutes: numberOrNull(),
    netMm: numberOrNull(),
    rainMm: numberOrNull(),
    reason: textOrNull(),
    note: textOrNull(),
    removedAt: moment()
  });
  await steps.addIndex("events", ["gardenId", "date"]);
  await steps.addIndex("events", ["bedId", "date"]);
}

// server/src/db/migrations/002-findings.ts
var findings_exports = {};
__export(findings_exports, {
  up: () => up2
});
import { DataTypes as DataTypes2 } from "sequelize";
var key2 = () => ({ type: DataTypes2.INTEGER, autoIncrement: true, primaryKey: true });
var text2 = () => ({ type: DataTypes2.STRING, allowNull: false });
var textOrNull2 = () => ({ type: DataTypes2.STRING, allowNull: true });
var json = () => ({ type: DataTypes2.TEXT, allowNull: false });
var moment2 = () => ({ type: DataTypes2.DATE, allowNull: true });
var time = () => ({ type: DataTypes2.DATE, allowNull: false });
var belongsTo2 = (table, allowNull = false) => ({
  type: DataTypes2.INTEGER,
  allowNull,
  references: { model: table, key: "id" },
  onDelete: "RESTRICT"
});
async function up2(steps) {
  await steps.createTable("taps", {
    id: key2(),
    gardenId: belongsTo2("gardens"),
    name: text2(),
    nozzle: text2(),
    archivedAt: moment2()
  });
  await steps.addColumn("beds", "groundOf", belongsTo2("beds", true));
  await steps.addColumn("beds", "tapId", belongsTo2("taps", true));
  await steps.createTable("findings", {
    id: key2(),
    gardenId: belongsTo2("gardens"),
    bedId: belongsTo2("beds", true),
    tapId: belongsTo2("taps", true),
    kind: text2(),
    date: text2(),
    at: time(),
    method: textOrNull2(),
    input: json(),
    note: textOrNull2(),
    removedAt: moment2()
  });
  await steps.addIndex("findings", ["gardenId", "bedId"]);
  await steps.createTable("drafts", {
    id: key2(),
    gardenId: belongsTo2("gardens"),
    key: text2(),
    body: json(),
    updatedAt: time()
  });
  await steps.addIndex("drafts", ["gardenId", "key"], { unique: true });
}

// server/src/db/migrations/003-plantings.ts
var plantings_exports = {};
__export(plantings_exports, {
  up: () => up3
});
import { DataTypes as DataTypes3 } from "sequelize";
var textOrNull3 = () => ({ type: DataTypes3.STRING, allowNull: true });
var numberOrNull2 = () => ({ type: DataTypes3.DOUBLE, allowNull: true });
var moment3 = () => ({ type: DataTypes3.DATE, allowNull: true });
async function up3(steps) {
  await steps.addColumn("plantings", "share", {
    type: DataTypes3.DOUBLE,
    allowNull: false,
    defaultValue: 1
  });
  await steps.addColumn("plantings", "removedAt", moment3());
  await steps.addIndex("plantings", ["bedId"]);
  await steps.addColumn("beds", "place", textOrNull3());
  await steps.addColumn("beds", "goal", {
    type: DataTypes3.STRING,
    allowNull: false,
    defaultValue: "steady"
  });
  await steps.addColumn("beds", "shadeCloth", {
    type: DataTypes3.BOOLEAN,
    allowNull: false,
    defaultValue: false
  });
  await steps.addColumn("beds", "lengthM", numberOrNull2());
  await steps.addColumn("beds", "widthM", numberOrNull2());
  await steps.addColumn("beds", "notes", { type: DataTypes3.TEXT, allowNull: false, defaultValue: "" });
  await steps.addColumn("beds", "mulchLaidOn", textOrNull3());
  await steps.createTable("own_crops", {
    id: { type: DataTypes3.INTEGER, autoIncrement: true, primaryKey: true },
    gardenId: {
      type: DataTypes3.INTEGER,
      allowNull: false,
      references: { model: "gardens", key: "id" },
      onDelete: "RESTRICT"
    },
    likeId: { type: DataTypes3.STRING, allowNull: false },
    words: { type: DataTypes3.TEXT, allowNull: false }
  });
}

// server/src/db/migrations/004-deciding.ts
var deciding_exports = {};
__export(deciding_exports, {
  up: () => up4
});
import { DataTypes as DataTypes4 } from "sequelize";
async function up4(steps) {
  await steps.addColumn("plantings", "school", { type: DataTypes4.STRING, allowNull: true });
  await steps.addColumn("gardens", "limits", {
    type: DataTypes4.TEXT,
    allowNull: false,
    defaultValue: "{}"
  });
}

// server/src/db/migrations/005-clock-and-ranks.ts
var clock_and_ranks_exports = {};
__export(clock_and_ranks_exports, {
  up: () => up5
});
import { DataTypes as DataTypes5 } from "sequelize";
async function up5(steps) {
  await steps.addColumn("gardens", "longitudeDeg", { type: DataTypes5.DOUBLE, allowNull: true });
  await steps.addColumn("beds", "rank", { type: DataTypes5.STRING, allowNull: true });
  await steps.addColumn("plantings", "schoolSince", { type: DataTypes5.STRING, allowNull: true });
}

// server/src/db/migrations/006-nothing-lost.ts
var nothing_lost_exports = {};
__export(nothing_lost_exports, {
  up: () => up6
});
import { DataTypes as DataTypes6 } from "sequelize";
var integer = () => ({ type: DataTypes6.INTEGER, allowNull: false, defaultValue: 0 });
var text3 = () => ({ type: DataTypes6.TEXT, allowNull: false });
async function up6(steps) {
  await steps.createTable("acts", {
    key: { type: DataTypes6.STRING, primaryKey: true },
    /** What was asked: method, address and a digest of the body. */
    what: text3(),
    status: integer(),
    answer: text3(),
    at: { type: DataTypes6.DATE, allowNull: false }
  });
  await steps.addIndex("acts", ["at"]);
  for (const table of ["gardens", "beds", "plantings", "taps"])
    await steps.addColumn(table, "version", integer());
  await steps.createTable("imports", {
    id: { type: DataTypes6.INTEGER, autoIncrement: true, primaryKey: true },
    gardenId: {
      type: DataTypes6.INTEGER,
      allowNull: false,
      references: { model: "gardens", key: "id" },
      onDelete: "RESTRICT"
    },
    fileName: text3(),
    at: { type: DataTypes6.DATE, allowNull: false },
    days: integer(),
    removedAt: { type: DataTypes6.DATE, allowNull: true }
  });
  await steps.addColumn("weather_days", "importId", integer());
  await steps.sql(
    `INSERT INTO imports (gardenId, fileName, at, days)
     SELECT gardenId, 'days imported before', strftime('%Y-%m-%d %H:%M:%f +00:00', 'now'), count(*)
     FROM weather_days WHERE source = 'import' AND importId = 0 GROUP BY gardenId`
  );
  await steps.sql(
    `UPDATE weather_days SET importId = (SELECT max(id) FROM imports WHERE imports.gardenId = weather_days.gardenId)
     WHERE source = 'import' AND importId = 0`
  );
  await steps.sql("DROP INDEX IF EXISTS weather_days_garden_id_source_date");
  await steps.addIndex("weather_days", ["gardenId", "date", "importId"], { unique: true });
  await steps.sql(
    `UPDATE events SET removedAt = strftime('%Y-%m-%d %H:%M:%f +00:00', 'now')
     WHERE kind = 'rain' AND removedAt IS NULL AND id NOT IN
       (SELECT max(id) FROM events WHERE kind = 'rain' AND removedAt IS NULL GROUP BY gardenId, date)`
  );
  await steps.sql(
    `CREATE UNIQUE INDEX IF NOT EXISTS events_one_gauge_a_day ON events (gardenId, date)
     WHERE kind = 'rain' AND removedAt IS NULL`
  );
}

// server/src/db/migrations/007-facts-that-stay.ts
var facts_that_stay_exports = {};
__export(facts_that_stay_exports, {
  up: () => up7
});
import { DataTypes as DataTypes7 } from "sequelize";
var key3 = { type: DataTypes7.INTEGER, autoIncrement: true, primaryKey: true };
var text4 = { type: DataTypes7.STRING, allowNull: false };
var textOrNull4 = { type: DataTypes7.STRING, allowNull: true };
var longText = { type: DataTypes7.TEXT, allowNull: false };
var number2 = { type: DataTypes7.DOUBLE, allowNull: false };
var whole = { type: DataTypes7.INTEGER, allowNull: false };
var flag2 = { type: DataTypes7.BOOLEAN, allowNull: false, defaultValue: false };
var moment4 = { type: DataTypes7.DATE, allowNull: false };
var of = (table, allowNull = true) => ({
  type: DataTypes7.INTEGER,
  allowNull,
  references: { model: table, key: "id" },
  onDelete: "RESTRICT"
});
var SETTINGS = [
  ["area", `json_object('value', areaM2)`],
  ["form", `json_object('value', form)`],
  ["cover", `json_object('value', json(CASE WHEN underCover THEN 'true' ELSE 'false' END))`],
  ["shade", `json_object('value', json(CASE WHEN shadeCloth THEN 'true' ELSE 'false' END))`],
  [
    "mulched",
    `json_object('value', CASE WHEN mulchMaterial IS NULL OR COALESCE(mulchMm, 0) = 0 THEN NULL
       WHEN mulchLaidOn IS NULL THEN json_object('material', mulchMaterial, 'depthMm', mulchMm)
       ELSE json_object('material', mulchMaterial, 'depthMm', mulchMm, 'laidOn', mulchLaidOn) END)`
  ],
  ["goal", `json_object('value', goal)`]
];
var LEAVING = [
  "areaM2",
  "form",
  "underCover",
  "mulchMaterial",
  "mulchMm",
  "mulchLaidOn",
  "goal",
  "shadeCloth",
  "tapId",
  "groundOf",
  "textureClass",
  "subsoilClass"
];
var SORTS = `CASE
  WHEN kind IN ('depth', 'look', 'stage', 'stand', 'mulch', 'wilt') THEN 'observation'
  WHEN kind IN ('toughen', 'plan') THEN 'decision'
  WHEN kind IN ('amended', 'changed') THEN 'change'
  ELSE 'reading' END`;
async function up7(steps) {
  await steps.createTable("grounds", {
    id: key3,
    gardenId: of("gardens", false),
    textureClass: text4,
    subsoilClass: textOrNull4
  });
  await steps.sql(
    `INSERT INTO grounds (id, gardenId, textureClass, subsoilClass)
       SELECT id, gardenId, textureClass, subsoilClass FROM beds WHERE groundOf IS NULL`
  );
  await steps.addColumn("beds", "groundId", of("grounds"));
  await steps.sql("UPDATE beds SET groundId = COALESCE(groundOf, id)");
  await steps.createTable("entries", {
    id: key3,
    gardenId: of("gardens", false),
    bedId: of("beds"),
    tapId: of("taps"),
    groundId: of("grounds"),
    sort: text4,
    kind: text4,
    date: text4,
    at: moment4,
    version: { ...whole, defaultValue: 1 },
    method: textOrNull4,
    input: longText,
    note: textOrNull4,
    removedAt: { type: DataTypes7.DATE, allowNull: true },
    /** Of a setting whose place another took: that one. */
    replacedBy: { type: DataTypes7.INTEGER, allowNull: true }
  });
  await steps.sql(
    `INSERT INTO entries (id, gardenId, bedId, tapId, groundId, sort, kind, date, at, version, method, input, note, removedAt)
       SELECT f.id, f.gardenId, f.bedId, f.tapId,
         CASE WHEN f.kind IN ('feel', 'jar', 'dig', 'hole', 'pot', 'dye', 'organic') THEN b.groundId END,
         ${SORTS.replaceAll("kind", "f.kind")}, f.kind, f.date, f.at, 1, f.method, f.input, f.note, f.removedAt
       FROM findings f LEFT JOIN beds b ON b.id = f.bedId`
  );
  await steps.sql("DROP TABLE findings");
  const setting = (kind, json2, from, tapId = "NULL") => steps.sql(
    `INSERT INTO entries (gardenId, bedId, tapId, sort, kind, date, at, version, input)
       SELECT beds.gardenId, beds.id, ${tapId}, 'setting', '${kind}', beds.startOn,
         beds.startOn || ' 00:00:00.000 +00:00', 1, ${json2} FROM ${from}`
  );
  for (const [kind, json2] of SETTINGS) await setting(kind, json2, "beds");
  await setting("tap", `json_object('value', beds.tapId)`, "beds", "beds.tapId");
  await setting(
    "watered",
    `json_object('value', json_object('method', d.method, 'litresPerMinute', d.litresPerMinute,
         'measured', json(CASE WHEN d.measured THEN 'true' ELSE 'false' END)))`,
    "deliveries d JOIN beds ON beds.id = d.bedId"
  );
  await steps.sql("DROP TABLE deliveries");
  for (const column of LEAVING) await steps.sql(`ALTER TABLE beds DROP COLUMN "${column}"`);
  await steps.sql('ALTER TABLE events RENAME COLUMN "netMm" TO "depthMm"');
  await steps.createTable("runs", {
    id: key3,
    gardenId: of("gardens", false),
    bedId: { ...of("beds", false), unique: true },
    startedAt: moment4,
    minutes: number2,
    litresPerMinute: number2,
    runs: whole,
    run: whole,
    runMinutes: number2,
    soakMinutes: number2,
    ranMinutes: number2,
    resting: flag2,
    secondsEach: { type: DataTypes7.DOUBLE, allowNull: true },
    selfStops: flag2
  });
  await steps.sql(
    `INSERT INTO runs (gardenId, bedId, startedAt, minutes, litresPerMinute, runs, run, runMinutes, soakMinutes, ranMinutes, resting, secondsEach, selfStops)
       SELECT d.gardenId, b.id,
         strftime('%Y-%m-%d %H:%M:%f', json_extract(d.body, '$.startedAt') / 1000.0, 'unixepoch') || ' +00:00',
         json_extract(d.body, '$.minutes'), COALESCE(json_extract(d.body, '$.litresPerMinute'), 1),
         COALESCE(json_extract(d.body, '$.runs'), 1), COALESCE(json_extract(d.body, '$.run'), 1),
         COALESCE(json_extract(d.body, '$.runMinutes'), json_extract(d.body, '$.minutes')),
         COALESCE(json_extract(d.body, '$.soakMinutes'), 0), COALESCE(json_extract(d.body, '$.ranMinutes'), 0),
         COALESCE(json_extract(d.body, '$.resting'), 0), json_extract(d.body, '$.secondsEach'),
         COALESCE(json_extract(d.body, '$.selfStops'), 0)
       FROM drafts d JOIN beds b ON d.key = 'tap-runs:bed-' || b.id
       WHERE json_valid(d.body) AND json_type(d.body, '$.startedAt') IN ('integer', 'real')
         AND json_type(d.body, '$.minutes') IN ('integer', 'real')`
  );
  await steps.sql(`DELETE FROM drafts WHERE key LIKE 'tap-runs:%'`);
  await steps.addIndex("grounds", ["gardenId"]);
  await steps.addIndex("entries", ["gardenId", "date"]);
  await steps.addIndex("entries", ["bedId"]);
  await steps.addIndex("entries", ["tapId"]);
  await steps.addIndex("entries", ["groundId"]);
  await steps.addIndex("events", ["bedId", "date"]);
  await steps.addIndex("events", ["gardenId", "date"]);
  await steps.addIndex("beds", ["gardenId"]);
  await steps.addIndex("beds", ["groundId"]);
  await steps.addIndex("plantings", ["bedId"]);
  await steps.addIndex("taps", ["gardenId"]);
  await steps.addIndex("own_crops", ["gardenId"]);
  await steps.addIndex("imports", ["gardenId"]);
  await steps.addIndex("runs", ["gardenId"]);
}

// server/src/db/migrate.ts
var MIGRATIONS = [
  { name: "001-first-tables", ...first_tables_exports },
  { name: "002-findings", ...findings_exports },
  { name: "003-plantings", ...plantings_exports },
  { name: "004-deciding", ...deciding_exports },
  { name: "005-clock-and-ranks", ...clock_and_ranks_exports },
  { name: "006-nothing-lost", ...nothing_lost_exports },
  { name: "007-facts-that-stay", ...facts_that_stay_exports }
];
var MIGRATION_NAMES = MIGRATIONS.map(({ name }) => name);
var LATEST = MIGRATION_NAMES.at(-1);
var SchemaSteps = class {
  query;
  transaction;
  constructor(query, transaction) {
    this.query = query;
    this.transaction = transaction;
  }
  async createTable(name, columns) {
    await this.query.createTable(name, columns, { transaction: this.transaction });
  }
  async addColumn(table, column, type) {
    const there = await this.all(`PRAGMA table_info(${table})`);
    if (there.some(({ name }) => name === column)) return;
    await this.query.addColumn(table, column, type, { transaction: this.transaction });
  }
  async addIndex(table, fields, { unique = false } = {}) {
    const there = await this.all(`PRAGMA index_list(${table})`);
    const name = `${table}_${fields.map(snake).join("_")}`;
    if (there.some((index) => index.name === name)) return;
    await this.query.addIndex(table, fields, { unique, name, transaction: this.transaction });
  }
  async sql(text6) {
    await this.query.sequelize.query(text6, { transaction: this.transaction });
  }
  all(text6) {
    return this.query.sequelize.query(text6, { type: QueryTypes.SELECT, transaction: this.transaction });
  }
};
var snake = (name) => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
async function migrate(sequelize, to) {
  const query = sequelize.getQueryInterface();
  await sequelize.query(
    "CREATE TABLE IF NOT EXISTS SequelizeMeta (name VARCHAR(255) NOT NULL UNIQUE PRIMARY KEY)"
  );
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up: up8 }) => ({
      name,
      up: () => sequelize.transaction(async (transaction) => {
        await up8(new SchemaSteps(query, transaction));
        await sequelize.query("INSERT INTO SequelizeMeta (name) VALUES (?)", {
          replacements: [name],
          transaction
        });
      })
    })),
    storage: {
      // Noted by the migration itself, in its own transaction.
      logMigration: async () => void 0,
      unlogMigration: async () => void 0,
      executed: async () => (await sequelize.query("SELECT name FROM SequelizeMeta ORDER BY name", {
        type: QueryTypes.SELECT
      })).map(({ name }) => name)
    },
    logger: void 0
  });
  await umzug.up(to === void 0 ? {} : { to });
}

// server/src/db/models.ts
import {
  DataTypes as DataTypes8,
  Model
} from "sequelize";
var Garden = class extends Model {
};
var Bed = class extends Model {
};
var OwnCrop = class extends Model {
};
var Tap = class extends Model {
};
var Ground = class extends Model {
};
var EntryRow = class extends Model {
};
var RunRow = class extends Model {
};
var Draft = class extends Model {
};
var Planting = class extends Model {
};
var WeatherDayRow = class extends Model {
};
var ImportRow = class extends Model {
};
var Act = class extends Model {
};
var EventRow = class extends Model {
};
var text5 = () => ({ type: DataTypes8.STRING, allowNull: false });
var textOrNull5 = () => ({ type: DataTypes8.STRING, allowNull: true });
var number3 = () => ({ type: DataTypes8.DOUBLE, allowNull: false });
var numberOrNull3 = () => ({ type: DataTypes8.DOUBLE, allowNull: true });
var integer2 = () => ({ type: DataTypes8.INTEGER, allowNull: false });
var key4 = () => ({ type: DataTypes8.INTEGER, autoIncrement: true, primaryKey: true });
var flag3 = () => ({ type: DataTypes8.BOOLEAN, allowNull: false, defaultValue: false });
var version = () => ({ type: DataTypes8.INTEGER, allowNull: false, defaultValue: 0 });
var integerOrNull = () => ({ type: DataTypes8.INTEGER, allowNull: true });
var longText2 = () => ({ type: DataTypes8.TEXT, allowNull: false });
var time2 = () => ({ type: DataTypes8.DATE, allowNull: false });
var moment5 = () => ({ type: DataTypes8.DATE, allowNull: true });
function defineModels(sequelize) {
  const as = (tableName) => ({ sequelize, tableName, timestamps: false });
  Garden.init(
    {
      id: key4(),
      name: text5(),
      latitudeDeg: number3(),
      elevationM: number3(),
      longitudeDeg: numberOrNull3(),
      timeZone: text5(),
      units: text5(),
      clockMode: text5(),
      practiceDate: textOrNull5(),
      isDemo: flag3(),
      stationUrl: textOrNull5(),
      limits: { type: DataTypes8.TEXT, allowNull: false, defaultValue: "{}" },
      version: version()
    },
    as("gardens")
  );
  Bed.init(
    {
      id: key4(),
      gardenId: integer2(),
      position: integer2(),
      name: text5(),
      startOn: text5(),
      startWetness: text5(),
      archivedAt: moment5(),
      groundId: integer2(),
      place: textOrNull5(),
      rank: textOrNull5(),
      lengthM: numberOrNull3(),
      widthM: numberOrNull3(),
      notes: { type: DataTypes8.TEXT, allowNull: false, defaultValue: "" },
      version: version()
    },
    as("beds")
  );
  Tap.init(
    {
      id: key4(),
      gardenId: integer2(),
      name: text5(),
      nozzle: text5(),
      archivedAt: moment5(),
      version: version()
    },
    as("taps")
  );
  Ground.init(
    { id: key4(), gardenId: integer2(), textureClass: text5(), subsoilClass: textOrNull5() },
    as("grounds")
  );
  EntryRow.init(
    {
      id: key4(),
      gardenId: integer2(),
      bedId: integerOrNull(),
      tapId: integerOrNull(),
      groundId: integerOrNull(),
      sort: text5(),
      kind: text5(),
      date: text5(),
      at: time2(),
      version: integer2(),
      method: textOrNull5(),
      input: longText2(),
      note: textOrNull5(),
      removedAt: moment5(),
      replacedBy: integerOrNull()
    },
    as("entries")
  );
  RunRow.init(
    {
      id: key4(),
      gardenId: integer2(),
      bedId: integer2(),
      startedAt: time2(),
      minutes: number3(),
      litresPerMinute: number3(),
      runs: integer2(),
      run: integer2(),
      runMinutes: number3(),
      soakMinutes: number3(),
      ranMinutes: number3(),
      resting: flag3(),
      secondsEach: numberOrNull3(),
      selfStops: flag3()
    },
    as("runs")
  );
  Draft.init(
    { id: key4(), gardenId: integer2(), key: text5(), body: longText2(), updatedAt: time2() },
    as("drafts")
  );
  Planting.init(
    {
      id: key4(),
      bedId: integer2(),
      cropId: text5(),
      plantedOn: text5(),
      endedOn: textOrNull5(),
      method: textOrNull5(),
      share: { type: DataTypes8.DOUBLE, allowNull: false, defaultValue: 1 },
      school: textOrNull5(),
      schoolSince: textOrNull5(),
      removedAt: moment5(),
      version: version()
    },
    as("plantings")
  );
  OwnCrop.init({ id: key4(), gardenId: integer2(), likeId: text5(), words: longText2() }, as("own_crops"));
  WeatherDayRow.init(
    {
      id: key4(),
      gardenId: integer2(),
      date: text5(),
      source: text5(),
      importId: { type: DataTypes8.INTEGER, allowNull: false, defaultValue: 0 },
      tMinC: number3(),
      tMaxC: number3(),
      rainMm: number3(),
      windMs: numberOrNull3(),
      rhMinPct: numberOrNull3(),
      rhMaxPct: numberOrNull3(),
      solarMJ: numberOrNull3()
    },
    as("weather_days")
  );
  ImportRow.init(
    {
      id: key4(),
      gardenId: integer2(),
      fileName: longText2(),
      at: time2(),
      days: integer2(),
      removedAt: moment5()
    },
    as("imports")
  );
  Act.init(
    {
      key: { type: DataTypes8.STRING, primaryKey: true },
      what: longText2(),
      status: integer2(),
      answer: longText2(),
      at: time2()
    },
    as("acts")
  );
  EventRow.init(
    {
      id: key4(),
      gardenId: integer2(),
      bedId: integerOrNull(),
      kind: text5(),
      date: text5(),
      at: time2(),
      litres: numberOrNull3(),
      minutes: numberOrNull3(),
      depthMm: numberOrNull3(),
      rainMm: numberOrNull3(),
      reason: textOrNull5(),
      note: textOrNull5(),
      removedAt: moment5()
    },
    as("events")
  );
}

// server/src/db/writer.ts
import { AsyncLocalStorage } from "node:async_hooks";
import { existsSync as existsSync3 } from "node:fs";
import { Mutex } from "async-mutex";
import { Sequelize, Transaction } from "sequelize";
var local = new AsyncLocalStorage();
Sequelize.useCLS({
  bind: () => void 0,
  get: (key5) => local.getStore()?.get(key5),
  set: (key5, value) => local.getStore()?.set(key5, value),
  run: (work) => local.run(new Map(local.getStore()), () => work(local.getStore()))
});
var WRITING = "kibble.writing";
var TRIES = 6;
var PAUSE_MS = 150;
var SETTLE_MS = 200;
var fileOf = (sequelize) => sequelize.options.storage ?? ":memory:";
var writers = /* @__PURE__ */ new WeakMap();
function writerOf(sequelize) {
  const known2 = writers.get(sequelize);
  if (known2) return known2;
  const turn = new Mutex();
  const file = fileOf(sequelize);
  const once = (work) => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, () => {
    local.getStore()?.set(WRITING, sequelize);
    return work();
  });
  let settling = null;
  const settle = () => {
    if (settling) clearTimeout(settling);
    settling = setTimeout(() => {
      if (!existsSync3(file)) return;
      turn.runExclusive(() => sequelize.query("PRAGMA wal_checkpoint(PASSIVE)", { transaction: null })).catch(() => void 0);
    }, SETTLE_MS);
    settling.unref();
  };
  const write = async (work) => {
    if (local.getStore()?.get(WRITING) === sequelize) return work();
    settle();
    return turn.runExclusive(async () => {
      for (let left = TRIES; ; left -= 1) {
        try {
          return await once(work);
        } catch (error) {
          if (sqliteCode(error) !== "SQLITE_BUSY" || left <= 1) throw error;
          await new Promise((after) => setTimeout(after, PAUSE_MS));
        }
      }
    });
  };
  writers.set(sequelize, write);
  return write;
}

// server/src/db/open.ts
var WHOSE = { own: "a garden of your own", demo: "the demo garden" };
var connect = (file) => new Sequelize2({ dialect: "sqlite", storage: file, logging: false });
async function inWords(file, work) {
  try {
    return await work();
  } catch (error) {
    const words = startWords(error, file);
    throw words ? new StartRefusal(words, { cause: error }) : error;
  }
}
function openDatabase(file, options = {}) {
  const kind = options.kind ?? "own";
  return inWords(file, async () => {
    if (file !== ":memory:") {
      mkdirSync2(dirname2(file), { recursive: true });
      await checkFile(file, kind, options.now ?? /* @__PURE__ */ new Date(0));
    }
    const sequelize = connect(file);
    await sequelize.query("PRAGMA journal_mode = WAL");
    await sequelize.query("PRAGMA foreign_keys = ON");
    await sequelize.query(`PRAGMA application_id = ${HOUSE_KINDS[kind]}`);
    defineModels(sequelize);
    await migrate(sequelize);
    await sequelize.query("PRAGMA wal_checkpoint(PASSIVE)");
    return sequelize;
  });
}
async function checkFile(file, kind, now) {
  const facts2 = await inspectFile(file);
  const newer = facts2.applied.filter((name) => !MIGRATION_NAMES.includes(name));
  if (newer.length > 0)
    throw new StartRefusal(
      `${file} was last opened by a newer Kibble (it knows of ${newer.join(", ")}, which this one does not). Start the newer one, or put back a copy from before: they lie in the folder \u201Ccopies\u201D beside it. Nothing was changed.`
    );
  if (facts2.kind !== null && facts2.kind !== kind)
    throw new StartRefusal(
      `${file} holds ${WHOSE[facts2.kind]}, and ${WHOSE[kind]} was asked for. Nothing was changed. Choose another folder with KIBBLE_DATA, or start ${facts2.kind === "demo" ? "npm run demo" : "npm start"}.`
    );
  const pending = MIGRATION_NAMES.some((name) => !facts2.applied.includes(name));
  if (pending && !facts2.blank) await makeCopy(file, "update", now);
}

// server/src/seed.ts
import { bedBody, isShared, toStore as toStore3 } from "@kibble/contract";
import { addDays as addDays3, ENTRY_FACTS, followSeason, METHOD_FACTS } from "@kibble/core";
import { beds, taps, threePoplars } from "@kibble/demo";

// server/src/services/clock.ts
import { addDays } from "@kibble/core";
import { FIRST_DAY, LAST_DAY } from "@kibble/contract";

// server/src/errors.ts
import { ERROR_CODES, fieldWords } from "@kibble/contract";
import { OutOfRange } from "@kibble/core";
import "zod";
var Refusal = class extends Error {
  code;
  facts;
  constructor(code, message, field, facts2 = {}) {
    super(message);
    this.name = "Refusal";
    this.code = code;
    this.facts = field === void 0 ? facts2 : { ...facts2, field };
  }
  get status() {
    return ERROR_CODES[this.code];
  }
};
function answer(schema, value) {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  throw new AnswerFault(result.error);
}
var AnswerFault = class extends Error {
  constructor(cause) {
    const [issue] = cause.issues;
    super(`the answer does not fit its schema at ${issue?.path.join(".")}: ${issue?.message}`, { cause });
    this.name = "AnswerFault";
  }
};
function refusing(check, prefix = "") {
  try {
    return check();
  } catch (error) {
    if (error instanceof OutOfRange) throw rangeRefusal(error, prefix);
    throw error;
  }
}
function rangeRefusal({ field, allowed, got }, prefix = "") {
  return new Refusal("invalid", `${rangeWordsOf({ field, allowed, got })}.`, `${prefix}${field}`);
}
var FIGURES = {
  localMm: "The depth of a watering",
  rateMmPerHour: "How fast water comes",
  infiltrationMmPerHour: "What the ground takes in",
  surfaceStorageMm: "What the surface holds",
  netMm: "The depth of a watering",
  cropId: "The plant",
  startOn: "The first day of the bed",
  clayPct: "Clay",
  share: "Share of the bed"
};
var rangeWordsOf = ({
  field,
  allowed,
  got
}) => {
  const [last = field] = field.split(/[.[\]]/).filter((part) => part !== "" && !/^\d+$/.test(part)).slice(-1);
  const label = FIGURES[last] ?? fieldWords([last.replace(/(Mm|M2|M|Pct|LitresPerMinute|MmPerHour)$/, "")]);
  return `${label} must ${allowed}; got ${got}`;
};

// server/src/services/clock.ts
function todayOf(garden, wall2) {
  if (garden.clockMode === "practice" && garden.practiceDate) return garden.practiceDate;
  return formats(garden.timeZone).day.format(wall2.now());
}
var made = /* @__PURE__ */ new Map();
function formats(timeZone) {
  const known2 = made.get(timeZone);
  if (known2) return known2;
  const fresh = {
    // The Swedish form of a date is YYYY-MM-DD.
    day: new Intl.DateTimeFormat("sv-SE", { timeZone }),
    offset: new Intl.DateTimeFormat("en", { timeZone, timeZoneName: "longOffset" })
  };
  made.set(timeZone, fresh);
  return fresh;
}
function utcOffsetHours(timeZone, date) {
  const parts = formats(timeZone).offset.formatToParts(/* @__PURE__ */ new Date(`${date}T12:00:00Z`));
  const named = parts.find((part) => part.type === "timeZoneName")?.value ?? "GMT";
  const [, sign, hours, minutes] = /GMT([+-])(\d{2}):(\d{2})/.exec(named) ?? [];
  const ahead = Number(hours ?? 0) + Number(minutes ?? 0) / 60;
  return sign === "-" ? -ahead : ahead;
}

// server/src/planner/placeInput.ts
import {
  foundOf,
  historyOf,
  NO_TIME,
  nowOf
} from "@kibble/contract";
import {
  balanceStart,
  bucketTest,
  byHand,
  cropById,
  defaultSchool,
  givenSoFar,
  plantOnDay,
  standingOn,
  usualLeafOut
} from "@kibble/core";
var plantingsOf = (bed, latitudeDeg) => bed.plantings.map((planting) => ({
  cropId: planting.cropId,
  custom: planting.custom,
  plantedOn: planting.plantedOn,
  endedOn: planting.endedOn ?? void 0,
  method: planting.method,
  share: planting.share,
  seen: planting.seen,
  leafOut: usualLeafOut(latitudeDeg)
}));
var cropOfBed = (bed) => bed.planting ? bed.planting.custom ?? cropById(bed.planting.cropId) : null;
var mulchOf = (bed) => bed.mulchMaterial && bed.mulchMm ? { material: bed.mulchMaterial, depthMm: bed.mulchMm } : void 0;
function planBed(bed, events, { today, latitudeDeg }, tried) {
  const { periods } = historyOf(bed, today, tried);
  const now = nowOf(periods);
  const plantings = plantingsOf(bed, latitudeDeg);
  const start = balanceStart(bed.startOn, bed.startWetness, today);
  const mine = events.filter(
    (event) => event.bedId === bed.id && event.date >= start.startOn && event.date <= today
  );
  const school = schoolChosen(bed, today, latitudeDeg);
  return {
    id: bed.id,
    bed: { ...now.bed, plantings },
    delivery: now.delivery,
    earlier: periods.slice(1).flatMap(({ from }, i) => {
      const was = periods[i];
      return was ? [{ until: from, bed: { ...was.bed, plantings }, delivery: was.delivery }] : [];
    }),
    known: now.known.known,
    ...start,
    irrigations: mine.filter((event) => event.kind === "watering").map((event) => ({ date: event.date, netMm: event.netMm ?? 0 })),
    settledToday: mine.some((event) => event.date === today && event.kind !== "rain"),
    leftOn: mine.filter((event) => event.kind === "skip" && event.reason !== NO_TIME).map((event) => event.date),
    tap: bed.tapId ?? void 0,
    rank: bed.rank ?? void 0,
    school: school.id,
    schoolSince: school.own ? bed.planting?.schoolSince ?? void 0 : void 0,
    ...byHand(bed.findings.map(foundOf), today, now.known.areaM2, now.delivery)
  };
}
function schoolChosen(bed, today, latitudeDeg) {
  const crop = cropOfBed(bed);
  if (!crop) return { id: "deep and seldom", own: false, usual: null };
  const planting = standingOn(plantingsOf(bed, latitudeDeg), today);
  const stage = planting ? plantOnDay(planting, today)?.stage ?? null : null;
  const usual = defaultSchool(crop, stage);
  const own = bed.planting?.school ?? null;
  return { id: own ?? usual.id, own: own !== null, usual };
}
function constraintsOf({ garden, events, today }) {
  const { limits, longitudeDeg, timeZone, taps: taps2 } = garden;
  const flows = taps2.flatMap((tap) => {
    const timed = tap.findings.find(({ input }) => input.kind === "bucket")?.input;
    return timed?.kind === "bucket" ? [[tap.id, bucketTest(timed).litresPerMinute]] : [];
  });
  return {
    minutesPerDay: limits.minutesPerDay ?? void 0,
    litresPerDay: limits.litresPerDay ?? void 0,
    litresPerWeek: limits.litresPerWeek ?? void 0,
    ...givenSoFar(
      events.filter((e) => e.kind === "watering"),
      today
    ),
    weekdays: limits.weekdays ?? void 0,
    hours: limits.hours ?? void 0,
    restricts: limits.restricts ?? void 0,
    windHoldMs: limits.windHoldMs ?? void 0,
    fewRounds: limits.fewRounds ?? false,
    clock: { longitudeDeg: longitudeDeg ?? void 0, utcOffsetHours: utcOffsetHours(timeZone, today) },
    lines: { lines: limits.lines ?? void 0, tapLitresPerMinute: Object.fromEntries(flows) }
  };
}

// server/src/services/beds.ts
import { standingOn as standingOn3 } from "@kibble/core";
import { Op as Op2 } from "sequelize";

// server/src/services/find.ts
async function findGarden(id) {
  const garden = await Garden.findByPk(id);
  if (!garden) throw new Refusal("not-found", `There is no garden ${id}.`, "garden");
  return garden;
}
async function findBed(id) {
  const bed = await Bed.findByPk(id);
  if (!bed) throw new Refusal("not-found", `There is no bed ${id}.`, "bed");
  return { bed, garden: await findGarden(bed.gardenId) };
}

// server/src/services/gardens.ts
import { Op } from "sequelize";

// server/src/services/bedView.ts
import { CATALOGUE, cropById as cropById2, ownCrop, standingOn as standingOn2 } from "@kibble/core";

// server/src/services/settings.ts
import { settingFromStore, toStore } from "@kibble/contract";
import { SETTING_KINDS } from "@kibble/core";
var USUAL = {
  area: 1,
  form: "flat",
  cover: false,
  shade: false,
  mulched: null,
  goal: "steady",
  watered: { method: "watering can", litresPerMinute: 1, measured: false },
  tap: null
};
var settingsOf = (body) => [
  { kind: "area", value: body.areaM2 },
  { kind: "form", value: body.form },
  { kind: "cover", value: body.underCover },
  { kind: "shade", value: body.shadeCloth },
  {
    kind: "mulched",
    value: body.mulchMm && body.mulchMaterial ? { material: body.mulchMaterial, depthMm: body.mulchMm } : null
  },
  { kind: "goal", value: body.goal },
  { kind: "watered", value: body.delivery }
];
function settingsToView(rows, startOn, setAside) {
  const views = rows.flatMap((row) => {
    const setting = settingFromStore(row.kind, row.version, row.input);
    if (setting) return [{ id: row.id, from: row.date, setting }];
    setAside.push({
      what: `how a bed was from ${row.date} on (${row.kind})`,
      id: row.id,
      why: "its text is not understood"
    });
    return [];
  });
  const lacking = SETTING_KINDS.filter((kind) => !views.some(({ setting }) => setting.kind === kind));
  const usual = lacking.map((kind) => ({
    id: 0,
    from: startOn,
    setting: { kind, value: USUAL[kind] }
  }));
  return [...usual, ...views].sort((a, b) => a.from === b.from ? a.id - b.id : a.from < b.from ? -1 : 1);
}
function settingNow(settings, kind, today) {
  const of2 = settings.filter(({ setting }) => setting.kind === kind);
  const now = of2.findLast(({ from }) => from <= today) ?? of2[0];
  return now ? now.setting.value : USUAL[kind];
}
var rowOf = (bed, setting, from, at) => ({
  gardenId: bed.gardenId,
  bedId: bed.id,
  tapId: setting.kind === "tap" ? setting.value : null,
  sort: "setting",
  kind: setting.kind,
  date: from,
  at,
  ...toStore(setting)
});
async function firstSettings(bed, settings, from, at) {
  await EntryRow.bulkCreate(settings.map((setting) => rowOf(bed, setting, from, at)));
}

// server/src/services/bedView.ts
var ownCropEntry = (row) => ownCrop(`own-${row.id}`, cropById2(row.likeId), JSON.parse(row.words));
function ownCropEntries(rows, setAside) {
  return rows.flatMap((row) => {
    try {
      return [ownCropEntry(row)];
    } catch (error) {
      setAside.push({
        what: "a plant of your own",
        id: row.id,
        why: error instanceof Error ? error.message : "its text is not understood"
      });
      return [];
    }
  });
}
function cropName(cropId, custom) {
  return custom?.name ?? CATALOGUE.find((crop) => crop.id === cropId)?.name ?? `unknown plant \u201C${cropId}\u201D`;
}
function bedToView(of2) {
  const { bed, ground, today } = of2;
  const settings = settingsToView(of2.settings, bed.startOn, of2.setAside);
  const findings = of2.findings(
    settings.flatMap(
      ({ setting }) => setting.kind === "tap" && setting.value !== null ? [setting.value] : []
    )
  );
  const plantings = of2.plantings.map((p2) => {
    const custom = of2.ownCrops.find((c) => c.id === p2.cropId);
    return {
      id: p2.id,
      cropId: p2.cropId,
      version: p2.version,
      cropName: cropName(p2.cropId, custom),
      custom,
      plantedOn: p2.plantedOn,
      endedOn: p2.endedOn,
      method: p2.method ?? void 0,
      share: p2.share,
      school: p2.school ?? null,
      schoolSince: p2.schoolSince ?? null,
      seen: findings.flatMap(
        ({ on, input }) => input.kind === "stage" && input.plantingId === p2.id ? [{ stage: input.stage, on }] : []
      )
    };
  });
  const now = (kind) => settingNow(settings, kind, today);
  const mulched = now("mulched");
  const laid = settings.findLast(({ setting, from }) => setting.kind === "mulched" && from <= today);
  return {
    id: bed.id,
    version: bed.version,
    gardenId: bed.gardenId,
    name: bed.name,
    areaM2: now("area"),
    textureClass: ground?.textureClass ?? "loam",
    subsoilClass: ground?.subsoilClass ?? null,
    form: now("form"),
    underCover: now("cover"),
    mulchMaterial: mulched?.material ?? null,
    mulchMm: mulched?.depthMm ?? null,
    mulchLaidOn: mulched ? mulched.laidOn ?? laid?.from ?? bed.startOn : null,
    startOn: bed.startOn,
    startWetness: bed.startWetness,
    place: bed.place ?? null,
    goal: now("goal"),
    rank: bed.rank ?? null,
    shadeCloth: now("shade"),
    lengthM: bed.lengthM ?? null,
    widthM: bed.widthM ?? null,
    notes: bed.notes,
    archived: Boolean(bed.archivedAt),
    groundId: bed.groundId,
    tapId: now("tap"),
    settings,
    findings,
    planting: standingOn2(plantings, today) ?? plantings.at(-1) ?? null,
    plantings,
    delivery: now("watered")
  };
}

// server/src/services/entryView.ts
import { entryFromStore } from "@kibble/contract";
function entriesToView(rows, setAside) {
  return rows.flatMap((row) => {
    const input = entryFromStore(row.kind, row.version, row.input);
    if (input)
      return [
        {
          id: row.id,
          bedId: row.bedId,
          tapId: row.tapId ?? null,
          on: row.date,
          method: row.method ?? null,
          input,
          note: row.note ?? null
        }
      ];
    setAside.push({
      what: `a ${row.sort} (${row.kind}) of ${row.date}`,
      id: row.id,
      why: "its text is not understood"
    });
    return [];
  });
}

// server/src/services/grouped.ts
function grouped(items, keyOf) {
  const groups = /* @__PURE__ */ new Map();
  for (const item of items) {
    const key5 = keyOf(item);
    if (key5 === null || key5 === void 0) continue;
    const group = groups.get(key5);
    if (group) group.push(item);
    else groups.set(key5, [item]);
  }
  return groups;
}

// server/src/services/taps.ts
import { toStore as toStore2 } from "@kibble/contract";
var tapToView = (tap, findings) => ({
  id: tap.id,
  version: tap.version,
  gardenId: tap.gardenId,
  name: tap.name,
  nozzle: tap.nozzle,
  archived: Boolean(tap.archivedAt),
  findings
});

// server/src/services/gardens.ts
async function createGarden(body, options = {}) {
  return Garden.create({
    name: body.name,
    latitudeDeg: body.latitudeDeg,
    elevationM: body.elevationM,
    longitudeDeg: body.longitudeDeg ?? null,
    timeZone: body.timeZone,
    units: body.units,
    clockMode: body.clock.mode,
    practiceDate: body.clock.mode === "practice" ? body.clock.date : null,
    stationUrl: options.stationUrl ?? null,
    isDemo: options.isDemo ?? false
  });
}
function limitsOf(garden, setAside) {
  try {
    const limits = JSON.parse(garden.limits || "{}");
    if (typeof limits === "object" && limits !== null) return limits;
  } catch {
  }
  setAside.push({ what: "the limits of the garden", id: garden.id, why: "their text is not understood" });
  return {};
}
async function gardenToView(garden, wall2, only) {
  const setAside = [];
  const where = { gardenId: garden.id };
  const raw = { raw: true, nest: false };
  const beds2 = await Bed.findAll({
    where: only ? { ...where, id: [...only] } : where,
    order: ["position", "id"],
    ...raw
  });
  const bedId = beds2.map(({ id }) => id);
  const concerning = only ? { [Op.or]: [{ bedId }, { groundId: beds2.map(({ groundId }) => groundId) }, { bedId: null }] } : {};
  const [ownRows, taps2, rows, grounds, plantings] = await Promise.all([
    OwnCrop.findAll({ where, order: ["id"], ...raw }),
    Tap.findAll({ where, order: ["id"], ...raw }),
    EntryRow.findAll({
      where: { ...where, ...concerning, removedAt: null },
      order: [
        ["date", "DESC"],
        ["id", "DESC"]
      ],
      ...raw
    }),
    Ground.findAll({ where, ...raw }),
    Planting.findAll({ where: { bedId, removedAt: null }, order: ["plantedOn", "id"], ...raw })
  ]);
  const ownCrops = ownCropEntries(ownRows, setAside);
  const today = todayOf(garden, wall2);
  const found = rows.filter(({ sort }) => sort !== "setting");
  const findings = entriesToView(found, setAside);
  const groundOfEntry = new Map(found.map(({ id, groundId }) => [id, groundId ?? null]));
  const settings = grouped(
    rows.filter(({ sort }) => sort === "setting"),
    ({ bedId: id }) => id
  );
  const plantingsOf2 = grouped(plantings, ({ bedId: id }) => id);
  const ofTap = grouped(findings, ({ tapId }) => tapId);
  const ofGround = grouped(findings, ({ id }) => groundOfEntry.get(id) ?? null);
  const ofBed = grouped(findings, ({ bedId: id }) => id);
  const order = new Map(findings.map(({ id }, i) => [id, i]));
  const ground = new Map(grounds.map((g2) => [g2.id, g2]));
  return {
    id: garden.id,
    name: garden.name,
    latitudeDeg: garden.latitudeDeg,
    elevationM: garden.elevationM,
    longitudeDeg: garden.longitudeDeg ?? null,
    timeZone: garden.timeZone,
    units: garden.units,
    clockMode: garden.clockMode,
    today,
    isDemo: garden.isDemo,
    hasStation: garden.stationUrl !== null,
    version: garden.version,
    limits: limitsOf(garden, setAside),
    setAside,
    beds: beds2.map(
      (bed) => bedToView({
        bed,
        ground: ground.get(bed.groundId),
        plantings: plantingsOf2.get(bed.id) ?? [],
        settings: settings.get(bed.id) ?? [],
        setAside,
        ownCrops,
        today,
        // An entry counts for its own bed, for the beds on the same ground, and for the beds on its tap.
        findings: (tapIds) => [
          .../* @__PURE__ */ new Set([
            ...ofBed.get(bed.id) ?? [],
            ...ofGround.get(bed.groundId) ?? [],
            ...tapIds.flatMap((id) => ofTap.get(id) ?? [])
          ])
        ].sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0))
      })
    ),
    ownCrops,
    taps: taps2.map((tap) => tapToView(tap, ofTap.get(tap.id) ?? []))
  };
}

// server/src/services/ownCrops.ts
async function checkCrop(gardenId, cropId, field) {
  if (!cropId.startsWith("own-")) return;
  const own = await OwnCrop.findOne({ where: { id: Number(cropId.slice(4)), gardenId } });
  if (!own) throw new Refusal("invalid", `Crop must be one of this garden's plants; got "${cropId}"`, field);
}

// server/src/services/plantings.ts
import { checkPlantings } from "@kibble/core";
var plantingColumns = (body) => ({
  cropId: body.cropId,
  plantedOn: body.plantedOn,
  endedOn: body.endedOn ?? null,
  method: body.method ?? null,
  share: body.share,
  school: body.school ?? null
});
function checkTogether(plantings, prefix = "") {
  refusing(
    () => checkPlantings(
      plantings.map(({ cropId, plantedOn, endedOn, share }) => ({
        cropId,
        plantedOn,
        endedOn: endedOn ?? void 0,
        share
      }))
    ),
    prefix
  );
}
var plantingsOn = (bedId) => Planting.findAll({ where: { bedId, removedAt: null }, order: ["plantedOn", "id"] });

// server/src/services/beds.ts
var bedColumns = (body) => ({
  name: body.name,
  startOn: body.planting.plantedOn,
  startWetness: body.startWetness,
  place: body.place || null,
  rank: body.rank ?? null,
  lengthM: body.lengthM ?? null,
  widthM: body.widthM ?? null,
  notes: body.notes
});
var groundColumns = (body) => ({
  textureClass: body.textureClass,
  subsoilClass: body.subsoilClass ?? null
});
async function createBed(gardenId, body, at) {
  await checkCrop(gardenId, body.planting.cropId, "planting.cropId");
  checkTogether([plantingColumns(body.planting)], "planting.");
  const position = await Bed.count({ where: { gardenId } });
  const ground = await Ground.create({ gardenId, ...groundColumns(body) });
  const bed = await Bed.create({ gardenId, position, groundId: ground.id, ...bedColumns(body) });
  await Planting.create({ bedId: bed.id, ...plantingColumns(body.planting) });
  await firstSettings(bed, [...settingsOf(body), { kind: "tap", value: null }], bed.startOn, at);
  return bed;
}
var standingSettings = async (bed) => settingsToView(
  await EntryRow.findAll({ where: { bedId: bed.id, sort: "setting", removedAt: null }, raw: true }),
  bed.startOn,
  []
);
var NAME_LETTERS = 80;
async function copyBed(bed, count, today, at) {
  const plantings = await plantingsOn(bed.id);
  const settings = await standingSettings(bed);
  const now = settings.filter(
    ({ setting, id }) => settings.findLast((s2) => s2.setting.kind === setting.kind && s2.from <= today)?.id === id
  );
  const names = new Set((await Bed.findAll({ where: { gardenId: bed.gardenId } })).map((b) => b.name));
  const base = bed.name.replace(/ \d+$/, "");
  const nextName = () => {
    for (let n = 2; ; n += 1) {
      const name = `${base.slice(0, NAME_LETTERS - String(n).length - 1)} ${n}`;
      if (names.has(name)) continue;
      names.add(name);
      return name;
    }
  };
  let position = await Bed.count({ where: { gardenId: bed.gardenId } });
  const ids = [];
  for (let i = 0; i < count; i += 1) {
    const { id: _, version: _v, archivedAt: _away, ...like } = bed.get({ plain: true });
    const copy = await Bed.create({ ...like, name: nextName(), position: position++, archivedAt: null });
    for (const { cropId, plantedOn, endedOn, method, share, school } of plantings)
      await Planting.create({ bedId: copy.id, cropId, plantedOn, endedOn, method, share, school });
    await firstSettings(
      copy,
      now.map(({ setting }) => setting),
      copy.startOn,
      at
    );
    ids.push(copy.id);
  }
  return ids;
}
async function findBedView(id, wall2) {
  const { garden } = await findBed(id);
  const { beds: beds2, today } = await gardenToView(garden, wall2, [id]);
  const [view] = beds2;
  if (!view) throw new Refusal("not-found", `There is no bed ${id}.`, "bed");
  return { view, today };
}

// server/src/services/weather.ts
import { forecastDay, stationDays, stationForecast } from "@kibble/contract";
import {
  addDays as addDays2,
  BALANCE_DAYS,
  completeWeather,
  daysBetween,
  referenceEt
} from "@kibble/core";
import { Op as Op3 } from "sequelize";
var siteOf = (garden) => ({
  latitudeDeg: garden.latitudeDeg,
  elevationM: garden.elevationM
});
var STATION_PATIENCE_MS = 4e3;
var forecasts = /* @__PURE__ */ new Map();
async function ask(url) {
  const answer2 = await fetch(url, { signal: AbortSignal.timeout(STATION_PATIENCE_MS) });
  if (!answer2.ok) throw new Error(`the station answered ${answer2.status}`);
  return answer2.json();
}
var BATCH = 1e3;
async function storeDays(gardenId, importId, days) {
  for (let i = 0; i < days.length; i += BATCH)
    await WeatherDayRow.bulkCreate(
      days.slice(i, i + BATCH).map((day) => ({
        gardenId,
        source: importId === 0 ? "station" : "import",
        importId,
        date: day.date,
        tMinC: day.tMinC,
        tMaxC: day.tMaxC,
        rainMm: day.rainMm,
        windMs: day.windMs ?? null,
        rhMinPct: day.rhMinPct ?? null,
        rhMaxPct: day.rhMaxPct ?? null,
        solarMJ: day.solarMJ ?? null
      })),
      {
        updateOnDuplicate: ["tMinC", "tMaxC", "rainMm", "windMs", "rhMinPct", "rhMaxPct", "solarMJ"],
        conflictAttributes: ["gardenId", "date", "importId"]
      }
    );
}
async function refreshFromStation(garden, today, earliest, log2) {
  if (!garden.stationUrl) return [];
  const key5 = `${garden.id} ${today}`;
  const known2 = forecasts.get(key5);
  if (known2) return known2;
  try {
    const last = await WeatherDayRow.max("date", { where: { gardenId: garden.id, source: "station" } });
    const yesterday = addDays2(today, -1);
    const from = last && last >= earliest ? addDays2(last, 1) : earliest;
    if (from <= yesterday) {
      for (let start = from; start <= yesterday; start = addDays2(start, 700)) {
        const end = daysBetween(start, yesterday) > 699 ? addDays2(start, 699) : yesterday;
        const { days: days2 } = stationDays.parse(await ask(`${garden.stationUrl}/days?from=${start}&to=${end}`));
        await writerOf(garden.sequelize)(() => storeDays(garden.id, 0, days2));
      }
    }
    const { days } = stationForecast.parse(await ask(`${garden.stationUrl}/forecast?today=${today}`));
    const forecast = days.map((day) => forecastDay.parse(day));
    forecasts.set(key5, forecast);
    return forecast;
  } catch (error) {
    log2.warn({ err: error, garden: garden.id }, "the weather station did not answer");
    return [];
  }
}
var known = (value) => value ?? void 0;
var READ_DAYS = 6 * 366;
async function recordOf(garden, from, to) {
  const standing = await ImportRow.findAll({ where: { gardenId: garden.id, removedAt: null }, raw: true });
  const rows = await WeatherDayRow.findAll({
    where: {
      gardenId: garden.id,
      importId: [0, ...standing.map(({ id }) => id)],
      date: { [Op3.between]: [from, to] }
    },
    order: ["date", "importId"],
    raw: true
  });
  const gauge = await gaugesOf(garden, from, to);
  const days = /* @__PURE__ */ new Map();
  for (const r2 of rows)
    days.set(r2.date, {
      date: r2.date,
      tMinC: r2.tMinC,
      tMaxC: r2.tMaxC,
      rainMm: gauge.get(r2.date)?.rainMm ?? r2.rainMm,
      windMs: known(r2.windMs),
      rhMinPct: known(r2.rhMinPct),
      rhMaxPct: known(r2.rhMaxPct),
      solarMJ: known(r2.solarMJ)
    });
  return [...days.values()];
}
async function gaugesOf(garden, from, to) {
  const events = await EventRow.findAll({
    where: { gardenId: garden.id, kind: "rain", removedAt: null, date: { [Op3.between]: [from, to] } },
    order: ["id"],
    raw: true
  });
  return new Map(events.map((event) => [event.date, event]));
}
async function gardenWeather(garden, today, from, horizonDays, log2, asking = true) {
  const forecast = asking ? await refreshFromStation(garden, today, addDays2(from, -30), log2) : forecasts.get(`${garden.id} ${today}`) ?? [];
  const oldest = asking ? addDays2(today, -READ_DAYS) : from;
  const record = await recordOf(garden, from < oldest ? from : oldest, addDays2(today, -1));
  const days = completeWeather({
    record,
    forecast: forecast.filter((day) => day.date >= today),
    site: siteOf(garden),
    from,
    to: addDays2(today, horizonDays - 1),
    today
  });
  const gauge = await gaugesOf(garden, from, today);
  return days.map((day) => {
    const rainMm = gauge.get(day.date)?.rainMm ?? void 0;
    return rainMm === void 0 ? day : { ...day, rainMm, rainChance: rainMm > 0 ? 1 : 0 };
  });
}
async function earliestStart(garden, today) {
  const first = await Bed.min("startOn", { where: { gardenId: garden.id, archivedAt: null } });
  const fallback = addDays2(today, -30);
  const earliest = addDays2(today, -BALANCE_DAYS);
  return first && first < fallback ? first < earliest ? earliest : first : fallback;
}

// server/src/seed.ts
async function seedDemo(sequelize, stationUrl, wall2, log2) {
  const known2 = await Garden.findOne({ where: { isDemo: true } });
  if (known2) {
    await known2.update({ stationUrl });
    return;
  }
  await writerOf(sequelize)(async () => {
    const garden = await createGarden(threePoplars, { stationUrl, isDemo: true });
    for (const { followedUntil: _, tap: _tap, groundOf: _ground, findings: _findings, ...body } of beds)
      await createBed(garden.id, bedBody.parse(body), wall2.now());
    await seedFindings(garden.id, wall2);
    await waterAsPlanned(garden, wall2, log2);
  });
}
async function seedFindings(gardenId, wall2) {
  const fact = (of2, on, input) => EntryRow.create({
    gardenId,
    bedId: of2.bed?.id ?? null,
    tapId: of2.tapId ?? null,
    groundId: of2.bed && isShared(input.kind) ? of2.bed.groundId : null,
    sort: ENTRY_FACTS[input.kind].sort,
    kind: input.kind,
    date: on,
    at: wall2.now(),
    method: of2.method ?? null,
    ...toStore3(input)
  });
  const tapIds = [];
  for (const { name, nozzle, findings } of taps) {
    const tap = await Tap.create({ gardenId, name, nozzle });
    tapIds.push(tap.id);
    for (const { on, input } of findings) await fact({ tapId: tap.id }, on, input);
  }
  const rows = await Bed.findAll({ where: { gardenId } });
  for (const bed of beds) {
    const row = rows.find((r2) => r2.name === bed.name);
    if (!row) continue;
    const shares = rows.find((r2) => r2.name === bed.groundOf);
    if (shares) await row.update({ groundId: shares.groundId });
    const tap = bed.tap === void 0 ? null : tapIds[bed.tap] ?? null;
    await EntryRow.destroy({ where: { bedId: row.id, kind: "tap" } });
    await firstSettings(row, [{ kind: "tap", value: tap }], row.startOn, wall2.now());
    for (const { cropId, plantedOn, share } of bed.also ?? [])
      await Planting.create({ bedId: row.id, cropId, plantedOn, share, endedOn: null, method: null });
    for (const { on, input } of bed.findings ?? [])
      await fact({ bed: row, method: bed.delivery.method }, on, input);
  }
}
async function waterAsPlanned(garden, wall2, log2) {
  const today = todayOf(garden, wall2);
  const weather = await gardenWeather(garden, today, await earliestStart(garden, today), 1, log2);
  const view = await gardenToView(garden, wall2);
  for (const bed of view.beds) {
    const until = beds.find((b) => b.name === bed.name)?.followedUntil ?? addDays3(today, -1);
    const waterings = followSeason({
      site: siteOf(garden),
      bed: planBed(bed, [], { today, latitudeDeg: garden.latitudeDeg }),
      weather,
      to: until
    });
    await EventRow.bulkCreate(
      waterings.map(({ date, run }) => ({
        gardenId: garden.id,
        bedId: bed.id,
        kind: "watering",
        date,
        at: wall2.now(),
        // What is carried is counted in litres, what is opened in minutes.
        ...METHOD_FACTS[bed.delivery.method].fillLitres === void 0 ? { litres: null, minutes: run.minutes } : { litres: run.litres, minutes: null },
        depthMm: null,
        rainMm: null,
        reason: "as planned",
        note: null,
        removedAt: null
      }))
    );
  }
}

// server/src/services/gardenFacts.ts
import { addDays as addDays6 } from "@kibble/core";
import { Op as Op4 } from "sequelize";

// server/src/planner/context.ts
import {
  addDays as addDays4,
  dayOfYear,
  newMemo,
  planGarden,
  rainClimatology,
  sunOnClock,
  unplannedBy,
  weatherAlerts
} from "@kibble/core";
var HORIZON_DAYS = 14;
var MEMBERS = 100;
var MEMBER_BEDS = 6e3;
var LEAST_MEMBERS = 10;
var WHOLE_PAST_BEDS = 40;
var SHOWN_PAST_DAYS = 45;
var CLIMATOLOGY_DAYS = 60;
function alertsOf(weather, today) {
  const ahead = weather.filter(
    (day) => day.date >= today && (day.source === "forecast" || day.source === "record")
  );
  const behind = weather.filter((day) => day.date < today && day.source === "record");
  return [
    ...weatherAlerts(ahead).filter((alert) => alert.code !== "dry spell"),
    ...weatherAlerts(behind).filter((alert) => alert.code === "dry spell")
  ];
}
var GLANCE_DAYS = 2;
function contextOf(facts2, options = {}) {
  const { garden, events, today, weather, site } = facts2;
  const { glance = false, memo = newMemo() } = options;
  const from = addDays4(today, -GLANCE_DAYS);
  const beds2 = garden.beds.filter((bed) => !bed.archived && bed.startOn <= today);
  const unplanned = [];
  const planBeds = beds2.flatMap((bed) => {
    try {
      const planned = planBed(bed, events, { today, latitudeDeg: site.latitudeDeg });
      return [glance && planned.startOn < from ? { ...planned, startOn: from, startFullness: 1 } : planned];
    } catch (error) {
      unplanned.push(unplannedBy(bed.id, error));
      return [];
    }
  });
  const measured = weather.filter((day) => day.source === "record").slice(-CLIMATOLOGY_DAYS);
  const constraints = constraintsOf(facts2);
  const pastIsWhole = beds2.length <= WHOLE_PAST_BEDS;
  const plan = (those, with_) => planGarden({ site, beds: those }, weather, constraints, {
    today,
    horizonDays: HORIZON_DAYS,
    pastDays: pastIsWhole ? void 0 : SHOWN_PAST_DAYS,
    members: options.members ?? Math.max(LEAST_MEMBERS, Math.min(MEMBERS, Math.floor(MEMBER_BEDS / Math.max(1, beds2.length)))),
    climatology: measured.length >= CLIMATOLOGY_DAYS / 2 ? rainClimatology(measured) : void 0,
    memo: with_,
    onProgress: options.onProgress
  });
  return {
    ...facts2,
    plan: plan(planBeds, memo),
    constraints,
    pastIsWhole,
    beds: beds2,
    planBeds,
    unplanned,
    faults: [],
    alerts: alertsOf(weather, today),
    // What was followed of the others stands; what is tried of this one is not remembered.
    planWith: (changed) => plan(
      planBeds.map((bed) => bed.id === changed.id ? changed : bed),
      { ...memo, places: new Map(memo.places) }
    ),
    sun: sunOnClock({
      latitudeDeg: site.latitudeDeg,
      longitudeDeg: garden.longitudeDeg ?? void 0,
      utcOffsetHours: utcOffsetHours(garden.timeZone, today),
      dayOfYear: dayOfYear(today)
    })
  };
}

// server/src/services/waterings.ts
import { givenOf } from "@kibble/contract";
import { addDays as addDays5 } from "@kibble/core";
var toldOf = ({ litres, minutes, depthMm }) => depthMm !== null ? "depth" : litres !== null ? "litres" : minutes !== null ? "minutes" : null;
function givenSafely(bed, today, date, told) {
  try {
    return givenOf(bed, today, date, told);
  } catch {
    return { litres: told.litres ?? void 0, minutes: told.minutes ?? void 0 };
  }
}
function eventToView(row, bed, today) {
  const given = row.kind === "watering" && bed ? givenSafely(bed, today, row.date, row) : {};
  return {
    id: row.id,
    gardenId: row.gardenId,
    bedId: row.bedId,
    kind: row.kind,
    date: row.date,
    at: new Date(row.at).toISOString(),
    litres: given.litres ?? null,
    minutes: given.minutes ?? null,
    netMm: given.netMm ?? null,
    told: row.kind === "watering" ? toldOf(row) : null,
    rainMm: row.rainMm,
    reason: row.reason,
    note: row.note
  };
}
var blank = {
  litres: null,
  minutes: null,
  depthMm: null,
  rainMm: null,
  reason: null,
  note: null,
  removedAt: null
};
var DEEPEST_MM = 400;
var ENTERED_DAYS = 30;
function entryDay(on, bed, today) {
  if (on === void 0) return today;
  const first = addDays5(today, -ENTERED_DAYS);
  if (on < first || on > today)
    throw new Refusal(
      "invalid",
      `Day must lie from ${first} to ${today}, the last ${ENTERED_DAYS} days; got ${on}`,
      "on"
    );
  if (on < bed.startOn)
    throw new Refusal(
      "invalid",
      `Day must be ${bed.startOn}, when ${bed.name} was planted, or later; got ${on}`,
      "on"
    );
  return on;
}
function inUse(bed) {
  if (bed.archivedAt)
    throw new Refusal(
      "conflict",
      `${bed.name} is put away. Bring it back first, then write this down.`,
      "bed"
    );
}
async function logWatering(bed, body, today, wall2) {
  inUse(bed);
  const { view } = await findBedView(bed.id, wall2);
  const date = entryDay(body.on, view, today);
  const told = { litres: body.litres ?? null, minutes: body.minutes ?? null, depthMm: null };
  const { litres, netMm } = givenOf(view, today, date, told);
  if (netMm > DEEPEST_MM) {
    throw new Refusal(
      "invalid",
      `${body.litres === void 0 ? "Minutes" : "Litres"} must come to at most ${DEEPEST_MM} mm over the bed; ${Math.round(litres)} L on ${view.areaM2} m\xB2 is ${Math.round(netMm)} mm`,
      body.litres === void 0 ? "minutes" : "litres"
    );
  }
  const row = await EventRow.create({
    ...blank,
    ...told,
    gardenId: bed.gardenId,
    bedId: bed.id,
    kind: "watering",
    date,
    at: wall2.now(),
    reason: body.asPlanned ? "as planned" : "done differently",
    note: body.note ?? null
  });
  return eventToView(row, view, today);
}

// server/src/services/gardenFacts.ts
async function eventsOf(gardenId, beds2, today, options = {}) {
  const { from, only = false } = options;
  const rows = await EventRow.findAll({
    where: {
      gardenId,
      removedAt: null,
      ...from === void 0 ? {} : { date: { [Op4.gte]: from } },
      ...only ? { bedId: beds2.map(({ id }) => id) } : {}
    },
    order: ["date", "id"],
    raw: true
  });
  const byId = new Map(beds2.map((bed) => [bed.id, bed]));
  return rows.map((row) => eventToView(row, byId.get(row.bedId ?? 0) ?? null, today));
}
async function gardenFacts(garden, wall2, log2) {
  const view = await gardenToView(garden, wall2);
  const { today } = view;
  const from = await earliestStart(garden, today);
  const weather = await gardenWeather(garden, today, from, HORIZON_DAYS, log2);
  const events = await eventsOf(garden.id, view.beds, today);
  return { garden: view, events, site: siteOf(garden), today, weather };
}
async function bedFacts(garden, bedIds, wall2) {
  const { beds: beds2, today } = await gardenToView(garden, wall2, bedIds);
  return { beds: beds2, events: await eventsOf(garden.id, beds2, today, { only: true }) };
}

// server/src/planner/gardenPlanner.ts
import {
  bedPageView,
  changedAnswer,
  fortnightView,
  gardenView,
  planTryView,
  roundView,
  schoolsView,
  sectionView,
  sharpenAnswer,
  tryView,
  unplannedBedView,
  walkView,
  workingView
} from "@kibble/contract";
import { newMemo as newMemo2 } from "@kibble/core";

// server/src/planner/places.ts
import { randomBytes } from "node:crypto";
import { unplannedBy as unplannedBy2 } from "@kibble/core";

// server/src/planner/views/stops.ts
import {
  knownBed,
  MOIST
} from "@kibble/contract";
import {
  aimOf,
  bestHour,
  checkFirst,
  efficiencyAt,
  ENTRY_FACTS as ENTRY_FACTS2,
  fillsFor,
  leafWetHours,
  METHOD_FACTS as METHOD_FACTS2,
  litresPerPlant,
  passesOf,
  plantCount,
  plantOnDay as plantOnDay2,
  secondsPerPlant,
  soilProfile,
  standingOn as standingOn4
} from "@kibble/core";
function coreOf(bed, outlook, today, latitudeDeg) {
  const profile = soilProfile(knownBed(bed, today).ground);
  const crop = cropOfBed(bed);
  const planting = standingOn4(plantingsOf(bed, latitudeDeg), today);
  const plant = planting ? plantOnDay2(planting, today) : null;
  const lastWet = outlook.past.findLast((day) => day.wetFrontMm > 0 && day.irrigationMm + day.rainMm >= 2);
  return {
    layersMm: outlook.layersMm,
    fieldCapacityMm: outlook.fieldCapacityMm,
    wiltingPointMm: outlook.wiltingPointMm,
    saturationMm: outlook.saturationMm,
    textures: profile.textureOfLayer,
    rootDepthMm: outlook.rootDepthMm,
    depletionMm: outlook.depletionMm,
    readilyMm: outlook.readilyMm,
    totalMm: outlook.totalMm,
    mulchMm: bed.mulchMm ?? 0,
    lastFrontMm: lastWet?.wetFrontMm ?? null,
    cropId: crop?.id ?? null,
    group: crop?.group ?? null,
    growth: plant && crop ? plant.heightM / crop.heightM : 0
  };
}
function headOf(bed, outlook, { today, site }) {
  const known2 = knownBed(bed, today);
  return {
    bedId: bed.id,
    bedName: bed.name,
    cropName: bed.planting?.cropName ?? null,
    stage: outlook.stage,
    textureClass: known2.ground.horizons[0]?.textureClass ?? bed.textureClass,
    areaM2: known2.areaM2,
    core: coreOf(bed, outlook, today, site.latitudeDeg),
    beyond: known2.beyond,
    unread: known2.unread.map(({ id = 0, on, kind }) => ({ id, on, label: ENTRY_FACTS2[kind].label }))
  };
}
function byHandOf(bed, planned, watering, known2) {
  if (!METHOD_FACTS2[bed.delivery.method].byHand) return null;
  const { run } = watering;
  const { passes, restMinutes } = passesOf(planned, watering);
  const crop = cropOfBed(bed);
  if (!crop) return { passes, restMinutes, plants: null, secondsEach: null };
  const plants = plantCount({ areaM2: known2.areaM2, share: bed.planting?.share, spacing: crop.spacing });
  const secondsEach = secondsPerPlant({
    litres: litresPerPlant({ litres: run.litres, plants, passes }),
    litresPerMinute: known2.delivery.litresPerMinute
  });
  return { passes, restMinutes, plants, secondsEach };
}
function sprayOf(bed, runs, { today, weather, sun }) {
  const { method } = bed.delivery;
  if (!METHOD_FACTS2[method].overhead) return null;
  const day = weather.find((d) => d.date === today);
  const windMs = day?.windMs ?? null;
  const end = (runs.at(-1)?.until ?? sun.noon * 60) / 60;
  const wet = leafWetHours({ endHour: end, sun, rhMinPct: day?.rhMinPct });
  return {
    windMs,
    lostShare: 1 - efficiencyAt({ method, hour: "morning", windMs: windMs ?? 0 }),
    leafWetHours: wet.hours,
    overNight: wet.overNight
  };
}
function aimOfBed(bed, outlook, { today, site }) {
  const crop = cropOfBed(bed);
  if (!crop || !METHOD_FACTS2[bed.delivery.method].aimed) return null;
  const planting = standingOn4(plantingsOf(bed, site.latitudeDeg), today);
  const heightM = planting ? plantOnDay2(planting, today)?.heightM ?? 0 : 0;
  return aimOf(crop, outlook.stage, heightM);
}
function fillsOf(bed, { run }) {
  const { fillLitres } = METHOD_FACTS2[bed.delivery.method];
  if (fillLitres === void 0) return null;
  const { fills } = fillsFor({ litres: run.litres, containerLitres: fillLitres });
  return { count: fills, litresEach: fillLitres };
}
function foundMoistOn(bed, { events }) {
  const skipped = events.filter((e) => e.bedId === bed.id && e.kind === "skip" && e.reason === MOIST).map((e) => e.date);
  const looked = bed.findings.filter(({ input }) => input.kind === "look" && input.state !== "dry").map((f) => f.on);
  return [...skipped, ...looked].sort().at(-1);
}
function stopOf(bed, outlook, watering, context) {
  const { today, sun, plan } = context;
  const crop = cropOfBed(bed);
  const known2 = knownBed(bed, today);
  const planned = context.planBeds.find((b) => b.id === bed.id);
  const slots = plan.schedule.find((day) => day.date === watering.date)?.slots ?? [];
  const runs = slots.filter((slot) => slot.bedId === bed.id).map(({ from, until, cycle }) => ({ from, until, cycle }));
  return {
    ...headOf(bed, outlook, context),
    wetFirst: known2.path === "down one channel",
    method: bed.delivery.method,
    how: METHOD_FACTS2[bed.delivery.method].how,
    litresPerMinute: known2.delivery.litresPerMinute,
    flowMeasured: known2.known.flow !== void 0 && known2.known.flow.kind !== "assumed",
    run: watering.run,
    reachesMm: watering.reachesMm,
    reason: watering.reason,
    hour: bestHour({
      method: bed.delivery.method,
      crop: crop ?? void 0,
      sun,
      wilting: watering.reason.code === "wilting"
    }),
    runs,
    checkFirst: watering.reason.code === "wilting" || watering.reason.code === "planting drench" ? null : checkFirst({
      today,
      startOn: planned.startOn,
      rootDepthMm: outlook.rootDepthMm,
      window: watering.window,
      foundMoistOn: foundMoistOn(bed, context)
    }),
    spray: sprayOf(bed, runs, context),
    aim: aimOfBed(bed, outlook, context),
    fills: fillsOf(bed, watering),
    byHand: byHandOf(bed, planned, watering, known2),
    keepLeavesDry: crop?.traits.foliageDiseaseProne ?? false
  };
}
function leaveOf(bed, outlook, context) {
  if (!outlook.leave) return null;
  const settled = context.events.filter((event) => event.bedId === bed.id && event.date === context.today);
  return {
    ...headOf(bed, outlook, context),
    nextDate: outlook.next?.date ?? null,
    window: outlook.window,
    reason: outlook.leave,
    event: settled.at(-1) ?? null
  };
}

// server/src/planner/views/tasks.ts
import { addDays as addDays7, bedTasks } from "@kibble/core";
function sinceWatering(bed, { events, today }, now) {
  if (bed.findings.some((f) => f.input.kind === "depth" && f.on === today)) return void 0;
  const last = events.filter((e) => e.bedId === bed.id && e.kind === "watering" && e.date === today).at(-1);
  return last ? (now.getTime() - Date.parse(last.at)) / 6e4 : void 0;
}
function tasksOf(bed, outlook, context, now) {
  const { today, site } = context;
  const latest = (what) => bed.findings.find(({ input }) => input.kind === "mulch" && what.includes(input.what));
  const moved = latest(["moved aside", "put back"]);
  const looked = latest(["looked at"]);
  const laid = [bed.mulchLaidOn, looked?.on].filter((d) => Boolean(d)).sort().at(-1);
  const plantings = plantingsOf(bed, site.latitudeDeg);
  const tasks = bedTasks({
    today,
    plantings,
    alerts: context.alerts,
    mulch: mulchOf(bed),
    mulchLaidOn: laid,
    mulchMovedOn: moved?.input.kind === "mulch" && moved.input.what === "moved aside" ? moved.on : void 0,
    shaded: bed.shadeCloth,
    underCover: bed.underCover,
    standSeen: bed.plantings.flatMap(
      (p2, i) => bed.findings.some((f) => f.input.kind === "stand" && f.input.plantingId === p2.id) ? [i] : []
    ),
    minutesSinceWatering: sinceWatering(bed, context, now),
    offPlanDays: new Set(
      context.events.filter(
        (e) => e.bedId === bed.id && e.kind === "watering" && e.reason !== "as planned" && e.date > addDays7(today, -7)
      ).map((e) => e.date)
    ).size,
    dueToday: outlook.next?.date === today,
    overdueDays: outlook.next?.date === today ? outlook.next.reason.overdueDays : 0,
    pulsesSince: bed.planting?.school === "little and often" ? bed.planting.schoolSince ?? void 0 : void 0,
    goneShare: outlook.readilyMm > 0 ? outlook.depletionMm / outlook.readilyMm : 0
  });
  return tasks.map((task) => ({
    bedId: bed.id,
    bedName: bed.name,
    plantingId: bed.planting?.id ?? null,
    task
  }));
}

// server/src/planner/places.ts
function unplannedView({ bedId, message, range, stack }, { beds: beds2, faults }) {
  const bedName = beds2.find((b) => b.id === bedId)?.name ?? "";
  if (range) return { bedId, bedName, message: `${rangeWordsOf(range)}.`, field: range.field, number: null };
  const number4 = randomBytes(4).toString("hex").toUpperCase();
  faults.push({ facts: { bedId, number: number4, stack }, words: `a bed cannot be planned: ${message}` });
  return {
    bedId,
    bedName,
    message: `Kibble made a mistake with it, which stands in the log as number ${number4}.`,
    field: null,
    number: number4
  };
}
function placesOf(context, now) {
  const { plan, today } = context;
  const unplanned = [...context.unplanned, ...plan.unplanned];
  const places = context.beds.flatMap((bed) => {
    const outlook = plan.beds.find((b) => b.bedId === bed.id);
    if (!outlook) return [];
    try {
      const watering = plan.waterings.find((w) => w.bedId === bed.id && w.date === today);
      return [
        {
          bed,
          outlook,
          head: headOf(bed, outlook, context),
          stop: watering ? stopOf(bed, outlook, watering, context) : null,
          leave: watering ? null : leaveOf(bed, outlook, context),
          tasks: tasksOf(bed, outlook, context, now)
        }
      ];
    } catch (error) {
      unplanned.push(unplannedBy2(bed.id, error));
      return [];
    }
  });
  return { places, unplanned: unplanned.map((fault) => unplannedView(fault, context)) };
}

// server/src/planner/views/bedPage.ts
import {
  balanceTotals,
  cropCautions,
  planGarden as planGarden2,
  stageStrip
} from "@kibble/core";

// server/src/planner/views/sharpen.ts
import { knownBed as knownBed2 } from "@kibble/contract";
import { assumedOf, nextBestTest } from "@kibble/core";
var ASKED_BEDS = 5;
function sharpenBed(bed, context) {
  const known2 = knownBed2(bed, context.today);
  const planned = context.planBeds.find(({ id }) => id === bed.id);
  if (!planned) return null;
  const best = contained(
    () => nextBestTest({
      bed: planned,
      assumed: assumedOf(known2.delivery, known2.known),
      site: context.site,
      weather: context.weather.filter((day) => day.date >= planned.startOn),
      today: context.today
    }),
    context,
    bed
  );
  const first = best?.ranking[0];
  if (!best || !first || best.litres <= 0 || narrowing(best) <= 0) return null;
  return {
    bedId: bed.id,
    bedName: bed.name,
    test: first.test,
    minutes: first.minutes,
    now: best.now,
    after: best.after
  };
}
function contained(search, { faults }, bed) {
  try {
    return search();
  } catch (error) {
    faults.push({
      facts: { bedId: bed.id, error: String(error) },
      words: "the search for the next best test met its end"
    });
    return null;
  }
}
var narrowing = (range) => range.now.high - range.now.low - (range.after.high - range.after.low);
function sharpenOf(context) {
  const planned = new Set(context.plan.beds.map((b) => b.bedId));
  const thirst = (id) => context.plan.beds.find((b) => b.bedId === id)?.window?.litres.middle ?? 0;
  return context.beds.filter((bed) => planned.has(bed.id)).sort((a, b) => thirst(b.id) - thirst(a.id)).slice(0, ASKED_BEDS).flatMap((bed) => sharpenBed(bed, context) ?? []).reduce((best, s2) => best && narrowing(best) >= narrowing(s2) ? best : s2, null);
}

// server/src/planner/views/bedPage.ts
function chartDay(day, ahead, source) {
  return {
    date: day.date,
    et0Mm: day.et0Mm,
    rainMm: day.rainMm,
    irrigationMm: day.irrigationMm,
    evaporationMm: day.evaporationMm,
    transpirationMm: day.transpirationMm,
    runoffMm: day.runoffMm,
    lostBelowRootsMm: day.lostBelowRootsMm,
    depletionMm: day.depletionMm,
    readilyMm: day.readilyAvailableMm,
    totalMm: day.totalAvailableMm,
    rootDepthMm: day.rootDepthMm,
    stressCoefficient: day.stressCoefficient,
    wetFrontMm: day.wetFrontMm,
    ahead,
    source
  };
}
var stripsOf = (bed, { today, site }) => plantingsOf(bed, site.latitudeDeg).flatMap((planting, i) => {
  const view = bed.plantings[i];
  if (!view || planting.endedOn !== void 0 && planting.endedOn <= today) return [];
  return [{ plantingId: view.id, cropName: view.cropName, steps: stageStrip(planting, today) }];
});
var COMPARED_DAYS = 30;
function lastYearOf(past) {
  if (past.length < 365 + COMPARED_DAYS) return null;
  return {
    days: COMPARED_DAYS,
    now: balanceTotals(past.slice(-COMPARED_DAYS)),
    then: balanceTotals(past.slice(-365 - COMPARED_DAYS, -365))
  };
}
function wholePast(outlook, context) {
  if (context.pastIsWhole) return outlook.past;
  const bed = context.planBeds.find(({ id }) => id === outlook.bedId);
  const alone = bed && planGarden2(
    { site: context.site, beds: [bed] },
    context.weather,
    {},
    { today: context.today, members: 0 }
  );
  return alone?.beds[0]?.past ?? outlook.past;
}
function bedPageOf(context, { places, unplanned }, bedId) {
  const place = places.find((p2) => p2.bed.id === bedId);
  const events = context.events.filter((event) => event.bedId === bedId).reverse();
  if (!place) {
    const fault = unplanned.find((u) => u.bedId === bedId);
    const bed2 = context.beds.find((b) => b.id === bedId);
    return fault && bed2 ? { unplanned: fault, garden: context.garden, bed: bed2, events } : null;
  }
  const { bed, outlook } = place;
  const past = wholePast(outlook, context);
  const crop = cropOfBed(bed);
  const sources = new Map(context.weather.map((day) => [day.date, day.source]));
  return {
    ...place.head,
    garden: context.garden,
    days: [
      ...past.map((day) => chartDay(day, false, sources.get(day.date) ?? "record")),
      ...outlook.ahead.map((day, i) => chartDay(day, true, outlook.aheadSources[i] ?? "forecast"))
    ],
    strips: stripsOf(bed, context),
    cautions: crop ? cropCautions(crop) : [],
    tasks: place.tasks,
    lastYear: lastYearOf(past),
    window: outlook.window,
    sharpen: sharpenBed(bed, context),
    bed,
    stop: place.stop,
    leave: place.leave,
    next: outlook.next ? {
      date: outlook.next.date,
      litres: outlook.next.run.litres,
      minutes: outlook.next.run.minutes,
      localMm: outlook.next.run.localMm
    } : null,
    events,
    season: balanceTotals(past)
  };
}

// server/src/planner/views/fortnight.ts
import { addDays as addDays8, METHOD_FACTS as METHOD_FACTS3, weekdayOf } from "@kibble/core";

// server/src/planner/views/costs.ts
import { SHORT_OF_WATER } from "@kibble/core";
function costsOf(outlook, plan) {
  const mine = plan.waterings.filter((w) => w.bedId === outlook.bedId);
  return {
    litres: mine.reduce((sum, w) => sum + w.run.litres, 0),
    waterings: mine.length,
    stressDays: outlook.ahead.filter((day) => day.stressCoefficient < SHORT_OF_WATER).length,
    lostBelowRootsMm: outlook.ahead.reduce((sum, day) => sum + day.lostBelowRootsMm, 0)
  };
}
var gardenCosts = (plan) => plan.beds.map((outlook) => costsOf(outlook, plan)).reduce(
  (sum, c) => ({
    litres: sum.litres + c.litres,
    waterings: sum.waterings + c.waterings,
    stressDays: sum.stressDays + c.stressDays,
    lostBelowRootsMm: sum.lostBelowRootsMm + c.lostBelowRootsMm
  }),
  { litres: 0, waterings: 0, stressDays: 0, lostBelowRootsMm: 0 }
);

// server/src/planner/views/fortnight.ts
function fortnightOf(context, { unplanned }) {
  const { plan, today, beds: beds2 } = context;
  const dates = Array.from({ length: HORIZON_DAYS }, (_, i) => addDays8(today, i));
  const { weekdays: open, restricts } = context.garden.limits;
  const nameOf = (bedId) => beds2.find((b) => b.id === bedId)?.name ?? "";
  return {
    unplanned,
    dates,
    closed: open && restricts !== "sprays" ? dates.filter((date) => !open.includes(weekdayOf(date))) : [],
    beds: beds2.flatMap((bed) => {
      const outlook = plan.beds.find((o) => o.bedId === bed.id);
      if (!outlook) return [];
      return [
        {
          bedId: bed.id,
          bedName: bed.name,
          cropName: bed.planting?.cropName ?? null,
          byHand: METHOD_FACTS3[bed.delivery.method].byHand,
          waterings: plan.waterings.filter((w) => w.bedId === bed.id).map((w) => ({
            date: w.date,
            minutes: w.run.minutes,
            litres: w.run.litres,
            localMm: w.run.localMm,
            reachesMm: w.reachesMm,
            reason: w.reason.code,
            byHand: w.reason.code === "set by hand"
          })),
          stress: outlook.ahead.map((day) => day.stressCoefficient),
          window: outlook.window ? { early: outlook.window.early, late: outlook.window.late } : null,
          costs: costsOf(outlook, plan)
        }
      ];
    }),
    perDay: dates.map((date) => {
      const due = plan.waterings.filter((w) => w.date === date);
      return {
        minutes: due.reduce((sum, w) => sum + w.run.minutes, 0),
        litres: due.reduce((sum, w) => sum + w.run.litres, 0)
      };
    }),
    leftOut: plan.leftOut.map((left) => ({ ...left, bedName: nameOf(left.bedId) })),
    givenUp: plan.givenUp.map((given) => ({ ...given, bedName: nameOf(given.bedId) })),
    sparedRounds: plan.sparedRounds,
    schedule: plan.schedule.map(({ date, slots }) => ({
      date,
      slots: slots.map((slot) => ({ ...slot, bedName: nameOf(slot.bedId) }))
    }))
  };
}

// server/src/planner/views/changed.ts
var shown = ({ head, stop, leave, tasks }) => JSON.stringify([head, stop, leave, tasks]);
function changedOf(before, round, now) {
  const was = new Map(before.places.map((place) => [place.bed.id, shown(place)]));
  const gone = before.places.map(({ bed }) => bed.id).filter((id) => !now.places.some((p2) => p2.bed.id === id));
  const beds2 = /* @__PURE__ */ new Set([
    ...gone,
    ...now.places.filter((place) => was.get(place.bed.id) !== shown(place)).map(({ bed }) => bed.id)
  ]);
  const { date, totals, putOff, unplanned } = round;
  return {
    date,
    beds: [...beds2],
    order: round.stops.map(({ bedId }) => bedId),
    stops: round.stops.filter(({ bedId }) => beds2.has(bedId)),
    leaveAlone: round.leaveAlone.filter(({ bedId }) => beds2.has(bedId)),
    tasks: round.tasks.filter(({ bedId }) => beds2.has(bedId)),
    totals,
    putOff,
    unplanned
  };
}

// server/src/planner/views/round.ts
import { addDays as addDays9, referenceEt as referenceEt2 } from "@kibble/core";
var RIBBON_PAST_DAYS = 6;
function roundOf(context, { places, unplanned }) {
  const { today, plan, weather } = context;
  const stops = places.flatMap(({ stop }) => stop ?? []);
  const leaveAlone = places.flatMap(({ leave }) => leave ?? []);
  const begins = (stop) => stop.runs[0]?.from ?? Number.POSITIVE_INFINITY;
  const urgent = (stop) => stop.reason.code === "wilting" ? 0 : 1;
  stops.sort((a, b) => urgent(a) - urgent(b) || begins(a) - begins(b));
  const from = addDays9(today, -RIBBON_PAST_DAYS);
  const fortnight = weather.filter((day) => day.date >= addDays9(today, -14) && day.date < today);
  const measured = fortnight.filter((day) => day.source === "record").length;
  return {
    garden: context.garden,
    date: today,
    stops,
    leaveAlone,
    alerts: context.alerts,
    tasks: places.flatMap(({ tasks }) => tasks),
    unplanned,
    sun: { ...context.sun, assumed: context.garden.longitudeDeg === null },
    putOff: plan.leftOut.filter((left) => left.date === today).map(({ bedId, why, until, minutes, litres }) => ({
      bedId,
      bedName: context.beds.find((b) => b.id === bedId)?.name ?? "",
      why,
      until,
      minutes,
      litres
    })),
    totals: plan.todayTotals,
    ribbon: weather.filter((day) => day.date >= from).map((day) => ({
      date: day.date,
      tMinC: day.tMinC,
      tMaxC: day.tMaxC,
      rainMm: day.rainMm,
      rainChance: day.rainChance,
      et0Mm: referenceEt2(day, context.site).mm,
      source: day.source
    })),
    measuredShare: fortnight.length > 0 ? measured / fortnight.length : 0
  };
}

// server/src/planner/views/schools.ts
import {
  addDays as addDays10,
  compareSchools,
  cropById as cropById3,
  defaultSchool as defaultSchool2,
  mayToughen,
  SCHOOLS,
  schoolOf,
  standingOn as standingOn5
} from "@kibble/core";

// server/src/planner/onPlan.ts
function bedOnPlan(context, bedId) {
  const view = context.beds.find((b) => b.id === bedId);
  const planned = context.planBeds.find((b) => b.id === bedId);
  const outlook = context.plan.beds.find((b) => b.bedId === bedId);
  if (view && planned && outlook) return { view, planned, outlook };
  const name = context.garden.beds.find((b) => b.id === bedId)?.name ?? "This bed";
  if (view) throw new Refusal("conflict", `${name} cannot be planned, so nothing can be tried on it.`, "bed");
  throw new Refusal("not-found", `${name} is put away or not planted yet on this date.`, "bed");
}
function checkPlanned(plan, bedId, field) {
  const fault = plan.unplanned.find((u) => u.bedId === bedId);
  const outlook = plan.beds.find((o) => o.bedId === bedId);
  if (fault || !outlook)
    throw new Refusal(
      "invalid",
      `With this the bed cannot be planned: ${fault?.range ? rangeWordsOf(fault.range) : fault?.message ?? "it is not on the plan"}.`,
      field
    );
  return outlook;
}

// server/src/planner/views/schools.ts
function schoolsOf(context, bedId) {
  const { today, site } = context;
  const { view, planned } = bedOnPlan(context, bedId);
  const { id, own, usual } = schoolChosen(view, today, site.latitudeDeg);
  const yesterday = addDays10(today, -1);
  const on = { site, bed: planned, weather: context.weather };
  const planting = standingOn5(plantingsOf(view, site.latitudeDeg), today);
  return {
    chosen: id,
    own,
    usual: usual ?? defaultSchool2(cropById3("tomato"), null),
    words: SCHOOLS.map((school) => {
      const { words, warning } = schoolOf(school);
      return { id: school, words, warning: warning ?? null };
    }),
    season: {
      from: planned.startOn,
      to: yesterday,
      rows: yesterday > planned.startOn ? compareSchools({ ...on, from: planned.startOn, to: yesterday }) : []
    },
    fortnight: compareSchools({ ...on, from: today, to: addDays10(today, HORIZON_DAYS - 1) }),
    toughen: planting ? mayToughen(planting, today) : null,
    holdUntil: planned.holdUntil ?? null
  };
}

// server/src/planner/views/section.ts
import { addDays as addDays11 } from "@kibble/core";
var PAST_DAYS = 6;
var AHEAD_DAYS = 14;
var PAGE = 60;
var tenth = (mm) => Math.round(mm * 10) / 10;
var dayOf = (record, frontMm) => ({
  layersMm: (record.layersMm ?? []).map(tenth),
  depletionMm: tenth(record.depletionMm),
  readilyMm: tenth(record.readilyAvailableMm),
  rootDepthMm: Math.round(record.rootDepthMm),
  frontMm: Math.round(frontMm)
});
var LEAST_FRONT_MM = 2;
function withFronts(records) {
  let front = 0;
  return records.map((record) => {
    if (record.wetFrontMm > 0 && record.irrigationMm + record.rainMm >= LEAST_FRONT_MM)
      front = record.wetFrontMm;
    return dayOf(record, front);
  });
}
function lineOf(bed, { garden }) {
  const tap = garden.taps.find((t2) => t2.id === bed.tapId);
  return tap ? tap.name : bed.delivery.method;
}
function stateOf(outlook, today) {
  if (outlook.leave?.code === "nothing growing") return "nothing growing";
  if (outlook.leave?.code === "too wet") return "too wet";
  if (outlook.depletionMm > outlook.readilyMm) return "past its line";
  return outlook.next?.date === today ? "due today" : "enough";
}
var URGENCY = {
  "past its line": 0,
  "due today": 1,
  "too wet": 2,
  enough: 3,
  "nothing growing": 4
};
function sectionOf(context, { places, unplanned }, query) {
  const { today } = context;
  const has2 = (bed, words) => [bed.name, bed.planting?.cropName, bed.place].some((text6) => text6?.toLowerCase().includes(words));
  const found = places.map(({ bed, outlook, head }) => ({
    bed,
    outlook,
    head,
    state: stateOf(outlook, today),
    line: lineOf(bed, context)
  })).filter(
    ({ bed, state, line }) => (!query.words || has2(bed, query.words.toLowerCase())) && (!query.place || (bed.place ?? "elsewhere") === query.place) && (!query.line || line === query.line) && (!query.state || state === query.state)
  );
  if (query.sort === "urgency") {
    const gone = (o) => o.depletionMm / Math.max(0.1, o.readilyMm);
    found.sort((a, b) => URGENCY[a.state] - URGENCY[b.state] || gone(b.outlook) - gone(a.outlook));
  }
  const offset = Math.max(0, Math.min(query.offset ?? 0, Math.max(0, found.length - 1)));
  const dates = Array.from({ length: PAST_DAYS + AHEAD_DAYS }, (_, i) => addDays11(today, i - PAST_DAYS));
  return {
    unplanned,
    dates,
    todayIndex: PAST_DAYS,
    total: found.length,
    offset,
    beds: found.slice(offset, offset + PAGE).map(({ bed, outlook, head, state, line }) => {
      const all = withFronts([...outlook.past, ...outlook.ahead.slice(0, AHEAD_DAYS)]);
      const lacking = Math.max(0, PAST_DAYS - outlook.past.length);
      const before = Array.from({ length: lacking }, () => all.slice(0, 1)).flat();
      const days = [...before, ...all].slice(-(PAST_DAYS + AHEAD_DAYS));
      return {
        ...head,
        place: bed.place ?? null,
        line,
        state,
        daysInHand: outlook.next ? dates.indexOf(outlook.next.date) - PAST_DAYS : null,
        minutes: outlook.next?.date === today ? outlook.next.run.minutes : null,
        days
      };
    })
  };
}

// server/src/planner/views/tryPlan.ts
import { planWhat } from "@kibble/contract";
import { addDays as addDays12 } from "@kibble/core";
function tryPlanChange(context, change) {
  const { today, site } = context;
  checkChange(change, today);
  const { bedId, ...plan } = change;
  const { view, outlook } = bedOnPlan(context, bedId);
  const finding = {
    id: Number.MAX_SAFE_INTEGER,
    bedId,
    tapId: null,
    on: today,
    method: null,
    note: null,
    input: { kind: "plan", what: planWhat(plan), ...plan }
  };
  const changed = { ...view, findings: [finding, ...view.findings] };
  const after = refusing(
    () => context.planWith(planBed(changed, context.events, { today, latitudeDeg: site.latitudeDeg }))
  );
  return {
    before: costsOf(outlook, context.plan),
    after: costsOf(checkPlanned(after, bedId, "litres"), after),
    garden: { before: gardenCosts(context.plan), after: gardenCosts(after) }
  };
}
function checkChange(change, today) {
  const last = addDays12(today, HORIZON_DAYS - 1);
  for (const field of ["date", "to"]) {
    const date = change[field];
    if (date !== void 0 && (date < today || date > last))
      throw new Refusal("invalid", `Day must lie from ${today} to ${last}; got ${date}`, field);
  }
}

// server/src/planner/views/walk.ts
import { walkFrom } from "@kibble/core";
function walkOf({ plan, planBeds, beds: beds2, constraints, sun, today }, asked) {
  const due = plan.waterings.filter((w) => w.date === today).flatMap((watering) => {
    const bed = planBeds.find((b) => b.id === watering.bedId);
    return bed ? [{ bed, watering }] : [];
  });
  const walk = walkFrom({ due, constraints, sun, ...asked });
  const nameOf = (bedId) => beds2.find((b) => b.id === bedId)?.name ?? "";
  return {
    from: asked.from,
    until: walk.until,
    endsByDark: walk.endsByDark,
    slots: walk.slots.map((slot) => ({ ...slot, bedName: nameOf(slot.bedId) })),
    carriedOver: walk.carriedOver.map((bedId) => ({
      bedId,
      bedName: nameOf(bedId),
      minutes: due.find((x) => x.bed.id === bedId)?.watering.run.minutes ?? 0
    }))
  };
}

// server/src/planner/views/working.ts
import {
  deliveryRate,
  explainNumber,
  explainReferenceEt
} from "@kibble/core";
var explain = (of2, bed, outlook, context) => explainNumber(of2, { bed, outlook, site: context.site, weather: context.weather, today: context.today });
function numberWorking(context, bedId, of2) {
  const { planned, outlook } = bedOnPlan(context, bedId);
  return explain(of2, planned, outlook, context);
}
function dayWorking({ weather, site }, date) {
  const day = weather.find((d) => d.date === date);
  return day ? explainReferenceEt(day, site) : null;
}
function outcomeOf(bed, plan) {
  const outlook = plan.beds.find(({ bedId }) => bedId === bed.id);
  const mine = plan.waterings.filter(({ bedId }) => bedId === bed.id);
  const next = mine[0];
  return {
    nextDate: next?.date ?? null,
    minutes: next?.run.minutes ?? null,
    litres: next?.run.litres ?? null,
    localMm: next?.run.localMm ?? null,
    reachesMm: next?.reachesMm ?? null,
    cycles: next?.run.cycles ?? null,
    runMinutes: next?.run.runMinutes ?? null,
    soakMinutes: next?.run.soakMinutes ?? null,
    fortnightLitres: mine.reduce((sum, w) => sum + w.run.litres, 0),
    fortnightWaterings: mine.length,
    litresPerMinute: bed.delivery.litresPerMinute,
    rateMmPerHour: deliveryRate(bed.delivery, bed.bed.areaM2),
    spareMm: outlook?.readilyMm ?? 0,
    holdsMm: outlook?.totalMm ?? 0
  };
}
var settingsOf2 = ({ mulch, shadeCloth, goal }) => [
  ...mulch === void 0 ? [] : [{ kind: "mulched", value: mulch }],
  ...shadeCloth === void 0 ? [] : [{ kind: "shade", value: shadeCloth }],
  ...goal === void 0 ? [] : [{ kind: "goal", value: goal }]
];
function tryOnBed(context, bedId, body) {
  const { view, planned } = bedOnPlan(context, bedId);
  const { today, site } = context;
  const changed = refusing(
    () => planBed(
      view,
      context.events,
      { today, latitudeDeg: site.latitudeDeg },
      { inputs: body.inputs, settings: settingsOf2(body) }
    ),
    "inputs."
  );
  const after = refusing(() => context.planWith(changed), "inputs.");
  const outlook = checkPlanned(after, bedId, "inputs");
  return {
    before: outcomeOf(planned, context.plan),
    after: outcomeOf(changed, after),
    working: body.of ? explain(body.of, changed, outlook, context) : null
  };
}

// server/src/planner/gardenPlanner.ts
var LOOKED_MS = 6e4;
var VIEWS = {
  garden: (_planned, _asked, facts2) => answer(gardenView, facts2.garden),
  round: (planned) => answer(roundView, roundOf(planned().context, planned().places)),
  changed: (planned, _asked, _facts, before) => answer(
    changedAnswer,
    before && changedOf(before.places, roundOf(planned().context, planned().places), planned().places)
  ),
  fortnight: (planned) => answer(fortnightView, fortnightOf(planned().context, planned().places)),
  sharpen: (planned) => answer(sharpenAnswer, sharpenOf(planned().context)),
  section: (planned, query) => answer(sectionView, sectionOf(planned().context, planned().places, query)),
  walk: (planned, asked) => answer(walkView, walkOf(planned().context, asked)),
  bedPage: (planned, { bedId }, { garden }) => {
    const page = bedPageOf(planned().context, planned().places, bedId);
    if (!page) {
      const name = garden.beds.find((b) => b.id === bedId)?.name ?? "This bed";
      throw new Refusal("not-found", `${name} is put away or not planted yet on this date.`, "bed");
    }
    return "unplanned" in page ? answer(unplannedBedView, page) : answer(bedPageView, page);
  },
  schools: (planned, { bedId }) => answer(schoolsView, schoolsOf(planned().context, bedId)),
  tryPlan: (planned, change) => answer(planTryView, tryPlanChange(planned().context, change)),
  tryOnBed: (planned, { bedId, body }) => answer(tryView, tryOnBed(planned().context, bedId, body)),
  numberWorking: (planned, { bedId, of: of2 }) => answer(workingView, { working: numberWorking(planned().context, bedId, of2) }),
  dayWorking: (planned, { date }) => answer(workingView, { working: dayWorking(planned().context, date) })
};
var GardenPlanner = class {
  facts;
  planned = null;
  /** The plan before the last change that somebody has been told of. */
  before = null;
  memo = newMemo2();
  /** What went wrong while it planned, until somebody fetches it. */
  faults = [];
  constructor(facts2) {
    this.facts = facts2;
  }
  /** Takes other facts in the place of all. */
  replace(facts2) {
    const same = JSON.stringify(facts2.weather) === JSON.stringify(this.facts.weather);
    this.facts = same ? { ...facts2, weather: this.facts.weather } : facts2;
    this.after();
  }
  /** The plan is made anew when next asked for; what it was is kept to tell what changed. */
  after() {
    this.before = this.planned ?? this.before;
    this.planned = null;
  }
  /** Takes the place of some beds and of what happened on them; the rest of the garden is as it was. */
  change(beds2, events) {
    const ids = new Set(beds2.map(({ id }) => id));
    const { garden } = this.facts;
    this.facts = {
      ...this.facts,
      garden: { ...garden, beds: garden.beds.map((bed) => beds2.find(({ id }) => id === bed.id) ?? bed) },
      events: [...this.facts.events.filter(({ bedId }) => bedId === null || !ids.has(bedId)), ...events]
    };
    this.after();
  }
  /** A view, as its schema has it. */
  view(name, asked, now, onProgress) {
    const planned = () => {
      if (!this.planned) {
        let a = performance.now();
        const context = contextOf(this.facts, { memo: this.memo, onProgress });
        console.error("  context", (performance.now() - a).toFixed(0));
        a = performance.now();
        this.planned = { context, places: placesOf(context, now), at: now };
        console.error("  places", (performance.now() - a).toFixed(0));
      } else if (Math.abs(now.getTime() - this.planned.at.getTime()) > LOOKED_MS) {
        const { context } = this.planned;
        this.planned = { context, places: placesOf(context, now), at: now };
      }
      return this.planned;
    };
    try {
      const view = VIEWS[name](planned, asked, this.facts, this.before);
      if (name === "changed") this.before = null;
      return view;
    } finally {
      if (this.planned) this.faults.push(...this.planned.context.faults.splice(0));
    }
  }
  takeFaults() {
    return this.faults.splice(0);
  }
};

// bench/src/zz.mts
var wall = { now: () => /* @__PURE__ */ new Date("2026-07-14T06:00:00Z") };
var log = pino({ level: "silent" });
var s = await openDatabase(join2(mkdtempSync(join2(tmpdir(), "k-")), "k.sqlite"));
var st = stationApp({ seed: 46, latitudeDeg: 46.9 }).listen(0, "127.0.0.1");
await new Promise((r2) => st.once("listening", r2));
await seedDemo(s, `http://127.0.0.1:${st.address().port}`, wall, log);
var big = process.argv[2] === "big";
if (big) for (const [id, n] of [[1, 200], [3, 200], [6, 88]]) await writerOf(s)(async () => copyBed(await Bed.findByPk(id), n, "2026-07-14", wall.now()));
var g = await Garden.findByPk(1);
var t = async (n, f) => {
  const a = performance.now();
  const r2 = await f();
  console.log(n, (performance.now() - a).toFixed(0));
  return r2;
};
var facts = await t("facts", () => gardenFacts(g, wall, log));
var p = new GardenPlanner(structuredClone(facts));
var r = await t("round", () => p.view("round", {}, wall.now()));
await t("again", () => p.view("round", {}, wall.now()));
for (const stop of r.stops.slice(0, 3)) {
  const bed = await Bed.findByPk(stop.bedId);
  await logWatering(bed, { minutes: 5, asPlanned: true }, "2026-07-14", wall);
  const f = await t("bedFacts", () => bedFacts(g, [bed.id], wall));
  p.change(f.beds, f.events);
  const c = await t("changed", () => p.view("changed", {}, wall.now()));
  console.log(c.beds.length);
}
st.close();
