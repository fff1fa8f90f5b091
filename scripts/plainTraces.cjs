// Sequelize writes a trace for every query, in case it fails. Bringing each of its lines back to a source costs a
// twentieth of the tests' time, and tells nobody anything: those traces are left as they are.
const Outer = require('node:vm').runInThisContext('Error');
Error.prepareStackTrace = (error, frames) =>
  frames[0]?.getFileName()?.includes('/node_modules/sequelize/') || !Outer.prepareStackTrace
    ? `${error}${frames.map((frame) => `\n    at ${frame}`).join('')}`
    : Outer.prepareStackTrace(error, frames);
